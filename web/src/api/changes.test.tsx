import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { act, render, screen } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { useChanges, useInterval } from "./changes";

class Stream extends EventTarget {
  static last: Stream;
  constructor(readonly url: string) {
    super();
    Stream.last = this;
  }
  close = vi.fn();
  say(type: string, data = "") {
    act(() => void this.dispatchEvent(new MessageEvent(type, { data })));
  }
}

function Listener() {
  useChanges(true);
  return <p>{useInterval(2000)}</p>;
}

const client = new QueryClient();
const invalidated = vi.spyOn(client, "invalidateQueries");

beforeEach(() => {
  vi.stubGlobal("EventSource", Stream);
  invalidated.mockClear();
});
afterEach(() => vi.unstubAllGlobals());

describe("what changed elsewhere", () => {
  it("has the screens that show it look again, and asks often only while it is not told", () => {
    const view = render(
      <QueryClientProvider client={client}>
        <Listener />
      </QueryClientProvider>,
    );
    expect(Stream.last.url).toBe("/api/changes");
    expect(screen.getByText("2000")).toBeInTheDocument();
    Stream.last.say("open");
    expect(screen.getByText("20000")).toBeInTheDocument();
    expect(invalidated).not.toHaveBeenCalled();
    Stream.last.say("changed", JSON.stringify({ assessmentId: "a1", seq: 4 }));
    expect(invalidated).toHaveBeenCalledWith({ queryKey: ["assessment", "a1"] });
    Stream.last.say("error");
    expect(screen.getByText("2000")).toBeInTheDocument();
    invalidated.mockClear();
    Stream.last.say("open");
    expect(invalidated).toHaveBeenCalledWith({ queryKey: ["assessment"] });
    view.unmount();
    expect(Stream.last.close).toHaveBeenCalled();
  });
});
