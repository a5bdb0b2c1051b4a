import type { Schemas } from "../../api/client";
import { Pane } from "../../ui/Pane";
import { clock } from "../../ui/when";

/** Rules of order that were broken, with the two deeds that broke them; what was only tapped late is asked about. */
export function Broken({ lines }: { lines: Schemas["BrokenLine"][] }) {
  if (lines.length === 0) return null;
  return (
    <Pane title="Order" wall={lines.some((l) => l.sure) ? "caution" : undefined}>
      <ul className="divide-y divide-line text-[16px]">
        {lines.map((l) => (
          <li key={`${l.first}/${l.then}`} className="py-1.5">
            {l.sure ? (
              <>
                <b className="text-caution">▼ “{l.then}”</b> was begun at {clock(l.thenAt)},{" "}
                <b>“{l.first}”</b> at {clock(l.firstAt)}: {l.why}.
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
