import type { Pending } from "../../api/outbox";
import { AddReading } from "./AddReading";
import type { Write } from "./boxes";
import type { SheetView } from "./queries";
import { BeforeBoxes, GroupBoxes } from "./StepBoxes";

interface Props {
  circuit: string;
  view: SheetView;
  pending: Pending[];
  onWrite: (write: Write) => void;
}

/** One circuit through all its tests, for who works circuit by circuit. */
export function CircuitBoxes({ circuit, view, pending, onWrite }: Props) {
  return (
    <div className="space-y-3">
      {view.steps.map((step) => {
        const groups = step.groups.filter((g) => g.circuit === circuit && !g.otherWay);
        if (groups.length === 0) return null;
        const open = view.open && step.closedBecause === "";
        return (
          <section key={step.id} aria-label={step.label} className="border border-line bg-sheet px-4 py-3">
            <h3 className="mb-1 font-bold">{step.label}</h3>
            <BeforeBoxes step={step} told={view.open} />
            {groups.map((group) => (
              <div key={group.label}>
                <GroupBoxes group={group} view={view} pending={pending} open={open} onWrite={onWrite} />
                <AddReading sheet={view.id} test={step.id} group={group} open={open} onWrite={onWrite} />
              </div>
            ))}
          </section>
        );
      })}
    </div>
  );
}
