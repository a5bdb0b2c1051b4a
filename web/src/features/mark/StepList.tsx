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

function asProposed(open: boolean): Sign {
  return open
    ? { sign: "!", words: "to look at", caution: true }
    : { sign: "✓", words: "in order", caution: false };
}

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
  const blind = view.opinions.blind;
  const marks = view.marks.filter((m) => m.wants !== "NOTHING");
  const eye = view.lines.filter((l) => l.wantsEye).length;
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
              : blind
                ? alone(view, s.id)
                : s.wantEye > 0
                  ? { sign: String(s.wantEye), words: `${s.wantEye} to look at`, caution: true }
                  : asProposed(false))}
            onChoose={() => onStep(s.id)}
          />
        ))}
        {view.marks.some((m) => m.step === RECORD) && (
          <Item
            label="Seen, asked, record"
            chosen={step === RECORD}
            {...(blind ? alone(view, RECORD) : asProposed(recordOpen))}
            onChoose={() => onStep(RECORD)}
          />
        )}
        <Item
          label="Faults named"
          chosen={step === FAULTS}
          {...(blind ? alone(view, FAULTS) : asProposed(faultsOpen))}
          onChoose={() => onStep(FAULTS)}
        />
      </ul>
      <p className="mt-3 px-2 text-[13px] text-ink2">
        {blind
          ? `${marks.filter((m) => m.given !== null).length} of ${marks.length} marks given`
          : `${eye} of ${view.lines.filter((l) => l.asked).length} readings to look at`}
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
