import { QueryClient } from "@tanstack/react-query";
import { expect, it } from "vitest";
import { layOver } from "./layOver";

it("lets no look that set out before it be laid over the answer to a write", async () => {
  const client = new QueryClient();
  client.setQueryData(["clear"], "before");
  let arrives: (view: string) => void = () => undefined;
  const poll = client
    .fetchQuery({
      queryKey: ["clear"],
      // one that is aborted, as the network does
      queryFn: ({ signal }) =>
        new Promise<string>((resolve, reject) => {
          arrives = resolve;
          signal.addEventListener("abort", () => reject(new Error("aborted")));
        }),
      staleTime: 0,
    })
    .catch(() => "");
  layOver(client, ["clear"], "ticked");
  arrives("before");
  await poll;
  expect(client.getQueryData(["clear"])).toBe("ticked");
});
