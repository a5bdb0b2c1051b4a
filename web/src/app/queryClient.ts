import { QueryClient } from "@tanstack/react-query";
import { ApiProblem } from "../api/client";

/** Retries what a lost connection broke or what came too many at a time, never what the server refused. */
function mayPass(error: Error): boolean {
  return !(error instanceof ApiProblem) || [0, 429, 503].includes(error.status);
}

export function newQueryClient(): QueryClient {
  return new QueryClient({
    defaultOptions: {
      queries: {
        retry: (count, error) => mayPass(error) && count < 3,
        staleTime: 2000,
      },
      // what cannot be sent now must not go by itself later: the rig may be another by then
      mutations: { retry: false, networkMode: "always" },
    },
  });
}
