import type { Schemas } from "../../../api/client";
import { Button } from "../../../ui/Button";
import { Pane } from "../../../ui/Pane";
import { NumberBox, Pick, SignButton, TextBox } from "./fields";
import { freeId, type RigJson, type SupplementaryBondJson, withItem, without } from "./rigJson";

interface Props {
  rig: RigJson;
  kit: Schemas["Templates"];
  onChange: (rig: RigJson, key?: string) => void;
}

/** Bonds from the earth terminal of a point to the part of a main bond. */
export function SupplementaryBonds({ rig, kit, onChange }: Props) {
  const bonds = rig.supplementaryBonds ?? [];
  const places = rig.circuits.flatMap((c) =>
    (c.points ?? []).map((p) => [`${c.id}/${p.id}`, `${p.label}, ${c.label}`] as const),
  );
  const parts = rig.bonds.map((b) => [b.id, b.part] as const);
  const sizes = kit.conductorSizes.map((s) => [String(s), `${s} mm²`] as const);
  const [place] = places[0] ?? [];
  const [part] = parts[0] ?? [];
  const put = (next: SupplementaryBondJson[], key?: string) =>
    onChange({ ...rig, supplementaryBonds: next }, key);
  const set = (i: number, bond: SupplementaryBondJson, key?: string) =>
    put(withItem(bonds, i, bond), key && `supplementary${i}/${key}`);

  return (
    <Pane title="Supplementary bonds">
      {bonds.length === 0 && <p className="text-ink2">None on this rig.</p>}
      <ul className="space-y-1.5">
        {bonds.map((bond, i) => (
          <li key={i} className="flex flex-wrap items-end gap-2">
            <TextBox
              label="Name of the bond"
              value={bond.label}
              onChange={(v) => set(i, { ...bond, label: v }, "label")}
            />
            <Pick
              label="From"
              value={`${bond.circuit}/${bond.point}`}
              options={places}
              onChange={(v) => {
                const [circuit = "", point = ""] = v.split("/");
                set(i, { ...bond, circuit, point });
              }}
            />
            <Pick
              label="To the part"
              value={bond.part}
              options={parts}
              onChange={(v) => set(i, { ...bond, part: v })}
            />
            <Pick
              label="Size"
              value={String(bond.csaMm2)}
              options={sizes}
              onChange={(v) => set(i, { ...bond, csaMm2: Number(v) })}
            />
            <NumberBox
              label="Length"
              unit="m"
              value={bond.lengthMetres}
              onChange={(v) => set(i, { ...bond, lengthMetres: v }, "length")}
            />
            <SignButton label={`Remove ${bond.label}`} sign="×" onPress={() => put(without(bonds, i))} />
          </li>
        ))}
      </ul>
      {place && part && (
        <Button
          className="mt-2"
          onClick={() => {
            const [circuit = "", point = ""] = place.split("/");
            const id = freeId(
              "extra-bond",
              bonds.map((b) => b.id),
            );
            put([
              ...bonds,
              { id, label: "supplementary bond", circuit, point, part, csaMm2: 4, lengthMetres: 3 },
            ]);
          }}
        >
          Add a supplementary bond
        </Button>
      )}
    </Pane>
  );
}
