import { useState } from "react";
import type { Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { Choices } from "../../ui/Choices";
import { SelectField, TextField } from "../../ui/Field";
import { Pane } from "../../ui/Pane";
import { clock } from "../../ui/when";
import type { Award } from "./queries";

interface Props {
  view: Schemas["OpinionsView"];
  decided: boolean;
  busy: boolean;
  onAsk: (of: string) => void;
  onWithdraw: (of: string) => void;
  onSettle: (w: { mark: string; given: Award; reason: string }) => void;
}

const AWARD: Record<Award, string> = { FULL: "full", HALF: "half", NONE: "none", NOT_SEEN: "not seen" };

/** Who else marks the record without having seen what was given, how far they agree, and where two differ. */
export function Opinions({ view, decided, busy, onAsk, onWithdraw, onSettle }: Props) {
  const [of, setOf] = useState("");
  const exercise = view.purpose === "EXERCISE";
  if (view.blind) {
    return (
      <Pane title={exercise ? "An exercise" : "A second mark"} wall="plum">
        <p>
          You mark this by yourself. You see what was written and what this rig gives, nothing of what
          somebody gave and nothing of what the program makes of it. When every mark is given, sign; then both
          are shown.
        </p>
      </Pane>
    );
  }
  return (
    <Pane title={exercise ? "Marked by others" : "A second mark"}>
      {view.lines.length === 0 && (
        <p className="text-[14px] text-ink2">
          {exercise
            ? "Ask colleagues to mark this record by themselves, as an exercise: nothing follows for the candidate."
            : "When it matters, somebody else marks it too, without seeing yours. The outcome waits until both agree."}
        </p>
      )}
      <ul className="space-y-3">
        {view.lines.map((line) => (
          <li key={line.by.id}>
            <Line line={line} decided={decided} busy={busy} onWithdraw={onWithdraw} onSettle={onSettle} />
          </li>
        ))}
      </ul>
      {view.mayAsk.length > 0 && (
        <div className="mt-3 flex flex-wrap items-end gap-2">
          <SelectField
            label={exercise ? "Ask as an exercise" : "Ask for a second mark"}
            value={of}
            onChange={(e) => setOf(e.target.value)}
            className="min-w-[150px] flex-1"
          >
            <option value="">Whom…</option>
            {view.mayAsk.map((p) => (
              <option key={p.id} value={p.id}>
                {p.name}
              </option>
            ))}
          </SelectField>
          <Button disabled={!of || busy} onClick={() => onAsk(of)}>
            Ask
          </Button>
        </div>
      )}
    </Pane>
  );
}

interface LineProps {
  line: Schemas["OpinionLine"];
  decided: boolean;
  busy: boolean;
  onWithdraw: Props["onWithdraw"];
  onSettle: Props["onSettle"];
}

function Line({ line, decided, busy, onWithdraw, onSettle }: LineProps) {
  const second = line.purpose === "SECOND";
  if (!line.signedAt || !line.agreement) {
    return (
      <p>
        <b>{line.by.name}</b> <span className="text-ink2">was asked; not signed yet.</span>{" "}
        <Button kind="quiet" disabled={busy} onClick={() => onWithdraw(line.by.id)}>
          Ask no longer
        </Button>
      </p>
    );
  }
  const open = second && !decided ? line.differ.filter((d) => !d.settled) : [];
  return (
    <>
      <p>
        <b>{line.by.name}</b>{" "}
        <span className="text-ink2">
          signed {clock(line.signedAt)}: {line.verdict.toLowerCase()}
        </span>
      </p>
      <p className="text-[15px]">
        Same on {line.agreement.same} of {line.agreement.marks} marks. <Kappa kappa={line.agreement.kappa} />
      </p>
      {line.agreement.note && <p className="text-[14px] text-caution">{line.agreement.note}</p>}
      <details className="text-[13px] text-ink2">
        <summary className="py-1">By criterion</summary>
        <table className="w-full">
          <thead>
            <tr className="text-left">
              <th className="font-semibold">Criterion</th>
              <th className="font-semibold">same</th>
              <th className="font-semibold">κ</th>
            </tr>
          </thead>
          <tbody>
            {line.agreement.criteria.map((c) => (
              <tr key={c.title} className="border-t border-line">
                <td>{c.title}</td>
                <td className="whitespace-nowrap tabular-nums">
                  {c.same} of {c.marks}
                </td>
                <td className="whitespace-nowrap tabular-nums">
                  {c.kappa ? `${c.kappa.kappa} (${c.kappa.low} to ${c.kappa.high})` : "–"}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </details>
      {open.length > 0 && <p className="mt-1 font-semibold text-caution">{open.length} to settle</p>}
      <ul className="divide-y divide-line">
        {line.differ.map((d) => (
          <li key={d.mark} className="py-2">
            <Dispute
              dispute={d}
              name={line.by.name}
              maySettle={second && !decided && !d.settled}
              busy={busy}
              onSettle={onSettle}
            />
          </li>
        ))}
      </ul>
    </>
  );
}

function Kappa({ kappa }: { kappa: Schemas["KappaLine"] | null }) {
  if (!kappa)
    return <span className="text-ink2">κ says nothing here: one of them gave one thing throughout.</span>;
  return (
    <span title="Cohen’s κ: 1 is complete agreement, 0 what chance gives">
      κ {kappa.kappa}{" "}
      <span className="text-ink2">
        ({kappa.low} to {kappa.high})
      </span>
    </span>
  );
}

interface DisputeProps {
  dispute: Schemas["DisputeLine"];
  name: string;
  maySettle: boolean;
  busy: boolean;
  onSettle: Props["onSettle"];
}

/** Two opinions on one mark; what settles it is kept beside both. */
function Dispute({ dispute: d, name, maySettle, busy, onSettle }: DisputeProps) {
  const [given, setGiven] = useState<Award | "">("");
  const [reason, setReason] = useState("");
  return (
    <>
      <p>
        <b>{d.title}</b> <span className="text-[13px] text-ink2">{d.group}</span>
      </p>
      <p className="text-[14px]">
        First {AWARD[d.first.award]}
        {d.first.reason && ` (${d.first.reason})`}, {name} {AWARD[d.second.award]}
        {d.second.reason && ` (${d.second.reason})`}
      </p>
      {d.settled && (
        <p className="text-[14px] text-work">
          Settled by {d.settled.by}: {AWARD[d.settled.award]}. {d.settled.reason}
        </p>
      )}
      {maySettle && (
        <div className="mt-1 space-y-2">
          <Choices
            label={`What counts for ${d.title}`}
            value={given}
            onChange={(v) => setGiven(v as Award)}
            options={[
              { value: "FULL", label: "Full" },
              { value: "HALF", label: "Half" },
              { value: "NONE", label: "None" },
            ]}
          />
          <TextField
            label="What settled it"
            value={reason}
            maxLength={1000}
            onChange={(e) => setReason(e.target.value)}
          />
          <Button
            disabled={!given || !reason.trim() || busy}
            onClick={() => given && onSettle({ mark: d.mark, given, reason })}
          >
            Settle
          </Button>
        </div>
      )}
    </>
  );
}
