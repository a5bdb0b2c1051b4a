import { afterEach, beforeEach, vi } from "vitest";
import { keptStore } from "../api/keptStore";

export function answer(status: number, body: unknown): Response {
  return new Response(JSON.stringify(body), { status, headers: { "Content-Type": "application/json" } });
}

/** A stand-in for fetch with an empty store and a clock that the test moves; new for each test of a describe. */
export function fakeFetch() {
  const fetchMock = vi.fn<typeof fetch>();
  beforeEach(() => {
    vi.useFakeTimers();
    localStorage.clear();
    keptStore.clear();
    vi.stubGlobal("fetch", fetchMock);
    fetchMock.mockReset();
  });
  afterEach(() => {
    vi.useRealTimers();
    vi.unstubAllGlobals();
  });
  return fetchMock;
}
