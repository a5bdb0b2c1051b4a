import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useSyncExternalStore } from "react";

let open = false;
const listeners = new Set<() => void>();

function set(now: boolean) {
  open = now;
  listeners.forEach((l) => l());
}

/** How often a screen asks by itself: seldom while the server tells what changed, often while it cannot. */
export function useInterval(often: number, seldom = 20_000): number {
  const told = useSyncExternalStore(
    (l) => {
      listeners.add(l);
      return () => listeners.delete(l);
    },
    () => open,
  );
  return told ? seldom : often;
}

/** Listens to what changes, and has the screens that show it look again. A lost stream is opened again by itself. */
export function useChanges(wanted: boolean): void {
  const client = useQueryClient();
  useEffect(() => {
    if (!wanted || typeof EventSource === "undefined") return;
    const stream = new EventSource("/api/changes");
    let before = false;
    stream.addEventListener("open", () => {
      set(true);
      // what happened while nobody listened was told to nobody
      if (before) {
        void client.invalidateQueries({ queryKey: ["floor"] });
        void client.invalidateQueries({ queryKey: ["assessment"] });
      }
      before = true;
    });
    stream.addEventListener("error", () => set(false));
    stream.addEventListener("changed", (e) => {
      const { assessmentId } = JSON.parse((e as MessageEvent<string>).data) as { assessmentId: string };
      void client.invalidateQueries({ queryKey: ["floor"] });
      void client.invalidateQueries({ queryKey: ["assessment", assessmentId] });
    });
    return () => {
      stream.close();
      set(false);
    };
  }, [wanted, client]);
}
