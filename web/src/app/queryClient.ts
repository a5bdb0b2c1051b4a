import { QueryClient } from "@tanstack/react-query";
import { ApiProblem } from "../api/client";

/** Retries what a lost connection broke, never what the server refused. */
export function newQueryClient(): QueryClient {
  return new QueryClient({
    defaultOptions: {
      queries: {
        retry: (count, error) => !(error instanceof ApiProblem && error.status > 0) && count < 3,
        staleTime: 2000,
      },
      // what cannot be sent now must not go by itself later: the rig may be another by then
      mutations: { retry: false, networkMode: "always" },
    },
  });
}
