import { render, screen, within } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import type { MarkingView } from "./queries";
import { StepList } from "./StepList";

const mark = (step: string, given: string | null) => ({
  id: `${step}-${given}`,
  step,
  given,
  wants: "LOOK",
  proposed: null,
});

function show() {
  const view = {
    opinions: { blind: true },
    steps: [
      { id: "BONDING", label: "Bonding", leftOut: false, wantEye: 0 },
      { id: "R2", label: "R2", leftOut: false, wantEye: 0 },
    ],
    lines: [{ wantsEye: false, asked: true }],
    marks: [mark("BONDING", null), mark("BONDING", "FULL"), mark("R2", "HALF"), mark("FAULTS", null)],
  } as unknown as MarkingView;
  render(<StepList view={view} step="BONDING" onStep={vi.fn()} onNext={vi.fn()} />);
  return (name: RegExp) => screen.getByRole("button", { name });
}

describe("the tests beside the marks", () => {
  it("tells who marks alone what is still to give, and nothing the program makes of it", () => {
    const button = show();
    expect(within(button(/^Bonding/)).getByText("1 mark to give")).toBeInTheDocument();
    expect(within(button(/^R2/)).getByText("all given")).toBeInTheDocument();
    expect(within(button(/^Faults named/)).getByText("1 mark to give")).toBeInTheDocument();
    expect(screen.getByText("2 of 4 marks given")).toBeInTheDocument();
    expect(screen.queryByText(/to look at|in order/)).not.toBeInTheDocument();
  });
});
