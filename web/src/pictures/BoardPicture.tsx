import type { Schemas } from "../api/client";
import { CircuitTrack, Pin } from "./CircuitTrack";
import { linear } from "./scale";
import { drawnMetres, layTracks } from "./trackLayout";

type Circuit = Schemas["CircuitDrawing"];

interface Props {
  board: Schemas["BoardDrawing"];
  /** names, devices and distances; without them a small picture for a list. Default true */
  detailed?: boolean;
  chosen?: string | undefined;
  onChoose?: ((circuit: string) => void) | undefined;
  /** makes stations pressable; the chosen one as circuit/station */
  onStation?: ((circuit: string, station: string) => void) | undefined;
  chosenStation?: string | undefined;
  /** places with a fault: circuit/station, or a circuit for its end at the board */
  pins?: ReadonlySet<string>;
}

const W = 860;
const TRACK_GAP = 20;

/** A board as a bar, its circuits leaving it at true cable distance, section by section. */
export function BoardPicture({
  board,
  detailed = true,
  chosen,
  onChoose,
  onStation,
  chosenStation,
  pins,
}: Props) {
  const left = detailed ? 250 : 16;
  const circuits = board.sections.flatMap((s) => s.circuits);
  const far = Math.max(10, ...circuits.map(drawnMetres));
  const feeds = circuits.some((c) => c.kind === "submain");
  const x = linear(far, left, W - (feeds && detailed ? 150 : 40));
  const rows: { circuit: Circuit; y: number; height: number }[] = [];
  const heads: { label: string; y: number; to: number }[] = [];
  let y = 8;
  for (const section of board.sections) {
    const start = y;
    if (detailed) y += 22;
    for (const circuit of section.circuits) {
      const height = rowHeight(circuit, detailed);
      rows.push({ circuit, y: y + (detailed ? 26 : 14), height });
      y += height;
    }
    if (section.circuits.length === 0) y += 16;
    heads.push({
      label: section.rcd ? `${section.label} · RCD ${section.rcd}` : section.label,
      y: start,
      to: y,
    });
    y += detailed ? 10 : 4;
  }

  return (
    <svg viewBox={`0 0 ${W} ${y + 4}`} className="w-full" role="group" aria-label={describe(board)}>
      {heads.map((head) => (
        <g key={head.label + head.y}>
          <rect x={left - 4} y={head.y} width={7} height={head.to - head.y} fill="var(--ink)" />
          {detailed && (
            <text x={0} y={head.y + 13} fontSize={13} fontWeight={600} style={{ fill: "var(--work)" }}>
              {head.label}
            </text>
          )}
        </g>
      ))}
      {rows.map((row) => (
        <g key={row.circuit.id}>
          {chosen === row.circuit.id && (
            <rect x={0} y={row.y - 26} width={W} height={row.height} fill="var(--work-soft)" />
          )}
          {detailed && <Name row={row} chosen={chosen === row.circuit.id} onChoose={onChoose} />}
          {/* without stations to press the row behind takes the press: nothing on the track means anything alone */}
          <g className={onStation ? undefined : "pointer-events-none"}>
            <CircuitTrack
              circuit={row.circuit}
              y={row.y}
              x={x}
              gap={TRACK_GAP}
              labels={detailed}
              chosen={stationOf(chosenStation, row.circuit.id)}
              pins={stationsOf(pins, row.circuit.id)}
              onStation={onStation && ((station) => onStation(row.circuit.id, station))}
            />
            {pins?.has(row.circuit.id) && <Pin x={left + 16} y={row.y} />}
          </g>
        </g>
      ))}
      {heads.map((head) => (
        <rect
          key={`bar-${head.y}`}
          x={left - 4}
          y={head.y}
          width={7}
          height={head.to - head.y}
          fill="var(--ink)"
        />
      ))}
    </svg>
  );
}

function stationOf(place: string | undefined, circuit: string): string | undefined {
  return place?.startsWith(`${circuit}/`) ? place.slice(circuit.length + 1) : undefined;
}

function stationsOf(pins: ReadonlySet<string> | undefined, circuit: string): Set<string> {
  return new Set([...(pins ?? [])].map((p) => stationOf(p, circuit)).filter((s) => s !== undefined));
}

function rowHeight(circuit: Circuit, detailed: boolean): number {
  const { levels } = layTracks(circuit);
  const below = levels * TRACK_GAP + (circuit.kind === "ring" ? 16 : 0);
  return (detailed ? 50 : 24) + below;
}

interface NameProps {
  row: { circuit: Circuit; y: number; height: number };
  chosen: boolean;
  onChoose?: ((circuit: string) => void) | undefined;
}

function Name({ row, chosen, onChoose }: NameProps) {
  const { circuit, y } = row;
  const press = onChoose && {
    role: "button",
    tabIndex: 0,
    "aria-pressed": chosen,
    "aria-label": `${circuit.label}, way ${circuit.way}`,
    onClick: () => onChoose(circuit.id),
    onKeyDown: (e: React.KeyboardEvent) => {
      if (e.key === "Enter" || e.key === " ") {
        e.preventDefault();
        onChoose(circuit.id);
      }
    },
    className: "cursor-pointer",
  };
  return (
    <g {...press}>
      {onChoose && <rect x={0} y={y - 26} width={W} height={row.height} fill="transparent" />}
      <text x={0} y={y - 2} fontSize={15} fontWeight={600}>
        {circuit.way} {circuit.label}
      </text>
      <text x={0} y={y + 15} fontSize={12.5} style={{ fill: "var(--ink2)" }}>
        {[circuit.phase, circuit.device.replace(/ RCBO.*/, " RCBO"), circuit.cable]
          .filter(Boolean)
          .join(" · ")}
      </text>
    </g>
  );
}

function describe(board: Schemas["BoardDrawing"]): string {
  const circuits = board.sections.flatMap((s) => s.circuits);
  return `${board.label}: ${circuits
    .map(
      (c) =>
        `way ${c.way}, ${c.label}, ${c.kind}, ${c.device}, ${c.stations.length} points, ${c.lengthMetres} m`,
    )
    .join("; ")}.`;
}
