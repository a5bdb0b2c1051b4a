import { queryOptions, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, data, newEventId, type Schemas } from "../../api/client";
import { CheckList } from "../proof";
import { Button } from "../../ui/Button";
import { Chip } from "../../ui/Chip";
import { Pane } from "../../ui/Pane";
import { Loaded, ProblemNote } from "../../ui/States";
import { clock } from "../../ui/when";

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
      data(api.POST("/api/assessments/{id}/live/out", { params, body: { eventId: newEventId(), ...w } })),
    onSuccess: keep,
  });
  const reading = useMutation({
    mutationFn: (w: { slot: string; text: string }) =>
      data(
        api.POST("/api/assessments/{id}/live/readings", { params, body: { eventId: newEventId(), ...w } }),
      ),
    onSuccess: keep,
  });
  const power = useMutation({
    mutationFn: (on: boolean) =>
      on
        ? data(api.POST("/api/assessments/{id}/live/on", { params, body: { eventId: newEventId() } }))
        : data(api.POST("/api/assessments/{id}/live/off", { params, body: { eventId: newEventId() } })),
    onSuccess: keep,
  });
  return (
    <Loaded query={live}>
      {(v) =>
        v.energisedAt ? (
          <Pane wall="caution" title={`Live since ${clock(v.energisedAt)}`}>
            <p className="mb-3">
              This bay needs your whole attention. Nobody else’s rig goes live meanwhile.
            </p>
            <Button large onClick={() => power.mutate(false)} disabled={power.isPending}>
              It is dead again and locked off
            </Button>
            <ProblemNote error={power.error} />
          </Pane>
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
                Nothing set makes it unsafe by simulation. Agree permission, covers on, bystanders back; local
                code and your site’s rules come first.
              </p>
            )}
            <div className="mt-3">
              <Button
                kind={v.mayGoLive ? "main" : "plain"}
                large
                disabled={power.isPending}
                onClick={() => power.mutate(true)}
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
