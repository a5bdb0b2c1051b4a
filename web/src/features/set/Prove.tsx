import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import type { Schemas } from "../../api/client";
import { GoLive } from "../live";
import { CheckList, HypothesesPane, UnplugBox } from "../proof";
import { Button } from "../../ui/Button";
import { Chip } from "../../ui/Chip";
import { Pane } from "../../ui/Pane";
import { Loaded, ProblemNote } from "../../ui/States";
import { clock } from "../../ui/when";
import { setQueries, useProofWrites } from "./queries";

interface Props {
  id: string;
  /** back to choosing */
  onChange: () => void;
}

/** Setting the faults on the rig, by box and by hand, and proving them with the fewest readings. */
export function Prove({ id, onChange }: Props) {
  const proof = useQuery(setQueries.proof(id));
  return <Loaded query={proof}>{(view) => <ProveWork id={id} view={view} onChange={onChange} />}</Loaded>;
}

function ProveWork({ id, view, onChange }: Props & { view: Schemas["ProofView"] }) {
  const writes = useProofWrites(id);
  const navigate = useNavigate();
  const locked = view.lockedOffAt !== null;
  const [going, setGoing] = useState(false);
  const live = view.checks.filter((c) => c.live);
  const dead = view.checks.filter((c) => !c.live);
  const deadOnly = view.steps.some((s) => s.deadOnly);
  const byBox = view.steps.filter((s) => s.how === "box");
  return (
    <div className="grid items-start gap-3 lg:grid-cols-2">
      <div className="space-y-3">
        {(byBox.length > 0 || (view.box && (view.box.closed.length > 0 || view.box.matter))) && (
          <BoxPane
            id={id}
            box={view.box}
            steps={byBox}
            disabled={!locked || (view.sheetOpen && view.relaysOutSince === null)}
            mayRelease={!view.sheetOpen}
            outSince={view.sheetOpen ? view.relaysOutSince : null}
            busy={writes.arm.isPending || writes.release.isPending}
            onArm={() => writes.arm.mutate()}
            onRelease={() => writes.release.mutate()}
            error={writes.arm.error ?? writes.release.error}
          />
        )}
        <Pane title="Set by hand" aside="in order round the rig">
          {view.steps.every((s) => s.how === "box") && (
            <p className="text-ink2">
              {view.steps.length === 0
                ? "No fault is chosen: the rig stays healthy."
                : "Nothing: the box does it all."}
            </p>
          )}
          <ol className="divide-y divide-line">
            {view.steps
              .filter((s) => s.how !== "box")
              .map((s) => (
                <HandStep
                  key={s.index}
                  step={s}
                  writing={writes.handled.isPending ? writes.handled.variables : undefined}
                  disabled={!locked || view.sheetOpen || writes.handled.isPending}
                  onTick={(what, done) => writes.handled.mutate({ fault: s.index, what, done })}
                />
              ))}
          </ol>
          <ProblemNote error={writes.handled.error} />
          {!view.sheetOpen && (
            <Button kind="quiet" onClick={onChange}>
              Change the set
            </Button>
          )}
        </Pane>
        <Pane>
          <p id="why-not" className="mb-2 text-ink2">
            {view.mayOpen
              ? `${view.steps.length === 0 ? "The rig is proved healthy." : "All faults are proved set."} Brief the candidate and agree permission first.`
              : view.whyNotOpen}
          </p>
          <Button
            kind="main"
            large
            disabled={!view.mayOpen || writes.open.isPending}
            aria-describedby="why-not"
            onClick={() =>
              writes.open.mutate(undefined, { onSuccess: () => void navigate(`/assessments/${id}/watch`) })
            }
          >
            Open the candidate’s sheet
          </Button>
          <ProblemNote error={writes.open.error} />
        </Pane>
      </div>
      <div className="space-y-3">
        <Pane
          title="Prove it is set"
          aside={
            view.checks.length === 0
              ? undefined
              : view.healthySince
                ? "proved already"
                : view.checks.length === 1
                  ? "one reading tells"
                  : `${view.checks.length} readings tell`
          }
        >
          {view.checks.length === 0 && <p className="text-ink2">No reading is needed.</p>}
          {view.healthySince && (
            <p>
              <b>No reading is needed:</b> the rig was proved healthy at {clock(view.healthySince)}, when the
              last sitting on it was cleared, and nothing was set since. Whoever doubts it measures all the
              same.
            </p>
          )}
          {!locked && <p className="mb-2 text-caution">Lock off first, set the faults, then measure.</p>}
          {live.length > 0 && (
            <>
              <h3 className="flex flex-wrap items-center gap-2 font-bold">
                With the supply on{deadOnly ? ", first" : ""} <Chip tone="caution">live</Chip>
              </h3>
              <p className="text-[15px]">
                {deadOnly
                  ? "Before any fault that is dead only goes in: set the others, make the rig live through its gate, read, make it dead again."
                  : "Make the rig live through its gate, read, make it dead again."}
              </p>
              <CheckList
                id={id}
                checks={live}
                simulated={view.simulated}
                disabled={view.sheetOpen || !locked || !view.live}
                onCheck={(slot, text) => writes.reading.mutate({ slot, text })}
              />
              {!view.sheetOpen &&
                (view.live || going ? (
                  <GoLive id={id} onBack={() => setGoing(false)} onLive={() => setGoing(false)} />
                ) : (
                  live.some((c) => !c.fits) && (
                    <Button className="my-2" disabled={!locked} onClick={() => setGoing(true)}>
                      Go live to prove it…
                    </Button>
                  )
                ))}
              {dead.length > 0 && (
                <h3 className="mt-3 flex flex-wrap items-center gap-2 font-bold">
                  Dead, locked off <Chip>dead</Chip>
                </h3>
              )}
            </>
          )}
          <CheckList
            id={id}
            checks={dead}
            simulated={view.simulated}
            disabled={view.sheetOpen || !locked || view.live}
            onCheck={(slot, text) => writes.reading.mutate({ slot, text })}
          />
          <ProblemNote error={writes.reading.error} />
          {!view.fewest && (
            <p className="mt-2 text-[13px] text-ink2">
              With so many faults not every combination was compared: fewer readings might do.
            </p>
          )}
          {view.notTold.length > 0 && (
            <details className="mt-2 text-[13px] text-ink2">
              <summary>
                {view.notTold.length} other faults read the same: no reading can tell them from these
              </summary>
              <ul className="ml-4 list-disc">
                {view.notTold.slice(0, 12).map((n) => (
                  <li key={n}>{n}</li>
                ))}
              </ul>
            </details>
          )}
        </Pane>
        <HypothesesPane hypotheses={view.hypotheses} />
      </div>
    </div>
  );
}

interface BoxProps {
  id: string;
  box: Schemas["BoxView"] | null;
  steps: Schemas["SetStep"][];
  disabled: boolean;
  mayRelease: boolean;
  /** since when the box has let go of the set while the candidate was at work */
  outSince: string | null;
  busy: boolean;
  onArm: () => void;
  onRelease: () => void;
  error: unknown;
}

/** The fault box: what it shall pull in, and what its contacts say. */
function BoxPane({
  id,
  box,
  steps,
  disabled,
  mayRelease,
  outSince,
  busy,
  onArm,
  onRelease,
  error,
}: BoxProps) {
  const wrong = box?.wrong ?? [];
  return (
    <Pane
      title="Fault box"
      aside={!box ? "none in this bay" : box.contact ? `answers, ${clock(box.heardAt)}` : "does not answer"}
      wall={!box || !box.contact || wrong.length > 0 ? "caution" : box.armed ? "plum" : undefined}
    >
      {!box && <p className="text-caution">This bay has no fault box: choose faults that are set by hand.</p>}
      {box?.says && <p className="font-semibold text-caution">△ {box.says}</p>}
      {outSince && (
        <p role="alert" className="font-semibold text-caution">
          △ The box let its relays go at {clock(outSince)}, while the candidate was at work. Readings since
          then are of a rig without these faults: this is recorded. With the rig dead, arm it again, or hand
          the sheet back.
        </p>
      )}
      {box?.matter && (
        <p role="alert" className="font-semibold text-caution">
          ✕ {box.matter}
          {wrong.length > 0 && " Release the box, look at it, and do not use it until it follows."}
        </p>
      )}
      {box?.mayUnplug && <UnplugBox id={id} />}
      <ul className="divide-y divide-line">
        {steps.map((s) => (
          <li key={s.index} className="flex items-center gap-3 py-2">
            <RelayLamp on={box?.closed.includes(s.relay) ?? false} />
            <span className="flex-1">
              <b>Relay {s.relay}</b> {s.title}, {s.place}
            </span>
            <Chip tone={s.state === "set" ? "plum" : s.state === "to do" ? "plain" : "caution"}>
              {s.state === "set" ? "in, read back" : s.state}
            </Chip>
          </li>
        ))}
      </ul>
      <div className="mt-2 flex gap-2">
        <Button kind="main" disabled={disabled || busy || !box || steps.length === 0} onClick={onArm}>
          {outSince ? "Arm it again" : "Arm the box"}
        </Button>
        <Button
          disabled={busy || !box || box.closed.length === 0 || disabled || !mayRelease}
          onClick={onRelease}
        >
          Release all relays
        </Button>
      </div>
      <ProblemNote error={error} />
    </Pane>
  );
}

function RelayLamp({ on }: { on: boolean }) {
  return (
    <svg width="30" height="16" viewBox="0 0 30 16" role="img" aria-label={on ? "pulled in" : "released"}>
      <path
        d={on ? "M1 8h28" : "M1 8h10M11 8L20 2M20 8h9"}
        stroke={on ? "var(--plum)" : "var(--ink2)"}
        strokeWidth="2.4"
        fill="none"
      />
      <circle cx="11" cy="8" r="2.4" fill={on ? "var(--plum)" : "var(--ink2)"} />
      <circle cx="20" cy="8" r="2.4" fill={on ? "var(--plum)" : "var(--ink2)"} />
    </svg>
  );
}

interface StepProps {
  step: Schemas["SetStep"];
  /** a tick that is under way */
  writing: { fault: number; what: "SET" | "SEEN"; done: boolean } | undefined;
  disabled: boolean;
  onTick: (what: "SET" | "SEEN", done: boolean) => void;
}

function HandStep({ step, writing, disabled, onTick }: StepProps) {
  // as recorded, or as it is being written: what is refused springs back
  const ticked = (what: "SET" | "SEEN", recorded: boolean) =>
    writing?.fault === step.index && writing.what === what ? writing.done : recorded;
  return (
    <li className="py-2">
      <label className="flex gap-3">
        <input
          type="checkbox"
          className="mt-0.5 size-6 accent-[var(--plum)]"
          checked={ticked("SET", step.state === "set")}
          disabled={disabled || step.how === "nothing"}
          onChange={(e) => onTick("SET", e.target.checked)}
        />
        <span>
          <b>{step.title}</b>, {step.place}
          <span className="block">
            {step.how === "nothing" ? (
              <span className="text-caution">
                Never wired by hand and no relay is mapped to it: take it out of the set.
              </span>
            ) : (
              step.instruction
            )}
          </span>
          {step.by && (
            <span className="block text-[13px] text-ink2">
              set by {step.by}, {clock(step.at)}
            </span>
          )}
        </span>
      </label>
      {step.look && (
        <label className="mt-1 ml-9 flex gap-3">
          <input
            type="checkbox"
            className="mt-0.5 size-6 accent-[var(--work)]"
            checked={ticked("SEEN", step.seen)}
            disabled={disabled}
            onChange={(e) => onTick("SEEN", e.target.checked)}
          />
          <span>Looked at: it can be seen. No reading proves this one.</span>
        </label>
      )}
    </li>
  );
}
