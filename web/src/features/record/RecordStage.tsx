import { queryOptions, useQuery } from "@tanstack/react-query";
import { type ReactNode, useState } from "react";
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
        <span className="text-ink2">“prantel verify” says whether the record file fits itself.</span>
      </p>
      <ProcedureLine
        steps={record.stations.map((s) => ({ ...s, next: false }))}
        chosen={step}
        stopped={record.outcome.stopped}
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
      <Listed
        title="Schedule of circuits"
        heads={[
          "Way",
          "Circuit",
          "Device",
          "Breaking capacity",
          "Live/CPC mm²",
          "Residual-current device",
          "Zs at most",
        ]}
        rows={record.schedule.circuits.map((c) => ({
          id: c.way + c.label,
          cells: [
            c.way,
            c.label,
            c.device,
            c.breaking,
            c.conductors,
            c.residual || "none",
            <span title={c.source}>{c.zsLimit}</span>,
          ],
        }))}
      />
      <Listed
        title="Schedule of results"
        heads={["Way", "Circuit", ...record.schedule.columns]}
        rows={record.schedule.results.map((r) => ({
          id: r.way + r.label,
          cells: [r.way, r.label, ...r.readings.map((text) => text || "—")],
        }))}
      />
      <Pane title="Faults">
        <p>
          <b>Set on the rig:</b>{" "}
          {record.faults.set.length > 0 ? record.faults.set.join("; ") : "nothing, the rig was sound."}
        </p>
        <p>
          <b>Named:</b> {record.faults.named.length > 0 ? record.faults.named.join("; ") : "nothing."}
        </p>
      </Pane>
      <Listed
        title="Marks"
        heads={["For", "Of", "Proposed", "First", "Second", "Counts", "Why"]}
        rows={record.marks.map((m) => ({
          id: m.id,
          cells: [
            <>
              {m.title} <span className="block text-[13px] text-ink2">{m.group}</span>
            </>,
            m.weight,
            m.proposed,
            m.first,
            m.second,
            <span className={m.counts === m.proposed ? "" : "font-bold text-caution"}>{m.counts}</span>,
            <>
              {m.evidence} {m.reason && <b>Changed: {m.reason}</b>}
            </>,
          ],
        }))}
      />
      <Listed
        title="Readings"
        heads={["Quantity", "Where", "Written", "Judged", "Before that", "When, by whom"]}
        rows={record.readings.map((r) => ({
          id: r.slot,
          cells: [
            r.quantity,
            r.where,
            <span className="font-semibold whitespace-nowrap">{r.written}</span>,
            r.judged,
            r.before.join(", "),
            <span className="text-ink2">{`${when(r.at)}, ${r.by}`}</span>,
          ],
        }))}
      />
    </div>
  );
}

interface ListedProps {
  title: string;
  heads: string[];
  rows: { id: string; cells: ReactNode[] }[];
}

/** A long table in a pane of its own; by keyboard too it scrolls inside. */
function Listed({ title, heads, rows }: ListedProps) {
  return (
    <Pane title={title} aside={`${rows.length}`}>
      <div className="max-h-[420px] overflow-auto" tabIndex={0} role="region" aria-label={title}>
        <table className="w-full min-w-[720px] text-[14px]">
          <thead>
            <tr className="text-left">
              {heads.map((head) => (
                <th key={head} className="pr-3">
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <tr key={row.id} className="border-t border-line align-top tabular-nums">
                {row.cells.map((cell, i) => (
                  <td key={heads[i]} className="py-1 pr-3">
                    {cell}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </Pane>
  );
}
