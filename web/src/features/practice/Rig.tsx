import { useState } from "react";
import type { Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { classes } from "../../ui/classes";
import { Spots } from "./Spot";
import { Wires } from "./Wires";
import type { ControlShown, PlaceShown } from "./queries";
import type { Bench } from "./useBench";

type BoardShown = Schemas["BoardShown"];
type CircuitDrawn = Schemas["CircuitDrawn"];
type PointShown = Schemas["PointShown"];
type Current = Schemas["CurrentPathShown"] | null;

/** The rig: earthing, boards, and each circuit as a line; what is open is shown with its terminals. */
export function Rig({
  bench,
  layout,
  path,
}: {
  bench: Bench;
  layout: Schemas["PracticeLayout"];
  path: Current;
}) {
  const box = bench.state.boxes.find((b) => b.id === bench.state.box);
  const [circuit, setCircuit] = useState(box?.circuit ?? "");
  const [point, setPoint] = useState<string | null>(box?.point ?? null);
  // the rig opens where the next reading is taken
  const [at, setAt] = useState(box?.id);
  if (box && at !== box.id) {
    setAt(box.id);
    if (box.circuit) setCircuit(box.circuit);
    if (box.point) setPoint(box.point);
  }
  return (
    <div className="relative space-y-3 [&_button]:scroll-mt-52">
      <WayThere
        bench={bench}
        layout={layout}
        circuit={circuit}
        point={point}
        onRig={() => {
          setCircuit("");
          setPoint(null);
        }}
        onCircuit={() => setPoint(null)}
      />
      {layout.boards.map((board) => (
        <Board
          key={board.id}
          board={board}
          bench={bench}
          circuit={circuit}
          point={point}
          path={path}
          onCircuit={(id) => {
            setCircuit(id);
            setPoint(null);
          }}
          onPoint={setPoint}
        />
      ))}
      <section aria-label="Earthing" className="border border-line bg-sheet p-3">
        <Spots
          label="Main earthing terminal, bonds and supply earth"
          places={layout.earthing}
          bench={bench}
        />
      </section>
      <Wires bench={bench} />
    </div>
  );
}

/** From the room to one terminal: each word goes back to that much. */
function WayThere({
  bench,
  layout,
  circuit,
  point,
  onRig,
  onCircuit,
}: {
  bench: Bench;
  layout: Schemas["PracticeLayout"];
  circuit: string;
  point: string | null;
  onRig: () => void;
  onCircuit: () => void;
}) {
  const board = layout.boards.find((b) => b.circuits.some((c) => c.id === circuit));
  const drawn = board?.circuits.find((c) => c.id === circuit);
  const station = drawn?.points.find((p) => p.id === point);
  const steps: [string, (() => void) | null][] = [["whole rig", drawn ? onRig : null]];
  if (board && drawn) {
    steps.push([`${board.label}, ${drawn.label}`, station ? onCircuit : null]);
    if (station) steps.push([station.label, bench.chosen ? bench.leave : null]);
  }
  if (bench.chosen) steps.push([bench.label(bench.chosen), null]);
  return (
    <nav aria-label="Where you are on the rig">
      <ol className="flex flex-wrap items-center gap-x-1 text-[14px]">
        {steps.map(([words, back], i) => (
          <li key={i} className="flex items-center">
            {i > 0 && (
              <span aria-hidden="true" className="px-1 text-ink2">
                ›
              </span>
            )}
            {back ? (
              <button type="button" onClick={back} className="min-h-8 text-work underline">
                {words}
              </button>
            ) : (
              <span aria-current={i === steps.length - 1 ? "location" : undefined}>{words}</span>
            )}
          </li>
        ))}
      </ol>
    </nav>
  );
}

interface BoardProps {
  board: BoardShown;
  bench: Bench;
  circuit: string;
  point: string | null;
  path: Current;
  onCircuit: (id: string) => void;
  onPoint: (id: string | null) => void;
}

function Board({ board, bench, circuit, point, path, onCircuit, onPoint }: BoardProps) {
  const open = bench.state.rig.coversOff.includes(board.cover);
  const locked = bench.state.rig.locked.includes(board.id);
  const of = (group: PlaceShown["group"]) => board.places.filter((p) => p.group === group);
  // what one isolates with comes first, in the order in which it is done
  const switches = board.controls.filter((c) => c.kind === "MAIN_SWITCH" || c.kind === "SECTION");
  return (
    <section aria-label={board.label} className="border border-line bg-sheet">
      <div className="flex flex-wrap items-center gap-2 border-b border-line p-3">
        <h2 className="mr-2 text-[17px] font-bold">{board.label}</h2>
        {switches.map((c) => (
          <Control key={c.id} control={c} bench={bench} />
        ))}
        <Button
          disabled={bench.shut}
          onClick={() => bench.practice.deed({ verb: locked ? "UNLOCK" : "LOCK", at: board.id })}
        >
          {locked ? "Take the lock off" : "Lock it off"}
        </Button>
        <Button
          disabled={bench.shut}
          onClick={() => bench.practice.deed({ verb: "PROVE_DEAD", at: board.id })}
        >
          Prove dead
        </Button>
        <CoverButton cover={board.cover} bench={bench} what="Cover" />
        {board.controls
          .filter((c) => !switches.includes(c))
          .map((c) => (
            <Control key={c.id} control={c} bench={bench} />
          ))}
      </div>
      {open && (
        <div className="flex flex-wrap gap-x-8 gap-y-3 border-b border-line bg-raised p-3">
          <Spots label="Incoming" places={of("INCOMING")} bench={bench} />
          <Spots label="Behind the main switch" places={of("MAIN_SWITCH")} bench={bench} />
          <Spots label="Earth bar" places={of("BAR")} bench={bench} />
          {board.sections.map((section) => (
            <Spots
              key={section.label}
              label={board.sections.length > 1 ? `Bars, ${section.label}` : "Bars"}
              places={section.bars}
              bench={bench}
            />
          ))}
        </div>
      )}
      <ul>
        {board.circuits.map((c) => (
          <li key={c.id} className="border-b border-line last:border-b-0">
            <CircuitRow
              circuit={c}
              bench={bench}
              boardOpen={open}
              expanded={circuit === c.id}
              point={point}
              path={path}
              onOpen={() => onCircuit(circuit === c.id ? "" : c.id)}
              onPoint={onPoint}
            />
          </li>
        ))}
      </ul>
    </section>
  );
}

interface CircuitProps {
  circuit: CircuitDrawn;
  bench: Bench;
  boardOpen: boolean;
  expanded: boolean;
  point: string | null;
  path: Current;
  onOpen: () => void;
  onPoint: (id: string | null) => void;
}

function CircuitRow({ circuit, bench, boardOpen, expanded, point, path, onOpen, onPoint }: CircuitProps) {
  const of = (group: PlaceShown["group"]) => circuit.places.filter((p) => p.group === group);
  const ends = circuit.places.filter((p) => p.end).map((p) => p.id);
  const crossed = bench.state.rig.crossed.find((c) => c.circuit === circuit.id);
  const allOut = ends.every((e) => bench.state.rig.out.includes(e));
  const noneOut = ends.every((e) => !bench.state.rig.out.includes(e));
  const station = circuit.points.find((p) => p.id === point) ?? null;
  return (
    <div className={classes(expanded && "border-l-4 border-l-work")}>
      <div className="flex flex-wrap items-center gap-2 px-3 py-2">
        <button
          type="button"
          aria-expanded={expanded}
          onClick={onOpen}
          className="min-h-11 min-w-[11rem] flex-1 text-left hover:underline"
        >
          <span aria-hidden="true" className="mr-1 inline-block w-4">
            {expanded ? "▾" : "▸"}
          </span>
          <b>
            {circuit.way} {circuit.label}
          </b>
          {!noneOut && <span className="ml-2 text-[14px] text-plum">ends out</span>}
        </button>
        {circuit.controls.map((c) => (
          <Control key={c.id} control={c} bench={bench} />
        ))}
      </div>
      {expanded && (
        <div className="space-y-3 px-3 pb-3">
          {boardOpen ? (
            <div className="flex flex-wrap items-end gap-x-6 gap-y-3 bg-raised p-3">
              <Spots label="Its ends at the board" places={of("AT_BOARD")} bench={bench} />
              <Spots label="Other leg" places={of("AT_BOARD_SECOND")} bench={bench} />
              <Spots label="Terminals of the device" places={of("DEVICE")} bench={bench} />
              {circuit.ring && (
                <div className="mt-8 flex w-full flex-wrap gap-2">
                  <Button
                    disabled={bench.shut}
                    onClick={() =>
                      bench.practice.deed(
                        allOut
                          ? { verb: "PUT_BACK", places: ends }
                          : {
                              verb: "TAKE_OUT",
                              places: ends.filter((e) => !bench.state.rig.out.includes(e)),
                            },
                      )
                    }
                  >
                    {allOut ? "All ends back" : "All ends out"}
                  </Button>
                  {crossed ? (
                    <Button
                      disabled={bench.shut}
                      onClick={() => bench.practice.deed({ verb: "UNCROSS", at: circuit.id })}
                    >
                      Ends apart again
                    </Button>
                  ) : (
                    (["neutral", "cpc"] as const).map((c) => (
                      <Button
                        key={c}
                        disabled={bench.shut}
                        onClick={() => bench.practice.deed({ verb: "CROSS", at: circuit.id, to: c })}
                      >
                        Cross L with {c === "cpc" ? "E" : "N"}
                      </Button>
                    ))
                  )}
                  {crossed && (
                    <span className="self-center text-plum">
                      L crossed with {crossed.with === "cpc" ? "E" : "N"}
                    </span>
                  )}
                </div>
              )}
            </div>
          ) : (
            <p className="text-ink2">Its ends are behind the cover of the board.</p>
          )}
          <Line circuit={circuit} bench={bench} point={point} path={path} onPoint={onPoint} />
          {station && <Accessory key={station.id} point={station} bench={bench} />}
        </div>
      )}
    </div>
  );
}

/** The circuit from the board on: a station for each point, a lead's number over the one it is on. */
function Line({
  circuit,
  bench,
  point,
  path,
  onPoint,
}: {
  circuit: CircuitDrawn;
  bench: Bench;
  point: string | null;
  path: Current;
  onPoint: (id: string | null) => void;
}) {
  if (circuit.points.length === 0) return null;
  return (
    <div className="flex flex-wrap items-stretch" role="group" aria-label={`Points of ${circuit.label}`}>
      <span aria-hidden="true" className="my-3 w-2.5 bg-ink" />
      {circuit.points.map((p) => {
        const open = bench.state.rig.coversOff.includes(p.cover);
        const leads = bench.state.tester.probes.flatMap((id, i) =>
          p.places.some((place) => place.id === id) ? [i + 1] : [],
        );
        return (
          <button
            key={p.id}
            type="button"
            aria-pressed={point === p.id}
            aria-label={`${p.label}, ${p.atMetres} m${open ? ", cover off" : ""}${leads.length ? `, lead ${leads.join(" and ")}` : ""}`}
            onClick={() => onPoint(point === p.id ? null : p.id)}
            className={classes(
              "relative flex min-h-14 min-w-[5.5rem] flex-1 flex-col items-center px-1 pb-1 text-[13px]",
              point === p.id ? "bg-work-soft" : "hover:bg-work-soft",
            )}
          >
            <svg
              viewBox="0 0 100 26"
              className="-mx-1 h-6 w-[calc(100%+0.5rem)]"
              preserveAspectRatio="none"
              aria-hidden="true"
            >
              <path
                d="M0 13h100"
                stroke="var(--ink)"
                strokeWidth={p.track ? 1.6 : 3}
                strokeDasharray={p.track ? "6 4" : undefined}
                vectorEffect="non-scaling-stroke"
              />
            </svg>
            <Flow path={path} circuit={circuit.id} point={p.id} />
            <span
              aria-hidden="true"
              className={classes(
                "absolute top-1 grid h-4.5 w-4.5 place-items-center rounded-full border-[3px]",
                open ? "border-work bg-sheet" : "border-ink bg-ink",
              )}
            />
            {leads.length > 0 && (
              <span
                aria-hidden="true"
                className="absolute top-0 right-2 rounded-full bg-plum px-1.5 text-[12px] font-bold text-sheet"
              >
                {leads.join(" ")}
              </span>
            )}
            <span className={classes(point === p.id && "font-bold")}>{p.label}</span>
            <span className="text-ink2 tabular-nums">{p.atMetres} m</span>
          </button>
        );
      })}
      {circuit.ring && (
        <span className="flex min-h-14 min-w-[5.5rem] flex-1 flex-col text-center text-[13px] text-ink2">
          <svg
            viewBox="0 0 100 26"
            className="-mx-1 h-6 w-[calc(100%+0.25rem)]"
            preserveAspectRatio="none"
            aria-hidden="true"
          >
            <path d="M0 13h96" stroke="var(--ink)" strokeWidth="3" vectorEffect="non-scaling-stroke" />
            <path d="M97 0v26" stroke="var(--ink)" strokeWidth="10" vectorEffect="non-scaling-stroke" />
          </svg>
          <Flow path={path} circuit={circuit.id} point="" />
          <span>back to the board</span>
        </span>
      )}
    </div>
  );
}

const ORDER = ["line", "l1", "l2", "l3", "switched-line", "strapper-1", "strapper-2", "neutral", "cpc"];

/** What of 1 A flows in each conductor of the run to a point: a bar as long as its share. */
function Flow({ path, circuit, point }: { path: Current; circuit: string; point: string }) {
  if (!path) return null;
  const legs = path.legs
    .filter((l) => l.run && l.circuit === circuit && l.point === point)
    .sort((a, b) => ORDER.indexOf(a.conductor) - ORDER.indexOf(b.conductor));
  if (legs.length === 0) return null;
  return (
    <span className="block w-full px-0.5 pb-0.5">
      {legs.map((l) => (
        <span
          key={l.conductor}
          className="flex items-center gap-1 text-[11px] leading-3.5 text-work tabular-nums"
        >
          <span
            aria-hidden="true"
            className="h-1.5 rounded-sm bg-work"
            style={{ width: `${Math.round(Math.min(1, l.amps) * 42)}px` }}
          />
          {l.conductor === "cpc" ? "E" : l.conductor.charAt(0).toUpperCase()} {l.amps.toFixed(2)}
        </span>
      ))}
    </span>
  );
}

function Accessory({ point, bench }: { point: PointShown; bench: Bench }) {
  const open = bench.state.rig.coversOff.includes(point.cover);
  const of = (...groups: PlaceShown["group"][]) => point.places.filter((p) => groups.includes(p.group));
  const frontOpen = of("FRONT").some((p) => p.id) && point.places.length > 0;
  return (
    <section aria-label={point.label} className="border-2 border-work p-3">
      <div className="mb-2 flex flex-wrap items-center gap-2">
        <h3 className="mr-2 font-bold">{point.label}</h3>
        {point.controls.map((c) => (
          <Control key={c.id} control={c} bench={bench} />
        ))}
        <CoverButton cover={point.cover} bench={bench} what="Cover" />
      </div>
      <div className="flex flex-wrap gap-x-6 gap-y-3">
        {frontOpen && <Spots label="Front" places={of("FRONT")} bench={bench} />}
        <Spots label="Metal" places={of("METAL")} bench={bench} />
        {open && (
          <>
            <Spots label="Terminals behind" places={of("BEHIND")} bench={bench} />
            <Spots label="Cable from the board" places={of("INCOMING_CABLE")} bench={bench} />
            <Spots label="Cable going on" places={of("OUTGOING_CABLE")} bench={bench} />
            <Spots label="Cable of a branch" places={of("DEPARTING_CABLE")} bench={bench} />
          </>
        )}
      </div>
    </section>
  );
}

const OPERATED: Record<ControlShown["kind"], (label: string, on: boolean, runs: boolean) => string> = {
  MAIN_SWITCH: (_, on) => (on ? "Main switch: on" : "Main switch: off"),
  SECTION: (label, on) => `${label}: ${on ? "on" : "off"}`,
  DEVICE: (label, on) => `${label}: ${on ? "on" : "off"}`,
  ISOLATOR: (_, on) => `Isolator: ${on ? "on" : "off"}`,
  TIMER: (_, on) => `Timer: ${on ? "on" : "off"}`,
  LIGHT_SWITCH: (_, on) => (on ? "Switch: as found" : "Switch: operated"),
  LOAD: (label, on, runs) => `${label}: ${on ? (runs ? "in, running" : "in, not running") : "out"}`,
  SURGE: (_, on) => `Surge protection: ${on ? "in" : "out"}`,
  TEST_BUTTON: (label) => `Test button, ${label}`,
};

/** A switch, a load, a button: says how it stands; a press changes it. What tripped is put on again. */
function Control({ control, bench }: { control: ControlShown; bench: Bench }) {
  const on = bench.state.rig.on.includes(control.id);
  const tripped = bench.state.rig.tripped.find((t) => t.control === control.id);
  if (tripped) {
    return (
      <Button
        disabled={bench.shut}
        className="!border-caution !text-caution"
        onClick={() => bench.practice.deed({ verb: "RESET", at: tripped.device })}
      >
        ▼ {tripped.label} tripped: put it on
      </Button>
    );
  }
  return (
    <Button
      disabled={bench.shut}
      className={classes(!on && control.kind !== "TEST_BUTTON" && "!border-dashed !text-ink2")}
      onClick={() => bench.practice.deed({ verb: "OPERATE", at: control.id })}
    >
      {OPERATED[control.kind](control.label, on, bench.state.rig.running.includes(control.id))}
    </Button>
  );
}

function CoverButton({ cover, bench, what }: { cover: string; bench: Bench; what: string }) {
  const off = bench.state.rig.coversOff.includes(cover);
  return (
    <Button
      disabled={bench.shut}
      aria-pressed={off}
      onClick={() => bench.practice.deed({ verb: "COVER", at: cover })}
    >
      {off ? `${what}: off` : `${what}: on`}
    </Button>
  );
}
