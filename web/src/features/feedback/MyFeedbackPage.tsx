import { useQuery } from "@tanstack/react-query";
import { Link, useParams } from "react-router";
import { ApiProblem } from "../../api/client";
import { Loaded } from "../../ui/States";
import { feedbackQueries } from "./queries";

/** A candidate's own feedback: what was right, what to do otherwise, what to practise, with the readings that taught it. */
export function MyFeedbackPage() {
  const { id = "" } = useParams();
  const mine = useQuery({ ...feedbackQueries.mine(id), retry: false });
  if (mine.error instanceof ApiProblem && mine.error.status === 404) {
    return (
      <p className="mx-auto max-w-[760px] text-[18px] text-ink2">
        There is no feedback on this sheet yet. <Link to="/my/sheets">My sheets</Link>
      </p>
    );
  }
  return (
    <Loaded query={mine}>
      {(f) => (
        <article className="mx-auto max-w-[760px] text-[18px]">
          <p className="no-print text-[15px]">
            <Link className="text-work underline" to="/my/sheets">
              My sheets
            </Link>
          </p>
          <h1 className="text-[24px] font-bold">Feedback for {f.candidate}</h1>
          <p className="text-ink2">
            {f.rig}, bay {f.bay}. {f.scheme}. Handed in {f.handedInAt.slice(0, 10)}.
          </p>
          <p className="my-3 border-l-4 border-work bg-sheet p-3 text-[22px] font-bold">{f.outcome}</p>
          {f.sections.map((s) => (
            <section key={s.kind} className="mb-4 border-t-2 border-ink pt-2">
              <h2 className="text-[20px] font-bold">{s.title}</h2>
              <ul className="divide-y divide-line">
                {s.lines.map((l) => (
                  <li key={l.text} className="py-2">
                    {l.text}
                  </li>
                ))}
              </ul>
            </section>
          ))}
          {f.faults && (
            <section className="mb-4 border-t-2 border-ink pt-2">
              <h2 className="text-[20px] font-bold">What was set on the rig</h2>
              {f.faults.length === 0 ? (
                <p>Nothing: the rig was sound.</p>
              ) : (
                <ul className="list-disc pl-6">
                  {f.faults.map((w) => (
                    <li key={w}>{w}</li>
                  ))}
                </ul>
              )}
            </section>
          )}
          {f.pictures.length > 0 && (
            <section className="mb-4 border-t-2 border-ink pt-2">
              <h2 className="text-[20px] font-bold">Your readings along the circuits</h2>
              <p className="text-[15px] text-ink2">
                Each ◆ is what you wrote at that station; those that taught something are brown.
              </p>
              {f.pictures.map((p) => (
                <img
                  key={p.words}
                  alt={p.words}
                  className="my-2 w-full border border-line"
                  src={`data:image/svg+xml;charset=utf-8,${encodeURIComponent(p.svg)}`}
                />
              ))}
            </section>
          )}
          <p className="text-[15px] text-ink2">
            From {f.by}, {f.at.slice(0, 10)}. Talk it over with your assessor: on the day, local codes and the
            people who are licensed decide.{" "}
            <a className="text-work underline" href={`/api/my/sheets/${id}/feedback/pdf`} target="_blank">
              As PDF
            </a>
          </p>
        </article>
      )}
    </Loaded>
  );
}
