/** A rig file while it is being changed: plain JSON, judged by the server only. Numbers may be text while typed. */

export type Num = number | string;

export interface LoadJson {
  kind: string;
  watts: Num;
  leakMegohms?: Num;
}

export interface PointJson {
  id: string;
  label: string;
  kind: string;
  atMetres: Num;
  after?: string;
  load?: LoadJson;
  metal?: boolean;
}

export interface RunJson {
  id: string;
  label: string;
  runMetres: Num;
  load?: LoadJson;
  metal?: boolean;
  /** what strapper 2 to a switch is longer than strapper 1 */
  secondStrapperMoreMetres?: Num;
}

export interface GroupJson {
  id: string;
  label: string;
  feed: string;
  lamps: RunJson[];
  switches: RunJson[];
}

export interface ResidualJson {
  type: string;
  ratedResidualMilliamps: Num;
  delayed?: boolean;
  tripMilliamps?: Num;
  ratedMillis?: Num[];
  fiveTimesMillis?: Num[];
  buttonWorks?: boolean;
}

export interface DeviceJson {
  kind: string;
  curve?: string;
  standard?: string;
  ratedAmps: Num;
  breakingKiloamps?: Num;
  residual?: ResidualJson;
}

export interface CircuitJson {
  id: string;
  label: string;
  kind: string;
  board?: string;
  section?: string;
  way: Num;
  phase?: Num;
  threePhase?: boolean;
  device: DeviceJson;
  cable: { liveMm2: Num; cpcMm2: Num; enclosure?: { kind: string; milliohmPerMetre: Num } };
  /** SELV and the like; left out: the board's own voltage */
  nature?: string;
  ringMetres?: Num;
  lengthMetres?: Num;
  feeds?: string;
  points?: PointJson[];
  groups?: GroupJson[];
}

export interface SectionJson {
  id: string;
  label: string;
  rcd?: ResidualJson;
}

export interface BoardJson {
  id: string;
  label: string;
  mainRcd?: ResidualJson;
  /** true: the usual kind, lines to neutral */
  surgeProtection?: boolean | string;
  sections: SectionJson[];
}

export interface ImpedanceJson {
  ohms: Num;
  reactanceOhms?: Num;
}

export interface BondJson {
  id: string;
  part: string;
  csaMm2: Num;
  lengthMetres: Num;
  partToEarthOhms: Num;
}

export interface SupplementaryBondJson {
  id: string;
  label: string;
  circuit: string;
  point: string;
  /** id of a main bond */
  part: string;
  csaMm2: Num;
  lengthMetres: Num;
}

/** What a relay of the fault box sets, named as in a fault set. */
export interface RelayJson {
  relay: Num;
  kind: string;
  at: string;
  conductors?: string[];
  size?: Num;
  to?: string;
}

export interface RigJson {
  format: string;
  id: string;
  name: string;
  comments?: string;
  supply: {
    nominalVolts: Num;
    earthing: string;
    declaredEarthing?: string;
    declaredZeOhms: Num;
    lines: ImpedanceJson[];
    neutral: ImpedanceJson;
    earthPath?: ImpedanceJson;
    electrodeOhms?: Num;
    sourceElectrodeOhms?: Num;
    tails?: { csaMm2: Num; lengthMetres: Num };
  };
  earthingConductor: { csaMm2: Num; lengthMetres: Num };
  bonds: BondJson[];
  supplementaryBonds?: SupplementaryBondJson[];
  workmanship: {
    terminationMilliohms: Num;
    contactMilliohms: Num;
    insulationMegohmKilometres: Num;
    insulationByPair?: { lineNeutral: Num; lineEarth: Num; neutralEarth: Num };
  };
  boards: BoardJson[];
  circuits: CircuitJson[];
  faultBox?: RelayJson[];
}

/** Text of a file → the object, or null where it is no JSON object with circuits and boards to work on. */
export function parseRig(text: string): RigJson | null {
  try {
    const rig = JSON.parse(text) as RigJson;
    return Array.isArray(rig.circuits) && Array.isArray(rig.boards) ? rig : null;
  } catch {
    return null;
  }
}

/** What was typed: a number where it is one, a decimal comma too; otherwise the text, for the server to complain about. */
export function typed(text: string): Num {
  const plain = text.trim().replace(",", ".");
  return plain !== "" && Number.isFinite(Number(plain)) ? Number(plain) : text;
}

/** An id of small letters made from a name, not among those taken. */
export function freeId(name: string, taken: string[]): string {
  const base =
    name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, "-")
      .replace(/^-+|-+$/g, "")
      .slice(0, 50) || "part";
  let id = base;
  for (let n = 2; taken.includes(id); n++) id = `${base}-${n}`;
  return id;
}

/** The lowest way of a board that no circuit is on. */
export function freeWay(circuits: CircuitJson[], board: string, firstBoard: string): number {
  const taken = circuits.filter((c) => (c.board ?? firstBoard) === board).map((c) => Number(c.way));
  let way = 1;
  while (taken.includes(way)) way++;
  return way;
}

/** The list with one item changed. */
export function withItem<T>(items: T[], index: number, item: T): T[] {
  return items.map((old, i) => (i === index ? item : old));
}

export function without<T>(items: T[], index: number): T[] {
  return items.filter((_, i) => i !== index);
}

/** An object without a field. */
export function omit<T extends object>(object: T, field: keyof T): T {
  return Object.fromEntries(Object.entries(object).filter(([name]) => name !== field)) as T;
}
