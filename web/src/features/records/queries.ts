import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import { api, data } from "../../api/client";

/** What is looked for; an empty text for anything. Days as 2026-11-30. */
export interface Wanted {
  person: string;
  rig: string;
  scheme: string;
  outcome: string;
  from: string;
  until: string;
  page: number;
}

export const recordQueries = {
  find: (wanted: Wanted) =>
    queryOptions({
      queryKey: ["records", wanted] as const,
      queryFn: ({ signal }) => {
        const { from, until, ...rest } = wanted;
        return data(
          api.GET("/api/records", {
            signal,
            params: { query: { ...rest, ...(from && { from }), ...(until && { until }) } },
          }),
        );
      },
      placeholderData: keepPreviousData,
    }),
};
