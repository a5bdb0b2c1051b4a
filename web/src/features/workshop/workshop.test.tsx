import { screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, describe, expect, it, vi } from "vitest";
import type { Schemas } from "../../api/client";
import { shown, StandIn } from "../../testing/server";
import { WorkshopPage } from "./WorkshopPage";

let server: StandIn;

const workshop: Schemas["WorkshopView"] = {
  rigs: [{ id: "toll-cottage", label: "Toll Cottage", version: 2, retired: false }],
  testers: [],
  bays: [
    {
      id: "bay-1",
      number: 1,
      rigId: "toll-cottage",
      rig: "Toll Cottage",
      faultBox: "",
      benchTester: "",
      retired: false,
      inUse: false,
    },
  ],
};

const ines: Schemas["PersonLine"] = {
  id: "ines",
  name: "Ines Marrow",
  roles: ["ASSESSOR"],
  invited: false,
  locked: false,
  blocked: false,
  leftAt: null,
};
const people: Schemas["PeopleView"] = { people: [ines], code: null, advice: "" };

function pane(title: string): HTMLElement {
  const heading = screen.getByRole("heading", { name: new RegExp(`^${title}`) });
  return heading.closest("section") ?? (heading.parentElement as HTMLElement);
}

beforeEach(() => {
  server = new StandIn();
  server.answers["/api/workshop"] = workshop;
  server.answers["/api/workshop/people"] = people;
});

describe("Workshop", () => {
  it("shows people, rigs with their version, bays, and what is not there yet", async () => {
    shown(<WorkshopPage people />);
    expect(await screen.findByText("Ines Marrow")).toBeInTheDocument();
    expect(within(pane("Rigs")).getByText("version 2")).toBeInTheDocument();
    expect(within(pane("Testers")).getByText("None yet.")).toBeInTheDocument();
  });

  it("adds a person and empties the form only when the server took it", async () => {
    shown(<WorkshopPage people />);
    await userEvent.type(await screen.findByLabelText("Name"), "Bas Hollis");
    await userEvent.type(screen.getByLabelText("Sign-in name"), "bas");
    await userEvent.type(screen.getByLabelText(/First password/), "tide-table-3");
    server.refuse("POST /api/workshop/people", 409, "this sign-in name is taken; choose another");
    await userEvent.click(within(pane("People")).getByRole("button", { name: "Add" }));
    expect(await screen.findByRole("alert")).toHaveTextContent("This sign-in name is taken");
    expect(screen.getByLabelText("Name")).toHaveValue("Bas Hollis");

    server.answers["POST /api/workshop/people"] = {
      ...people,
      people: [ines, { ...ines, id: "bas2", name: "Bas Hollis", roles: ["CANDIDATE"] }],
    };
    await userEvent.type(screen.getByLabelText("Sign-in name"), "2");
    await userEvent.click(within(pane("People")).getByRole("button", { name: "Add" }));
    expect(await screen.findByText("bas2")).toBeInTheDocument();
    expect(screen.getByLabelText("Name")).toHaveValue("");
    expect(server.sent.at(-1)?.body).toEqual({
      name: "Bas Hollis",
      signInName: "bas2",
      roles: ["CANDIDATE"],
      password: "tide-table-3",
    });
  });

  it("invites with a code that is shown once", async () => {
    shown(<WorkshopPage people />);
    await userEvent.type(await screen.findByLabelText("Name"), "Guest");
    await userEvent.type(screen.getByLabelText("Sign-in name"), "guest");
    await userEvent.click(within(pane("People")).getByLabelText("assessor"));
    await userEvent.click(within(pane("People")).getByLabelText("candidate"));
    server.answers["POST /api/workshop/people"] = { ...people, code: { code: "abc234", of: "guest" } };
    await userEvent.click(within(pane("People")).getByRole("button", { name: "Invite" }));
    expect(await screen.findByText("abc234")).toBeInTheDocument();
    expect(server.sent.at(-1)?.body).toMatchObject({ roles: ["ASSESSOR"], password: "" });
  });

  it("opens a person: roles, another code, blocked, left", async () => {
    server.answers["PUT /api/workshop/people/ines/standing"] = {
      ...people,
      people: [{ ...ines, blocked: true }],
    };
    shown(<WorkshopPage people />);
    await userEvent.click(await screen.findByRole("button", { name: /Ines Marrow/ }));
    await userEvent.click(screen.getByRole("button", { name: "Block" }));
    expect(await screen.findByText("blocked")).toBeInTheDocument();
    expect(server.sent.at(-1)?.body).toEqual({ blocked: true, left: false });
    server.refuse("PUT /api/workshop/people/ines/roles", 400, "make somebody else an administrator first");
    await userEvent.click(screen.getAllByLabelText("technician")[0] as HTMLElement);
    expect(await screen.findByRole("alert")).toHaveTextContent("somebody else an administrator");
  });

  it("keeps people from who only looks after rigs", async () => {
    shown(<WorkshopPage people={false} />);
    expect(await screen.findByText("version 2")).toBeInTheDocument();
    expect(screen.queryByText("Ines Marrow")).not.toBeInTheDocument();
  });

  it("adds a bay with one of the rigs there are", async () => {
    server.answers["POST /api/workshop/bays"] = workshop;
    shown(<WorkshopPage people />);
    await userEvent.type(await screen.findByLabelText("Number"), "4");
    await userEvent.selectOptions(screen.getByLabelText("Rig"), "Toll Cottage");
    await userEvent.click(within(pane("Bays")).getByRole("button", { name: "Add" }));
    await vi.waitFor(() => expect(server.sent).toHaveLength(1));
    expect(server.sent[0]?.body).toEqual({ number: 4, rig: "toll-cottage" });
  });

  it("sets the address of a bay's fault box once it is another", async () => {
    server.answers["PUT /api/workshop/bays/bay-1/fault-box"] = workshop;
    shown(<WorkshopPage people />);
    const set = await screen.findByRole("button", { name: "Set: Fault box of bay 1" });
    expect(set).toBeDisabled();
    await userEvent.type(screen.getByLabelText("Fault box of bay 1"), "10.0.0.4:502");
    await userEvent.click(set);
    await vi.waitFor(() => expect(server.sent).toHaveLength(1));
    expect(server.sent[0]).toMatchObject({ method: "PUT", body: { address: "10.0.0.4:502" } });
  });

  it("says what is wrong with an address and keeps it", async () => {
    server.refuse("PUT /api/workshop/bays/bay-1/fault-box", 400, "give host and port, such as 10.0.0.4:502");
    shown(<WorkshopPage people />);
    await userEvent.type(await screen.findByLabelText("Fault box of bay 1"), "somewhere");
    await userEvent.click(screen.getByRole("button", { name: "Set: Fault box of bay 1" }));
    expect(await screen.findByRole("alert")).toHaveTextContent("Give host and port");
    expect(screen.getByLabelText("Fault box of bay 1")).toHaveValue("somewhere");
  });
});
