import type { UseQueryResult } from "@tanstack/react-query";
import { screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { Route, Routes } from "react-router";
import { beforeEach, describe, expect, it, vi } from "vitest";
import type { Schemas } from "../../api/client";
import { shown, StandIn } from "../../testing/server";
import { CheckList, HypothesesPane } from "../proof";
import { CardPage } from "./CardPage";
import { Changes } from "./Changes";
import { Fairness } from "./Fairness";
import { FaultList } from "./FaultList";
import { Prove } from "./Prove";
import { RigChooser } from "./RigChooser";
import { SafetyPane } from "./SafetyPane";

let server: StandIn;

beforeEach(() => {
  server = new StandIn();
});

const fault: Schemas["FaultLine"] = {
  fault: { kind: "cpc-open-after", at: "kitchen/socket-2", conductors: ["cpc"], size: null, to: null },
  title: "CPC open after the point",
  place: "socket 2, Kitchen",
  visibility: "findable",
  firstSeen: "R1+R2, socket 3, Kitchen",
  safety: "dead only",
  severity: "C2: potentially dangerous",
  how: "box",
  relay: 2,
  instruction: "Lift the green-yellow.",
  symptom: "R2 reads over-range.",
};

const preview: Schemas["Preview"] = {
  faults: [fault],
  tests: [
    {
      test: "R2, method 2",
      changes: [
        {
          slot: "kitchen/r2/socket-3",
          quantity: "R2",
          where: "socket 3, Kitchen",
          healthy: "0.23 Ω",
          withSet: ">99.9 kΩ",
          timesTolerance: null,
          visibility: "findable",
          byLimit: false,
        },
      ],
    },
    {
      test: "Zs",
      changes: [
        {
          slot: "kitchen/zs",
          quantity: "Zs",
          where: "Kitchen",
          healthy: "1.05 Ω",
          withSet: "1.05 Ω",
          timesTolerance: null,
          visibility: "findable",
          byLimit: true,
        },
      ],
    },
  ],
  changed: 2,
  hidden: 3,
  readings: 154,
  safety: { mayGoLive: false, strictest: "dead only", dangers: [] },
  profiles: [],
};

describe("Changes", () => {
  it("groups by test and says what fails by its limit alone", () => {
    shown(<Changes preview={preview} />);
    expect(screen.getByText("2 of 154 readings")).toBeInTheDocument();
    const row = screen.getByRole("row", { name: /R2, socket 3, Kitchen/ });
    expect(within(row).getByText("∞")).toBeInTheDocument();
    expect(screen.getByText(/fails the limit of what is fitted/)).toBeInTheDocument();
    expect(screen.getByText(/3 more change by less than half/)).toBeInTheDocument();
  });
});

describe("FaultList", () => {
  it("names the relay, and says when nothing can set a fault", () => {
    const emulated = { ...fault, title: "Ze too high, 1 Ω", how: "nothing", relay: 0 };
    shown(
      <FaultList
        preview={{ ...preview, faults: [fault, emulated] }}
        keptCount={2}
        locked={false}
        onRemove={() => undefined}
        onUndo={undefined}
      />,
    );
    expect(screen.getByText("Relay 2.")).toBeInTheDocument();
    expect(screen.getByText(/no relay of this rig’s box is mapped to it/)).toBeInTheDocument();
  });
});

describe("SafetyPane", () => {
  it("shows what the simulation finds, and the caution", () => {
    shown(
      <SafetyPane
        safety={{
          mayGoLive: false,
          strictest: "dead only",
          dangers: [{ kind: "live metal", finding: "Earth terminal of socket 2 would stand at 229 V." }],
        }}
      />,
    );
    expect(screen.getByText(/would stand at 229 V/)).toBeInTheDocument();
    expect(screen.getByText(/no risk assessment/)).toBeInTheDocument();
  });
});

const review = (over: Partial<Schemas["ReviewView"]>) =>
  ({
    data: { fair: true, difficulty: 2.5, faults: [], conflicts: [], lookalikes: [], ...over },
  }) as unknown as UseQueryResult<Schemas["ReviewView"]>;

describe("Fairness", () => {
  it("says that it is being worked out", () => {
    shown(
      <Fairness
        review={{ data: undefined } as unknown as UseQueryResult<Schemas["ReviewView"]>}
        onAgree={() => undefined}
        locked={false}
      />,
    );
    expect(screen.getByRole("status")).toHaveTextContent("Trying every other fault");
  });

  it("puts conflicts in words", () => {
    shown(
      <Fairness
        review={review({ fair: false, conflicts: ["A hides B: nobody can find both."] })}
        onAgree={() => undefined}
        locked={false}
      />,
    );
    expect(screen.getByText("A hides B: nobody can find both.")).toBeInTheDocument();
    expect(screen.getByText(/Not as it is/)).toBeInTheDocument();
  });

  it("accepts an answer that reads the same", async () => {
    const onAgree = vi.fn();
    const reads = { kind: "dead-short", at: "kitchen/socket-3", conductors: ["line"], size: null, to: null };
    shown(
      <Fairness
        review={review({
          lookalikes: [
            {
              index: 0,
              fault: "Short circuit",
              reads,
              text: "Load left connected",
              accepted: false,
              agreed: false,
            },
            {
              index: 0,
              fault: "Short circuit",
              reads,
              text: "Short at socket 3",
              accepted: true,
              agreed: false,
            },
          ],
        })}
        onAgree={onAgree}
        locked={false}
      />,
    );
    expect(screen.getByText(/1 more read the same and are taken as right anyway/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole("checkbox", { name: /Load left connected/ }));
    expect(onAgree).toHaveBeenCalledWith([{ fault: 0, reads }]);
  });
});

const check: Schemas["CheckLine"] = {
  slot: "kitchen/r2/socket-3",
  what: "R2, socket 3, Kitchen",
  test: "R2, method 2",
  setUp: ["Wander lead on the MET"],
  unit: "Ω",
  live: false,
  window: ">99.9 kΩ",
  text: "",
  fits: false,
  says: "",
  by: "",
  at: null,
};

describe("CheckList", () => {
  it("sends a reading on Enter, once", async () => {
    const onCheck = vi.fn();
    shown(<CheckList id="a" checks={[check]} simulated={false} disabled={false} onCheck={onCheck} />);
    await userEvent.type(screen.getByLabelText(/R2, socket 3/), "0.24{Enter}");
    expect(onCheck).toHaveBeenCalledTimes(1);
    expect(onCheck).toHaveBeenCalledWith(check.slot, "0.24");
    expect(screen.queryByRole("button", { name: /Measure/ })).not.toBeInTheDocument();
  });

  it("takes a reading from the simulated tester", async () => {
    server.answers["/api/assessments/a/tester/take"] = { text: ">99.9 kΩ" };
    const onCheck = vi.fn();
    shown(<CheckList id="a" checks={[check]} simulated disabled={false} onCheck={onCheck} />);
    await userEvent.click(screen.getByRole("button", { name: "Measure R2, socket 3, Kitchen" }));
    await vi.waitFor(() => expect(onCheck).toHaveBeenCalledWith(check.slot, ">99.9 kΩ"));
  });

  it("says whether it fits and who took it", () => {
    shown(
      <CheckList
        id="a"
        checks={[
          { ...check, text: ">99.9 kΩ", fits: true, by: "Ines Marrow", at: "2026-11-25T09:00:00Z" },
          { ...check, slot: "other", text: "0.24", says: "does not fit" },
        ]}
        simulated={false}
        disabled={false}
        onCheck={() => undefined}
      />,
    );
    const said = screen.getAllByRole("status");
    expect(said[0]).toHaveTextContent("◆ fits · Ines Marrow");
    expect(said[1]).toHaveTextContent("✕ does not fit");
  });
});

describe("HypothesesPane", () => {
  it("lists them with evidence and hides when there are none", () => {
    const { container } = shown(<HypothesesPane hypotheses={[]} />);
    expect(container).toBeEmptyDOMElement();
    shown(
      <HypothesesPane
        hypotheses={[
          {
            words: "Not set: CPC open.",
            asMeant: false,
            ofTheReading: true,
            strength: "likely",
            share: 0.8,
            evidence: [{ what: "R2, socket 3", reads: "0.24", window: "0.18 – 0.30 Ω", fits: true }],
          },
        ]}
      />,
    );
    expect(screen.getByText(/Not set: CPC open/)).toBeInTheDocument();
    expect(screen.getByText("likely")).toBeInTheDocument();
    expect(screen.getByText(/Look at leads and tester/)).toBeInTheDocument();
    expect(screen.getByText(/R2, socket 3: 0.24, would be/)).toBeInTheDocument();
  });
});

const proof: Schemas["ProofView"] = {
  sheetOpen: false,
  lockedOffAt: "2026-11-25T09:00:00Z",
  steps: [
    {
      index: 0,
      title: "CPC open after the point",
      place: "socket 2",
      how: "box",
      relay: 2,
      instruction: "",
      state: "wrong",
      by: "",
      at: null,
      look: false,
      deadOnly: false,
      seen: false,
    },
    {
      index: 1,
      title: "Blank missing",
      place: "Board",
      how: "hand",
      relay: 0,
      instruction: "Take a blank off.",
      state: "to do",
      by: "",
      at: null,
      look: true,
      deadOnly: true,
      seen: false,
    },
  ],
  box: {
    contact: true,
    armed: false,
    commanded: [2],
    closed: [],
    wrong: [2],
    heardAt: "2026-11-25T09:00:00Z",
    says: "",
    matter: "Relay 2 of the fault box should be in and is out.",
    mayUnplug: false,
  },
  checks: [check],
  simulated: false,
  hypotheses: [],
  fewest: true,
  healthySince: null,
  live: false,
  relaysOutSince: null,
  notTold: ["Short at socket 1"],
  mayOpen: false,
  whyNotOpen: "relay 2 is not where it should be.",
};

describe("Prove", () => {
  it("warns of a wrong relay and keeps the sheet shut", async () => {
    server.answers["/api/assessments/a/proof"] = proof;
    shown(<Prove id="a" onChange={() => undefined} />);
    expect(await screen.findByRole("alert")).toHaveTextContent(
      "Relay 2 of the fault box should be in and is out",
    );
    expect(screen.getByRole("button", { name: "Open the candidate’s sheet" })).toBeDisabled();
    expect(screen.getByRole("img", { name: "released" })).toBeInTheDocument();
    expect(screen.getByText(/1 other faults read the same/)).toBeInTheDocument();
  });

  it("keeps what is set and seen by hand apart", async () => {
    server.answers["/api/assessments/a/proof"] = proof;
    server.answers["/api/assessments/a/proof/handled"] = proof;
    shown(<Prove id="a" onChange={() => undefined} />);
    await userEvent.click(await screen.findByRole("checkbox", { name: /Looked at/ }));
    await vi.waitFor(() => expect(server.sent).toHaveLength(1));
    expect(server.sent[0]?.body).toMatchObject({ fault: 1, what: "SEEN", done: true });
  });

  it("springs a tick back that the server refuses", async () => {
    server.answers["/api/assessments/a/proof"] = proof;
    server.refuse("/api/assessments/a/proof/handled", 409, "somebody opened the sheet");
    shown(<Prove id="a" onChange={() => undefined} />);
    const box = await screen.findByRole("checkbox", { name: /Looked at/ });
    await userEvent.click(box);
    expect(await screen.findByText(/Somebody opened the sheet/)).toBeInTheDocument();
    expect(box).not.toBeChecked();
  });

  it("arms again what fell out while the candidate was at work", async () => {
    server.answers["/api/assessments/a/proof"] = {
      ...proof,
      sheetOpen: true,
      relaysOutSince: "2026-11-25T10:00:00Z",
    };
    server.answers["/api/assessments/a/proof/arm"] = proof;
    shown(<Prove id="a" onChange={() => undefined} />);
    await userEvent.click(await screen.findByRole("button", { name: "Arm it again" }));
    await vi.waitFor(() => expect(server.sent[0]?.path).toBe("/api/assessments/a/proof/arm"));
  });

  it("says when the bay has no box", async () => {
    server.answers["/api/assessments/a/proof"] = { ...proof, box: null };
    shown(<Prove id="a" onChange={() => undefined} />);
    expect(await screen.findByText(/This bay has no fault box/)).toBeInTheDocument();
    expect(screen.getByRole("button", { name: "Arm the box" })).toBeDisabled();
  });
});

describe("CardPage", () => {
  it("lists steps round the rig, windows, and whose eyes it is for", async () => {
    const card: Schemas["CardView"] = {
      bay: 5,
      rig: "Bunkhouse",
      rigVersion: 1,
      assessor: "Ines Marrow",
      tester: "T1",
      lockOff: ["Lock the main switch, keep the key on you."],
      byHand: [
        { number: 1, where: "Board", instruction: "Take a blank off.", safety: "dead only", relay: 0 },
      ],
      byBox: [{ number: 1, where: "socket 2", instruction: "Lift it.", safety: "dead only", relay: 2 }],
      checks: [{ what: "R2, socket 3", how: "ohmmeter", window: ">99.9 kΩ", healthy: "0.23 Ω" }],
      looks: ["Blank missing"],
      afterwards: ["Covers on."],
    };
    server.answers["/api/assessments/a/card"] = card;
    shown(
      <Routes>
        <Route path="/assessments/:id/card" element={<CardPage />} />
      </Routes>,
      "/assessments/a/card",
    );
    expect(await screen.findByText(/For the setter’s eyes/)).toBeInTheDocument();
    expect(screen.getByText("Relay 2 · socket 2")).toBeInTheDocument();
    expect(screen.getByRole("row", { name: /R2, socket 3/ })).toHaveTextContent(">99.9 kΩ");
    expect(screen.getByText("Seen: Blank missing")).toBeInTheDocument();
  });
});

describe("RigChooser", () => {
  const station = (id: string, at: number): Schemas["StationDrawing"] => ({
    id,
    label: id.replace("-", " "),
    kind: "twin-socket",
    atMetres: at,
    parent: null,
    track: 0,
  });
  const view = {
    drawing: {
      supply: [],
      boards: [
        {
          id: "board",
          label: "Board",
          mainRcd: "",
          surgeProtection: false,
          sections: [
            {
              id: "all",
              label: "All ways",
              rcd: "",
              circuits: [
                {
                  id: "kitchen",
                  label: "Kitchen",
                  kind: "radial",
                  way: 4,
                  phase: "",
                  device: "B20",
                  cable: "4/1.5",
                  lengthMetres: 12,
                  feeds: "",
                  stations: [station("socket-1", 7), station("socket-2", 12)],
                },
              ],
            },
          ],
        },
      ],
    },
    places: [
      { id: "kitchen", label: "Kitchen, at the board", circuit: "kitchen", kinds: ["wrong-curve"] },
      { id: "kitchen/socket-2", label: "socket 2, Kitchen", circuit: "kitchen", kinds: ["wet-accessory"] },
      { id: "bond/gas", label: "bond to gas pipe", circuit: null, kinds: ["clamp-on-paint"] },
    ],
  } as unknown as Schemas["SetView"];

  it("gives a station, a circuit's end at the board, a bond and the list as places", async () => {
    const onPlace = vi.fn();
    shown(<RigChooser view={view} preview={preview} place={undefined} onPlace={onPlace} />);
    await userEvent.click(screen.getByRole("button", { name: "socket 2, 12 m" }));
    await userEvent.click(screen.getByRole("button", { name: "Kitchen, way 4" }));
    await userEvent.click(screen.getByRole("button", { name: "bond to gas pipe" }));
    await userEvent.selectOptions(screen.getByLabelText("Or from the list"), "socket 2, Kitchen");
    expect(onPlace.mock.calls.map((c) => c[0])).toEqual([
      "kitchen/socket-2",
      "kitchen",
      "bond/gas",
      "kitchen/socket-2",
    ]);
    expect(screen.getByText("fault")).toBeInTheDocument();
  });

  it("only shows the rig while the candidate works", () => {
    shown(<RigChooser view={view} preview={preview} place={undefined} onPlace={undefined} />);
    expect(screen.queryByRole("button", { name: "socket 2, 12 m" })).not.toBeInTheDocument();
    expect(screen.getByRole("button", { name: "bond to gas pipe" })).toBeDisabled();
  });
});
