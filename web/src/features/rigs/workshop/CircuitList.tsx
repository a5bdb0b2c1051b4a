import { useState } from "react";
import type { Schemas } from "../../../api/client";
import { Button } from "../../../ui/Button";
import { classes } from "../../../ui/classes";
import { SelectField } from "../../../ui/Field";
import type { CircuitJson, RigJson } from "./rigJson";

interface Props {
  rig: RigJson;
  chosen: string;
  onChoose: (id: string) => void;
  kit: Schemas["Templates"];
  onAdd: (circuit: string) => void;
}

/** What the rig consists of, in the order of the board. */
export function CircuitList({ rig, chosen, onChoose, kit, onAdd }: Props) {
  const [kind, setKind] = useState(kit.circuits[0]?.id ?? "");
  const first = rig.boards[0]?.id;
  return (
    <nav aria-label="Parts of the rig" className="self-start border border-line bg-sheet p-2">
      <ul>
        <Item
          label="Supply, earthing, boards, fault box"
          note=""
          on={chosen === "origin"}
          onPress={() => onChoose("origin")}
        />
        {rig.boards.map((board) => (
          <li key={board.id}>
            <h2 className="px-2 pt-3 pb-1 text-[13px] font-semibold text-work">{board.label}</h2>
            <ul className="grid sm:grid-cols-3 lg:grid-cols-1">
              {rig.circuits
                .filter((c) => (c.board ?? first) === board.id)
                .sort((a, b) => Number(a.way) - Number(b.way))
                .map((c) => (
                  <Item
                    key={c.id}
                    label={`${c.way} ${c.label}`}
                    note={note(c)}
                    on={chosen === c.id}
                    onPress={() => onChoose(c.id)}
                  />
                ))}
            </ul>
          </li>
        ))}
      </ul>
      <div className="mt-3 space-y-2 border-t border-line p-2">
        <SelectField label="Add a circuit" value={kind} onChange={(e) => setKind(e.target.value)}>
          {kit.circuits.map((t) => (
            <option key={t.id} value={t.id}>
              {t.label}
            </option>
          ))}
        </SelectField>
        <Button onClick={() => onAdd(kit.circuits.find((t) => t.id === kind)?.json ?? "")}>Add it</Button>
      </div>
    </nav>
  );
}

function note(c: CircuitJson): string {
  return `${c.device.curve ?? c.device.standard ?? ""}${c.device.ratedAmps} · ${c.cable.liveMm2}/${c.cable.cpcMm2}`;
}

function Item({
  label,
  note: more,
  on,
  onPress,
}: {
  label: string;
  note: string;
  on: boolean;
  onPress: () => void;
}) {
  return (
    <li>
      <button
        type="button"
        aria-current={on ? "true" : undefined}
        onClick={onPress}
        className={classes(
          "min-h-12 w-full px-2 text-left",
          on ? "bg-work-soft font-semibold" : "hover:bg-work-soft",
        )}
      >
        {label}
        {more && <span className="block text-[13px] font-normal text-ink2">{more}</span>}
      </button>
    </li>
  );
}
