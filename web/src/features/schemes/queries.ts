import { queryOptions } from "@tanstack/react-query";
import { api, data, type Schemas } from "../../api/client";

export type SchemeView = Schemas["SchemeView"];

export const schemeQueries = {
  all: queryOptions({
    queryKey: ["schemes"] as const,
    queryFn: ({ signal }) => data(api.GET("/api/schemes", { signal })),
  }),
  one: (id: string, version: number) =>
    queryOptions({
      queryKey: ["schemes", id, version] as const,
      queryFn: ({ signal }) =>
        data(api.GET("/api/schemes/{id}/{version}", { signal, params: { path: { id, version } } })),
    }),
  text: (id: string, version: number) =>
    queryOptions({
      queryKey: ["schemes", id, version, "text"] as const,
      queryFn: ({ signal }) =>
        data(api.GET("/api/schemes/{id}/{version}/text", { signal, params: { path: { id, version } } })),
      staleTime: Infinity,
    }),
  difference: (id: string, from: number, to: number) =>
    queryOptions({
      queryKey: ["schemes", id, "difference", from, to] as const,
      queryFn: ({ signal }) =>
        data(
          api.GET("/api/schemes/{id}/difference", { signal, params: { path: { id }, query: { from, to } } }),
        ),
    }),
};
