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
