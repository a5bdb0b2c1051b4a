import { queryOptions, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, data, type Schemas } from "../../api/client";
import { ProcedureLine } from "../watch";
import { Pane } from "../../ui/Pane";
import { Loaded } from "../../ui/States";

type View = Schemas["RecordView"];

const recordQuery = (id: string) =>
  queryOptions({
    queryKey: ["assessment", id, "record"] as const,
    queryFn: ({ signal }) =>
      data(api.GET("/api/assessments/{id}/record/view", { signal, params: { path: { id } } })),
  });

const when = (at: string) => `${at.slice(0, 10)} ${at.slice(11, 16)}`;

/** All that is kept of one assessment, to read, to print, to take away. */
export function RecordStage({ id }: { id: string }) {
  const record = useQuery(recordQuery(id));
  return <Loaded query={record}>{(r) => <Whole id={id} record={r} />}</Loaded>;
}

function Whole({ id, record }: { id: string; record: View }) {
  const [step, setStep] = useState("");
  const station = record.stations.find((s) => s.id === step);
  const at = `/api/assessments/${id}/record`;
  return (
    <div className="space-y-3">
      <p className="no-print flex flex-wrap gap-x-5 text-[15px]">
        <a className="text-work underline" href={`${at}/pdf`} target="_blank">
          PDF
        </a>
        <a className="text-work underline" href={at} download>
          Record file
        </a>
        <a className="text-work underline" href={`${at}/csv`} download>
          CSV
        </a>
        <span className="text-ink2">“prantel verify” proves the record file whole and unaltered.</span>
      </p>
      <ProcedureLine
        steps={record.stations.map((s) => ({ ...s, next: false }))}
        chosen={step}
        stopped={record.outcome.words.startsWith("Stopped")}
        onChoose={setStep}
      />
      {station && (
        <p role="status" className="text-[15px]">
          <b>{station.title}</b>:{" "}
          {station.at ? `begun ${when(station.at)}, ${station.by}` : "nothing on record"}
        </p>
      )}
      <div className="grid items-start gap-3 lg:grid-cols-[minmax(0,1fr)_minmax(0,1.3fr)]">
        <div className="space-y-3">
          <Pane title="Outcome" wall={record.outcome.words ? "work" : undefined}>
            <p className="text-[20px] font-bold">{record.outcome.words || "Not decided yet"}</p>
            {record.outcome.words && (
              <p className="text-ink2">
                {record.outcome.points} of {record.outcome.outOf} points. Proposed:{" "}
                {record.outcome.proposed.toLowerCase()}.
              </p>
            )}
            {record.outcome.otherwise && <p>Decided otherwise: {record.outcome.otherwise}</p>}
            <ul className="list-disc pl-5 text-[14px]">
              {record.outcome.reasons.map((r) => (
                <li key={r}>{r}</li>
              ))}
            </ul>
          </Pane>
          <Pane title="Signed">
            {record.signatures.length === 0 ? (
              <p className="text-ink2">Nothing yet.</p>
            ) : (
              <ul className="divide-y divide-line">
                {record.signatures.map((s) => (
                  <li key={s.what + s.at} className="flex justify-between gap-3 py-1">
                    <span>
                      {s.what}, <b>{s.by}</b>
                    </span>
                    <span className="whitespace-nowrap text-ink2 tabular-nums">{when(s.at)}</span>
                  </li>
                ))}
              </ul>
            )}
          </Pane>
          <Pane title="With what">
            <dl className="grid grid-cols-[auto_minmax(0,1fr)] gap-x-4 gap-y-1 text-[15px]">
              {record.facts.map((f) => (
                <div key={f.label} className="contents">
                  <dt className="text-ink2">{f.label}</dt>
                  <dd>{f.value}</dd>
                </div>
              ))}
            </dl>
            <p className="mt-2 text-[13px] break-all text-ink2">Last link of its chain: {record.chain}</p>
          </Pane>
        </div>
        <Pane title="What happened" aside={`${record.deeds.length} deeds`}>
          <ol
            className="max-h-[420px] divide-y divide-line overflow-y-auto"
            tabIndex={0}
            aria-label="What happened"
          >
            {record.deeds.map((d) => (
              <li
                key={d.at + d.words}
                className="grid grid-cols-[120px_110px_minmax(0,1fr)] gap-2 py-1 text-[14px]"
              >
                <span className="text-ink2 tabular-nums">{when(d.at)}</span>
                <span className="text-ink2">{d.by}</span>
                <span>{d.words}</span>
              </li>
            ))}
          </ol>
        </Pane>
      </div>
      <Pane title="Marks" aside={`${record.marks.length}`}>
        <Scrolled label="Marks">
          <table className="w-full min-w-[760px] text-[14px]">
            <thead>
              <tr className="text-left [&>th]:pr-3">
                <th>For</th>
                <th>Of</th>
                <th>Proposed</th>
                <th>First</th>
                <th>Second</th>
                <th>Counts</th>
                <th>Why</th>
              </tr>
            </thead>
            <tbody>
              {record.marks.map((m) => (
                <tr key={m.id} className="border-t border-line align-top">
                  <td className="py-1 pr-2">
                    {m.title} <span className="block text-[13px] text-ink2">{m.group}</span>
                  </td>
                  <td className="pr-2 tabular-nums">{m.weight}</td>
                  <td className="pr-2">{m.proposed}</td>
                  <td className="pr-2">{m.first}</td>
                  <td className="pr-2">{m.second}</td>
                  <td className={`pr-2 ${m.counts === m.proposed ? "" : "font-bold text-caution"}`}>
                    {m.counts}
                  </td>
                  <td>
                    {m.evidence} {m.reason && <b>Changed: {m.reason}</b>}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </Scrolled>
      </Pane>
      <Pane title="Readings" aside={`${record.readings.length}`}>
        <Scrolled label="Readings">
          <table className="w-full min-w-[680px] text-[14px]">
            <thead>
              <tr className="text-left [&>th]:pr-3">
                <th>Quantity</th>
                <th>Where</th>
                <th>Written</th>
                <th>Judged</th>
                <th>Before that</th>
                <th>When, by whom</th>
              </tr>
            </thead>
            <tbody>
              {record.readings.map((r) => (
                <tr key={r.slot} className="border-t border-line">
                  <td className="py-1 pr-2">{r.quantity}</td>
                  <td className="pr-2">{r.where}</td>
                  <td className="pr-2 font-semibold whitespace-nowrap tabular-nums">{r.written}</td>
                  <td className="pr-2">{r.judged}</td>
                  <td className="pr-2">{r.before.join(", ")}</td>
                  <td className="text-ink2 tabular-nums">
                    {when(r.at)}, {r.by}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </Scrolled>
      </Pane>
    </div>
  );
}

function Scrolled({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <div className="max-h-[420px] overflow-auto" tabIndex={0} role="region" aria-label={label}>
      {children}
    </div>
  );
}
