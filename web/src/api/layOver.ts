import type { QueryClient, QueryKey } from "@tanstack/react-query";

/** Shows the answer to a write. A look that set out before it and is still under way must not be laid over it. */
export function layOver<T>(
  client: QueryClient,
  queryKey: QueryKey,
  answer: T | ((before: T | undefined) => T | undefined),
) {
  void client.cancelQueries({ queryKey });
  client.setQueryData<T>(queryKey, answer as never);
}
