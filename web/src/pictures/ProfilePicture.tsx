import type { Schemas } from "../api/client";
import { FaultPin, RecordedMark, type Side, Station } from "./shapes";
import { linear, spaced, ticks } from "./scale";

type Sample = Schemas["ProfileSample"];

export interface Dot {
  station: string;
  ohms: number | null;
  overRange: boolean;
  side: Side;
  text: string;
}

interface Props {
  /** from the server: two samples a station, before its joint and at its front */
  curve: Schemas["ProfileCurve"];
  circuit: Schemas["CircuitLine"];
  /** what the candidate wrote, if shown */
  dots?: Dot[];
  /** whether the curve with the set faults is drawn beside the healthy one */
  showFaulted: boolean;
  faultsAt: Set<string>;
  chosen?: string | undefined;
  onChoose?: ((station: string) => void) | undefined;
}

const W = 820;
const H = 300;
const LEFT = 62;
const RIGHT = W - 40;
const FLOOR = 232;
const CEILING = 34;
/** A station's name needs this much, px. */
/** Nearer than this a station's name would run into the word at the board. */
const BOARD_ROOM = 60;
const LABEL_ROOM = 78;

/** The reading against cable distance; the axis is the circuit itself, its stations where they are. */
export function ProfilePicture({
  curve,
  circuit,
  dots = [],
  showFaulted,
  faultsAt,
  chosen,
  onChoose,
}: Props) {
  const samples = curve.samples;
  const measuredAt = new Set(samples.map((s) => s.station));
  const stations = circuit.stations.filter((s) => measuredAt.has(s.id));
  const far = Math.max(1, ...stations.map((s) => s.atMetres));
  const numbers = samples.flatMap((s) => [s.healthyOhms, s.withFaultsOhms, s.band?.highOhms ?? null]);
  const top = Math.max(
    0.1,
    ...[...numbers, ...dots.map((d) => d.ohms)].filter((n): n is number => n !== null),
  );
  const grid = ticks(top);
  const x = linear(far, LEFT, RIGHT);
  const y = linear(grid.at(-1) ?? top, FLOOR, CEILING);
  const labelled = new Set(
    spaced(
      stations,
      (s) => x(s.atMetres),
      LABEL_ROOM,
      (s) => faultsAt.has(s.id) || s.id === chosen,
    ).map((s) => s.id),
  );
  const firstOpen = samples.findIndex((s) => s.withFaultsOhms === null);
  const lastClosed = samples[firstOpen - 1];

  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      className="w-full"
      role="group"
      aria-label={describe(curve, circuit, dots, showFaulted)}
    >
      {grid.map((g) => (
        <g key={g}>
          <line x1={LEFT} x2={RIGHT} y1={y(g)} y2={y(g)} stroke="var(--line)" />
          <text x={LEFT - 10} y={y(g) + 4} textAnchor="end" fontSize={15} style={{ fill: "var(--ink2)" }}>
            {g}
          </text>
        </g>
      ))}
      <text x={LEFT - 10} y={18} textAnchor="end" fontSize={15} style={{ fill: "var(--ink2)" }}>
        Ω
      </text>
      <path d={bandPath(curve, showFaulted, x, y)} fill="var(--band)" opacity={0.85} />
      <path
        d={curvePath(curve, (s) => s.healthyOhms, x, y)}
        fill="none"
        stroke="var(--work)"
        strokeWidth={2.2}
        strokeDasharray="7 5"
      />
      {showFaulted && (
        <path
          d={curvePath(curve, (s) => s.withFaultsOhms, x, y)}
          fill="none"
          stroke="var(--plum)"
          strokeWidth={2.6}
        />
      )}
      {showFaulted && firstOpen >= 0 && (
        <text
          x={x(lastClosed?.atMetres ?? 0) + 12}
          y={y(lastClosed?.withFaultsOhms ?? 0) + 16}
          fontSize={15}
          style={{ fill: "var(--plum)" }}
          fontWeight={600}
        >
          open from here ›
        </text>
      )}
      <line x1={LEFT} x2={RIGHT} y1={FLOOR} y2={FLOOR} stroke="var(--ink)" strokeWidth={3} />
      <rect x={LEFT - 4} y={FLOOR - 14} width={6} height={28} fill="var(--ink)" />
      {stations.every((s) => !labelled.has(s.id) || x(s.atMetres) > LEFT + BOARD_ROOM) && (
        <text x={LEFT} y={FLOOR + 34} textAnchor="middle" fontSize={15}>
          board
        </text>
      )}
      {stations.map((station) => (
        <StationOnAxis
          key={station.id}
          x={x(station.atMetres)}
          station={station}
          labelled={labelled.has(station.id)}
          fault={faultsAt.has(station.id)}
          chosen={chosen === station.id}
          onChoose={onChoose}
        />
      ))}
      {dots.map((dot) => {
        const station = circuit.stations.find((s) => s.id === dot.station);
        if (!station) return null;
        const at = { x: x(station.atMetres), y: dot.overRange ? CEILING : y(dot.ohms ?? 0) };
        return (
          <g key={dot.station}>
            <RecordedMark {...at} side={dot.side} overRange={dot.overRange} />
            <text
              x={at.x > RIGHT - 70 ? at.x - 12 : at.x + 12}
              y={at.y + 4}
              textAnchor={at.x > RIGHT - 70 ? "end" : "start"}
              fontSize={16}
              fontWeight={600}
              stroke="var(--sheet)"
              strokeWidth={4}
              paintOrder="stroke"
            >
              {dot.text}
            </text>
          </g>
        );
      })}
    </svg>
  );
}

interface StationProps {
  x: number;
  station: Schemas["Station"];
  /** whether there is room for its name */
  labelled: boolean;
  fault: boolean;
  chosen: boolean;
  onChoose?: ((station: string) => void) | undefined;
}

function StationOnAxis({ x, station, labelled, fault, chosen, onChoose }: StationProps) {
  const press = onChoose && {
    role: "button",
    tabIndex: 0,
    "aria-pressed": chosen,
    "aria-label": `${station.label}, ${station.atMetres} m${fault ? ", fault set" : ""}`,
    onClick: () => onChoose(station.id),
    onKeyDown: (e: React.KeyboardEvent) => {
      if (e.key === "Enter" || e.key === " ") {
        e.preventDefault();
        onChoose(station.id);
      }
    },
  };
  return (
    <g {...press} className={onChoose && "cursor-pointer"}>
      {onChoose && <rect x={x - 30} y={FLOOR - 26} width={60} height={78} fill="transparent" />}
      <Station x={x} y={FLOOR} fault={fault} chosen={chosen} />
      {fault && <FaultPin x={x} y={FLOOR - 14} />}
      {labelled && (
        <>
          <text x={x} y={FLOOR + 34} textAnchor="middle" fontSize={15}>
            {station.label}
          </text>
          <text x={x} y={FLOOR + 51} textAnchor="middle" fontSize={15} style={{ fill: "var(--ink2)" }}>
            {station.atMetres} m
          </text>
        </>
      )}
    </g>
  );
}

type Scale = (value: number) => number;

type Curve = Schemas["ProfileCurve"];

/** Starts at the board where the reading is nothing there, and stops where the circuit is open. */
function curvePath(curve: Curve, value: (s: Sample) => number | null, x: Scale, y: Scale): string {
  let path = curve.nothingAtBoard ? `M${x(0)} ${y(0)}` : "";
  let pen = curve.nothingAtBoard;
  for (const sample of curve.samples) {
    const ohms = value(sample);
    if (ohms === null) {
      pen = false;
    } else {
      path += `${pen ? "L" : "M"}${x(sample.atMetres)} ${y(ohms)}`;
      pen = true;
    }
  }
  return path;
}

/** The expected band up to where it is open: with the set faults, or healthy. */
function bandPath(curve: Curve, faulted: boolean, x: Scale, y: Scale): string {
  const high = (s: Sample) => (faulted ? s.band : s.healthyBand)?.highOhms ?? null;
  const low = (s: Sample) => (faulted ? s.band : s.healthyBand)?.lowOhms ?? 0;
  const firstOpen = curve.samples.findIndex((s) => high(s) === null);
  const closed = firstOpen < 0 ? curve.samples : curve.samples.slice(0, firstOpen);
  if (closed.length === 0) return "";
  const there = closed.map((s) => `${x(s.atMetres)} ${y(high(s) ?? 0)}`);
  const back = [...closed].reverse().map((s) => `${x(s.atMetres)} ${y(low(s))}`);
  const start = curve.nothingAtBoard ? [`${x(0)} ${y(0)}`] : [];
  return `M${[...start, ...there, ...back].join("L")}Z`;
}

function describe(
  curve: Schemas["ProfileCurve"],
  circuit: Schemas["CircuitLine"],
  dots: Dot[],
  showFaulted: boolean,
): string {
  const fronts = curve.samples.filter((s) => s.atFront);
  const parts = circuit.stations.flatMap((station) => {
    const sample = fronts.find((f) => f.station === station.id);
    if (!sample) return [];
    const dot = dots.find((d) => d.station === station.id);
    const words = [`${station.label} at ${station.atMetres} m: healthy ${sample.healthyShown}`];
    if (showFaulted) words.push(`with the faults ${sample.withFaultsShown}`);
    if (dot?.text) words.push(`recorded ${dot.text}`);
    return words.join(", ");
  });
  return `${curve.quantity} along ${circuit.label}. ${parts.join("; ")}.`;
}
