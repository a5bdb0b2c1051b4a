import type { Schemas } from "../../../api/client";
import { NumberBox, Pick } from "./fields";
import { ResidualFields } from "./ResidualFields";
import { type DeviceJson, omit, type ResidualJson } from "./rigJson";
import { CURVES, DEVICE_KINDS, RATINGS } from "./words";

interface Props {
  device: DeviceJson;
  kit: Schemas["Templates"];
  onChange: (device: DeviceJson) => void;
}

/** What protects a circuit. */
export function DeviceFields({ device, kit, onChange }: Props) {
  const fuse = device.kind === "fuse";
  const changeKind = (kind: string) => {
    if (kind === "fuse") {
      const first = kit.fuses[0];
      const rest = omit(omit(device, "curve"), "residual");
      onChange({ ...rest, kind, standard: first?.standard ?? "", ratedAmps: first?.ratedAmps ?? 5 });
      return;
    }
    const residual = JSON.parse(kit.residual) as ResidualJson;
    const base = { ...omit(device, "standard"), kind, curve: device.curve ?? "B" };
    if (kind === "rcbo") onChange({ ...base, residual: device.residual ?? residual });
    else onChange(omit(base, "residual"));
  };
  const standards = [...new Set(kit.fuses.map((f) => f.standard))];
  return (
    <div className="flex flex-wrap items-end gap-3">
      <Pick label="Device" value={device.kind} options={DEVICE_KINDS} onChange={changeKind} />
      {fuse ? (
        <>
          <Pick
            label="Standard"
            value={device.standard ?? ""}
            options={standards.map((s) => [s, s] as const)}
            onChange={(v) =>
              onChange({
                ...device,
                standard: v,
                ratedAmps: kit.fuses.find((f) => f.standard === v)?.ratedAmps ?? device.ratedAmps,
              })
            }
          />
          <Pick
            label="Rated current"
            value={String(device.ratedAmps)}
            options={kit.fuses
              .filter((f) => f.standard === device.standard)
              .map((f) => [String(f.ratedAmps), `${f.ratedAmps} A`] as const)}
            onChange={(v) => onChange({ ...device, ratedAmps: Number(v) })}
          />
        </>
      ) : (
        <>
          <Pick
            label="Curve"
            value={device.curve ?? "B"}
            options={CURVES}
            onChange={(v) => onChange({ ...device, curve: v })}
          />
          <Pick
            label="Rated current"
            value={String(device.ratedAmps)}
            options={[...new Set([...RATINGS, String(device.ratedAmps)])].map((r) => [r, `${r} A`] as const)}
            onChange={(v) => onChange({ ...device, ratedAmps: Number(v) })}
          />
        </>
      )}
      <NumberBox
        label="Breaking capacity"
        unit="kA"
        value={device.breakingKiloamps ?? 6}
        onChange={(v) => onChange({ ...device, breakingKiloamps: v })}
      />
      {device.residual && (
        <ResidualFields
          residual={device.residual}
          onChange={(residual) => onChange({ ...device, residual })}
        />
      )}
    </div>
  );
}
