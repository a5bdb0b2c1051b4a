import type { Schemas } from "../../api/client";
import { Pane } from "../../ui/Pane";
import { clock } from "../../ui/when";

type Line = Schemas["BrokenLine"];

/** A rule of safety that was broken for certain: at the top, and not to be mistaken for a slip. */
export function BrokenSafety({ lines }: { lines: Line[] }) {
  const grave = lines.filter(isGrave);
  if (grave.length === 0) return null;
  return (
    <div role="alert" className="my-2 border-l-8 border-danger bg-danger-soft p-3">
      <p className="text-[19px] font-bold text-danger">Safety: the order is broken. Stop, or say why not.</p>
      <ul>
        {grave.map((l) => (
          <li key={`${l.first}/${l.then}`}>{words(l)}</li>
        ))}
      </ul>
    </div>
  );
}

function isGrave(line: Line): boolean {
  return line.sure && line.severity === "safety";
}

function words(l: Line) {
  return l.firstAt ? (
    <>
      “{l.then}” was begun at {clock(l.thenAt)}, “{l.first}” at {clock(l.firstAt)}: {l.why}.
    </>
  ) : (
    <>
      “{l.then}” is written since {clock(l.thenAt)}, and nothing of “{l.first}”: {l.why}.
    </>
  );
}

/** Rules of order that were broken, with the two deeds that broke them; what was only tapped late is asked about. */
export function Broken({ lines }: { lines: Line[] }) {
  const others = lines.filter((l) => !isGrave(l));
  if (others.length === 0) return null;
  return (
    <Pane title="Order" wall={others.some((l) => l.sure) ? "caution" : undefined}>
      <ul className="divide-y divide-line text-[16px]">
        {others.map((l) => (
          <li key={`${l.first}/${l.then}`} className="py-1.5">
            {l.sure ? (
              <>
                <b className="text-caution">▼</b> {words(l)}
              </>
            ) : (
              <>
                “{l.then}” is on record since {clock(l.thenAt)}, “{l.first}”{" "}
                {l.firstAt ? `since ${clock(l.firstAt)}` : "not yet"}. Seen late, or done late?
              </>
            )}
          </li>
        ))}
      </ul>
    </Pane>
  );
}
