import { screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, describe, expect, it } from "vitest";
import { StandIn, shown } from "../../testing/server";
import { ClassPlanPage } from "./ClassPlanPage";

const choices = {
  bays: 2,
  candidates: [
    { id: "ada", name: "Ada Finch" },
    { id: "ben", name: "Ben Marsh" },
  ],
};

const sitting = (bay: number, person: string, difficulty: number) => ({
  bay,
  rig: "Toll Cottage",
  person,
  setName: `session 1, ${person}`,
  faults: [`CPC open, socket ${bay}`],
  difficulty,
});

const plan = {
  sessions: [{ number: 1, sittings: [sitting(1, "Ada Finch", 2.4), sitting(2, "Ben Marsh", 2.6)] }],
  people: [
    { name: "Ada Finch", difficulty: 2.4 },
    { name: "Ben Marsh", difficulty: 2.6 },
  ],
};

describe("a plan for a class", () => {
  let server: StandIn;

  beforeEach(() => {
    server = new StandIn();
    server.answers["/api/class-plans"] = choices;
    server.answers["/api/class-plans/propose"] = plan;
  });

  it("is asked for all candidates until some are left out", async () => {
    shown(<ClassPlanPage />);
    await userEvent.click(await screen.findByLabelText("Ben Marsh"));
    await userEvent.click(screen.getByRole("button", { name: "Propose a plan" }));
    expect(await screen.findByRole("region", { name: "Session 1" })).toHaveTextContent("CPC open, socket 2");
    expect(server.sent[0]?.body).toEqual({
      people: ["ada"],
      each: 2,
      stage: "DEAD",
      count: 2,
      target: 2.5,
      seed: 1,
    });
    expect(screen.getByText(/2.40 to 2.60/)).toBeInTheDocument();
  });

  it("says that it is of what was asked before, once that is changed", async () => {
    shown(<ClassPlanPage />);
    await userEvent.click(await screen.findByRole("button", { name: "Propose a plan" }));
    await screen.findByRole("region", { name: "Session 1" });
    await userEvent.selectOptions(screen.getByLabelText("Faults a sitting"), "3");
    expect(screen.getByText(/for what was asked before/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: "Another one" }));
    expect(server.sent[1]?.body).toMatchObject({ count: 3, seed: 2 });
    expect(screen.queryByText(/for what was asked before/)).not.toBeInTheDocument();
  });

  it("is kept as it was asked for, under the name of the class", async () => {
    server.answers["/api/class-plans/keep"] = { names: ["Monday, session 1, Ada Finch", "b"] };
    shown(<ClassPlanPage />);
    await userEvent.click(await screen.findByRole("button", { name: "Propose a plan" }));
    await userEvent.type(await screen.findByLabelText("Name of the class"), "Monday");
    await userEvent.click(screen.getByRole("button", { name: "Keep the 2 sets in the library" }));
    expect(await screen.findByText(/2 sets are in the library/)).toHaveTextContent(
      "Monday, session 1, Ada Finch",
    );
    expect(server.sent.at(-1)?.body).toMatchObject({
      name: "Monday",
      plan: { people: ["ada", "ben"], seed: 1 },
    });
  });

  it("shows why there is no fair plan", async () => {
    server.refuse("/api/class-plans/propose", 409, "ask for fewer faults");
    shown(<ClassPlanPage />);
    await userEvent.click(await screen.findByRole("button", { name: "Propose a plan" }));
    expect(await screen.findByRole("alert")).toHaveTextContent(/ask for fewer faults/i);
  });

  it("sends to the Workshop page where there is nobody to plan for", async () => {
    server.answers["/api/class-plans"] = { ...choices, candidates: [] };
    shown(<ClassPlanPage />);
    expect(await screen.findByText(/needs candidates and bays/)).toBeInTheDocument();
  });
});
