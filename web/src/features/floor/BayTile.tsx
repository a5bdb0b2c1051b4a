import { Link } from "react-router";
import type { Schemas } from "../../api/client";
import { BayMark, bayColour } from "../../ui/BayMark";
import { Chip } from "../../ui/Chip";
import { clock } from "../../ui/when";

const ORDER = ["SET", "WATCH", "MARK", "CLEAR"];

/** One bay: who, which stage, what next, whether faults are set. */
export function BayTile({ bay }: { bay: Schemas["BayView"] }) {
  const to = bay.assessmentId
    ? `/assessments/${bay.assessmentId}/${stagePath(bay.stage)}`
    : `/bays/${bay.id}/prepare`;
  return (
    <li>
      <Link
        to={to}
        className={`block border border-t-[7px] bg-raised p-3 hover:bg-work-soft ${bay.live ? "border-caution outline-4 outline-caution" : "border-line"}`}
        style={{ borderTopColor: bayColour(bay.number) }}
      >
        {bay.live && (
          <span className="-mx-3 -mt-3 mb-2 block bg-caution py-1 text-center text-[20px] font-bold tracking-widest text-sheet">
            LIVE
          </span>
        )}
        <span className="flex items-center justify-between gap-2">
          <span className="flex items-center gap-2 text-[16px] font-bold">
            <BayMark number={bay.number} /> {bay.rig}
          </span>
          {bay.faultsSet > 0 && (
            <Chip tone="plum">{bay.faultsSet === 1 ? "1 fault set" : `${bay.faultsSet} faults set`}</Chip>
          )}
        </span>
        <span className="flex justify-between gap-2">
          <span className={bay.assessmentId ? "" : "text-ink2"}>{bay.candidate}</span>
          <span className="text-[13px] text-ink2">{bay.earthing}</span>
        </span>
        {bay.box && <Chip tone="caution">{bay.box}</Chip>}
        {bay.drifts > 0 && <Chip tone="caution">{bay.drifts} healthy beyond tolerance</Chip>}
        <StageBar stage={bay.stage} />
        <span className="block font-semibold">{bay.now}</span>
        {bay.assessor && (
          <span className="flex justify-between gap-2 text-[14px]">
            <span className="text-ink2">{bay.assessor} watches</span>
            {bay.left !== null && (
              <span className={bay.left < 0 ? "font-bold text-caution" : "tabular-nums"}>
                {bay.left < 0 ? "time is up" : `${Math.ceil(bay.left / 60)} min left`}
              </span>
            )}
          </span>
        )}
        <span className="flex justify-between text-[13px] text-ink2">
          <span>{bay.detail}</span>
          <span>{clock(bay.since)}</span>
        </span>
      </Link>
    </li>
  );
}

function stagePath(stage: Schemas["BayView"]["stage"]): string {
  return stage === "DONE" || stage === null ? "clear" : stage.toLowerCase();
}

/** Five pieces of a line: done filled, now striped. */
function StageBar({ stage }: { stage: Schemas["BayView"]["stage"] }) {
  const now = stage === null ? -1 : stage === "DONE" ? 5 : ORDER.indexOf(stage) + 1;
  return (
    <span aria-hidden="true" className="my-2 grid grid-cols-5 gap-[3px]">
      {[0, 1, 2, 3, 4].map((i) => (
        <span
          key={i}
          className="h-[6px] bg-line"
          style={
            i < now
              ? { background: "var(--work)" }
              : i === now
                ? { background: "repeating-linear-gradient(90deg, var(--work) 0 4px, transparent 4px 8px)" }
                : {}
          }
        />
      ))}
    </span>
  );
}
