import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useRef } from "react";
import { api, data } from "../../api/client";
import { type Deed, type Opened, practiceQueries, type State } from "./queries";

/** What a learner does. One deed at a time, in the order of the presses: the next waits for the answer to the one before. */
export function usePractice(id: string, opened: Opened) {
  const client = useQueryClient();
  const params = { path: { id } };
  const keep = (state: State) =>
    client.setQueryData(
      practiceQueries.one(id).queryKey,
      (was: Opened | undefined) => was && { ...was, state },
    );
  // somebody else's hands, or another tab: what is shown is fetched again
  const lookAgain = () => void client.invalidateQueries({ queryKey: practiceQueries.one(id).queryKey });
  const waiting = useRef<Promise<unknown>>(Promise.resolve());
  const inTurn = (act: () => Promise<unknown>) => {
    // what is refused is shown by its mutation
    waiting.current = waiting.current.then(act).catch(() => undefined);
  };
  const now = () =>
    client.getQueryData(practiceQueries.one(id).queryKey)?.state.deedCount ?? opened.state.deedCount;

  const deed = useMutation({
    mutationFn: (one: Partial<Deed> & Pick<Deed, "verb">) =>
      data(api.POST("/api/practice/{id}/deeds", { params, body: { after: now(), deed: one as Deed } })),
    onSuccess: keep,
    onError: lookAgain,
  });
  const undo = useMutation({
    mutationFn: () => data(api.POST("/api/practice/{id}/undo", { params, body: { after: now() } })),
    onSuccess: keep,
    onError: lookAgain,
  });
  const write = useMutation({
    mutationFn: (body: { box: string; text: string }) =>
      data(api.PUT("/api/practice/{id}/readings", { params, body })),
    onSuccess: keep,
  });
  const at = useMutation({
    mutationFn: (box: string) => data(api.PUT("/api/practice/{id}/box", { params, body: { box } })),
    onSuccess: keep,
  });
  const name = useMutation({
    mutationFn: (faults: State["named"]) =>
      data(api.PUT("/api/practice/{id}/named", { params, body: { faults } })),
    onSuccess: keep,
  });
  const finish = useMutation({
    mutationFn: () => data(api.POST("/api/practice/{id}/finish", { params })),
    onSuccess: (state: State) => {
      keep(state);
      void client.invalidateQueries({ queryKey: practiceQueries.offer.queryKey, exact: true });
    },
  });
  const all = [deed, undo, write, at, name, finish];
  return {
    deed: (one: Partial<Deed> & Pick<Deed, "verb">) => {
      all.forEach((m) => m !== deed && m.reset());
      inTurn(() => deed.mutateAsync(one));
    },
    undo: () => {
      deed.reset();
      inTurn(async () => {
        if (now() > 0) await undo.mutateAsync();
      });
    },
    write: write.mutate,
    at: at.mutate,
    name: name.mutate,
    finish: finish.mutate,
    busy: all.some((m) => m.isPending),
    error: all.find((m) => m.isError)?.error ?? null,
  };
}

export type Practice = ReturnType<typeof usePractice>;
