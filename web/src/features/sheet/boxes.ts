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

/** Boxes of a part of a test that are still to be written; none where its circuit is proved the other way. */
function openInGroup(group: Group): number {
  return group.otherWay ? 0 : group.boxes.filter((b) => b.text === "").length;
}

/** Boxes of a test that are still to be written; those for the record too. */
export function openIn(step: Step): number {
  return step.groups.reduce((n, g) => n + openInGroup(g), 0);
}

export function boxesIn(step: Step): number {
  return step.groups.reduce((n, g) => n + (g.otherWay ? 0 : g.boxes.length), 0);
}

/** The first test that can be written and has something open. */
export function nextStep(view: SheetView): Step | undefined {
  return view.steps.find((s) => s.closedBecause === "" && openIn(s) > 0);
}

export type State = "closed" | "filled" | "begun" | "open" | "other way";

/** How far tests are, by shape. */
export const SIGNS: Record<State, string> = {
  closed: "–",
  filled: "●",
  begun: "◐",
  open: "○",
  "other way": "·",
};

export function stateOf(step: Step): State {
  return stateOfGroups(step, step.groups);
}

/** How far a test is on some circuits. @param groups of the step */
export function stateOfGroups(step: Step, groups: Group[]): State {
  const of = groups.filter((g) => !g.otherWay);
  if (of.length === 0) return "other way";
  const boxes = of.reduce((n, g) => n + g.boxes.length, 0);
  const open = of.reduce((n, g) => n + openInGroup(g), 0);
  if (step.closedBecause) return "closed";
  // where empty boxes are not shown, nothing is told to be full
  if (of.some((g) => g.choice)) return boxes > 0 ? "begun" : "open";
  return open === 0 ? "filled" : open < boxes ? "begun" : "open";
}

/** What is shown: a test on every circuit, a circuit in every test, or the faults that were found. */
export type At =
  { by: "test"; step: string; circuit?: string } | { by: "circuit"; circuit: string } | { by: "faults" };
