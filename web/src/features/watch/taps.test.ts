import { describe, expect, it, vi } from "vitest";
import { keptStore } from "../../api/keptStore";
import { answer, fakeFetch } from "../../testing/fetch";
import type { Schemas } from "../../api/client";
import { newer, Taps, type WatchView, withTaps } from "./taps";

const view = {
  steps: [
    {
      id: "isolate",
      observations: [{ id: "locked", seen: "not-seen", slip: "" }],
      questions: [{ id: "key", said: null }],
    },
  ],
} as unknown as WatchView;

describe("Taps", () => {
  const fetchMock = fakeFetch();

  it("keeps what is tapped without a network, over a reload, and sends it once", async () => {
    fetchMock.mockRejectedValue(new TypeError("no network"));
    const before = new Taps("ines", "a1", () => undefined);
    before.write({ kind: "seen", observation: "locked", sight: "SLIP", slip: "key left" });
    before.write({ kind: "asked", question: "key", points: [0] });
    await vi.advanceTimersByTimeAsync(10);
    expect(before.snapshot()).toMatchObject({ waiting: "connection" });
    before.stop();

    fetchMock.mockReset();
    fetchMock.mockImplementation(() => Promise.resolve(answer(200, view)));
    const seen: Schemas["WatchView"][] = [];
    const after = new Taps("ines", "a1", (v) => seen.push(v));
    expect(after.snapshot().pending).toHaveLength(2);
    after.start();
    await vi.advanceTimersByTimeAsync(10);
    expect(after.snapshot().pending).toEqual([]);
    expect(seen).toHaveLength(2);
    expect(keptStore.keys()).toEqual([]);
  });

  it("replaces a tap that was not sent by the next about the same thing", async () => {
    fetchMock.mockRejectedValue(new TypeError("no network"));
    const taps = new Taps("ines", "a1", () => undefined);
    taps.write({ kind: "asked", question: "other", points: [] });
    taps.write({ kind: "seen", observation: "locked", sight: "RIGHT", slip: "" });
    taps.write({ kind: "seen", observation: "locked", sight: "NOT_SEEN", slip: "" });
    await vi.advanceTimersByTimeAsync(10);
    expect(taps.snapshot().pending.map((t) => (t.kind === "seen" ? t.sight : t.question))).toEqual([
      "other",
      "NOT_SEEN",
    ]);
    taps.stop();
  });

  it("belongs to whoever tapped", () => {
    keptStore.put(
      "prantel-outbox|ines|watch-a1",
      JSON.stringify([{ kind: "asked", eventId: "kept-event-1", question: "key", points: [] }]),
    );
    expect(new Taps("lead", "a1", () => undefined).snapshot().pending).toEqual([]);
    expect(new Taps("ines", "a1", () => undefined).snapshot().pending).toHaveLength(1);
  });

  it("is told what was refused, and goes on", async () => {
    fetchMock.mockImplementationOnce(() =>
      Promise.resolve(
        answer(409, { problems: [{ code: "over", where: "", given: "", mend: "it is over" }] }),
      ),
    );
    fetchMock.mockImplementation(() => Promise.resolve(answer(200, view)));
    const taps = new Taps("ines", "a1", () => undefined);
    taps.write({ kind: "seen", observation: "locked", sight: "RIGHT", slip: "" });
    taps.write({ kind: "asked", question: "key", points: [1] });
    await vi.advanceTimersByTimeAsync(20);
    expect(taps.snapshot().pending).toEqual([]);
    expect(taps.snapshot().refused).toHaveLength(1);
  });

  it("shows what is tapped before the server has it", () => {
    const shown = withTaps(view, [
      { kind: "seen", eventId: "e1", observation: "locked", sight: "SLIP", slip: "key left" },
      { kind: "asked", eventId: "e2", question: "key", points: [1] },
    ]);
    expect(shown.steps[0]?.observations[0]).toMatchObject({ seen: "slip", slip: "key left" });
    expect(shown.steps[0]?.questions[0]?.said).toEqual([1]);
  });
});

it("keeps the newer of two answers that overtook each other", () => {
  const at = (seq: number) => ({ ...view, seq, receivedAt: 0 });
  expect(newer(at(4))(at(5)).seq).toBe(5);
  expect(newer(at(5))(at(4)).seq).toBe(5);
  expect(newer(at(1))(undefined).seq).toBe(1);
});
