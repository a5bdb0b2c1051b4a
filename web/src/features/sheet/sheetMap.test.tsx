import { fireEvent, render, screen, within } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import type { Box, SheetView } from "./queries";
import { type Group, type Step } from "./boxes";
import { emptyBox } from "./emptyBox.fixture";
import { isInRows, RowsSheet } from "./RowsSheet";
import { SheetMap } from "./SheetMap";

const box = (slot: string, text = "", more: Partial<Box> = {}): Box => ({ ...emptyBox(slot), text, ...more });

const group = (circuit: string | null, boxes: Box[], more: Partial<Group> = {}): Group => ({
  label: circuit ?? "",
  circuit,
  layout: "LIST",
  boxes,
  choice: null,
  otherWay: false,
  ...more,
});

const step = (id: string, groups: Group[], more: Partial<Step> = {}): Step => ({
  id,
  label: id,
  live: false,
  closedBecause: "",
  alternativeTo: "",
  setUp: [],
  groups,
  ...more,
});

const VIEW = {
  steps: [
    step("Bonding", [group(null, [box("water", "0.03")])]),
    step("R2", [group("lights", [box("a")], { otherWay: true }), group("ring", [box("b", "0.2"), box("c")])]),
    step("Zs", [group("lights", [box("d")]), group("ring", [box("e")])], {
      live: true,
      closedBecause: "the rig is dead",
    }),
  ],
  circuits: [
    { id: "lights", label: "Lights" },
    { id: "ring", label: "Kitchen ring" },
  ],
  reports: [],
} as unknown as SheetView;

describe("the map of the sheet", () => {
  it("tells of each test on each circuit how far it is, and leads there", () => {
    const go = vi.fn();
    render(<SheetMap view={VIEW} at={{ by: "test", step: "R2" }} onGo={go} />);
    const dead = screen.getByRole("table", { name: "Dead tests" });
    expect(within(dead).getByRole("button", { name: "the rig: Bonding, filled" })).toHaveTextContent("●");
    expect(within(dead).getByRole("button", { name: "Lights: R2, other way" })).toHaveTextContent("·");
    expect(within(dead).queryByRole("button", { name: /^Lights: Bonding/ })).toBeNull();
    const live = screen.getByRole("table", { name: "Live tests" });
    expect(within(live).getByRole("button", { name: "Kitchen ring: Zs, closed" })).toHaveTextContent("–");
    fireEvent.click(within(dead).getByRole("button", { name: "Kitchen ring: R2, begun" }));
    expect(go).toHaveBeenCalledExactlyOnceWith({ by: "test", step: "R2", circuit: "ring" });
  });

  it("goes through one circuit for who works circuit by circuit", () => {
    const go = vi.fn();
    render(<SheetMap view={VIEW} at={{ by: "test", step: "R2" }} onGo={go} />);
    fireEvent.click(screen.getByRole("button", { name: "2 Kitchen ring" }));
    expect(go).toHaveBeenCalledExactlyOnceWith({ by: "circuit", circuit: "ring" });
  });

  it("names the test at hand", () => {
    render(<SheetMap view={VIEW} at={{ by: "test", step: "R2" }} onGo={vi.fn()} />);
    expect(screen.getByRole("button", { current: "page" })).toHaveTextContent("R2, begun, 1 of 2 boxes");
  });
});

describe("a test without stations", () => {
  const pairs = (circuit: string) =>
    group(
      circuit,
      ["L–N", "L–E"].map((column) => box(`${circuit} ${column}`, "", { column })),
      { layout: "GRID" },
    );

  it("is one line a circuit, pairs beside each other", () => {
    const insulation = step("Insulation", [pairs("Lights"), pairs("Ring")]);
    expect(isInRows(insulation)).toBe(true);
    const text = vi.fn();
    render(
      <RowsSheet
        step={insulation}
        boxesOf={(g) => g.boxes.map((b) => ({ ...b, unsent: false }))}
        open
        onText={text}
        onJudge={vi.fn()}
      />,
    );
    expect(screen.getAllByRole("columnheader").map((h) => h.textContent)).toEqual(["L–N", "L–E"]);
    expect(screen.getAllByRole("rowheader").map((h) => h.textContent)).toEqual(["Lights", "Ring"]);
  });

  it("stays as it was where a circuit has several of one kind, or stations", () => {
    expect(isInRows(step("x", [group("a", [box("1"), box("2")]), group("b", [box("3")])]))).toBe(false);
    expect(isInRows(step("x", [group("a", [box("1")], { layout: "LINE" }), group("b", [box("2")])]))).toBe(
      false,
    );
    expect(isInRows(step("x", [group("a", [box("1")])]))).toBe(false);
  });
});
