import { type KeyboardEvent, useEffect, useRef, useState } from "react";
import { classes } from "../../ui/classes";
import { nextBox } from "./typing";

interface Props {
  id: string;
  label: string;
  text: string;
  /** printed behind it; none where words are written */
  unit: string;
  open: boolean;
  /** what is wrong with it, or empty */
  mend: string;
  /** what was likely meant, or empty */
  likely?: string;
  /** how it was understood, or empty */
  understood?: string;
  /** what one key writes */
  keys?: string[];
  placeholder?: string;
  narrow?: boolean;
  /** what it is called on the key that leads to it */
  short?: string;
  onText: (text: string) => void;
}

/** Saved when left; Enter goes on to the next. */
export function ReadingInput(props: Props) {
  const {
    id,
    label,
    text: saved,
    unit,
    open,
    mend,
    likely = "",
    understood = "",
    keys = [],
    narrow,
    short = "",
    onText,
  } = props;
  const [text, setText] = useState(saved);
  const [editing, setEditing] = useState(false);
  const latest = useRef(saved);

  useEffect(() => {
    // another screen changed it: show that, unless somebody is typing here
    if (!editing && latest.current !== saved) setText(saved);
    latest.current = saved;
  }, [saved, editing]);

  const onKeyDown = (e: KeyboardEvent<HTMLInputElement>) => {
    if (e.key !== "Enter") return;
    e.preventDefault();
    const next = nextBox(e.currentTarget);
    // leaving the box saves it
    if (next) {
      next.focus();
      next.select();
    } else e.currentTarget.blur();
  };

  return (
    <span className="inline-flex flex-col">
      <span className="flex items-center gap-1.5">
        <input
          id={id}
          data-short={short}
          data-reading
          data-keys={JSON.stringify(keys)}
          data-understood={understood}
          value={text}
          disabled={!open}
          inputMode="decimal"
          autoComplete="off"
          maxLength={160}
          placeholder={props.placeholder}
          aria-label={label}
          aria-invalid={Boolean(mend)}
          aria-describedby={mend ? `${id}-note` : undefined}
          onFocus={() => setEditing(true)}
          onChange={(e) => setText(e.target.value)}
          onBlur={() => {
            setEditing(false);
            if (text.trim() !== saved) onText(text.trim());
          }}
          onKeyDown={onKeyDown}
          className={classes(
            "min-h-12 rounded-md border bg-sheet px-2 text-[19px] tabular-nums disabled:opacity-70",
            narrow ? "w-[82px]" : "w-32",
            mend ? "border-caution" : saved ? "border-work" : "border-ink2 border-dashed",
          )}
        />
        {unit && <span className="min-w-6 text-[16px] text-ink2">{unit}</span>}
      </span>
      {mend && (
        <span id={`${id}-note`} className="max-w-[300px] text-[14px] text-caution">
          Cannot be read: {mend}.
          {likely && open && (
            <button
              type="button"
              className="mt-1 block min-h-11 rounded-md border border-work px-3 font-semibold text-work"
              onClick={() => onText(likely)}
            >
              I meant {likely}
            </button>
          )}
        </span>
      )}
    </span>
  );
}
