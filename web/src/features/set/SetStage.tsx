import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { Button } from "../../ui/Button";
import { Chip } from "../../ui/Chip";
import { Pane } from "../../ui/Pane";
import { Loaded, ProblemNote } from "../../ui/States";
import { useShortcuts } from "../../ui/useShortcuts";
import { clock } from "../../ui/when";
import { AddFault } from "./AddFault";
import { Changes } from "./Changes";
import { FaultList } from "./FaultList";
import { ProveSet } from "./ProveSet";
import { type Fault, setQueries, type SetView, useSetWrites } from "./queries";
import { RigPictures } from "./RigPictures";

/** Set: choose faults where they sit, see what they do, lock off, set them by hand, prove them set. */
export function SetStage({ id }: { id: string }) {
  const view = useQuery(setQueries.view(id));
  return <Loaded query={view}>{(v) => <SetWork id={id} view={v} />}</Loaded>;
}

function SetWork({ id, view }: { id: string; view: SetView }) {
  const writes = useSetWrites(id);
  const navigate = useNavigate();
  const [place, setPlace] = useState<string>();
  const [draft, setDraft] = useState<Fault>();
  const [before, setBefore] = useState<Fault[][]>([]);
  const kept = view.preview.faults.map((f) => f.fault);
  const tried = useQuery({
    ...setQueries.preview(id, draft ? [...kept, draft] : kept),
    enabled: draft !== undefined,
  });
  const shown = draft && tried.data ? tried.data : view.preview;

  const write = (faults: Fault[]) => {
    writes.faults.mutate({ faults, basedOn: view.basedOn });
    setDraft(undefined);
    setPlace(undefined);
  };
  const change = (faults: Fault[]) => {
    setBefore([...before, kept]);
    write(faults);
  };
  const undo = () => {
    const last = before.at(-1);
    if (!last || view.sheetOpen) return;
    setBefore(before.slice(0, -1));
    write(last);
  };
  useShortcuts({ u: undo, U: undo, Escape: () => choose(undefined) });

  const choose = (where: string | undefined) => {
    setPlace(where);
    setDraft(undefined);
  };

  return (
    <div className="grid items-start gap-3 lg:grid-cols-[minmax(0,1fr)_390px] lg:grid-rows-[auto_1fr]">
      <div className="space-y-3">
        <SafetyBar view={view} onLockOff={() => writes.lockOff.mutate()} busy={writes.lockOff.isPending} />
        <RigPictures
          view={view}
          preview={shown}
          place={place}
          onPlace={view.sheetOpen ? undefined : choose}
        />
      </div>
      <div className="space-y-3 lg:row-span-2">
        {!view.sheetOpen && (
          <AddFault
            key={place ?? "none"}
            view={view}
            place={place}
            onPlace={choose}
            onDraft={setDraft}
            problem={draft ? tried.error : null}
            onAdd={(fault) => change([...kept, fault])}
          />
        )}
        <ProblemNote error={writes.faults.error ?? writes.open.error ?? writes.lockOff.error} />
        <FaultList
          preview={shown}
          keptCount={kept.length}
          locked={view.sheetOpen}
          onRemove={(i) => change(kept.filter((_, n) => n !== i))}
          onUndo={before.length > 0 ? undo : undefined}
        />
        <ProveSet
          view={view}
          busy={writes.check.isPending}
          error={writes.check.error}
          onCheck={(slot, text) => writes.check.mutate({ slot, text })}
        />
        <Pane>
          <p id="why-not" className="mb-2 text-ink2">
            {view.mayOpen
              ? "All faults are proved set. Brief the candidate and agree permission first."
              : view.whyNotOpen}
          </p>
          <Button
            kind="main"
            disabled={!view.mayOpen || writes.open.isPending}
            aria-describedby="why-not"
            onClick={() =>
              writes.open.mutate(undefined, { onSuccess: () => void navigate(`/assessments/${id}/watch`) })
            }
          >
            Open the candidate’s sheet
          </Button>
        </Pane>
      </div>
      <div className="lg:col-start-1">
        <Changes preview={shown} />
      </div>
    </div>
  );
}

function SafetyBar({ view, onLockOff, busy }: { view: SetView; onLockOff: () => void; busy: boolean }) {
  if (view.lockedOffAt) {
    return (
      <p className="flex flex-wrap items-center gap-3">
        <Chip>dead, locked off {clock(view.lockedOffAt)}</Chip>
        <span className="text-[13px] text-ink2">
          Faults here are for dead tests. Local codes and licensed practice come first.
        </span>
      </p>
    );
  }
  return (
    <Pane wall="caution" title="Before a hand goes on the rig">
      <p className="mb-3 max-w-[75ch]">
        Isolate, lock off, tag, keep the key on you. Prove the indicator, test dead L–N, L–E and N–E, prove
        the indicator again. Follow your site’s rules; this page does not make anything dead.
      </p>
      <Button kind="main" disabled={busy} onClick={onLockOff}>
        It is locked off and proved dead
      </Button>
    </Pane>
  );
}
