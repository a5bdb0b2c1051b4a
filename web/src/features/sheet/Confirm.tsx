import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, data, deed, type Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { Pane } from "../../ui/Pane";
import { ProblemNote } from "../../ui/States";
import { TickList } from "../../ui/TickList";
import { sheetQueries, type SheetView } from "./queries";

/** What the candidate confirms before the first reading, and what is asked for before the rig goes live. */
export function Confirm({ id, view }: { id: string; view: SheetView }) {
  const client = useQueryClient();
  const [asking, setAsking] = useState(false);
  const tick = useMutation({
    mutationFn: (t: { list: Schemas["ListView"]["list"]; item: string; on: boolean }) =>
      deed(["my-tick", id, t], (eventId) =>
        data(api.PUT("/api/my/sheets/{id}/ticks", { params: { path: { id } }, body: { eventId, ...t } })),
      ),
    onSuccess: (v) => client.setQueryData(sheetQueries.one(id).queryKey, v),
  });
  if (!view.open) return null;
  const { ready, liveAsked } = view.conducted;
  const hasLive = view.steps.some((s) => s.live);
  if (!ready.complete) {
    return (
      <Pane title={ready.title} wall="work" className="mb-3">
        <TickList
          view={ready}
          disabled={tick.isPending}
          onTick={(item, on) => tick.mutate({ list: "READY", item, on })}
        />
        <ProblemNote error={tick.error} />
      </Pane>
    );
  }
  if (!hasLive || view.live) return null;
  return asking || liveAsked.items.some((i) => i.ticked) ? (
    <Pane
      title={liveAsked.complete ? "Asked: your assessor looks, then decides" : liveAsked.title}
      wall="caution"
      className="mb-3"
    >
      <TickList
        view={liveAsked}
        disabled={tick.isPending}
        onTick={(item, on) => tick.mutate({ list: "LIVE_ASKED", item, on })}
      />
      <ProblemNote error={tick.error} />
    </Pane>
  ) : (
    <p className="mb-2">
      <Button onClick={() => setAsking(true)}>Ask to go live…</Button>
    </p>
  );
}
