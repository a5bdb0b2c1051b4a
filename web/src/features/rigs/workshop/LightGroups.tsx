import { Button } from "../../../ui/Button";
import { Pane } from "../../../ui/Pane";
import { NumberBox, Pick, SignButton, TextBox, Tick } from "./fields";
import { freeId, type GroupJson, omit, type RunJson, withItem, without } from "./rigJson";
import { FEEDS, LOADS, USUAL_WATTS } from "./words";

interface Props {
  groups: GroupJson[];
  onChange: (groups: GroupJson[], key?: string) => void;
}

/** Lamps that are switched together, with their switches; the number of switches makes it two-way or more. */
export function LightGroups({ groups, onChange }: Props) {
  const ids = groups.flatMap((g) => [...g.lamps, ...g.switches].map((e) => e.id));
  const add = () =>
    onChange([
      ...groups,
      {
        id: freeId(
          "room",
          groups.map((g) => g.id),
        ),
        label: `Room ${groups.length + 1}`,
        feed: "lamp",
        lamps: [
          { id: freeId("lamp-1", ids), label: "lamp", runMetres: 6, load: { kind: "led-driver", watts: 9 } },
        ],
        switches: [{ id: freeId("switch-1", ids), label: "switch", runMetres: 4 }],
      },
    ]);
  return (
    <>
      {groups.map((group, i) => (
        <Pane key={i} title={group.label} aside={switching(group.switches.length)}>
          <Group
            group={group}
            taken={ids}
            onChange={(g, key) => onChange(withItem(groups, i, g), key && `${i}/${key}`)}
          />
          {groups.length > 1 && (
            <Button className="mt-3" onClick={() => onChange(without(groups, i))}>
              Remove the group
            </Button>
          )}
        </Pane>
      ))}
      <Button onClick={add}>Add a group of lamps</Button>
    </>
  );
}

function switching(switches: number): string {
  if (switches === 1) return "one-way";
  return switches === 2 ? "two-way" : `two-way with ${switches - 2} intermediate`;
}

interface GroupProps {
  group: GroupJson;
  taken: string[];
  onChange: (group: GroupJson, key?: string) => void;
}

function Group({ group, taken, onChange }: GroupProps) {
  const addLamp = () => {
    const lamp: RunJson = {
      id: freeId(`lamp-${group.lamps.length + 1}`, taken),
      label: `lamp ${group.lamps.length + 1}`,
      runMetres: 5,
      load: { kind: "led-driver", watts: 9 },
    };
    onChange({ ...group, lamps: [...group.lamps, lamp] });
  };
  const addSwitch = () => {
    const next: RunJson = {
      id: freeId(`switch-${group.switches.length + 1}`, taken),
      label: `switch ${group.switches.length + 1}`,
      runMetres: 5,
    };
    onChange({ ...group, switches: [...group.switches, next] });
  };
  return (
    <div className="space-y-3">
      <div className="flex flex-wrap items-end gap-3">
        <TextBox
          label="Name of the group"
          value={group.label}
          onChange={(v) => onChange({ ...group, label: v }, "label")}
        />
        <Pick
          label="Permanent line arrives"
          value={group.feed}
          options={FEEDS}
          onChange={(v) => onChange({ ...group, feed: v })}
        />
      </div>
      <Runs
        title="Lamps"
        items={group.lamps}
        lamps
        onChange={(lamps, key) => onChange({ ...group, lamps }, key && `lamps/${key}`)}
        onAdd={addLamp}
      />
      <Runs
        title="Switches"
        items={group.switches}
        lamps={false}
        onChange={(switches, key) => onChange({ ...group, switches }, key && `switches/${key}`)}
        onAdd={addSwitch}
      />
    </div>
  );
}

interface RunsProps {
  title: string;
  items: RunJson[];
  lamps: boolean;
  onChange: (items: RunJson[], key?: string) => void;
  onAdd: () => void;
}

function Runs({ title, items, lamps, onChange, onAdd }: RunsProps) {
  const set = (i: number, item: RunJson, key?: string) =>
    onChange(withItem(items, i, item), key && `${i}/${key}`);
  return (
    <div>
      <h3 className="mb-1 text-ink2">{title}, with the cable from the one before</h3>
      <ul className="space-y-1.5">
        {items.map((item, i) => (
          <li key={i} className="flex flex-wrap items-center gap-2">
            <TextBox
              bare
              label={`Name of ${item.label}`}
              value={item.label}
              onChange={(v) => set(i, { ...item, label: v }, "label")}
            />
            <NumberBox
              bare
              label={`Cable to ${item.label}, m`}
              value={item.runMetres}
              onChange={(v) => set(i, { ...item, runMetres: v }, "run")}
            />
            <span className="text-ink2">m</span>
            {!lamps && i > 0 && (
              <>
                <NumberBox
                  bare
                  label={`Strapper 2 to ${item.label} longer by, m`}
                  value={item.secondStrapperMoreMetres}
                  hint="0"
                  onChange={(v) =>
                    set(
                      i,
                      v === ""
                        ? omit(item, "secondStrapperMoreMetres")
                        : { ...item, secondStrapperMoreMetres: v },
                      "strapper",
                    )
                  }
                />
                <span className="text-ink2">m more on strapper 2</span>
              </>
            )}
            {lamps && (
              <>
                <Pick
                  bare
                  label={`Lamp of ${item.label}`}
                  value={item.load?.kind ?? "led-driver"}
                  options={LOADS.filter(([v]) => v !== "")}
                  onChange={(v) => set(i, { ...item, load: { kind: v, watts: USUAL_WATTS[v] ?? 60 } })}
                />
                <Tick
                  label="metal"
                  value={item.metal === true}
                  onChange={(v) => set(i, v ? { ...item, metal: true } : omit(item, "metal"))}
                />
              </>
            )}
            {items.length > 1 && (
              <SignButton
                label={`Remove ${item.label}`}
                sign="×"
                onPress={() => onChange(without(items, i))}
              />
            )}
          </li>
        ))}
      </ul>
      <Button className="mt-2" onClick={onAdd}>
        {lamps ? "Add a lamp" : "Add a switch"}
      </Button>
    </div>
  );
}
