import type { Schemas } from "../api/client";

type Circuit = Schemas["CircuitDrawing"];

/** A station with the height of its track; `from` is where its side track leaves. */
export interface Placed {
  station: Schemas["StationDrawing"];
  level: number;
  from: Placed | null;
}

/** Side tracks stand below the circuit's own line, each branch on the first level where it is free. */
export function layTracks(circuit: Circuit): { placed: Placed[]; levels: number } {
  const placed: Placed[] = [];
  const used: { level: number; from: number; to: number }[] = [];
  let before: Placed | null = null;
  for (const station of circuit.stations) {
    const parent: Placed | null = station.parent
      ? (placed.find((p) => p.station.id === station.parent) ?? null)
      : before;
    const from: Placed | null = station.parent || station.track > 0 ? parent : null;
    let level = 0;
    if (station.track > 0 && from) {
      level = from.level > 0 && from.station.track > 0 && from.station.kind === station.kind ? from.level : 1;
      const span = { from: from.station.atMetres, to: station.atMetres };
      while (
        level !== from.level &&
        used.some((u) => u.level === level && u.from < span.to - 0.01 && span.from < u.to - 0.01)
      ) {
        level += 1;
      }
      used.push({ level, ...span });
    }
    const entry: Placed = { station, level, from: station.track > 0 ? from : null };
    placed.push(entry);
    if (station.track === 0) before = entry;
  }
  return { placed, levels: Math.max(0, ...placed.map((p) => p.level)) };
}

/** Furthest cable distance of a circuit on its drawing, m. */
export function drawnMetres(circuit: Circuit): number {
  return Math.max(circuit.lengthMetres, ...circuit.stations.map((s) => s.atMetres), 1);
}
