import type { Schemas } from "../../api/client";
import type { Pending } from "../../api/outbox";
import type { SheetView } from "./queries";
import { ReadingBox } from "./ReadingBox";
import { withPending } from "./useSheet";

type Write =
  | { kind: "reading"; slot: string; text: string; basedOn: number }
  | { kind: "judgement"; slot: string; satisfactory: boolean | null; basedOn: number };

interface Props {
  step: Schemas["Step"];
  view: SheetView;
  pending: Pending[];
  onWrite: (write: Write) => void;
}

/** All boxes of one test. */
export function StepBoxes({ step, view, pending, onWrite }: Props) {
  const boxes = view.steps.flatMap((s) => s.groups).flatMap((g) => g.boxes);
  const textOf = (slot: string) => {
    const box = boxes.find((b) => b.slot === slot);
    return box && !box.mend ? withPending(box, pending).text : "";
  };
  return (
    <div className="space-y-4">
      <details className="border border-line bg-sheet px-4 text-[15px]">
        <summary className="min-h-12 py-3 font-semibold">
          Set-up
          {step.alternativeTo && (
            <span className="font-normal text-ink2">
              {" "}
              · instead of “{step.alternativeTo}”: take one of the two
            </span>
          )}
        </summary>
        <ol className="list-decimal pb-3 pl-5">
          {step.setUp.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ol>
      </details>
      {step.groups.map((group) => (
        <section
          key={group.label}
          aria-label={group.label || step.label}
          className="border border-line bg-sheet px-4"
        >
          {group.label && <h2 className="pt-3 font-bold">{group.label}</h2>}
          <ul className="divide-y divide-line">
            {group.boxes.map((box) => (
              <ReadingBox
                key={box.slot}
                box={withPending(box, pending)}
                open={view.open}
                choices={box.chosenFrom.map(textOf).filter(Boolean)}
                onText={(text) => onWrite({ kind: "reading", slot: box.slot, text, basedOn: box.seq })}
                onJudge={(satisfactory) =>
                  onWrite({ kind: "judgement", slot: box.slot, satisfactory, basedOn: box.judgedSeq })
                }
              />
            ))}
          </ul>
        </section>
      ))}
    </div>
  );
}
