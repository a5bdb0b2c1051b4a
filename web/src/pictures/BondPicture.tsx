import type { Schemas } from "../api/client";
import { FaultPin, Station } from "./shapes";

interface Props {
  bonds: Schemas["BondLine"][];
  faultsAt: Set<string>;
  chosen?: string | undefined;
  onChoose: (bond: string) => void;
}

const W = 820;
const ROW = 58;

/** Main bonds as lines from the main earthing terminal to the clamp on each part. */
export function BondPicture({ bonds, faultsAt, chosen, onChoose }: Props) {
  const height = 20 + bonds.length * ROW;
  return (
    <svg
      viewBox={`0 0 ${W} ${height}`}
      className="w-full"
      role="group"
      aria-label="Main bonds from the main earthing terminal"
    >
      <rect x={54} y={10} width={6} height={height - 20} fill="var(--ink)" />
      <text x={46} y={height / 2 + 4} fontSize={15} textAnchor="end">
        MET
      </text>
      {bonds.map((bond, i) => {
        const y = 10 + i * ROW + ROW / 2;
        return (
          <g
            key={bond.id}
            role="button"
            tabIndex={0}
            aria-pressed={chosen === bond.id}
            aria-label={`bond to ${bond.part}${faultsAt.has(bond.id) ? ", fault set" : ""}`}
            className="cursor-pointer"
            onClick={() => onChoose(bond.id)}
            onKeyDown={(e) => {
              if (e.key === "Enter" || e.key === " ") {
                e.preventDefault();
                onChoose(bond.id);
              }
            }}
          >
            <rect x={60} y={y - 26} width={W - 120} height={52} fill="transparent" />
            {/* green-yellow after IEC 60445, always with the letter */}
            <line x1={60} x2={430} y1={y} y2={y} stroke="#2e8b3d" strokeWidth={4} />
            <line x1={60} x2={430} y1={y} y2={y} stroke="#f2d43c" strokeWidth={4} strokeDasharray="8 8" />
            <text x={90} y={y - 8} fontSize={15} style={{ fill: "var(--ink2)" }}>
              E
            </text>
            <line x1={452} x2={520} y1={y} y2={y} stroke="var(--frame)" strokeWidth={9} opacity={0.45} />
            <Station x={440} y={y} fault={faultsAt.has(bond.id)} chosen={chosen === bond.id} />
            {faultsAt.has(bond.id) && <FaultPin x={440} y={y - 14} />}
            <text x={534} y={y + 5} fontSize={16}>
              {bond.part}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
