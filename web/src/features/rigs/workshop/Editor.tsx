import { useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { useNavigate } from "react-router";
import type { Schemas } from "../../../api/client";
import { Button } from "../../../ui/Button";
import { ProblemNote } from "../../../ui/States";
import { useShortcuts } from "../../../ui/useShortcuts";
import { rigQueries, type RigView, useSaveRig } from "../queries";
import { CircuitEditor } from "./CircuitEditor";
import { CircuitList } from "./CircuitList";
import { OriginEditor } from "./OriginEditor";
import { placeOf } from "./placeOf";
import { PreviewPane } from "./PreviewPane";
import { type CircuitJson, freeId, freeWay, type RigJson, withItem, without } from "./rigJson";
import { forgetDraft, keptDraft, useKeepDraft, useSettled } from "./useDraft";
import { useHistory } from "./useHistory";

interface Props {
  start: RigJson;
  /** readings of the version that is being changed, to compare with */
  saved?: RigView | undefined;
  /** version that is being changed; 0 for a new rig */
  basedOn: number;
  kit: Schemas["Templates"];
  /** what the draft is called in this browser */
  draftName: string;
}

/** Why it cannot be saved, in sight wherever one has scrolled to. */
function FirstProblem({ problem, rig, more }: { problem: Schemas["Problem"]; rig: RigJson; more: number }) {
  return (
    <p className="w-full border-l-4 border-caution bg-caution-soft px-3 py-1.5 xl:hidden">
      <b>To mend:</b> {problem.where && <span className="text-ink2">{placeOf(rig, problem.where)}: </span>}
      {problem.given && `found ${problem.given}; `}
      {problem.mend}
      {more > 0 && ` (and ${more} more)`}
    </p>
  );
}

/** The rig workshop: circuits on the left, the one being changed in the middle, what it comes to on the right. */
export function Editor({ start, saved, basedOn, kit, draftName }: Props) {
  const [kept, setKept] = useState(() => keptDraft(draftName));
  const history = useHistory<RigJson>(start);
  const rig = history.now;
  const [chosen, setChosen] = useState<string>(start.circuits[0]?.id ?? "origin");
  const settled = useSettled(rig, 250);
  const file = useMemo(() => JSON.stringify(settled), [settled]);
  const preview = useQuery(rigQueries.preview(file));
  const save = useSaveRig();
  const navigate = useNavigate();
  useKeepDraft(draftName, rig, history.steps > 0);
  useShortcuts({ u: history.undo, U: history.undo, r: history.redo, R: history.redo });

  const found = rig.circuits.findIndex((c) => c.id === chosen);
  // undo may have taken away the one that was chosen
  const index = found < 0 && chosen !== "origin" ? 0 : found;
  const circuit = rig.circuits[index];
  const problems = preview.data?.problems ?? [];
  const view = preview.data?.view ?? undefined;
  // while a number is half typed the drawing stays as it was, and nothing jumps
  const [worked, setWorked] = useState(view);
  if (view && view !== worked) setWorked(view);
  const drawing = worked?.drawing.boards
    .flatMap((b) => b.sections.flatMap((s) => s.circuits))
    .find((c) => c.id === circuit?.id);

  const changeCircuit = (next: CircuitJson, key?: string) => {
    if (next.id !== chosen) setChosen(next.id);
    history.change({ ...rig, circuits: withItem(rig.circuits, index, next) }, key && `${chosen}/${key}`);
  };
  const add = (circuitText: string) => {
    const template = JSON.parse(circuitText) as CircuitJson;
    const board = rig.boards[0];
    const taken = [...rig.circuits.map((c) => c.id), ...rig.boards.map((b) => b.id)];
    const made: CircuitJson = {
      ...template,
      id: freeId(template.id, taken),
      board: board?.id ?? "board",
      section: board?.sections[0]?.id ?? "main",
      way: freeWay(rig.circuits, board?.id ?? "board", board?.id ?? "board"),
    };
    history.change({ ...rig, circuits: [...rig.circuits, made] });
    setChosen(made.id);
  };
  const duplicate = () => {
    if (!circuit) return;
    const copy = structuredClone(circuit);
    copy.id = freeId(
      circuit.id,
      rig.circuits.map((c) => c.id),
    );
    copy.label = `${circuit.label}, copy`;
    copy.way = freeWay(rig.circuits, circuit.board ?? "", rig.boards[0]?.id ?? "");
    history.change({ ...rig, circuits: [...rig.circuits, copy] });
    setChosen(copy.id);
  };
  const remove = () => {
    history.change({ ...rig, circuits: without(rig.circuits, index) });
    setChosen(rig.circuits[index === 0 ? 1 : index - 1]?.id ?? "origin");
  };
  const doSave = () =>
    save.mutate(
      { file: JSON.stringify(rig), basedOn },
      {
        onSuccess: (done) => {
          forgetDraft(draftName);
          void navigate(`/rigs/${done.id}`);
        },
      },
    );
  const exportFile = () => {
    const link = document.createElement("a");
    link.href = URL.createObjectURL(
      new Blob([`${JSON.stringify(rig, null, 2)}\n`], { type: "application/json" }),
    );
    link.download = `${rig.id}.rig.json`;
    link.click();
    URL.revokeObjectURL(link.href);
  };

  return (
    <>
      <div className="sticky top-0 z-10 mb-3 flex flex-wrap items-center gap-3 bg-ground py-2">
        <h1 className="text-[21px] font-bold">
          {basedOn > 0 ? `${rig.name}: change` : "New rig"}{" "}
          {basedOn > 0 && <span className="text-[15px] font-normal text-ink2">from version {basedOn}</span>}
        </h1>
        <div className="ml-auto flex flex-wrap gap-2">
          <Button onClick={history.undo} disabled={!history.canUndo} shortcut="U">
            Undo
          </Button>
          <Button onClick={history.redo} disabled={!history.canRedo} shortcut="R">
            Redo
          </Button>
          <Button onClick={exportFile}>Export</Button>
          <Button
            kind="main"
            onClick={doSave}
            disabled={save.isPending || problems.length > 0 || (basedOn > 0 && history.steps === 0 && !saved)}
          >
            {save.isPending ? "Saving…" : basedOn > 0 ? `Save as version ${basedOn + 1}` : "Save the rig"}
          </Button>
        </div>
        {problems[0] && <FirstProblem problem={problems[0]} rig={rig} more={problems.length - 1} />}
      </div>
      {kept && (
        <p
          role="status"
          className="mb-3 flex flex-wrap items-center gap-3 border-l-4 border-work bg-work-soft p-3"
        >
          <span className="mr-auto">A draft of this rig that was never saved is kept in this browser.</span>
          <Button
            onClick={() => {
              history.change(kept);
              setKept(null);
            }}
          >
            Go on with it
          </Button>
          <Button
            kind="quiet"
            onClick={() => {
              forgetDraft(draftName);
              setKept(null);
            }}
          >
            Throw it away
          </Button>
        </p>
      )}
      <div className="mb-3 space-y-3">
        <ProblemNote error={save.error} />
        <ProblemNote error={preview.error} />
      </div>
      <div className="grid gap-3 lg:grid-cols-[180px_minmax(0,1fr)] xl:grid-cols-[180px_minmax(0,1fr)_270px]">
        <CircuitList rig={rig} chosen={circuit?.id ?? "origin"} onChoose={setChosen} kit={kit} onAdd={add} />
        <div className="min-w-0 space-y-3">
          {!circuit ? (
            <OriginEditor rig={rig} isNew={basedOn === 0} kit={kit} onChange={history.change} />
          ) : (
            <CircuitEditor
              key={index}
              circuit={circuit}
              rig={rig}
              kit={kit}
              drawing={drawing}
              view={worked}
              outdated={!view}
              onChange={changeCircuit}
              onDuplicate={duplicate}
              onRemove={rig.circuits.length > 1 ? remove : undefined}
            />
          )}
        </div>
        <PreviewPane
          rig={settled}
          problems={problems}
          view={view}
          saved={saved}
          circuit={circuit?.id}
          working={preview.isFetching || settled !== rig}
        />
      </div>
    </>
  );
}
