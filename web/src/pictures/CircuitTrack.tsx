import type { Schemas } from "../api/client";
import { spaced } from "./scale";
import { layTracks, type Placed } from "./trackLayout";

type Circuit = Schemas["CircuitDrawing"];

interface Props {
  circuit: Circuit;
  /** y of the circuit's own line */
  y: number;
  /** x of a cable distance, m */
  x: (metres: number) => number;
  /** px between tracks; default 22 */
  gap?: number;
  /** distances and names under stations; default true */
  labels?: boolean;
  chosen?: string | undefined;
  /** ids of stations with a fault */
  pins?: ReadonlySet<string> | undefined;
  /** ids of stations that are done: drawn solid */
  filled?: ReadonlySet<string> | undefined;
  /** the station that goes on record */
  recorded?: string | undefined;
  /** makes stations pressable */
  onStation?: ((station: string) => void) | undefined;
  onGrab?: ((station: string, event: React.PointerEvent) => void) | undefined;
  onNudge?: ((station: string, metres: number) => void) | undefined;
}

/** px that a distance label needs */
const LABEL_ROOM = 44;
/** Stations nearer than this are drawn smaller, px. */
const CROWDED = 18;
/** room under the lowest track for a ring's way back and for labels, px */
export const UNDER_TRACK = 26;

/** A circuit as a line from the board: stations at true cable distance, a ring as a loop, switches and spurs below. */
export function CircuitTrack({
  circuit,
  y,
  x,
  gap = 22,
  labels = true,
  chosen,
  pins,
  filled,
  recorded,
  onStation,
  onGrab,
  onNudge,
}: Props) {
  const { placed, levels } = layTracks(circuit);
  const ring = circuit.kind === "ring";
  const main = placed.filter((p) => p.level === 0);
  const far = ring ? circuit.lengthMetres : Math.max(0, ...main.map((p) => p.station.atMetres));
  const end = circuit.kind === "submain" ? circuit.lengthMetres : far;
  const at = (p: Placed) => ({ x: x(p.station.atMetres), y: y + p.level * gap });
  const labelled = new Set(
    spaced(
      main,
      (p) => at(p).x,
      LABEL_ROOM,
      (p) => p.station.id === chosen,
    ).map((p) => p.station.id),
  );
  const along = main.map((p) => at(p).x).sort((a, b) => a - b);
  const steps = along.slice(1).map((to, i) => to - (along[i] ?? 0));
  const scale = Math.min(1, Math.max(0.6, Math.min(...steps, Infinity) / CROWDED));
  const stroke = { stroke: "var(--ink)", strokeWidth: 2.6, fill: "none" };

  return (
    <g>
      <line x1={x(0)} x2={x(end)} y1={y} y2={y} {...stroke} />
      {ring && <path d={ringBack(x(0), x(end), y, levels * gap + 16)} {...stroke} />}
      {circuit.kind === "submain" && (
        <>
          <rect x={x(end)} y={y - 9} width={9} height={18} fill="var(--ink)" />
          <text x={x(end) + 16} y={y + 5} fontSize={14}>
            {circuit.feeds}
          </text>
        </>
      )}
      {placed
        .filter((p) => p.from)
        .map((p) => (
          <path
            key={`track-${p.station.id}`}
            d={sideTrack(at(p.from as Placed), at(p))}
            stroke="var(--ink)"
            strokeWidth={1.8}
            fill="none"
          />
        ))}
      {placed.map((p) => (
        <Stop
          key={p.station.id}
          {...at(p)}
          scale={scale}
          station={p.station}
          chosen={chosen === p.station.id}
          filled={filled?.has(p.station.id) ?? false}
          recorded={recorded === p.station.id}
          onPress={onStation && (() => onStation(p.station.id))}
          onGrab={onGrab && ((e) => onGrab(p.station.id, e))}
          onNudge={onNudge && ((m) => onNudge(p.station.id, m))}
        />
      ))}
      {placed
        .filter((p) => pins?.has(p.station.id))
        .map((p) => (
          <Pin key={`pin-${p.station.id}`} x={at(p).x} y={at(p).y} />
        ))}
      {labels &&
        main
          .filter((p) => labelled.has(p.station.id))
          .map((p) => (
            <text
              key={`label-${p.station.id}`}
              x={at(p).x}
              y={y - (pins?.has(p.station.id) ? 27 : 11)}
              textAnchor="middle"
              fontSize={12.5}
              style={{ fill: "var(--ink2)" }}
            >
              {p.station.atMetres} m
            </text>
          ))}
    </g>
  );
}

/** A fault, standing on its station. */
export function Pin({ x, y }: { x: number; y: number }) {
  return (
    <path d={`M${x - 8} ${y - 24}h16L${x} ${y - 7}z`} fill="var(--plum)" className="pointer-events-none">
      <title>fault</title>
    </path>
  );
}

/** The way back of a ring, below its spurs. */
function ringBack(board: number, end: number, y: number, drop: number): string {
  return `M${end} ${y} q9 0 9 8 v${drop - 16} q0 8 -9 8 H${board}`;
}

function sideTrack(from: { x: number; y: number }, to: { x: number; y: number }): string {
  if (from.y === to.y) return `M${from.x} ${from.y}H${to.x}`;
  const bend = Math.min(10, Math.max(0, to.x - from.x));
  return `M${from.x} ${from.y}V${to.y - bend}Q${from.x} ${to.y} ${from.x + bend} ${to.y}H${to.x}`;
}

interface StopProps {
  x: number;
  y: number;
  /** smaller where stations crowd */
  scale: number;
  station: Schemas["StationDrawing"];
  chosen: boolean;
  filled: boolean;
  recorded: boolean;
  onPress?: (() => void) | undefined;
  onGrab?: ((event: React.PointerEvent) => void) | undefined;
  onNudge?: ((metres: number) => void) | undefined;
}

function Stop({ x, y, scale, station, chosen, filled, recorded, onPress, onGrab, onNudge }: StopProps) {
  const press = onPress && {
    role: "button",
    tabIndex: 0,
    "aria-pressed": chosen,
    "aria-label": `${station.label}, ${station.atMetres} m`,
    onClick: onPress,
    onPointerDown: onGrab,
    onKeyDown: (e: React.KeyboardEvent) => {
      if (e.key === "Enter" || e.key === " ") {
        e.preventDefault();
        onPress();
      } else if (onNudge && (e.key === "ArrowRight" || e.key === "ArrowLeft")) {
        e.preventDefault();
        onNudge((e.key === "ArrowRight" ? 1 : -1) * (e.shiftKey ? 5 : 0.5));
      }
    },
  };
  return (
    <g
      {...press}
      className={onGrab ? "cursor-ew-resize" : onPress && "cursor-pointer"}
      style={{ touchAction: "none" }}
    >
      <title>{`${station.label}, ${station.atMetres} m`}</title>
      {onPress && <circle cx={x} cy={y} r={17} fill="transparent" />}
      {chosen && <circle cx={x} cy={y} r={11} fill="none" stroke="var(--work)" strokeWidth={3} />}
      <g transform={`translate(${x} ${y}) scale(${scale})`}>
        <Mark x={0} y={0} kind={station.kind} />
        {filled && <circle r={4} fill="var(--work)" className="pointer-events-none" />}
      </g>
      {recorded && (
        <path d={`M${x} ${y - 14}l-6 -10h12z`} fill="var(--work)" className="pointer-events-none">
          <title>on record</title>
        </path>
      )}
    </g>
  );
}

/** What is fitted, by shape: ○ socket, a gap for a switch or isolator, a cross for a lamp, a square for fixed things. */
function Mark({ x, y, kind }: { x: number; y: number; kind: string }) {
  const line = { stroke: "var(--ink)", strokeWidth: 2, fill: "var(--sheet)" };
  switch (kind) {
    case "lamp":
      return (
        <>
          <circle cx={x} cy={y} r={6.5} {...line} />
          <path d={`M${x - 4.4} ${y - 4.4}l8.8 8.8M${x - 4.4} ${y + 4.4}l8.8 -8.8`} {...line} />
        </>
      );
    case "switch":
    case "isolator":
    case "timer":
      return (
        <>
          <rect x={x - 6} y={y - 6} width={12} height={12} fill="var(--sheet)" stroke="none" />
          <path d={`M${x - 6} ${y}h3l7 -6`} {...line} fill="none" />
          <circle cx={x - 5} cy={y} r={2.2} fill="var(--ink)" />
          <circle cx={x + 6} cy={y} r={2.2} fill="var(--ink)" />
        </>
      );
    case "appliance":
    case "motor":
    case "fused-connection":
      return (
        <>
          <rect x={x - 6.5} y={y - 6.5} width={13} height={13} {...line} />
          {kind === "motor" && (
            <path d={`M${x - 3.5} ${y + 3.5}v-7l3.5 4 3.5 -4v7`} {...line} fill="none" strokeWidth={1.6} />
          )}
        </>
      );
    case "three-phase-socket":
      return (
        <>
          <circle cx={x} cy={y} r={7} {...line} />
          <circle cx={x} cy={y} r={3} fill="var(--ink)" />
        </>
      );
    default:
      return <circle cx={x} cy={y} r={6.2} {...line} />;
  }
}
