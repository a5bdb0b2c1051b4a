import { useState } from "react";
import type { Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { Pane } from "../../ui/Pane";
import { chosenFault, FaultFields, NO_FAULT } from "../sheet";
import type { Bench } from "./useBench";

/** What the learner says is wrong with the rig. */
export function Faults({ bench, naming }: { bench: Bench; naming: Schemas["PracticeNaming"] }) {
  const [words, setWords] = useState(NO_FAULT);
  const named = bench.state.named;
  const chosen = chosenFault(naming.kinds, words);
  return (
    <Pane title="Faults you found">
      {named.length === 0 && (
        <p className="text-ink2">
          {bench.shut ? "None named." : "None named yet. Name what is wrong before you finish."}
        </p>
      )}
      <ul className="divide-y divide-line">
        {named.map((n, i) => (
          <li key={i} className="flex items-center gap-2 py-1.5">
            <span className="flex-1">
              <b>{naming.kinds.find((k) => k.id === n.kind)?.title ?? n.kind}</b>,{" "}
              {naming.places.find((p) => p.id === n.at)?.label ?? n.at}
            </span>
            {!bench.shut && (
              <Button kind="quiet" onClick={() => bench.practice.name(named.filter((_, k) => k !== i))}>
                Take back
              </Button>
            )}
          </li>
        ))}
      </ul>
      {!bench.shut && (
        <div className="mt-2 space-y-2">
          <FaultFields kinds={naming.kinds} places={naming.places} words={words} onChange={setWords} />
          <Button
            disabled={!chosen}
            onClick={() => {
              if (!chosen) return;
              bench.practice.name([...named, chosen]);
              setWords(NO_FAULT);
            }}
          >
            Name it
          </Button>
        </div>
      )}
    </Pane>
  );
}
