import type { Schemas } from "../../../api/client";
import { Button } from "../../../ui/Button";
import { classes } from "../../../ui/classes";
import { Pane } from "../../../ui/Pane";
import { ProfilePane } from "../BoardsPane";
import type { RigView } from "../queries";
import { DeviceFields } from "./DeviceFields";
import { NumberBox, Pick, TextBox, Tick } from "./fields";
import { LightGroups } from "./LightGroups";
import { PointsTable } from "./PointsTable";
import { type CircuitJson, omit, type RigJson } from "./rigJson";
import { TrackEditor } from "./TrackEditor";
import { NATURES } from "./words";

interface Props {
  circuit: CircuitJson;
  rig: RigJson;
  kit: Schemas["Templates"];
  /** as the server last drew it; missing if it never could */
  drawing: Schemas["CircuitDrawing"] | undefined;
  view: RigView | undefined;
  /** the draft has problems: what is drawn is from before */
  outdated: boolean;
  onChange: (circuit: CircuitJson, key?: string) => void;
  onDuplicate: () => void;
  onRemove: (() => void) | undefined;
}

/** One circuit: its drawing with stations that can be dragged, its device and cable, its points. */
export function CircuitEditor(props: Props) {
  const { circuit, rig, kit, drawing, view, outdated, onChange } = props;
  const set = <K extends keyof CircuitJson>(field: K, value: CircuitJson[K]) =>
    onChange({ ...circuit, [field]: value }, field);
  return (
    <>
      <Pane
        title={circuit.label}
        aside={drawing && `${drawing.lengthMetres} m, ${drawing.stations.length} stations`}
      >
        {drawing && (
          <div className={classes(outdated && "opacity-50")}>
            <TrackEditor circuit={circuit} drawing={drawing} onChange={onChange} />
          </div>
        )}
        <div className="mt-3 flex flex-wrap items-end gap-3">
          <TextBox label="Name" value={circuit.label} onChange={(v) => set("label", v)} />
          <Placement circuit={circuit} rig={rig} onChange={onChange} />
          {circuit.kind === "ring" && (
            <NumberBox
              label="All the way round"
              unit="m"
              value={circuit.ringMetres}
              onChange={(v) => set("ringMetres", v)}
            />
          )}
          {circuit.kind === "radial" && (
            <Pick
              label="Voltage"
              value={circuit.nature ?? "low"}
              options={NATURES}
              onChange={(v) =>
                onChange(v === "low" ? omit(circuit, "nature") : { ...circuit, nature: v }, "nature")
              }
            />
          )}
          {circuit.kind === "submain" && (
            <>
              <NumberBox
                label="Length"
                unit="m"
                value={circuit.lengthMetres}
                onChange={(v) => set("lengthMetres", v)}
              />
              <Pick
                label="Feeds"
                value={circuit.feeds ?? ""}
                options={rig.boards.map((b) => [b.id, b.label] as const)}
                onChange={(v) => set("feeds", v)}
              />
            </>
          )}
        </div>
        <div className="mt-3 flex flex-wrap gap-2">
          <Button onClick={props.onDuplicate}>Duplicate</Button>
          {props.onRemove && <Button onClick={props.onRemove}>Remove the circuit</Button>}
        </div>
      </Pane>
      {view && (
        <div className={classes(outdated && "opacity-50")}>
          <ProfilePane view={view} circuit={circuit.id} />
        </div>
      )}
      <Pane title="Device and cable">
        <DeviceFields
          device={circuit.device}
          kit={kit}
          onChange={(d) => onChange({ ...circuit, device: d }, "device")}
        />
        <CableFields circuit={circuit} kit={kit} onChange={onChange} />
      </Pane>
      {circuit.points && (
        <Pane title={circuit.kind === "ring" ? "Sockets and spurs" : "Points"}>
          <PointsTable
            points={circuit.points}
            ring={circuit.kind === "ring"}
            onChange={(p, key) => onChange({ ...circuit, points: p }, key)}
          />
        </Pane>
      )}
      {circuit.groups && (
        <LightGroups
          groups={circuit.groups}
          onChange={(g, key) => onChange({ ...circuit, groups: g }, key)}
        />
      )}
    </>
  );
}

function Placement({
  circuit,
  rig,
  onChange,
}: {
  circuit: CircuitJson;
  rig: RigJson;
  onChange: Props["onChange"];
}) {
  const board = rig.boards.find((b) => b.id === circuit.board) ?? rig.boards[0];
  const threeLines = rig.supply.lines.length === 3;
  return (
    <>
      {rig.boards.length > 1 && (
        <Pick
          label="Board"
          value={board?.id ?? ""}
          options={rig.boards.map((b) => [b.id, b.label] as const)}
          onChange={(v) =>
            onChange({
              ...circuit,
              board: v,
              section: rig.boards.find((b) => b.id === v)?.sections[0]?.id ?? "",
            })
          }
        />
      )}
      {board && board.sections.length > 1 && (
        <Pick
          label="Section"
          value={circuit.section ?? board.sections[0]?.id ?? ""}
          options={board.sections.map((s) => [s.id, s.label] as const)}
          onChange={(v) => onChange({ ...circuit, section: v })}
        />
      )}
      <NumberBox label="Way" value={circuit.way} onChange={(v) => onChange({ ...circuit, way: v }, "way")} />
      {threeLines && !circuit.threePhase && (
        <Pick
          label="Line"
          value={String(circuit.phase ?? 1)}
          options={[
            ["1", "L1"],
            ["2", "L2"],
            ["3", "L3"],
          ]}
          onChange={(v) => onChange({ ...circuit, phase: Number(v) })}
        />
      )}
      {threeLines && (circuit.kind === "radial" || circuit.kind === "submain") && (
        <Tick
          label="three-phase"
          value={circuit.threePhase === true}
          onChange={(v) => onChange({ ...circuit, threePhase: v, phase: 1 })}
        />
      )}
    </>
  );
}

interface CableProps {
  circuit: CircuitJson;
  kit: Schemas["Templates"];
  onChange: Props["onChange"];
}

function CableFields({ circuit, kit, onChange }: CableProps) {
  const { cable } = circuit;
  const sizes = kit.conductorSizes.map((s) => [String(s), `${s} mm²`] as const);
  const set = (next: CircuitJson["cable"], key?: string) => onChange({ ...circuit, cable: next }, key);
  return (
    <div className="mt-3 flex flex-wrap items-end gap-3">
      <Pick
        label="Line and neutral"
        value={String(cable.liveMm2)}
        options={sizes}
        onChange={(v) => set({ ...cable, liveMm2: Number(v) })}
      />
      <Pick
        label="CPC"
        value={String(cable.cpcMm2)}
        options={sizes}
        onChange={(v) => set({ ...cable, cpcMm2: Number(v) })}
      />
      <Pick
        label="Metal round it"
        value={cable.enclosure?.kind ?? ""}
        options={[
          ["", "none"],
          ["steel-conduit", "steel conduit"],
          ["armour", "armour"],
        ]}
        onChange={(v) =>
          set(
            v
              ? { ...cable, enclosure: { kind: v, milliohmPerMetre: cable.enclosure?.milliohmPerMetre ?? 2 } }
              : omit(cable, "enclosure"),
          )
        }
      />
      {cable.enclosure && (
        <NumberBox
          label="Its resistance"
          unit="mΩ/m"
          value={cable.enclosure.milliohmPerMetre}
          onChange={(v) =>
            set(
              { ...cable, enclosure: { kind: cable.enclosure?.kind ?? "", milliohmPerMetre: v } },
              "enclosure",
            )
          }
        />
      )}
    </div>
  );
}
