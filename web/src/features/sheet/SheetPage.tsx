import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Tabs } from "radix-ui";
import { useState } from "react";
import { useParams } from "react-router";
import { api, data, newEventId, sentence } from "../../api/client";
import { Button } from "../../ui/Button";
import { Dialog } from "../../ui/Dialog";
import { Loaded, ProblemNote } from "../../ui/States";
import { clock } from "../../ui/when";
import type { OutboxState } from "../../api/outbox";
import { sheetQueries, type SheetView } from "./queries";
import { FaultReports } from "./FaultReports";
import { StepBoxes } from "./StepBoxes";
import { reportsWithPending, useSheet } from "./useSheet";

/** The candidate's own sheet: one test at a time, boxes for a hand that is not free. */
export function SheetPage({ me }: { me: string }) {
  const { id = "" } = useParams();
  const { query, outbox, state } = useSheet(id, me);
  return (
    <Loaded query={query}>
      {(view) => (
        <div className="mx-auto max-w-[980px] text-[18px]">
          <SheetHead view={view} state={state} />
          <Refused state={state} onDismiss={() => outbox.dismiss()} />
          <Tabs.Root defaultValue={view.steps[0]?.id ?? "faults"}>
            <Tabs.List aria-label="Tests" className="mb-3 flex flex-wrap border-b border-line">
              {view.steps.map((step) => (
                <Tab key={step.id} value={step.id} label={step.label} />
              ))}
              <Tab value="faults" label="Faults I found" />
            </Tabs.List>
            {view.steps.map((step) => (
              <Tabs.Content key={step.id} value={step.id}>
                <StepBoxes step={step} view={view} pending={state.pending} onWrite={(w) => outbox.write(w)} />
              </Tabs.Content>
            ))}
            <Tabs.Content value="faults">
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
          {view.open && <HandIn id={id} view={view} unsent={state.pending.length} />}
        </div>
      )}
    </Loaded>
  );
}

function Tab({ value, label }: { value: string; label: string }) {
  return (
    <Tabs.Trigger
      value={value}
      className="min-h-12 border-b-4 border-transparent px-4 text-ink2 data-[state=active]:border-work data-[state=active]:font-bold data-[state=active]:text-ink"
    >
      {label}
    </Tabs.Trigger>
  );
}

function SheetHead({ view, state }: { view: SheetView; state: OutboxState }) {
  return (
    <>
      <div className="mb-2 flex flex-wrap items-baseline gap-x-5">
        <h1 className="text-[23px] font-bold">
          Bay {view.bay} · {view.rig}
        </h1>
        <span className="text-ink2">
          {view.tester}, insulation to {view.overRange.replace(">", "")}
        </span>
        <SaveState state={state} />
      </div>
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
        <p className="mb-3 text-[15px] text-ink2">
          Dead tests: prove dead first, every time. If anything is not as you expect, stop and call your
          assessor.
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

function HandIn({ id, view, unsent }: { id: string; view: SheetView; unsent: number }) {
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
      <span className="text-ink2">
        {view.filled} of {view.boxes} boxes filled
      </span>
      <Dialog
        open={asking}
        onClose={() => setAsking(false)}
        title="Hand the sheet in?"
        about={`${view.filled} of ${view.boxes} boxes are filled; you take one of two continuity methods, so some stay empty. After this you can read it but not change it.`}
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
