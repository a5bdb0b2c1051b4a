import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useSearchParams } from "react-router";
import type { Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { classes } from "../../ui/classes";
import { SelectField, TextField } from "../../ui/Field";
import { Pane } from "../../ui/Pane";
import { Loaded, ProblemNote } from "../../ui/States";
import { referenceQueries } from "./queries";

type Calculator = Schemas["CalculatorView"];

/** Formulas of the trade with their sources, worked out by the same core as the keys; knows no bay. */
export function ReferencePage() {
  const calculators = useQuery(referenceQueries.all);
  const [search, setSearch] = useSearchParams();
  return (
    <Loaded query={calculators}>
      {(all) => {
        const chosen = all.find((c) => c.id === search.get("of")) ?? all[0];
        return (
          <>
            <div className="mb-3 flex flex-wrap items-end justify-between gap-3">
              <h1 className="text-[21px] font-bold">Reference</h1>
              <Link to="/glossary" className="text-work underline">
                Glossary: what the words mean
              </Link>
            </div>
            <div className="grid gap-3 md:grid-cols-[260px_minmax(0,1fr)]">
              <nav aria-label="Calculators" className="self-start border border-line bg-sheet p-2">
                <ul>
                  {all.map((c) => (
                    <li key={c.id}>
                      <button
                        type="button"
                        aria-current={c === chosen ? "true" : undefined}
                        onClick={() => setSearch({ of: c.id })}
                        className={classes(
                          "min-h-12 w-full px-2 text-left",
                          c === chosen ? "bg-work-soft font-semibold" : "hover:bg-work-soft",
                        )}
                      >
                        {c.title}
                      </button>
                    </li>
                  ))}
                </ul>
              </nav>
              {chosen && <Worked key={chosen.id} calculator={chosen} />}
            </div>
          </>
        );
      }}
    </Loaded>
  );
}

function Worked({ calculator }: { calculator: Calculator }) {
  const [values, setValues] = useState<Record<string, string>>(() =>
    Object.fromEntries(calculator.inputs.map((i) => [i.id, i.usual])),
  );
  const worked = useQuery(referenceQueries.worked(calculator.id, values));
  const change = (id: string, value: string) => setValues({ ...values, [id]: value });
  return (
    <div className="max-w-[860px] space-y-3">
      <Pane title={calculator.title}>
        <div className="grid gap-3 sm:grid-cols-2 lg:grid-cols-4">
          {calculator.inputs.map((input) => (
            <InputField
              key={input.id}
              input={input}
              value={values[input.id] ?? ""}
              onChange={(v) => change(input.id, v)}
            />
          ))}
        </div>
      </Pane>
      {worked.isError ? (
        <ProblemNote error={worked.error} />
      ) : (
        worked.data && <Results title={calculator.title} worked={worked.data} />
      )}
    </div>
  );
}

interface FieldProps {
  input: Calculator["inputs"][number];
  value: string;
  onChange: (value: string) => void;
}

function InputField({ input, value, onChange }: FieldProps) {
  const label = input.unit ? `${input.label}, ${input.unit}` : input.label;
  if (input.choices.length > 0) {
    return (
      <SelectField label={label} value={value} onChange={(e) => onChange(e.target.value)}>
        {input.choices.map((choice) => (
          <option key={choice}>{choice}</option>
        ))}
      </SelectField>
    );
  }
  return (
    <TextField label={label} inputMode="decimal" value={value} onChange={(e) => onChange(e.target.value)} />
  );
}

function Results({ title, worked }: { title: string; worked: Schemas["Worked"] }) {
  const [copied, setCopied] = useState(false);
  const text = [
    title,
    ...worked.results.map((r) => `${r.label}: ${r.value}`),
    ...worked.working,
    worked.source,
  ].join("\n");
  const copy = async () => {
    await navigator.clipboard.writeText(text);
    setCopied(true);
    setTimeout(() => setCopied(false), 2000);
  };
  return (
    <Pane wall="work" title="Result">
      <dl aria-live="polite">
        {worked.results.map((result, i) => (
          <div
            key={result.label}
            className="flex flex-wrap justify-between gap-x-6 border-b border-line py-1.5"
          >
            <dt className={i === 0 ? "font-semibold" : ""}>{result.label}</dt>
            <dd className={i === 0 ? "text-[20px] font-bold" : "font-semibold"}>{result.value}</dd>
          </div>
        ))}
      </dl>
      <h3 className="mt-3 font-bold">Working</h3>
      {worked.working.map((line) => (
        <p key={line}>{line}</p>
      ))}
      <p className="mt-2 text-[13px] text-ink2">Source: {worked.source}</p>
      <Button className="mt-3" onClick={() => void copy()}>
        {copied ? "Copied" : "Copy"}
      </Button>
    </Pane>
  );
}
