import { useQuery } from "@tanstack/react-query";
import { Link, useParams } from "react-router";
import { api, data } from "../../api/client";
import { Button } from "../../ui/Button";
import { Loaded } from "../../ui/States";

/** What a candidate reads before starting, on one page to print; nothing on it tells what is set. */
export function BriefPage() {
  const { id = "" } = useParams();
  const brief = useQuery({
    queryKey: ["assessment", id, "brief"] as const,
    queryFn: ({ signal }) =>
      data(api.GET("/api/assessments/{id}/brief", { signal, params: { path: { id } } })),
  });
  return (
    <Loaded query={brief}>
      {(b) => (
        <article className="mx-auto max-w-[820px] bg-sheet p-6 text-[16px] print:p-0">
          <div className="no-print mb-4 flex gap-3">
            <Button kind="main" onClick={() => window.print()}>
              Print
            </Button>
            <Link className="self-center text-work underline" to={`/assessments/${id}/prepare`}>
              back to Prepare
            </Link>
          </div>
          <h1 className="text-[24px] font-bold">
            Bay {b.bay} · {b.rig}
          </h1>
          <p className="mb-3">
            {b.candidate} · {b.scheme} · assessor {b.assessor}
          </p>
          <p className="mb-3">{b.purpose}</p>
          <dl className="mb-4 grid grid-cols-[auto_1fr] gap-x-6 gap-y-1">
            <dt className="text-ink2">Declared earthing</dt>
            <dd>{b.earthing}</dd>
            <dt className="text-ink2">Instrument</dt>
            <dd>{b.tester}</dd>
            <dt className="text-ink2">Circuits</dt>
            <dd>{b.circuits.join(" · ")}</dd>
            <dt className="text-ink2">Time</dt>
            <dd>{times(b.times)}</dd>
            {b.given.length > 0 && (
              <>
                <dt className="text-ink2">Granted</dt>
                <dd>{b.given.join(" · ")}</dd>
              </>
            )}
          </dl>
          <h2 className="font-bold">In this order</h2>
          <ol className="mb-4 list-decimal pl-6">
            {b.steps.map((s) => (
              <li key={s.title}>
                {s.title}
                {s.live && <b> · live</b>}
                {s.boxes > 0 && <span className="text-ink2"> · {s.boxes} boxes</span>}
              </li>
            ))}
          </ol>
          <div className="mb-4 border-l-4 border-caution pl-3">
            <p>
              Nothing is touched before it is off, locked off and proved dead. The rig goes live only when
              your assessor gives permission. If anything is not as you expect: stop, hands off, say so.
            </p>
            <p className="text-ink2">Local codes, the site’s rules and licensed practice come first.</p>
          </div>
          <h2 className="font-bold">You confirm</h2>
          <ul>
            {b.confirms.map((c) => (
              <li key={c}>○ {c}</li>
            ))}
          </ul>
        </article>
      )}
    </Loaded>
  );
}

function times(t: { dead: number; live: number; all: number }): string {
  const parts = [
    t.dead > 0 && `${t.dead} min dead`,
    t.live > 0 && `${t.live} min live`,
    t.all > 0 && `${t.all} min in all`,
  ].filter(Boolean);
  return parts.length > 0 ? parts.join(" · ") : "no limit";
}
