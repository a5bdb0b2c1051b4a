import { screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, describe, expect, it, vi } from "vitest";
import type { Schemas } from "../../api/client";
import { shown, StandIn } from "../../testing/server";
import { ClearStage } from "./ClearStage";

const PATH = "/api/assessments/a/clear";
let server: StandIn;

const view: Schemas["ClearView"] = {
  faults: [
    {
      index: 0,
      title: "CPC open after the point",
      place: "socket 2, Kitchen",
      how: "hand",
      remedy: "Green-yellow back into its terminal.",
      look: false,
      out: false,
    },
    {
      index: 1,
      title: "Label missing",
      place: "Consumer unit",
      how: "hand",
      remedy: "Put the label back.",
      look: true,
      out: true,
    },
  ],
  live: false,
  checks: [],
  hypotheses: [],
  relaysIn: [2, 5],
  boxSays: "",
  boxSilent: false,
  simulated: false,
  clearedAt: null,
  mayClear: false,
  whyNot: "CPC open after the point is still in.",
};

beforeEach(() => {
  server = new StandIn();
  server.answers[PATH] = view;
});

describe("Clear", () => {
  it("says how each fault comes out, and which only the eye proves", async () => {
    shown(<ClearStage id="a" />);
    expect(await screen.findByText("Green-yellow back into its terminal.")).toBeInTheDocument();
    expect(screen.getByText(/Put the label back.*Only the eye proves it out/)).toBeInTheDocument();
    expect(screen.getByRole("checkbox", { name: /Label missing/ })).toBeChecked();
  });

  it("ticks a fault out, and back in", async () => {
    server.answers[`POST ${PATH}/out`] = view;
    shown(<ClearStage id="a" />);
    await userEvent.click(await screen.findByRole("checkbox", { name: /CPC open/ }));
    await userEvent.click(screen.getByRole("checkbox", { name: /Label missing/ }));
    await vi.waitFor(() => expect(server.sent).toHaveLength(2));
    expect(server.sent.map((s) => s.body)).toMatchObject([
      { fault: 0, out: true },
      { fault: 1, out: false },
    ]);
  });

  it("releases the relays that are pulled in", async () => {
    server.answers[`POST ${PATH}/release`] = { ...view, relaysIn: [] };
    shown(<ClearStage id="a" />);
    expect(await screen.findByText("Fault box: relays 2, 5 are pulled in.")).toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: "Release all relays" }));
    await vi.waitFor(() => expect(screen.queryByText(/are pulled in/)).toBeNull());
  });

  it("does not free the bay before the server allows it, and says why", async () => {
    shown(<ClearStage id="a" />);
    expect(await screen.findByText("CPC open after the point is still in.")).toBeInTheDocument();
    expect(screen.getByRole("button", { name: "The bay is free" })).toBeDisabled();
  });

  it("shows a refusal when another was faster", async () => {
    server.answers[PATH] = { ...view, mayClear: true, whyNot: "", relaysIn: [] };
    server.refuse(`POST ${PATH}/done`, 409, "somebody armed the box again: look");
    shown(<ClearStage id="a" />);
    await userEvent.click(await screen.findByRole("button", { name: "The bay is free" }));
    expect(await screen.findByRole("alert")).toHaveTextContent("Somebody armed the box again");
  });

  it("springs a tick back that the server refuses", async () => {
    server.refuse(`POST ${PATH}/out`, 409, "the rig is live");
    shown(<ClearStage id="a" />);
    const box = await screen.findByRole("checkbox", { name: /CPC open/ });
    await userEvent.click(box);
    expect(await screen.findByRole("alert")).toHaveTextContent("The rig is live");
    expect(box).not.toBeChecked();
  });

  it("lets nothing be done at a rig that is recorded live but make it dead", async () => {
    server.answers[PATH] = { ...view, live: true };
    shown(<ClearStage id="a" />);
    expect(await screen.findByText(/is recorded live/)).toBeInTheDocument();
    for (const box of screen.getAllByRole("checkbox", { name: /CPC open|Label missing/ }))
      expect(box).toBeDisabled();
    expect(screen.getByRole("button", { name: "Release all relays" })).toBeDisabled();
    expect(screen.getByRole("button", { name: "It is dead" })).toBeDisabled();
  });

  it("leaves nothing to press once it is cleared", async () => {
    server.answers[PATH] = { ...view, relaysIn: [], clearedAt: "2026-11-25T10:00:00Z", mayClear: false };
    shown(<ClearStage id="a" />);
    expect(await screen.findByText(/healthy,/)).toBeInTheDocument();
    expect(screen.queryByRole("button", { name: "The bay is free" })).toBeNull();
    expect(screen.getByRole("checkbox", { name: /CPC open/ })).toBeDisabled();
  });
});
