import "fake-indexeddb/auto";
import { afterEach, describe, expect, it } from "vitest";
import { KeptStore } from "./keptStore";

const KEY = "prantel-outbox|ines|watch-a1";

afterEach(async () => {
  const store = new KeptStore();
  await store.load();
  store.clear();
  await store.settled();
  localStorage.clear();
});

describe("what waits on this device", () => {
  it("is there after a reload, as it was last", async () => {
    const before = new KeptStore();
    await before.load();
    for (let i = 0; i < 30; i++) before.put(KEY, `[${i}]`);
    await before.settled();
    const after = new KeptStore();
    await after.load();
    expect(after.get(KEY)).toBe("[29]");
    after.remove(KEY);
    await after.settled();
    const empty = new KeptStore();
    await empty.load();
    expect(empty.keys()).toEqual([]);
  });

  it("takes over what an earlier version kept", async () => {
    localStorage.setItem(KEY, "[1]");
    localStorage.setItem("prantel-theme", "dim");
    const store = new KeptStore();
    await store.load();
    expect(store.get(KEY)).toBe("[1]");
    expect(localStorage.getItem(KEY)).toBeNull();
    expect(localStorage.getItem("prantel-theme")).toBe("dim");
  });

  it("lasts as long as the page where the browser keeps nothing", async () => {
    const store = new KeptStore();
    store.put(KEY, "[1]");
    await store.settled();
    expect(store.get(KEY)).toBe("[1]");
  });
});
