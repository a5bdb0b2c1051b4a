import { useQuery } from "@tanstack/react-query";
import { Link, Navigate, useParams } from "react-router";
import type { Schemas } from "../../api/client";
import { ClearStage } from "../clear";
import { FeedbackStage } from "../feedback";
import { MarkStage } from "../mark";
import { RecordStage } from "../record";
import { SetStage } from "../set";
import { WatchStage } from "../watch";
import { Loaded } from "../../ui/States";
import { PrepareStage } from "./PrepareStage";
import { bayQueries } from "./queries";
import { StageLine, STAGES, type StageName } from "./StageLine";

/** A bay at work: its stages on a line, the one looked at below. */
export function AssessmentPage() {
  const { id = "", stage = "" } = useParams();
  const header = useQuery(bayQueries.header(id));
  return (
    <Loaded query={header}>
      {(h) => {
        const page = PAGES.find((p) => p.stage === stage);
        const shown = page ? page.under : STAGES.find((s) => s === stage);
        if (!shown || !isReachable(h, shown)) {
          return (
            <Navigate
              to={`/assessments/${id}/${currentStage(h) === "done" ? (h.brokenOff ? "clear" : "mark") : currentStage(h)}`}
              replace
            />
          );
        }
        return (
          <>
            <div className="mb-3 flex flex-wrap items-center gap-x-6 gap-y-1">
              <h1 className="text-[21px] font-bold">
                Bay {h.bay} · {h.rig} · {h.candidate}
              </h1>
              <StageLine
                now={currentStage(h)}
                shown={shown}
                to={(s) => (isReachable(h, s) ? `/assessments/${id}/${s}` : null)}
              />
            </div>
            {h.resitOf && (
              <p className="mb-3 text-[15px] text-ink2">
                Parts of an earlier assessment are done again here.{" "}
                <Link className="text-work underline" to={`/assessments/${h.resitOf}/mark`}>
                  That one
                </Link>
              </p>
            )}
            {h.brokenOff && (
              <p role="status" className="mb-3 border-l-4 border-caution bg-caution-soft p-3">
                <b>Broken off without a judgement:</b> {h.brokenOff}. Clear the rig; nobody is marked for it.
              </p>
            )}
            {shown === "prepare" && <PrepareStage id={id} bay={h.bay} open={h.openedAt !== null} />}
            {shown === "set" && <SetStage id={id} />}
            {shown === "watch" && (
              <WatchStage key={id} id={id} bay={{ number: h.bay, rig: h.rig, candidate: h.candidate }} />
            )}
            {shown === "mark" && <MarkPages id={id} page={stage} />}
            {stage === "feedback" && <FeedbackStage id={id} />}
            {stage === "record" && <RecordStage id={id} />}
            {stage === "mark" && <MarkStage id={id} mayGoBack={h.stage === "MARK" && h.occupiesBay} />}
            {shown === "clear" && <ClearStage id={id} />}
          </>
        );
      }}
    </Loaded>
  );
}

/** What is looked at under a stage, each with an address of its own. */
const PAGES = [
  { stage: "mark", under: "mark", label: "Marks" },
  { stage: "feedback", under: "mark", label: "Feedback" },
  { stage: "record", under: "mark", label: "Record" },
] as const;

function MarkPages({ id, page }: { id: string; page: string }) {
  return (
    <nav aria-label="Marks, feedback, record" className="no-print mb-3 flex flex-wrap gap-x-5 text-[16px]">
      {PAGES.map((p) => (
        <Link
          key={p.stage}
          to={`/assessments/${id}/${p.stage}`}
          aria-current={p.stage === page ? "page" : undefined}
          className={p.stage === page ? "border-b-2 border-work py-1 font-bold" : "py-1 text-ink2"}
        >
          {p.label}
        </Link>
      ))}
    </nav>
  );
}

function currentStage(h: Schemas["Header"]): StageName | "done" {
  return h.stage.toLowerCase() as StageName | "done";
}

/** The rig can be cleared while the marks wait: the next candidate does not have to. */
function isReachable(h: Schemas["Header"], stage: StageName): boolean {
  if (stage === "prepare" || stage === "set") return true;
  if (stage === "watch") return h.openedAt !== null;
  if (stage === "mark" && h.brokenOff) return false;
  return h.handedInAt !== null;
}
