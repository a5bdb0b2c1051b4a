import { useQuery } from "@tanstack/react-query";
import { Fragment, useState } from "react";
import type { Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { Chip } from "../../ui/Chip";
import { classes } from "../../ui/classes";
import { SelectField, TextField } from "../../ui/Field";
import { ProblemNote } from "../../ui/States";
import { AsBuiltFit } from "./AsBuiltFit";
import { HealthyBox } from "./HealthyBox";
import { type RigPage, rigQueries, useHealthyReading } from "./queries";

type Line = Schemas["ReadingLine"];

interface Props {
  page: RigPage;
  circuit: string | undefined;
  onCircuit: (circuit: string | undefined) => void;
}

/** Every expected reading by test, with band, limit and source; beside it what the real rig reads when healthy. */
export function ReadingSheet({ page, circuit, onCircuit }: Props) {
  const [step, setStep] = useState("");
  const [recorded, setRecorded] = useState(true);
  const [measuring, setMeasuring] = useState(false);
  const [words, setWords] = useState("");
  const asBuilt = useQuery(rigQueries.asBuilt(page.id, page.version));
  const keep = useHealthyReading(page.id, page.version);
  const all = page.view.sheet;
  const steps = [...new Set(all.map((l) => l.step))];
  const circuits = page.view.circuits;
  const taken = new Map(asBuilt.data?.taken.map((t) => [t.slot, t]) ?? []);
  const shown = all.filter(
    (l) =>
      (!step || l.step === step) &&
      (!circuit || l.circuit === circuit) &&
      (measuring ? l.instrument !== "" && !l.live : !recorded || isForTheRecord(l, all)) &&
      `${l.quantity} ${l.where}`.toLowerCase().includes(words.toLowerCase()),
  );
  const beyond = [...taken.values()].filter((t) => t.beyond).length;

  return (
    <section className="mt-3 border border-line bg-sheet p-4" aria-label="Expectation sheet">
      <div className="mb-3 flex flex-wrap items-end gap-3">
        <h2 className="mr-auto self-center font-bold">
          Expectation sheet{" "}
          <span className="font-semibold text-ink2">
            {shown.length} of {all.length} readings · on {page.testerLabel}
          </span>{" "}
          {beyond > 0 && <Chip tone="caution">{beyond} beyond tolerance</Chip>}
        </h2>
        <div className="no-print flex flex-wrap items-end gap-3">
          <SelectField label="Test" value={step} onChange={(e) => setStep(e.target.value)}>
            <option value="">every test</option>
            {steps.map((s) => (
              <option key={s}>{s}</option>
            ))}
          </SelectField>
          <SelectField
            label="Circuit"
            value={circuit ?? ""}
            onChange={(e) => onCircuit(e.target.value || undefined)}
          >
            <option value="">all, and the origin</option>
            {circuits.map((c) => (
              <option key={c.id} value={c.id}>
                {c.label}
              </option>
            ))}
          </SelectField>
          <TextField
            label="Find"
            value={words}
            placeholder="socket 3"
            onChange={(e) => setWords(e.target.value)}
          />
          <Button aria-pressed={!recorded} disabled={measuring} onClick={() => setRecorded(!recorded)}>
            {recorded ? "Show every reading" : "Only what is recorded"}
          </Button>
          <Button
            kind={measuring ? "main" : "plain"}
            aria-pressed={measuring}
            onClick={() => setMeasuring(!measuring)}
          >
            {measuring ? "Done measuring" : "Measure healthy"}
          </Button>
        </div>
      </div>
      {measuring && (
        <div className="mb-3 space-y-2">
          <p className="border-l-4 border-caution bg-caution-soft p-3">
            Measure on the healthy rig, dead, locked off and proved dead. A key then follows what this board
            really reads. An empty box takes a reading back.
          </p>
          {asBuilt.data && <AsBuiltFit view={asBuilt.data} rigId={page.id} />}
          <ProblemNote error={keep.error} />
        </div>
      )}
      <ProblemNote error={asBuilt.error} />
      {shown.length === 0 && <p className="p-3 text-ink2">No reading fits these filters.</p>}
      <div className="overflow-x-auto">
        <table className="w-full border-collapse text-left">
          <thead className="text-ink2">
            <tr>
              <th className="py-1 pr-3 font-normal">Reading</th>
              <th className="pr-3 font-normal">Where</th>
              <th className="pr-3 text-right font-normal">Healthy</th>
              <th className="pr-3 font-normal">Expected band</th>
              <th className="pr-3 font-normal">Limit</th>
              <th className="font-normal">{measuring ? "Measured" : "By hand, source"}</th>
            </tr>
          </thead>
          <tbody>
            {shown.map((line, i) => (
              <Fragment key={line.slot}>
                {shown[i - 1]?.step !== line.step && (
                  <tr>
                    <th colSpan={6} scope="rowgroup" className="border-b border-line pt-3 pb-1 font-bold">
                      {line.step} {line.live && <Chip tone="caution">live</Chip>}
                    </th>
                  </tr>
                )}
                <Row
                  line={line}
                  circuitLabel={circuit ? "" : (circuits.find((c) => c.id === line.circuit)?.label ?? "")}
                  measured={
                    measuring ? (
                      <HealthyBox
                        label={`${line.quantity}, ${line.where}, measured healthy`}
                        taken={taken.get(line.slot)}
                        onKeep={(text) => keep.mutate({ slot: line.slot, text })}
                      />
                    ) : undefined
                  }
                  taken={taken.get(line.slot)}
                />
              </Fragment>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

/** What ends up on a certificate: composed boxes, and readings that no composed box takes up. */
function isForTheRecord(line: Line, all: Line[]): boolean {
  if (line.rule) return true;
  return !all.some(
    (l) => l.rule && l.step === line.step && l.circuit === line.circuit && l.quantity === line.quantity,
  );
}

interface RowProps {
  line: Line;
  circuitLabel: string;
  measured: React.ReactNode;
  taken: Schemas["Taken"] | undefined;
}

function Row({ line, circuitLabel, measured, taken }: RowProps) {
  const [open, setOpen] = useState(false);
  const where =
    circuitLabel && !line.where.includes(circuitLabel) ? `${line.where}, ${circuitLabel}` : line.where;
  return (
    <>
      <tr className={classes("border-b border-line align-top", line.rule !== "" && "font-semibold")}>
        <td className="py-1.5 pr-3 whitespace-nowrap">
          {line.setUp.length > 0 ? (
            <button
              type="button"
              aria-expanded={open}
              onClick={() => setOpen(!open)}
              className="text-left underline decoration-line underline-offset-4 hover:decoration-work"
            >
              {line.quantity}
            </button>
          ) : (
            line.quantity
          )}
        </td>
        <td className="py-1.5 pr-3">{where}</td>
        <td className="py-1.5 pr-3 text-right whitespace-nowrap">{line.healthy}</td>
        <td className="py-1.5 pr-3 whitespace-nowrap text-ink2">{line.band}</td>
        <td className="py-1.5 pr-3 whitespace-nowrap">
          {line.limit}
          {line.met === false && <span className="ml-2 font-semibold text-caution">▲ not met</span>}
        </td>
        <td className="py-1.5 font-normal">
          {measured ?? (
            <>
              {line.byHand || line.limitWorking || line.rule}
              {line.limitSource && <span className="block text-[13px] text-ink2">{line.limitSource}</span>}
              {taken && (
                <span
                  className={classes(
                    "block text-[13px]",
                    taken.beyond ? "font-semibold text-caution" : "text-ink2",
                  )}
                >
                  measured {taken.text}, {taken.by}
                  {taken.beyond ? ": beyond tolerance" : ""}
                </span>
              )}
            </>
          )}
        </td>
      </tr>
      {open && (
        <tr className="border-b border-line bg-raised">
          <td colSpan={6} className="px-3 py-2">
            <ol className="list-decimal pl-5">
              {line.setUp.map((s) => (
                <li key={s}>{s}</li>
              ))}
            </ol>
            <p className="mt-1 text-[13px] text-ink2">Instrument: {line.instrument}</p>
          </td>
        </tr>
      )}
    </>
  );
}
