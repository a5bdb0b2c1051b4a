import { Pane } from "../../ui/Pane";
import type { MarkingView } from "./queries";

/** What counts besides the boxes: how many of it anybody recorded. */
export function Watched({ view }: { view: MarkingView }) {
  const marks = view.marks.filter((m) => m.step === "RECORD");
  const unseen = marks.filter((m) => m.wants === "NOTHING");
  const slips = marks.filter((m) => m.proposed === "NONE" || m.proposed === "HALF");
  return (
    <>
      <Pane title="Wants your eye" wall={slips.length > 0 ? "caution" : undefined}>
        {slips.length === 0 ? (
          <p className="text-ink2">Nothing: what was seen and asked was right, and the boxes agree.</p>
        ) : (
          <ul className="divide-y divide-line">
            {slips.map((m) => (
              <li key={m.id} className="py-2">
                <b>{m.title}</b> <span className="text-[13px] text-ink2">{m.group}</span>
                <span className="block text-[14px]">{m.evidence}</span>
              </li>
            ))}
          </ul>
        )}
      </Pane>
      {unseen.length > 0 && (
        <Pane title="Not seen" aside={`${unseen.length}, counting neither way`}>
          <p className="text-[14px] text-ink2">{unseen.map((m) => m.title).join(" · ")}</p>
        </Pane>
      )}
    </>
  );
}
