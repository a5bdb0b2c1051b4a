import { screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, describe, expect, it } from "vitest";
import type { Schemas } from "../../api/client";
import { shown, StandIn } from "../../testing/server";
import { Resit } from "./Resit";

const plan: Schemas["ResitPlan"] = {
  decided: true,
  whole: false,
  parts: [
    { part: "bonding", title: "Bonding", again: true, why: ["2 of 3 points; 2.5 are needed."] },
    { part: "ring", title: "Ring", again: false, why: [] },
  ],
  met: ["High-resistance joint"],
  bays: [{ id: "bay-3", label: "Bay 3, Signal Cabin", suits: true }],
  before: 0,
};

describe("Resit", () => {
  let server: StandIn;

  beforeEach(() => {
    server = new StandIn();
    server.answers["POST /api/assessments/a/resit"] = { id: "b" };
  });

  it("does the referred parts again, and what else is ticked, in a free bay", async () => {
    server.answers["/api/assessments/a/resit"] = plan;
    shown(<Resit id="a" />);
    expect(await screen.findByLabelText(/^Bonding/)).toBeChecked();
    expect(screen.getByText(/Met before by this person: High-resistance joint/)).toBeInTheDocument();
    const prepare = screen.getByRole("button", { name: "Prepare it" });
    expect(prepare).toBeDisabled();
    await userEvent.click(screen.getByLabelText("Ring"));
    await userEvent.selectOptions(screen.getByLabelText("In which bay"), "bay-3");
    await userEvent.click(prepare);
    expect(server.sent.at(-1)?.body).toMatchObject({ bayId: "bay-3", parts: ["bonding", "ring"] });
  });

  it("does the whole again where the outcome says so", async () => {
    server.answers["/api/assessments/a/resit"] = { ...plan, whole: true };
    shown(<Resit id="a" />);
    expect(await screen.findByLabelText("The whole")).toBeChecked();
    await userEvent.selectOptions(screen.getByLabelText("In which bay"), "bay-3");
    await userEvent.click(screen.getByRole("button", { name: "Prepare it" }));
    expect(server.sent.at(-1)?.body).toMatchObject({ parts: [] });
  });

  it("is not there while nothing has to be done again", async () => {
    server.answers["/api/assessments/a/resit"] = { ...plan, decided: false };
    const { container } = shown(<Resit id="a" />);
    await new Promise((done) => setTimeout(done, 50));
    expect(container).toBeEmptyDOMElement();
  });
});
