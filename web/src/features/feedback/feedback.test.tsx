import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { Route, Routes } from "react-router";
import { beforeEach, describe, expect, it } from "vitest";
import type { Schemas } from "../../api/client";
import { shown, shownWithClient, StandIn } from "../../testing/server";
import { FeedbackStage } from "./FeedbackStage";
import { MyFeedbackPage } from "./MyFeedbackPage";

const view: Schemas["FeedbackView"] = {
  seq: 4,
  decided: true,
  mayName: true,
  faults: ["CPC open, socket 3"],
  draft: [
    { kind: "RIGHT", text: "Insulation: measured rightly.", slots: [] },
    { kind: "CHANGE", text: "Look again at R1+R2. Null the leads.", slots: ["a/r1r2/1"] },
  ],
  draftNamed: [{ kind: "CHANGE", text: "CPC open, socket 3: not on the sheet.", slots: [] }],
  boxes: [{ slot: "a/r1r2/1", label: "R1+R2, socket 1", written: "0.44" }],
  given: null,
};

describe("Feedback", () => {
  let server: StandIn;

  beforeEach(() => {
    server = new StandIn();
    server.answers["/api/assessments/a/feedback"] = view;
    server.answers["PUT /api/assessments/a/feedback"] = view;
  });

  it("is drafted, edited, added to, taken out of and undone, and given as it stands", async () => {
    shown(<FeedbackStage id="a" />);
    const right = await screen.findByDisplayValue("Insulation: measured rightly.");
    expect(screen.getByText(/Taught by R1\+R2, socket 1 \(0.44\)/)).toBeInTheDocument();
    await userEvent.type(right, " Well done.");
    await userEvent.type(screen.getByLabelText("Another sentence: what to practise"), "Thursday.{Enter}");
    await userEvent.click(screen.getByRole("button", { name: /^Take out: Look again/ }));
    expect(screen.queryByDisplayValue(/Look again/)).not.toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: "Undo" }));
    expect(screen.getByDisplayValue(/Look again/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: "Give it to the candidate" }));
    await waitFor(() => expect(server.sent).toHaveLength(1));
    expect(server.sent[0]?.body).toMatchObject({
      basedOn: 4,
      named: false,
      lines: [
        { kind: "RIGHT", text: "Insulation: measured rightly. Well done." },
        { kind: "CHANGE", slots: ["a/r1r2/1"] },
        { kind: "PRACTISE", text: "Thursday." },
      ],
    });
  });

  it("tells what was set only when asked to, and never of a set that is used again", async () => {
    shown(<FeedbackStage id="a" />);
    await userEvent.click(await screen.findByRole("checkbox", { name: /Tell what was set/ }));
    expect(screen.getByDisplayValue("CPC open, socket 3: not on the sheet.")).toBeInTheDocument();
  });

  it("keeps the faults of a library set", async () => {
    server.answers["/api/assessments/a/feedback"] = { ...view, mayName: false, faults: [] };
    shown(<FeedbackStage id="a" />);
    expect(await screen.findByRole("checkbox", { name: /Tell what was set/ })).toBeDisabled();
    expect(screen.getByText(/will be used again/)).toBeInTheDocument();
  });

  it("loses nothing when somebody else gives feedback meanwhile", async () => {
    const { client } = shownWithClient(<FeedbackStage id="a" />);
    const right = await screen.findByDisplayValue("Insulation: measured rightly.");
    await userEvent.type(right, " Mine.");
    const theirs: Schemas["GivenFeedback"] = {
      lines: [{ kind: "RIGHT", text: "Theirs.", slots: [] }],
      named: false,
      by: "Corin Vale",
      at: "2026-11-27T10:00:00Z",
    };
    server.answers["/api/assessments/a/feedback"] = { ...view, seq: 9, given: theirs };
    await client.invalidateQueries();
    expect(await screen.findByText(/Corin Vale has given feedback meanwhile/)).toBeInTheDocument();
    expect(screen.getByDisplayValue("Insulation: measured rightly. Mine.")).toBeInTheDocument();
    expect(screen.getByRole("button", { name: "Give it anew" })).toBeDisabled();
    await userEvent.click(screen.getByRole("button", { name: "Keep mine, to give it anew" }));
    await userEvent.click(screen.getByRole("button", { name: "Give it anew" }));
    await waitFor(() => expect(server.sent.at(-1)?.body).toMatchObject({ basedOn: 9 }));
  });

  it("follows the outcome", async () => {
    server.answers["/api/assessments/a/feedback"] = { ...view, decided: false };
    shown(<FeedbackStage id="a" />);
    expect(await screen.findByText(/Feedback follows the outcome/)).toBeInTheDocument();
  });
});

describe("The candidate's own feedback", () => {
  const mine: Schemas["FeedbackSheet"] = {
    candidate: "Petra Lindholm",
    rig: "Toll Cottage",
    bay: 1,
    scheme: "Workshop scheme",
    handedInAt: "2026-11-27T10:00:00Z",
    outcome: "Refer these parts",
    sections: [
      { kind: "CHANGE", title: "What to do otherwise", lines: [{ text: "Null the leads.", boxes: [] }] },
    ],
    faults: null,
    pictures: [
      { words: "R1+R2 along Sockets: socket 1 0.44.", svg: "<svg xmlns='http://www.w3.org/2000/svg'/>" },
    ],
    by: "Ines Marrow",
    at: "2026-11-27T11:00:00Z",
  };

  function page() {
    return shown(
      <Routes>
        <Route path="/my/sheets/:id/feedback" element={<MyFeedbackPage />} />
      </Routes>,
      "/my/sheets/a/feedback",
    );
  }

  it("reads in sections, with own readings drawn and said in words", async () => {
    new StandIn().answers["/api/my/sheets/a/feedback"] = mine;
    page();
    expect(await screen.findByRole("heading", { name: "What to do otherwise" })).toBeInTheDocument();
    expect(screen.getByText("Refer these parts")).toBeInTheDocument();
    expect(screen.getByRole("img", { name: "R1+R2 along Sockets: socket 1 0.44." })).toBeInTheDocument();
    expect(screen.queryByText("What was set on the rig")).not.toBeInTheDocument();
  });

  it("says so while there is none", async () => {
    new StandIn();
    page();
    expect(await screen.findByText(/no feedback on this sheet yet/)).toBeInTheDocument();
  });
});
