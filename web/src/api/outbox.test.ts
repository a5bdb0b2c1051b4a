import { describe, expect, it, vi } from "vitest";
import { keptStore } from "./keptStore";
import { answer, fakeFetch } from "../testing/fetch";
import { type Changed, Outbox, type Pending, seqIn, unsentHere } from "./outbox";

const SLOT = "sockets/r1r2/socket-1";

function view(seq: number): Changed {
  return {
    box: { slot: SLOT, seq, judgedSeq: 0 },
    reportsSeq: 0,
    reports: [],
    filled: 1,
  } as unknown as Changed;
}

async function bodyOf(call: unknown[]): Promise<{ eventId: string; text: string; basedOn: number }> {
  return (call[0] as Request).clone().json();
}

const keptKeys = () => keptStore.keys().filter((k) => k.startsWith("prantel-outbox|owen|s1"));

describe("Outbox", () => {
  const fetchMock = fakeFetch();

  it("sends the same event id again after a lost connection, and keeps it over a reload", async () => {
    fetchMock.mockRejectedValueOnce(new TypeError("no network"));
    fetchMock.mockImplementation(() => Promise.resolve(answer(200, view(7))));
    const seen: Changed[] = [];
    const outbox = new Outbox("owen", "s1", (v) => seen.push(v));
    outbox.write({ kind: "reading", slot: SLOT, text: "0.43", basedOn: 0 });
    await vi.advanceTimersByTimeAsync(10);
    expect(outbox.snapshot().waiting).toBe("connection");
    expect(keptKeys()).toHaveLength(1);

    await vi.advanceTimersByTimeAsync(3100);
    expect(outbox.snapshot()).toMatchObject({ pending: [], waiting: false });
    expect(seen).toHaveLength(1);
    const [first, second] = await Promise.all(fetchMock.mock.calls.map(bodyOf));
    expect(second?.eventId).toBe(first?.eventId);
    expect(keptKeys()).toEqual([]);
  });

  it("takes up after a reload what was not sent", async () => {
    const left: Pending[] = [
      { kind: "reading", eventId: "kept-event-1", slot: SLOT, text: "0.43", basedOn: 0 },
    ];
    keptStore.put("prantel-outbox|owen|s1", JSON.stringify(left));
    fetchMock.mockImplementation(() => Promise.resolve(answer(200, view(1))));
    const outbox = new Outbox("owen", "s1", () => undefined);
    outbox.start();
    await vi.advanceTimersByTimeAsync(10);
    expect((await bodyOf(fetchMock.mock.calls[0] ?? [])).eventId).toBe("kept-event-1");
    expect(outbox.snapshot().pending).toEqual([]);
  });

  it("puts a refused write aside with the server's words and goes on", async () => {
    const refusal = { problems: [{ code: "changed-meanwhile", where: "", given: "", mend: "look again" }] };
    fetchMock.mockImplementationOnce(() => Promise.resolve(answer(409, refusal)));
    fetchMock.mockImplementation(() => Promise.resolve(answer(200, view(3))));
    const outbox = new Outbox("owen", "s1", () => undefined);
    outbox.write({ kind: "reading", slot: SLOT, text: "1", basedOn: 0 });
    outbox.write({ kind: "judgement", slot: SLOT, satisfactory: true, basedOn: 0 });
    await vi.advanceTimersByTimeAsync(10);
    expect(outbox.snapshot().refused[0]?.error.problems[0]?.mend).toBe("look again");
    expect(outbox.snapshot().pending).toEqual([]);
  });

  it("keeps what was refused over a reload, until somebody has seen it", async () => {
    const refusal = { problems: [{ code: "changed-meanwhile", where: "", given: "", mend: "look again" }] };
    fetchMock.mockImplementationOnce(() => Promise.resolve(answer(409, refusal)));
    const outbox = new Outbox("owen", "s1", () => undefined);
    outbox.write({ kind: "reading", slot: SLOT, text: "1", basedOn: 0 });
    await vi.advanceTimersByTimeAsync(10);
    const after = new Outbox("owen", "s1", () => undefined);
    expect(after.snapshot().pending).toEqual([]);
    expect(after.snapshot().refused[0]?.write).toMatchObject({ slot: SLOT, text: "1" });
    expect(after.snapshot().refused[0]?.error.problems[0]?.mend).toBe("look again");
    expect(unsentHere()).toEqual(new Map());
    after.dismiss();
    expect(new Outbox("owen", "s1", () => undefined).snapshot().refused).toEqual([]);
  });

  it("keeps what two tabs write, each for itself", async () => {
    fetchMock.mockRejectedValue(new TypeError("no network"));
    const one = new Outbox("owen", "s1", () => undefined);
    const other = new Outbox("owen", "s1", () => undefined);
    one.write({ kind: "reading", slot: SLOT, text: "0.43", basedOn: 0 });
    other.write({ kind: "reading", slot: "sockets/r1r2/socket-2", text: "0.51", basedOn: 0 });
    one.write({ kind: "reading", slot: "sockets/r1r2/socket-3", text: "0.62", basedOn: 0 });
    await vi.advanceTimersByTimeAsync(10);
    const reloaded = new Outbox("owen", "s1", () => undefined);
    expect(reloaded.snapshot().pending.map((p) => (p.kind === "reading" ? p.text : ""))).toEqual([
      "0.43",
      "0.51",
      "0.62",
    ]);
    one.stop();
    other.stop();
  });

  it("takes no answer for a lost connection, and sends again", async () => {
    fetchMock.mockImplementationOnce(() => new Promise(() => undefined));
    fetchMock.mockImplementation(() => Promise.resolve(answer(200, view(1))));
    const outbox = new Outbox("owen", "s1", () => undefined);
    outbox.write({ kind: "reading", slot: SLOT, text: "0.43", basedOn: 0 });
    await vi.advanceTimersByTimeAsync(15_010);
    expect(outbox.snapshot().waiting).toBe("connection");
    await vi.advanceTimersByTimeAsync(3100);
    expect(outbox.snapshot()).toMatchObject({ pending: [], waiting: false });
  });

  it("bases its second write on its own first one", async () => {
    fetchMock.mockImplementation(() => Promise.resolve(answer(200, view(5))));
    const outbox = new Outbox("owen", "s1", () => undefined);
    outbox.write({ kind: "reading", slot: SLOT, text: "0.4", basedOn: 0 });
    await vi.advanceTimersByTimeAsync(10);
    outbox.write({ kind: "reading", slot: SLOT, text: "0.43", basedOn: 0 });
    await vi.advanceTimersByTimeAsync(10);
    expect((await bodyOf(fetchMock.mock.calls[1] ?? [])).basedOn).toBe(5);
  });

  it("waits for its owner: whoever else is signed in neither sends nor loses it", async () => {
    const left: Pending[] = [
      { kind: "reading", eventId: "kept-event-2", slot: SLOT, text: "0.43", basedOn: 0 },
    ];
    keptStore.put("prantel-outbox|owen|s1", JSON.stringify(left));
    const others = new Outbox("bas", "s1", () => undefined);
    others.start();
    await vi.advanceTimersByTimeAsync(10);
    expect(fetchMock).not.toHaveBeenCalled();
    expect(unsentHere()).toEqual(new Map([["owen", 1]]));

    // the same tab, after somebody else signed in elsewhere: the server knows no such sheet of theirs
    fetchMock.mockImplementationOnce(() => Promise.resolve(answer(404, { problems: [] })));
    fetchMock.mockImplementation(() => Promise.resolve(answer(200, view(1))));
    const own = new Outbox("owen", "s1", () => undefined);
    own.start();
    await vi.advanceTimersByTimeAsync(10);
    expect(own.snapshot()).toMatchObject({ waiting: "owner", refused: [], pending: left });
    await vi.advanceTimersByTimeAsync(3100);
    expect(own.snapshot()).toMatchObject({ waiting: false, pending: [] });
    expect(unsentHere()).toEqual(new Map());
  });

  it("finds the number of a box in the answer", () => {
    const write: Pending = { kind: "reading", eventId: "x", slot: SLOT, text: "", basedOn: 0 };
    expect(seqIn(view(9), write)).toBe(9);
    expect(seqIn({ ...view(9), box: null }, write)).toBe(0);
  });
});
