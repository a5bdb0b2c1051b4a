import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { fireEvent, render, screen, within } from "@testing-library/react";
import { MemoryRouter } from "react-router";
import { describe, expect, it, vi } from "vitest";
import { MarkPage } from "./MarkPage";
import type { Line, MarkingView, MarkLine } from "./queries";

const mark = (id: string, more: Partial<MarkLine> = {}): MarkLine => ({
  id,
  step: "R1_R2",
  circuit: "Sockets",
  group: "R1+R2",
  title: id,
  weight: 1,
  key: false,
  proposed: "FULL",
  given: null,
  reason: "",
  by: "",
  evidence: `evidence of ${id}`,
  slots: [],
  wants: "DECISION",
  ...more,
});

const line = (slot: string, more: Partial<Line> = {}): Line => ({
  measured: true,
  slot,
  step: "R1_R2",
  circuit: "sockets",
  station: null,
  axis: "",
  quantity: "R1+R2",
  where: slot,
  asked: true,
  wantsEye: false,
  written: "0.44",
  side: "inside",
  unexplained: "",
  sideWords: "inside the band",
  writtenOhms: 0.44,
  writtenOverRange: false,
  healthy: "0.13 Ω",
  expected: "0.13 Ω",
  healthyOhms: 0.13,
  expectedOhms: 0.13,
  band: null,
  limit: null,
  judged: "not-asked",
  remarks: [],
  explanations: [],
  bandReasons: [],
  ...more,
});

const decision = (id: string, cause: string | null, marks: string[], more = {}) => ({
  id,
  cause,
  title: id,
  of: "",
  evidence: `evidence of ${id}`,
  costs: 0.5,
  key: false,
  lookFirst: false,
  marks,
  boxes: ["a"],
  ...more,
});

const cause = (id: string) => ({
  cause: id,
  kind: "OFF",
  label: id,
  evidence: `why ${id}`,
  shares: [],
  question: `question of ${id}?`,
  decides: "",
  slots: ["a"],
});

function show(over: Partial<Record<keyof MarkingView, unknown>> = {}) {
  const view = {
    steps: [{ id: "R1_R2", label: "R1+R2", asked: 2, wantEye: 1, leftOut: false }],
    lines: [line("a", { side: "above", wantsEye: true }), line("b")],
    circuits: [{ id: "sockets", label: "Sockets" }],
    profiles: [],
    faultsSet: [],
    faultsReported: [],
    causes: [cause("Leads"), cause("Slip")],
    rigFirst: null,
    marks: [
      mark("nulled", { proposed: "HALF" }),
      mark("slipped", { proposed: "NONE" }),
      mark("judged"),
      mark("written"),
    ],
    toDecide: [decision("Leads", "Leads", ["nulled"]), decision("Slip", "Slip", ["slipped"])],
    ...over,
  } as unknown as MarkingView;
  const onDecide = vi.fn();
  render(
    <QueryClientProvider client={new QueryClient()}>
      <MemoryRouter>
        <MarkPage id="x" view={view} locked={false} busy={false} onDecide={onDecide} />
      </MemoryRouter>
    </QueryClientProvider>,
  );
  return onDecide;
}

const card = (name: RegExp) => screen.getByRole("button", { name });

describe("the page of marks", () => {
  it("opens the first cause with why, what it costs and what to ask, and keeps the next folded", () => {
    show();
    expect(card(/^Leads/)).toHaveAttribute("aria-expanded", "true");
    expect(screen.getByText("why Leads")).toBeInTheDocument();
    expect(screen.getByText(/question of Leads/)).toBeInTheDocument();
    expect(card(/Slip/)).toHaveAttribute("aria-expanded", "false");
    expect(screen.getAllByText("½ mark")).toHaveLength(2);
  });

  it("agrees to all marks of a cause at once and goes on to the next", () => {
    const onDecide = show();
    fireEvent.click(screen.getByRole("button", { name: "Agree" }));
    expect(onDecide).toHaveBeenCalledExactlyOnceWith([{ mark: "nulled", given: "HALF", reason: "" }]);
  });

  it("takes all together only when each cause was opened once", () => {
    const onDecide = show();
    const all = screen.getByRole("button", { name: "Accept all 4" });
    expect(all).toBeDisabled();
    fireEvent.click(card(/Slip/));
    expect(all).toBeEnabled();
    fireEvent.click(all);
    expect((onDecide.mock.calls[0] as [{ mark: string }[]])[0].map((m) => m.mark)).toEqual([
      "judged",
      "written",
      "nulled",
      "slipped",
    ]);
  });

  it("leaves what the rig may account for to somebody who looked", () => {
    const onDecide = show({
      marks: [mark("rig", { proposed: "NOT_SEEN", wants: "A_LOOK_AT_THE_RIG" }), mark("judged")],
      toDecide: [decision("rig", null, ["rig"], { lookFirst: true, costs: 0 })],
    });
    expect(screen.getByText("look at the rig first")).toBeInTheDocument();
    expect(screen.getByText("no mark lost")).toBeInTheDocument();
    fireEvent.click(screen.getByRole("button", { name: "Accept the other 1" }));
    expect(onDecide).toHaveBeenLastCalledWith([{ mark: "judged", given: "FULL", reason: "" }]);
    fireEvent.click(screen.getByRole("button", { name: "Looked at: agree" }));
    expect(onDecide).toHaveBeenLastCalledWith([{ mark: "rig", given: "NOT_SEEN", reason: "" }]);
  });

  it("shows the record as shapes and leads from one to its readings", () => {
    show();
    const map = screen.getByRole("navigation", { name: "Tests" });
    const cell = within(map).getByRole("button", { name: "R1+R2, Sockets: one reading to look at" });
    expect(cell).toHaveTextContent("▲");
    fireEvent.click(cell);
    expect(within(screen.getByRole("region", { name: "Readings" })).getByText("b")).toBeInTheDocument();
    fireEvent.click(screen.getByRole("button", { name: "Back to what needs a decision" }));
    expect(screen.getByText("What needs a decision")).toBeInTheDocument();
  });
});
