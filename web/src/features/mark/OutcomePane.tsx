import { useState } from "react";
import type { Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { TextField } from "../../ui/Field";
import { Pane } from "../../ui/Pane";
import { clock } from "../../ui/when";

type Verdict = "PASS" | "REFERRAL" | "STOPPED";

interface Props {
  outcome: Schemas["OutcomeLine"];
  busy: boolean;
  onDecide: (w: { given: Verdict; reason: string }) => void;
}

const WORDS: Record<string, string> = {
  PASS: "Pass",
  REFERRAL: "Referral",
  STOPPED: "Stopped for safety",
};

/** What the marks add up to; the program proposes, the assessor decides. */
export function OutcomePane({ outcome, busy, onDecide }: Props) {
  const [otherwise, setOtherwise] = useState(false);
  const [reason, setReason] = useState("");
  const other: Verdict = outcome.proposed === "REFERRAL" ? "PASS" : "REFERRAL";
  return (
    <Pane title="Outcome" wall={outcome.given ? "work" : undefined}>
      {outcome.given ? (
        <>
          <p className="text-[20px] font-bold">{WORDS[outcome.given]}</p>
          <p className="text-ink2">
            decided {clock(outcome.at)} · {outcome.points} of {outcome.outOf} points
          </p>
          {outcome.reason && <p className="mt-1">Otherwise than proposed: {outcome.reason}</p>}
        </>
      ) : (
        <>
          <p className="text-[18px] font-bold">{WORDS[outcome.proposed]} proposed</p>
          <p className="text-ink2">
            {outcome.points} of {outcome.outOf} points, {outcome.needed} needed
          </p>
          <ul className="my-2 list-disc pl-5 text-[13px]">
            {outcome.reasons.map((r) => (
              <li key={r}>{r}</li>
            ))}
          </ul>
          {outcome.whyNot && <p className="mb-2 text-ink2">{outcome.whyNot}.</p>}
          {otherwise && (
            <TextField
              className="mb-2"
              label={`Why ${WORDS[other]?.toLowerCase()}`}
              value={reason}
              maxLength={1000}
              onChange={(e) => setReason(e.target.value)}
            />
          )}
          <div className="flex flex-wrap gap-2">
            {otherwise ? (
              <>
                <Button
                  kind="main"
                  disabled={!outcome.mayDecide || !reason.trim() || busy}
                  onClick={() => onDecide({ given: other, reason })}
                >
                  Decide {WORDS[other]?.toLowerCase()}
                </Button>
                <Button kind="quiet" onClick={() => setOtherwise(false)}>
                  Back
                </Button>
              </>
            ) : (
              <>
                <Button
                  kind="main"
                  disabled={!outcome.mayDecide || busy}
                  onClick={() => onDecide({ given: outcome.proposed as Verdict, reason: "" })}
                >
                  Decide {WORDS[outcome.proposed]?.toLowerCase()}
                </Button>
                <Button disabled={!outcome.mayDecide} onClick={() => setOtherwise(true)}>
                  Otherwise…
                </Button>
              </>
            )}
          </div>
        </>
      )}
    </Pane>
  );
}
