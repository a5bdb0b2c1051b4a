import { queryOptions, useMutation, useQueryClient } from "@tanstack/react-query";
import { api, ApiProblem, data, newEventId } from "../../api/client";

/** Over about a minute. */
const TRIES = 12;

export const sessionQueries = {
  current: queryOptions({
    queryKey: ["session"] as const,
    queryFn: ({ signal }) => data(api.GET("/api/session", { signal })),
    staleTime: 60_000,
    // another tab may have changed who is signed in
    refetchInterval: 60_000,
  }),
  demoSignIns: queryOptions({
    queryKey: ["demo-sign-ins"] as const,
    queryFn: ({ signal }) => data(api.GET("/api/demo/sign-ins", { signal })),
    staleTime: Infinity,
  }),
};

export function useSignIn() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: { id: string; password: string }) => data(api.POST("/api/session", { body })),
    // many sign in at this moment: the page waits its turn, the person does nothing
    retry: (count, error) => error instanceof ApiProblem && error.status === 503 && count < TRIES,
    retryDelay: (count) => 1000 + 500 * count,
    onSuccess: (session) => {
      // what the person before saw must not stay in memory
      client.removeQueries({ predicate: (query) => query.queryKey[0] !== "session" });
      client.setQueryData(sessionQueries.current.queryKey, session);
      tellOtherTabs();
    },
  });
}

const CHANGED = "prantel-session-changed";
const LEAVING = "prantel-signing-out";

export function tellOtherTabs(): void {
  localStorage.setItem(CHANGED, newEventId());
}

export function isLeaving(): boolean {
  return localStorage.getItem(LEAVING) !== null;
}

/** From now on this device shows nothing of the person, in no tab, whether the server hears of it or not. */
export function leave(): void {
  localStorage.setItem(LEAVING, "1");
  window.dispatchEvent(new Event(LEAVING));
}

/** Signs out. @returns whether the server says that nobody is signed in now */
export async function signOut(): Promise<boolean> {
  // what was refused tells nothing: who is signed in does
  await data(api.DELETE("/api/session")).catch(() => undefined);
  const { person } = await data(api.GET("/api/session"));
  if (person) return false;
  localStorage.removeItem(LEAVING);
  tellOtherTabs();
  return true;
}

/** @param changed called when somebody signs in or out, here or in another tab, or when a page comes back from the past */
export function onSessionChange(changed: () => void): () => void {
  const stored = (e: StorageEvent) => {
    if (e.key === CHANGED || e.key === LEAVING) changed();
  };
  const back = (e: PageTransitionEvent) => {
    if (e.persisted) changed();
  };
  window.addEventListener("storage", stored);
  window.addEventListener(LEAVING, changed);
  window.addEventListener("pageshow", back);
  return () => {
    window.removeEventListener("storage", stored);
    window.removeEventListener(LEAVING, changed);
    window.removeEventListener("pageshow", back);
  };
}
