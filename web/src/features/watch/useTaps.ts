import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useMemo, useSyncExternalStore } from "react";
import type { KeptState, KeptWrites } from "../../api/keptWrites";
import type { Schemas } from "../../api/client";
import { layOver } from "../../api/layOver";
import { sessionQueries } from "../session";
import { newer, Stops, type StopWrite, type Tap, Taps } from "./taps";

/** Taps and stops of whoever is signed in, kept and sent. What the server answers is laid over the view. */
export function useTaps(id: string, queryKey: readonly unknown[]) {
  const client = useQueryClient();
  const me = useQuery(sessionQueries.current).data?.person?.id ?? "";
  const [taps, stops] = useMemo(() => {
    const onView = (view: Parameters<typeof newer>[0]) => layOver(client, queryKey, newer(view));
    return [new Taps(me, id, onView), new Stops(me, id, onView)] as const;
    // the key is made anew each time, of the id alone
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [me, id, client]);
  const state = useKept<Tap, Schemas["WatchView"]>(taps, me);
  const stopping = useKept<StopWrite, Schemas["WatchView"]>(stops, me);
  return { taps, state, stops, stopping };
}

function useKept<W extends { eventId: string }, A>(kept: KeptWrites<W, A>, me: string): KeptState<W> {
  useEffect(() => {
    if (me) kept.start();
    return () => kept.stop();
  }, [kept, me]);
  return useSyncExternalStore(kept.subscribe, kept.snapshot);
}
