import { screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, it } from "vitest";
import type { Schemas } from "../../api/client";
import { shown, StandIn } from "../../testing/server";
import { RecordStage } from "./RecordStage";

const record: Schemas["RecordView"] = {
  id: "a",
  candidate: "Petra Lindholm",
  facts: [{ label: "Rig", value: "Toll Cottage, version 1" }],
  outcome: {
    stopped: false,
    words: "Refer these parts",
    proposed: "Competent",
    points: 18,
    outOf: 23,
    reasons: [],
    otherwise: "the ring was shaky",
  },
  stations: [
    {
      id: "bonding",
      title: "Bonding",
      live: false,
      state: "DONE",
      at: "2026-11-27T10:05:00Z",
      by: "Petra Lindholm",
    },
    { id: "zs", title: "Zs", live: true, state: "OPEN", at: null, by: "" },
  ],
  deeds: [{ at: "2026-11-27T10:00:00Z", by: "Ines Marrow", words: "Sheet opened" }],
  schedule: {
    circuits: [
      {
        way: "1",
        label: "Shower",
        device: "B40",
        breaking: "6 kA",
        conductors: "10/4",
        residual: "",
        zsLimit: "≤ 0.87 Ω",
        source: "BS 7671",
      },
    ],
    columns: ["R1+R2", "Zs"],
    results: [{ way: "1", label: "Shower", readings: ["0.31", ""] }],
    devices: [],
    origin: [],
  },
  faults: { set: ["Joint loose, shower"], named: [] },
  readings: [
    {
      slot: "bond/gas",
      quantity: "R2",
      where: "gas pipe",
      written: "0.02",
      judged: "satisfactory",
      before: ["0.2", "(empty)"],
      at: "2026-11-27T10:06:00Z",
      by: "Petra Lindholm",
    },
  ],
  marks: [
    {
      id: "bonding/measured",
      group: "Bonding",
      title: "Measured rightly",
      weight: 2,
      proposed: "half",
      first: "full",
      second: "half",
      counts: "half",
      points: 1,
      reason: "shown later",
      evidence: "1 of 4 is off.",
    },
  ],
  signatures: [{ what: "Outcome signed", by: "Ines Marrow", at: "2026-11-27T11:00:00Z" }],
  chain: "abc123",
};

it("shows the whole record: procedure, deeds, both opinions, what stood in a box before, the chain", async () => {
  new StandIn().answers["/api/assessments/a/record/view"] = record;
  shown(<RecordStage id="a" />);
  await userEvent.click(await screen.findByRole("button", { name: /^Bonding/ }));
  expect(screen.getByRole("status")).toHaveTextContent("begun 2026-11-27 10:05, Petra Lindholm");
  expect(screen.getByText("Decided otherwise: the ring was shaky")).toBeInTheDocument();
  const marks = within(screen.getByRole("region", { name: "Marks" }));
  expect(marks.getAllByRole("cell").map((c) => c.textContent)).toEqual(
    expect.arrayContaining(["half", "full", "2"]),
  );
  expect(
    within(screen.getByRole("region", { name: "Readings" })).getByText("0.2, (empty)"),
  ).toBeInTheDocument();
  expect(screen.getByText(/abc123/)).toBeInTheDocument();
  expect(screen.getByRole("link", { name: "PDF" })).toHaveAttribute("href", "/api/assessments/a/record/pdf");
});

it("shows a line a circuit as it is filed, and what was set beside what was named", async () => {
  new StandIn().answers["/api/assessments/a/record/view"] = record;
  shown(<RecordStage id="a" />);
  const results = await screen.findByRole("region", { name: "Schedule of results" });
  const cells = within(results).getAllByRole("cell");
  expect(cells.map((c) => c.textContent)).toEqual(["1", "Shower", "0.31", "—"]);
  const faults = screen.getByRole("heading", { name: "Faults" }).closest("section");
  expect(faults).toHaveTextContent("Set on the rig: Joint loose, shower");
  expect(faults).toHaveTextContent("Named: nothing.");
});
