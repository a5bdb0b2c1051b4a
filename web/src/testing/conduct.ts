import type { Schemas } from "../api/client";

type List = Schemas["ListView"];

function list(id: List["list"], items: string[], complete = false): List {
  return {
    list: id,
    title: id,
    complete,
    items: items.map((i) => ({
      id: i,
      words: i,
      ticked: complete ? { by: "Ines Marrow", at: "2026-11-26T10:00:00Z" } : null,
    })),
  };
}

/** An assessment at work, nothing ticked, the clock running at 20 of 90 minutes. */
export function conduct(more: Partial<Schemas["ConductView"]> = {}): Schemas["ConductView"] {
  return {
    assessor: "Ines Marrow",
    mine: true,
    tester: "T1",
    clock: {
      dead: { gone: 1200, allowed: 5400 },
      live: { gone: 0, allowed: 3600 },
      all: { gone: 1200, allowed: 9000 },
      state: "RUNS",
    },
    pauses: [],
    timeFactor: 1,
    given: [],
    circuits: [
      { id: "sockets", label: "Sockets", ring: true, tested: true },
      { id: "lights", label: "Lights", ring: false, tested: true },
      { id: "shower", label: "Shower", ring: false, tested: true },
    ],
    lists: [
      list("PREPARE", ["leads"]),
      list("READY", ["fit"]),
      list("LIVE_ASKED", ["ask"]),
      list("LIVE_GIVEN", ["permission"]),
      list("MAKE_SAFE", ["away", "proved"]),
    ],
    brokenOff: null,
    continuedFrom: null,
    others: [{ id: "corin", label: "Corin Vale" }],
    testers: [{ id: "t2", label: "T2" }],
    freeBays: [{ id: "bay-3", label: "Bay 3, Signal Cabin" }],
    ...more,
  };
}

export function ticked(
  lists: Schemas["ConductView"]["lists"],
  id: List["list"],
): Schemas["ConductView"]["lists"] {
  return lists.map((l) =>
    l.list === id
      ? list(
          id,
          l.items.map((i) => i.id),
          true,
        )
      : l,
  );
}
