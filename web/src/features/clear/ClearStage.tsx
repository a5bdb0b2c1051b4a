import { queryOptions, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type KeyboardEvent, useState } from "react";
import { useNavigate } from "react-router";
import { api, data, newEventId, type Schemas } from "../../api/client";
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
  });

/** Faults out, then the readings that proved them set prove the rig healthy. */
export function ClearStage({ id }: { id: string }) {
  const view = useQuery(clearQuery(id));
  const client = useQueryClient();
  const navigate = useNavigate();
  const params = { path: { id } };
  const keep = (v: Schemas["ClearView"]) => {
    client.setQueryData(clearQuery(id).queryKey, v);
    void client.invalidateQueries({ queryKey: ["floor"] });
    void client.invalidateQueries({ queryKey: ["assessment", id, "header"] });
    void client.invalidateQueries({ queryKey: ["bay"] });
  };
  const check = useMutation({
    mutationFn: (w: { slot: string; text: string }) =>
      data(api.POST("/api/assessments/{id}/clear/checks", { params, body: { eventId: newEventId(), ...w } })),
    onSuccess: keep,
  });
  const done = useMutation({
    mutationFn: () =>
      data(api.POST("/api/assessments/{id}/clear/done", { params, body: { eventId: newEventId() } })),
    onSuccess: (v) => {
      keep(v);
      void navigate("/floor");
    },
  });
  return (
    <Loaded query={view}>
      {(v) => (
        <div className="grid max-w-[1100px] gap-3 md:grid-cols-2">
          <Pane title="Take out" wall="plum">
            {v.faults.length === 0 && <p className="text-ink2">No fault was set.</p>}
            <ol className="divide-y divide-line">
              {v.faults.map((f) => (
                <li key={f.title + f.place} className="py-2">
                  <p className="font-semibold">
                    {f.title}, {f.place}
                  </p>
                  <p className="text-ink2">{f.remedy}</p>
                </li>
              ))}
            </ol>
            <p className="mt-3 text-[13px] text-ink2">
              Rig isolated and locked off while you do it. Links out, conductors back at their torque, covers
              on.
            </p>
          </Pane>
          <Pane title="Prove it healthy">
            <ul className="divide-y divide-line">
              {v.checks.map((c) => (
                <HealthyRow
                  key={c.slot + c.text}
                  check={c}
                  disabled={v.clearedAt !== null}
                  onCheck={(text) => check.mutate({ slot: c.slot, text })}
                />
              ))}
            </ul>
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
        </div>
      )}
    </Loaded>
  );
}

interface RowProps {
  check: Schemas["HealthyCheck"];
  disabled: boolean;
  onCheck: (text: string) => void;
}

function HealthyRow({ check, disabled, onCheck }: RowProps) {
  const [text, setText] = useState(check.text);
  const send = () => {
    if (text.trim() && text !== check.text) onCheck(text);
  };
  const id = `clear-${check.slot}`;
  return (
    <li className="grid grid-cols-[1fr_112px] items-center gap-x-3 py-2">
      <label htmlFor={id}>
        <span className="font-semibold">{check.what}</span>
        <span className="block text-[13px] text-ink2">healthy: {check.window}</span>
      </label>
      <input
        id={id}
        value={text}
        disabled={disabled}
        placeholder={check.unit}
        onChange={(e) => setText(e.target.value)}
        onBlur={send}
        onKeyDown={(e: KeyboardEvent<HTMLInputElement>) => e.key === "Enter" && e.currentTarget.blur()}
        className="min-h-12 rounded-md border border-ink2 bg-sheet px-2 text-[18px] disabled:opacity-60"
      />
      {check.text && (
        <p
          role="status"
          className={check.fits ? "col-span-2 font-semibold text-work" : "col-span-2 text-caution"}
        >
          {check.fits ? "◆ healthy" : "✕ not healthy: is the fault still in?"}
        </p>
      )}
    </li>
  );
}
