import { queryOptions } from "@tanstack/react-query";
import { api, data } from "../../api/client";

export const floorQueries = {
  all: ["floor"] as const,
  now: queryOptions({
    queryKey: ["floor"] as const,
    queryFn: ({ signal }) => data(api.GET("/api/floor", { signal })),
    refetchInterval: 5000,
  }),
};
