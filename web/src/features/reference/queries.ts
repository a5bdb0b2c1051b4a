import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import { api, data } from "../../api/client";

export const referenceQueries = {
  all: queryOptions({
    queryKey: ["reference"] as const,
    queryFn: ({ signal }) => data(api.GET("/api/reference", { signal })),
    staleTime: Infinity,
  }),
  glossary: queryOptions({
    queryKey: ["reference", "glossary"] as const,
    queryFn: ({ signal }) => data(api.GET("/api/reference/glossary", { signal })),
    staleTime: Infinity,
  }),
  worked: (id: string, values: Record<string, string>) =>
    queryOptions({
      queryKey: ["reference", id, values] as const,
      queryFn: ({ signal }) =>
        data(api.POST("/api/reference/{id}", { signal, params: { path: { id } }, body: { values } })),
      staleTime: Infinity,
      placeholderData: keepPreviousData,
    }),
};
