import { NumberBox, Pick, Tick } from "./fields";
import { type Num, omit, type ResidualJson } from "./rigJson";
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
      <OwnReadings residual={residual} onChange={onChange} />
    </>
  );
}

type Times = "ratedMillis" | "fiveTimesMillis";

/** What this very device reads, as measured; left empty, the usual of its kind. */
function OwnReadings({ residual, onChange }: Props) {
  const changeTime = (which: Times, half: 0 | 1, value: Num) => {
    const old = residual[which];
    // until the other half-wave is measured it is taken to be the same
    const next = old ? [...old] : [value, value];
    next[half] = value;
    const empty = next.every((t) => t === "");
    onChange(empty ? omit(residual, which) : { ...residual, [which]: next });
  };
  const time = (which: Times, half: 0 | 1, label: string) => (
    <NumberBox
      label={label}
      unit="ms"
      hint="usual"
      value={residual[which]?.[half]}
      onChange={(v) => changeTime(which, half, v)}
    />
  );
  return (
    <details className="basis-full">
      <summary className="min-h-10 cursor-pointer py-2 text-ink2">
        What this device itself reads, as measured
      </summary>
      <div className="flex flex-wrap items-end gap-3 pb-2">
        <NumberBox
          label="Trips on a rising current at"
          unit="mA"
          hint="usual"
          value={residual.tripMilliamps}
          onChange={(v) =>
            onChange(v === "" ? omit(residual, "tripMilliamps") : { ...residual, tripMilliamps: v })
          }
        />
        {time("ratedMillis", 0, "IΔn, 0°")}
        {time("ratedMillis", 1, "IΔn, 180°")}
        {time("fiveTimesMillis", 0, "5 × IΔn, 0°")}
        {time("fiveTimesMillis", 1, "5 × IΔn, 180°")}
        <Tick
          label="test button works"
          value={residual.buttonWorks !== false}
          onChange={(v) => onChange({ ...residual, buttonWorks: v })}
        />
      </div>
    </details>
  );
}
