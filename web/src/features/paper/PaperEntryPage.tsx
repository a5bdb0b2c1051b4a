import { queryOptions, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type KeyboardEvent, useEffect, useMemo, useRef, useState, useSyncExternalStore } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { api, data, deed, sentence, type Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { classes } from "../../ui/classes";
import { KeyCap } from "../../ui/KeyCap";
import { Loaded, ProblemNote } from "../../ui/States";
import { PaperEntries } from "./entries";
import { asWritten, type Line, linesOf, wordOf } from "./typing";

const paper = (id: string) =>
  queryOptions({
    queryKey: ["assessment", id, "paper"] as const,
    queryFn: ({ signal }) =>
      data(api.GET("/api/assessments/{id}/paper", { signal, params: { path: { id } } })),
  });

/** A sheet that came back on paper, entered as fast as a keypad allows: in its order, Enter moves on, no mouse. */
export function PaperEntryPage({ me }: { me: string }) {
  const { id = "" } = useParams();
  const view = useQuery(paper(id));
  return (
    <Loaded query={view}>
      {(v) => (
        <div className="mx-auto max-w-[1100px]">
          <div className="mb-2 flex flex-wrap items-baseline gap-x-5">
            <h1 className="text-[21px] font-bold">
              {v.candidate} · {v.rig}, from paper
            </h1>
            <span className="text-ink2">{v.scheme}</span>
          </div>
          {v.open ? (
            <Entry key={id} id={id} me={me} view={v} />
          ) : (
            <p className="text-ink2">
              This sheet is not open.{" "}
              <Link className="underline" to={`/assessments/${id}/watch`}>
                To the assessment
              </Link>
            </p>
          )}
        </div>
      )}
    </Loaded>
  );
}

function Entry({ id, me, view }: { id: string; me: string; view: Schemas["PaperView"] }) {
  const client = useQueryClient();
  const navigate = useNavigate();
  const [boxes, setBoxes] = useState<Record<string, Schemas["Box"]>>({});
  const entries = useMemo(
    () => new PaperEntries(me, id, (box) => setBoxes((b) => ({ ...b, [box.slot]: box }))),
    [me, id],
  );
  useEffect(() => {
    entries.start();
    return () => entries.stop();
  }, [entries]);
  const state = useSyncExternalStore(entries.subscribe, entries.snapshot);
  const lines = useMemo(() => linesOf(view.steps), [view.steps]);
  const pending = new Map(state.pending.map((p) => [p.slot, p]));
  const now = lines.map((l) => {
    const box = boxes[l.box.slot] ?? l.box;
    const wait = pending.get(box.slot);
    return { ...l, box: wait ? { ...box, text: wait.text, satisfactory: wait.satisfactory } : box };
  });
  const [at, setAt] = useState(() =>
    Math.max(
      0,
      now.findIndex((l) => !l.box.text),
    ),
  );
  const handIn = useMutation({
    mutationFn: () =>
      deed(["paper-in", id], (eventId) =>
        data(api.PUT("/api/assessments/{id}/paper/hand-in", { params: { path: { id } }, body: { eventId } })),
      ),
    onSuccess: async () => {
      await client.invalidateQueries({ queryKey: ["assessment", id] });
      await navigate(`/assessments/${id}/mark`);
    },
  });
  const filled = now.filter((l) => l.box.text).length;
  const keep = (line: Line, text: string, satisfactory: boolean | null) => {
    if (text !== line.box.text || satisfactory !== line.box.satisfactory) {
      entries.write({ slot: line.box.slot, text, satisfactory });
    }
    setAt((i) => Math.min(now.length, i + 1));
  };
  return (
    <>
      <div className="sticky top-0 z-10 mb-2 flex flex-wrap items-center gap-x-5 gap-y-1 border-b border-line bg-ground py-2">
        <span className="font-bold tabular-nums">
          {filled} of {now.length}
        </span>
        <span role="status" className={state.waiting ? "font-semibold text-caution" : "text-ink2"}>
          {state.waiting
            ? `${state.pending.length} kept here`
            : state.pending.length > 0
              ? "Saving…"
              : "Saved"}
        </span>
        <span className="flex flex-wrap items-center gap-x-3 text-[14px] text-ink2">
          <span>
            <KeyCap>Enter</KeyCap> keep, satisfactory
          </span>
          <span>
            <KeyCap>/</KeyCap> keep, not satisfactory
          </span>
          <span>
            <KeyCap>*</KeyCap> over-range
          </span>
          <span>
            <KeyCap>1</KeyCap> <KeyCap>2</KeyCap> the words of a box
          </span>
          <span>
            <KeyCap>↑</KeyCap> back
          </span>
        </span>
        <Button
          className="ml-auto"
          kind={at >= now.length ? "main" : "plain"}
          disabled={state.pending.length > 0 || handIn.isPending}
          onClick={() => handIn.mutate()}
        >
          All entered: to Mark
        </Button>
      </div>
      <ProblemNote error={handIn.error} />
      {state.refused.length > 0 && (
        <div role="alert" className="mb-2 border-l-4 border-caution bg-caution-soft p-2">
          {state.refused.map((r) => (
            <p key={r.write.eventId}>
              <b>“{r.write.text}” was not kept.</b> {r.error.problems.map(sentence).join(" ")}
            </p>
          ))}
          <Button className="mt-1" onClick={() => entries.dismiss()}>
            I have read it
          </Button>
        </div>
      )}
      <ol aria-label="Boxes of the sheet" className="bg-sheet">
        {now.map((line, i) => (
          <Row
            key={line.box.slot}
            line={line}
            heading={heading(now, i)}
            current={i === at}
            onGo={() => setAt(i)}
            onBack={() => setAt(Math.max(0, i - 1))}
            onKeep={(text, ok) => keep(line, text, ok)}
          />
        ))}
      </ol>
    </>
  );
}

function heading(lines: Line[], i: number): string {
  const line = lines[i];
  const before = lines[i - 1];
  if (!line || (before && before.step === line.step && before.group === line.group)) return "";
  return [line.step, line.group].filter(Boolean).join(" · ");
}

interface RowProps {
  line: Line;
  heading: string;
  current: boolean;
  onGo: () => void;
  onBack: () => void;
  onKeep: (text: string, satisfactory: boolean | null) => void;
}

function Row({ line: { box }, heading: title, current, onGo, onBack, onKeep }: RowProps) {
  return (
    <>
      {title && <li className="border-t border-line bg-raised px-3 py-1 font-bold">{title}</li>}
      <li
        className={classes(
          "grid min-h-10 grid-cols-[1fr_220px_40px] items-center gap-3 border-t border-line px-3",
          current && "border-l-8 border-l-work bg-work-soft",
        )}
        onClick={current ? undefined : onGo}
      >
        <span>
          {box.quantity} <span className="text-ink2">{box.where}</span>
        </span>
        {current ? (
          <Typing key={box.slot} box={box} onBack={onBack} onKeep={onKeep} />
        ) : (
          <span className={classes("tabular-nums", box.mend !== "" && "text-caution")}>
            <b>{box.text}</b> <span className="text-ink2">{/\d\+?$/.test(box.text) && box.unit}</span>
          </span>
        )}
        <span className="text-center" aria-hidden={!box.judged}>
          {box.judged && box.satisfactory !== null ? (box.satisfactory ? "✓" : "✗") : ""}
        </span>
      </li>
    </>
  );
}

interface TypingProps {
  box: Schemas["Box"];
  onBack: () => void;
  onKeep: (text: string, satisfactory: boolean | null) => void;
}

function Typing({ box, onBack, onKeep }: TypingProps) {
  const [typed, setTyped] = useState(box.text);
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => {
    input.current?.focus();
    input.current?.select();
    input.current?.scrollIntoView?.({ block: "center" });
  }, []);
  const keep = (satisfactory: boolean, text = asWritten(typed, box)) =>
    onKeep(text, box.judged && text !== "" ? satisfactory : null);
  const onKeyDown = (e: KeyboardEvent<HTMLInputElement>) => {
    const word = typed === box.text ? wordOf(e.key, box) : undefined;
    if (e.key === "Enter") keep(true);
    else if (e.key === "/" && box.judged) keep(false);
    else if (e.key === "ArrowUp") onBack();
    else if (word) keep(true, word);
    else return;
    e.preventDefault();
  };
  return (
    <span className="flex items-center gap-2">
      <input
        ref={input}
        aria-label={`${box.quantity} ${box.where}`}
        inputMode={box.unit ? "decimal" : "text"}
        autoComplete="off"
        maxLength={160}
        value={typed}
        onChange={(e) => setTyped(e.target.value)}
        onKeyDown={onKeyDown}
        className="min-h-9 w-full min-w-0 rounded-md border-2 border-work bg-sheet px-2 text-[18px] tabular-nums"
      />
      <span className="shrink-0 text-[14px] text-ink2">
        {box.unit || box.keys.map((k, i) => `${i + 1} ${k.replace(":", "…")}`).join("  ")}
      </span>
    </span>
  );
}
