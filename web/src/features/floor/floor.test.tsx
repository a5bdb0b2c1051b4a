import { screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, describe, expect, it } from "vitest";
import type { Schemas } from "../../api/client";
import { shown, StandIn } from "../../testing/server";
import { FloorPage } from "./FloorPage";

let server: StandIn;

const free: Schemas["BayView"] = {
  id: "bay-2",
  number: 2,
  rig: "Ferry Kiosk",
  earthing: "TT",
  assessmentId: null,
  candidate: "free",
  assessor: "",
  left: null,
  stage: null,
  now: "Prepare",
  detail: "",
  since: null,
  faultsSet: 0,
  drifts: 0,
  live: false,
  box: "",
};
const busy: Schemas["BayView"] = {
  ...free,
  id: "bay-1",
  number: 1,
  rig: "Toll Cottage",
  assessmentId: "a1",
  candidate: "Petra Lindholm",
  stage: "MARK",
  now: "Mark",
  since: "2026-11-25T09:15:00Z",
  faultsSet: 3,
};

function room(more: Partial<Schemas["FloorView"]>): Schemas["FloorView"] {
  return { bays: [busy, free], aisle: [], kept: [], ...more };
}

beforeEach(() => {
  server = new StandIn();
});

describe("the Floor", () => {
  it("leads from a free bay to Prepare and from a busy one to its stage", async () => {
    server.answers["/api/floor"] = room({});
    shown(<FloorPage />);
    const bays = await screen.findByRole("list", { name: "Bays" });
    expect(within(bays).getByRole("link", { name: /^1 Toll Cottage/ })).toHaveAttribute(
      "href",
      "/assessments/a1/mark",
    );
    expect(within(bays).getByRole("link", { name: /^2 Ferry Kiosk/ })).toHaveAttribute(
      "href",
      "/bays/bay-2/prepare",
    );
  });

  it("says how many bays have faults set and that all are dead", async () => {
    server.answers["/api/floor"] = room({});
    shown(<FloorPage />);
    expect(await screen.findByRole("heading", { level: 1 })).toHaveTextContent(
      "2 bays · faults set in 1 · all dead",
    );
    expect(screen.getByText("3 faults set")).toBeInTheDocument();
  });

  it("shouts a live bay, a box that is not where it should be and drifted readings", async () => {
    server.answers["/api/floor"] = room({
      bays: [{ ...busy, live: true, box: "relay 2 wrong", drifts: 2 }],
    });
    shown(<FloorPage />);
    expect(await screen.findByRole("heading", { level: 1 })).toHaveTextContent("LIVE: bay 1");
    expect(screen.getByText("LIVE")).toBeInTheDocument();
    expect(screen.getByText("relay 2 wrong")).toBeInTheDocument();
    expect(screen.getByText("2 healthy beyond tolerance")).toBeInTheDocument();
  });

  it("lists what needs the assessor in the server's order, each leading there", async () => {
    const need = {
      bayId: "bay-1",
      since: "2026-11-25T09:00:00Z",
      rigId: "toll-cottage",
      brief: "",
      urgency: "NEXT" as const,
    };
    server.answers["/api/floor"] = room({
      aisle: [
        { ...need, bay: 1, assessmentId: "a1", go: "mark", what: "Mark Petra Lindholm", why: "handed in" },
        { ...need, bay: 3, assessmentId: null, go: "rig", what: "Look at Signal Cabin", why: "drift" },
      ],
    });
    shown(<FloorPage />);
    const aisle = (await screen.findByRole("region", { name: /What needs you/ })) as HTMLElement;
    const links = within(aisle).getAllByRole("link");
    expect(links.map((l) => l.getAttribute("href"))).toEqual(["/assessments/a1/mark", "/rigs/toll-cottage"]);
    expect(links[0]).toHaveTextContent("Bay 1Mark Petra Lindholmhanded in");
  });

  it("says what to do when nothing waits, and when there is no bay", async () => {
    server.answers["/api/floor"] = { bays: [], aisle: [], kept: [] };
    shown(<FloorPage />);
    expect(await screen.findByText(/No bay yet/)).toBeInTheDocument();
    expect(screen.getByText(/Nothing waits for you/)).toBeInTheDocument();
  });

  it("keeps records with what was decided otherwise than proposed", async () => {
    const kept = {
      assessmentId: "k",
      at: "2026-11-25T08:00:00Z",
      rig: "Creamery",
      verdict: "Competent",
      brokenOff: false,
    };
    server.answers["/api/floor"] = room({ kept: [{ ...kept, candidate: "Bas Hollis", overridden: true }] });
    shown(<FloorPage />);
    expect(await screen.findByRole("link", { name: /Bas Hollis.*decided otherwise/ })).toHaveAttribute(
      "href",
      "/assessments/k/mark",
    );
  });

  it("shows why it cannot be fetched and tries again when asked", async () => {
    server.refuse("/api/floor", 503, "the server is starting, try again");
    shown(<FloorPage />);
    expect(await screen.findByRole("alert")).toHaveTextContent("The server is starting");
    server.answers["/api/floor"] = room({});
    await userEvent.click(screen.getByRole("button", { name: "Try again" }));
    expect(await screen.findByText("Petra Lindholm")).toBeInTheDocument();
  });
});
