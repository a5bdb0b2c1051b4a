import { Pane } from "../../ui/Pane";
import type { MarkingView } from "./queries";

/** What was set on the rig, and what the candidate named. */
export function FaultsNamed({ view }: { view: MarkingView }) {
  return (
    <Pane title="Faults">
      <h3 className="text-[14px] font-semibold text-plum">Set on the rig</h3>
      <List items={view.faultsSet} empty="Nothing: a healthy rig." />
      <h3 className="mt-2 text-[14px] font-semibold">Named by the candidate</h3>
      <List items={view.faultsReported} empty="Nothing named." />
    </Pane>
  );
}

function List({ items, empty }: { items: string[]; empty: string }) {
  if (items.length === 0) return <p className="text-[14px] text-ink2">{empty}</p>;
  return (
    <ul className="text-[14px]">
      {items.map((item) => (
        <li key={item} className="py-0.5">
          {item}
        </li>
      ))}
    </ul>
  );
}
