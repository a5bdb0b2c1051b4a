import { useState } from "react";
import type { Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { SelectField } from "../../ui/Field";
import { Pane } from "../../ui/Pane";
import { ProblemNote } from "../../ui/States";
import { ProposalFields } from "./ProposalFields";
import { type Fault, useSetWrites } from "./queries";

interface Props {
  id: string;
  /** changes so far: another number, another proposal */
  rounds: number;
  onTake: (faults: Fault[]) => void;
}

/** A fair set for this rig and this candidate, with the reasons. */
export function Propose({ id, rounds, onTake }: Props) {
  const { propose } = useSetWrites(id);
  const [stage, setStage] = useState<"DEAD" | "LIVE">("DEAD");
  const [count, setCount] = useState("3");
  const [target, setTarget] = useState(2.5);
  const [seed, setSeed] = useState(1);
  const ask = (next: number) => {
    setSeed(next);
    propose.mutate({ stage, count: Number(count), target, seed: next + rounds * 1000 });
  };
  return (
    <Pane title="Propose a set">
      <div className="space-y-3">
        <SelectField label="Faults" value={count} onChange={(e) => setCount(e.target.value)} className="w-20">
          {[1, 2, 3, 4, 5, 6].map((n) => (
            <option key={n}>{n}</option>
          ))}
        </SelectField>
        <ProposalFields stage={stage} target={target} onStage={setStage} onTarget={setTarget} />
        <div className="flex gap-2">
          <Button disabled={propose.isPending} onClick={() => ask(seed)}>
            {propose.isPending ? "Looking…" : "Propose"}
          </Button>
          {propose.data && (
            <Button kind="quiet" disabled={propose.isPending} onClick={() => ask(seed + 1)}>
              Another one
            </Button>
          )}
        </div>
        <ProblemNote error={propose.error} />
        {propose.data && <Proposed proposed={propose.data} onTake={onTake} />}
      </div>
    </Pane>
  );
}

function Proposed({
  proposed,
  onTake,
}: {
  proposed: Schemas["Proposed"];
  onTake: (faults: Fault[]) => void;
}) {
  return (
    <div className="border-t border-line pt-2">
      <ul className="list-disc space-y-1 pl-5 text-[14px]">
        {proposed.reasons.map((r) => (
          <li key={r}>{r}</li>
        ))}
      </ul>
      <Button kind="main" className="mt-2" onClick={() => onTake(proposed.faults)}>
        Take this set
      </Button>
    </div>
  );
}
