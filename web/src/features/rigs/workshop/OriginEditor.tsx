import type { Schemas } from "../../../api/client";
import { Button } from "../../../ui/Button";
import { Pane } from "../../../ui/Pane";
import { BoardFields } from "./BoardFields";
import { FaultBoxFields } from "./FaultBoxFields";
import { NumberBox, Pick, SignButton, TextBox, Tick } from "./fields";
import { type BondJson, freeId, omit, type RigJson, withItem, without } from "./rigJson";
import { SupplementaryBonds } from "./SupplementaryBonds";
import { EARTHINGS } from "./words";

interface Props {
  rig: RigJson;
  /** a new rig still chooses its id */
  isNew: boolean;
  kit: Schemas["Templates"];
  onChange: (rig: RigJson, key?: string) => void;
}

/** Name, supply, earthing, workmanship and boards. */
export function OriginEditor({ rig, isNew, kit, onChange }: Props) {
  return (
    <>
      <Pane title="Name">
        <div className="flex flex-wrap items-end gap-3">
          <TextBox
            wide
            label="Name"
            value={rig.name}
            onChange={(v) => onChange({ ...rig, name: v }, "name")}
          />
          {isNew && (
            <TextBox
              label="Id, for files"
              value={rig.id}
              onChange={(v) => onChange({ ...rig, id: v }, "id")}
            />
          )}
        </div>
        <label className="mt-3 block">
          <span className="mb-1 block text-ink2">Comments, for people</span>
          <textarea
            className="min-h-20 w-full rounded-md border border-ink2 bg-sheet p-2"
            value={rig.comments ?? ""}
            onChange={(e) =>
              onChange(
                e.target.value ? { ...rig, comments: e.target.value } : omit(rig, "comments"),
                "comments",
              )
            }
          />
        </label>
      </Pane>
      <SupplyFields rig={rig} kit={kit} onChange={onChange} />
      <EarthingFields rig={rig} kit={kit} onChange={onChange} />
      <SupplementaryBonds rig={rig} kit={kit} onChange={onChange} />
      <BoardFields rig={rig} kit={kit} onChange={onChange} />
      <FaultBoxFields rig={rig} onChange={onChange} />
    </>
  );
}

function SupplyFields({ rig, kit, onChange }: RigProps & { kit: Schemas["Templates"] }) {
  const { supply } = rig;
  const set = (next: RigJson["supply"], key?: string) =>
    onChange({ ...rig, supply: next }, key && `supply/${key}`);
  const changeEarthing = (earthing: string) => {
    const plain = omit(omit({ ...supply, earthing }, "earthPath"), "electrodeOhms");
    if (earthing === "TN-S") set({ ...plain, earthPath: { ohms: 0.3, reactanceOhms: 0.01 } });
    else if (earthing === "TT") set({ ...plain, electrodeOhms: 80 });
    else set(plain);
  };
  const changePhases = (count: string) => {
    const first = supply.lines[0] ?? { ohms: 0.1 };
    set({
      ...supply,
      lines: Array.from({ length: Number(count) }, (_, i) => supply.lines[i] ?? { ...first }),
    });
  };
  return (
    <Pane title="Supply" aside="what arrives, and what the plate says">
      <div className="flex flex-wrap items-end gap-3">
        <Pick
          label="Phases"
          value={String(supply.lines.length)}
          options={[
            ["1", "single-phase"],
            ["3", "three-phase"],
          ]}
          onChange={changePhases}
        />
        <NumberBox
          label="U0"
          unit="V"
          value={supply.nominalVolts}
          onChange={(v) => set({ ...supply, nominalVolts: v }, "u0")}
        />
        <Pick label="Building" value={supply.earthing} options={EARTHINGS} onChange={changeEarthing} />
        <Pick
          label="Declared"
          value={supply.declaredEarthing ?? supply.earthing}
          options={EARTHINGS}
          onChange={(v) => set({ ...supply, declaredEarthing: v })}
        />
        <NumberBox
          label="Declared Ze"
          unit="Ω"
          value={supply.declaredZeOhms}
          onChange={(v) => set({ ...supply, declaredZeOhms: v }, "ze")}
        />
      </div>
      <div className="mt-3 flex flex-wrap items-end gap-3">
        {supply.lines.map((line, i) => (
          <ImpedanceBoxes
            key={i}
            name={supply.lines.length === 1 ? "Line" : `L${i + 1}`}
            value={line}
            onChange={(v) => set({ ...supply, lines: withItem(supply.lines, i, v) }, `line${i}`)}
          />
        ))}
        <ImpedanceBoxes
          name={supply.earthing === "TN-C-S" ? "PEN" : "Neutral"}
          value={supply.neutral}
          onChange={(v) => set({ ...supply, neutral: v }, "neutral")}
        />
        {supply.earthPath && (
          <ImpedanceBoxes
            name="Earth path"
            value={supply.earthPath}
            onChange={(v) => set({ ...supply, earthPath: v }, "path")}
          />
        )}
        {supply.electrodeOhms !== undefined && (
          <NumberBox
            label="Electrode"
            unit="Ω"
            value={supply.electrodeOhms}
            onChange={(v) => set({ ...supply, electrodeOhms: v }, "electrode")}
          />
        )}
        <Tick
          label="tails of some length"
          value={supply.tails !== undefined}
          onChange={(v) =>
            set(v ? { ...supply, tails: { csaMm2: 25, lengthMetres: 2 } } : omit(supply, "tails"))
          }
        />
        {supply.tails && (
          <>
            <Pick
              label="Tails"
              value={String(supply.tails.csaMm2)}
              options={kit.conductorSizes.map((s) => [String(s), `${s} mm²`] as const)}
              onChange={(v) =>
                set({
                  ...supply,
                  tails: { csaMm2: Number(v), lengthMetres: supply.tails?.lengthMetres ?? 2 },
                })
              }
            />
            <NumberBox
              label="Their length"
              unit="m"
              value={supply.tails.lengthMetres}
              onChange={(v) =>
                set({ ...supply, tails: { csaMm2: 25, ...supply.tails, lengthMetres: v } }, "tails")
              }
            />
          </>
        )}
      </div>
    </Pane>
  );
}

interface ImpedanceProps {
  name: string;
  value: RigJson["supply"]["neutral"];
  onChange: (value: RigJson["supply"]["neutral"]) => void;
}

function ImpedanceBoxes({ name, value, onChange }: ImpedanceProps) {
  return (
    <div className="flex items-end gap-1.5">
      <NumberBox
        label={`${name}, R`}
        unit="Ω"
        value={value.ohms}
        onChange={(ohms) => onChange({ ...value, ohms })}
      />
      <NumberBox
        label={`${name}, X`}
        unit="Ω"
        value={value.reactanceOhms ?? 0}
        onChange={(reactanceOhms) => onChange({ ...value, reactanceOhms })}
      />
    </div>
  );
}

interface RigProps {
  rig: RigJson;
  onChange: (rig: RigJson, key?: string) => void;
}

/** Where moisture or armour makes it lower to earth than between the cores. */
function InsulationByPair({ rig, onChange }: RigProps) {
  const all = rig.workmanship.insulationMegohmKilometres;
  const pairs = rig.workmanship.insulationByPair;
  const set = (next: NonNullable<typeof pairs>, key?: string) =>
    onChange({ ...rig, workmanship: { ...rig.workmanship, insulationByPair: next } }, key);
  return (
    <>
      <Tick
        label="pair by pair"
        value={pairs !== undefined}
        onChange={(v) =>
          v
            ? set({ lineNeutral: all, lineEarth: all, neutralEarth: all })
            : onChange({ ...rig, workmanship: omit(rig.workmanship, "insulationByPair") })
        }
      />
      {pairs && (
        <>
          <NumberBox
            label="L–N"
            unit="MΩ·km"
            value={pairs.lineNeutral}
            onChange={(v) => set({ ...pairs, lineNeutral: v }, "ln")}
          />
          <NumberBox
            label="L–E"
            unit="MΩ·km"
            value={pairs.lineEarth}
            onChange={(v) => set({ ...pairs, lineEarth: v }, "le")}
          />
          <NumberBox
            label="N–E"
            unit="MΩ·km"
            value={pairs.neutralEarth}
            onChange={(v) => set({ ...pairs, neutralEarth: v }, "ne")}
          />
        </>
      )}
    </>
  );
}

function EarthingFields({ rig, kit, onChange }: RigProps & { kit: Schemas["Templates"] }) {
  const sizes = kit.conductorSizes.map((s) => [String(s), `${s} mm²`] as const);
  const conductor = rig.earthingConductor;
  const setBond = (i: number, bond: BondJson, key?: string) =>
    onChange({ ...rig, bonds: withItem(rig.bonds, i, bond) }, key && `bond${i}/${key}`);
  const add = () =>
    onChange({
      ...rig,
      bonds: [
        ...rig.bonds,
        {
          id: freeId(
            "bond",
            rig.bonds.map((b) => b.id),
          ),
          part: "gas pipe",
          csaMm2: 10,
          lengthMetres: 8,
          partToEarthOhms: 30,
        },
      ],
    });
  const set = (field: keyof RigJson["workmanship"], value: number | string) =>
    onChange({ ...rig, workmanship: { ...rig.workmanship, [field]: value } }, field);
  return (
    <Pane title="Earthing, bonds, workmanship">
      <div className="flex flex-wrap items-end gap-3">
        <Pick
          label="Earthing conductor"
          value={String(conductor.csaMm2)}
          options={sizes}
          onChange={(v) => onChange({ ...rig, earthingConductor: { ...conductor, csaMm2: Number(v) } })}
        />
        <NumberBox
          label="Its length"
          unit="m"
          value={conductor.lengthMetres}
          onChange={(v) =>
            onChange({ ...rig, earthingConductor: { ...conductor, lengthMetres: v } }, "conductor")
          }
        />
        <NumberBox
          label="Termination"
          unit="mΩ"
          value={rig.workmanship.terminationMilliohms}
          onChange={(v) => set("terminationMilliohms", v)}
        />
        <NumberBox
          label="Socket contact"
          unit="mΩ"
          value={rig.workmanship.contactMilliohms}
          onChange={(v) => set("contactMilliohms", v)}
        />
        <NumberBox
          label="Cable insulation"
          unit="MΩ·km"
          value={rig.workmanship.insulationMegohmKilometres}
          onChange={(v) => set("insulationMegohmKilometres", v)}
        />
        <InsulationByPair rig={rig} onChange={onChange} />
      </div>
      <h3 className="mt-4 mb-1 text-ink2">Main bonds</h3>
      <ul className="space-y-1.5">
        {rig.bonds.map((bond, i) => (
          <li key={i} className="flex flex-wrap items-end gap-2">
            <TextBox
              label="Part"
              value={bond.part}
              onChange={(v) => setBond(i, { ...bond, part: v }, "part")}
            />
            <Pick
              label="Size"
              value={String(bond.csaMm2)}
              options={sizes}
              onChange={(v) => setBond(i, { ...bond, csaMm2: Number(v) })}
            />
            <NumberBox
              label="Length"
              unit="m"
              value={bond.lengthMetres}
              onChange={(v) => setBond(i, { ...bond, lengthMetres: v }, "length")}
            />
            <NumberBox
              label="Part to earth"
              unit="Ω"
              value={bond.partToEarthOhms}
              onChange={(v) => setBond(i, { ...bond, partToEarthOhms: v }, "earth")}
            />
            <SignButton
              label={`Remove the bond to the ${bond.part}`}
              sign="×"
              onPress={() => onChange({ ...rig, bonds: without(rig.bonds, i) })}
            />
          </li>
        ))}
      </ul>
      <Button className="mt-2" onClick={add}>
        Add a main bond
      </Button>
    </Pane>
  );
}
