import { NumberBox, Pick, Tick } from "./fields";
import type { ResidualJson } from "./rigJson";
import { RCD_TYPES } from "./words";

interface Props {
  residual: ResidualJson;
  onChange: (residual: ResidualJson) => void;
}

/** A residual-current device; a change of its rating gives up times that were measured on the old one. */
export function ResidualFields({ residual, onChange }: Props) {
  const another = (next: Partial<ResidualJson>) =>
    onChange({
      type: residual.type,
      ratedResidualMilliamps: residual.ratedResidualMilliamps,
      delayed: residual.delayed ?? false,
      ...next,
    });
  return (
    <>
      <Pick
        label="RCD type"
        value={residual.type}
        options={RCD_TYPES}
        onChange={(v) => another({ type: v })}
      />
      <NumberBox
        label="IΔn"
        unit="mA"
        value={residual.ratedResidualMilliamps}
        onChange={(v) => another({ ratedResidualMilliamps: v })}
      />
      <Tick label="delayed, S" value={residual.delayed === true} onChange={(v) => another({ delayed: v })} />
    </>
  );
}
