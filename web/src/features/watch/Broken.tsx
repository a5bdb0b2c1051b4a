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
          <li key={`${l.first.title}/${l.then.title}`}>{words(l)}</li>
        ))}
      </ul>
    </div>
  );
}

function isGrave(line: Line): boolean {
  return line.sure && line.severity === "safety" && !line.permitted;
}

function words(l: Line) {
  if (l.open > 0) {
    return (
      <>
        “{l.then.title}” was begun {since(l.then)} with {l.open} {l.open === 1 ? "box" : "boxes"} of “
        {l.first.title}” still empty: {l.why}.{l.permitted && " You let it go live so, and said why."}
      </>
    );
  }
  return l.first.at ? (
    <>
      “{l.then.title}” was begun {since(l.then)}, “{l.first.title}” {since(l.first)}: {l.why}.
    </>
  ) : (
    <>
      “{l.then.title}” is written since {since(l.then).slice(3)}, and nothing of “{l.first.title}”: {l.why}.
    </>
  );
}

function since(deed: Line["then"]) {
  return deed.at ? `at ${clock(deed.at)}` : "";
}

/** Rules of order that were broken, with the two deeds that broke them; what was only tapped late is asked about. */
export function Broken({ lines }: { lines: Line[] }) {
  const others = lines.filter((l) => !isGrave(l));
  if (others.length === 0) return null;
  return (
    <Pane title="Order" wall={others.some((l) => l.sure) ? "caution" : undefined}>
      <ul className="divide-y divide-line text-[16px]">
        {others.map((l) => (
          <li key={`${l.first.title}/${l.then.title}`} className="py-1.5">
            {l.sure ? (
              <>
                <b className="text-caution">▼</b> {words(l)}
              </>
            ) : (
              <>
                “{l.then.title}” is on record {since(l.then)}, “{l.first.title}”{" "}
                {l.first.at ? since(l.first) : "not yet"}. Seen late, or done late?
              </>
            )}
          </li>
        ))}
      </ul>
    </Pane>
  );
}
