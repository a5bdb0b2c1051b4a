import { type ReactNode } from "react";
import { useWidth } from "../../ui/useWidth";
import { type Group, nameOf, type ShownBox, type Step } from "./boxes";
import { Entry } from "./CircuitSheet";
import { Judge } from "./Judge";

/** Whether a test has a few boxes a circuit and none at a station: then its circuits are lines of one table. */
export function isInRows(step: Step): boolean {
  const columns = new Set(step.groups.flatMap((g) => g.boxes.map(columnOf)));
  return (
    (step.groups.length > 1 || step.groups.every((g) => g.layout === "GRID")) &&
    columns.size <= MOST_COLUMNS &&
    step.groups.every(
      (g) => g.layout !== "LINE" && !g.choice && new Set(g.boxes.map(columnOf)).size === g.boxes.length,
    )
  );
}

const MOST_COLUMNS = 4;
/** px that a column needs */
const COLUMN = 210;

function columnOf(box: { column: string; quantity: string; calculated: boolean }): string {
  return box.calculated ? `${box.quantity} by calculation` : box.column || box.quantity;
}

interface Props {
  step: Step;
  boxesOf: (group: Group) => ShownBox[];
  open: boolean;
  onText: (box: ShownBox, text: string) => void;
  onJudge: (box: ShownBox, satisfactory: boolean | null) => void;
}

/** One line a circuit, what is read beside each other. */
export function RowsSheet({ step, boxesOf, open, onText, onJudge }: Props) {
  const [frame, width] = useWidth();
  const columns = [...new Set(step.groups.flatMap((g) => g.boxes.map(columnOf)))];
  const cell = (box: ShownBox, label: ReactNode) => (
    <span key={box.slot} className="flex flex-wrap items-center gap-1.5">
      {label}
      <Entry box={box} open={open} short={columnOf(box)} onText={(text) => onText(box, text)} />
      {box.judged && (
        <Judge box={box} open={open} short={nameOf(box)} signs onJudge={(s) => onJudge(box, s)} />
      )}
    </span>
  );
  const narrow = width > 0 && width < 150 + columns.length * COLUMN;
  return (
    <section ref={frame} aria-label={step.label} className="border border-line bg-sheet px-4 py-2">
      {narrow ? (
        step.groups.map((group) => (
          <div
            key={group.label}
            id={idOf(step, group)}
            className="border-t border-line py-2 first:border-t-0"
          >
            <h2 className="font-bold">{group.label}</h2>
            <div className="mt-1 flex flex-wrap gap-x-5 gap-y-2">
              {boxesOf(group).map((box) =>
                cell(
                  box,
                  columns.length > 1 && (
                    <span className="min-w-12 text-[15px] text-ink2">{box.column || columnOf(box)}</span>
                  ),
                ),
              )}
            </div>
          </div>
        ))
      ) : (
        <table className="w-full" aria-label={step.label}>
          <thead>
            <tr>
              <td />
              {columns.map((c) => (
                <th key={c} scope="col" className="pr-3 text-left text-[15px] font-semibold text-ink2">
                  {c}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {step.groups.map((group) => (
              <tr key={group.label} id={idOf(step, group)} className="border-t border-line">
                <th scope="row" className="py-1.5 pr-3 text-left font-bold">
                  {group.label}
                </th>
                {columns.map((c) => (
                  <td key={c} className="py-1.5 pr-3 align-middle">
                    {boxesOf(group)
                      .filter((b) => columnOf(b) === c)
                      .map((b) => cell(b, null))}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}

/** Where the map leads to. */
export function idOf(step: Step, group: Group): string {
  return `part-${step.id}-${group.circuit ?? group.label}`;
}
