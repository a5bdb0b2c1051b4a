import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useMemo, useSyncExternalStore } from "react";
import { layOver } from "../../api/layOver";
import { sessionQueries } from "../session";
import { newer, Taps } from "./taps";

/** Taps of whoever is signed in, kept and sent. @param onView what the server answered */
export function useTaps(id: string, queryKey: readonly unknown[]) {
  const client = useQueryClient();
  const me = useQuery(sessionQueries.current).data?.person?.id ?? "";
  const taps = useMemo(
    () =>
      new Taps(me, id, (view) => {
        layOver(client, queryKey, newer(view));
      }),
    // the key is made anew each time, of the id alone
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [me, id, client],
  );
  useEffect(() => {
    if (me) taps.start();
    return () => taps.stop();
  }, [taps, me]);
  return { taps, state: useSyncExternalStore(taps.subscribe, taps.snapshot) };
}
