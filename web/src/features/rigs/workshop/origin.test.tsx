import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, describe, expect, it, vi } from "vitest";
import type { Schemas } from "../../../api/client";
import { BoardFields } from "./BoardFields";
import { DeviceFields } from "./DeviceFields";
import { StandIn, shown } from "../../../testing/server";
import { OriginEditor } from "./OriginEditor";
import type { DeviceJson, RigJson } from "./rigJson";

beforeEach(() => {
  new StandIn();
});

const kit = {
  residual: JSON.stringify({ type: "A", ratedResidualMilliamps: 30 }),
  conductorSizes: [10, 16],
  boardSection: JSON.stringify({ id: "more", label: "More ways" }),
  fuses: [
    { standard: "BS 88-3", ratedAmps: 32 },
    { standard: "BS 3036", ratedAmps: 15 },
    { standard: "BS 3036", ratedAmps: 30 },
  ],
} as unknown as Schemas["Templates"];

const rig = {
  format: "prantel-rig",
  version: 1,
  id: "hut",
  name: "Hut",
  supply: {
    nominalVolts: 230,
    earthing: "TN-C-S",
    declaredZeOhms: 0.35,
    lines: [{ ohms: 0.11 }],
    neutral: { ohms: 0.09 },
  },
  boards: [
    { id: "main", label: "Consumer unit", sections: [{ id: "all", label: "All ways" }] },
    { id: "loft", label: "Loft board", sections: [{ id: "all", label: "All ways" }] },
  ],
  circuits: [
    { id: "feed", label: "Feed", kind: "submain", board: "main", feeds: "loft" },
    { id: "sockets", label: "Sockets", kind: "radial", board: "main" },
    { id: "fan", label: "Fan", kind: "radial", board: "loft" },
  ],
  bonds: [],
  supplementaryBonds: [],
  earthingConductor: { csaMm2: 16, lengthMetres: 3 },
  workmanship: {},
} as unknown as RigJson;

const onChange = vi.fn();
const changed = () => onChange.mock.calls.at(-1)?.[0] as RigJson;

beforeEach(() => onChange.mockReset());

describe("the supply of a rig", () => {
  it("gets an electrode with TT and an earth path with TN-S, and loses what does not belong", async () => {
    const { rerender } = shown(<OriginEditor rig={rig} isNew={false} kit={kit} onChange={onChange} />);
    await userEvent.selectOptions(screen.getByLabelText("Building"), "TT");
    expect(changed().supply).toMatchObject({ earthing: "TT", electrodeOhms: 80 });
    rerender(<OriginEditor rig={changed()} isNew={false} kit={kit} onChange={onChange} />);
    await userEvent.selectOptions(screen.getByLabelText("Building"), "TN-S");
    expect(changed().supply).toMatchObject({ earthing: "TN-S", earthPath: { ohms: 0.3 } });
    expect(changed().supply).not.toHaveProperty("electrodeOhms");
  });

  it("may be declared otherwise than the building is", async () => {
    shown(<OriginEditor rig={rig} isNew={false} kit={kit} onChange={onChange} />);
    await userEvent.selectOptions(screen.getByLabelText("Declared"), "TN-S");
    expect(changed().supply).toMatchObject({ earthing: "TN-C-S", declaredEarthing: "TN-S" });
  });

  it("has three lines alike when it becomes three-phase", async () => {
    shown(<OriginEditor rig={rig} isNew={false} kit={kit} onChange={onChange} />);
    await userEvent.selectOptions(screen.getByLabelText("Phases"), "three-phase");
    expect(changed().supply.lines).toEqual([{ ohms: 0.11 }, { ohms: 0.11 }, { ohms: 0.11 }]);
  });

  it("lets only a new rig choose its id", () => {
    const { rerender } = shown(<OriginEditor rig={rig} isNew={false} kit={kit} onChange={onChange} />);
    expect(screen.queryByLabelText("Id, for files")).toBeNull();
    rerender(<OriginEditor rig={rig} isNew kit={kit} onChange={onChange} />);
    expect(screen.getByLabelText("Id, for files")).toHaveValue("hut");
  });
});

describe("boards", () => {
  it("come with the submain that feeds them, on a free way", async () => {
    render(<BoardFields rig={rig} kit={kit} onChange={onChange} />);
    await userEvent.click(screen.getByRole("button", { name: "Add a sub-board" }));
    const board = changed().boards.at(-1);
    expect(changed().circuits.at(-1)).toMatchObject({ kind: "submain", board: "main", feeds: board?.id });
  });

  it("take their circuits and their feed with them", async () => {
    render(<BoardFields rig={rig} kit={kit} onChange={onChange} />);
    await userEvent.click(screen.getByRole("button", { name: "Remove the board and its circuits" }));
    expect(changed().boards.map((b) => b.id)).toEqual(["main"]);
    expect(changed().circuits.map((c) => c.id)).toEqual(["sockets"]);
  });

  it("get sections with ids of their own, and an RCD for one", async () => {
    render(<BoardFields rig={rig} kit={kit} onChange={onChange} />);
    await userEvent.click(screen.getAllByRole("button", { name: "Add a section" })[0] as HTMLElement);
    expect(changed().boards[0]?.sections.map((s) => s.id)).toEqual(["all", "more"]);
    await userEvent.click(screen.getAllByLabelText("RCD")[1] as HTMLElement);
    expect(changed().boards[1]?.sections[0]?.rcd).toEqual({ type: "A", ratedResidualMilliamps: 30 });
  });
});

describe("a device", () => {
  const breaker: DeviceJson = { kind: "mcb", curve: "B", ratedAmps: 32 };
  const device = () => onChange.mock.calls.at(-1)?.[0] as DeviceJson;

  it("becomes a fuse of a standard that has its rating, without curve", async () => {
    render(<DeviceFields device={breaker} kit={kit} onChange={onChange} />);
    await userEvent.selectOptions(screen.getByLabelText("Device"), "fuse");
    expect(device()).toMatchObject({ kind: "fuse", standard: "BS 88-3", ratedAmps: 32 });
    expect(device()).not.toHaveProperty("curve");
  });

  it("takes a rating of the other standard when the standard is changed", async () => {
    const fuse = { kind: "fuse", standard: "BS 88-3", ratedAmps: 32 };
    render(<DeviceFields device={fuse} kit={kit} onChange={onChange} />);
    await userEvent.selectOptions(screen.getByLabelText("Standard"), "BS 3036");
    expect(device()).toMatchObject({ standard: "BS 3036", ratedAmps: 15 });
  });

  it("gets a residual part as an RCBO and loses it as a breaker", async () => {
    const { rerender } = render(<DeviceFields device={breaker} kit={kit} onChange={onChange} />);
    await userEvent.selectOptions(screen.getByLabelText("Device"), "RCBO");
    expect(device().residual).toEqual({ type: "A", ratedResidualMilliamps: 30 });
    rerender(<DeviceFields device={device()} kit={kit} onChange={onChange} />);
    await userEvent.selectOptions(screen.getByLabelText("Device"), "circuit-breaker");
    expect(device()).not.toHaveProperty("residual");
  });
});
