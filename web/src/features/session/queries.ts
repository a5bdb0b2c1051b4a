import { queryOptions, useMutation, useQueryClient } from "@tanstack/react-query";
import { api, data } from "../../api/client";

export const sessionQueries = {
  current: queryOptions({
    queryKey: ["session"] as const,
    queryFn: ({ signal }) => data(api.GET("/api/session", { signal })),
    staleTime: 60_000,
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
    onSuccess: (session) => {
      // what the person before saw must not stay in memory
      client.removeQueries({ predicate: (query) => query.queryKey[0] !== "session" });
      client.setQueryData(sessionQueries.current.queryKey, session);
    },
  });
}

/** Leaves by loading the page afresh: nothing of this person stays in memory. */
export function useSignOut() {
  return useMutation({
    mutationFn: () => data(api.DELETE("/api/session")),
    onSettled: () => {
      window.location.assign("/sign-in");
    },
  });
}
