import { useRef, useState } from "react";
import type { Schemas } from "../../../api/client";
import { CircuitTrack, drawnMetres, layTracks } from "../../../pictures";
import { moveStation, stationMetres } from "./moveStation";
import type { CircuitJson } from "./rigJson";

interface Props {
  circuit: CircuitJson;
  drawing: Schemas["CircuitDrawing"];
  onChange: (circuit: CircuitJson, key?: string) => void;
}

const W = 820;
const LEFT = 20;
const RIGHT = W - 60;
const TOP = 40;
const GAP = 34;
const STEP_METRES = 0.5;

/** The circuit drawn large: a station is dragged along its cable, or moved with the arrow keys. */
export function TrackEditor({ circuit, drawing: drawn, onChange }: Props) {
  // the server draws a moment later: meanwhile stations stand where the hand has put them
  const drawing = {
    ...drawn,
    stations: drawn.stations.map((s) => ({ ...s, atMetres: stationMetres(circuit, s.id) ?? s.atMetres })),
  };
  const svg = useRef<SVGSVGElement>(null);
  const [grabbed, setGrabbed] = useState<{ station: string; key: string; far: number } | null>(null);
  const [chosen, setChosen] = useState<string | undefined>(undefined);
  const far = grabbed?.far ?? drawnMetres(drawing) * 1.15;
  const x = (metres: number) => LEFT + ((RIGHT - LEFT) * metres) / far;
  const height = TOP + layTracks(drawing).levels * GAP + 40;

  const metresAt = (event: React.PointerEvent): number => {
    const box = svg.current?.getBoundingClientRect();
    if (!box) return 0;
    const at = ((event.clientX - box.left) / box.width) * W;
    return Math.round((((at - LEFT) / (RIGHT - LEFT)) * far) / STEP_METRES) * STEP_METRES;
  };
  const move = (station: string, metres: number, key: string) => {
    const moved = moveStation(circuit, station, metres);
    if (moved) onChange(moved, key);
  };
  const atOf = (station: string) => drawing.stations.find((s) => s.id === station)?.atMetres ?? 0;

  return (
    <>
      <svg
        ref={svg}
        viewBox={`0 0 ${W} ${height}`}
        className="w-full select-none"
        role="group"
        aria-label={`${circuit.label}, drawn to cable length`}
        onPointerMove={(e) => grabbed && move(grabbed.station, metresAt(e), grabbed.key)}
        onPointerUp={() => setGrabbed(null)}
        onPointerLeave={() => setGrabbed(null)}
      >
        <rect x={LEFT - 5} y={TOP - 22} width={7} height={44} fill="var(--ink)" />
        <CircuitTrack
          circuit={drawing}
          y={TOP}
          x={x}
          gap={GAP}
          chosen={chosen}
          onStation={setChosen}
          onGrab={(station, event) => {
            event.preventDefault();
            // the default would have given it the focus that the arrow keys need
            (event.currentTarget as SVGGElement).focus();
            setChosen(station);
            setGrabbed({ station, key: `drag-${station}-${event.timeStamp}`, far });
          }}
          onNudge={(station, metres) => {
            setChosen(station);
            move(station, atOf(station) + metres, `nudge-${station}`);
          }}
        />
        {chosen && (
          <text x={LEFT + 12} y={height - 8} fontSize={14} style={{ fill: "var(--ink2)" }}>
            {drawing.stations.find((s) => s.id === chosen)?.label} at {atOf(chosen)} m
          </text>
        )}
      </svg>
      <p className="text-[13px] text-ink2">
        Drag a station along its cable, or choose it and press ← →, with Shift for 5 m. Distances can be typed
        below.
      </p>
    </>
  );
}
