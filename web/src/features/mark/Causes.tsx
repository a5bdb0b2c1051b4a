import { Button } from "../../ui/Button";
import { Pane } from "../../ui/Pane";
import type { MarkingView } from "./queries";

type Cause = MarkingView["causes"][number];

function titleOf({ kind, slots }: Cause): string {
  const one = slots.length === 1;
  switch (kind) {
    case "ASK":
      return one ? "One reading to ask about" : `${slots.length} readings to ask about`;
    case "RIG":
      return one ? "One reading, perhaps the rig" : `${slots.length} readings, perhaps the rig`;
    case "OFF":
      return one ? "Why one reading is off" : `Why ${slots.length} readings are off`;
  }
}

interface Props {
  view: MarkingView;
  step: string;
  /** the cause that is undone in the pictures; empty for none */
  tried: string;
  onTry: (cause: string) => void;
}

/** Whether undoing a cause gives numbers to show. */
function canTry(view: MarkingView, cause: Cause) {
  return view.lines.some(
    (l) =>
      cause.slots.includes(l.slot) &&
      l.explanations.some((e) => e.cause === cause.cause && e.undone !== null),
  );
}

/** What probably made the readings of this test wrong, said once for all of them, with a question to ask. */
export function Causes({ view, step, tried, onTry }: Props) {
  const slots = new Set(view.lines.filter((l) => l.step === step).map((l) => l.slot));
  const here = view.causes.filter((c) => c.slots.some((s) => slots.has(s)));
  const rigFirst = view.rigFirst?.slots.some((s) => slots.has(s)) ? view.rigFirst : null;
  if (here.length === 0 && !rigFirst) return null;
  return (
    <>
      {rigFirst && (
        <Pane
          wall="plum"
          title={`The rig first: ${rigFirst.slots.length === 1 ? "one reading" : `${rigFirst.slots.length} readings`}`}
        >
          <p>{rigFirst.words}</p>
        </Pane>
      )}
      {here.map((cause) => (
        <Pane
          key={cause.cause}
          {...(cause.kind === "ASK" ? {} : { wall: "caution" as const })}
          title={titleOf(cause)}
        >
          <p className="mb-2">
            <b>{cause.label}.</b> {cause.evidence}
          </p>
          <p>
            {cause.kind === "RIG" ? (
              cause.question
            ) : (
              <>
                <b>Ask:</b> “{cause.decides || cause.question}”
              </>
            )}
          </p>
          {cause.decides && cause.kind !== "RIG" && (
            <p className="text-[13px] text-ink2">
              The scheme’s own question that decides most between them. Also: “{cause.question}”
            </p>
          )}
          {cause.shares.length > 1 && (
            <p className="mt-1 text-[13px] text-ink2">
              {cause.shares.map((s) => `${s.label}: ${s.strength}`).join(" · ")}
            </p>
          )}
          {canTry(view, cause) && (
            <Button
              className="mt-2"
              aria-pressed={tried === cause.cause}
              onClick={() => onTry(tried === cause.cause ? "" : cause.cause)}
            >
              {tried === cause.cause ? "As it was written" : "Try it: undo this"}
            </Button>
          )}
        </Pane>
      ))}
    </>
  );
}
