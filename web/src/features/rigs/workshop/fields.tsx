import { type ReactNode, useId, useState } from "react";
import { classes } from "../../../ui/classes";
import { type Num, typed } from "./rigJson";

const BOX = "min-h-10 rounded-md border border-ink2 bg-sheet px-2 text-ink";

/** The words over a box; none in a table whose head says them. */
function Labelled({
  id,
  label,
  bare,
  children,
}: {
  id: string;
  label: string;
  bare: boolean | undefined;
  children: ReactNode;
}) {
  return (
    <div>
      {!bare && (
        <label htmlFor={id} className="mb-1 block text-ink2">
          {label}
        </label>
      )}
      {children}
    </div>
  );
}

interface NumberProps {
  label: string;
  unit?: string;
  value: Num | undefined;
  onChange: (value: Num) => void;
  /** in a table whose head says what it is */
  bare?: boolean;
  /** what holds while the box is empty */
  hint?: string;
}

/** A number with its unit; what is no number is handed on as text, and the server says so. */
export function NumberBox({ label, unit, value, onChange, bare, hint }: NumberProps) {
  const id = useId();
  // "6." on the way to "6.5" is the number 6 already: what was typed stays while it says the same
  const [text, setText] = useState("");
  const shown = typed(text) === value ? text : String(value ?? "");
  const wrong = typeof value === "string" && !(hint && value === "");
  return (
    <Labelled id={id} label={unit ? `${label}, ${unit}` : label} bare={bare}>
      <input
        id={id}
        aria-label={bare ? label : undefined}
        aria-invalid={wrong}
        inputMode="decimal"
        placeholder={hint}
        value={shown}
        onChange={(e) => {
          setText(e.target.value);
          onChange(typed(e.target.value));
        }}
        className={classes(BOX, bare ? "w-14" : "w-24", wrong && "border-2 border-caution")}
      />
    </Labelled>
  );
}

interface TextProps {
  label: string;
  value: string;
  onChange: (value: string) => void;
  bare?: boolean;
  wide?: boolean;
}

export function TextBox({ label, value, onChange, bare, wide }: TextProps) {
  const id = useId();
  return (
    <Labelled id={id} label={label} bare={bare}>
      <input
        id={id}
        aria-label={bare ? label : undefined}
        value={value}
        onChange={(e) => onChange(e.target.value)}
        className={classes(BOX, bare ? "w-28" : wide ? "w-64" : "w-44")}
      />
    </Labelled>
  );
}

interface PickProps {
  label: string;
  value: string;
  options: readonly (readonly [value: string, label: string])[];
  onChange: (value: string) => void;
  bare?: boolean;
  /** in a table with room for long choices */
  roomy?: boolean;
}

export function Pick({ label, value, options, onChange, bare, roomy }: PickProps) {
  const id = useId();
  // what was chosen may have gone since: it is to be seen, not silently another
  const gone = !options.some(([v]) => v === value);
  return (
    <Labelled id={id} label={label} bare={bare}>
      <select
        id={id}
        aria-label={bare ? label : undefined}
        value={value}
        onChange={(e) => onChange(e.target.value)}
        aria-invalid={gone && value !== ""}
        className={classes(
          BOX,
          bare && !roomy ? "max-w-32" : bare ? "max-w-46" : "max-w-48",
          gone && "border-2 border-caution",
        )}
      >
        {gone && <option value={value}>{value === "" ? "Choose…" : `${value} (not here)`}</option>}
        {options.map(([v, text]) => (
          <option key={v} value={v}>
            {text}
          </option>
        ))}
      </select>
    </Labelled>
  );
}

interface TickProps {
  label: string;
  value: boolean;
  onChange: (v: boolean) => void;
  bare?: boolean;
}

export function Tick({ label, value, onChange, bare }: TickProps) {
  return (
    <label className="flex min-h-10 items-center gap-2">
      <input
        type="checkbox"
        className="size-5"
        aria-label={bare ? label : undefined}
        checked={value}
        onChange={(e) => onChange(e.target.checked)}
      />
      {!bare && label}
    </label>
  );
}

/** A small button in a table: its words for a screen reader, its sign for the eye. */
export function SignButton({ label, sign, onPress }: { label: string; sign: string; onPress: () => void }) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      onClick={onPress}
      className="min-h-10 min-w-10 rounded-md border border-line text-[17px] text-ink2 hover:bg-work-soft hover:text-ink"
    >
      {sign}
    </button>
  );
}
