import { keepPreviousData, queryOptions, useMutation, useQueryClient } from "@tanstack/react-query";
import { api, data, type Schemas } from "../../api/client";

export type RigPage = Schemas["RigPage"];
export type RigView = Schemas["RigView"];
export type AsBuiltView = Schemas["AsBuiltView"];

export const rigQueries = {
  all: queryOptions({
    queryKey: ["rigs"] as const,
    queryFn: ({ signal }) => data(api.GET("/api/rigs", { signal })),
  }),
  /** @param version 0 for the newest */
  one: (id: string, version: number) =>
    queryOptions({
      queryKey: ["rigs", id, version] as const,
      queryFn: ({ signal }) =>
        data(api.GET("/api/rigs/{id}", { signal, params: { path: { id }, query: { version } } })),
    }),
  notes: (id: string) =>
    queryOptions({
      queryKey: ["rigs", id, "notes"] as const,
      queryFn: ({ signal }) => data(api.GET("/api/rigs/{id}/notes", { signal, params: { path: { id } } })),
    }),
  difference: (id: string, from: number, to: number) =>
    queryOptions({
      queryKey: ["rigs", id, "difference", from, to] as const,
      queryFn: ({ signal }) =>
        data(api.GET("/api/rigs/{id}/difference", { signal, params: { path: { id }, query: { from, to } } })),
      staleTime: Infinity,
    }),
  asBuilt: (id: string, version: number) =>
    queryOptions({
      queryKey: ["rigs", id, version, "as-built"] as const,
      queryFn: ({ signal }) =>
        data(
          api.GET("/api/rigs/{id}/versions/{version}/as-built", {
            signal,
            params: { path: { id, version } },
          }),
        ),
    }),
  templates: queryOptions({
    queryKey: ["rig-templates"] as const,
    queryFn: ({ signal }) => data(api.GET("/api/rig-templates", { signal })),
    staleTime: Infinity,
  }),
  relayChoices: (file: string) =>
    queryOptions({
      queryKey: ["rig-relay-choices", file] as const,
      queryFn: ({ signal }) => data(api.POST("/api/rigs/relay-choices", { signal, body: { file } })),
      staleTime: Infinity,
      gcTime: 60_000,
      placeholderData: keepPreviousData,
      retry: false,
    }),
  preview: (file: string) =>
    queryOptions({
      queryKey: ["rig-preview", file] as const,
      queryFn: ({ signal }) => data(api.POST("/api/rigs/preview", { signal, body: { file } })),
      staleTime: Infinity,
      gcTime: 60_000,
      placeholderData: keepPreviousData,
    }),
};

/** Keeps a healthy reading of the real rig; an empty text takes it back. */
export function useHealthyReading(id: string, version: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (reading: { slot: string; text: string }) =>
      data(
        api.POST("/api/rigs/{id}/versions/{version}/as-built", {
          params: { path: { id, version } },
          body: reading,
        }),
      ),
    onSuccess: (view) => {
      client.setQueryData(rigQueries.asBuilt(id, version).queryKey, view);
      void client.invalidateQueries({ queryKey: ["floor"] });
    },
  });
}

export function useSaveRig() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (draft: { file: string; basedOn: number }) => data(api.POST("/api/rigs", { body: draft })),
    onSuccess: () => client.invalidateQueries({ queryKey: ["rigs"] }),
  });
}
