import { describe, expect, it } from "vitest";
import { placeOf } from "./placeOf";

const rig = {
  id: "bunkhouse",
  supply: { lines: [{ ohms: "x" }] },
  workmanship: { terminationMilliohms: "x" },
  circuits: [
    {
      id: "dormitory",
      label: "Dormitory sockets",
      points: [
        { id: "a", label: "socket 1" },
        { id: "b", label: "", atMetres: "abc" },
      ],
      device: { residual: { ratedMillis: [1, "x"] } },
    },
  ],
};

describe("the place of a problem", () => {
  it("is said by names", () => {
    expect(placeOf(rig, "/circuits/0/points/0/atMetres")).toBe("Dormitory sockets, socket 1, at metres");
    expect(placeOf(rig, "circuits/0/label")).toBe("Dormitory sockets, label");
  });
  it("falls back on an id, and on a number where nothing has a name", () => {
    expect(placeOf(rig, "/circuits/0/points/1/atMetres")).toBe("Dormitory sockets, b, at metres");
    expect(placeOf(rig, "/supply/lines/0/ohms")).toBe("supply, lines 1, ohms");
    expect(placeOf(rig, "/circuits/0/device/residual/ratedMillis/1")).toBe(
      "Dormitory sockets, device, residual, rated millis 2",
    );
  });
  it("stands for what is not there yet, and for the whole file", () => {
    expect(placeOf(rig, "/workmanship/contactMilliohms")).toBe("workmanship, contact milliohms");
    expect(placeOf(rig, "/circuits/7/points/0")).toBe("circuits 8, points 1");
    expect(placeOf(rig, "")).toBe("");
    expect(placeOf(null, "/circuits/0")).toBe("circuits 1");
  });
});
