import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { Pane } from "../../ui/Pane";
import { ProblemNote } from "../../ui/States";
import { clock } from "../../ui/when";
import { type RigPage, rigQueries } from "./queries";

/** Versions, none of them ever overwritten, and what changed between two. */
export function Versions({ page }: { page: RigPage }) {
  const [from, setFrom] = useState<number | null>(null);
  const newestFirst = [...page.versions].reverse();
  return (
    <Pane title="Versions" className="no-print">
      <ul className="space-y-1.5">
        {newestFirst.map((v) => (
          <li key={v.version} className="flex flex-wrap items-baseline gap-x-2">
            {v.version === page.version ? (
              <b>{v.version}</b>
            ) : (
              <Link
                className="font-semibold text-work underline"
                to={`/rigs/${page.id}?version=${v.version}`}
              >
                {v.version}
              </Link>
            )}
            <span className="text-ink2">
              {v.savedBy}, {clock(v.savedAt)}
              {v.assessments > 0 && ` · ${v.assessments} assessment${v.assessments === 1 ? "" : "s"}`}
            </span>
            {v.version !== page.version && (
              <button
                type="button"
                className="ml-auto min-h-8 font-semibold text-work underline"
                aria-expanded={from === v.version}
                onClick={() => setFrom(from === v.version ? null : v.version)}
              >
                compare
              </button>
            )}
          </li>
        ))}
      </ul>
      {from !== null && (
        <Difference page={page} from={Math.min(from, page.version)} to={Math.max(from, page.version)} />
      )}
    </Pane>
  );
}

function Difference({ page, from, to }: { page: RigPage; from: number; to: number }) {
  const changes = useQuery(rigQueries.difference(page.id, from, to));
  if (changes.isError) return <ProblemNote error={changes.error} />;
  if (!changes.data) return <p className="text-ink2">Comparing…</p>;
  return (
    <div className="mt-3 border-t border-line pt-2">
      <h3 className="font-bold">
        From {from} to {to}
      </h3>
      {changes.data.length === 0 && <p className="text-ink2">Nothing that a reading depends on.</p>}
      <ul className="space-y-1">
        {changes.data.map((c, i) => (
          <li key={i}>
            <b>{c.where || page.name}</b>
            {c.what && ` · ${c.what}`}: {c.before && <s className="text-ink2">{c.before}</s>} {c.after}
          </li>
        ))}
      </ul>
    </div>
  );
}
