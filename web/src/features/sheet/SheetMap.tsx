import { classes } from "../../ui/classes";
import type { SheetView } from "./queries";
import { type At, boxesIn, openIn, SIGNS, type Step, stateOf, stateOfGroups } from "./boxes";

interface Props {
  view: SheetView;
  at: At;
  onGo: (at: At) => void;
}

const KEY = "● done  ◐ begun  ○ open  – closed for now  · proved the other way";

/** Tests by circuits: where one is, what is done, what is open. */
export function SheetMap({ view, at, onGo }: Props) {
  const circuits = view.circuits.filter((c) =>
    view.steps.some((s) => s.groups.some((g) => g.circuit === c.id)),
  );
  const rows = { view, circuits, at, onGo };
  return (
    <nav aria-label="Tests and circuits" className="text-[15px]">
      <div className="grid items-start gap-x-6 sm:grid-cols-2 lg:grid-cols-1">
        <Part {...rows} title="Dead" steps={view.steps.filter((s) => !s.live)} />
        <Part {...rows} title="Live" steps={view.steps.filter((s) => s.live)} />
      </div>
      <ol className="mt-2 flex flex-wrap gap-x-1 border-t border-line pt-1" aria-label="Circuits">
        {circuits.map((c, i) => (
          <li key={c.id}>
            <button
              type="button"
              aria-current={at.by === "circuit" && at.circuit === c.id ? "page" : undefined}
              onClick={() => onGo({ by: "circuit", circuit: c.id })}
              className={classes(
                "min-h-9 rounded-md px-1.5 text-left",
                at.by === "circuit" && at.circuit === c.id
                  ? "bg-work-soft font-bold"
                  : "text-ink2 hover:bg-work-soft",
              )}
            >
              <b className="text-ink">{i + 1}</b> {c.label}
            </button>
          </li>
        ))}
        <li>
          <button
            type="button"
            data-step="faults"
            aria-current={at.by === "faults" ? "page" : undefined}
            onClick={() => onGo({ by: "faults" })}
            className={classes(
              "min-h-9 rounded-md px-1.5",
              at.by === "faults" ? "bg-work-soft font-bold" : "text-ink2 hover:bg-work-soft",
            )}
          >
            Faults I found <b className="text-ink">{view.reports.length}</b>
          </button>
        </li>
      </ol>
      <p className="text-[13px] text-ink2" aria-hidden="true">
        {KEY}
      </p>
    </nav>
  );
}

interface PartProps extends Props {
  title: string;
  steps: Step[];
  circuits: SheetView["circuits"];
}

function Part({ title, steps, view, circuits, at, onGo }: PartProps) {
  if (steps.length === 0) return null;
  const rig = view.steps.some((s) => s.groups.some((g) => g.circuit === null));
  return (
    <table className="w-full border-collapse" aria-label={`${title} tests`}>
      <thead>
        <tr className="text-[13px] text-ink2">
          <th scope="col" className="py-0.5 text-left font-semibold">
            {title}
          </th>
          {rig && (
            <th scope="col" className="w-9 font-semibold">
              rig
            </th>
          )}
          {circuits.map((c, i) => (
            <th key={c.id} scope="col" className="w-9 font-semibold" title={c.label}>
              {i + 1}
              <span className="sr-only"> {c.label}</span>
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {steps.map((step) => (
          <Row key={step.id} step={step} rig={rig} circuits={circuits} at={at} onGo={onGo} />
        ))}
      </tbody>
    </table>
  );
}

interface RowProps {
  step: Step;
  rig: boolean;
  circuits: SheetView["circuits"];
  at: At;
  onGo: (at: At) => void;
}

function Row({ step, rig, circuits, at, onGo }: RowProps) {
  const here = at.by === "test" && at.step === step.id;
  const told = step.groups.every((g) => !g.choice);
  const written = boxesIn(step) - openIn(step);
  return (
    <tr className={classes("border-t border-line", here && "bg-work-soft")}>
      <th scope="row" className="p-0 text-left font-normal">
        <button
          type="button"
          data-step={step.id}
          aria-current={here ? "page" : undefined}
          onClick={() => onGo({ by: "test", step: step.id })}
          className={classes(
            "min-h-8 w-full rounded-md px-1 text-left leading-tight hover:bg-work-soft",
            here && "font-bold",
            step.closedBecause && !here && "text-ink2",
          )}
        >
          {step.label}
          <span className="sr-only">
            , {stateOf(step)}, {told ? `${written} of ${boxesIn(step)} boxes` : `${boxesIn(step)} written`}
          </span>
        </button>
      </th>
      {rig && <Cell step={step} circuit={null} name="the rig" at={at} onGo={onGo} />}
      {circuits.map((c) => (
        <Cell key={c.id} step={step} circuit={c.id} name={c.label} at={at} onGo={onGo} />
      ))}
    </tr>
  );
}

interface CellProps {
  step: Step;
  circuit: string | null;
  name: string;
  at: At;
  onGo: (at: At) => void;
}

function Cell({ step, circuit, name, at, onGo }: CellProps) {
  const groups = step.groups.filter((g) => g.circuit === circuit);
  if (groups.length === 0) return <td />;
  const state = stateOfGroups(step, groups);
  const here = circuit !== null && at.by === "test" && at.step === step.id && at.circuit === circuit;
  return (
    <td className="p-0 text-center">
      <button
        type="button"
        aria-label={`${name}: ${step.label}, ${state}`}
        aria-current={here ? "true" : undefined}
        onClick={() => onGo({ by: "test", step: step.id, ...(circuit === null ? {} : { circuit }) })}
        className={classes(
          "min-h-8 w-full min-w-8 rounded-md hover:bg-work-soft",
          state === "filled" || state === "begun" || state === "open" ? "text-work" : "text-ink2",
          here && "outline-2 outline-work",
        )}
      >
        {SIGNS[state]}
      </button>
    </td>
  );
}
