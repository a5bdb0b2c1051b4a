import type { Schemas } from "../../api/client";

export type Box = Schemas["Box"];

/** One line of the paper as it stands on this screen. */
export interface Line {
  step: string;
  group: string;
  box: Box;
}

/** The boxes in the order of the sheet. */
export function linesOf(steps: Schemas["Step"][]): Line[] {
  return steps.flatMap((s) =>
    s.groups.flatMap((g) => g.boxes.map((box) => ({ step: s.label, group: g.label, box }))),
  );
}

/**
 * What a keypad types, as it is written: ".43" is 0.43, a comma is a point, "*" is over-range as this tester shows it.
 */
export function asWritten(typed: string, box: Box): string {
  const text = typed.trim().replace(",", ".");
  if (text === "*") return box.overRange;
  return text.startsWith(".") ? `0${text}` : text;
}

/** The word that one key stands for in a box of words: 1 the first, 2 the second; undefined for any other key. */
export function wordOf(key: string, box: Box): string | undefined {
  if (box.unit !== "" || !/^[1-9]$/.test(key)) return undefined;
  const words = box.keys[Number(key) - 1];
  // a word that wants its reason is typed
  return words && !words.endsWith(":") ? words : undefined;
}
