import { Pane } from "../../ui/Pane";
import type { MarkingView } from "./queries";

/** For whoever marks alone: what the assessor recorded, without what the program makes of it. */
export function SeenAlone({ view }: { view: MarkingView }) {
  return (
    <Pane title="Seen, asked, record">
      <p>
        What was seen and asked stands in the record, and in the boxes beside it. Mark what you can tell from
        there; {view.marks.filter((m) => m.step === "RECORD" && m.wants === "NOTHING").length} marks of it
        were not seen by anybody and count neither way.
      </p>
    </Pane>
  );
}

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
