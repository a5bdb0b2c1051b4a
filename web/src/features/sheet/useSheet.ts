import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useMemo, useState, useSyncExternalStore } from "react";
import { layOver } from "../../api/layOver";
import { type Changed, Outbox, type Pending, subject } from "../../api/outbox";
import { type Box, sheetQueries, type SheetView } from "./queries";

/** The sheet as the server has it, with what is not sent yet laid over it, and a way to write. */
export function useSheet(id: string, me: string) {
  const client = useQueryClient();
  const query = useQuery(sheetQueries.one(id));
  const outbox = useMemo(() => {
    const { queryKey } = sheetQueries.one(id);
    return new Outbox(me, id, (changed, write) => {
      const view = client.getQueryData(queryKey);
      if (!view) {
        // left over from before: the sheet itself is still on its way, and may have set out before this write
        void client.cancelQueries({ queryKey }).then(() => client.refetchQueries({ queryKey }));
        return;
      }
      layOver(client, queryKey, withChange(view, changed, write));
      // a box that the sheet did not show before it was written
      // or that shows whether its circuit is proved this way or the other
      if (changed.box && (!hasBox(view, changed.box.slot) || mayTurnTheWay(view, changed.box.slot)))
        void client.invalidateQueries({ queryKey, exact: true });
    });
  }, [id, me, client]);
  useEffect(() => {
    outbox.start();
    return () => outbox.stop();
  }, [outbox]);
  const state = useSyncExternalStore(outbox.subscribe, outbox.snapshot);

  const refusedCount = state.refused.length;
  useEffect(() => {
    // something else is there than we thought: look again
    if (refusedCount > 0) void client.invalidateQueries({ queryKey: sheetQueries.one(id).queryKey });
  }, [refusedCount, client, id]);

  return { query, outbox, state };
}

/** Sends what was left over from before on any of one's sheets. @returns how much waits still */
export function useUnsent(me: string, ids: string[]): number {
  const key = ids.join();
  const boxes = useMemo(
    () => (key ? key.split(",") : []).map((id) => new Outbox(me, id, () => undefined)),
    [me, key],
  );
  const [waiting, setWaiting] = useState(0);
  useEffect(() => {
    const count = () => setWaiting(boxes.reduce((sum, b) => sum + b.snapshot().pending.length, 0));
    count();
    const stop = boxes.map((b) => b.subscribe(count));
    boxes.forEach((b) => b.start());
    return () => {
      stop.forEach((s) => s());
      boxes.forEach((b) => b.stop());
    };
  }, [boxes]);
  return waiting;
}

/** Whether the box is the first or the last that is written of one of two ways: the server says which way is open then. */
function mayTurnTheWay(view: SheetView, slot: string): boolean {
  return view.steps.some(
    (s) =>
      s.alternativeTo !== "" &&
      s.groups.some(
        (g) => g.boxes.some((b) => b.slot === slot) && g.boxes.filter((b) => b.text !== "").length <= 1,
      ),
  );
}

function hasBox(view: SheetView, slot: string): boolean {
  return view.steps.some((s) => s.groups.some((g) => g.boxes.some((b) => b.slot === slot)));
}

/** The sheet with what a write changed. */
export function withChange(view: SheetView, changed: Changed, write: Pending): SheetView {
  const { box } = changed;
  return {
    ...view,
    filled: changed.filled,
    ...(write.kind === "reports"
      ? { reports: changed.reports, reportsSeq: changed.reportsSeq, reportDamaged: false }
      : {}),
    steps: box
      ? view.steps.map((s) => ({
          ...s,
          groups: s.groups.map((g) => ({ ...g, boxes: g.boxes.map((b) => (b.slot === box.slot ? box : b)) })),
        }))
      : view.steps,
  };
}

/** A box with the candidate's unsent writes laid over it. */
export function withPending(box: Box, pending: Pending[]): Box & { unsent: boolean } {
  const reading = pending.findLast((p) => subject(p) === `reading/${box.slot}`);
  const judged = pending.findLast((p) => subject(p) === `judgement/${box.slot}`);
  const said = pending.findLast((p) => subject(p) === `expected/${box.slot}`);
  return {
    ...box,
    ...(reading?.kind === "reading" ? { text: reading.text, understood: "", mend: "" } : {}),
    ...(judged?.kind === "judgement" ? { satisfactory: judged.satisfactory } : {}),
    ...(said?.kind === "expected" && box.said ? { said: { ...box.said, text: said.text } } : {}),
    unsent: reading !== undefined || judged !== undefined,
  };
}

export function reportsWithPending(view: SheetView, pending: Pending[]): SheetView["reports"] {
  const unsent = pending.findLast((p) => p.kind === "reports");
  return unsent?.kind === "reports" ? unsent.reports : view.reports;
}
