import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, data, type Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { TextField } from "../../ui/Field";
import { Pane } from "../../ui/Pane";
import { ProblemNote } from "../../ui/States";
import { rigQueries } from "./queries";

/** What a technician should look at; each note stays with what was found. */
export function RigNotes({ id }: { id: string }) {
  const notes = useQuery(rigQueries.notes(id));
  if (!notes.data || notes.data.length === 0) return null;
  const open = notes.data.filter((n) => n.done === null);
  const done = notes.data.flatMap((n) => (n.done === null ? [] : [{ ...n, done: n.done }]));
  return (
    <Pane title="To look at" wall={open.length > 0 ? "plum" : undefined}>
      {open.length === 0 && <p className="text-ink2">Nothing is open.</p>}
      <ul className="divide-y divide-line">
        {open.map((n) => (
          <li key={n.noteId} className="py-2">
            <Note id={id} note={n} />
          </li>
        ))}
      </ul>
      {done.length > 0 && (
        <details className="text-[14px] text-ink2">
          <summary className="py-1">{done.length} looked at</summary>
          <ul className="divide-y divide-line">
            {done.map((n) => (
              <li key={n.noteId} className="py-1">
                Bay {n.bay}: {n.text} <b>{n.done.what}</b> {n.done.by}, {n.done.at.slice(0, 10)}
              </li>
            ))}
          </ul>
        </details>
      )}
    </Pane>
  );
}

function Note({ id, note }: { id: string; note: Schemas["RigNote"] }) {
  const client = useQueryClient();
  const [what, setWhat] = useState("");
  const close = useMutation({
    mutationFn: () =>
      data(
        api.PUT("/api/rigs/{id}/notes/{note}", {
          params: { path: { id, note: note.noteId } },
          body: { what },
        }),
      ),
    onSuccess: (all) => client.setQueryData(rigQueries.notes(id).queryKey, all),
  });
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        close.mutate();
      }}
    >
      <p className="text-[15px]">
        <b>Bay {note.bay}.</b> {note.text}{" "}
        <span className="text-ink2">
          {note.noted.by}, {note.noted.at.slice(0, 10)}
        </span>
      </p>
      <div className="mt-1 flex flex-wrap items-end gap-2">
        <TextField
          className="min-w-[160px] flex-1"
          label="What you found and did"
          value={what}
          maxLength={500}
          onChange={(e) => setWhat(e.target.value)}
        />
        <Button type="submit" disabled={!what.trim() || close.isPending}>
          Looked at
        </Button>
      </div>
      <ProblemNote error={close.error} />
    </form>
  );
}
