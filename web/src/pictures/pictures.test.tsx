import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it, vi } from "vitest";
import type { Schemas } from "../api/client";
import { ProfilePicture, ReadingRail } from ".";

const circuit: Schemas["CircuitLine"] = {
  id: "sockets",
  label: "Sockets",
  device: "B20",
  stations: [
    { id: "socket-1", label: "socket 1", atMetres: 6 },
    { id: "socket-2", label: "socket 2", atMetres: 13 },
  ],
};

function sample(
  station: string,
  atMetres: number,
  atFront: boolean,
  healthy: number,
  faulted: number | null,
) {
  return {
    station,
    atMetres,
    atFront,
    healthyOhms: healthy,
    withFaultsOhms: faulted,
    band: faulted === null ? null : { lowOhms: faulted * 0.9, highOhms: faulted * 1.1 },
    healthyBand: { lowOhms: healthy * 0.9, highOhms: healthy * 1.1 },
    healthyShown: `${healthy} Ω`,
    withFaultsShown: faulted === null ? ">99.9 kΩ" : `${faulted} Ω`,
  };
}

const curve: Schemas["ProfileCurve"] = {
  circuit: "sockets",
  quantity: "R1+R2",
  nothingAtBoard: true,
  faultStations: ["socket-1"],
  samples: [
    sample("socket-1", 6, false, 0.12, 0.12),
    sample("socket-1", 6, true, 0.13, 0.75),
    sample("socket-2", 13, false, 0.26, null),
    sample("socket-2", 13, true, 0.27, null),
  ],
};

describe("ProfilePicture", () => {
  it("says in words what it draws, with what was recorded", () => {
    const dots = [
      { station: "socket-1", ohms: 0.44, overRange: false, side: "below" as const, text: "0.44" },
    ];
    render(
      <ProfilePicture
        curve={curve}
        circuit={circuit}
        dots={dots}
        showFaulted
        faultsAt={new Set(curve.faultStations)}
      />,
    );
    const picture = screen.getByRole("group", { name: /R1\+R2 along Sockets/ });
    expect(picture).toHaveAccessibleName(
      /socket 1 at 6 m: healthy 0.13 Ω, with the faults 0.75 Ω, recorded 0.44/,
    );
    expect(picture).toHaveAccessibleName(/socket 2 at 13 m: .*with the faults >99.9 kΩ/);
    expect(screen.getByText("open from here ›")).toBeInTheDocument();
  });

  it("does not name the faulted values where they are not shown", () => {
    render(<ProfilePicture curve={curve} circuit={circuit} showFaulted={false} faultsAt={new Set()} />);
    expect(screen.getByRole("group")).not.toHaveAccessibleName(/with the faults/);
    expect(screen.queryByText("open from here ›")).not.toBeInTheDocument();
  });

  it("lets a station be chosen by mouse and by keyboard", async () => {
    const onChoose = vi.fn();
    render(
      <ProfilePicture
        curve={curve}
        circuit={circuit}
        showFaulted
        faultsAt={new Set(["socket-1"])}
        onChoose={onChoose}
      />,
    );
    await userEvent.click(screen.getByRole("button", { name: "socket 2, 13 m" }));
    screen.getByRole("button", { name: "socket 1, 6 m, fault set" }).focus();
    await userEvent.keyboard("{Enter}");
    await userEvent.keyboard(" ");
    expect(onChoose.mock.calls.map(([s]) => s as string)).toEqual(["socket-2", "socket-1", "socket-1"]);
  });
});

describe("ReadingRail", () => {
  const line = {
    written: "1.65",
    unexplained: "",
    sideWords: "0.15 Ω above the band",
    side: "above",
    writtenOhms: 1.65,
    writtenOverRange: false,
    expected: "1.34 Ω",
    healthy: "0.72 Ω",
    healthyOhms: 0.72,
    expectedOhms: 1.34,
    axis: "Ω",
    band: { lowOhms: 1.18, highOhms: 1.5 },
    limit: { atMost: true, ohms: 1.4, shown: "≤ 1.40 Ω", source: "", working: "" },
  } as unknown as Schemas["Line"];

  it("draws no scale where words are read, and volts in volts", () => {
    const { rerender } = render(<ReadingRail line={{ ...line, axis: "" }} />);
    expect(screen.queryByRole("img")).not.toBeInTheDocument();
    const volts = {
      healthyOhms: 230,
      expectedOhms: 230,
      writtenOhms: 100,
      band: { lowOhms: 207, highOhms: 253 },
    };
    rerender(<ReadingRail line={{ ...line, ...volts, limit: null, axis: "V" } as typeof line} />);
    expect(screen.getByText("100 V")).toBeInTheDocument();
    expect(screen.queryByText(/Ω/)).not.toBeInTheDocument();
  });

  it("says in words where the reading lies", () => {
    render(<ReadingRail line={line} />);
    expect(screen.getByRole("img")).toHaveAccessibleName(
      "Recorded 1.65, 0.15 Ω above the band. This rig gives 1.34 Ω, healthy 0.72 Ω. Limit ≤ 1.40 Ω.",
    );
  });

  it("draws a band that is over-range only, with nothing recorded", () => {
    const open = {
      ...line,
      written: "",
      writtenOhms: null,
      side: "nothing",
      band: null,
      limit: null,
    };
    const { container } = render(<ReadingRail line={open} />);
    expect(screen.getByRole("img")).toHaveAccessibleName(/Recorded nothing/);
    const band = container.querySelector("rect");
    expect(Number(band?.getAttribute("x"))).toBeGreaterThan(250);
    expect(container.innerHTML).not.toContain("NaN");
  });
});
