import { queryOptions, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { api, data, deed, type Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { Loaded, ProblemNote } from "../../ui/States";
import { clock } from "../../ui/when";
import { GoLive } from "../live";
import { ProcedureLine } from "./ProcedureLine";
import { SafetyStop } from "./SafetyStop";
import { StepPane } from "./StepPane";
import { type TapState, type WatchView, withTaps } from "./taps";
import { useTaps } from "./useTaps";

export type WatchStep = Schemas["WatchStep"];

const watch = (id: string) =>
  queryOptions({
    queryKey: ["assessment", id, "watch"] as const,
    queryFn: ({ signal }) =>
      data(api.GET("/api/assessments/{id}/watch", { signal, params: { path: { id } } })),
    refetchInterval: 2000,
  });

/** A candidate at work, for somebody on their feet: the procedure as a line, what is next at the thumb. */
export function WatchStage({ id }: { id: string }) {
  const view = useQuery(watch(id));
  const client = useQueryClient();
  const [chosen, setChosen] = useState<string>();
  const [folded, setFolded] = useState(false);
  const params = { path: { id } };
  const keep = (v: WatchView) => client.setQueryData(watch(id).queryKey, v);
  const { taps, state } = useTaps(id, watch(id).queryKey);
  const stop = useMutation({
    mutationFn: (what: string) =>
      deed(["watch/stop", id, what], (eventId) =>
        data(api.POST("/api/assessments/{id}/watch/stop", { params, body: { eventId, what } })),
      ),
    onSuccess: keep,
  });
  const end = useMutation({
    mutationFn: () =>
      deed(["watch/end", id], (eventId) =>
        data(api.POST("/api/assessments/{id}/watch/end", { params, body: { eventId } })),
      ),
    onSuccess: async (v) => {
      keep(v);
      await client.invalidateQueries({ queryKey: ["assessment", id] });
    },
  });
  return (
    <Loaded query={view}>
      {(kept) => {
        const w = withTaps(kept, state.pending);
        const next = w.steps.find((s) => s.next);
        const shown = w.steps.find((s) => s.id === chosen) ?? next ?? w.steps[0];
        return (
          <div className="text-[18px]">
            {w.relaysOutSince && (
              <p role="alert" className="mb-3 border-l-4 border-caution bg-caution-soft p-3">
                <b>The fault box let its relays go at {clock(w.relaysOutSince)}.</b> What is read since then
                is of a rig without these faults, and counts as such. With the rig dead,{" "}
                <Link className="underline" to={`/assessments/${id}/set`}>
                  arm the box again
                </Link>
                .
              </p>
            )}
            {w.stop && (
              <div role="alert" className="mb-3 border-l-8 border-caution bg-caution-soft p-4">
                <p className="text-[20px] font-bold">Stopped for safety, {clock(w.stop.at)}</p>
                <p>{w.stop.what}</p>
                <p className="mt-1 text-[16px]">
                  Make it safe: everybody off the rig, main switch off, locked, proved dead in every pair.
                  Then the sheet goes to be marked as it is.
                </p>
                {w.open && (
                  <Button
                    kind="main"
                    large
                    className="mt-2"
                    disabled={w.live || end.isPending}
                    onClick={() => end.mutate()}
                  >
                    {w.live ? "Make it dead first, below" : "It is safe: end the assessment"}
                  </Button>
                )}
                <ProblemNote error={end.error} />
              </div>
            )}
            <div className="mb-3 flex flex-wrap items-center gap-x-5 gap-y-2">
              <Clock view={w} />
              <span className="text-[16px] text-ink2">
                {w.filled} of {w.boxes} boxes ·{" "}
                {w.reports === 1 ? "1 fault named" : `${w.reports} faults named`}
              </span>
              <Saved state={state} />
              <Button kind="quiet" large aria-pressed={folded} onClick={() => setFolded(!folded)}>
                {folded ? "show the signs" : "fold the signs"}
              </Button>
              {w.open && !w.stop && (
                <span className="ml-auto">
                  <SafetyStop busy={stop.isPending} error={stop.error} onStop={(what) => stop.mutate(what)} />
                </span>
              )}
            </div>
            <ProcedureLine
              steps={w.steps}
              chosen={shown?.id ?? ""}
              stopped={w.stop !== null}
              onChoose={setChosen}
            />
            <div className="mt-3 grid items-start gap-3 lg:grid-cols-[minmax(0,1.35fr)_minmax(0,1fr)]">
              {shown && (
                <StepPane
                  key={shown.id}
                  step={shown}
                  folded={folded}
                  error={state.refused[0]?.error}
                  onTap={(o) => taps.write({ kind: "seen", ...o })}
                  onAsk={(q) => taps.write({ kind: "asked", ...q })}
                  onNext={() => setChosen(undefined)}
                />
              )}
              {(!w.stop || w.live) && <GoLive id={id} />}
            </div>
          </div>
        );
      }}
    </Loaded>
  );
}

/** Always in sight: whether what was tapped has arrived. */
function Saved({ state }: { state: TapState }) {
  const count = state.pending.length;
  const words =
    state.waiting === "owner"
      ? `Signed out: ${count} kept here, sent when you sign in again`
      : state.waiting
        ? `No connection: ${count} kept here, sent when it is back`
        : count > 0
          ? "Saving…"
          : "Saved";
  return (
    <span
      role="status"
      className={`text-[16px] ${state.waiting ? "font-semibold text-caution" : "text-ink2"}`}
    >
      {words}
    </span>
  );
}

/** Time gone, and of how much. */
function Clock({ view }: { view: WatchView }) {
  if (!view.openedAt) return <span className="text-ink2">not begun</span>;
  const minutes = view.minutesGone;
  const over = view.minutes > 0 && minutes > view.minutes;
  return (
    <span className={`text-[20px] font-bold tabular-nums ${over ? "text-caution" : ""}`}>
      {minutes} min{view.minutes > 0 && <span className="font-normal text-ink2"> of {view.minutes}</span>}
      {over && " ▲ over time"}
    </span>
  );
}
