import type { Pending } from "../../api/outbox";
import type { SheetView } from "./queries";
import { type Group, nameOf, type ShownBox, type Step, type Write } from "./boxes";
import { AddReading } from "./AddReading";
import { CircuitSheet, Entry } from "./CircuitSheet";
import { GridSheet } from "./GridSheet";
import { Judge } from "./Judge";
import { idOf, isInRows, RowsSheet } from "./RowsSheet";
import { withPending } from "./useSheet";

interface Props {
  step: Step;
  view: SheetView;
  pending: Pending[];
  onWrite: (write: Write) => void;
}

/** All boxes of one test, circuit by circuit. */
export function StepBoxes({ step, view, pending, onWrite }: Props) {
  const open = view.open && step.closedBecause === "";
  return (
    <div className="space-y-3">
      <BeforeBoxes step={step} told={view.open} />
      {isInRows(step) ? (
        <RowsSheet
          step={step}
          boxesOf={(group) => group.boxes.map((b) => withPending(b, pending))}
          open={open}
          {...writing(onWrite)}
        />
      ) : (
        step.groups.map((group) => (
          <section
            key={group.label || step.id}
            id={idOf(step, group)}
            aria-label={group.label || step.label}
            className="border border-line bg-sheet px-4 py-3"
          >
            {group.label && <h3 className="mb-1 font-bold">{group.label}</h3>}
            <GroupBoxes group={group} view={view} pending={pending} open={open} onWrite={onWrite} />
            <AddReading sheet={view.id} test={step.id} group={group} open={open} onWrite={onWrite} />
          </section>
        ))
      )}
    </div>
  );
}

/** What the boxes of a test do. */
function writing(onWrite: (write: Write) => void) {
  return {
    onText: (box: ShownBox, text: string) =>
      onWrite({ kind: "reading", slot: box.slot, text, basedOn: box.seq }),
    onExpected: (box: ShownBox, text: string) =>
      onWrite({ kind: "expected", slot: box.slot, text, basedOn: box.said?.seq ?? 0 }),
    onJudge: (box: ShownBox, satisfactory: boolean | null) =>
      onWrite({ kind: "judgement", slot: box.slot, satisfactory, basedOn: box.judgedSeq }),
  };
}

/** Why it is closed, how it is set up, what it is instead of. */
export function BeforeBoxes({ step, told }: { step: Step; told: boolean }) {
  return (
    <>
      {step.closedBecause && told && (
        <p role="note" className="border-l-4 border-caution bg-caution-soft p-3">
          Closed: {step.closedBecause}.
        </p>
      )}
      {step.setUp.length > 0 ? (
        <details className="border border-line bg-sheet px-4 text-[15px]">
          <summary className="min-h-12 py-3 font-semibold">
            Set-up
            {step.alternativeTo && (
              <span className="font-normal text-ink2"> · {insteadOf(step.alternativeTo)}</span>
            )}
          </summary>
          <ol className="list-decimal pb-3 pl-5">
            {step.setUp.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ol>
        </details>
      ) : (
        step.alternativeTo && <p className="text-[15px] text-ink2">{insteadOf(step.alternativeTo)}</p>
      )}
    </>
  );
}

function insteadOf(label: string): string {
  return `instead of “${label}”: take one of the two on each circuit`;
}

interface GroupProps {
  group: Group;
  view: SheetView;
  pending: Pending[];
  open: boolean;
  onWrite: (write: Write) => void;
}

/** The boxes of one part of a test: along its circuit, as a grid, or one below the other. */
export function GroupBoxes({ group, view, pending, open, onWrite }: GroupProps) {
  const boxes = group.boxes.map((b) => withPending(b, pending));
  const does = writing(onWrite);
  const circuit = view.circuits.find((c) => c.id === group.circuit);
  if (group.layout === "LINE" && circuit) {
    return <CircuitSheet group={group} circuit={circuit} boxes={boxes} open={open} {...does} />;
  }
  if (group.layout === "GRID") {
    return <GridSheet label={group.label} boxes={boxes} open={open} {...does} />;
  }
  return (
    <ul className="divide-y divide-line">
      {boxes.map((box) => (
        <li key={box.slot} className="flex flex-wrap items-center gap-x-4 gap-y-2 py-2">
          <label htmlFor={`box-${box.slot}`} className="min-w-[220px] flex-1">
            <b>{box.quantity}</b> <span className="text-ink2">{box.station ? box.where : box.within}</span>
          </label>
          <Entry box={box} open={open} onText={(text) => does.onText(box, text)} />
          {box.judged && (
            <Judge box={box} open={open} short={nameOf(box)} onJudge={(s) => does.onJudge(box, s)} />
          )}
        </li>
      ))}
    </ul>
  );
}
