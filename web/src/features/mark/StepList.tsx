import { Button } from "../../ui/Button";
import { classes } from "../../ui/classes";
import type { MarkingView } from "./queries";

/** What was seen, asked and said, and what holds between the boxes. */
export const RECORD = "RECORD";

/** Stands beside the tests in the list. */
export const FAULTS = "FAULTS";

type Sign = { sign: string; words: string; caution: boolean };

/** Of who marks alone: what is still to be given there, and nothing of what the program makes of it. */
function alone(view: MarkingView, step: string): Sign {
  const here = view.marks.filter((m) => m.step === step && m.wants !== "NOTHING");
  const open = here.filter((m) => m.given === null).length;
  if (here.length === 0) return { sign: "–", words: "no mark of its own", caution: false };
  return open === 0
    ? { sign: "●", words: "all given", caution: false }
    : { sign: String(open), words: open === 1 ? "1 mark to give" : `${open} marks to give`, caution: true };
}

interface Props {
  view: MarkingView;
  step: string;
  onStep: (step: string) => void;
  onNext: () => void;
}

/** The tests of the sheet, each with what is still to give, for whoever marks alone. */
export function StepList({ view, step, onStep, onNext }: Props) {
  const marks = view.marks.filter((m) => m.wants !== "NOTHING");
  return (
    <nav aria-label="Tests" className="border border-line bg-sheet p-2">
      <ul>
        {view.steps.map((s) => (
          <Item
            key={s.id}
            label={s.label}
            chosen={s.id === step}
            {...(s.leftOut
              ? { sign: "–", words: "left out, the other method was taken", caution: false }
              : alone(view, s.id))}
            onChoose={() => onStep(s.id)}
          />
        ))}
        {view.marks.some((m) => m.step === RECORD) && (
          <Item
            label="Seen, asked, record"
            chosen={step === RECORD}
            {...alone(view, RECORD)}
            onChoose={() => onStep(RECORD)}
          />
        )}
        <Item
          label="Faults named"
          chosen={step === FAULTS}
          {...alone(view, FAULTS)}
          onChoose={() => onStep(FAULTS)}
        />
      </ul>
      <p className="mt-3 px-2 text-[13px] text-ink2">
        {marks.filter((m) => m.given !== null).length} of {marks.length} marks given
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
