import { classes } from "../../ui/classes";
import { Pane } from "../../ui/Pane";
import type { Line, MarkingView } from "./queries";

/** A part of the record: a test, on one circuit or on the rig as a whole. */
export interface PartOfRecord {
  step: string;
  circuit: string | null;
}

interface Props {
  view: MarkingView;
  at: PartOfRecord | undefined;
  onGo: (part: PartOfRecord) => void;
}

/** Sign and words for a part of the record: the side of what is odd in it, else that all is right. */
function shapeOf(lines: Line[]): { sign: string; words: string } {
  const odd = lines.filter((l) => l.wantsEye && l.written !== "");
  const first = odd[0];
  if (first) {
    const words = odd.length === 1 ? "one reading to look at" : `${odd.length} readings to look at`;
    const sign = odd.every((l) => l.side === "above")
      ? "▲"
      : odd.every((l) => l.side === "below")
        ? "▼"
        : "✗";
    return { sign: odd.every((l) => l.side === "inside") ? "◆" : sign, words };
  }
  if (lines.every((l) => l.written === "")) return { sign: "○", words: "empty" };
  return lines.some((l) => l.written === "")
    ? { sign: "◇", words: "some boxes are empty" }
    : { sign: "◆", words: "as this rig gives" };
}

/** Tests by circuits as shapes: what is as this rig gives, what differs, what is empty. */
export function RecordMap({ view, at, onGo }: Props) {
  const asked = view.lines.filter((l) => l.asked);
  const circuits = view.circuits.filter((c) => asked.some((l) => l.circuit === c.id));
  const faulty = new Set(view.profiles.filter((p) => p.faultStations.length > 0).map((p) => p.circuit));
  const columns: { id: string | null; label: string }[] = [{ id: null, label: "rig" }, ...circuits];
  return (
    <Pane title="The record">
      <nav aria-label="Tests" className="text-[14px]">
        <table className="w-full border-collapse">
          <thead>
            <tr className="text-[13px] text-ink2">
              <td />
              {columns.map((c, i) => (
                <th
                  key={c.id ?? ""}
                  scope="col"
                  title={c.label}
                  className={classes("w-8 font-semibold", c.id !== null && faulty.has(c.id) && "text-plum")}
                >
                  {i === 0 ? "rig" : i}
                  {i > 0 && <span className="sr-only"> {c.label}</span>}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {view.steps
              .filter((s) => !s.leftOut)
              .map((s) => (
                <tr key={s.id} className="border-t border-line">
                  <th scope="row" className="py-1 pr-1 text-left leading-tight font-normal">
                    {s.label}
                  </th>
                  {columns.map((c) => {
                    const lines = asked.filter((l) => l.step === s.id && l.circuit === c.id);
                    if (lines.length === 0) return <td key={c.id ?? ""} />;
                    const { sign, words } = shapeOf(lines);
                    const look = lines.some((l) => l.wantsEye);
                    const here = at?.step === s.id && at.circuit === c.id;
                    return (
                      <td key={c.id ?? ""} className="p-0 text-center">
                        <button
                          type="button"
                          aria-label={`${s.label}, ${c.label}: ${words}`}
                          aria-current={here ? "true" : undefined}
                          onClick={() => onGo({ step: s.id, circuit: c.id })}
                          className={classes(
                            "min-h-7 w-full min-w-7 hover:bg-work-soft",
                            look ? "bg-caution-soft text-ink" : "text-work",
                            here && "outline-2 outline-work",
                          )}
                        >
                          {sign}
                        </button>
                      </td>
                    );
                  })}
                </tr>
              ))}
          </tbody>
        </table>
      </nav>
      <ol className="mt-2 flex flex-wrap gap-x-3 text-[13px] text-ink2">
        {circuits.map((c, i) => (
          <li key={c.id} className={classes(faulty.has(c.id) && "text-plum")}>
            {i + 1} {c.label}
          </li>
        ))}
      </ol>
      <p className="mt-1 text-[13px] text-ink2">
        ◆ as this rig gives · ▲▼✗ differs · ○ empty. Press a sign for its readings.
        {faulty.size > 0 && " Plum: a fault is set there."}
      </p>
    </Pane>
  );
}
