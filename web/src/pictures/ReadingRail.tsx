import type { Schemas } from "../api/client";
import { axisLabel, rail } from "./scale";
import { RecordedMark, type Side } from "./shapes";

interface Props {
  /** one box with its key, from the server */
  line: Schemas["Line"];
}

const W = 340;
const H = 44;
const Y = 20;
const PAD = 20;

/** One reading on a logarithmic rail: limit, healthy value, expected band, recorded value. Words have none. */
export function ReadingRail({ line }: Props) {
  if (line.axis === "") return <span />;
  const scale = rail([
    line.band?.lowOhms ?? null,
    line.band?.highOhms ?? null,
    line.healthyOhms,
    line.expectedOhms,
    line.writtenOhms,
    line.limit?.ohms,
  ]);
  const x = (ohms: number | null) =>
    PAD + (W - 2 * PAD) * (ohms === null ? scale.overRange + 0.05 : scale.at(ohms));
  const bandEnds = [
    x(line.band?.lowOhms ?? null),
    line.band?.highOhms ? x(line.band.highOhms) : W - PAD,
  ] as const;
  const from = line.band === null ? PAD + (W - 2 * PAD) * scale.overRange : bandEnds[0];
  return (
    <svg viewBox={`0 0 ${W} ${H}`} className="w-full max-w-[340px]" role="img" aria-label={describe(line)}>
      <line
        x1={PAD}
        x2={PAD + (W - 2 * PAD) * scale.overRange}
        y1={Y}
        y2={Y}
        stroke="var(--frame)"
        strokeWidth={1.6}
        opacity={0.6}
      />
      <line
        x1={PAD + (W - 2 * PAD) * scale.overRange}
        x2={W - PAD}
        y1={Y}
        y2={Y}
        stroke="var(--frame)"
        strokeWidth={1.6}
        strokeDasharray="2 4"
      />
      {scale.decades.map((d) => (
        <g key={d}>
          <line x1={x(d)} x2={x(d)} y1={Y - 4} y2={Y + 4} stroke="var(--frame)" opacity={0.7} />
          <text x={x(d)} y={H - 4} fontSize={11} textAnchor="middle" style={{ fill: "var(--ink2)" }}>
            {axisLabel(d, line.axis)}
          </text>
        </g>
      ))}
      <rect
        x={from}
        y={Y - 9}
        width={Math.max(4, bandEnds[1] - from)}
        height={18}
        fill="var(--band)"
        stroke="var(--work)"
        strokeWidth={1}
      />
      {line.limit && (
        <line
          x1={x(line.limit.ohms)}
          x2={x(line.limit.ohms)}
          y1={Y - 14}
          y2={Y + 14}
          stroke="var(--ink)"
          strokeWidth={3.4}
        />
      )}
      <circle
        cx={x(line.healthyOhms)}
        cy={Y}
        r={4.5}
        fill="var(--sheet)"
        stroke="var(--work)"
        strokeWidth={2.2}
      />
      {(line.writtenOhms !== null || line.writtenOverRange) && (
        <RecordedMark
          x={x(line.writtenOverRange ? null : line.writtenOhms)}
          y={Y}
          side={line.side as Side}
          overRange={line.writtenOverRange}
        />
      )}
    </svg>
  );
}

function describe(line: Schemas["Line"]): string {
  const limit = line.limit ? ` Limit ${line.limit.shown}.` : "";
  return `Recorded ${line.written || "nothing"}${line.sideWords ? `, ${line.sideWords}` : ""}. This rig gives ${line.expected}, healthy ${line.healthy}.${limit}`;
}
