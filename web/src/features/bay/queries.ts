import { queryOptions } from "@tanstack/react-query";
import { api, data } from "../../api/client";

export const bayQueries = {
  prepare: (bayId: string) =>
    queryOptions({
      queryKey: ["bay", bayId, "prepare"] as const,
      queryFn: ({ signal }) =>
        data(api.GET("/api/bays/{bayId}/prepare", { signal, params: { path: { bayId } } })),
    }),
  header: (id: string) =>
    queryOptions({
      queryKey: ["assessment", id, "header"] as const,
      queryFn: ({ signal }) => data(api.GET("/api/assessments/{id}", { signal, params: { path: { id } } })),
      refetchInterval: 5000,
    }),
};
