import { useState } from "react";
import type { Schemas } from "../../api/client";
import { classes } from "../../ui/classes";

interface Props {
  label: string;
  taken: Schemas["Taken"] | undefined;
  onKeep: (text: string) => void;
}

/** One measured healthy reading; Enter or leaving the box keeps it. */
export function HealthyBox({ label, taken, onKeep }: Props) {
  const [text, setText] = useState<string | null>(null);
  const kept = taken?.text ?? "";
  const keep = () => {
    if (text !== null && text.trim() !== kept) onKeep(text);
    setText(null);
  };
  return (
    <div className="flex flex-wrap items-center gap-2">
      <input
        aria-label={label}
        value={text ?? kept}
        onChange={(e) => setText(e.target.value)}
        onBlur={keep}
        onKeyDown={(e) => {
          if (e.key === "Escape") setText(null);
          if (e.key === "Enter") {
            const boxes = [...document.querySelectorAll<HTMLInputElement>("[data-healthy]")];
            boxes[boxes.indexOf(e.currentTarget) + 1]?.focus();
            keep();
          }
        }}
        data-healthy
        className="min-h-10 w-28 rounded-md border border-ink2 bg-sheet px-2"
      />
      {taken && (
        <span className={classes("text-[13px]", taken.beyond ? "font-semibold text-caution" : "text-ink2")}>
          {taken.beyond ? "▲ " : "◆ "}
          {taken.says}
        </span>
      )}
    </div>
  );
}
