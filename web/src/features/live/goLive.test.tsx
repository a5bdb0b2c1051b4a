import { screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, describe, expect, it, vi } from "vitest";
import type { Schemas } from "../../api/client";
import { StandIn, shown } from "../../testing/server";
import { GoLive } from "./GoLive";

const LIVE = "/api/assessments/a/live";
let server: StandIn;

const view: Schemas["LiveView"] = {
  energisedAt: null,
  faults: [
    { index: 0, title: "CPC open", place: "socket 2", safety: "dead only", how: "box", out: false },
    { index: 1, title: "Joint", place: "socket 3", safety: "may stay live", how: "hand", out: true },
  ],
  dangers: [],
  checks: [],
  simulated: false,
  mayGoLive: false,
  openDead: [],
  lists: [],
  cautions: ["Live work: supervised; local rules and licensed practice come first."],
  whyNot: ["CPC open, socket 2, is dead only: take it out first."],
};

beforeEach(() => {
  server = new StandIn();
  is(view);
});

/** Whatever is asked or done, this is how it stands. */
function is(now: Schemas["LiveView"]) {
  for (const path of [LIVE, `${LIVE}/out`, `${LIVE}/on`, `${LIVE}/off`]) server.answers[path] = now;
}

describe("GoLive", () => {
  it("lists why not, and shows the server's refusal when it is tried all the same", async () => {
    server.refuse(`${LIVE}/on`, 409, "CPC open is dead only");
    shown(<GoLive id="a" />);
    expect(await screen.findByText(/One thing stands against it/)).toBeInTheDocument();
    expect(screen.queryByText(/socket 2/)).not.toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: "Show the faults" }));
    expect(await screen.findByLabelText("Why it may not go live")).toHaveTextContent("take it out first");
    await userEvent.click(screen.getByRole("button", { name: "Go live, with permission" }));
    expect(await screen.findByRole("alert")).toHaveTextContent("CPC open is dead only");
  });

  it("names no fault in a refusal until somebody asks to see them", async () => {
    server.refuse(`${LIVE}/on`, 409, "CPC open, socket 2, is dead only", "not-safe");
    shown(<GoLive id="a" />);
    await userEvent.click(await screen.findByRole("button", { name: "Go live, with permission" }));
    expect(await screen.findByRole("alert")).toHaveTextContent("It did not go live");
    expect(screen.queryByText(/socket 2/)).not.toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: "Show the faults" }));
    expect(await screen.findByRole("alert")).toHaveTextContent("CPC open, socket 2");
  });

  it("takes a fault out by its relay and lets one be put back", async () => {
    shown(<GoLive id="a" />);
    await userEvent.click(await screen.findByRole("button", { name: "Show the faults" }));
    await userEvent.click(await screen.findByRole("button", { name: "Release its relay" }));
    await vi.waitFor(() => expect(server.sent).toHaveLength(1));
    expect(server.sent[0]).toMatchObject({ path: `${LIVE}/out`, body: { fault: 0, out: true } });
    await userEvent.click(screen.getByRole("button", { name: "Put back" }));
    await vi.waitFor(() => expect(server.sent).toHaveLength(2));
    expect(server.sent[1]?.body).toMatchObject({ fault: 1, out: false });
  });

  it("leaves only one thing to do while it is live", async () => {
    is({ ...view, energisedAt: "2026-11-25T09:00:00Z" });
    shown(<GoLive id="a" />);
    expect(await screen.findByText(/needs your whole attention/)).toBeInTheDocument();
    expect(screen.getAllByRole("button")).toHaveLength(1);
    const dead = screen.getByRole("button", { name: "It is dead" });
    expect(dead).toBeDisabled();
    await userEvent.click(screen.getByLabelText(/locked off/));
    expect(dead).toBeDisabled();
    await userEvent.click(screen.getByLabelText(/proved dead/));
    await userEvent.click(dead);
    await vi.waitFor(() => expect(server.sent[0]?.path).toBe(`${LIVE}/off`));
    expect(server.sent[0]?.body).toMatchObject({ lockedOff: true, provedDead: true });
  });

  it("asks why when dead tests are open, and sends the reason", async () => {
    is({ ...view, faults: [], whyNot: [], mayGoLive: true, openDead: [{ step: "Insulation", boxes: 12 }] });
    shown(<GoLive id="a" />);
    const go = await screen.findByRole("button", { name: "Go live, with permission" });
    expect(go).toBeDisabled();
    await userEvent.type(
      screen.getByLabelText(/Empty boxes of the dead tests: Insulation 12/),
      "loop only today",
    );
    await userEvent.click(go);
    await vi.waitFor(() => expect(server.sent[0]?.body).toMatchObject({ reason: "loop only today" }));
  });

  it("opens when both have said and seen everything, each tick kept by itself", async () => {
    const item = { id: "ask", words: "I ask for permission to energise", ticked: null };
    const lists: Schemas["ListView"][] = [
      { list: "LIVE_ASKED", title: "Before it goes live", items: [item], complete: false },
      { list: "LIVE_GIVEN", title: "Seen by the assessor", items: [], complete: true },
    ];
    is({ ...view, faults: [], whyNot: [], mayGoLive: true, lists });
    server.answers["/api/assessments/a/conduct/ticks"] = {};
    shown(<GoLive id="a" onBack={() => undefined} />);
    expect(await screen.findByRole("button", { name: "Go live, with permission" })).toBeDisabled();
    is({
      ...view,
      faults: [],
      whyNot: [],
      mayGoLive: true,
      lists: lists.map((l) => ({
        ...l,
        complete: true,
        items: l.items.map((i) => ({ ...i, ticked: { by: "Lena Brook", at: "2026-11-26T10:42:00Z" } })),
      })),
    });
    await userEvent.click(screen.getByLabelText(/I ask for permission/));
    expect(server.sent[0]).toMatchObject({
      path: "/api/assessments/a/conduct/ticks",
      body: { list: "LIVE_ASKED", item: "ask", on: true },
    });
    expect(await screen.findByText(/Lena Brook/)).toBeInTheDocument();
    expect(screen.getByRole("button", { name: "Go live, with permission" })).toBeEnabled();
  });

  it("says the usual caution when nothing stands against it", async () => {
    is({ ...view, faults: [], whyNot: [], mayGoLive: true });
    shown(<GoLive id="a" />);
    expect(await screen.findByText(/local rules and licensed practice come first/)).toBeInTheDocument();
  });
});
