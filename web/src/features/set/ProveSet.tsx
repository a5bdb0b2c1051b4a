import { type KeyboardEvent, useState } from "react";
import type { Schemas } from "../../api/client";
import { Pane } from "../../ui/Pane";
import { ProblemNote } from "../../ui/States";
import type { SetView } from "./queries";

interface Props {
  view: SetView;
  busy: boolean;
  error: unknown;
  onCheck: (slot: string, text: string) => void;
}

/** Readings at the rig that prove each fault is really set. */
export function ProveSet({ view, error, onCheck }: Props) {
  if (view.checks.length === 0) return null;
  return (
    <Pane
      title="Prove it is set"
      aside={view.checks.length === 1 ? "one reading" : `${view.checks.length} readings`}
    >
      {!view.lockedOffAt && (
        <p className="mb-2 text-caution">Lock off first, set the faults, then measure.</p>
      )}
      <ul className="divide-y divide-line">
        {view.checks.map((check) => (
          <CheckRow
            key={`${check.slot}-${check.text}`}
            check={check}
            disabled={view.sheetOpen || !view.lockedOffAt}
            onCheck={onCheck}
          />
        ))}
      </ul>
      <ProblemNote error={error} />
    </Pane>
  );
}

interface RowProps {
  check: Schemas["Check"];
  disabled: boolean;
  onCheck: (slot: string, text: string) => void;
}

function CheckRow({ check, disabled, onCheck }: RowProps) {
  const [text, setText] = useState(check.text);
  const send = () => {
    if (text.trim() && text !== check.text) onCheck(check.slot, text);
  };
  const onKeyDown = (e: KeyboardEvent<HTMLInputElement>) => {
    if (e.key !== "Enter") return;
    const boxes = [...document.querySelectorAll<HTMLInputElement>("[data-check]")];
    const next = boxes[boxes.indexOf(e.currentTarget) + 1];
    // leaving the box sends it
    if (next) next.focus();
    else e.currentTarget.blur();
  };
  return (
    <li className="grid grid-cols-[1fr_96px] items-center gap-x-3 gap-y-1 py-2">
      <label htmlFor={`check-${check.slot}`}>
        <span className="font-semibold">{check.what}</span>
        <span className="block text-[13px] text-ink2">
          {check.window} · proves: {check.faults}
        </span>
      </label>
      <input
        id={`check-${check.slot}`}
        data-check
        inputMode="decimal"
        placeholder={check.unit}
        value={text}
        disabled={disabled}
        onChange={(e) => setText(e.target.value)}
        onBlur={send}
        onKeyDown={onKeyDown}
        className="min-h-10 w-24 rounded-md border border-ink2 bg-sheet px-2 disabled:opacity-50"
      />
      {check.says && (
        <p
          role="status"
          className={
            check.result === "fits" ? "col-span-2 font-semibold text-work" : "col-span-2 text-caution"
          }
        >
          {check.result === "fits" ? "◆ " : "✕ "}
          {check.says}
        </p>
      )}
    </li>
  );
}
