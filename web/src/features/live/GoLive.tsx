import { queryOptions, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, data, deed, type Schemas } from "../../api/client";
import { CheckList } from "../proof";
import { Button } from "../../ui/Button";
import { Chip } from "../../ui/Chip";
import { TextField } from "../../ui/Field";
import { Pane } from "../../ui/Pane";
import { Loaded, ProblemNote } from "../../ui/States";
import { clock } from "../../ui/when";
import { MakeDead } from "./MakeDead";

const liveQuery = (id: string) =>
  queryOptions({
    queryKey: ["assessment", id, "live"] as const,
    queryFn: ({ signal }) =>
      data(api.GET("/api/assessments/{id}/live", { signal, params: { path: { id } } })),
    refetchInterval: 5000,
  });

/** Permission to energise: dead-only faults out and proved out, the rest simulated with the supply on. */
export function GoLive({ id }: { id: string }) {
  const live = useQuery(liveQuery(id));
  const client = useQueryClient();
  const params = { path: { id } };
  const keep = (view: Schemas["LiveView"]) => {
    client.setQueryData(liveQuery(id).queryKey, view);
    void client.invalidateQueries({ queryKey: ["floor"] });
  };
  const out = useMutation({
    mutationFn: (w: { fault: number; out: boolean }) =>
      deed(["live/out", id, w], (eventId) =>
        data(api.POST("/api/assessments/{id}/live/out", { params, body: { eventId, ...w } })),
      ),
    onSuccess: keep,
  });
  const reading = useMutation({
    mutationFn: (w: { slot: string; text: string }) =>
      deed(["live/readings", id, w], (eventId) =>
        data(api.POST("/api/assessments/{id}/live/readings", { params, body: { eventId, ...w } })),
      ),
    onSuccess: keep,
  });
  const [reason, setReason] = useState("");
  const power = useMutation({
    mutationFn: () =>
      deed(["live/on", id, reason], (eventId) =>
        data(
          api.POST("/api/assessments/{id}/live/on", {
            params,
            body: { eventId, reason: reason.trim() || null },
          }),
        ),
      ),
    onSuccess: keep,
  });
  return (
    <Loaded query={live}>
      {(v) =>
        v.energisedAt ? (
          <MakeDead id={id} title={`Live since ${clock(v.energisedAt)}`} onDead={keep}>
            This bay needs your whole attention. No other rig of yours goes live meanwhile, and the sheet
            cannot be handed in until this one is dead.
          </MakeDead>
        ) : (
          <Pane title="Go live">
            {v.faults.length > 0 && (
              <ul className="mb-3 divide-y divide-line">
                {v.faults.map((f) => (
                  <li key={f.index} className="flex flex-wrap items-center gap-3 py-2">
                    <span className="flex-1">
                      {f.title}, {f.place}{" "}
                      <Chip tone={f.safety === "may stay live" ? "plain" : "caution"}>{f.safety}</Chip>
                    </span>
                    <Button
                      large
                      disabled={out.isPending}
                      onClick={() => out.mutate({ fault: f.index, out: !f.out })}
                    >
                      {f.out ? "Put back" : f.how === "box" ? "Release its relay" : "It is out"}
                    </Button>
                    {f.out && <Chip>out</Chip>}
                  </li>
                ))}
              </ul>
            )}
            {v.checks.length > 0 && (
              <>
                <h3 className="font-bold">Prove it out</h3>
                <CheckList
                  id={id}
                  checks={v.checks}
                  simulated={v.simulated}
                  disabled={false}
                  onCheck={(slot, text) => reading.mutate({ slot, text })}
                />
              </>
            )}
            <ProblemNote error={out.error ?? reading.error ?? power.error} />
            {v.whyNot.length > 0 ? (
              <ul className="mt-2 list-disc pl-5 text-caution" aria-label="Why it may not go live">
                {v.whyNot.map((w) => (
                  <li key={w}>{w}</li>
                ))}
              </ul>
            ) : (
              <p className="mt-2">
                Nothing set makes it unsafe by simulation, at the worse end of tolerances.
              </p>
            )}
            <ul className="mt-2 space-y-1 border-l-4 border-caution pl-3" aria-label="Cautions">
              {v.cautions.map((c) => (
                <li key={c}>{c}</li>
              ))}
            </ul>
            {v.openDead > 0 && (
              <TextField
                className="mt-3"
                label={`${v.openDead} ${v.openDead === 1 ? "box" : "boxes"} of the dead tests ${v.openDead === 1 ? "is" : "are"} empty. Why live now?`}
                large
                maxLength={1000}
                value={reason}
                onChange={(e) => setReason(e.target.value)}
              />
            )}
            <div className="mt-3">
              <Button
                kind={v.mayGoLive ? "main" : "plain"}
                large
                disabled={power.isPending || (v.openDead > 0 && !reason.trim())}
                onClick={() => power.mutate()}
              >
                Go live, with permission
              </Button>
            </div>
          </Pane>
        )
      }
    </Loaded>
  );
}
