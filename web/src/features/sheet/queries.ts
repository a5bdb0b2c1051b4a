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
};
