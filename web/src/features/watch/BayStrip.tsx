import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { useInterval } from "../../api/changes";
import { BayMark, bayColour } from "../../ui/BayMark";
import { classes } from "../../ui/classes";
import { floorQueries } from "../floor";

/** The Floor's own plan in miniature: to the other bay in one tap, and what it needs. */
export function BayStrip({ here }: { here: number }) {
  const floor = useQuery({ ...floorQueries.now, refetchInterval: useInterval(5000) });
  if (!floor.data) return null;
  return (
    <nav aria-label="Bays" className="flex gap-1.5 overflow-x-auto">
      {floor.data.bays
        .filter((b) => b.assessmentId)
        .map((b) => {
          const need = floor.data.aisle.find((n) => n.bayId === b.id && n.go === "watch");
          return (
            <Link
              key={b.id}
              to={`/assessments/${b.assessmentId}/${b.stage === "DONE" ? "clear" : (b.stage ?? "set").toLowerCase()}`}
              aria-current={b.number === here ? "page" : undefined}
              className={classes(
                "flex min-h-12 min-w-32 items-center gap-2 border-2 bg-sheet pr-2 leading-tight hover:bg-work-soft",
                b.number === here ? "font-bold" : "",
              )}
              style={{ borderColor: b.number === here ? bayColour(b.number) : "var(--line)" }}
            >
              <BayMark number={b.number} large />
              <span className="min-w-0 text-[14px]">
                <span className="block truncate">{b.candidate}</span>
                <span className={b.live || need ? "font-bold text-caution" : "text-ink2"}>
                  {b.live ? "LIVE" : need ? `▲ ${need.brief}` : (b.stage ?? "").toLowerCase()}
                </span>
              </span>
            </Link>
          );
        })}
    </nav>
  );
}
