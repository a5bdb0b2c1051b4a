import { Choices } from "../../ui/Choices";

type Stage = "DEAD" | "LIVE";

interface Props {
  stage: Stage;
  target: number;
  onStage: (stage: Stage) => void;
  onTarget: (target: number) => void;
}

/** What every proposal is asked for: the stage the faults are for, and how hard they shall be. */
export function ProposalFields({ stage, target, onStage, onTarget }: Props) {
  return (
    <>
      <Choices
        label="For"
        value={stage}
        options={[
          { value: "DEAD", label: "dead tests" },
          { value: "LIVE", label: "stays in, live" },
        ]}
        onChange={(v) => onStage(v as Stage)}
      />
      <label className="block">
        <span className="font-semibold">Difficulty {target.toFixed(1)}</span>
        <input
          type="range"
          min={1}
          max={5}
          step={0.5}
          value={target}
          onChange={(e) => onTarget(Number(e.target.value))}
          className="h-8 w-full accent-[var(--plum)]"
        />
      </label>
    </>
  );
}
