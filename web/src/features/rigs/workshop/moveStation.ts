import type { CircuitJson, RunJson } from "./rigJson";

const LEAST_METRES = 0.5;

/**
 * The circuit with a station at another cable distance, kept between its neighbours; what lies behind a lamp or switch
 * moves with it, since its cable is measured from the one before.
 * @returns null if there is no such station or nothing moves
 */
export function moveStation(circuit: CircuitJson, station: string, metres: number): CircuitJson | null {
  if (circuit.points) {
    const index = circuit.points.findIndex((p) => p.id === station);
    const point = circuit.points[index];
    if (!point) return null;
    const [low, high] = room(circuit, index);
    const at = Math.min(high, Math.max(low, metres));
    if (at === Number(point.atMetres)) return null;
    return { ...circuit, points: circuit.points.map((p, i) => (i === index ? { ...p, atMetres: at } : p)) };
  }
  if (!circuit.groups) return null;
  const now = distance(circuit, station);
  if (now === null) return null;
  const by = (run: RunJson): RunJson =>
    run.id === station
      ? { ...run, runMetres: Math.max(LEAST_METRES, Number(run.runMetres) + metres - now) }
      : run;
  return {
    ...circuit,
    groups: circuit.groups.map((g) => ({ ...g, lamps: g.lamps.map(by), switches: g.switches.map(by) })),
  };
}

/** Cable distance of a station from the board as the draft stands, m; null for an unknown one or while it is no number. */
export function stationMetres(circuit: CircuitJson, station: string): number | null {
  const point = circuit.points?.find((p) => p.id === station);
  const at = point ? (point.atMetres === "" ? NaN : Number(point.atMetres)) : distance(circuit, station);
  return at !== null && Number.isFinite(at) ? at : null;
}

/** Between which distances a point can move without passing another, m. */
function room(circuit: CircuitJson, index: number): [number, number] {
  const points = circuit.points ?? [];
  const point = points[index];
  const at = (i: number) => Number(points[i]?.atMetres);
  const parent = point?.after
    ? points.findIndex((p) => p.id === point.after)
    : points.slice(0, index).findLastIndex((p) => !p.after);
  const low = parent >= 0 ? at(parent) + LEAST_METRES : LEAST_METRES;
  const followers = points
    .map((p, i) => ({ p, i }))
    .filter(({ p, i }) => i > index && (p.after === point?.id || (!p.after && !point?.after)))
    .map(({ i }) => at(i) - LEAST_METRES);
  const end = circuit.kind === "ring" && !point?.after ? [Number(circuit.ringMetres) - LEAST_METRES] : [];
  return [low, Math.min(Number.POSITIVE_INFINITY, ...followers, ...end)];
}

/** Cable distance of a lamp or switch from the board, m. */
function distance(circuit: CircuitJson, station: string): number | null {
  let trunk = 0;
  for (const group of circuit.groups ?? []) {
    const atLamp = group.feed === "lamp";
    const first = Number((atLamp ? group.lamps : group.switches)[0]?.runMetres);
    const others = trunk + first;
    for (const [runs, from] of [
      [group.lamps, atLamp ? trunk : others],
      [group.switches, atLamp ? others : trunk],
    ] as const) {
      let at = from;
      for (const run of runs) {
        at += Number(run.runMetres);
        if (run.id === station) return at;
      }
    }
    trunk = others;
  }
  return null;
}
