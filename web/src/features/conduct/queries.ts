import { queryOptions, useMutation, useQueryClient } from "@tanstack/react-query";
import { api, data, deed, type Schemas } from "../../api/client";

export type Conduct = Schemas["ConductView"];
export type TickListView = Schemas["ListView"];
export type ListId = TickListView["list"];

export const conductQuery = (id: string) =>
  queryOptions({
    queryKey: ["assessment", id, "conduct"] as const,
    queryFn: ({ signal }) =>
      data(api.GET("/api/assessments/{id}/conduct", { signal, params: { path: { id } } })),
  });

/** Everything that shows an assessment looks again when its conduct changed. */
function useKept(id: string) {
  const client = useQueryClient();
  return (view: Conduct) => {
    client.setQueryData(conductQuery(id).queryKey, view);
    void client.invalidateQueries({ queryKey: ["assessment", id] });
    void client.invalidateQueries({ queryKey: ["floor"] });
  };
}

/** Ticks by the assessor, each kept at once with who and when. */
export function useTick(id: string) {
  const onSuccess = useKept(id);
  return useMutation({
    mutationFn: (tick: { list: ListId; item: string; on: boolean }) =>
      deed(["tick", id, tick], (eventId) =>
        data(
          api.PUT("/api/assessments/{id}/conduct/ticks", {
            params: { path: { id } },
            body: { eventId, ...tick },
          }),
        ),
      ),
    onSuccess,
  });
}

type Deeds = {
  halt: Omit<Schemas["Halting"], "eventId">;
  resume: { what: string };
  "lift-stop": { what: string };
  "hand-over": { to: string };
  instrument: { tester: string; reason: string };
  "break-off": { what: string };
};

/** One deed of conducting, kept once however often it is sent. */
export function useDeed<K extends keyof Deeds>(id: string, kind: K) {
  const onSuccess = useKept(id);
  return useMutation({
    mutationFn: (body: Deeds[K]) =>
      deed([kind, id, body], (eventId) =>
        data(
          api.POST(`/api/assessments/{id}/conduct/${kind}` as "/api/assessments/{id}/conduct/resume", {
            params: { path: { id } },
            body: { eventId, ...body } as Schemas["Saying"],
          }),
        ),
      ),
    onSuccess,
  });
}

export function useCarryOn(id: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: { bayId: string; reason: string }) =>
      deed(["carry-on", id, body], (eventId) =>
        data(
          api.POST("/api/assessments/{id}/conduct/carry-on", {
            params: { path: { id } },
            body: { eventId, ...body },
          }),
        ),
      ),
    onSuccess: () => client.invalidateQueries(),
  });
}

export function useAdjust(id: string) {
  const onSuccess = useKept(id);
  return useMutation({
    mutationFn: (body: { timeFactor: number; given: string[] }) =>
      deed(["adjust", id, body], (eventId) =>
        data(
          api.PUT("/api/assessments/{id}/conduct/adjustment", {
            params: { path: { id } },
            body: { eventId, ...body },
          }),
        ),
      ),
    onSuccess,
  });
}

export function useCircuits(id: string) {
  const onSuccess = useKept(id);
  return useMutation({
    mutationFn: (circuits: string[]) =>
      deed(["circuits", id, circuits], (eventId) =>
        data(
          api.PUT("/api/assessments/{id}/conduct/circuits", {
            params: { path: { id } },
            body: { eventId, circuits },
          }),
        ),
      ),
    onSuccess,
  });
}

export function listOf(lists: TickListView[], id: ListId): TickListView {
  const found = lists.find((l) => l.list === id);
  if (!found) throw new Error(`no list ${id}`);
  return found;
}
