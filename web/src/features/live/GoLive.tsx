import { queryOptions, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, ApiProblem, data, deed, type Schemas } from "../../api/client";
import { layOver } from "../../api/layOver";
import { useTick } from "../conduct";
import { CheckList } from "../proof";
import { Button } from "../../ui/Button";
import { Chip } from "../../ui/Chip";
import { TextField } from "../../ui/Field";
import { Pane } from "../../ui/Pane";
import { Loaded, ProblemNote } from "../../ui/States";
import { TickList } from "../../ui/TickList";
import { clock } from "../../ui/when";
import { MakeDead } from "./MakeDead";

const liveQuery = (id: string) =>
  queryOptions({
    queryKey: ["assessment", id, "live"] as const,
    queryFn: ({ signal }) =>
      data(api.GET("/api/assessments/{id}/live", { signal, params: { path: { id } } })),
    refetchInterval: 5000,
  });

/** The server says what stands in the rig, its faults by name and place among it. */
const namesFaults = (error: unknown) =>
  error instanceof ApiProblem && error.problems.some((p) => p.code === "not-safe");

interface Props {
  id: string;
  /** back to watching; undefined while it is live */
  onBack?: (() => void) | undefined;
  onLive?: () => void;
}

/**
 * Its own moment, for both: what is set is out or harmless, what the candidate says and asks, what the assessor sees; then
 * the supply comes on.
 */
export function GoLive({ id, onBack, onLive }: Props) {
  const live = useQuery(liveQuery(id));
  const tick = useTick(id);
  const client = useQueryClient();
  const params = { path: { id } };
  const keep = (view: Schemas["LiveView"]) => {
    layOver(client, liveQuery(id).queryKey, view);
    void client.invalidateQueries({ queryKey: ["floor"] });
  };
  // ticks and readings one after the other
  const scope = { id: `live ${id}` };
  const out = useMutation({
    scope,
    mutationFn: (w: { fault: number; out: boolean }) =>
      deed(["live/out", id, w], (eventId) =>
        data(api.POST("/api/assessments/{id}/live/out", { params, body: { eventId, ...w } })),
      ),
    onSuccess: keep,
  });
  const reading = useMutation({
    scope,
    mutationFn: (w: { slot: string; text: string }) =>
      deed(["live/readings", id, w], (eventId) =>
        data(api.POST("/api/assessments/{id}/live/readings", { params, body: { eventId, ...w } })),
      ),
    onSuccess: keep,
  });
  const [reason, setReason] = useState("");
  // the candidate stands beside: which faults are set is seen by whoever asks to
  const [shown, setShown] = useState(false);
  const power = useMutation({
    mutationFn: () =>
      deed(["live/on", id, reason], (eventId) =>
        data(
          api.POST("/api/assessments/{id}/live/on", {
            params,
            body: { eventId, reason: reason.trim() || null, seen: [] },
          }),
        ),
      ),
    onSuccess: (view) => {
      keep(view);
      void client.invalidateQueries({ queryKey: ["assessment", id] });
      onLive?.();
    },
  });
  return (
    <Loaded query={live}>
      {(v) =>
        v.energisedAt ? (
          <MakeDead
            id={id}
            title={`Live since ${clock(v.energisedAt)}`}
            onDead={(view) => {
              keep(view);
              void client.invalidateQueries({ queryKey: ["assessment", id] });
            }}
          >
            This bay needs your whole attention. No other rig of yours goes live meanwhile, and the sheet
            cannot be handed in until this one is dead.
          </MakeDead>
        ) : (
          <Pane wall="caution" title={<span className="text-[22px]">Go live</span>}>
            <ul className="mb-4 space-y-1 border-l-4 border-caution pl-3 text-[18px]" aria-label="Cautions">
              {v.cautions.map((c) => (
                <li key={c}>{c}</li>
              ))}
            </ul>
            {v.faults.length > 0 && (
              <p className="mb-2 flex flex-wrap items-center gap-3">
                <span>
                  {v.faults.length === 1 ? "1 fault of the set" : `${v.faults.length} faults of the set`},{" "}
                  {v.faults.filter((f) => f.out).length} out
                </span>
                <Button large aria-expanded={shown} onClick={() => setShown(!shown)}>
                  {shown ? "Hide the faults" : "Show the faults"}
                </Button>
                {!shown && <span className="text-ink2">Turn the screen away from the candidate first.</span>}
              </p>
            )}
            {shown && v.faults.length > 0 && (
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
            {shown && v.checks.length > 0 && (
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
            {namesFaults(power.error) && !shown && v.faults.length > 0 ? (
              <p role="alert" className="mt-2 border-l-4 border-caution bg-caution-soft p-3">
                It did not go live. Show the faults to read why.
              </p>
            ) : (
              <ProblemNote error={out.error ?? reading.error ?? power.error} />
            )}
            {v.whyNot.length > 0 && !shown && v.faults.length > 0 ? (
              <p className="mt-2 text-caution">
                {v.whyNot.length === 1 ? "One thing stands" : `${v.whyNot.length} things stand`} against it:
                show the faults to read what.
              </p>
            ) : v.whyNot.length > 0 ? (
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
            <div className="mt-3 grid gap-4 lg:grid-cols-2">
              {v.lists.map((list) => (
                <div key={list.list} className="border border-line p-3">
                  <h3 className="font-bold">
                    {list.list === "LIVE_ASKED" ? "The candidate says and asks" : "You see, and give"}
                  </h3>
                  <TickList
                    view={list}
                    disabled={tick.isPending}
                    onTick={(item, on) => tick.mutate({ list: list.list, item, on })}
                  />
                  {list.list === "LIVE_ASKED" && (
                    <p className="mt-1 text-[14px] text-ink2">
                      Ticked on the candidate’s own sheet, or here when it is said aloud.
                    </p>
                  )}
                </div>
              ))}
            </div>
            <ProblemNote error={tick.error} />
            {v.openDead.length > 0 && (
              <TextField
                className="mt-3"
                label={`Empty boxes of the dead tests: ${v.openDead.map((o) => `${o.step} ${o.boxes}`).join(", ")}. Why live now?`}
                large
                maxLength={1000}
                value={reason}
                onChange={(e) => setReason(e.target.value)}
              />
            )}
            <div className="mt-3 flex flex-wrap items-center gap-3">
              <Button
                kind={v.mayGoLive && v.lists.every((l) => l.complete) ? "main" : "plain"}
                large
                disabled={
                  power.isPending ||
                  (v.openDead.length > 0 && !reason.trim()) ||
                  (v.mayGoLive && !v.lists.every((l) => l.complete))
                }
                onClick={() => power.mutate()}
              >
                Go live, with permission
              </Button>
              {onBack && (
                <Button large kind="quiet" onClick={onBack}>
                  Not now
                </Button>
              )}
            </div>
          </Pane>
        )
      }
    </Loaded>
  );
}
