import { screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, describe, expect, it, vi } from "vitest";
import type { Schemas } from "../../api/client";
import { keptStore } from "../../api/keptStore";
import { shown, StandIn } from "../../testing/server";
import { Route, Routes } from "react-router";
import { BlankSheetPage } from "./BlankSheetPage";
import { PaperEntryPage } from "./PaperEntryPage";
import { asWritten, wordOf } from "./typing";

const box: Schemas["Box"] = {
  slot: "sockets/r1r2/1",
  quantity: "R1+R2",
  where: "socket 1",
  within: "",
  calculated: false,
  unit: "Ω",
  overRange: ">99.9 kΩ",
  text: "",
  seq: 0,
  understood: "",
  mend: "",
  likely: "",
  judged: true,
  satisfactory: null,
  judgedSeq: 0,
  chosenFrom: [],
  station: null,
  row: "",
  column: "",
  keys: [],
  said: null,
};
const word: Schemas["Box"] = {
  ...box,
  slot: "sockets/polarity",
  quantity: "Polarity",
  where: "",
  unit: "",
  judged: false,
  keys: ["✓ works", "✗ does not", "N/A:"],
};
const step: Schemas["Step"] = {
  id: "R1_R2",
  label: "R1+R2",
  live: false,
  closedBecause: "",
  alternativeTo: "",
  setUp: [],
  groups: [
    {
      label: "Sockets",
      circuit: "sockets",
      layout: "LINE",
      boxes: [box, { ...box, slot: "b", where: "socket 2" }, word],
      choice: null,
      otherWay: false,
    },
  ],
};
const paper: Schemas["PaperView"] = {
  rig: "Toll Cottage",
  scheme: "Workshop",
  candidate: "Owen Tasker",
  open: true,
  steps: [step],
};
let server: StandIn;

beforeEach(() => {
  server = new StandIn();
  keptStore.clear();
});

describe("a keypad", () => {
  it("writes what it means", () => {
    expect(asWritten(".43", box)).toBe("0.43");
    expect(asWritten("0,43", box)).toBe("0.43");
    expect(asWritten("*", box)).toBe(">99.9 kΩ");
    expect(asWritten("12.7", box)).toBe("12.7");
    expect(wordOf("2", word)).toBe("✗ does not");
    expect(wordOf("3", word)).toBeUndefined();
    expect(wordOf("1", box)).toBeUndefined();
  });
});

describe("a sheet from paper", () => {
  it("is entered without a mouse: Enter keeps and moves on, / says not satisfactory, a figure a word", async () => {
    server.answers["/api/assessments/a/paper"] = paper;
    server.answers["PUT /api/assessments/a/paper"] = { box };
    shown(
      <Routes>
        <Route path="/assessments/:id/paper" element={<PaperEntryPage me="ines" />} />
      </Routes>,
      "/assessments/a/paper",
    );
    expect(await screen.findByLabelText("R1+R2 socket 1")).toHaveFocus();
    await userEvent.keyboard(".43{Enter}");
    expect(screen.getByLabelText("R1+R2 socket 2")).toHaveFocus();
    await userEvent.keyboard("*/");
    await userEvent.keyboard("1");
    await vi.waitFor(() => expect(server.sent).toHaveLength(3));
    expect(server.sent.map((s) => s.body)).toMatchObject([
      { slot: "sockets/r1r2/1", text: "0.43", satisfactory: true },
      { slot: "b", text: ">99.9 kΩ", satisfactory: false },
      { slot: "sockets/polarity", text: "✓ works", satisfactory: null },
    ]);
  });

  it("says when the sheet is not open", async () => {
    server.answers["/api/assessments/a/paper"] = { ...paper, open: false };
    shown(
      <Routes>
        <Route path="/assessments/:id/paper" element={<PaperEntryPage me="ines" />} />
      </Routes>,
      "/assessments/a/paper",
    );
    expect(await screen.findByText(/not open/)).toBeInTheDocument();
  });

  it("is printed blank, each box with its unit or its words", async () => {
    server.answers["/api/schemes"] = [{ id: "workshop", name: "Workshop", version: 1 }];
    server.answers["/api/rigs/toll-cottage/paper"] = paper;
    shown(
      <Routes>
        <Route path="/rigs/:id/paper" element={<BlankSheetPage />} />
      </Routes>,
      "/rigs/toll-cottage/paper",
    );
    expect(await screen.findByRole("heading", { name: "Toll Cottage · Workshop" })).toBeInTheDocument();
    expect(screen.getAllByText("Ω")).toHaveLength(2);
    expect(screen.getByText("✓ works / ✗ does not / N/A")).toBeInTheDocument();
  });
});
