import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Button } from "../../ui/Button";
import { ProblemNote } from "../../ui/States";
import { useShortcuts } from "../../ui/useShortcuts";
import { AddFault } from "./AddFault";
import { Changes } from "./Changes";
import { Fairness } from "./Fairness";
import { FaultList } from "./FaultList";
import { Library } from "./Library";
import { Propose } from "./Propose";
import { type Fault, setQueries, type SetView, useSetWrites } from "./queries";
import { RigChooser } from "./RigChooser";
import { SafetyPane } from "./SafetyPane";

interface Props {
  id: string;
  view: SetView;
  /** goes on to setting them */
  onChosen: () => void;
}

/** The rig as the place to put faults, and what the set does to it. */
export function ChooseFaults({ id, view, onChosen }: Props) {
  const writes = useSetWrites(id);
  const [place, setPlace] = useState<string>();
  const [draft, setDraft] = useState<Fault>();
  const [before, setBefore] = useState<Fault[][]>([]);
  const kept = view.preview.faults.map((f) => f.fault);
  const asked = draft ? [...kept, draft] : kept;
  const tried = useQuery({ ...setQueries.preview(id, asked), enabled: draft !== undefined });
  const shown = draft && tried.data ? tried.data : view.preview;
  const review = useQuery({
    ...setQueries.review(id, kept, view.basedOn),
    enabled: kept.length > 0,
  });

  const choose = (where: string | undefined) => {
    setPlace(where);
    setDraft(undefined);
  };
  const write = (faults: Fault[], from: string | null) => {
    writes.faults.mutate({ faults, basedOn: view.basedOn, from });
    choose(undefined);
  };
  const change = (faults: Fault[], from: string | null = null) => {
    setBefore([...before, kept]);
    write(faults, from);
  };
  const undo = () => {
    const last = before.at(-1);
    if (!last || view.sheetOpen) return;
    setBefore(before.slice(0, -1));
    write(last, null);
  };
  useShortcuts({ u: undo, U: undo, Escape: () => choose(undefined) });

  return (
    <div className="grid items-start gap-3 lg:grid-cols-[minmax(0,1fr)_400px]">
      <div className="min-w-0 space-y-3">
        <RigChooser view={view} preview={shown} place={place} onPlace={view.sheetOpen ? undefined : choose} />
        <Changes preview={shown} />
      </div>
      <div className="space-y-3">
        {!view.sheetOpen && place && (
          <AddFault
            key={place}
            id={id}
            view={view}
            place={place}
            onLeave={() => choose(undefined)}
            onDraft={setDraft}
            problem={draft ? tried.error : null}
            busy={writes.faults.isPending}
            onAdd={(fault) => change([...kept, fault])}
          />
        )}
        <ProblemNote error={writes.faults.error} />
        <FaultList
          preview={shown}
          keptCount={kept.length}
          locked={view.sheetOpen || writes.faults.isPending}
          onRemove={(i) => change(kept.filter((_, n) => n !== i))}
          onUndo={before.length > 0 ? undo : undefined}
        />
        {kept.length > 0 && (
          <Fairness
            review={review}
            onAgree={(answers) => writes.answers.mutate(answers)}
            locked={view.sheetOpen}
          />
        )}
        {shown.faults.length > 0 && <SafetyPane safety={shown.safety} />}
        {kept.length > 0 && !view.sheetOpen && (
          <Button kind="main" large className="w-full" onClick={onChosen}>
            Set and prove these faults
          </Button>
        )}
        {!view.sheetOpen && <Propose id={id} rounds={before.length} onTake={(faults) => change(faults)} />}
        <Library
          id={id}
          view={view}
          onTake={view.sheetOpen ? undefined : (set) => change(set.inputs, set.ref)}
        />
      </div>
    </div>
  );
}
