import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useMemo, useSyncExternalStore } from "react";
import { Outbox, type Pending, subject } from "./outbox";
import { type Box, sheetQueries, type SheetView } from "./queries";

/** The sheet as the server has it, with what is not sent yet laid over it, and a way to write. */
export function useSheet(id: string) {
  const client = useQueryClient();
  const query = useQuery(sheetQueries.one(id));
  const outbox = useMemo(() => {
    const { queryKey } = sheetQueries.one(id);
    return new Outbox(id, (view) => {
      // an answer that set out before this write must not be laid over it
      void client.cancelQueries({ queryKey });
      client.setQueryData(queryKey, view);
    });
  }, [id, client]);
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

/** A box with the candidate's unsent writes laid over it. */
export function withPending(box: Box, pending: Pending[]): Box & { unsent: boolean } {
  const reading = pending.findLast((p) => subject(p) === `reading/${box.slot}`);
  const judged = pending.findLast((p) => subject(p) === `judgement/${box.slot}`);
  return {
    ...box,
    ...(reading?.kind === "reading" ? { text: reading.text, understood: "", mend: "" } : {}),
    ...(judged?.kind === "judgement" ? { satisfactory: judged.satisfactory } : {}),
    unsent: reading !== undefined || judged !== undefined,
  };
}

export function reportsWithPending(view: SheetView, pending: Pending[]): SheetView["reports"] {
  const unsent = pending.findLast((p) => p.kind === "reports");
  return unsent?.kind === "reports" ? unsent.reports : view.reports;
}
