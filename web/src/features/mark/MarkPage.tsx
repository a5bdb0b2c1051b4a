import { useState } from "react";
import { Button } from "../../ui/Button";
import { useShortcuts } from "../../ui/useShortcuts";
import { asProposed, type Decision, DecisionCard, openMarks, rightMarks } from "./Decisions";
import { FaultsNamed } from "./FaultsNamed";
import { Marks } from "./Marks";
import type { Award, MarkingView } from "./queries";
import { type PartOfRecord, RecordMap } from "./RecordMap";
import { LineReadings } from "./StepReadings";

interface Props {
  id: string;
  view: MarkingView;
  locked: boolean;
  busy: boolean;
  onDecide: (given: { mark: string; given: Award; reason: string }[]) => void;
}

/** The record as a map, and beside it only what needs a decision: a cause with all that it costs, then what is left. */
export function MarkPage({ id, view, locked, busy, onDecide }: Props) {
  const isOpen = (d: Decision) => openMarks(view, d).length > 0;
  const [shown, setShown] = useState(view.toDecide.find(isOpen)?.id ?? view.toDecide[0]?.id ?? "");
  const [seen, setSeen] = useState(new Set([shown]));
  const [part, setPart] = useState<PartOfRecord>();
  const [tried, setTried] = useState("");
  const open = view.toDecide.filter(isOpen);
  const right = rightMarks(view);
  const rightOpen = right.filter((m) => m.given === null);
  // nobody agrees to a cause, or to what the rig may account for, without having opened it
  const unseen = open.filter((d) => (d.cause !== null || d.lookFirst) && !seen.has(d.id));
  const together = [
    ...rightOpen,
    ...open.flatMap((d) => openMarks(view, d)).filter((m) => m.wants === "DECISION"),
  ];
  const all = rightOpen.length + open.reduce((n, d) => n + openMarks(view, d).length, 0);

  const show = (next: string) => {
    setShown(next === shown ? "" : next);
    setSeen(new Set([...seen, next]));
    setTried("");
  };
  const nextAfter = (after: string) => {
    const at = open.findIndex((d) => d.id === after);
    return open[at + 1] ?? open.find((d) => d.id !== after);
  };
  const agree = () => {
    if (locked || busy) return;
    const here = open.find((d) => d.id === shown);
    if (here) {
      onDecide(openMarks(view, here).map(asProposed));
      const next = nextAfter(here.id);
      if (next) show(next.id);
    } else if (open[0]) show(open[0].id);
    else if (rightOpen.length > 0) onDecide(rightOpen.map(asProposed));
  };
  const goOn = () => {
    const next = nextAfter(shown);
    if (next) show(next.id);
  };
  useShortcuts({ a: agree, A: agree, n: goOn, N: goOn });

  const inPart = part
    ? view.lines.filter((l) => l.step === part.step && l.circuit === part.circuit && l.asked)
    : [];
  return (
    <>
      <div className="space-y-3">
        <RecordMap view={view} at={part} onGo={setPart} />
        <FaultsNamed view={view} />
      </div>
      <div className="min-w-0 space-y-3">
        {part && (
          <section aria-label="Readings" className="space-y-3">
            <Button onClick={() => setPart(undefined)}>Back to what needs a decision</Button>
            <LineReadings id={id} view={view} lines={inPart} tried={tried} />
          </section>
        )}
        {!part && (
          <>
            <h2 className="text-[17px] font-bold">
              What needs a decision{" "}
              <span className="font-semibold text-ink2">
                {open.length === 0
                  ? all === 0
                    ? "all decided"
                    : "nothing open"
                  : `${open.length} of ${view.toDecide.length} open`}
              </span>
            </h2>
            {view.toDecide.length === 0 && (
              <p className="text-ink2">
                Nothing: every reading is what this rig gives, and every mark is full.
              </p>
            )}
            {view.toDecide.map((d) => (
              <DecisionCard
                key={d.id}
                view={view}
                decision={d}
                shown={d.id === shown}
                locked={locked}
                busy={busy}
                onShow={() => show(d.id)}
                onDecide={onDecide}
              >
                <Readings id={id} view={view} decision={d} tried={tried} onTry={setTried} />
              </DecisionCard>
            ))}
            {!locked && all > 0 && (
              <div className="flex flex-wrap items-center gap-3">
                <Button
                  disabled={busy || unseen.length > 0 || together.length === 0}
                  onClick={() => onDecide(together.map(asProposed))}
                >
                  {together.length === all ? "Accept all" : "Accept the other"} {together.length}
                </Button>
                <span className="text-[14px] text-ink2">
                  {unseen.length > 0
                    ? `Open ${unseen.length === 1 ? "the one above" : `the ${unseen.length} above`} first.`
                    : `${rightOpen.length} of them full marks`}
                </span>
              </div>
            )}
            <InOrder view={view} locked={locked} busy={busy} onDecide={onDecide} />
          </>
        )}
      </div>
    </>
  );
}

interface ReadingsProps {
  id: string;
  view: MarkingView;
  decision: Decision;
  tried: string;
  onTry: (cause: string) => void;
}

/** The readings of a decision, and what they would be with its cause undone. */
function Readings({ id, view, decision, tried, onTry }: ReadingsProps) {
  const lines = view.lines.filter((l) => decision.boxes.includes(l.slot) && l.asked);
  const cause = decision.cause;
  const mayTry =
    cause !== null && lines.some((l) => l.explanations.some((e) => e.cause === cause && e.undone !== null));
  const [all, setAll] = useState(false);
  if (lines.length === 0) return null;
  // the profile tells most of it; each reading by itself is one press away
  return (
    <>
      <LineReadings id={id} view={view} lines={lines} tried={tried} brief={!all} />
      <div className="flex flex-wrap gap-2">
        {mayTry && (
          <Button aria-pressed={tried === cause} onClick={() => onTry(tried === cause ? "" : cause)}>
            {tried === cause ? "As it was written" : "Try it: undo this"}
          </Button>
        )}
        {lines.length > 1 && (
          <Button kind="quiet" aria-expanded={all} onClick={() => setAll(!all)}>
            {all ? "Fold the readings" : `Show the ${lines.length} readings`}
          </Button>
        )}
      </div>
    </>
  );
}

/** What is right, folded: nothing of it needs a decision, and all of it may be changed. */
function InOrder({ view, locked, busy, onDecide }: Omit<Props, "id">) {
  const right = rightMarks(view);
  const unseen = view.marks.filter((m) => m.wants === "NOTHING");
  const asked = view.lines.filter((l) => l.asked && l.written !== "");
  const inside = asked.filter((l) => !l.wantsEye).length;
  return (
    <>
      <details className="border border-line bg-sheet px-4">
        <summary className="min-h-11 py-2.5">
          <b>What was right</b>{" "}
          <span className="text-ink2">
            {inside} of {asked.length} readings, {right.length} marks in full
          </span>
        </summary>
        <Marks marks={right} open={[]} locked={locked} busy={busy} onDecide={onDecide} />
      </details>
      {unseen.length > 0 && (
        <details className="border border-line bg-sheet px-4">
          <summary className="min-h-11 py-2.5">
            <b>Not seen</b> <span className="text-ink2">{unseen.length}, counting neither way</span>
          </summary>
          <p className="pb-3 text-[14px] text-ink2">{unseen.map((m) => m.title).join(" · ")}</p>
        </details>
      )}
    </>
  );
}
