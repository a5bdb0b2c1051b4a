import { Button } from "../../ui/Button";
import type { OutboxState } from "../../api/outbox";
import { sentence } from "../../api/client";
import { clock } from "../../ui/when";
import { StageClock } from "../conduct";
import type { SheetView } from "./queries";

/** Whose sheet, of which rig, how long it has been going, and what stands in the way. */
export function SheetHead({
  view,
  state,
  receivedAt,
}: {
  view: SheetView;
  state: OutboxState;
  receivedAt: number;
}) {
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

/** What the server did not take. */
export function Refused({ state, onDismiss }: { state: OutboxState; onDismiss: () => void }) {
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
