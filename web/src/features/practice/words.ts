import type { Schemas } from "../../api/client";

export type Way = Schemas["PracticePast"]["way"];

export const WAYS: { value: string; label: string; note: string }[] = [
  { value: "SHOWN", label: "Shown", note: "the next deed is named, with why" },
  { value: "COACHED", label: "Coached", note: "told after a slip or a danger" },
  { value: "ALONE", label: "Alone", note: "nobody speaks; marked at the end" },
];

export function wayLabel(way: string): string {
  return WAYS.find((w) => w.value === way)?.label ?? way;
}

/** Seconds as a clock. */
export function clock(seconds: number): string {
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, "0")}`;
}
