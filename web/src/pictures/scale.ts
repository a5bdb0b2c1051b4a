/** Arithmetic of the pictures: where a number lands on paper. Judges nothing. */

/** A straight scale from [0, top] to [from, to]. */
export function linear(top: number, from: number, to: number): (value: number) => number {
  return (value) => from + ((to - from) * value) / top;
}

const STEPS = [1, 2, 2.5, 5, 10];

/** Round values from 0 that cover `top` with at most `most` steps; the last one is at least `top`. */
export function ticks(top: number, most = 5): number[] {
  const rough = Math.max(top, 1e-9) / most;
  const decade = 10 ** Math.floor(Math.log10(rough));
  const step = (STEPS.find((s) => s * decade >= rough * (1 - 1e-9)) ?? 10) * decade;
  const count = Math.ceil(top / step - 1e-9);
  return Array.from({ length: Math.max(count, 1) + 1 }, (_, i) => Number((i * step).toPrecision(10)));
}

/**
 * Those of some items along a line that have room for a label: the wanted ones first, then from the left.
 * @param room least distance between two labels
 */
export function spaced<T>(
  items: T[],
  at: (item: T) => number,
  room: number,
  wanted: (item: T) => boolean = () => false,
): T[] {
  const kept: T[] = [];
  const fits = (item: T) => kept.every((k) => Math.abs(at(k) - at(item)) >= room);
  for (const item of [...items.filter(wanted), ...items.filter((i) => !wanted(i))]) {
    if (fits(item)) kept.push(item);
  }
  return kept;
}

export interface RailScale {
  /** share of the rail, 0 to 1; values outside the ends are held at them */
  at: (ohms: number) => number;
  /** whole decades on the rail, Ω */
  decades: number[];
  /** share where over-range begins */
  overRange: number;
}

/** Share of a rail kept for over-range, at its right end. */
const OVER_RANGE_ZONE = 0.1;

/** A logarithmic scale that holds all the values, in Ω, with room at both ends. Zero and below are held at the left. */
export function rail(values: (number | null | undefined)[]): RailScale {
  const real = values.filter((v): v is number => typeof v === "number" && v > 0 && Number.isFinite(v));
  const low = real.length ? Math.min(...real) : 0.01;
  const high = real.length ? Math.max(...real) : 1;
  let from = Math.log10(low) - 0.15;
  let to = Math.log10(high) + 0.15;
  // less than a decade would show a difference larger than it is
  if (to - from < 1) {
    const middle = (from + to) / 2;
    from = middle - 0.5;
    to = middle + 0.5;
  }
  const overRange = 1 - OVER_RANGE_ZONE;
  const decades: number[] = [];
  for (let d = Math.ceil(from); d <= Math.floor(to); d++) decades.push(10 ** d);
  return {
    at: (ohms) =>
      ohms <= 0 ? 0 : overRange * Math.min(1, Math.max(0, (Math.log10(ohms) - from) / (to - from))),
    decades,
    overRange,
  };
}

const LARGER: Record<string, [number, string][]> = {
  Ω: [
    [1e9, "GΩ"],
    [1e6, "MΩ"],
    [1e3, "kΩ"],
  ],
  A: [[1e3, "kA"]],
  ms: [[1e3, "s"]],
};
const SMALLER: Record<string, [number, string]> = { A: [1e-3, "mA"] };

/**
 * A value in the unit people use at that size: for axis labels only, readings come with their unit from the server.
 * @param unit of the value: Ω, A, V, ms
 */
export function axisLabel(value: number, unit = "Ω"): string {
  const small = SMALLER[unit];
  const [size, symbol] =
    LARGER[unit]?.find(([least]) => value >= least) ?? (small && value < 1 ? small : [1, unit]);
  return `${trim(value / size)} ${symbol}`;
}

function trim(value: number): string {
  return String(Number(value.toPrecision(4)));
}
