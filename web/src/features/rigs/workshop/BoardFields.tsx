import type { Schemas } from "../../../api/client";
import { Button } from "../../../ui/Button";
import { Pane } from "../../../ui/Pane";
import { Pick, SignButton, TextBox, Tick } from "./fields";
import { ResidualFields } from "./ResidualFields";
import {
  type BoardJson,
  freeId,
  freeWay,
  omit,
  type ResidualJson,
  type RigJson,
  type SectionJson,
  withItem,
  without,
} from "./rigJson";
import { SURGE } from "./words";

interface Props {
  rig: RigJson;
  kit: Schemas["Templates"];
  onChange: (rig: RigJson, key?: string) => void;
}

/** In a file true stands for the usual kind. */
function surge(given: boolean | string | undefined): string {
  return typeof given === "string" ? given : given ? "to-neutral" : "none";
}

/** Boards with their sections; a sub-board comes with the submain that feeds it. */
export function BoardFields({ rig, kit, onChange }: Props) {
  const set = (i: number, board: BoardJson, key?: string) =>
    onChange({ ...rig, boards: withItem(rig.boards, i, board) }, key && `board${i}/${key}`);
  const addSubBoard = () => {
    const first = rig.boards[0];
    if (!first) return;
    const id = freeId("sub-board", [...rig.boards.map((b) => b.id), ...rig.circuits.map((c) => c.id)]);
    onChange({
      ...rig,
      boards: [...rig.boards, { id, label: "Sub-board", sections: [{ id: "all", label: "All ways" }] }],
      circuits: [
        ...rig.circuits,
        {
          id: freeId(
            `${id}-feed`,
            rig.circuits.map((c) => c.id),
          ),
          label: "Sub-board feed",
          kind: "submain",
          board: first.id,
          section: first.sections[0]?.id ?? "main",
          way: freeWay(rig.circuits, first.id, first.id),
          device: { kind: "mcb", curve: "B", ratedAmps: 40 },
          cable: { liveMm2: 10, cpcMm2: 10 },
          lengthMetres: 15,
          feeds: id,
        },
      ],
    });
  };
  const removeBoard = (i: number) => {
    const gone = rig.boards[i]?.id;
    onChange({
      ...rig,
      boards: without(rig.boards, i),
      circuits: rig.circuits.filter((c) => c.board !== gone && c.feeds !== gone),
    });
  };
  return (
    <>
      {rig.boards.map((board, i) => (
        <Pane key={i} title={board.label} aside={i === 0 ? "at the origin" : "fed by a submain"}>
          <div className="flex flex-wrap items-end gap-3">
            <TextBox
              label="Name of the board"
              value={board.label}
              onChange={(v) => set(i, { ...board, label: v }, "label")}
            />
            <Pick
              label="Surge protection"
              value={surge(board.surgeProtection)}
              options={SURGE}
              onChange={(v) => set(i, { ...board, surgeProtection: v })}
            />
            <RcdTick
              label="main switch is an RCD"
              residual={board.mainRcd}
              kit={kit}
              onChange={(r) => set(i, r ? { ...board, mainRcd: r } : omit(board, "mainRcd"), "mainRcd")}
            />
          </div>
          <h3 className="mt-3 mb-1 text-ink2">Sections, each with its own neutral bar</h3>
          <ul className="space-y-1.5">
            {board.sections.map((section, s) => (
              <Section
                key={s}
                section={section}
                kit={kit}
                onChange={(next, key) =>
                  set(
                    i,
                    { ...board, sections: withItem(board.sections, s, next) },
                    key && `section${s}/${key}`,
                  )
                }
                onRemove={
                  board.sections.length > 1
                    ? () => set(i, { ...board, sections: without(board.sections, s) })
                    : undefined
                }
              />
            ))}
          </ul>
          <div className="mt-2 flex gap-2">
            <Button
              onClick={() => {
                const made = JSON.parse(kit.boardSection) as SectionJson;
                const id = freeId(
                  made.id,
                  board.sections.map((s) => s.id),
                );
                set(i, { ...board, sections: [...board.sections, { ...made, id }] });
              }}
            >
              Add a section
            </Button>
            {i > 0 && <Button onClick={() => removeBoard(i)}>Remove the board and its circuits</Button>}
          </div>
        </Pane>
      ))}
      <Button onClick={addSubBoard}>Add a sub-board</Button>
    </>
  );
}

interface SectionProps {
  section: SectionJson;
  kit: Schemas["Templates"];
  onChange: (section: SectionJson, key?: string) => void;
  onRemove: (() => void) | undefined;
}

function Section({ section, kit, onChange, onRemove }: SectionProps) {
  return (
    <li className="flex flex-wrap items-end gap-3">
      <TextBox
        label="Section"
        value={section.label}
        onChange={(v) => onChange({ ...section, label: v }, "label")}
      />
      <RcdTick
        label="RCD"
        residual={section.rcd}
        kit={kit}
        onChange={(r) => onChange(r ? { ...section, rcd: r } : omit(section, "rcd"), "rcd")}
      />
      {onRemove && <SignButton label={`Remove ${section.label}`} sign="×" onPress={onRemove} />}
    </li>
  );
}

interface RcdProps {
  label: string;
  residual: ResidualJson | undefined;
  kit: Schemas["Templates"];
  onChange: (residual: ResidualJson | undefined) => void;
}

function RcdTick({ label, residual, kit, onChange }: RcdProps) {
  return (
    <>
      <Tick
        label={label}
        value={residual !== undefined}
        onChange={(v) => onChange(v ? (JSON.parse(kit.residual) as ResidualJson) : undefined)}
      />
      {residual && <ResidualFields residual={residual} onChange={onChange} />}
    </>
  );
}
