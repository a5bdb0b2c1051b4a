import type { ReactNode } from "react";
import { classes } from "./classes";

const TONES = {
  work: "bg-work-soft text-work",
  caution: "bg-caution-soft text-caution",
  plum: "bg-plum-soft text-plum",
  plain: "bg-raised text-ink2",
};

export function Chip({ tone = "work", children }: { tone?: keyof typeof TONES; children: ReactNode }) {
  return (
    <span
      className={classes(
        "inline-block rounded px-1.5 py-0.5 text-[13px] leading-4 font-semibold",
        TONES[tone],
      )}
    >
      {children}
    </span>
  );
}
