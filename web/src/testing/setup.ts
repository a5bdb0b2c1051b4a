import "@testing-library/jest-dom/vitest";
import { cleanup, configure } from "@testing-library/react";
import { afterEach } from "vitest";

// without global test functions the library does not clean up by itself
afterEach(cleanup);

// as with the tests themselves
configure({ asyncUtilTimeout: 15_000 });

// jsdom lays nothing out: whoever asks for a width is told none
class NoLayout implements ResizeObserver {
  observe() {}
  unobserve() {}
  disconnect() {}
}
globalThis.ResizeObserver ??= NoLayout;
