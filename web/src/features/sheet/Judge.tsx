import { classes } from "../../ui/classes";
import type { Box } from "./queries";

interface Props {
  box: Box;
  open: boolean;
  short: string;
  /** signs only, for boxes that stand close */
  signs?: boolean;
  onJudge: (satisfactory: boolean | null) => void;
}

/** Satisfactory or not; pressed again it is taken back. */
export function Judge({ box, open, short, signs, onJudge }: Props) {
  return (
    <span className="flex gap-1.5" role="group" aria-label={`${short}: is it satisfactory?`}>
      {([true, false] as const).map((verdict) => {
        const chosen = box.satisfactory === verdict;
        const words = verdict ? "satisfactory" : "not";
        return (
          <button
            key={String(verdict)}
            type="button"
            disabled={!open}
            aria-pressed={chosen}
            aria-label={signs ? words : undefined}
            onClick={() => onJudge(chosen ? null : verdict)}
            className={classes(
              "min-h-12 rounded-md border text-[16px]",
              signs ? "min-w-10 px-1.5" : "px-3",
              chosen ? "border-work bg-work-soft font-bold" : "border-line text-ink2 hover:bg-work-soft",
            )}
          >
            {verdict ? "✓" : "✗"}
            {!signs && ` ${words}`}
          </button>
        );
      })}
    </span>
  );
}
