import { Button } from "../../../ui/Button";
import { NumberBox, Pick, SignButton, TextBox, Tick } from "./fields";
import { freeId, type LoadJson, omit, type PointJson, withItem, without } from "./rigJson";
import { LOADS, POINT_KINDS, USUAL_WATTS } from "./words";

interface Props {
  points: PointJson[];
  ring: boolean;
  onChange: (points: PointJson[], key?: string) => void;
}

/** Points of a radial or ring, in order of cable distance. */
export function PointsTable({ points, ring, onChange }: Props) {
  const set = (i: number, point: PointJson, key?: string) =>
    onChange(withItem(points, i, point), key && `${i}/${key}`);
  const add = () => {
    const last = points.findLast((p) => !p.after) ?? points.at(-1);
    const kind = last?.kind ?? "twin-socket";
    const base = kind.includes("socket") ? "socket" : kind;
    const n = points.filter((p) => p.kind.includes("socket")).length + 1;
    onChange([
      ...points,
      {
        id: freeId(
          `${base}-${n}`,
          points.map((p) => p.id),
        ),
        label: `${base} ${n}`,
        kind,
        atMetres: Number(last?.atMetres ?? 0) + 5,
      },
    ]);
  };
  return (
    <>
      <div className="overflow-x-auto">
        <table className="text-left">
          <thead className="text-ink2">
            <tr>
              {["Name", "Kind", "At, m", ring ? "Spur after" : "Branch after", "Load", "W", "Metal", ""].map(
                (h, i) => (
                  <th key={i} className="pr-1.5 pb-1 font-normal">
                    {h}
                  </th>
                ),
              )}
            </tr>
          </thead>
          <tbody>
            {points.map((p, i) => (
              <tr key={i}>
                <td className="pr-1.5 pb-1.5">
                  <TextBox
                    bare
                    label={`Name of point ${i + 1}`}
                    value={p.label}
                    onChange={(v) => set(i, { ...p, label: v }, "label")}
                  />
                </td>
                <td className="pr-1.5 pb-1.5">
                  <Pick
                    bare
                    label={`Kind of ${p.label}`}
                    value={p.kind}
                    options={POINT_KINDS}
                    onChange={(v) => set(i, { ...p, kind: v })}
                  />
                </td>
                <td className="pr-1.5 pb-1.5">
                  <NumberBox
                    bare
                    label={`Distance of ${p.label}, m`}
                    value={p.atMetres}
                    onChange={(v) => set(i, { ...p, atMetres: v }, "at")}
                  />
                </td>
                <td className="pr-1.5 pb-1.5">
                  <Pick
                    bare
                    label={`What ${p.label} comes from`}
                    value={p.after ?? ""}
                    options={[
                      ["", "the one before"],
                      ...points.slice(0, i).map((q) => [q.id, q.label] as const),
                    ]}
                    onChange={(v) => set(i, v ? { ...p, after: v } : omit(p, "after"))}
                  />
                </td>
                <LoadCells
                  load={p.load}
                  name={p.label}
                  onChange={(load) => set(i, load ? { ...p, load } : omit(p, "load"), "load")}
                />
                <td className="pr-1.5 pb-1.5">
                  <Tick
                    bare
                    label={`${p.label} is of metal`}
                    value={p.metal === true}
                    onChange={(v) => set(i, v ? { ...p, metal: true } : omit(p, "metal"))}
                  />
                </td>
                <td className="pb-1.5">
                  {points.length > 1 && (
                    <SignButton
                      label={`Remove ${p.label}`}
                      sign="×"
                      onPress={() => onChange(removed(points, i))}
                    />
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <Button className="mt-2" onClick={add}>
        Add a point at the end
      </Button>
    </>
  );
}

/** What hung on a point that goes is hung on the one before. */
function removed(points: PointJson[], index: number): PointJson[] {
  const gone = points[index]?.id;
  return without(points, index).map((p) => (p.after === gone ? omit(p, "after") : p));
}

interface LoadProps {
  load: LoadJson | undefined;
  name: string;
  onChange: (load: LoadJson | undefined) => void;
}

function LoadCells({ load, name, onChange }: LoadProps) {
  return (
    <>
      <td className="pr-1.5 pb-1.5">
        <Pick
          bare
          label={`Load of ${name}`}
          value={load?.kind ?? ""}
          options={LOADS}
          onChange={(v) => onChange(v ? { kind: v, watts: USUAL_WATTS[v] ?? 100 } : undefined)}
        />
      </td>
      <td className="pr-1.5 pb-1.5">
        {load && (
          <NumberBox
            bare
            label={`Power of ${name}, W`}
            value={load.watts}
            onChange={(v) => onChange({ ...load, watts: v })}
          />
        )}
      </td>
    </>
  );
}
