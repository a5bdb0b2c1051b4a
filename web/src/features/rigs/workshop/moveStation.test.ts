import { describe, expect, it } from "vitest";
import { moveStation, stationMetres } from "./moveStation";
import type { CircuitJson } from "./rigJson";

const ring: CircuitJson = {
  id: "ring",
  label: "Ring",
  kind: "ring",
  way: 1,
  ringMetres: 40,
  device: { kind: "mcb", curve: "B", ratedAmps: 32 },
  cable: { liveMm2: 2.5, cpcMm2: 1.5 },
  points: [
    { id: "a", label: "a", kind: "twin-socket", atMetres: 10 },
    { id: "spur", label: "spur", kind: "single-socket", atMetres: 14, after: "a" },
    { id: "b", label: "b", kind: "twin-socket", atMetres: 20 },
  ],
};

const lights: CircuitJson = {
  ...ring,
  kind: "lighting",
  points: undefined as never,
  groups: [
    {
      id: "one",
      label: "One",
      feed: "lamp",
      lamps: [{ id: "lamp-1", label: "lamp 1", runMetres: 7 }],
      switches: [
        { id: "switch-1", label: "switch 1", runMetres: 4 },
        { id: "switch-2", label: "switch 2", runMetres: 5 },
      ],
    },
    {
      id: "two",
      label: "Two",
      feed: "switch",
      lamps: [{ id: "lamp-2", label: "lamp 2", runMetres: 3 }],
      switches: [{ id: "switch-3", label: "switch 3", runMetres: 6 }],
    },
  ],
};

const at = (circuit: CircuitJson | null, station: string) => circuit && stationMetres(circuit, station);

describe("moving a station of a chain", () => {
  it("puts it where it is dragged", () => {
    expect(at(moveStation(ring, "b", 25), "b")).toBe(25);
  });
  it("keeps it between the stations its cables come from and go to", () => {
    expect(at(moveStation(ring, "b", 1), "b")).toBe(10.5);
    expect(at(moveStation(ring, "b", 90), "b")).toBe(39.5);
    expect(at(moveStation(ring, "a", 30), "a")).toBe(13.5);
  });
  it("lets a spur end where it likes beyond its socket", () => {
    expect(at(moveStation(ring, "spur", 60), "spur")).toBe(60);
    expect(at(moveStation(ring, "spur", 2), "spur")).toBe(10.5);
  });
  it("changes nothing for a station that stays or is not there", () => {
    expect(moveStation(ring, "a", 10)).toBeNull();
    expect(moveStation(ring, "nowhere", 10)).toBeNull();
  });
});

describe("moving a lamp or switch", () => {
  it("knows the distance along trunk and drop", () => {
    expect(stationMetres(lights, "switch-2")).toBe(16);
    expect(stationMetres(lights, "switch-3")).toBe(13);
    expect(stationMetres(lights, "lamp-2")).toBe(16);
  });
  it("changes its own cable, and what hangs on it moves along", () => {
    const moved = moveStation(lights, "lamp-1", 9);
    expect(at(moved, "lamp-1")).toBe(9);
    expect(at(moved, "switch-2")).toBe(18);
    expect(at(moved, "lamp-2")).toBe(18);
  });
  it("keeps half a metre of cable", () => {
    expect(at(moveStation(lights, "switch-1", 0), "switch-1")).toBe(7.5);
  });
});
