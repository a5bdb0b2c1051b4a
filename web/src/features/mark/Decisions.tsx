import { type ReactNode } from "react";
import { Button } from "../../ui/Button";
import { Chip } from "../../ui/Chip";
import { classes } from "../../ui/classes";
import { SIGN, WORD } from "./awards";
import { ChangeMark } from "./ChangeMark";
import type { Award, MarkingView, MarkLine } from "./queries";

export type Decision = MarkingView["toDecide"][number];

/** Marks of a decision that nobody has given yet. */
export function openMarks(view: MarkingView, decision: Decision): MarkLine[] {
  return view.marks.filter((m) => decision.marks.includes(m.id) && m.given === null && m.wants !== "NOTHING");
}

/** What is proposed and stands in no decision: all that is right. */
export function rightMarks(view: MarkingView): MarkLine[] {
  const decided = new Set(view.toDecide.flatMap((d) => d.marks));
  return view.marks.filter((m) => !decided.has(m.id) && m.wants !== "NOTHING");
}

/** "½ mark", "2 marks", "no mark lost". */
function cost(points: number): string {
  if (points === 0) return "no mark lost";
  const whole = Math.floor(points);
  const half = points - whole >= 0.5 ? "½" : "";
  const shown = points % 0.5 === 0 ? `${whole || half ? `${whole || ""}${half}` : "0"}` : points.toFixed(2);
  return `${shown} ${points <= 1 ? "mark" : "marks"}`;
}

interface Props {
  view: MarkingView;
  decision: Decision;
  shown: boolean;
  locked: boolean;
  busy: boolean;
  onShow: () => void;
  onDecide: (given: { mark: string; given: Award; reason: string }[]) => void;
  /** its readings, drawn */
  children: ReactNode;
}

/** One thing to decide: what it is, why, what it costs, what to ask. */
export function DecisionCard({ view, decision, shown, locked, busy, onShow, onDecide, children }: Props) {
  const open = openMarks(view, decision);
  const marks = view.marks.filter((m) => decision.marks.includes(m.id));
  const cause = view.causes.find((c) => c.cause === decision.cause);
  const done = open.length === 0 && marks.length > 0;
  return (
    <article
      className={classes(
        "border border-l-4 border-line bg-sheet",
        done ? "border-l-work" : decision.key || decision.lookFirst ? "border-l-plum" : "border-l-caution",
      )}
    >
      <h3>
        <button
          type="button"
          data-decision={decision.id}
          aria-expanded={shown}
          onClick={onShow}
          className="flex min-h-11 w-full flex-wrap items-baseline gap-x-3 px-4 py-2 text-left hover:bg-work-soft"
        >
          <span aria-hidden="true" className="text-ink2">
            {done ? "✓" : shown ? "▾" : "▸"}
          </span>
          <span className="min-w-0 flex-1">
            <b>{decision.title}</b>{" "}
            <span className="text-[14px] text-ink2">
              {cause
                ? cause.slots.length === 1
                  ? "one reading"
                  : `${cause.slots.length} readings`
                : decision.of}
            </span>
          </span>
          {decision.lookFirst && <Chip tone="caution">look at the rig first</Chip>}
          <span className="text-[14px] font-bold">
            {cost(decision.costs)}
            {decision.key && ", key"}
          </span>
        </button>
      </h3>
      {shown && (
        <div className="space-y-2 px-4 pb-3">
          {cause ? <Why view={view} cause={cause} /> : <p className="text-[15px]">{decision.evidence}</p>}
          {children}
          {marks.length > 0 && (
            <ul className="divide-y divide-line border-t border-line" aria-label="Marks">
              {marks.map((m) => (
                <li key={m.id} className="flex items-baseline gap-2 py-1.5 text-[14px]">
                  <b className="w-6 text-caution">{SIGN[m.given ?? m.proposed ?? "NOT_SEEN"]}</b>
                  <span className="min-w-0 flex-1">
                    <b>{m.title}</b>{" "}
                    <span className="text-ink2">
                      {m.circuit ? `${m.circuit}, ` : ""}
                      {m.group}, ×{m.weight}
                    </span>
                    {cause && <span className="block text-ink2">{m.evidence}</span>}
                    {m.given !== null && (
                      <span className="block">
                        {m.given === m.proposed
                          ? "agreed"
                          : `changed from ${WORD[m.proposed ?? "OPEN"]} to ${WORD[m.given]}: ${m.reason}`}
                      </span>
                    )}
                  </span>
                  {!locked && <ChangeMark mark={m} onDecide={onDecide} />}
                </li>
              ))}
            </ul>
          )}
          {!locked && open.length > 0 && (
            <Button kind="main" disabled={busy} onClick={() => onDecide(open.map(asProposed))}>
              {decision.lookFirst ? "Looked at: agree" : "Agree"}
            </Button>
          )}
        </div>
      )}
    </article>
  );
}

/** A mark as it is proposed. */
export function asProposed(mark: MarkLine) {
  return { mark: mark.id, given: (mark.proposed ?? "NOT_SEEN") as Award, reason: "" };
}

function Why({ view, cause }: { view: MarkingView; cause: MarkingView["causes"][number] }) {
  const rigFirst = view.rigFirst?.slots.some((s) => cause.slots.includes(s)) ? view.rigFirst : null;
  return (
    <div className="space-y-1 text-[15px]">
      <p>{cause.evidence}</p>
      {rigFirst && <p className="text-caution">{rigFirst.words}</p>}
      <p>
        {cause.kind === "RIG" ? (
          cause.question
        ) : (
          <>
            <b>Ask:</b> “{cause.decides || cause.question}”
          </>
        )}
      </p>
      {cause.shares.length > 1 && (
        <p className="text-[13px] text-ink2">
          {cause.shares.map((s) => `${s.label}: ${s.strength}`).join(" · ")}
        </p>
      )}
    </div>
  );
}
