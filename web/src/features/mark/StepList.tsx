import { Button } from "../../ui/Button";
import { classes } from "../../ui/classes";
import type { MarkingView } from "./queries";

/** What was seen, asked and said, and what holds between the boxes. */
export const RECORD = "RECORD";

/** Stands beside the tests in the list. */
export const FAULTS = "FAULTS";

interface Props {
  view: MarkingView;
  step: string;
  onStep: (step: string) => void;
  onNext: () => void;
}

/** The tests of the sheet, each with whether something in it wants an eye. */
export function StepList({ view, step, onStep, onNext }: Props) {
  const faultsOpen = view.marks.some(
    (m) => m.step === FAULTS && m.proposed !== null && m.proposed !== "FULL",
  );
  const recordOpen = view.marks.some(
    (m) => m.step === RECORD && (m.proposed === "NONE" || m.proposed === "HALF"),
  );
  const eye = view.lines.filter((l) => l.wantsEye).length;
  return (
    <nav aria-label="Tests" className="border border-line bg-sheet p-2">
      <ul>
        {view.steps.map((s) => (
          <Item
            key={s.id}
            label={s.label}
            chosen={s.id === step}
            sign={s.leftOut ? "–" : s.wantEye > 0 ? String(s.wantEye) : "✓"}
            words={
              s.leftOut
                ? "left out, the other method was taken"
                : s.wantEye > 0
                  ? `${s.wantEye} want your eye`
                  : "in order"
            }
            caution={s.wantEye > 0}
            onChoose={() => onStep(s.id)}
          />
        ))}
        {view.marks.some((m) => m.step === RECORD) && (
          <Item
            label="Seen, asked, record"
            chosen={step === RECORD}
            sign={recordOpen ? "!" : "✓"}
            words={recordOpen ? "want your eye" : "in order"}
            caution={recordOpen}
            onChoose={() => onStep(RECORD)}
          />
        )}
        <Item
          label="Faults named"
          chosen={step === FAULTS}
          sign={faultsOpen ? "!" : "✓"}
          words={faultsOpen ? "want your eye" : "in order"}
          caution={faultsOpen}
          onChoose={() => onStep(FAULTS)}
        />
      </ul>
      <p className="mt-3 px-2 text-[13px] text-ink2">
        {eye} of {view.lines.filter((l) => l.asked).length} readings want your eye
      </p>
      <Button kind="quiet" shortcut="N" onClick={onNext}>
        Next open
      </Button>
    </nav>
  );
}

interface ItemProps {
  label: string;
  chosen: boolean;
  sign: string;
  words: string;
  caution: boolean;
  onChoose: () => void;
}

function Item({ label, chosen, sign, words, caution, onChoose }: ItemProps) {
  return (
    <li>
      <button
        type="button"
        aria-current={chosen ? "true" : undefined}
        onClick={onChoose}
        className={classes(
          "flex min-h-10 w-full items-center justify-between px-2 text-left",
          chosen ? "bg-work-soft font-semibold" : "hover:bg-work-soft",
        )}
      >
        {label}
        <span className={caution ? "font-bold text-caution" : "text-work"}>
          <span aria-hidden="true">{sign}</span>
          <span className="sr-only">{words}</span>
        </span>
      </button>
    </li>
  );
}
