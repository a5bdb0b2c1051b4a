/** Marks by shape, not by colour alone. All are centred on x, y. */

export type Side = "inside" | "above" | "below" | "over-range-instead" | "differs" | "nothing";

interface At {
  x: number;
  y: number;
}

/** A recorded value: ◆ inside, ▲ above, ▼ below, › over-range. */
export function RecordedMark({ x, y, side, overRange }: At & { side: Side; overRange: boolean }) {
  if (side === "nothing") return null;
  const ink = { fill: "var(--ink)", stroke: "var(--sheet)", strokeWidth: 1 };
  if (overRange) {
    return (
      <path
        d={`M${x - 4} ${y - 7} l7 7 l-7 7`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={3}
        strokeLinecap="square"
      />
    );
  }
  if (side === "above") return <path d={`M${x - 7} ${y + 6} h14 l-7 -13z`} {...ink} />;
  if (side === "below") return <path d={`M${x - 7} ${y - 6} h14 l-7 13z`} {...ink} />;
  return <path d={`M${x} ${y - 7} l7 7 l-7 7 l-7 -7z`} {...ink} />;
}

/** A fault: a plum pin standing on its place. */
export function FaultPin({ x, y }: At) {
  return <path d={`M${x - 8} ${y} h16 l-8 -14z`} fill="var(--plum)" />;
}

/** A station on a line; filled plum where a fault sits. */
export function Station({ x, y, fault, chosen }: At & { fault?: boolean; chosen?: boolean }) {
  return (
    <>
      {chosen && <circle cx={x} cy={y} r={12} fill="none" stroke="var(--work)" strokeWidth={3} />}
      <circle
        cx={x}
        cy={y}
        r={6.5}
        fill={fault ? "var(--plum)" : "var(--sheet)"}
        stroke="var(--ink)"
        strokeWidth={2.2}
      />
    </>
  );
}
