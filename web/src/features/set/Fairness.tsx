import type { UseQueryResult } from "@tanstack/react-query";
import type { Schemas } from "../../api/client";
import { Pane } from "../../ui/Pane";
import { ProblemNote } from "../../ui/States";

interface Props {
  review: UseQueryResult<Schemas["ReviewView"]>;
  onAgree: (answers: Schemas["AcceptedAnswer"][]) => void;
  locked: boolean;
}

/** Conflicts between the faults, and other faults that would read the same, in words. */
export function Fairness({ review, onAgree, locked }: Props) {
  const view = review.data;
  if (!view) {
    return (
      <Pane title="Is it fair?">
        {review.isError ? (
          <ProblemNote error={review.error} />
        ) : (
          <p role="status" className="text-ink2">
            Trying every other fault of the catalogue on this rig…
          </p>
        )}
      </Pane>
    );
  }
  const open = view.lookalikes.filter((l) => !l.accepted);
  const agree = (chosen: Schemas["Lookalike"], yes: boolean) =>
    onAgree(
      view.lookalikes
        .filter((l) => (l === chosen ? yes : l.agreed))
        .map((l) => ({ fault: l.index, reads: l.reads })),
    );
  return (
    <Pane
      title="Is it fair?"
      aside={`difficulty ${view.difficulty.toFixed(1)} of 5`}
      wall={view.fair ? "work" : "caution"}
    >
      <p className={view.fair ? "font-semibold text-work" : "font-semibold text-caution"}>
        {view.fair ? "◆ Every fault is findable; none hides or fakes another." : "✕ Not as it is: see below."}
      </p>
      <ul className="mt-2 space-y-1">
        {view.conflicts.map((c) => (
          <li key={c} className="text-caution">
            {c}
          </li>
        ))}
        {view.faults
          .filter((f) => f.note)
          .map((f) => (
            <li key={f.title + f.note}>
              <b>{f.title}</b>: {f.note}
            </li>
          ))}
      </ul>
      {open.length > 0 && (
        <fieldset className="mt-3" disabled={locked}>
          <legend className="text-[13px] text-ink2">Reads the same: tick to accept that answer too</legend>
          {open.map((l) => (
            <label key={l.text} className="flex gap-2 py-1">
              <input
                type="checkbox"
                className="mt-1 size-4 accent-[var(--work)]"
                checked={l.agreed}
                onChange={(e) => agree(l, e.target.checked)}
              />
              <span>
                {l.text} <span className="text-[13px] text-ink2">for {l.fault}</span>
              </span>
            </label>
          ))}
        </fieldset>
      )}
      {view.lookalikes.some((l) => l.accepted) && (
        <details className="mt-2 text-[13px] text-ink2">
          <summary>
            {view.lookalikes.filter((l) => l.accepted).length} more read the same and are taken as right
            anyway
          </summary>
          <ul className="ml-4 list-disc">
            {view.lookalikes
              .filter((l) => l.accepted)
              .map((l) => (
                <li key={l.text}>{l.text}</li>
              ))}
          </ul>
        </details>
      )}
    </Pane>
  );
}
