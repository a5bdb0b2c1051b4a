import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, describe, expect, it, vi } from "vitest";
import type { Schemas } from "../../api/client";
import { FaultsOfRig } from "./FaultsOfRig";

const line = (n: number, over: Partial<Schemas["ExploredLine"]> = {}): Schemas["ExploredLine"] => ({
  group: "Ring",
  kind: "ring-leg-open",
  title: `Ring open ${n}`,
  where: `socket ${n}, Ring`,
  circuit: "ring",
  visibility: "findable",
  firstTest: "Ring",
  boxes: 3,
  difficulty: 2.1,
  safety: "dead only",
  severity: "C2",
  ...over,
});

let pairs: Schemas["PairsView"];

beforeEach(() => {
  pairs = { state: "none", share: 0, pairs: 0, masked: [] };
  const faults = [
    ...Array.from({ length: 99 }, (_, i) => line(i)),
    line(99, { title: "Loose neutral", visibility: "hidden", circuit: "radial" }),
  ];
  vi.stubGlobal(
    "fetch",
    vi.fn(async (request: Request) => {
      const path = new URL(request.url).pathname;
      if (path.endsWith("/pairs")) {
        if (request.method === "POST") pairs = { ...pairs, state: "running", share: 0.25 };
        if (request.method === "DELETE") {
          pairs = {
            state: "stopped",
            share: 0.3,
            pairs: 42,
            masked: [{ hidden: "a joint", by: "an open CPC" }],
          };
        }
        return Response.json(pairs);
      }
      return Response.json({ boxes: 285, findable: 99, borderline: 0, hidden: 1, faults });
    }),
  );
});

function shown(circuit?: string) {
  return render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
      <FaultsOfRig id="bunkhouse" circuit={circuit} />
    </QueryClientProvider>,
  );
}

const table = () => screen.getByRole("region", { name: "Explored faults" });

describe("FaultsOfRig", () => {
  it("asks before the long work, then counts and lists a first part", async () => {
    shown();
    expect(screen.queryByText(/over 285 boxes/)).not.toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: "Explore all single faults" }));
    expect(await screen.findByText("over 285 boxes")).toBeInTheDocument();
    expect(within(table()).getAllByRole("row")).toHaveLength(81);
    await userEvent.click(screen.getByRole("button", { name: "Show all 100" }));
    expect(within(table()).getAllByRole("row")).toHaveLength(101);
  });

  it("shows what is asked for, and one circuit when one is looked at", async () => {
    shown("radial");
    await userEvent.click(screen.getByRole("button", { name: "Explore all single faults" }));
    await screen.findByText("over 285 boxes");
    expect(within(table()).getAllByRole("row")).toHaveLength(2);
    await userEvent.selectOptions(screen.getByLabelText("Show"), "findable");
    expect(within(table()).getAllByRole("row")).toHaveLength(1);
  });

  it("explores pairs with progress and can be stopped", async () => {
    shown();
    await userEvent.click(screen.getByRole("button", { name: "Explore all single faults" }));
    await userEvent.click(await screen.findByRole("button", { name: "Explore pairs in the background" }));
    expect(await screen.findByText("25 % of the pairs")).toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: "Stop" }));
    expect(
      await screen.findByText(/Stopped after 42 pairs, in 1 cases one hides the other/),
    ).toBeInTheDocument();
    expect(screen.getByText("an open CPC hides a joint")).toBeInTheDocument();
  });
});
