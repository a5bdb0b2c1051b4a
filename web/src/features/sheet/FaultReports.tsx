import { useState } from "react";
import type { Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { Choices } from "../../ui/Choices";
import { SelectField, TextField } from "../../ui/Field";
import type { SheetView } from "./queries";

type Report = Schemas["Report"];

interface Props {
  view: SheetView;
  reports: Report[];
  onChange: (reports: Report[]) => void;
}

/** What is wrong with the rig, in the candidate's words: nature, place, remedy. */
export function FaultReports({ view, reports, onChange }: Props) {
  const writable = view.open && view.conducted.ready.complete;
  return (
    <div className="space-y-4">
      <section className="border border-line bg-sheet px-4" aria-label="Faults named">
        {reports.length === 0 ? (
          <p className="py-4 text-ink2">None named. If the rig is sound, leave it so.</p>
        ) : (
          <ul className="divide-y divide-line">
            {reports.map((report, i) => (
              <li key={i} className="flex flex-wrap items-center gap-3 py-3">
                <span className="flex-1">
                  <b>{kindOf(view, report)?.title}</b>, {placeOf(view, report)?.label}
                  {(kindOf(view, report)?.conductors.length ?? 0) > 1 && `, ${conductorsOf(view, report)}`}
                  {report.code && <b>, {report.code}</b>}
                  {report.evidence && (
                    <span className="block text-[15px] text-ink2">Known by: {report.evidence}</span>
                  )}
                  {report.remedy && (
                    <span className="block text-[15px] text-ink2">Remedy: {report.remedy}</span>
                  )}
                </span>
                {writable && (
                  <Button kind="quiet" large onClick={() => onChange(reports.filter((_, n) => n !== i))}>
                    Take back
                  </Button>
                )}
              </li>
            ))}
          </ul>
        )}
      </section>
      {writable && <NewReport view={view} onAdd={(report) => onChange([...reports, report])} />}
    </div>
  );
}

function NewReport({ view, onAdd }: { view: SheetView; onAdd: (report: Report) => void }) {
  const [place, setPlace] = useState("");
  const [kindId, setKindId] = useState("");
  const [conductors, setConductors] = useState("");
  const [remedy, setRemedy] = useState("");
  const [evidence, setEvidence] = useState("");
  const [code, setCode] = useState("");
  const kind = view.kinds.find((k) => k.id === kindId);
  const where = view.places.find((p) => p.id === place);
  const chosen =
    kind?.conductors.length === 1 ? kind.conductors[0]?.ids : conductors ? conductors.split("+") : undefined;

  const add = () => {
    if (!kind || !where || !chosen) return;
    onAdd({
      kind: kind.id,
      at: where.id,
      conductors: chosen,
      remedy,
      evidence,
      code,
    });
    setPlace("");
    setKindId("");
    setConductors("");
    setRemedy("");
    setEvidence("");
    setCode("");
  };

  return (
    <section className="space-y-3 border border-line bg-sheet p-4" aria-label="Name a fault">
      <h2 className="font-bold">Name a fault</h2>
      <div className="grid gap-3 sm:grid-cols-2">
        <SelectField label="Where" large value={place} onChange={(e) => setPlace(e.target.value)}>
          <option value="">Choose…</option>
          {view.places.map((p) => (
            <option key={p.id} value={p.id}>
              {p.label}
            </option>
          ))}
        </SelectField>
        <SelectField
          label="What"
          large
          value={kindId}
          onChange={(e) => {
            setKindId(e.target.value);
            setConductors("");
          }}
        >
          <option value="">Choose…</option>
          {[...new Set(view.kinds.map((k) => k.group))].map((group) => (
            <optgroup key={group} label={group}>
              {view.kinds
                .filter((k) => k.group === group)
                .map((k) => (
                  <option key={k.id} value={k.id}>
                    {k.title}
                  </option>
                ))}
            </optgroup>
          ))}
        </SelectField>
      </div>
      {kind && kind.conductors.length > 1 && (
        <Choices
          label="Conductors"
          large
          value={conductors}
          onChange={setConductors}
          options={kind.conductors.map((c) => ({ value: c.ids.join("+"), label: c.label }))}
        />
      )}
      <TextField
        label="How you know: which reading, what you saw"
        large
        maxLength={300}
        value={evidence}
        onChange={(e) => setEvidence(e.target.value)}
      />
      {view.asksForCodes && (
        <Choices
          label="Code"
          large
          value={code}
          onChange={setCode}
          options={[
            { value: "C1", label: "C1", note: "danger present" },
            { value: "C2", label: "C2", note: "potentially dangerous" },
            { value: "C3", label: "C3", note: "improvement recommended" },
            { value: "FI", label: "FI", note: "further investigation" },
          ]}
        />
      )}
      <TextField
        label="Remedy"
        large
        maxLength={300}
        value={remedy}
        onChange={(e) => setRemedy(e.target.value)}
      />
      <Button large disabled={!kind || !where || !chosen || (view.asksForCodes && !code)} onClick={add}>
        Name it
      </Button>
    </section>
  );
}

function kindOf(view: SheetView, report: Report) {
  return view.kinds.find((k) => k.id === report.kind);
}

function conductorsOf(view: SheetView, report: Report) {
  return kindOf(view, report)?.conductors.find((c) => c.ids.join() === report.conductors.join())?.label;
}

function placeOf(view: SheetView, report: Report) {
  return view.places.find((p) => p.id === report.at);
}
