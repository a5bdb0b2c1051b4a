import { keepPreviousData, queryOptions, useMutation, useQueryClient } from "@tanstack/react-query";
import { api, data, deed, type Schemas } from "../../api/client";
import { layOver } from "../../api/layOver";

export type SetView = Schemas["SetView"];
export type Fault = Schemas["FaultInput"];

export const setQueries = {
  view: (id: string) =>
    queryOptions({
      queryKey: ["assessment", id, "set"] as const,
      queryFn: ({ signal }) =>
        data(api.GET("/api/assessments/{id}/set", { signal, params: { path: { id } } })),
    }),
  /** What a set would do, without keeping it. */
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
  /** Whether a set is fair; a new rig is explored first, which takes a moment. */
  review: (id: string, faults: Fault[], asOf: number) =>
    queryOptions({
      queryKey: ["assessment", id, "review", faults, asOf] as const,
      queryFn: ({ signal }) =>
        data(
          api.POST("/api/assessments/{id}/faults/review", {
            signal,
            params: { path: { id } },
            body: { faults },
          }),
        ),
      staleTime: Infinity,
      placeholderData: keepPreviousData,
    }),
  /** What every kind that fits a place would do there. */
  here: (id: string, at: string) =>
    queryOptions({
      queryKey: ["assessment", id, "here", at] as const,
      queryFn: ({ signal }) =>
        data(
          api.GET("/api/assessments/{id}/faults/here", { signal, params: { path: { id }, query: { at } } }),
        ),
      staleTime: Infinity,
    }),
  library: (id: string) =>
    queryOptions({
      queryKey: ["assessment", id, "library"] as const,
      queryFn: ({ signal }) =>
        data(api.GET("/api/assessments/{id}/library", { signal, params: { path: { id } } })),
    }),
  comparison: (id: string, ref: string, basedOn: number) =>
    queryOptions({
      queryKey: ["assessment", id, "compare", ref, basedOn] as const,
      queryFn: ({ signal }) =>
        data(
          api.GET("/api/assessments/{id}/compare", {
            signal,
            params: { path: { id }, query: { with: ref } },
          }),
        ),
    }),
  proof: (id: string) =>
    queryOptions({
      queryKey: ["assessment", id, "proof"] as const,
      queryFn: ({ signal }) =>
        data(api.GET("/api/assessments/{id}/proof", { signal, params: { path: { id } } })),
      // the box is watched: a relay that falls out must show
      refetchInterval: 2500,
    }),
  card: (id: string) =>
    queryOptions({
      queryKey: ["assessment", id, "card"] as const,
      queryFn: ({ signal }) =>
        data(api.GET("/api/assessments/{id}/card", { signal, params: { path: { id } } })),
      gcTime: 0,
    }),
};

/** The writes of Set; each answers with the new view. */
export function useSetWrites(id: string) {
  const client = useQueryClient();
  const params = { path: { id } };
  const keep = (view: SetView) => {
    layOver(client, setQueries.view(id).queryKey, view);
    void client.invalidateQueries({ queryKey: setQueries.proof(id).queryKey });
    void client.invalidateQueries({ queryKey: ["floor"] });
    // waited for: the header says which stages can be opened
    return client.invalidateQueries({ queryKey: ["assessment", id, "header"] });
  };
  const refresh = () => void client.invalidateQueries({ queryKey: setQueries.view(id).queryKey });
  // one after the other: the answer to an earlier write must not stand over that to a later one
  const scope = { id: `set ${id}` };
  return {
    faults: useMutation({
      scope,
      mutationFn: (w: { faults: Fault[]; basedOn: number; from: string | null }) =>
        deed(["faults", id, w], (eventId) =>
          data(api.PUT("/api/assessments/{id}/faults", { params, body: { eventId, ...w } })),
        ),
      onSuccess: keep,
      onError: refresh,
    }),
    lockOff: useMutation({
      scope,
      mutationFn: () =>
        deed(["lock-off", id], (eventId) =>
          data(api.POST("/api/assessments/{id}/lock-off", { params, body: { eventId } })),
        ),
      onSuccess: keep,
    }),
    answers: useMutation({
      scope,
      mutationFn: (answers: Schemas["AcceptedAnswer"][]) =>
        deed(["answers", id, answers], (eventId) =>
          data(api.PUT("/api/assessments/{id}/answers", { params, body: { eventId, answers } })),
        ),
      onSuccess: (view) => {
        void client.invalidateQueries({ queryKey: ["assessment", id, "review"] });
        return keep(view);
      },
    }),
    propose: useMutation({
      mutationFn: (wanted: Schemas["Wanted"]) =>
        data(api.POST("/api/assessments/{id}/faults/propose", { params, body: wanted })),
    }),
    keepInLibrary: useMutation({
      mutationFn: (body: Schemas["ToKeep"]) =>
        data(api.POST("/api/assessments/{id}/library", { params, body })),
      onSuccess: () => client.invalidateQueries({ queryKey: setQueries.library(id).queryKey }),
    }),
  };
}

/** The writes of proving. */
export function useProofWrites(id: string) {
  const client = useQueryClient();
  const params = { path: { id } };
  const keep = (view: Schemas["ProofView"]) => {
    layOver(client, setQueries.proof(id).queryKey, view);
    void client.invalidateQueries({ queryKey: setQueries.view(id).queryKey });
    void client.invalidateQueries({ queryKey: ["floor"] });
    return client.invalidateQueries({ queryKey: ["assessment", id, "header"] });
  };
  return {
    arm: useMutation({
      mutationFn: () =>
        deed(["arm", id], (eventId) =>
          data(api.POST("/api/assessments/{id}/proof/arm", { params, body: { eventId } })),
        ),
      onSuccess: keep,
    }),
    release: useMutation({
      mutationFn: () =>
        deed(["release", id], (eventId) =>
          data(api.POST("/api/assessments/{id}/proof/release", { params, body: { eventId } })),
        ),
      onSuccess: keep,
    }),
    // readings and ticks one after the other; what moves relays waits for nothing
    handled: useMutation({
      scope: { id: `proof ${id}` },
      mutationFn: (w: { fault: number; what: "SET" | "SEEN"; done: boolean }) =>
        deed(["handled", id, w], (eventId) =>
          data(api.POST("/api/assessments/{id}/proof/handled", { params, body: { eventId, ...w } })),
        ),
      onSuccess: keep,
    }),
    reading: useMutation({
      scope: { id: `proof ${id}` },
      mutationFn: (w: { slot: string; text: string }) =>
        deed(["reading", id, w], (eventId) =>
          data(api.POST("/api/assessments/{id}/proof/readings", { params, body: { eventId, ...w } })),
        ),
      onSuccess: keep,
    }),
    open: useMutation({
      mutationFn: () =>
        deed(["open", id], (eventId) =>
          data(api.POST("/api/assessments/{id}/proof/open", { params, body: { eventId } })),
        ),
      onSuccess: keep,
    }),
  };
}
