import { type KeyboardEvent, useState } from "react";
import { api, data, type Schemas } from "../../api/client";
import { useMutation } from "@tanstack/react-query";
import { Button } from "../../ui/Button";
import { ProblemNote } from "../../ui/States";
import { clock } from "../../ui/when";

interface Props {
  /** id of the assessment: whose bay has the tester */
  id: string;
  checks: Schemas["CheckLine"][];
  /** whether the bay has a tester to take readings from */
  simulated: boolean;
  disabled: boolean;
  onCheck: (slot: string, text: string) => void;
}

/** Readings to take at the rig, each with what it must show; Enter goes to the next one. */
export function CheckList({ id, checks, simulated, disabled, onCheck }: Props) {
  const measure = useMutation({
    mutationFn: async (slot: string) => {
      const reading = await data(
        api.POST("/api/assessments/{id}/tester/take", { params: { path: { id } }, body: { slot } }),
      );
      return { slot, text: reading.text };
    },
    onSuccess: ({ slot, text }) => onCheck(slot, text),
  });
  return (
    <>
      <ol className="divide-y divide-line">
        {checks.map((check, i) => (
          <CheckRow
            key={`${check.slot}-${check.text}-${check.at ?? ""}`}
            number={i + 1}
            check={check}
            disabled={disabled}
            onCheck={onCheck}
            onMeasure={simulated && !disabled ? () => measure.mutate(check.slot) : undefined}
            measuring={measure.isPending && measure.variables === check.slot}
          />
        ))}
      </ol>
      <ProblemNote error={measure.error} />
    </>
  );
}

interface RowProps {
  number: number;
  check: Schemas["CheckLine"];
  disabled: boolean;
  onCheck: (slot: string, text: string) => void;
  onMeasure: (() => void) | undefined;
  measuring: boolean;
}

function CheckRow({ number, check, disabled, onCheck, onMeasure, measuring }: RowProps) {
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
  const id = `check-${check.slot}`;
  return (
    <li className="grid grid-cols-[1fr_auto] items-center gap-x-3 gap-y-1 py-2.5">
      <label htmlFor={id}>
        <span className="font-semibold">
          {number}. {check.what}
        </span>
        <span className="block text-[13px] text-ink2">must show {check.window}</span>
      </label>
      <span className="flex items-center gap-2">
        {onMeasure && (
          <Button kind="quiet" disabled={measuring} onClick={onMeasure} aria-label={`Measure ${check.what}`}>
            {measuring ? "…" : "Measure"}
          </Button>
        )}
        <input
          id={id}
          data-check
          inputMode="decimal"
          placeholder={check.unit}
          value={text}
          disabled={disabled}
          onChange={(e) => setText(e.target.value)}
          onBlur={send}
          onKeyDown={onKeyDown}
          className="min-h-12 w-28 rounded-md border border-ink2 bg-sheet px-2 text-[17px] disabled:opacity-60"
        />
      </span>
      {check.text && (
        <p
          role="status"
          className={check.fits ? "col-span-2 font-semibold text-work" : "col-span-2 text-caution"}
        >
          {check.fits ? "◆ fits" : `✕ ${check.says}`}
          {check.by && (
            <span className="font-normal text-ink2">
              {" "}
              · {check.by}, {clock(check.at)}
            </span>
          )}
        </p>
      )}
      {check.setUp.length > 0 && (
        <details className="col-span-2 text-[13px] text-ink2">
          <summary>How: {check.test}</summary>
          <ol className="ml-5 list-decimal">
            {check.setUp.map((step) => (
              <li key={step}>{step}</li>
            ))}
          </ol>
        </details>
      )}
    </li>
  );
}
