import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useParams } from "react-router";
import { type Dot, ProfilePicture } from "../../pictures";
import { Button } from "../../ui/Button";
import { Dialog } from "../../ui/Dialog";
import { Loaded, ProblemNote } from "../../ui/States";
import { Pane } from "../../ui/Pane";
import { useShortcuts } from "../../ui/useShortcuts";
import { Boxes } from "./Boxes";
import { Coach, sign } from "./Coach";
import { Faults } from "./Faults";
import { type Opened, practiceQueries } from "./queries";
import { Result } from "./Result";
import { Rig } from "./Rig";
import { Tester } from "./Tester";
import { type Bench, useBench } from "./useBench";
import { usePractice } from "./usePractice";
import { clock, wayLabel } from "./words";

/** The rig, the tester and what is said beside it. */
export function PracticeBench() {
  const { id = "" } = useParams();
  return (
    <Loaded query={useQuery(practiceQueries.one(id))}>{(opened) => <Going id={id} opened={opened} />}</Loaded>
  );
}

function Going({ id, opened }: { id: string; opened: Opened }) {
  const practice = usePractice(id, opened);
  const bench = useBench(opened, practice);
  const [asking, setAsking] = useState(false);
  const [showing, setShowing] = useState(false);
  const { state } = opened;
  const told = opened.way !== "ALONE" || state.ended;
  const path = useQuery({
    ...practiceQueries.path(id, state.deedCount),
    enabled: showing && told && state.tester.shown !== null,
  });
  const box = state.boxes.find((b) => b.id === state.box);
  const shown = state.tester.shown?.replace("\u2009", " ");
  useShortcuts(
    state.ended
      ? {}
      : {
          u: practice.undo,
          t: () => practice.deed(box?.byEye ? { verb: "LOOK", at: state.box } : { verb: "TAKE_READING" }),
          w: () => shown && practice.write({ box: state.box, text: shown }),
          d: () => state.next && practice.deed({ verb: "NEXT", at: state.box }),
          1: () => bench.chosen && bench.lead(0, bench.chosen),
          2: () => bench.chosen && bench.lead(1, bench.chosen),
          3: () => bench.chosen && bench.lead(2, bench.chosen),
          Escape: bench.leave,
        },
  );
  const facts = [
    state.facts.isolated && "main switch off",
    state.facts.locked && "locked",
    state.facts.provedDead && "proved dead",
    !state.facts.isolated && !state.facts.closedUp && "live and open",
    state.facts.indicatorProved && !state.facts.provedDead && "indicator proved",
  ].filter(Boolean);

  return (
    <div className="space-y-3">
      <header className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <h1 className="text-[20px] font-bold">
          <Link to="/practice" className="hover:underline">
            Practice
          </Link>{" "}
          · {opened.rig}
        </h1>
        <span className="text-ink2">
          {opened.drill?.title ?? PURPOSE[opened.purpose]}, {wayLabel(opened.way).toLowerCase()}
        </span>
        <span className="ml-auto font-semibold text-work">{facts.join(" · ") || "in service"}</span>
        <span className="text-ink2 tabular-nums" aria-label="Time at the rig">
          {clock(state.tester.seconds)}
        </span>
        {!state.ended && (
          <>
            <Button shortcut="U" disabled={state.deedCount === 0} onClick={practice.undo}>
              Take back
            </Button>
            <Button onClick={() => setAsking(true)}>Finish…</Button>
          </>
        )}
      </header>
      <p className="text-[14px] text-ink2">
        A simulated rig. On a real one: isolate, lock off and prove dead first; live work only supervised and
        with permission; local rules and licensed practice come first.
      </p>
      <ProblemNote error={practice.error} />
      {state.replay && <Replay replay={state.replay} />}
      {state.result && <Result result={state.result} />}
      <div className="grid gap-3 lg:grid-cols-[minmax(0,1fr)_340px]">
        <div className="min-w-0">
          <div className="sticky top-0 z-10 mb-3 max-h-[45vh] overflow-auto">
            <Coach bench={bench} way={opened.way} box={state.box} />
          </div>
          <Rig bench={bench} layout={opened.layout} path={showing ? (path.data?.path ?? null) : null} />
          <Chosen bench={bench} />
          {told && box?.point && <Profile id={id} bench={bench} />}
        </div>
        <div className="min-w-0 space-y-3">
          <Tester
            bench={bench}
            functions={opened.layout.functions}
            path={
              told ? { shown: showing, toggle: () => setShowing(!showing), data: path.data ?? null } : null
            }
          />
          <Boxes bench={bench} />
          {opened.namesFaults && <Faults bench={bench} naming={opened.naming} />}
        </div>
      </div>
      <Pane title="Done">
        {state.log.length === 0 ? (
          <p className="text-ink2">Nothing yet. Press a place on the rig, or operate something.</p>
        ) : (
          <ol className="columns-1 gap-8 text-[14px] md:columns-2">
            {state.log.map((line, i) => (
              <li key={i} className="break-inside-avoid">
                {line.words}
                {line.kind && line.kind !== "NOTE" && line.kind !== "RIGHT" && (
                  <b className="text-caution"> {sign(line.kind)}</b>
                )}
              </li>
            ))}
          </ol>
        )}
      </Pane>
      <Dialog
        open={asking}
        onClose={() => setAsking(false)}
        title="Finish this practice?"
        about={`${state.boxes.filter((b) => b.written === null).length} of ${state.boxes.length} readings are not written. What was on the rig is told then.`}
      >
        <div className="flex justify-end gap-2">
          <Button kind="quiet" onClick={() => setAsking(false)}>
            Go on
          </Button>
          <Button
            kind="main"
            onClick={() => {
              setAsking(false);
              practice.finish();
            }}
          >
            Finish
          </Button>
        </div>
      </Dialog>
    </div>
  );
}

const PURPOSE: Record<Opened["purpose"], string> = {
  OWN: "the whole sequence",
  TRIED: "a set tried",
  REPLAY: "a record gone through",
};

/** What stands in the record at this box, and what must have been left out for it. */
function Replay({ replay }: { replay: NonNullable<Opened["state"]["replay"]> }) {
  return (
    <Pane title="What stands in the record" wall="plum">
      <p>
        <b className="text-[20px] tabular-nums">{replay.written}</b>
      </p>
      {replay.leftOut.length > 0 ? (
        <p>
          The rig shows {replay.wouldShow} when one thing is left out: <b>{replay.leftOut.join("; ")}</b>.
          Press <b>Do it for me</b> to see it step by step.
        </p>
      ) : (
        <p>Leaving one step out does not give this figure. The steps shown are those the scheme asks for.</p>
      )}
    </Pane>
  );
}

/** The readings of one kind along the circuit: a sound rig's, and the learner's own. */
function Profile({ id, bench }: { id: string; bench: Bench }) {
  const { boxes, box } = bench.state;
  const [open, setOpen] = useState(false);
  const written = boxes.filter((b) => b.written !== null).length;
  const profile = useQuery({ ...practiceQueries.profile(id, box, written), enabled: open }).data?.profile;
  return (
    <details onToggle={(e) => setOpen(e.currentTarget.open)} className="mt-3 border border-line bg-sheet p-3">
      <summary className="min-h-8 font-bold">Along the circuit</summary>
      {profile ? (
        <>
          <p className="text-[13px] text-ink2">Dashed: a sound rig. ◆ ▲ ▼ what you wrote.</p>
          <ProfilePicture
            curve={profile.curve}
            circuit={profile.circuit}
            dots={profile.dots as Dot[]}
            showFaulted={false}
            faultsAt={new Set()}
          />
        </>
      ) : (
        <p className="text-ink2">This reading is not taken along a circuit.</p>
      )}
    </details>
  );
}

/** What can be done with the chosen place; stays in sight while one looks around. */
function Chosen({ bench }: { bench: Bench }) {
  const id = bench.chosen;
  const place = id ? bench.places.get(id) : undefined;
  if (!id || !place) return null;
  const { rig, tester } = bench.state;
  const out = rig.out.includes(id);
  const moved = rig.moved.some((m) => m.end === id);
  return (
    <div
      role="region"
      aria-label="Chosen place"
      className="sticky bottom-0 z-10 mt-3 border-2 border-work bg-sheet p-3"
    >
      <p className="mb-2">
        <b>{place.label}</b>
        {bench.asking === "join" && ": choose where it is joined to."}
        {bench.asking === "move" && ": choose where it goes."}
      </p>
      <div className="flex flex-wrap gap-2">
        {[0, 1, 2].map((n) =>
          n > tester.probes.length ? null : (
            <Button key={n} shortcut={String(n + 1)} onClick={() => bench.lead(n, id)}>
              Lead {n + 1} here
            </Button>
          ),
        )}
        {place.end && !out && (
          <Button onClick={() => bench.practice.deed({ verb: "TAKE_OUT", places: [id] })}>Take it out</Button>
        )}
        {place.end && (out || moved) && (
          <Button onClick={() => bench.practice.deed({ verb: "PUT_BACK", places: [id] })}>
            Put it back, tight
          </Button>
        )}
        {place.end && (
          <Button aria-pressed={bench.asking === "move"} onClick={() => bench.ask("move")}>
            Move it to…
          </Button>
        )}
        <Button aria-pressed={bench.asking === "join"} onClick={() => bench.ask("join")}>
          Join it to…
        </Button>
        {bench.joinedWith(id).map((other) => (
          <Button key={other} onClick={() => bench.practice.deed({ verb: "UNLINK", at: id, to: other })}>
            Off the {bench.label(other)}
          </Button>
        ))}
        <Button kind="quiet" shortcut="Esc" onClick={bench.leave}>
          Leave it
        </Button>
      </div>
    </div>
  );
}
