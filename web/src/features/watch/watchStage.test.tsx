import { screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, describe, expect, it, vi } from "vitest";
import type { Schemas } from "../../api/client";
import { keptStore } from "../../api/keptStore";
import { conduct } from "../../testing/conduct";
import { shown, StandIn } from "../../testing/server";
import { WatchStage } from "./WatchStage";

const AT = "/api/assessments/a";
const BAY = { number: 2, rig: "Ferry Kiosk", candidate: "Owen Tasker" };
let server: StandIn;

function step(id: string, more: Partial<Schemas["WatchStep"]>): Schemas["WatchStep"] {
  return {
    id,
    title: id,
    live: false,
    state: "OPEN",
    next: false,
    shut: "",
    filled: 0,
    boxes: 0,
    open: 0,
    observations: [
      { id: `${id}-o`, text: `${id} seen`, severity: "counts", slips: ["late"], seen: "not-seen", slip: "" },
    ],
    questions: [],
    readings: [],
    ...more,
  };
}

const view: Schemas["WatchView"] = {
  seq: 3,
  open: true,
  openedAt: "2026-11-26T10:00:00Z",
  live: false,
  wasLive: false,
  lockedOff: true,
  dead: "NOT_PROVED",
  asksToGoLive: false,
  stop: null,
  filled: 0,
  boxes: 4,
  reports: 0,
  relaysOutSince: null,
  box: "",
  undo: false,
  steps: [
    step("isolate", { next: true }),
    step("supply", { live: true, shut: "opens when the rig is live" }),
  ],
  broken: [],
  conduct: conduct(),
};

const live: Schemas["LiveView"] = {
  energisedAt: "2026-11-26T10:40:00Z",
  faults: [],
  dangers: [],
  checks: [],
  simulated: false,
  mayGoLive: true,
  whyNot: [],
  openDead: [],
  lists: [],
  cautions: [],
};

function is(now: Partial<Schemas["WatchView"]>) {
  server.answers[`${AT}/watch`] = { ...view, ...now };
}

beforeEach(() => {
  keptStore.clear();
  server = new StandIn();
  server.answers["/api/session"] = {
    person: { id: "ines", name: "Ines Marrow", roles: ["ASSESSOR"], sheet: null },
    demo: false,
    setUpNeeded: false,
  };
  server.answers["/api/floor"] = { bays: [], aisle: [], kept: [] };
  server.answers[`${AT}/live`] = live;
  is({});
});

describe("Watch", () => {
  it("always shows how to make a live rig dead, whatever else is shown", async () => {
    is({ live: true, wasLive: true });
    shown(<WatchStage id="a" bay={BAY} />);
    expect(await screen.findByText("LIVE")).toBeInTheDocument();
    expect(await screen.findByRole("button", { name: "It is dead" })).toBeInTheDocument();
    expect(screen.queryByRole("button", { name: "Go live…" })).not.toBeInTheDocument();
  });

  it("makes a stopped rig safe before anything is decided, and dead if it is live", async () => {
    is({ live: true, stop: { what: "over a live part", by: "ines", at: "2026-11-26T10:41:00Z" } });
    shown(<WatchStage id="a" bay={BAY} />);
    expect(await screen.findByText(/Stopped for safety/)).toBeInTheDocument();
    expect(screen.getByRole("button", { name: /It ends here/ })).toBeDisabled();
    expect(await screen.findByRole("button", { name: "It is dead" })).toBeInTheDocument();
  });

  it("opens what comes next by itself; one tap for right", async () => {
    shown(<WatchStage id="a" bay={BAY} />);
    server.answers[`PUT ${AT}/watch/observations`] = { ...view, seq: 4, undo: true };
    await userEvent.click(await screen.findByRole("button", { name: "Done right: isolate seen" }));
    await vi.waitFor(() => expect(server.sent).toHaveLength(1));
    expect(server.sent[0]?.body).toMatchObject({ observation: "isolate-o", sight: "RIGHT" });
    server.answers[`POST ${AT}/watch/undo`] = { ...view, seq: 5 };
    await userEvent.click(await screen.findByRole("button", { name: "Take back" }));
    await vi.waitFor(() => expect(server.sent.at(-1)?.path).toBe(`${AT}/watch/undo`));
  });

  it("says a stop that has not arrived in red until it has, and acts by voice", async () => {
    server.refuse(`POST ${AT}/watch/stop`, 503, "the server cannot answer now");
    shown(<WatchStage id="a" bay={BAY} />);
    await userEvent.click(await screen.findByRole("button", { name: "Stop: safety" }));
    await userEvent.click(screen.getByRole("button", { name: "not proved dead" }));
    await userEvent.click(screen.getByRole("button", { name: "Stop the assessment" }));
    expect(await screen.findByText(/Not yet confirmed by the server/)).toBeInTheDocument();
    expect(screen.getByText(/Act by voice now/)).toBeInTheDocument();
    expect(keptStore.keys().some((k) => k.includes("stop-a"))).toBe(true);
  });

  it("keeps a refused stop in sight, with the reason, until somebody has read it", async () => {
    server.refuse(`POST ${AT}/watch/stop`, 409, "the candidate is not at work");
    shown(<WatchStage id="a" bay={BAY} />);
    await userEvent.click(await screen.findByRole("button", { name: "Stop: safety" }));
    await userEvent.click(screen.getByRole("button", { name: "link left in" }));
    await userEvent.click(screen.getByRole("button", { name: "Stop the assessment" }));
    expect(await screen.findByText(/did not take this stop/)).toBeInTheDocument();
    expect(screen.getByText(/“link left in” is not on record/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: "I have read it" }));
    expect(screen.queryByText(/did not take this stop/)).not.toBeInTheDocument();
  });

  it("puts what is the matter with the fault box first, in red where the rig is live", async () => {
    is({ live: true, wasLive: true, box: "Relay 3 of the fault box is in, and nobody pulled it in." });
    shown(<WatchStage id="a" bay={BAY} />);
    const alert = (await screen.findByText(/nobody pulled it in/)).closest("[role=alert]");
    expect(alert).toHaveTextContent("stop the work by voice");
  });

  it("puts the candidate's wish to go live first, as a moment of its own", async () => {
    is({ asksToGoLive: true });
    server.answers[`${AT}/live`] = { ...live, energisedAt: null };
    shown(<WatchStage id="a" bay={BAY} />);
    await userEvent.click(await screen.findByRole("button", { name: "Look, then decide" }));
    expect(await screen.findByRole("button", { name: "Go live, with permission" })).toBeInTheDocument();
    expect(screen.queryByRole("button", { name: "Done right: isolate seen" })).not.toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: "Not now" }));
    expect(await screen.findByRole("button", { name: "Done right: isolate seen" })).toBeInTheDocument();
  });

  it("tells a broken rule with both deeds, and asks where it may only have been tapped late", async () => {
    const line = {
      then: { title: "Insulation", at: "2026-11-26T10:10:00Z" },
      first: { title: "Continuity", at: "2026-11-26T10:20:00Z" },
      why: "continuity first",
      severity: "counts",
      sure: true,
      open: 0,
      permitted: false,
    };
    is({
      broken: [
        line,
        {
          ...line,
          then: { title: "Ring", at: "2026-11-26T10:10:00Z" },
          first: { title: "Continuity", at: null },
          sure: false,
        },
        { ...line, then: { title: "Ze", at: "2026-11-26T10:30:00Z" }, severity: "safety", open: 3 },
        {
          ...line,
          then: { title: "Zs", at: "2026-11-26T10:40:00Z" },
          severity: "safety",
          open: 2,
          permitted: true,
        },
      ],
    });
    shown(<WatchStage id="a" bay={BAY} />);
    expect((await screen.findAllByText(/continuity first/)).length).toBeGreaterThan(0);
    expect(screen.getByText(/Seen late, or done late/)).toBeInTheDocument();
    const alarm = screen.getByText(/Safety: the order is broken/).closest("[role=alert]");
    expect(alarm).toHaveTextContent(/“Ze” was begun at .* with 3 boxes of “Continuity” still empty/);
    expect(alarm).not.toHaveTextContent("Zs");
    expect(screen.getByText(/You let it go live so, and said why/)).toBeInTheDocument();
  });

  it("stays where the thumb is, and offers what comes next with what is not asked yet", async () => {
    const q = {
      id: "q",
      ask: "Why twice?",
      points: ["it may fail"],
      needed: 1,
      drawn: true,
      said: null,
      prompt: "",
    };
    is({ steps: [step("isolate", { next: true, questions: [q] }), step("inspect", {})] });
    shown(<WatchStage id="a" bay={BAY} />);
    const right = await screen.findByRole("button", { name: "Done right: isolate seen" });
    server.answers[`PUT ${AT}/watch/observations`] = {
      ...view,
      seq: 4,
      steps: [step("isolate", { state: "DONE", questions: [q] }), step("inspect", { next: true })],
    };
    await userEvent.click(right);
    const next = await screen.findByRole("button", { name: "Next: inspect" });
    expect(screen.getByRole("button", { name: "Done right: isolate seen" })).toBeInTheDocument();
    expect(screen.getByText(/1 question is not asked here yet/)).toBeInTheDocument();
    await userEvent.click(next);
    expect(await screen.findByRole("button", { name: "Done right: inspect seen" })).toBeInTheDocument();
    expect(screen.getByText(/1 question is not asked yet/)).toBeInTheDocument();
  });

  it("tells a second tap that took something back, and puts it right again", async () => {
    const seen = step("isolate", { next: true });
    const line = seen.observations[0];
    if (!line) throw new Error("no line");
    is({ steps: [{ ...seen, observations: [{ ...line, seen: "right" }] }] });
    shown(<WatchStage id="a" bay={BAY} />);
    server.answers[`PUT ${AT}/watch/observations`] = { ...view, seq: 4, steps: [seen] };
    await userEvent.click(await screen.findByRole("button", { name: "Done right: isolate seen" }));
    expect(await screen.findByText(/it counts as not seen/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: "It was right" }));
    await vi.waitFor(() => expect(server.sent).toHaveLength(2));
    expect(server.sent[1]?.body).toMatchObject({ observation: "isolate-o", sight: "RIGHT" });
  });

  it("offers to stop at once when a slip is one of safety", async () => {
    const safety = {
      id: "lock",
      text: "locked",
      severity: "safety",
      slips: ["key left"],
      seen: "not-seen",
      slip: "",
    };
    is({ steps: [step("isolate", { next: true, observations: [safety] })] });
    shown(<WatchStage id="a" bay={BAY} />);
    server.answers[`PUT ${AT}/watch/observations`] = {
      ...view,
      seq: 4,
      steps: [step("isolate", { observations: [{ ...safety, seen: "slip", slip: "key left" }] })],
    };
    await userEvent.click(await screen.findByRole("button", { name: "Slip: locked" }));
    await userEvent.click(screen.getByRole("button", { name: "key left" }));
    server.answers[`POST ${AT}/watch/stop`] = { ...view, seq: 5 };
    await userEvent.click(await screen.findByRole("button", { name: "Stop the assessment: key left" }));
    await vi.waitFor(() => expect(server.sent.at(-1)?.path).toContain("stop"));
    expect(server.sent.at(-1)?.body).toMatchObject({ what: "key left" });
  });

  it("raises an alarm where readings are written on a rig that is not proved dead", async () => {
    is({ dead: "READ_UNPROVED" });
    shown(<WatchStage id="a" bay={BAY} />);
    expect(await screen.findByText(/NOT PROVED DEAD, and readings are written/)).toHaveAttribute(
      "role",
      "alert",
    );
  });

  it("says that the clock waits for the candidate, and confirms by word of mouth", async () => {
    shown(<WatchStage id="a" bay={BAY} />);
    expect(await screen.findByText(/has not confirmed yet/)).toBeInTheDocument();
    server.answers[`PUT ${AT}/conduct/ticks`] = conduct();
    await userEvent.click(screen.getByRole("button", { name: "Confirmed by word of mouth" }));
    await vi.waitFor(() => expect(server.sent[0]?.body).toMatchObject({ list: "READY", on: true }));
  });
});
