import { type PointerEvent, useMemo, useState } from "react";
import type { Opened, PlaceShown, State } from "./queries";
import type { Practice } from "./usePractice";

/** What is asked of the next place that is pressed. */
export type Asking = "join" | "move" | null;

const DRAG_FROM = 8;

/** Pressing and dragging on the rig: which place is chosen, and what its next press means. */
export function useBench(opened: Opened, practice: Practice) {
  const state: State = opened.state;
  const [chosen, setChosen] = useState<string | null>(null);
  const [asking, setAsking] = useState<Asking>(null);
  const places = useMemo(() => allPlaces(opened), [opened]);
  const label = (id: string) => places.get(id)?.label ?? id;
  const shut = state.ended;

  const joinedWith = (id: string) =>
    state.rig.joined.flatMap((j) => (j.a === id ? [j.b] : j.b === id ? [j.a] : []));

  const lead = (number: number, place: string) => {
    const probes = state.tester.probes.filter((p) => p !== place);
    probes.splice(Math.min(number, probes.length), number < state.tester.probes.length ? 1 : 0, place);
    practice.deed({ verb: "PROBES", places: probes });
  };
  const liftLead = (number: number) =>
    practice.deed({ verb: "PROBES", places: state.tester.probes.filter((_, i) => i !== number) });

  const move = (end: string, to: string) => practice.deed({ verb: "MOVE", at: end, to });
  const join = (a: string, b: string) => practice.deed({ verb: "LINK", at: a, to: b });

  return {
    state,
    chosen,
    asking,
    places,
    label,
    joinedWith,
    lead,
    liftLead,
    practice,
    shut,
    ask: setAsking,
    leave: () => {
      setChosen(null);
      setAsking(null);
    },
    press: (id: string) => {
      if (shut) return;
      if (asking && chosen && chosen !== id) {
        if (asking === "join") join(chosen, id);
        else move(chosen, id);
        setAsking(null);
        setChosen(id);
        return;
      }
      setAsking(null);
      setChosen(chosen === id ? null : id);
    },
    /** A lead that is dragged is put where it is let go. */
    dragLead: (number: number) => (event: PointerEvent) => {
      if (!shut) dropped(event, (to) => lead(number, to));
    },
    /** An end that is dragged goes where it is let go; anything else chooses. */
    drag: (id: string) => ({
      down: (event: PointerEvent) => {
        if (shut || !places.get(id)?.end) return;
        dropped(event, (to) => to !== id && move(id, to));
      },
    }),
  };
}

/** Waits until what is dragged is let go over a place. */
function dropped(event: PointerEvent, onPlace: (place: string) => void) {
  const from = { x: event.clientX, y: event.clientY };
  const up = (e: globalThis.PointerEvent) => {
    window.removeEventListener("pointerup", up);
    window.removeEventListener("pointercancel", up);
    if (Math.hypot(e.clientX - from.x, e.clientY - from.y) < DRAG_FROM || e.type === "pointercancel") return;
    const to = document.elementFromPoint(e.clientX, e.clientY)?.closest<HTMLElement>("[data-spot]")
      ?.dataset.spot;
    if (to) onPlace(to);
  };
  window.addEventListener("pointerup", up);
  window.addEventListener("pointercancel", up);
}

export type Bench = ReturnType<typeof useBench>;

function allPlaces(opened: Opened): Map<string, PlaceShown> {
  const all = new Map<string, PlaceShown>();
  const add = (places: PlaceShown[]) => places.forEach((p) => all.set(p.id, p));
  add(opened.layout.earthing);
  for (const board of opened.layout.boards) {
    add(board.places);
    for (const circuit of board.circuits) {
      add(circuit.places);
      circuit.points.forEach((p) => add(p.places));
    }
  }
  return all;
}
