import { useState } from "react";
import type { Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { Choices } from "../../ui/Choices";
import { TextField } from "../../ui/Field";
import { chosenFault, FaultFields, NO_FAULT } from "./FaultFields";
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
  const [words, setWords] = useState(NO_FAULT);
  const [remedy, setRemedy] = useState("");
  const [evidence, setEvidence] = useState("");
  const [code, setCode] = useState("");
  const chosen = chosenFault(view.kinds, words);

  const add = () => {
    if (!chosen) return;
    onAdd({ ...chosen, remedy, evidence, code });
    setWords(NO_FAULT);
    setRemedy("");
    setEvidence("");
    setCode("");
  };

  return (
    <section className="space-y-3 border border-line bg-sheet p-4" aria-label="Name a fault">
      <h2 className="font-bold">Name a fault</h2>
      <FaultFields kinds={view.kinds} places={view.places} words={words} onChange={setWords} large />
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
      <Button large disabled={!chosen || (view.asksForCodes && !code)} onClick={add}>
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
