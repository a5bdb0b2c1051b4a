import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type ChangeEvent, useState } from "react";
import { api, data, type Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { Dialog } from "../../ui/Dialog";
import { SelectField, TextField } from "../../ui/Field";
import { Pane } from "../../ui/Pane";
import { Loaded, ProblemNote } from "../../ui/States";
import { practiceQueries } from "./queries";

type Written = Schemas["DrillWritten"];

const NEW: Written = { id: "", title: "", idea: "", tests: [], most: 6, faults: [] };

/** Drills that this workshop wrote: written here, or brought in as files. */
export function OwnDrills() {
  return <Loaded query={useQuery(practiceQueries.drills)}>{(choices) => <List choices={choices} />}</Loaded>;
}

function List({ choices }: { choices: Schemas["DrillChoices"] }) {
  const [writing, setWriting] = useState<Written | null>(null);
  const client = useQueryClient();
  const again = () => {
    setWriting(null);
    void client.invalidateQueries({ queryKey: practiceQueries.drills.queryKey });
    void client.invalidateQueries({ queryKey: practiceQueries.offer.queryKey, exact: true });
  };
  const bring = useMutation({
    mutationFn: (file: File) => {
      const body = new FormData();
      body.append("file", file);
      return data(api.POST("/api/drills/import", { body: body as never, bodySerializer: (b) => b }));
    },
    onSuccess: again,
  });
  const retire = useMutation({
    mutationFn: (id: string) => data(api.DELETE("/api/drills/{id}", { params: { path: { id } } })),
    onSuccess: again,
  });
  return (
    <Pane title="Drills of this workshop" aside="everybody here can do them">
      <ProblemNote error={bring.error ?? retire.error} />
      {choices.own.length === 0 && <p className="text-ink2">None yet. Write one, or import a file.</p>}
      <ul className="divide-y divide-line">
        {choices.own.map((drill) => (
          <li key={drill.id} className="flex flex-wrap items-center gap-2 py-2">
            <span className="min-w-[14rem] flex-1">
              <b>{drill.title}</b>
              <span className="block text-ink2">{drill.idea}</span>
            </span>
            <Button onClick={() => setWriting(drill)} aria-label={`Change ${drill.title}`}>
              Change
            </Button>
            <a
              className="inline-flex min-h-10 items-center px-2 text-work underline"
              href={`/api/drills/${drill.id}/file`}
              download
              aria-label={`Export ${drill.title}`}
            >
              Export
            </a>
            <Button
              kind="quiet"
              onClick={() => retire.mutate(drill.id)}
              aria-label={`Take ${drill.title} out of the list`}
            >
              Take out
            </Button>
          </li>
        ))}
      </ul>
      <div className="mt-3 flex flex-wrap items-center gap-3">
        <Button onClick={() => setWriting(NEW)}>Write a drill…</Button>
        <label className="inline-flex min-h-10 cursor-pointer items-center rounded-md border border-line px-4 font-semibold focus-within:outline-2 hover:bg-work-soft">
          Import a file…
          <input
            type="file"
            accept=".json"
            className="sr-only"
            onChange={(e: ChangeEvent<HTMLInputElement>) => {
              const file = e.target.files?.[0];
              if (file) bring.mutate(file);
              e.target.value = "";
            }}
          />
        </label>
      </div>
      {writing && (
        <Editor choices={choices} drill={writing} onClose={() => setWriting(null)} onSaved={again} />
      )}
    </Pane>
  );
}

interface EditorProps {
  choices: Schemas["DrillChoices"];
  drill: Written;
  onClose: () => void;
  onSaved: () => void;
}

function Editor({ choices, drill, onClose, onSaved }: EditorProps) {
  const [now, setNow] = useState(drill);
  const fresh = drill.id === "";
  const save = useMutation({
    mutationFn: () =>
      data(api.PUT("/api/drills", { body: { ...now, id: fresh ? idOf(now.title) : drill.id } })),
    onSuccess: onSaved,
  });
  const complete = now.title.trim() !== "" && now.idea.trim() !== "" && now.tests.length > 0;
  return (
    <Dialog
      open
      onClose={onClose}
      title={fresh ? "Write a drill" : `Change ${drill.title}`}
      about="One test or one idea. Anyone already doing it keeps the old one."
    >
      <form
        className="space-y-3"
        onSubmit={(e) => {
          e.preventDefault();
          if (complete) save.mutate();
        }}
      >
        <TextField
          label="Title"
          maxLength={60}
          value={now.title}
          onChange={(e) => setNow({ ...now, title: e.target.value })}
        />
        <TextField
          label="What is learnt, in a sentence"
          maxLength={200}
          value={now.idea}
          onChange={(e) => setNow({ ...now, idea: e.target.value })}
        />
        <Ticks
          legend="Which tests are read"
          choices={choices.tests}
          chosen={now.tests}
          onChange={(tests) => setNow({ ...now, tests })}
        />
        <SelectField
          label="How many readings at most"
          value={String(now.most)}
          onChange={(e) => setNow({ ...now, most: Number(e.target.value) })}
        >
          {[1, 2, 4, 6, 8, 10, 15, 20, 30, 40].map((n) => (
            <option key={n} value={n}>
              {n}
            </option>
          ))}
        </SelectField>
        <details open={now.faults.length > 0}>
          <summary className="min-h-10 py-2 font-semibold">
            A fault on the rig:{" "}
            {now.faults.length === 0 ? "none, it is sound" : `one of ${now.faults.length} kinds, drawn anew`}
          </summary>
          <Ticks
            legend="Kinds that are drawn from"
            choices={choices.faults}
            chosen={now.faults}
            onChange={(faults) => setNow({ ...now, faults })}
          />
        </details>
        <ProblemNote error={save.error} />
        <div className="flex justify-end gap-2">
          <Button kind="quiet" onClick={onClose}>
            Leave it
          </Button>
          <Button kind="main" type="submit" disabled={!complete || save.isPending}>
            Keep the drill
          </Button>
        </div>
      </form>
    </Dialog>
  );
}

function Ticks({
  legend,
  choices,
  chosen,
  onChange,
}: {
  legend: string;
  choices: Schemas["DrillChoice"][];
  chosen: string[];
  onChange: (chosen: string[]) => void;
}) {
  return (
    <fieldset>
      <legend className="mb-1 font-semibold">{legend}</legend>
      <div className="grid max-h-52 gap-x-3 overflow-auto border border-line p-2 sm:grid-cols-2">
        {choices.map((c) => (
          <label key={c.id} className="flex min-h-9 items-center gap-2">
            <input
              type="checkbox"
              className="size-5 shrink-0 accent-[var(--work)]"
              checked={chosen.includes(c.id)}
              onChange={(e) =>
                onChange(e.target.checked ? [...chosen, c.id] : chosen.filter((id) => id !== c.id))
              }
            />
            {c.label}
          </label>
        ))}
      </div>
    </fieldset>
  );
}

/** "Ring, in a hurry" as "ring-in-a-hurry". */
function idOf(title: string): string {
  return title
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-+|-+$/g, "")
    .slice(0, 40)
    .replace(/-+$/, "");
}
