import { queryOptions, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { useInterval } from "../../api/changes";
import { api, data, deed, type Schemas } from "../../api/client";
import { BayMark, bayColour } from "../../ui/BayMark";
import { Button } from "../../ui/Button";
import { classes } from "../../ui/classes";
import { Loaded, ProblemNote } from "../../ui/States";
import { clock } from "../../ui/when";
import { HaltDialog, listOf, MakeSafe, MorePane, PausePane, StageClock, useTick } from "../conduct";
import { GoLive } from "../live";
import { BayStrip } from "./BayStrip";
import { Broken, BrokenSafety } from "./Broken";
import { ProcedureLine } from "./ProcedureLine";
import { SafetyStop, Stopping } from "./SafetyStop";
import { StepPane } from "./StepPane";
import { newer, received, type TapState, type WatchView, withTaps } from "./taps";
import { useTaps } from "./useTaps";

export type WatchStep = Schemas["WatchStep"];

/** Asks only whether there is something newer than what is shown: an answer without a body keeps it. */
const watch = (id: string, shown: () => WatchView | undefined) =>
  queryOptions({
    queryKey: ["assessment", id, "watch"] as const,
    queryFn: async ({ signal }) => {
      const has = shown();
      const view = await data(
        api.GET("/api/assessments/{id}/watch", {
          signal,
          params: { path: { id }, query: has ? { seq: has.seq, box: has.box } : {} },
        }),
      );
      if (!view && !has) return received(await whole(id));
      // a tap may have been answered meanwhile: what is newer stays
      const now = shown() ?? has;
      return view && view.seq >= (now?.seq ?? 0) ? received(view) : (now as WatchView);
    },
  });

async function whole(id: string): Promise<Schemas["WatchView"]> {
  return data(api.GET("/api/assessments/{id}/watch", { params: { path: { id } } }));
}

interface Props {
  id: string;
  bay: { number: number; rig: string; candidate: string };
}

/** A candidate at work, for somebody on their feet: the procedure as a line, what is next at the thumb. */
export function WatchStage({ id, bay }: Props) {
  const client = useQueryClient();
  const query = watch(id, () => client.getQueryData<WatchView>(["assessment", id, "watch"]));
  const view = useQuery({ ...query, refetchInterval: useInterval(2000) });
  const [chosen, setChosen] = useState<string>();
  const [begun, setBegun] = useState<string>();
  const [folded, setFolded] = useState(false);
  const [halting, setHalting] = useState(false);
  const [going, setGoing] = useState(false);
  // what is shown stays until somebody goes on: nothing jumps away under a thumb
  const first = view.data && (view.data.steps.find((s) => s.next) ?? view.data.steps[0]);
  if (begun === undefined && first) setBegun(first.id);
  const params = { path: { id } };
  const keep = (v: Schemas["WatchView"]) => client.setQueryData(query.queryKey, newer(v));
  const { taps, state, stops, stopping } = useTaps(id, query.queryKey);
  const undo = useMutation({
    mutationFn: () =>
      deed(["watch/undo", id], (eventId) =>
        data(api.POST("/api/assessments/{id}/watch/undo", { params, body: { eventId } })),
      ),
    onSuccess: keep,
  });
  const end = useMutation({
    mutationFn: () =>
      deed(["watch/end", id], (eventId) =>
        data(api.POST("/api/assessments/{id}/watch/end", { params, body: { eventId } })),
      ),
    onSuccess: async (v) => {
      keep(v);
      await client.invalidateQueries({ queryKey: ["assessment", id] });
    },
  });
  return (
    <Loaded query={view}>
      {(kept) => {
        const w = withTaps(kept, state.pending);
        const next = w.steps.find((s) => s.next);
        const shown = w.steps.find((s) => s.id === (chosen ?? begun)) ?? next ?? w.steps[0];
        const ready = listOf(w.conduct.lists, "READY");
        const halted = w.open && !w.stop && w.conduct.clock.state === "HALTED";
        const working = w.open && !w.stop && !halted;
        return (
          <div className="border-l-8 pl-3 text-[18px]" style={{ borderColor: bayColour(bay.number) }}>
            <BayStrip here={bay.number} />
            {w.box && (
              <p
                role="alert"
                className={classes(
                  "mt-2 border-l-8 p-3",
                  w.live ? "border-danger bg-danger-soft" : "border-caution bg-caution-soft",
                )}
              >
                <b>{w.box}</b>{" "}
                {w.live
                  ? "The rig is LIVE: stop the work by voice, make the rig dead, then look at the box."
                  : "Keep the rig dead and find out why. What is read meanwhile costs the candidate nothing."}
              </p>
            )}
            {w.relaysOutSince && (
              <p role="alert" className="mt-2 border-l-4 border-caution bg-caution-soft p-3">
                <b>The fault box let its relays go at {clock(w.relaysOutSince)}.</b> What is read since then
                is of a rig without these faults, and counts as such. With the rig dead,{" "}
                <Link className="underline" to={`/assessments/${id}/set`}>
                  arm the box again
                </Link>
                .
              </p>
            )}
            <div className="sticky top-0 z-10 flex flex-wrap items-center gap-x-3 gap-y-1 bg-ground py-2">
              <BayMark number={bay.number} />
              {w.openedAt ? (
                <StageClock clock={w.conduct.clock} live={w.live} receivedAt={w.receivedAt} />
              ) : (
                <span className="text-ink2">not begun</span>
              )}
              <RigNow view={w} />
              <Saved state={state} stops={stopping.pending.length} />
              <span className="ml-auto flex flex-wrap items-center gap-1">
                <Button
                  kind="quiet"
                  large
                  className="!px-3"
                  disabled={!w.undo || undo.isPending}
                  onClick={() => undo.mutate()}
                >
                  Take back
                </Button>
                <Button
                  kind="quiet"
                  large
                  className="!px-3"
                  aria-pressed={folded}
                  onClick={() => setFolded(!folded)}
                >
                  {folded ? "Show signs" : "Fold signs"}
                </Button>
                {working && (
                  <Button large className="!px-3" onClick={() => setHalting(true)}>
                    Stop the clock
                  </Button>
                )}
                {w.open && !w.stop && <SafetyStop onStop={(what) => stops.write({ what })} />}
              </span>
            </div>
            {w.live && (
              <p className="text-[16px] font-semibold text-caution">
                Live: supervised only, your whole attention. Fused probes, covers on, bystanders out.
              </p>
            )}
            <BrokenSafety lines={w.broken} />
            <Stopping
              state={stopping}
              onAgain={(what) => stops.write({ what })}
              onSeen={() => stops.dismiss()}
            />
            {state.refused.length > 0 && (
              <div className="my-2 flex flex-wrap items-center gap-3">
                <ProblemNote error={state.refused[0]?.error} />
                <Button large onClick={() => taps.dismiss()}>
                  I have read it
                </Button>
              </div>
            )}
            <ProblemNote error={undo.error} />
            <LeftEmpty lists={w.conduct.lists} />
            {working && !ready.complete && <NotConfirmed id={id} ready={ready} candidate={bay.candidate} />}
            {w.stop && w.open && (
              <MakeSafe
                id={id}
                conduct={w.conduct}
                stop={w.stop}
                live={w.live}
                ending={end.isPending}
                endError={end.error}
                onEnd={() => end.mutate()}
              />
            )}
            {halted && (
              <div className="mb-3">
                <PausePane id={id} conduct={w.conduct} />
              </div>
            )}
            {w.asksToGoLive && working && !going && !w.live && (
              <p
                role="alert"
                className="mb-2 flex flex-wrap items-center gap-4 border-l-8 border-caution bg-caution-soft p-3"
              >
                <b className="text-[20px]">{bay.candidate} asks to go live.</b>
                <Button kind="main" large onClick={() => setGoing(true)}>
                  Look, then decide
                </Button>
              </p>
            )}
            {going && !w.live && (
              <GoLive id={id} onBack={() => setGoing(false)} onLive={() => setGoing(false)} />
            )}
            {/* going live is a moment of its own: nothing else is tapped meanwhile */}
            {!(going && !w.live) && (
              <>
                <ProcedureLine
                  steps={w.steps}
                  chosen={shown?.id ?? ""}
                  stopped={w.stop !== null}
                  onChoose={setChosen}
                />
                <div className="mt-3 grid grid-cols-[minmax(0,1fr)] items-start gap-3 lg:grid-cols-[minmax(0,1.6fr)_minmax(0,1fr)]">
                  <div className="space-y-3">
                    {shown && (
                      <StepPane
                        key={shown.id}
                        step={shown}
                        bay={bay.number}
                        folded={folded}
                        onTap={(o) => taps.write({ kind: "seen", ...o })}
                        onAsk={(q) => taps.write({ kind: "asked", ...q })}
                        next={next && next.id !== shown.id ? next.title : undefined}
                        onNext={() => setChosen(next?.id)}
                        onStop={working ? (what) => stops.write({ what }) : undefined}
                      />
                    )}
                    <Broken lines={w.broken} />
                  </div>
                  <div className="space-y-3">
                    {/* a live rig is made dead from here, whatever else is shown */}
                    {w.live && <GoLive id={id} />}
                    {working && !w.live && (
                      <p className="flex flex-wrap items-center gap-x-4 gap-y-2 border border-line bg-sheet p-3">
                        <Button large onClick={() => setGoing(true)}>
                          Go live…
                        </Button>
                        <span className="text-[16px] text-ink2">
                          {w.filled} of {w.boxes} boxes ·{" "}
                          {w.reports === 1 ? "1 fault named" : `${w.reports} faults named`}
                          {ready.complete ? " · confirmed by the candidate" : ""}
                        </span>
                      </p>
                    )}
                    <NotAsked steps={w.steps} urgent={w.open && isNearlyDone(w)} onChoose={setChosen} />
                    <MorePane id={id} conduct={w.conduct} />
                  </div>
                </div>
              </>
            )}
            <HaltDialog
              id={id}
              conduct={w.conduct}
              steps={w.steps.filter((s) => s.boxes > 0)}
              open={halting}
              onClose={() => setHalting(false)}
            />
          </div>
        );
      }}
    </Loaded>
  );
}

/** What is true of the rig, as far as the record says. */
function RigNow({ view }: { view: WatchView }) {
  if (view.live) {
    return <span className="bg-caution px-3 py-1 text-[20px] font-bold text-sheet">LIVE</span>;
  }
  if (view.dead === "READ_UNPROVED") {
    return (
      <span role="alert" className="bg-danger px-3 py-1 text-[18px] font-bold text-sheet">
        NOT PROVED DEAD, and readings are written
      </span>
    );
  }
  return (
    <span className="text-[16px] text-ink2">
      {view.lockedOff ? "locked off" : "not locked off"} ·{" "}
      {view.dead === "PROVED" ? "proved dead" : "not proved dead yet"}
    </span>
  );
}

/** What was not looked at before the day is told for as long as the work lasts. */
function LeftEmpty({ lists }: { lists: Schemas["ListView"][] }) {
  const left = listOf(lists, "PREPARE").items.filter((i) => i.ticked === null);
  if (left.length === 0) return null;
  return (
    <details className="mb-2 text-[16px] text-ink2">
      <summary className="min-h-10 py-2">
        <b className="text-caution">△</b> {left.length} of the checks before the day{" "}
        {left.length === 1 ? "is" : "are"} left empty
      </summary>
      <ul className="list-disc pl-6">
        {left.map((i) => (
          <li key={i.id}>{i.words}</li>
        ))}
      </ul>
    </details>
  );
}

/** The clock waits for the candidate. Who works from paper confirms by word of mouth. */
function NotConfirmed({
  id,
  ready,
  candidate,
}: {
  id: string;
  ready: Schemas["ListView"];
  candidate: string;
}) {
  const tick = useTick(id);
  return (
    <div className="mb-2 flex flex-wrap items-center gap-x-4 gap-y-2 border-l-8 border-caution bg-caution-soft p-3">
      <span className="min-w-0 flex-1">
        <b>{candidate} has not confirmed yet.</b> The clock has not started, and the sheet takes nothing
        before it. It is asked on the sheet.
      </span>
      <Button
        large
        disabled={tick.isPending}
        onClick={() =>
          ready.items
            .filter((i) => i.ticked === null)
            .forEach((i) => tick.mutate({ list: "READY", item: i.id, on: true }))
        }
      >
        Confirmed by word of mouth
      </Button>
      <ProblemNote error={tick.error} />
    </div>
  );
}

/** Nothing but the last of the boxes is open, or the last station is reached. */
function isNearlyDone(w: WatchView): boolean {
  const last = w.steps.at(-1);
  return w.filled >= 0.9 * w.boxes || (last !== undefined && last.state !== "OPEN");
}

/** Questions that this person is to be asked and was not: told before the sheet is in. */
function NotAsked({
  steps,
  urgent,
  onChoose,
}: {
  steps: WatchStep[];
  urgent: boolean;
  onChoose: (step: string) => void;
}) {
  const left = steps
    .map((s) => ({ step: s, count: s.questions.filter((q) => q.drawn && q.said === null).length }))
    .filter((l) => l.count > 0);
  const all = left.reduce((sum, l) => sum + l.count, 0);
  if (all === 0) return null;
  return (
    <details
      open={urgent}
      className={classes("border p-3", urgent ? "border-caution bg-caution-soft" : "border-line bg-sheet")}
    >
      <summary className="min-h-10 py-1 text-[17px]">
        {urgent ? <b>Before the sheet is handed in: </b> : null}
        {all === 1 ? "1 question is not asked yet" : `${all} questions are not asked yet`}
      </summary>
      <ul className="mt-1 flex flex-wrap gap-2">
        {left.map((l) => (
          <li key={l.step.id}>
            <Button large onClick={() => onChoose(l.step.id)}>
              {l.step.title}: {l.count}
            </Button>
          </li>
        ))}
      </ul>
    </details>
  );
}

/** Always in sight: whether what was tapped has arrived. */
function Saved({ state, stops }: { state: TapState; stops: number }) {
  const count = state.pending.length + stops;
  const words =
    state.waiting === "owner"
      ? `Signed out: ${count} kept here, sent when you sign in again`
      : state.waiting
        ? `No connection: ${count} kept here, sent when it is back`
        : count > 0
          ? "Saving…"
          : "Saved";
  return (
    <span
      role="status"
      className={`text-[16px] ${state.waiting ? "font-semibold text-caution" : "text-ink2"}`}
    >
      {words}
    </span>
  );
}
