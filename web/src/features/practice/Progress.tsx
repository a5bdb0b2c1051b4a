import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Link, useParams } from "react-router";
import { api, data, type Schemas } from "../../api/client";
import { SelectField } from "../../ui/Field";
import { Pane } from "../../ui/Pane";
import { Loaded, ProblemNote } from "../../ui/States";
import { day } from "../../ui/when";
import { practiceQueries } from "./queries";

/** How one gets on, and to whom one shows it. */
export function OwnProgress() {
  const client = useQueryClient();
  const show = useMutation({
    mutationFn: (assessor: string) => data(api.PUT("/api/practice/progress/shown", { body: { assessor } })),
    onSuccess: (progress) => client.setQueryData(practiceQueries.progress.queryKey, progress),
  });
  return (
    <Loaded query={useQuery(practiceQueries.progress)}>
      {(progress) => (
        <Pane title="How you get on" aside="yours alone, unless you show it">
          <Tables progress={progress} />
          <ProblemNote error={show.error} />
          <SelectField
            label="Show it to"
            className="mt-3 max-w-80"
            value={progress.shownTo ?? ""}
            onChange={(e) => show.mutate(e.target.value)}
          >
            <option value="">nobody</option>
            {progress.assessors.map((a) => (
              <option key={a.id} value={a.id}>
                {a.name}
              </option>
            ))}
          </SelectField>
        </Pane>
      )}
    </Loaded>
  );
}

/** Those who show theirs to whoever looks. */
export function ShownToMe() {
  const people = useQuery(practiceQueries.shownToMe).data ?? [];
  if (people.length === 0) return null;
  return (
    <Pane title="They show you how they get on">
      <ul className="divide-y divide-line">
        {people.map((p) => (
          <li key={p.id}>
            <Link to={`/practice/progress/${p.id}`} className="flex min-h-11 items-center underline">
              {p.name}
            </Link>
          </li>
        ))}
      </ul>
    </Pane>
  );
}

/** Somebody's, for the assessor to whom they show it. */
export function ProgressPage() {
  const { person = "" } = useParams();
  return (
    <Loaded query={useQuery(practiceQueries.progressOf(person))}>
      {(progress) => (
        <div className="mx-auto max-w-[1100px] space-y-4">
          <h1 className="text-[22px] font-bold">
            <Link to="/practice" className="hover:underline">
              Practice
            </Link>{" "}
            · {progress.person}
          </h1>
          <Pane title="How they get on" aside="practice only; assessments are not in it">
            <Tables progress={progress} />
          </Pane>
        </div>
      )}
    </Loaded>
  );
}

function Tables({ progress }: { progress: Schemas["Progress"] }) {
  const { drills, kinds } = progress;
  if (drills.length === 0 && kinds.length === 0) {
    return <p className="text-ink2">Nothing finished yet. A drill stands here once it is finished.</p>;
  }
  return (
    <div className="grid gap-x-10 gap-y-4 md:grid-cols-2">
      <table className="h-fit w-full text-left">
        <caption className="pb-1 text-left font-semibold">Drills</caption>
        <thead className="text-[14px] text-ink2">
          <tr>
            <th className="py-1 pr-4 font-semibold">Drill</th>
            <th className="py-1 pr-4 text-right font-semibold">clean</th>
            <th className="py-1 font-semibold">last</th>
          </tr>
        </thead>
        <tbody>
          {drills.map((d) => (
            <tr key={d.title} className="border-t border-line">
              <td className="py-1.5 pr-4">
                {d.title}
                {d.due && <span className="block text-[14px] text-ink2">again on {day(d.due)}</span>}
              </td>
              <td className="py-1.5 pr-4 text-right tabular-nums">
                {d.clean} of {d.goes}
              </td>
              <td className="py-1.5 whitespace-nowrap">{day(d.last)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <table className="h-fit w-full text-left">
        <caption className="pb-1 text-left font-semibold">Kinds of fault</caption>
        <thead className="text-[14px] text-ink2">
          <tr>
            <th className="py-1 pr-4 font-semibold">Kind</th>
            <th className="py-1 text-right font-semibold">named</th>
          </tr>
        </thead>
        <tbody>
          {kinds.map((k) => (
            <tr key={k.title} className="border-t border-line">
              <td className="py-1.5 pr-4">{k.title}</td>
              <td className="py-1.5 text-right tabular-nums">
                {k.named} of {k.met}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
