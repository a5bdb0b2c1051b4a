import { useRef, useState } from "react";
import type { Schemas } from "../../api/client";
import { BayMark } from "../../ui/BayMark";
import { Button } from "../../ui/Button";
import { Chip } from "../../ui/Chip";
import { Pane } from "../../ui/Pane";
import { classes } from "../../ui/classes";
import type { WatchStep } from "./WatchStage";

type Sight = "RIGHT" | "SLIP" | "NOT_SEEN";

interface Props {
  step: WatchStep;
  bay: number;
  /** whether the signs that tell right from wrong are folded away: the candidate may stand beside */
  folded: boolean;
  onTap: (w: { observation: string; sight: Sight; slip: string }) => void;
  onAsk: (w: { question: string; points: number[] | null }) => void;
  /** what comes next by the scheme, where that is another station */
  next: string | undefined;
  onNext: () => void;
  /** stops for safety; undefined where there is nothing to stop */
  onStop: ((what: string) => void) | undefined;
}

/** One station: done right is one tap, a slip a second with its reason; what the candidate wrote stands below. */
export function StepPane({ step, bay, folded, onTap, onAsk, next, onNext, onStop }: Props) {
  const toAsk = step.questions.filter((q) => q.drawn && q.said === null).length;
  const unseen = step.observations.filter((o) => o.seen === "not-seen");
  return (
    <Pane
      title={
        <span className="inline-flex items-center gap-2 text-[20px]">
          <BayMark number={bay} /> {step.title}
        </span>
      }
      aside={[
        step.live ? "live" : "",
        step.boxes > 0 ? `${step.filled} written${step.open > 0 ? `, ${step.open} open` : ""}` : "",
        step.shut,
      ]
        .filter(Boolean)
        .join(" · ")}
      wall={step.live ? "caution" : "work"}
    >
      {step.observations.length > 0 && (
        <ul className="divide-y divide-line" aria-label="Seen">
          {step.observations.map((o) => (
            <SightRow key={o.id} line={o} onTap={onTap} onStop={onStop} />
          ))}
        </ul>
      )}
      <div className="mt-2 flex flex-wrap gap-2">
        {unseen.length > 1 && (
          <Button
            large
            onClick={() => unseen.forEach((o) => onTap({ observation: o.id, sight: "RIGHT", slip: "" }))}
          >
            ● All {unseen.length} right
          </Button>
        )}
      </div>
      {step.questions.length > 0 && <Questions step={step} onAsk={onAsk} />}
      {next && (
        <p className="mt-3 flex flex-wrap items-center gap-x-3 gap-y-1 border-t border-line pt-3">
          <Button kind={unseen.length === 0 && toAsk === 0 ? "main" : "plain"} large onClick={onNext}>
            Next: {next}
          </Button>
          {toAsk > 0 && (
            <span className="text-[16px] text-caution">
              {toAsk === 1 ? "1 question is" : `${toAsk} questions are`} not asked here yet
            </span>
          )}
        </p>
      )}
      {step.readings.length > 0 && (
        <div className="mt-3 border-t border-line pt-2">
          <h3 className="text-[16px] font-bold">Written here, newest first</h3>
          <ul className="grid text-[16px] sm:grid-cols-2 sm:gap-x-6">
            {step.readings.map((r) => (
              <li key={r.slot} className="flex justify-between gap-3 border-b border-line py-1.5">
                <span>
                  {r.quantity}, {r.where}
                  {r.taken && <span className="block text-[14px] text-ink2">{r.taken}</span>}
                </span>
                <span className="font-bold whitespace-nowrap tabular-nums">
                  {r.text} {!folded && <SideSign side={r.side} />}
                </span>
              </li>
            ))}
          </ul>
        </div>
      )}
      {step.observations.length === 0 && step.readings.length === 0 && (
        <p className="text-ink2">Nothing is recorded here yet.</p>
      )}
    </Pane>
  );
}

function SightRow({
  line,
  onTap,
  onStop,
}: {
  line: Schemas["SightLine"];
  onTap: Props["onTap"];
  onStop: Props["onStop"];
}) {
  const [asking, setAsking] = useState(false);
  /** a slip of safety that was tapped just now */
  const [grave, setGrave] = useState("");
  /** a second tap took something back: by accident, perhaps */
  const [undone, setUndone] = useState<{ sight: Sight; slip: string }>();
  const [note, setNote] = useState("");
  const slipButton = useRef<HTMLButtonElement>(null);
  const tap = (sight: Sight, slip = "") => {
    // the reasons go away with the tap: whoever works by keyboard goes on where they were
    if (asking) slipButton.current?.focus();
    setAsking(false);
    setNote("");
    setGrave(sight === "SLIP" && line.severity === "safety" ? slip : "");
    setUndone(
      sight === "NOT_SEEN" ? { sight: line.seen === "slip" ? "SLIP" : "RIGHT", slip: line.slip } : undefined,
    );
    onTap({ observation: line.id, sight, slip });
  };
  const right = line.seen === "right";
  const slip = line.seen === "slip";
  return (
    <li className="py-2">
      <div className="flex flex-wrap items-center justify-end gap-2">
        <span className="min-w-[14rem] flex-1 leading-snug">
          {line.text}{" "}
          {line.severity !== "counts" && (
            <Chip tone={line.severity === "safety" ? "caution" : "work"}>
              {line.severity === "safety" ? "safety" : "key"}
            </Chip>
          )}
          {slip && <span className="block text-[16px] text-caution">▼ {line.slip}</span>}
        </span>
        <Button
          large
          aria-pressed={right}
          aria-label={`Done right: ${line.text}`}
          className={classes("min-w-16", right && "!bg-work !text-on-work")}
          onClick={() => tap(right ? "NOT_SEEN" : "RIGHT")}
        >
          ● right
        </Button>
        <Button
          ref={slipButton}
          large
          aria-pressed={slip}
          aria-expanded={asking}
          aria-label={`Slip: ${line.text}`}
          className={classes("min-w-16", slip && "!border-caution !bg-caution-soft !text-caution")}
          onClick={() => (slip ? tap("NOT_SEEN") : setAsking(!asking))}
        >
          ▼ slip
        </Button>
      </div>
      {undone && line.seen === "not-seen" && (
        <p role="status" className="mt-1 flex flex-wrap items-center gap-3 text-[16px]">
          Tapped twice: it counts as not seen.
          <Button
            large
            onClick={() => {
              setUndone(undefined);
              onTap({ observation: line.id, ...undone });
            }}
          >
            It was {undone.sight === "RIGHT" ? "right" : "a slip"}
          </Button>
        </p>
      )}
      {grave && slip && onStop && (
        <div role="alert" className="mt-2 border-l-8 border-danger bg-danger-soft p-3">
          <p className="font-bold text-danger">That is safety. Stop?</p>
          <div className="mt-2 flex flex-wrap gap-2">
            <Button
              large
              kind="main"
              onClick={() => {
                setGrave("");
                onStop(grave);
              }}
            >
              Stop the assessment: {grave}
            </Button>
            <Button large onClick={() => setGrave("")}>
              It goes on
            </Button>
          </div>
        </div>
      )}
      {asking && (
        <div className="mt-2 flex flex-wrap gap-2 bg-raised p-2" role="group" aria-label="What was wrong">
          {line.slips.map((reason) => (
            <Button key={reason} large onClick={() => tap("SLIP", reason)}>
              {reason}
            </Button>
          ))}
          <span className="flex min-w-[220px] flex-1 gap-2">
            <input
              value={note}
              maxLength={500}
              placeholder="another: a short note"
              aria-label="Note"
              onChange={(e) => setNote(e.target.value)}
              className="min-h-12 min-w-0 flex-1 rounded-md border border-ink2 bg-sheet px-3"
            />
            <Button large disabled={!note.trim()} onClick={() => tap("SLIP", note.trim())}>
              Keep
            </Button>
          </span>
        </div>
      )}
    </li>
  );
}

function Questions({ step, onAsk }: { step: WatchStep; onAsk: Props["onAsk"] }) {
  const drawn = step.questions.filter((q) => q.drawn || q.said !== null);
  const others = step.questions.filter((q) => !drawn.includes(q));
  return (
    <div className="mt-3 border-t border-line pt-2">
      <h3 className="text-[16px] font-bold">Ask</h3>
      {drawn.map((q) => (
        <QuestionRow key={q.id} line={q} onAsk={onAsk} />
      ))}
      {others.length > 0 && (
        <details className="text-[16px]">
          <summary className="min-h-10 py-2 text-ink2">
            {others.length} more, not drawn for this person
          </summary>
          {others.map((q) => (
            <QuestionRow key={q.id} line={q} onAsk={onAsk} />
          ))}
        </details>
      )}
    </div>
  );
}

function QuestionRow({ line, onAsk }: { line: Schemas["AskLine"]; onAsk: Props["onAsk"] }) {
  const said = line.said ?? [];
  const toggle = (i: number) =>
    onAsk({ question: line.id, points: said.includes(i) ? said.filter((n) => n !== i) : [...said, i] });
  return (
    <div className="py-1.5">
      <p className="text-[17px]">
        {line.ask}{" "}
        <span className="text-[15px] text-ink2">
          {line.said === null
            ? `${line.needed} of ${line.points.length} needed`
            : `${said.length} said, ${line.needed} needed`}
        </span>
      </p>
      <div className="mt-1 flex flex-wrap gap-2">
        {line.points.map((p, i) => (
          <Button
            key={p}
            large
            aria-pressed={said.includes(i)}
            className={classes("!text-[16px]", said.includes(i) && "!bg-work-soft !font-bold")}
            onClick={() => toggle(i)}
          >
            {said.includes(i) ? "● " : ""}
            {p}
          </Button>
        ))}
        {line.said === null ? (
          <Button kind="quiet" large onClick={() => onAsk({ question: line.id, points: [] })}>
            nothing said
          </Button>
        ) : (
          <Button kind="quiet" large onClick={() => onAsk({ question: line.id, points: null })}>
            not asked
          </Button>
        )}
      </div>
    </div>
  );
}

/** Held against the key by shape only. */
function SideSign({ side }: { side: string }) {
  const signs: Record<string, [string, string]> = {
    inside: ["◆", "what this rig gives"],
    above: ["▲", "above"],
    below: ["▼", "below"],
    "over-range-instead": ["›", "over-range"],
    differs: ["≠", "says something else"],
    nothing: ["○", "cannot be read"],
  };
  const [sign, words] = signs[side] ?? ["", ""];
  return (
    <span className={side === "inside" ? "text-work" : "text-caution"} title={words}>
      {sign}
      <span className="sr-only">{words}</span>
    </span>
  );
}
