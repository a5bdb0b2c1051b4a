import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, describe, expect, it } from "vitest";
import { StandIn, shown } from "../../../testing/server";
import { Editor } from "./Editor";
import { RigWorkshopPage } from "./RigWorkshopPage";
import type { RigJson } from "./rigJson";

const radial = {
  id: "kettle",
  label: "Kettle sockets",
  kind: "radial",
  board: "board",
  section: "main",
  way: 1,
  device: { kind: "mcb", curve: "B", ratedAmps: 20 },
  cable: { liveMm2: 2.5, cpcMm2: 1.5 },
  points: [{ id: "socket-1", label: "socket 1", kind: "twin-socket", atMetres: 6 }],
};

const rig = {
  id: "lock-house",
  name: "Lock House",
  supply: { lines: [{ ohms: 0.1 }] },
  workmanship: {},
  boards: [{ id: "board", label: "Board", sections: [{ id: "main", label: "Main" }] }],
  circuits: [radial],
} as unknown as RigJson;

const kit = {
  rig: "{}",
  boardSection: "{}",
  residual: "{}",
  fuses: [],
  conductorSizes: [1.5, 2.5],
  circuits: [
    {
      id: "radial",
      label: "Socket radial",
      json: JSON.stringify({ ...radial, id: "radial", label: "Sockets" }),
    },
  ],
};

const trouble = (where: string, mend: string) => ({
  view: null,
  problems: [{ code: "x", where, given: "", mend }],
});

function parts() {
  return within(screen.getByRole("navigation", { name: "Parts of the rig" }));
}

function workshop() {
  shown(<Editor start={rig} basedOn={1} kit={kit} draftName="lock-house, 1" />);
}

const lastPreview = (server: StandIn): RigJson => {
  const sent = server.sent.filter((s) => s.path === "/api/rigs/preview").at(-1);
  return JSON.parse((sent?.body as { file: string }).file) as RigJson;
};

describe("the rig workshop", () => {
  let server: StandIn;

  beforeEach(() => {
    localStorage.clear();
    server = new StandIn();
    server.answers["/api/rigs/preview"] = trouble("/circuits/0/points/0/atMetres", "give a number");
  });

  it("adds a circuit of a kind on the next free way, and takes it back", async () => {
    workshop();
    await userEvent.click(screen.getByRole("button", { name: "Add it" }));
    expect(parts().getByRole("button", { name: /2 Sockets/ })).toBeInTheDocument();
    expect(screen.getByDisplayValue("Sockets")).toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: /Undo/ }));
    expect(parts().queryByRole("button", { name: /2 Sockets/ })).not.toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: /Redo/ }));
    expect(parts().getByRole("button", { name: /2 Sockets/ })).toBeInTheDocument();
  });

  it("copies a circuit with an id and a way of its own", async () => {
    workshop();
    await userEvent.click(screen.getByRole("button", { name: "Duplicate" }));
    await waitFor(() => expect(lastPreview(server).circuits).toHaveLength(2));
    expect(lastPreview(server).circuits[1]).toMatchObject({
      id: "kettle-2",
      label: "Kettle sockets, copy",
      way: 2,
    });
  });

  it("never loses its last circuit", () => {
    workshop();
    expect(screen.queryByRole("button", { name: "Remove the circuit" })).not.toBeInTheDocument();
  });

  it("says what the server finds wrong by the names of things, and does not save", async () => {
    workshop();
    expect(await screen.findAllByText(/Kettle sockets, socket 1, at metres/)).not.toHaveLength(0);
    expect(screen.getByRole("button", { name: "Save as version 2" })).toBeDisabled();
  });

  it("shows the server's refusal of a save and keeps the draft", async () => {
    server.answers["/api/rigs/preview"] = { view: null, problems: [] };
    server.refuse("POST /api/rigs", 409, "somebody saved version 2 meanwhile; look at it first");
    workshop();
    await userEvent.type(screen.getByDisplayValue("Kettle sockets"), " N");
    await userEvent.click(screen.getByRole("button", { name: "Save as version 2" }));
    expect(await screen.findByText(/somebody saved version 2 meanwhile/i)).toBeInTheDocument();
    expect(screen.getByDisplayValue("Kettle sockets N")).toBeInTheDocument();
    const saved = server.sent.find((s) => s.path === "/api/rigs")?.body as { file: string; basedOn: number };
    expect(saved.basedOn).toBe(1);
    expect(JSON.parse(saved.file)).toMatchObject({ circuits: [{ label: "Kettle sockets N" }] });
  });

  it("offers a draft that was never saved, once", async () => {
    localStorage.setItem(
      "prantel-rig-draft:lock-house, 1",
      JSON.stringify({ ...rig, name: "Lock House, half done" }),
    );
    workshop();
    await userEvent.click(screen.getByRole("button", { name: "Go on with it" }));
    expect(screen.getByRole("heading", { name: /Lock House, half done: change/ })).toBeInTheDocument();
    expect(screen.queryByRole("button", { name: "Go on with it" })).not.toBeInTheDocument();
  });

  it("forgets a draft that is thrown away", async () => {
    localStorage.setItem("prantel-rig-draft:lock-house, 1", JSON.stringify(rig));
    workshop();
    await userEvent.click(screen.getByRole("button", { name: "Throw it away" }));
    expect(localStorage.getItem("prantel-rig-draft:lock-house, 1")).toBeNull();
  });
});

describe("a file that is brought in", () => {
  let server: StandIn;
  const brought = (text: string) =>
    shown(<RigWorkshopPage />, { pathname: "/rigs/new", state: { imported: text, name: "old.json" } });

  beforeEach(() => {
    localStorage.clear();
    server = new StandIn();
    server.answers["/api/rig-templates"] = kit;
  });

  it("is worked on in the form that the server makes of it", async () => {
    server.answers["/api/rigs/preview"] = { view: null, problems: [], file: JSON.stringify(rig) };
    brought('{"format":"old"}');
    expect(await screen.findByRole("heading", { name: "New rig" })).toBeInTheDocument();
    expect(screen.getByDisplayValue("Kettle sockets")).toBeInTheDocument();
  });

  it("is refused with every reason where it has not the shape of a rig", async () => {
    server.answers["/api/rigs/preview"] = {
      ...trouble("/supply", "the field “lines” is missing"),
      file: null,
    };
    brought("{}");
    expect(await screen.findByText(/old.json is not a rig file/)).toBeInTheDocument();
    expect(screen.getByText(/the field “lines” is missing/)).toBeInTheDocument();
  });
});
