import type { Box } from "./queries";

/** A box of a sheet with nothing in it, for tests. */
export const emptyBox = (slot: string): Box => ({
  slot,
  quantity: "Zs",
  where: `${slot} somewhere`,
  within: "",
  calculated: false,
  station: null,
  row: "",
  column: "",
  unit: "Ω",
  overRange: "",
  chosenFrom: [],
  keys: [],
  text: "",
  seq: 0,
  understood: "",
  mend: "",
  likely: "",
  judged: false,
  satisfactory: null,
  judgedSeq: 0,
  said: null,
});
