import { Link } from "react-router";
import { classes } from "../../ui/classes";

export const STAGES = ["prepare", "set", "watch", "mark", "clear"] as const;
export type StageName = (typeof STAGES)[number];

interface Props {
  /** the stage the assessment is in; "done" is past all */
  now: StageName | "done";
  /** the stage looked at */
  shown: StageName;
  /** where a stage leads; null where it cannot be opened yet */
  to: (stage: StageName) => string | null;
}

/** The stages as stations on a line: done filled, now ringed. */
export function StageLine({ now, shown, to }: Props) {
  const index = now === "done" ? STAGES.length : STAGES.indexOf(now);
  return (
    <nav aria-label="Stages" className="no-print">
      <ol className="flex flex-wrap items-center gap-y-1">
        {STAGES.map((stage, i) => {
          const href = to(stage);
          const label = stage.charAt(0).toUpperCase() + stage.slice(1);
          const words = (
            <span className="flex items-center gap-2">
              <Dot state={i < index ? "done" : i === index ? "now" : "ahead"} />
              <span
                className={classes(
                  shown === stage ? "border-b-2 border-work font-bold text-ink" : "text-ink2",
                )}
              >
                {label}
              </span>
            </span>
          );
          return (
            <li key={stage} className="flex items-center">
              {i > 0 && <span aria-hidden="true" className="mx-2 h-[3px] w-6 bg-line" />}
              {href ? (
                <Link to={href} aria-current={shown === stage ? "step" : undefined} className="py-2">
                  {words}
                </Link>
              ) : (
                <span className="py-2">{words}</span>
              )}
            </li>
          );
        })}
      </ol>
    </nav>
  );
}

function Dot({ state }: { state: "done" | "now" | "ahead" }) {
  return (
    <svg width="18" height="18" viewBox="0 0 18 18" role="img" aria-label={state}>
      <circle
        cx="9"
        cy="9"
        r="7.5"
        fill={state === "done" ? "var(--work)" : "var(--sheet)"}
        stroke={state === "ahead" ? "var(--ink2)" : "var(--work)"}
        strokeWidth="2.2"
      />
      {state === "now" && <circle cx="9" cy="9" r="3.6" fill="var(--work)" />}
    </svg>
  );
}
