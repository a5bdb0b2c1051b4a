import { screen } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { keptStore } from "../../api/keptStore";
import { shown, StandIn } from "../../testing/server";
import { useSheet, withChange, withPending } from "./useSheet";
import type { SheetView } from "./queries";

const box = {
  slot: "sockets/r1r2/socket-1",
  text: "",
  seq: 0,
  judgedSeq: 0,
  satisfactory: null,
  understood: "",
  mend: "",
  likely: "",
};
const view = {
  id: "s1",
  filled: 0,
  reports: [],
  reportsSeq: 0,
  steps: [{ groups: [{ boxes: [box, { ...box, slot: "other" }] }] }],
} as unknown as SheetView;
const changed = { box: { ...box, text: "0.43", seq: 1 }, filled: 1, reports: [], reportsSeq: 0 } as never;

function Probe() {
  const { query, state } = useSheet("s1", "owen");
  return (
    <p>
      {query.data ? `sheet ${query.data.filled}` : "no sheet"}, {state.pending.length} pending
    </p>
  );
}

beforeEach(() => keptStore.clear());
afterEach(() => vi.unstubAllGlobals());

describe("the sheet with what is not sent yet", () => {
  it("comes although something left over is sent while it is fetched", async () => {
    keptStore.put(
      "prantel-outbox|owen|s1",
      JSON.stringify([{ kind: "reading", eventId: "left-over-1", slot: box.slot, text: "0.43", basedOn: 0 }]),
    );
    const server = new StandIn();
    server.answers["/api/my/sheets/s1"] = { ...view, filled: 1 };
    server.answers["PUT /api/my/sheets/s1/readings"] = changed;
    shown(<Probe />);
    expect(await screen.findByText("sheet 1, 0 pending")).toBeInTheDocument();
    expect(server.sent).toHaveLength(1);
  });

  it("takes over the box that was written and no other", () => {
    const write = { kind: "reading", eventId: "e", slot: box.slot, text: "0.43", basedOn: 0 } as const;
    const after = withChange(view, changed, write);
    const boxes = after.steps[0]?.groups[0]?.boxes;
    expect(boxes?.map((b) => b.text)).toEqual(["0.43", ""]);
    expect(after.filled).toBe(1);
  });

  it("lays what is not sent over the box", () => {
    const pending = [{ kind: "reading", eventId: "e", slot: box.slot, text: "1.16", basedOn: 0 } as const];
    expect(withPending(box as never, pending)).toMatchObject({ text: "1.16", unsent: true });
  });
});
