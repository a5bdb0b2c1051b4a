import type { PointerEvent } from "react";
import { classes } from "../../ui/classes";
import type { PlaceShown } from "./queries";
import type { Bench } from "./useBench";

/** The insulation's colour after IEC 60445; the letter stands beside it always. */
const COLOURS: Record<string, string> = {
  line: "#7a4419",
  l1: "#7a4419",
  l2: "#26262b",
  l3: "#8a8f96",
  neutral: "#2a62b8",
  cpc: "#3c8d2f",
  "switched-line": "#7a4419",
  "strapper-1": "#26262b",
  "strapper-2": "#8a8f96",
};

/** A place that can be pressed, dragged from and dragged to. What is on it is said by signs and in its name. */
export function Spot({ place, bench }: { place: PlaceShown; bench: Bench }) {
  const rig = bench.state.rig;
  const lead = bench.state.tester.probes.indexOf(place.id);
  const out = rig.out.includes(place.id);
  const movedTo = rig.moved.find((m) => m.end === place.id)?.to;
  const joined = bench.joinedWith(place.id);
  const chosen = bench.chosen === place.id;
  const target = bench.asking !== null && !chosen;
  const said = [
    place.label,
    out && "out of its terminal",
    movedTo && `moved to the ${bench.label(movedTo)}`,
    joined.length > 0 && `joined with ${joined.map(bench.label).join(", ")}`,
    lead >= 0 && `lead ${lead + 1} is on it`,
  ].filter(Boolean);
  const drag = bench.drag(place.id);
  return (
    <button
      type="button"
      data-spot={place.id}
      aria-label={said.join(", ")}
      aria-pressed={chosen}
      title={place.label}
      onClick={() => bench.press(place.id)}
      onPointerDown={(e: PointerEvent) => drag.down(e)}
      className={classes(
        "relative inline-flex min-h-11 min-w-11 touch-none flex-col items-center justify-center rounded-md border px-1 text-[13px] font-semibold select-none",
        chosen
          ? "border-work bg-work-soft outline-2 outline-work"
          : "border-line bg-sheet hover:bg-work-soft",
        target && "border-dashed border-work",
      )}
    >
      <svg width="26" height="16" viewBox="0 0 26 16" aria-hidden="true">
        {place.end ? (
          <>
            <path d={out ? "M0 8h15" : "M0 8h20"} stroke="var(--frame)" strokeWidth="8" />
            <path
              d={out ? "M1 8h13" : "M1 8h18"}
              stroke={COLOURS[place.conductor] ?? "var(--ink2)"}
              strokeWidth="6"
            />
            {place.conductor === "cpc" && (
              <path d={out ? "M1 8h13" : "M1 8h18"} stroke="#e6c619" strokeWidth="2" strokeDasharray="4 3" />
            )}
            <path d="M21 2v12" stroke="var(--ink)" strokeWidth="3" />
          </>
        ) : (
          <>
            <circle cx="13" cy="8" r="6" fill="var(--sheet)" stroke="var(--frame)" strokeWidth="4.6" />
            <circle
              cx="13"
              cy="8"
              r="6"
              fill="none"
              stroke={COLOURS[place.conductor] ?? "var(--ink2)"}
              strokeWidth="3"
            />
          </>
        )}
      </svg>
      <span>{place.mark}</span>
      {lead >= 0 && (
        <span className="absolute -top-2 -right-2 grid h-5 w-5 place-items-center rounded-full bg-plum text-[12px] text-sheet">
          {lead + 1}
        </span>
      )}
      {(joined.length > 0 || movedTo) && (
        <span
          aria-hidden="true"
          className="absolute -bottom-2 -left-1 rounded bg-work px-1 text-[11px] leading-4 text-on-work"
        >
          {movedTo ? "moved" : "joined"}
        </span>
      )}
    </button>
  );
}

/** A named row of places. */
export function Spots({ label, places, bench }: { label: string; places: PlaceShown[]; bench: Bench }) {
  if (places.length === 0) return null;
  return (
    <div className="min-w-0">
      <p className="mb-0.5 text-[13px] text-ink2">{label}</p>
      <div className="flex flex-wrap gap-2" role="group" aria-label={label}>
        {places.map((p) => (
          <Spot key={p.id} place={p} bench={bench} />
        ))}
      </div>
    </div>
  );
}
