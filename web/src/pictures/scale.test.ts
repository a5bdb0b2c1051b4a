import { describe, expect, it } from "vitest";
import { axisLabel, linear, rail, ticks } from "./scale";

describe("scales", () => {
  it("puts both ends of a straight scale on their places", () => {
    const y = linear(2, 300, 20);
    expect(y(0)).toBe(300);
    expect(y(2)).toBe(20);
    expect(y(1)).toBe(160);
  });

  it.each([
    [1.34, [0, 0.5, 1, 1.5]],
    [0.72, [0, 0.2, 0.4, 0.6, 0.8]],
    [10, [0, 2, 4, 6, 8, 10]],
  ])("covers %d with round ticks", (top, expected) => {
    expect(ticks(top)).toEqual(expected);
  });

  it("keeps order and ratios on a rail", () => {
    const scale = rail([0.05, 0.5, 5]);
    expect(scale.at(0.5) - scale.at(0.05)).toBeCloseTo(scale.at(5) - scale.at(0.5));
    expect(scale.at(0.05)).toBeGreaterThan(0);
    expect(scale.at(5)).toBeLessThan(scale.overRange);
    expect(scale.decades).toEqual([0.1, 1]);
  });

  it("holds what is off the rail, zero and emptiness at its ends", () => {
    const scale = rail([1, 2]);
    expect(scale.at(0)).toBe(0);
    expect(scale.at(1e12)).toBe(scale.overRange);
    expect(rail([null, undefined]).at(0.1)).toBeGreaterThan(0);
  });

  it("never stretches a small difference over the whole rail", () => {
    const scale = rail([1, 1.01]);
    expect(scale.at(1.01) - scale.at(1)).toBeLessThan(0.01);
  });

  it("names sizes in the unit people use", () => {
    expect(axisLabel(0.5)).toBe("0.5 Ω");
    expect(axisLabel(1e6)).toBe("1 MΩ");
    expect(axisLabel(99900)).toBe("99.9 kΩ");
    expect(axisLabel(100, "V")).toBe("100 V");
    expect(axisLabel(1000, "A")).toBe("1 kA");
    expect(axisLabel(0.01, "A")).toBe("10 mA");
    expect(axisLabel(40, "ms")).toBe("40 ms");
  });
});
