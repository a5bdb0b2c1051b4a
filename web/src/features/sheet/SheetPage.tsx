import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Tabs } from "radix-ui";
import { type ReactNode, useEffect, useState } from "react";
import { useParams } from "react-router";
import { api, data, newEventId, sentence } from "../../api/client";
import { Button } from "../../ui/Button";
import { Dialog } from "../../ui/Dialog";
import { Loaded, ProblemNote } from "../../ui/States";
import { clock } from "../../ui/when";
import { StageClock } from "../conduct";
import type { OutboxState } from "../../api/outbox";
import { sheetQueries, type SheetView } from "./queries";
import { boxesIn, nextStep, openIn, type Step } from "./boxes";
import { Confirm } from "./Confirm";
import { EntryBar } from "./EntryBar";
import { FaultReports } from "./FaultReports";
import { StepBoxes } from "./StepBoxes";
import { reportsWithPending, useSheet } from "./useSheet";

/** The candidate's own sheet: test by test, circuit by circuit, for a hand that is not free. */
export function SheetPage({ me }: { me: string }) {
  const { id = "" } = useParams();
  const { query, outbox, state } = useSheet(id, me);
  useStanding(id, query.data);
  const [shown, setShown] = useState("");
  return (
    <Loaded query={query}>
      {(view) => {
        const next = nextStep(view);
        const confirmed = view.open && view.conducted.ready.complete;
        const at = shown || next?.id || view.steps[0]?.id || FAULTS;
        return (
          <div className="mx-auto max-w-[1180px] text-[18px]">
            <SheetHead view={view} state={state} receivedAt={query.dataUpdatedAt} />
            <Refused state={state} onDismiss={() => outbox.dismiss()} />
            <Confirm id={id} view={view} />
            <Tabs.Root value={at} onValueChange={setShown}>
              <StepPicker view={view} at={at} onChoose={setShown} />
              <div className="mb-3 hidden items-end gap-3 border-b border-line sm:flex">
                {/* what only screen readers read stays inside: it made the page thousands of pixels wide */}
                <Tabs.List aria-label="Tests" className="relative flex min-w-0 flex-1 flex-wrap">
                  {view.steps.map((step) => (
                    <StepTab key={step.id} step={step} />
                  ))}
                  <Tab value={FAULTS}>Faults I found</Tab>
                </Tabs.List>
              </div>
              {view.steps.map((step) => (
                <Tabs.Content key={step.id} value={step.id}>
                  <StepBoxes
                    step={step}
                    view={view}
                    pending={state.pending}
                    onWrite={(w) => outbox.write(w)}
                  />
                </Tabs.Content>
              ))}
              <Tabs.Content value={FAULTS}>
                {view.reportDamaged && (
                  <p role="alert" className="mb-3 border-l-4 border-caution bg-caution-soft p-3">
                    What you named here before cannot be read any more. Name your faults again; your assessor
                    can see that it was so.
                  </p>
                )}
                <FaultReports
                  view={view}
                  reports={reportsWithPending(view, state.pending)}
                  onChange={(reports) => outbox.write({ kind: "reports", reports, basedOn: view.reportsSeq })}
                />
              </Tabs.Content>
            </Tabs.Root>
            {confirmed && <EntryBar sheet={view.conducted.fromTester ? id : undefined} />}
            {confirmed && (
              <HandIn
                id={id}
                view={view}
                unsent={state.pending.length}
                next={next && next.id !== at ? { label: next.label, go: () => setShown(next.id) } : undefined}
              />
            )}
          </div>
        );
      }}
    </Loaded>
  );
}

const FAULTS = "faults";

/** Looks at the sheet again when the bay went live, the sheet came back or was closed elsewhere. */
function useStanding(id: string, view: SheetView | undefined) {
  const client = useQueryClient();
  const standing = useQuery({ ...sheetQueries.standing(id), enabled: view !== undefined });
  const now = standing.data;
  const differs =
    view !== undefined &&
    now !== undefined &&
    (now.open !== view.open ||
      now.live !== view.live ||
      now.wasLive !== view.wasLive ||
      now.paused !== view.paused);
  useEffect(() => {
    if (differs) void client.invalidateQueries({ queryKey: sheetQueries.one(id).queryKey, exact: true });
  }, [differs, client, id]);
}

function Tab({ value, children }: { value: string; children: ReactNode }) {
  return (
    <Tabs.Trigger
      value={value}
      className="min-h-12 shrink-0 border-b-4 border-transparent px-3 whitespace-nowrap text-ink2 data-[state=active]:border-work data-[state=active]:font-bold data-[state=active]:text-ink"
    >
      {children}
    </Tabs.Trigger>
  );
}

/** On a phone: which test it is, the one before and the one after, and all of them in a list. */
function StepPicker({ view, at, onChoose }: { view: SheetView; at: string; onChoose: (id: string) => void }) {
  const ids = [...view.steps.map((s) => s.id), FAULTS];
  const here = ids.indexOf(at);
  const to = (by: number, words: string, sign: string) => (
    <Button
      large
      className="!px-3"
      aria-label={words}
      disabled={ids[here + by] === undefined}
      onClick={() => onChoose(ids[here + by] ?? at)}
    >
      {sign}
    </Button>
  );
  return (
    <div className="sticky top-0 z-10 mb-3 flex items-end gap-2 border-b border-line bg-ground py-2 sm:hidden">
      {to(-1, "The test before", "‹")}
      <label className="min-w-0 flex-1">
        <span className="block text-[14px] text-ink2">
          Test {here + 1} of {ids.length}
        </span>
        <select
          value={at}
          onChange={(e) => onChoose(e.target.value)}
          className="min-h-12 w-full rounded-md border border-ink2 bg-sheet px-2 text-[17px] font-bold"
        >
          {view.steps.map((step) => (
            <option key={step.id} value={step.id}>
              {SIGNS[stateOf(step)]} {step.label}
            </option>
          ))}
          <option value={FAULTS}>Faults I found</option>
        </select>
      </label>
      {to(1, "The test after", "›")}
    </div>
  );
}

const SIGNS = { closed: "–", filled: "●", begun: "◐", open: "○" };

function stateOf(step: Step): keyof typeof SIGNS {
  const open = openIn(step);
  // where empty boxes are not shown, nothing is told to be full
  if (!step.closedBecause && step.groups.some((g) => g.choice)) return boxesIn(step) > 0 ? "begun" : "open";
  return step.closedBecause ? "closed" : open === 0 ? "filled" : open < boxesIn(step) ? "begun" : "open";
}

/** ● filled, ◐ begun, ○ open, – closed: by shape, and in words for who cannot see it. */
function StepTab({ step }: { step: Step }) {
  const open = openIn(step);
  const all = boxesIn(step);
  const state = stateOf(step);
  const told = step.groups.every((g) => !g.choice);
  return (
    <Tab value={step.id}>
      <span aria-hidden="true" className="mr-1.5 text-work">
        {SIGNS[state]}
      </span>
      {step.label}
      <span className="sr-only">
        , {state}, {told ? `${all - open} of ${all} boxes` : `${all} written`}
      </span>
    </Tab>
  );
}

function SheetHead({ view, state, receivedAt }: { view: SheetView; state: OutboxState; receivedAt: number }) {
  return (
    <>
      <div className="mb-1 flex flex-wrap items-baseline gap-x-4">
        <h1 className="text-[20px] font-bold sm:text-[23px]">
          Bay {view.bay} · {view.rig}
        </h1>
        <span className="hidden text-[15px] text-ink2 sm:inline">
          {view.scheme} · {view.tester}, insulation to {view.overRange.replace(">", "")}
        </span>
        {view.live && (
          <span className="rounded bg-caution-soft px-2 py-0.5 font-bold text-caution">LIVE</span>
        )}
        <span className="text-[15px]">
          <StageClock clock={view.conducted.clock} live={view.live} receivedAt={receivedAt} quiet />
        </span>
        <SaveState state={state} />
      </div>
      {view.paused && (
        <p role="alert" className="mb-3 border-l-4 border-caution bg-caution-soft p-3">
          <b>{view.paused}: your clock stands still.</b> Step back from the rig; your assessor lets you go on.
          What you wrote is kept.
        </p>
      )}
      {view.stoppedBecause && (
        <p role="alert" className="mb-3 border-l-4 border-caution bg-caution-soft p-3">
          <b>Stopped for safety.</b> {view.stoppedBecause}. Hands off the rig; your assessor makes it safe.
          Your sheet stays as it is.
        </p>
      )}
      {view.handedInAt && (
        <p className="mb-3 bg-work-soft p-3 font-semibold">
          Handed in {clock(view.handedInAt)}. It can be read, not changed.
        </p>
      )}
      {view.open && view.handedBackBecause && (
        <p className="mb-3 border-l-4 border-caution bg-caution-soft p-3">
          Handed back: {view.handedBackBecause}
        </p>
      )}
      {view.open && (
        <p className="mb-2 text-[14px] text-ink2">
          {view.live
            ? "Live: supervised only, fused probes, covers on. If anything is not as you expect, stop and call your assessor."
            : "Prove dead first, every time. If anything is not as you expect, stop and call your assessor."}
        </p>
      )}
    </>
  );
}

function SaveState({ state }: { state: OutboxState }) {
  const words = state.waiting
    ? state.waiting === "owner"
      ? `Signed out: ${state.pending.length} kept here, sent when you sign in again`
      : `No connection: ${state.pending.length} kept here, sent when it is back`
    : state.pending.length > 0
      ? "Saving…"
      : "Saved";
  return (
    <span
      role="status"
      className={state.waiting ? "ml-auto font-semibold text-caution" : "ml-auto text-ink2"}
    >
      {words}
    </span>
  );
}

function Refused({ state, onDismiss }: { state: OutboxState; onDismiss: () => void }) {
  if (state.refused.length === 0) return null;
  return (
    <div role="alert" className="mb-3 border-l-4 border-caution bg-caution-soft p-3">
      <ul>
        {state.refused.map((r) => (
          <li key={r.write.eventId}>
            {r.write.kind === "reading" && <b>“{r.write.text}” was not saved. </b>}
            {r.error.problems.map(sentence).join(" ")}
          </li>
        ))}
      </ul>
      <Button onClick={onDismiss} className="mt-2">
        I have seen it
      </Button>
    </div>
  );
}

interface HandInProps {
  id: string;
  view: SheetView;
  unsent: number;
  /** what is open elsewhere */
  next: { label: string; go: () => void } | undefined;
}

function HandIn({ id, view, unsent, next }: HandInProps) {
  // some schemes ask for it without a word of what is still open
  const tells = view.conducted.help !== "NONE";
  const [asking, setAsking] = useState(false);
  const [eventId] = useState(newEventId);
  const client = useQueryClient();
  const handIn = useMutation({
    mutationFn: () =>
      data(api.POST("/api/my/sheets/{id}/hand-in", { params: { path: { id } }, body: { eventId } })),
    onSuccess: (v) => {
      client.setQueryData(sheetQueries.one(id).queryKey, v);
      setAsking(false);
    },
  });
  return (
    <div className="mt-6 flex flex-wrap items-center gap-4 border-t border-line pt-4">
      <Button kind="main" large onClick={() => setAsking(true)}>
        Hand in
      </Button>
      {tells && (
        <span className="text-ink2">
          {view.filled} of {view.boxes} boxes filled
        </span>
      )}
      {tells && next && (
        <Button large className="ml-auto" onClick={next.go}>
          Next open: {next.label}
        </Button>
      )}
      <Dialog
        open={asking}
        onClose={() => setAsking(false)}
        title="Hand the sheet in?"
        about={`${tells ? `${view.filled} of ${view.boxes} boxes are filled` : "What is empty stays empty"}${view.steps.some((x) => x.alternativeTo) ? "; of two ways to prove a circuit you take one, so some stay empty" : ""}. After this you can read the sheet but not change it.`}
      >
        {unsent > 0 && (
          <p className="mb-3 text-caution">{unsent} not saved yet: wait until it says “Saved”.</p>
        )}
        <ProblemNote error={handIn.error} />
        <div className="mt-3 flex justify-end gap-2">
          <Button large onClick={() => setAsking(false)}>
            Not yet
          </Button>
          <Button kind="main" large disabled={unsent > 0 || handIn.isPending} onClick={() => handIn.mutate()}>
            Hand in
          </Button>
        </div>
      </Dialog>
    </div>
  );
}
