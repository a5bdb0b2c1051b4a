import { screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, describe, expect, it, vi } from "vitest";
import { StandIn, shown } from "../../../testing/server";
import { FaultBoxFields } from "./FaultBoxFields";
import type { RigJson } from "./rigJson";

const choices = {
  places: [
    { id: "ring/socket-1", label: "socket 1, Ring", kinds: { "leg-open": [], leak: [] } },
    {
      id: "shower",
      label: "Shower, at the board",
      kinds: { "neutrals-crossed": [{ id: "alarms", label: "Alarms, at the board" }], leak: [] },
    },
  ],
  kinds: [
    {
      id: "leak",
      title: "Low insulation",
      group: "",
      joinsTwo: false,
      conductors: [{ ids: ["line", "cpc"], label: "L–E" }],
      size: { unit: "MΩ", low: 0.1, high: 10, usual: 0.5 },
    },
    {
      id: "leg-open",
      title: "Ring leg open",
      group: "",
      joinsTwo: false,
      conductors: [
        { ids: ["line"], label: "line" },
        { ids: ["neutral"], label: "neutral" },
      ],
      size: null,
    },
    {
      id: "neutrals-crossed",
      title: "Neutrals crossed",
      group: "",
      joinsTwo: true,
      conductors: [{ ids: [], label: "" }],
      size: null,
    },
  ],
};

const relay = { relay: 1, kind: "leg-open", at: "ring/socket-1", conductors: ["neutral"] };

function box(faultBox: RigJson["faultBox"]) {
  const onChange = vi.fn();
  shown(
    <FaultBoxFields
      rig={{ id: "r", circuits: [], boards: [], faultBox } as unknown as RigJson}
      onChange={onChange}
    />,
  );
  return () => (onChange.mock.calls.at(-1)?.[0] as RigJson).faultBox;
}

describe("the fault box in the rig workshop", () => {
  let server: StandIn;

  beforeEach(() => {
    server = new StandIn();
    server.answers["/api/rigs/relay-choices"] = choices;
  });

  it("wires the next free relay with what fits first", async () => {
    const now = box([relay]);
    await screen.findByRole("option", { name: "Ring leg open" });
    await userEvent.click(screen.getByRole("button", { name: "Wire a relay" }));
    expect(now()?.[1]).toEqual({ relay: 2, kind: "leg-open", at: "ring/socket-1", conductors: ["line"] });
  });

  it("keeps the kind at another place where it fits, and takes another where it does not", async () => {
    const now = box([relay]);
    await screen.findByRole("option", { name: "Shower, at the board" });
    await userEvent.selectOptions(screen.getByLabelText("Where, relay 1"), "Shower, at the board");
    expect(now()).toEqual([{ relay: 1, kind: "neutrals-crossed", at: "shower", to: "alarms" }]);
  });

  it("gives a kind its usual size", async () => {
    const now = box([relay]);
    await screen.findByRole("option", { name: "Low insulation" });
    await userEvent.selectOptions(screen.getByLabelText("Fault, relay 1"), "Low insulation");
    expect(now()).toEqual([
      { relay: 1, kind: "leak", at: "ring/socket-1", conductors: ["line", "cpc"], size: 0.5 },
    ]);
  });

  it("shows a place that has gone as what it is", async () => {
    box([{ ...relay, at: "gone/socket-9" }]);
    expect(await screen.findByRole("option", { name: "gone/socket-9 (not here)" })).toBeInTheDocument();
    expect(screen.getByLabelText("Where, relay 1")).toBeInvalid();
  });

  it("says why nothing can be chosen while the rest is wrong, and still takes relays out", async () => {
    server.refuse("/api/rigs/relay-choices", 400, "give a number");
    const now = box([relay]);
    expect(await screen.findByText(/once the rest of the rig is mended/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: "Take relay 1 out" }));
    expect(now()).toEqual([]);
  });
});
