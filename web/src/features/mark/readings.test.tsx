import { render, screen } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import type { Line, MarkingView } from "./queries";
import { StepReadings } from "./StepReadings";

const line: Line = {
  slot: "sockets/ir500/l-e",
  step: "INSULATION",
  circuit: "sockets",
  station: null,
  quantity: "Insulation L–E",
  where: "at 500 V",
  asked: true,
  wantsEye: true,
  written: "240 MΩ",
  side: "below",
  odd: false,
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

function show(odd: boolean) {
  const view = { circuits: [], profiles: [], faultsSet: [], causes: [], lines: [{ ...line, odd }] };
  return render(<StepReadings view={view as unknown as MarkingView} step="INSULATION" tried="" />);
}

describe("a reading outside its band that nothing explains", () => {
  it("is asked about where the record speaks against it", () => {
    show(true);
    expect(screen.getByText(/Ask how it was taken/)).toBeInTheDocument();
  });

  it("is left alone where nothing does, and says that it costs nothing", () => {
    show(false);
    expect(screen.getByText(/It costs nothing/)).toBeInTheDocument();
    expect(screen.queryByText(/Ask how it was taken/)).not.toBeInTheDocument();
  });
});
