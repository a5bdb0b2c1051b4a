import { keepPreviousData, queryOptions, useMutation, useQueryClient } from "@tanstack/react-query";
import { api, data, newEventId, type Schemas } from "../../api/client";

export type SetView = Schemas["SetView"];
export type Fault = Schemas["FaultInput"];

export const setQueries = {
  view: (id: string) =>
    queryOptions({
      queryKey: ["assessment", id, "set"] as const,
      queryFn: ({ signal }) =>
        data(api.GET("/api/assessments/{id}/set", { signal, params: { path: { id } } })),
    }),
  /** What a set would do, without keeping it; an empty list asks nothing. */
  preview: (id: string, faults: Fault[]) =>
    queryOptions({
      queryKey: ["assessment", id, "preview", faults] as const,
      queryFn: ({ signal }) =>
        data(
          api.POST("/api/assessments/{id}/faults/preview", {
            signal,
            params: { path: { id } },
            body: { faults },
          }),
        ),
      staleTime: Infinity,
      placeholderData: keepPreviousData,
    }),
};

/** The writes of Set; each answers with the new view. A retry after a lost connection carries the same event id. */
export function useSetWrites(id: string) {
  const client = useQueryClient();
  const params = { path: { id } };
  const keep = (view: SetView) => {
    client.setQueryData(setQueries.view(id).queryKey, view);
    void client.invalidateQueries({ queryKey: ["floor"] });
    // waited for: the header says which stages can be opened
    return client.invalidateQueries({ queryKey: ["assessment", id, "header"] });
  };
  const refresh = () => void client.invalidateQueries({ queryKey: setQueries.view(id).queryKey });
  return {
    faults: useMutation({
      mutationFn: (w: { faults: Fault[]; basedOn: number }) =>
        data(api.PUT("/api/assessments/{id}/faults", { params, body: { eventId: newEventId(), ...w } })),
      onSuccess: keep,
      onError: refresh,
    }),
    lockOff: useMutation({
      mutationFn: () =>
        data(api.POST("/api/assessments/{id}/lock-off", { params, body: { eventId: newEventId() } })),
      onSuccess: keep,
    }),
    check: useMutation({
      mutationFn: (w: { slot: string; text: string }) =>
        data(api.POST("/api/assessments/{id}/checks", { params, body: { eventId: newEventId(), ...w } })),
      onSuccess: keep,
    }),
    open: useMutation({
      mutationFn: () =>
        data(api.POST("/api/assessments/{id}/open", { params, body: { eventId: newEventId() } })),
      onSuccess: keep,
    }),
  };
}
