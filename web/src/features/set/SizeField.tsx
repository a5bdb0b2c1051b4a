import { useId } from "react";
import type { Schemas } from "../../api/client";

interface Props {
  size: Schemas["SizeChoice"];
  /** as typed, in the unit of the kind */
  value: string;
  onChange: (value: string) => void;
}

const STEPS = 200;

/** A size by number or by a slider that goes by ratio, because 0.1 to 0.2 matters as much as 10 to 20. */
export function SizeField({ size, value, onChange }: Props) {
  const id = useId();
  const span = Math.log(size.high / size.low);
  const number = Number(value.replace(",", "."));
  const position = number > 0 ? Math.round((Math.log(number / size.low) / span) * STEPS) : 0;
  const at = (step: number) => Number((size.low * Math.exp((span * step) / STEPS)).toPrecision(2));
  return (
    <div className="flex flex-wrap items-end gap-4">
      <div>
        <label htmlFor={id} className="mb-1 block font-semibold">
          Size, {size.unit}
        </label>
        <input
          id={id}
          inputMode="decimal"
          value={value}
          onChange={(e) => onChange(e.target.value)}
          className="min-h-10 w-28 rounded-md border border-ink2 bg-sheet px-3"
        />
      </div>
      <input
        type="range"
        aria-label={`Size in ${size.unit}, by ratio`}
        aria-valuetext={`${value} ${size.unit}`}
        min={0}
        max={STEPS}
        value={Math.min(STEPS, Math.max(0, position))}
        onChange={(e) => onChange(String(at(Number(e.target.value))))}
        className="h-10 max-w-[320px] flex-1 accent-[var(--plum)]"
      />
      <span className="pb-2 text-[13px] text-ink2">
        {size.low} to {size.high} {size.unit}
      </span>
    </div>
  );
}
