import { useQuery } from "@tanstack/react-query";
import { Navigate, useParams } from "react-router";
import type { Schemas } from "../../api/client";
import { ClearStage } from "../clear";
import { MarkStage } from "../mark";
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
        const shown = STAGES.find((s) => s === stage);
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
            {h.brokenOff && (
              <p role="status" className="mb-3 border-l-4 border-caution bg-caution-soft p-3">
                <b>Broken off without a judgement:</b> {h.brokenOff}. Clear the rig; nobody is marked for it.
              </p>
            )}
            {shown === "prepare" && <PrepareStage id={id} bay={h.bay} open={h.openedAt !== null} />}
            {shown === "set" && <SetStage id={id} />}
            {shown === "watch" && (
              <WatchStage id={id} bay={{ number: h.bay, rig: h.rig, candidate: h.candidate }} />
            )}
            {shown === "mark" && <MarkStage id={id} mayGoBack={h.stage === "MARK" && h.occupiesBay} />}
            {shown === "clear" && <ClearStage id={id} />}
          </>
        );
      }}
    </Loaded>
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
