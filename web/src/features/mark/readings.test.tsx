import { render, screen } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import type { Line, MarkingView } from "./queries";
import { StepReadings } from "./StepReadings";

const line: Line = {
  measured: false,
  slot: "sockets/ir500/l-e",
  step: "INSULATION",
  circuit: "sockets",
  station: null,
  axis: "Ω",
  quantity: "Insulation L–E",
  where: "at 500 V",
  asked: true,
  wantsEye: true,
  written: "240 MΩ",
  side: "below",
  unexplained: "",
  sideWords: "22 MΩ below the band",
  writtenOhms: 240e6,
  writtenOverRange: false,
  healthy: "926 MΩ",
  expected: "926 MΩ",
  healthyOhms: 926e6,
  expectedOhms: 926e6,
  band: { lowOhms: 262e6, highOhms: null },
  limit: null,
  judged: "not-asked",
  remarks: [],
  explanations: [],
  bandReasons: [],
};

function show(side: string, unexplained: string) {
  const view = {
    circuits: [],
    profiles: [],
    faultsSet: [],
    causes: [],
    lines: [{ ...line, side, unexplained }],
  };
  return render(<StepReadings id="a" view={view as unknown as MarkingView} step="INSULATION" />);
}

describe("a reading outside its band that nothing explains", () => {
  it("carries what is said of it", () => {
    show("below", "Ask how it was taken.");
    expect(screen.getByText(/Ask how it was taken/)).toBeInTheDocument();
  });

  it("says nothing of it once it is inside, with what explains it undone", () => {
    show("inside", "Ask how it was taken.");
    expect(screen.queryByText(/Ask how it was taken/)).not.toBeInTheDocument();
  });
});
