import { useMutation, useQueryClient } from "@tanstack/react-query";
import { type ReactNode, useState } from "react";
import { api, data, deed, type Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { Pane } from "../../ui/Pane";
import { ProblemNote } from "../../ui/States";

interface Props {
  id: string;
  title?: string;
  onDead: (view: Schemas["LiveView"]) => void;
  children: ReactNode;
}

/** The one thing to do with a live rig: off and locked, then proved dead. Each is said by itself. */
export function MakeDead({ id, title = "Live", onDead, children }: Props) {
  const [lockedOff, setLockedOff] = useState(false);
  const [provedDead, setProvedDead] = useState(false);
  const client = useQueryClient();
  const off = useMutation({
    mutationFn: () =>
      deed(["live/off", id], (eventId) =>
        data(
          api.POST("/api/assessments/{id}/live/off", {
            params: { path: { id } },
            body: { eventId, lockedOff, provedDead },
          }),
        ),
      ),
    onSuccess: (view) => {
      void client.invalidateQueries({ queryKey: ["floor"] });
      void client.invalidateQueries({ queryKey: ["assessment", id, "header"] });
      onDead(view);
    },
  });
  return (
    <Pane wall="caution" title={title}>
      <p className="mb-2">{children}</p>
      <Tick checked={lockedOff} onChange={setLockedOff}>
        It is off and locked off; the key is with me.
      </Tick>
      <Tick checked={provedDead} onChange={setProvedDead}>
        It is proved dead: indicator tried on a known source, every pair of conductors, indicator tried again.
      </Tick>
      <div className="mt-3">
        <Button large disabled={!lockedOff || !provedDead || off.isPending} onClick={() => off.mutate()}>
          It is dead
        </Button>
      </div>
      <ProblemNote error={off.error} />
    </Pane>
  );
}

function Tick(props: { checked: boolean; onChange: (checked: boolean) => void; children: ReactNode }) {
  return (
    <label className="flex min-h-12 items-center gap-3">
      <input
        type="checkbox"
        className="size-6 shrink-0 accent-[var(--work)]"
        checked={props.checked}
        onChange={(e) => props.onChange(e.target.checked)}
      />
      <span>{props.children}</span>
    </label>
  );
}
