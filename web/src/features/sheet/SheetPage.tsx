import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { useParams } from "react-router";
import { Button } from "../../ui/Button";
import { Dialog } from "../../ui/Dialog";
import { Loaded } from "../../ui/States";
import { kept } from "../../ui/kept";
import { sheetQueries, type SheetView } from "./queries";
import { type At, nextStep, SIGNS, stateOf } from "./boxes";
import { CircuitBoxes } from "./CircuitBoxes";
import { Confirm } from "./Confirm";
import { EntryBar } from "./EntryBar";
import { FaultReports } from "./FaultReports";
import { HandIn } from "./HandIn";
import { Refused, SheetHead } from "./SheetHead";
import { SheetMap } from "./SheetMap";
import { StepBoxes } from "./StepBoxes";
import { reportsWithPending, useSheet } from "./useSheet";

/** The candidate's own sheet: tests by circuits as a map, one test or one circuit at a time, for a hand that is not free. */
export function SheetPage({ me }: { me: string }) {
  const { id = "" } = useParams();
  const { query, outbox, state } = useSheet(id, me);
  useStanding(id, query.data);
  const [chosen, setChosen] = useState<At>();
  const [mapShown, setMapShown] = useState(() => kept.read("sheet-map") !== "hidden");
  const [picking, setPicking] = useState(false);
  return (
    <Loaded query={query}>
      {(view) => {
        const next = nextStep(view);
        const confirmed = view.open && view.conducted.ready.complete;
        const first = next ?? view.steps[0];
        const at: At = chosen ?? (first ? { by: "test", step: first.id } : { by: "faults" });
        const step = at.by === "test" ? view.steps.find((s) => s.id === at.step) : undefined;
        const go = (to: At) => {
          setChosen(to);
          setPicking(false);
          lead(to);
        };
        const onward =
          next && !(at.by === "test" && at.step === next.id)
            ? { label: next.label, go: () => go({ by: "test", step: next.id }) }
            : undefined;
        const boxes = { view, pending: state.pending, onWrite: outbox.write.bind(outbox) };
        return (
          <div className="mx-auto max-w-[1320px] text-[18px]">
            <SheetHead view={view} state={state} receivedAt={query.dataUpdatedAt} />
            <Refused state={state} onDismiss={() => outbox.dismiss()} />
            <Confirm id={id} view={view} />
            <div className="lg:grid lg:grid-cols-[auto_minmax(0,1fr)] lg:items-start lg:gap-4">
              <div className="mb-3 hidden border border-line bg-sheet px-3 py-2 sm:block lg:sticky lg:top-2 lg:max-h-[96vh] lg:max-w-[420px] lg:overflow-y-auto">
                <button
                  type="button"
                  aria-expanded={mapShown}
                  className="flex min-h-9 w-full items-center gap-3 text-left lg:hidden"
                  onClick={() => {
                    kept.write("sheet-map", mapShown ? "hidden" : "shown");
                    setMapShown(!mapShown);
                  }}
                >
                  <b>{titleOf(view, at)}</b>
                  {next && <span className="text-[16px] text-ink2">next open: {next.label}</span>}
                  <span className="ml-auto text-[16px] text-work underline">
                    {mapShown ? "hide the map" : "show the map"}
                  </span>
                </button>
                <div className={mapShown ? "" : "hidden lg:block"}>
                  <SheetMap view={view} at={at} onGo={go} />
                </div>
              </div>
              <div className="min-w-0">
                <Stepper view={view} at={at} onGo={go} onMap={() => setPicking(true)} />
                <h2 className="mb-2 hidden text-[21px] font-bold sm:block" id="at-hand">
                  {titleOf(view, at)}
                </h2>
                {step && <StepBoxes key={step.id} step={step} {...boxes} />}
                {at.by === "circuit" && <CircuitBoxes key={at.circuit} circuit={at.circuit} {...boxes} />}
                {at.by === "faults" && (
                  <>
                    {view.reportDamaged && (
                      <p role="alert" className="mb-3 border-l-4 border-caution bg-caution-soft p-3">
                        What you named here before cannot be read any more. Name your faults again; your
                        assessor can see that it was so.
                      </p>
                    )}
                    <FaultReports
                      view={view}
                      reports={reportsWithPending(view, state.pending)}
                      onChange={(reports) =>
                        outbox.write({ kind: "reports", reports, basedOn: view.reportsSeq })
                      }
                    />
                  </>
                )}
                {confirmed && <EntryBar sheet={view.conducted.fromTester ? id : undefined} onward={onward} />}
                {confirmed && <HandIn id={id} view={view} unsent={state.pending.length} next={onward} />}
              </div>
            </div>
            <Dialog
              open={picking}
              onClose={() => setPicking(false)}
              title="Where am I?"
              about="Every test and every circuit: press one to go there."
            >
              <SheetMap view={view} at={at} onGo={go} />
            </Dialog>
          </div>
        );
      }}
    </Loaded>
  );
}

function titleOf(view: SheetView, at: At): string {
  switch (at.by) {
    case "test":
      return view.steps.find((s) => s.id === at.step)?.label ?? "";
    case "circuit":
      return view.circuits.find((c) => c.id === at.circuit)?.label ?? "";
    case "faults":
      return "Faults I found";
  }
}

/** To the part of a test that was pressed in the map, with the first empty box at hand. */
function lead(to: At) {
  if (to.by !== "test" || to.circuit === undefined) return;
  const part = `part-${to.step}-${to.circuit}`;
  // once the test is there
  setTimeout(() => {
    const found = document.getElementById(part);
    found?.scrollIntoView({ block: "nearest" });
    const inputs = [
      ...(found?.querySelectorAll<HTMLInputElement>("input[data-reading]:not(:disabled)") ?? []),
    ];
    (inputs.find((i) => i.value === "") ?? inputs[0])?.focus();
  });
}

/** Looks at the sheet again when the bay went live, the sheet came back or was closed elsewhere. */
function useStanding(id: string, view: SheetView | undefined) {
  const client = useQueryClient();
  const standing = useQuery({ ...sheetQueries.standing(id), enabled: view !== undefined });
  const now = standing.data;
  const differs =
    view !== undefined &&
    now !== undefined &&
    (now.open !== view.open ||
      now.live !== view.live ||
      now.wasLive !== view.wasLive ||
      now.paused !== view.paused);
  useEffect(() => {
    if (differs) void client.invalidateQueries({ queryKey: sheetQueries.one(id).queryKey, exact: true });
  }, [differs, client, id]);
}

/** On a phone: where one is, the test before and the one after, and the map. */
function Stepper({
  view,
  at,
  onGo,
  onMap,
}: {
  view: SheetView;
  at: At;
  onGo: (at: At) => void;
  onMap: () => void;
}) {
  const all: At[] = [
    ...view.steps.map((s): At => ({ by: "test", step: s.id })),
    ...view.circuits.map((c): At => ({ by: "circuit", circuit: c.id })),
    { by: "faults" },
  ];
  const here = all.findIndex(
    (a) =>
      a.by === at.by &&
      (a.by !== "test" || at.by !== "test" || a.step === at.step) &&
      (a.by !== "circuit" || at.by !== "circuit" || a.circuit === at.circuit),
  );
  const to = (by: number, words: string, sign: string) => {
    const there = all[here + by];
    return (
      <Button
        large
        className="!px-3"
        aria-label={words}
        disabled={there === undefined || here + by < 0}
        onClick={() => there && onGo(there)}
      >
        {sign}
      </Button>
    );
  };
  const step = at.by === "test" ? view.steps.find((s) => s.id === at.step) : undefined;
  return (
    <div className="sticky top-0 z-10 mb-3 flex items-center gap-2 border-b border-line bg-ground py-2 sm:hidden">
      {to(-1, "The one before", "‹")}
      <button
        type="button"
        onClick={onMap}
        className="min-h-12 min-w-0 flex-1 rounded-md border border-ink2 bg-sheet px-2 text-left leading-tight"
      >
        <span className="block text-[14px] text-ink2">
          {at.by === "test" ? `Test ${here + 1} of ${view.steps.length}` : "All circuits and tests"} · map
        </span>
        <b>
          {step && <span aria-hidden="true">{SIGNS[stateOf(step)]} </span>}
          {titleOf(view, at)}
        </b>
      </button>
      {to(1, "The one after", "›")}
    </div>
  );
}
