import { Entry } from "./CircuitSheet";
import { nameOf, type ShownBox } from "./boxes";
import { Judge } from "./Judge";
import { useWidth } from "../../ui/useWidth";

interface Props {
  label: string;
  boxes: ShownBox[];
  open: boolean;
  onText: (box: ShownBox, text: string) => void;
  onJudge: (box: ShownBox, satisfactory: boolean | null) => void;
}

/** px that a column needs */
const COLUMN = 280;

/** Rounds and pairs, or multiples and half-waves: a row for each, a column for each. */
export function GridSheet({ label, boxes, open, onText, onJudge }: Props) {
  const [frame, width] = useWidth();
  const rows = [...new Set(boxes.map((b) => b.row))];
  const columns = [...new Set(boxes.map((b) => b.column))];
  const cell = (box: ShownBox) => (
    <span key={box.slot} className="flex items-start gap-1.5">
      <Entry box={box} open={open} onText={(text) => onText(box, text)} />
      {box.judged && (
        <Judge box={box} open={open} short={nameOf(box)} signs onJudge={(s) => onJudge(box, s)} />
      )}
    </span>
  );
  if (width > 0 && width < columns.length * COLUMN) {
    return (
      <div ref={frame}>
        {rows.map((row) => (
          <div key={row} className="border-t border-line py-2 first:border-t-0">
            <p className="font-semibold">{row}</p>
            <ul className="space-y-1.5">
              {boxes
                .filter((b) => b.row === row)
                .map((box) => (
                  <li key={box.slot} className="flex items-start gap-2">
                    <span className="w-14 pt-3 text-[15px] leading-tight text-ink2">{box.column}</span>
                    {cell(box)}
                  </li>
                ))}
            </ul>
          </div>
        ))}
      </div>
    );
  }
  return (
    <div ref={frame} className="overflow-x-auto">
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
                  {boxes.filter((b) => b.row === row && b.column === column).map(cell)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
