import type { Box, SheetView } from "./queries";

export type Write =
  | { kind: "reading"; slot: string; text: string; basedOn: number }
  | { kind: "expected"; slot: string; text: string; basedOn: number }
  | { kind: "judgement"; slot: string; satisfactory: boolean | null; basedOn: number };

export type Step = SheetView["steps"][number];
export type Group = Step["groups"][number];
export type ShownBox = Box & { unsent: boolean };

/** What a box is called where it stands alone. */
export function nameOf(box: Box): string {
  return `${box.quantity}, ${box.where}`;
}

/** Boxes of a test that are still empty; those for the record too. */
export function openIn(step: Step): number {
  return step.groups.flatMap((g) => g.boxes).filter((b) => b.text === "").length;
}

export function boxesIn(step: Step): number {
  return step.groups.reduce((n, g) => n + g.boxes.length, 0);
}

/** The first test that can be written and has something open; of two ways, the one that was begun. */
export function nextStep(view: SheetView): Step | undefined {
  const begun = (s: Step) => openIn(s) < boxesIn(s);
  return view.steps.find((s) => {
    const other = view.steps.find((o) => o.label === s.alternativeTo);
    return s.closedBecause === "" && openIn(s) > 0 && !(other && begun(other) && !begun(s));
  });
}
