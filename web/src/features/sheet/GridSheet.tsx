import { Entry } from "./CircuitSheet";
import { nameOf, type ShownBox } from "./boxes";
import { Judge } from "./Judge";

interface Props {
  label: string;
  boxes: ShownBox[];
  open: boolean;
  onText: (box: ShownBox, text: string) => void;
  onJudge: (box: ShownBox, satisfactory: boolean | null) => void;
}

/** Rounds and pairs, or multiples and half-waves: a row for each, a column for each. */
export function GridSheet({ label, boxes, open, onText, onJudge }: Props) {
  const rows = [...new Set(boxes.map((b) => b.row))];
  const columns = [...new Set(boxes.map((b) => b.column))];
  return (
    <div className="overflow-x-auto">
      <table className="border-separate border-spacing-x-3 border-spacing-y-1.5" aria-label={label}>
        <thead>
          <tr>
            <td />
            {columns.map((c) => (
              <th key={c} scope="col" className="text-left text-[15px] font-semibold text-ink2">
                {columns.length > 1 || c.length < 24 ? c : ""}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row}>
              <th scope="row" className="pr-2 text-left font-semibold whitespace-nowrap">
                {row}
              </th>
              {columns.map((column) => (
                <td key={column} className="align-top">
                  {boxes
                    .filter((b) => b.row === row && b.column === column)
                    .map((box) => (
                      <span key={box.slot} className="flex items-start gap-1.5">
                        <Entry box={box} open={open} onText={(text) => onText(box, text)} />
                        {box.judged && (
                          <Judge
                            box={box}
                            open={open}
                            short={nameOf(box)}
                            signs
                            onJudge={(s) => onJudge(box, s)}
                          />
                        )}
                      </span>
                    ))}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
