import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { api, data, deed, type Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { Pane } from "../../ui/Pane";
import { Loaded, ProblemNote } from "../../ui/States";
import { clock } from "../../ui/when";
import { feedbackQueries, KINDS, type Kind, type Sentence } from "./queries";

/** What the candidate is told: drafted from the evidence, edited here, then given. */
export function FeedbackStage({ id }: { id: string }) {
  const view = useQuery(feedbackQueries.view(id));
  return (
    <Loaded query={view}>
      {(v) =>
        v.decided ? (
          <Editor key={id} id={id} view={v} />
        ) : (
          <p className="text-ink2">Feedback follows the outcome: sign that first, on Mark.</p>
        )
      }
    </Loaded>
  );
}

interface Row extends Sentence {
  key: string;
}

let made = 0;
const rows = (lines: Sentence[]): Row[] => lines.map((l) => ({ ...l, key: `r${made++}` }));

function Editor({ id, view }: { id: string; view: Schemas["FeedbackView"] }) {
  const client = useQueryClient();
  const [basedOn, setBasedOn] = useState(view.seq);
  const [named, setNamed] = useState(view.given?.named ?? false);
  const [lines, setLines] = useState(() => rows(view.given?.lines ?? view.draft));
  const [history, setHistory] = useState<Row[][]>([]);
  const change = (next: Row[]) => {
    setHistory([...history.slice(-49), lines]);
    setLines(next);
  };
  const undo = () => {
    const last = history.at(-1);
    if (!last) return;
    setLines(last);
    setHistory(history.slice(0, -1));
  };
  const sent = lines
    .filter((l) => l.text.trim())
    .map(({ kind, text, slots }) => ({ kind, text: text.trim(), slots }));
  const give = useMutation({
    mutationFn: () =>
      deed(["feedback", id, basedOn, sent, named], (eventId) =>
        data(
          api.PUT("/api/assessments/{id}/feedback", {
            params: { path: { id } },
            body: { eventId, basedOn, lines: sent, named },
          }),
        ),
      ),
    onSuccess: (v) => {
      setBasedOn(v.seq);
      setHistory([]);
      client.setQueryData(feedbackQueries.view(id).queryKey, v);
    },
  });
  const dirty = history.length > 0 && !give.isPending;
  useEffect(() => {
    if (!dirty) return;
    const ask = (e: BeforeUnloadEvent) => e.preventDefault();
    window.addEventListener("beforeunload", ask);
    return () => window.removeEventListener("beforeunload", ask);
  }, [dirty]);
  // given by somebody else while this was being written: neither replaces the other by itself
  const overtaken = view.seq !== basedOn && view.given !== null;
  const written = new Map(view.boxes.map((b) => [b.slot, b]));
  const saved = view.given !== null && JSON.stringify(view.given.lines) === JSON.stringify(sent);
  return (
    <div className="grid items-start gap-3 lg:grid-cols-[minmax(0,1fr)_300px]">
      <div className="space-y-3">
        {overtaken && view.given && (
          <div role="alert" className="border-l-4 border-caution bg-caution-soft p-3">
            <p>
              <b>{view.given.by} has given feedback meanwhile.</b> Yours stands here as you wrote it and is
              not given.
            </p>
            <p className="mt-2 flex flex-wrap gap-2">
              <Button
                onClick={() => {
                  if (!view.given) return;
                  change(rows(view.given.lines));
                  setNamed(view.given.named);
                  setBasedOn(view.seq);
                }}
              >
                Take theirs
              </Button>
              <Button onClick={() => setBasedOn(view.seq)}>Keep mine, to give it anew</Button>
            </p>
          </div>
        )}
        {KINDS.map(({ kind, title }) => (
          <Pane key={kind} title={title} wall={kind === "RIGHT" ? "work" : undefined}>
            <ul className="divide-y divide-line" aria-label={title}>
              {lines
                .filter((l) => l.kind === kind)
                .map((line) => (
                  <li key={line.key} className="grid grid-cols-[minmax(0,1fr)_auto] gap-2 py-2">
                    <textarea
                      aria-label={`${title}, a sentence`}
                      value={line.text}
                      maxLength={600}
                      rows={Math.ceil(line.text.length / 85) || 1}
                      onChange={(e) =>
                        change(lines.map((l) => (l.key === line.key ? { ...l, text: e.target.value } : l)))
                      }
                      className="w-full rounded-md border border-line bg-sheet px-3 py-1.5 text-ink"
                    />
                    <Button
                      kind="quiet"
                      aria-label={`Take out: ${line.text}`}
                      onClick={() => change(lines.filter((l) => l.key !== line.key))}
                    >
                      Take out
                    </Button>
                    {line.slots.length > 0 && (
                      <p className="col-span-2 text-[13px] text-ink2">
                        Taught by{" "}
                        {line.slots
                          .slice(0, 5)
                          .map((s) => written.get(s))
                          .filter((b) => b !== undefined)
                          .map((b) => `${b.label} (${b.written})`)
                          .join("; ")}
                        {line.slots.length > 5 && ` and ${line.slots.length - 5} more`}
                      </p>
                    )}
                  </li>
                ))}
            </ul>
            <Add onAdd={(text) => change([...lines, ...rows([{ kind, text, slots: [] }])])} kind={kind} />
          </Pane>
        ))}
      </div>
      <div className="space-y-3">
        <Pane title="Give it" wall={saved ? "work" : undefined}>
          <p className="text-[15px]">
            {view.given
              ? `Given ${clock(view.given.at)} by ${view.given.by}. What is given again replaces it.`
              : "A draft from the evidence. Change what does not say it well; nothing is told before you give it."}
          </p>
          <label className="my-3 flex items-start gap-2 text-[15px]">
            <input
              type="checkbox"
              className="mt-0.5 size-5"
              checked={named}
              disabled={!view.mayName}
              onChange={(e) => {
                setNamed(e.target.checked);
                if (view.given === null && history.length === 0)
                  setLines(rows(e.target.checked ? view.draftNamed : view.draft));
              }}
            />
            <span>
              Tell what was set
              <span className="block text-[13px] text-ink2">
                {view.mayName
                  ? view.faults.length > 0
                    ? view.faults.join("; ")
                    : "The rig was sound."
                  : "Not this one: the set is in the library and will be used again."}
              </span>
            </span>
          </label>
          <div className="flex flex-wrap gap-2">
            <Button
              kind="main"
              disabled={sent.length === 0 || give.isPending || overtaken}
              onClick={() => give.mutate()}
            >
              {view.given ? "Give it anew" : "Give it to the candidate"}
            </Button>
            <Button kind="quiet" disabled={history.length === 0} onClick={undo}>
              Undo
            </Button>
            <Button kind="quiet" onClick={() => change(rows(named ? view.draftNamed : view.draft))}>
              Draft anew
            </Button>
          </div>
          <ProblemNote error={give.error} />
          {view.given && (
            <p className="mt-2">
              <a className="text-work underline" href={`/api/assessments/${id}/feedback/pdf`} target="_blank">
                As PDF
              </a>
            </p>
          )}
        </Pane>
        <p className="text-[14px] text-ink2">
          The candidate reads these sentences, their own readings and the outcome; neither what was expected
          nor what was set, unless you tell it here.
        </p>
      </div>
    </div>
  );
}

function Add({ kind, onAdd }: { kind: Kind; onAdd: (text: string) => void }) {
  const [text, setText] = useState("");
  const add = () => {
    if (!text.trim()) return;
    onAdd(text.trim());
    setText("");
  };
  return (
    <form
      className="mt-2 flex gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        add();
      }}
    >
      <input
        aria-label={`Another sentence: ${KINDS.find((k) => k.kind === kind)?.title.toLowerCase()}`}
        placeholder="Another sentence"
        value={text}
        maxLength={600}
        onChange={(e) => setText(e.target.value)}
        className="min-h-10 min-w-0 flex-1 rounded-md border border-line bg-sheet px-3"
      />
      <Button disabled={!text.trim()} onClick={add}>
        Add
      </Button>
    </form>
  );
}
