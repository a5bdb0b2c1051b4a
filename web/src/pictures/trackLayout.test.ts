import { describe, expect, it } from "vitest";
import { drawnMetres, layTracks } from "./trackLayout";

const station = (id: string, atMetres: number, track = 0, parent: string | null = null, kind = "lamp") => ({
  id,
  label: id,
  kind,
  atMetres,
  parent,
  track,
});

const circuit = (stations: ReturnType<typeof station>[], lengthMetres = 0) => ({
  id: "c",
  label: "c",
  kind: "lighting",
  way: 1,
  phase: "",
  device: "B6",
  cable: "1.5/1",
  lengthMetres,
  feeds: "",
  stations,
});

const levels = (stations: ReturnType<typeof station>[]) =>
  Object.fromEntries(layTracks(circuit(stations)).placed.map((p) => [p.station.id, p.level]));

describe("side tracks", () => {
  it("leave the line where their parent stands and keep it free", () => {
    expect(levels([station("lamp", 7), station("switch", 11, 1, "lamp", "switch")])).toEqual({
      lamp: 0,
      switch: 1,
    });
  });
  it("go on on their own level, switch behind switch", () => {
    expect(
      levels([
        station("lamp", 7),
        station("s1", 11, 1, "lamp", "switch"),
        station("s2", 16, 1, "s1", "switch"),
      ]),
    ).toEqual({ lamp: 0, s1: 1, s2: 1 });
  });
  it("take the next level where another one is in the way", () => {
    expect(
      levels([
        station("lamp-1", 7),
        station("lamp-2", 12, 1, "lamp-1"),
        station("switch", 11, 1, "lamp-1", "switch"),
      ]),
    ).toEqual({ "lamp-1": 0, "lamp-2": 1, switch: 2 });
  });
});

describe("drawn length", () => {
  it("holds the furthest station and the whole ring", () => {
    expect(drawnMetres(circuit([station("a", 30)], 62))).toBe(62);
    expect(drawnMetres(circuit([station("a", 30), station("spur", 70, 1, "a")], 62))).toBe(70);
  });
});
