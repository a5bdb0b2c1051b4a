import { type KeyboardEvent, useEffect, useRef, useState } from "react";
import { classes } from "../../ui/classes";
import type { Box } from "./queries";

interface Props {
  box: Box & { unsent: boolean };
  open: boolean;
  /** the candidate's own readings to choose from, for the box that goes on record */
  choices: string[];
  onText: (text: string) => void;
  onJudge: (satisfactory: boolean | null) => void;
}

/** One box: written as the tester showed it, saved when left, Enter goes on to the next. */
export function ReadingBox({ box, open, choices, onText, onJudge }: Props) {
  const [text, setText] = useState(box.text);
  const [editing, setEditing] = useState(false);
  const latest = useRef(box.text);

  useEffect(() => {
    // another screen changed it: show that, unless somebody is typing here
    if (!editing && latest.current !== box.text) setText(box.text);
    latest.current = box.text;
  }, [box.text, editing]);

  const save = (value: string) => {
    if (value.trim() !== box.text) onText(value.trim());
  };
  const onKeyDown = (e: KeyboardEvent<HTMLInputElement>) => {
    if (e.key !== "Enter") return;
    e.preventDefault();
    const boxes = [...document.querySelectorAll<HTMLInputElement>("[data-reading]")];
    const next = boxes[boxes.indexOf(e.currentTarget) + 1];
    // leaving the box saves it
    if (next) next.select();
    else e.currentTarget.blur();
  };
  const id = `box-${box.slot}`;
  const short = `${box.quantity}, ${box.where}`;

  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-2 py-3">
      <label htmlFor={id} className="min-w-[190px] flex-1">
        {box.chosenFrom.length > 0 ? <b>{box.quantity} for the record</b> : `${box.quantity},`}
        <span className="text-ink2">
          {" "}
          {box.chosenFrom.length > 0 ? "choose from your readings" : box.where}
        </span>
      </label>
      {open && choices.length > 0 && (
        <span className="flex flex-wrap gap-1.5" role="group" aria-label="Your readings">
          {choices.map((choice, i) => (
            <button
              key={`${choice}-${i}`}
              type="button"
              aria-pressed={choice === text}
              onClick={() => {
                setText(choice);
                save(choice);
              }}
              className={classes(
                "min-h-12 rounded-md border px-3",
                choice === text ? "border-work bg-work-soft font-semibold" : "border-line hover:bg-work-soft",
              )}
            >
              {choice}
            </button>
          ))}
        </span>
      )}
      <span className="flex items-center gap-2">
        <input
          id={id}
          data-reading
          value={text}
          disabled={!open}
          inputMode="decimal"
          autoComplete="off"
          maxLength={40}
          aria-label={`${short}, ${box.unit}`}
          aria-invalid={Boolean(box.mend)}
          aria-describedby={box.mend || box.understood ? `${id}-note` : undefined}
          onFocus={() => setEditing(true)}
          onChange={(e) => setText(e.target.value)}
          onBlur={() => {
            setEditing(false);
            save(text);
          }}
          onKeyDown={onKeyDown}
          className="min-h-12 w-32 rounded-md border border-ink2 bg-sheet px-3 text-[20px] disabled:opacity-70"
        />
        <span className="w-9 text-ink2">{box.unit}</span>
        {open && box.chosenFrom.length === 0 && (
          <button
            type="button"
            aria-label={`${short}: over-range, ${box.overRange}`}
            title={`over-range, ${box.overRange}`}
            onClick={() => {
              setText(box.overRange);
              save(box.overRange);
            }}
            className="min-h-12 min-w-12 rounded-md border border-line px-2 text-[15px] text-ink2 hover:bg-work-soft"
          >
            › over
          </button>
        )}
      </span>
      {box.judged && <Judge box={box} open={open} short={short} onJudge={onJudge} />}
      {(box.mend || box.understood) && (
        <p
          id={`${id}-note`}
          className={classes("w-full text-right text-[15px]", box.mend ? "text-caution" : "text-ink2")}
        >
          {box.mend ? `Cannot be read: ${box.mend}.` : `read as ${box.understood}`}
        </p>
      )}
    </li>
  );
}

interface JudgeProps {
  box: Box;
  open: boolean;
  short: string;
  onJudge: (satisfactory: boolean | null) => void;
}

function Judge({ box, open, short, onJudge }: JudgeProps) {
  return (
    <span className="flex gap-1.5" role="group" aria-label={`${short}: is it satisfactory?`}>
      {([true, false] as const).map((verdict) => {
        const chosen = box.satisfactory === verdict;
        return (
          <button
            key={String(verdict)}
            type="button"
            disabled={!open}
            aria-pressed={chosen}
            onClick={() => onJudge(chosen ? null : verdict)}
            className={classes(
              "min-h-12 rounded-md border px-3 text-[16px]",
              chosen ? "border-work bg-work-soft font-semibold" : "border-line text-ink2 hover:bg-work-soft",
            )}
          >
            {verdict ? "✓ satisfactory" : "✗ not"}
          </button>
        );
      })}
    </span>
  );
}
