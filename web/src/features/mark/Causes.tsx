import { Pane } from "../../ui/Pane";
import type { MarkingView } from "./queries";

/** What probably made the readings of this test wrong, said once for all of them, with a question to ask. */
export function Causes({ view, step }: { view: MarkingView; step: string }) {
  const slots = new Set(view.lines.filter((l) => l.step === step).map((l) => l.slot));
  const here = view.causes.filter((c) => c.slots.some((s) => slots.has(s)));
  if (here.length === 0) return null;
  return (
    <>
      {here.map((cause) => (
        <Pane
          key={cause.cause}
          wall="caution"
          title={
            cause.slots.length === 1 ? "Why one reading is off" : `Why ${cause.slots.length} readings are off`
          }
        >
          <p className="mb-2">
            <b>{cause.label}.</b> {cause.evidence}
          </p>
          <p>
            <b>Ask:</b> “{cause.question}”
          </p>
        </Pane>
      ))}
    </>
  );
}
