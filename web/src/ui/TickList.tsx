import type { Schemas } from "../api/client";
import { clock } from "./when";

interface Props {
  view: Schemas["ListView"];
  disabled?: boolean;
  onTick: (item: string, on: boolean) => void;
}

/** Items to look at and say, each with who ticked it and when: a tick shows what is recorded. */
export function TickList({ view, disabled = false, onTick }: Props) {
  return (
    <ul aria-label={view.title} className="divide-y divide-line">
      {view.items.map((item) => (
        <li key={item.id}>
          <label className="flex min-h-12 items-center gap-3 py-1 hover:bg-work-soft">
            <input
              type="checkbox"
              className="size-6 shrink-0 accent-[var(--work)]"
              checked={item.ticked !== null}
              disabled={disabled}
              onChange={(e) => onTick(item.id, e.target.checked)}
            />
            <span className="min-w-0 flex-1">{item.words}</span>
            {item.ticked && (
              <span className="shrink-0 text-right text-[14px] text-ink2">
                {item.ticked.by} <span className="tabular-nums">{clock(item.ticked.at)}</span>
              </span>
            )}
          </label>
        </li>
      ))}
    </ul>
  );
}
