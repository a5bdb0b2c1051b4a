import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, data, deed } from "../../api/client";
import { Button } from "../../ui/Button";
import { TextField } from "../../ui/Field";
import { ProblemNote } from "../../ui/States";

/** The way on when the fault box does not answer: its plug comes out of the dead rig, and somebody says so. */
export function UnplugBox({ id }: { id: string }) {
  const client = useQueryClient();
  const [what, setWhat] = useState("");
  const unplug = useMutation({
    mutationFn: () =>
      deed(["unplugged", id, what], (eventId) =>
        data(
          api.POST("/api/assessments/{id}/proof/unplugged", {
            params: { path: { id } },
            body: { eventId, what: what.trim() },
          }),
        ),
      ),
    onSuccess: async () => {
      await client.invalidateQueries({ queryKey: ["assessment", id] });
      await client.invalidateQueries({ queryKey: ["floor"] });
    },
  });
  return (
    <details className="mt-2 border-t border-line pt-2">
      <summary className="min-h-10 py-2 font-semibold">The box stays silent</summary>
      <p className="mb-2">
        Isolate the rig, lock it off, prove it dead. Then take the plug of the fault box out of the rig and
        say so here. It is kept in the record.
      </p>
      <TextField
        label="What is the matter with the box"
        maxLength={500}
        value={what}
        onChange={(e) => setWhat(e.target.value)}
      />
      <Button className="mt-2" disabled={!what.trim() || unplug.isPending} onClick={() => unplug.mutate()}>
        Its plug is out of the rig
      </Button>
      <ProblemNote error={unplug.error} />
    </details>
  );
}
