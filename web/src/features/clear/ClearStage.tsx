import { queryOptions, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { api, data, deed, type Schemas } from "../../api/client";
import { layOver } from "../../api/layOver";
import { MakeDead } from "../live";
import { CheckList, HypothesesPane, UnplugBox } from "../proof";
import { Button } from "../../ui/Button";
import { Chip } from "../../ui/Chip";
import { Pane } from "../../ui/Pane";
import { Loaded, ProblemNote } from "../../ui/States";
import { clock } from "../../ui/when";

const clearQuery = (id: string) =>
  queryOptions({
    queryKey: ["assessment", id, "clear"] as const,
    queryFn: ({ signal }) =>
      data(api.GET("/api/assessments/{id}/clear", { signal, params: { path: { id } } })),
    refetchInterval: 4000,
  });

/** Faults out, relays released, then the fewest readings that tell each of them prove the rig healthy. */
export function ClearStage({ id }: { id: string }) {
  const view = useQuery(clearQuery(id));
  const client = useQueryClient();
  const navigate = useNavigate();
  const params = { path: { id } };
  const keep = (v: Schemas["ClearView"]) => {
    layOver(client, clearQuery(id).queryKey, v);
    void client.invalidateQueries({ queryKey: ["assessment", id, "header"] });
    void client.invalidateQueries({ queryKey: ["bay"] });
    return client.invalidateQueries({ queryKey: ["floor"] });
  };
  // ticks and readings one after the other; what moves relays waits for nothing
  const scope = { id: `clear ${id}` };
  const out = useMutation({
    scope,
    mutationFn: (w: { fault: number; out: boolean }) =>
      deed(["clear/out", id, w], (eventId) =>
        data(api.POST("/api/assessments/{id}/clear/out", { params, body: { eventId, ...w } })),
      ),
    onSuccess: keep,
  });
  const release = useMutation({
    mutationFn: () =>
      deed(["clear/release", id], (eventId) =>
        data(api.POST("/api/assessments/{id}/clear/release", { params, body: { eventId } })),
      ),
    onSuccess: keep,
  });
  const check = useMutation({
    scope,
    mutationFn: (w: { slot: string; text: string }) =>
      deed(["clear/checks", id, w], (eventId) =>
        data(api.POST("/api/assessments/{id}/clear/checks", { params, body: { eventId, ...w } })),
      ),
    onSuccess: keep,
  });
  const done = useMutation({
    mutationFn: () =>
      deed(["clear/done", id], (eventId) =>
        data(api.POST("/api/assessments/{id}/clear/done", { params, body: { eventId } })),
      ),
    onSuccess: async (v) => {
      // waited for: the Floor must not show the old tile
      await keep(v);
      void navigate("/floor");
    },
  });
  return (
    <Loaded query={view}>
      {(v) => (
        <div className="grid max-w-[1200px] items-start gap-3 md:grid-cols-2">
          {v.live && (
            <div className="md:col-span-2">
              <MakeDead
                id={id}
                onDead={() => void client.invalidateQueries({ queryKey: clearQuery(id).queryKey })}
              >
                This rig is recorded live. Nothing is taken out and nothing measured until it is dead.
              </MakeDead>
            </div>
          )}
          <Pane title="Take out" wall="plum">
            {v.relaysIn.length > 0 && (
              <div className="mb-3 border-b border-line pb-3">
                <p className="mb-2 font-semibold text-plum">
                  Fault box: relays {v.relaysIn.join(", ")} are pulled in.
                </p>
                <Button kind="main" disabled={v.live || release.isPending} onClick={() => release.mutate()}>
                  Release all relays
                </Button>
              </div>
            )}
            {v.boxSays && <p className="mb-2 font-semibold text-caution">△ {v.boxSays}</p>}
            {v.boxSilent && !v.live && <UnplugBox id={id} />}
            {v.faults.length === 0 && <p className="text-ink2">No fault was set.</p>}
            <ol className="divide-y divide-line">
              {v.faults.map((f) => (
                <OutRow
                  key={f.index}
                  fault={f}
                  out={out.isPending && out.variables.fault === f.index ? out.variables.out : f.out}
                  disabled={v.live || v.clearedAt !== null || out.isPending}
                  onTick={(isOut) => out.mutate({ fault: f.index, out: isOut })}
                />
              ))}
            </ol>
            <ProblemNote error={out.error ?? release.error} />
            <p className="mt-3 text-[13px] text-ink2">
              Rig isolated and locked off while you do it. Links out, conductors back at their torque, covers
              on.
            </p>
          </Pane>
          <div className="space-y-3">
            <Pane title="Prove it healthy">
              <CheckList
                id={id}
                checks={v.checks}
                simulated={v.simulated}
                disabled={v.live || v.clearedAt !== null}
                onCheck={(slot, text) => check.mutate({ slot, text })}
              />
              <ProblemNote error={check.error ?? done.error} />
              {v.clearedAt ? (
                <p className="mt-3">
                  <Chip>healthy, {clock(v.clearedAt)}</Chip>
                </p>
              ) : (
                <div className="mt-3">
                  <p className="mb-2 text-ink2">{v.whyNot || "All readings are healthy."}</p>
                  <Button
                    kind="main"
                    large
                    disabled={!v.mayClear || done.isPending}
                    onClick={() => done.mutate()}
                  >
                    The bay is free
                  </Button>
                </div>
              )}
            </Pane>
            <HypothesesPane hypotheses={v.hypotheses} />
          </div>
        </div>
      )}
    </Loaded>
  );
}

interface OutProps {
  fault: Schemas["ToRemove"];
  /** as recorded, or as it is being written */
  out: boolean;
  disabled: boolean;
  onTick: (out: boolean) => void;
}

function OutRow({ fault, out, disabled, onTick }: OutProps) {
  return (
    <li className="py-2">
      <label className="flex gap-3">
        <input
          type="checkbox"
          className="mt-0.5 size-6 accent-[var(--work)]"
          checked={out}
          disabled={disabled}
          onChange={(e) => onTick(e.target.checked)}
        />
        <span>
          <span className="font-semibold">
            {fault.title}, {fault.place}
          </span>
          <span className="block text-ink2">
            {fault.how === "box" ? "Its relay releases it." : fault.remedy}
            {fault.look && " Only the eye proves it out."}
          </span>
        </span>
      </label>
    </li>
  );
}
