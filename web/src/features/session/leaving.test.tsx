import { screen } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { keptStore } from "../../api/keptStore";
import { shown, StandIn } from "../../testing/server";
import { LeavingPage } from "./LeavingPage";
import { isLeaving, leave } from "./queries";

const person = { id: "owen", name: "Owen Tasker", roles: ["CANDIDATE"], sheet: null };
let server: StandIn;

beforeEach(() => {
  server = new StandIn();
  leave();
});
afterEach(() => {
  localStorage.clear();
  keptStore.clear();
});

describe("signing out", () => {
  it("is over when the server says that nobody is signed in", async () => {
    server.answers["/api/session"] = { person: null, demo: false, setUpNeeded: false };
    const gone = vi.fn();
    shown(<LeavingPage onGone={gone} />);
    await vi.waitFor(() => expect(gone).toHaveBeenCalled());
    expect(isLeaving()).toBe(false);
  });

  it("holds on this device while the server does not hear it, and says what is kept", async () => {
    server.refuse("DELETE /api/session", 503, "later");
    server.answers["GET /api/session"] = { person, demo: false, setUpNeeded: false };
    keptStore.put("prantel-outbox|owen|s1", JSON.stringify([{ kind: "reading", eventId: "e-1" }]));
    const gone = vi.fn();
    shown(<LeavingPage onGone={gone} />);
    expect(await screen.findByText(/not signed out there yet/)).toBeInTheDocument();
    expect(screen.getByText(/One thing written here/)).toBeInTheDocument();
    expect(gone).not.toHaveBeenCalled();
    expect(isLeaving()).toBe(true);
  });
});
