import { useState } from "react";
import type { Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { Choices } from "../../ui/Choices";
import { TextField } from "../../ui/Field";
import { Pane } from "../../ui/Pane";
import { clock } from "../../ui/when";
import type { Verdict } from "./queries";

interface Props {
  outcome: Schemas["OutcomeLine"];
  /** whoever marks alone signs own marks; the outcome is somebody else's */
  blind: boolean;
  busy: boolean;
  onDecide: (w: { given: Verdict; reason: string }) => void;
  onSign: () => void;
}

/** What the marks add up to; the program proposes, the assessor decides. */
export function OutcomePane({ outcome, blind, busy, onDecide, onSign }: Props) {
  const [otherwise, setOtherwise] = useState(false);
  const [other, setOther] = useState<Verdict | "">("");
  const [reason, setReason] = useState("");
  const words = (v: Verdict) => outcome.choices.find((c) => c.verdict === v)?.words ?? "";
  // what is safety was not seen: nothing is proposed, and only the assessor's own word goes further
  const ownWord = outcome.proposed === "YOUR_WORD";
  if (outcome.given) {
    return (
      <Pane title="Outcome" wall="work">
        <p className="text-[20px] font-bold">{words(outcome.given.verdict)}</p>
        <p className="text-ink2">
          signed {clock(outcome.given.at)} · {outcome.points} of {outcome.outOf} points
        </p>
        {outcome.given.reason && <p className="mt-1">Otherwise than proposed: {outcome.given.reason}</p>}
        <Repeat outcome={outcome} />
      </Pane>
    );
  }
  return (
    <Pane title={blind ? "Your marks come to" : "Outcome"}>
      <p className="text-[18px] font-bold">
        {!blind && !ownWord && "Proposed: "}
        {outcome.words}
        {outcome.repeat.length > 0 && `: ${outcome.repeat.map((r) => r.title).join(", ")}`}
      </p>
      {outcome.proposed !== null && <Points outcome={outcome} />}
      <ul className="my-2 list-disc pl-5 text-[13px]">
        {outcome.reasons.map((r) => (
          <li key={r}>{r}</li>
        ))}
      </ul>
      <Repeat outcome={outcome} />
      {outcome.whyNot && <p className="mb-2 text-ink2">{outcome.whyNot}.</p>}
      {blind ? (
        <Button kind="main" disabled={!outcome.mayDecide || busy} onClick={onSign}>
          Sign my marks
        </Button>
      ) : otherwise ? (
        <div className="space-y-2">
          <Choices
            label={ownWord ? "Outcome" : "Outcome instead"}
            value={other}
            onChange={(v) => setOther(v as Verdict)}
            options={outcome.choices
              .filter((c) => c.verdict !== outcome.proposed)
              .map((c) => ({ value: c.verdict, label: c.words }))}
          />
          <TextField
            label={ownWord ? "How you know that it was safe, kept with it" : "Why, kept with both"}
            value={reason}
            maxLength={1000}
            onChange={(e) => setReason(e.target.value)}
          />
          <div className="flex flex-wrap gap-2">
            <Button
              kind="main"
              disabled={!outcome.mayDecide || !other || !reason.trim() || busy}
              onClick={() => other && onDecide({ given: other, reason })}
            >
              Sign {other ? words(other).toLowerCase() : "…"}
            </Button>
            <Button kind="quiet" onClick={() => setOtherwise(false)}>
              Back
            </Button>
          </div>
        </div>
      ) : (
        <div className="flex flex-wrap gap-2">
          {!ownWord && (
            <Button
              kind="main"
              disabled={!outcome.mayDecide || busy}
              onClick={() => outcome.proposed && onDecide({ given: outcome.proposed, reason: "" })}
            >
              Decide: {outcome.words.toLowerCase()}
            </Button>
          )}
          <Button
            kind={ownWord ? "main" : "plain"}
            disabled={!outcome.mayDecide}
            onClick={() => setOtherwise(true)}
          >
            {ownWord ? "Decide in your own word…" : "Otherwise…"}
          </Button>
        </div>
      )}
    </Pane>
  );
}

/** Points as a bar, with a tick where the pass begins. */
function Points({ outcome }: { outcome: Schemas["OutcomeLine"] }) {
  const share = (n: number) => `${outcome.outOf > 0 ? Math.min(100, (100 * n) / outcome.outOf) : 0}%`;
  return (
    <>
      <p className="text-ink2">
        {outcome.points} of {outcome.outOf} points, {outcome.needed} needed
      </p>
      <div aria-hidden="true" className="relative my-1 h-3 bg-line">
        <div className="h-3 bg-work" style={{ width: share(outcome.points) }} />
        <div className="absolute -top-1 h-5 w-[3px] bg-ink" style={{ left: share(outcome.needed) }} />
      </div>
    </>
  );
}

/** The parts that are done again; the rest stands. */
function Repeat({ outcome }: { outcome: Schemas["OutcomeLine"] }) {
  if (outcome.repeat.length === 0) return null;
  return (
    <div className="mb-2">
      <p className="font-semibold">To be done again</p>
      <ul className="list-disc pl-5 text-[13px]">
        {outcome.repeat.map((r) => (
          <li key={r.part}>
            <b>{r.title}.</b> {r.why.join(" ")}
          </li>
        ))}
      </ul>
    </div>
  );
}
