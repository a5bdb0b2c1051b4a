import { queryOptions } from "@tanstack/react-query";
import { api, data, type Schemas } from "../../api/client";

export type SheetView = Schemas["SheetView"];

export type Box = Schemas["Box"];

export const sheetQueries = {
  mine: queryOptions({
    queryKey: ["sheets"] as const,
    queryFn: ({ signal }) => data(api.GET("/api/my/sheets", { signal })),
    refetchInterval: 5000,
  }),
  one: (id: string) =>
    queryOptions({
      queryKey: ["sheet", id] as const,
      queryFn: ({ signal }) => data(api.GET("/api/my/sheets/{id}", { signal, params: { path: { id } } })),
    }),
  /** Where it stands, small: tells when the sheet has to be looked at again. */
  standing: (id: string) =>
    queryOptions({
      queryKey: ["sheet", id, "standing"] as const,
      queryFn: ({ signal }) =>
        data(api.GET("/api/my/sheets/{id}/standing", { signal, params: { path: { id } } })),
      refetchInterval: 4000,
    }),
};
