/** Hues far from each other and from conductor colours' letters; the number always stands with it. */
const HUES = [195, 300, 55, 10, 130, 255, 85, 330];

/** The colour of a bay: what one taps while standing cannot be mistaken for another. */
export function bayColour(number: number): string {
  return `oklch(0.62 0.14 ${HUES[(number - 1) % HUES.length]})`;
}

export function BayMark({ number, large = false }: { number: number; large?: boolean }) {
  return (
    <span
      className={`inline-flex shrink-0 items-center justify-center font-bold text-white tabular-nums ${large ? "size-11 text-[24px]" : "size-7 text-[16px]"}`}
      style={{ background: `color-mix(in oklch, ${bayColour(number)}, black 22%)` }}
    >
      {number}
    </span>
  );
}
