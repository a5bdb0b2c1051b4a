import { fireEvent, render, screen } from "@testing-library/react";
import { expect, test, vi } from "vitest";
import type { Opened, PlaceShown } from "./queries";
import { Boxes } from "./Boxes";
import { Rig } from "./Rig";
import { Tester } from "./Tester";
import { useBench } from "./useBench";
import type { Practice } from "./usePractice";

function place(id: string, label: string, group: PlaceShown["group"], end = false): PlaceShown {
  return { id, label, mark: "L", conductor: "line", group, end };
}

const END = place("end", "Line of Sockets", "AT_BOARD", true);
const DEVICE = place("device", "L terminal of the device", "DEVICE");
const FRONT = place("front", "L of socket 1", "FRONT");

function opened(rig: Partial<Opened["state"]["rig"]> = {}, probes: string[] = []): Opened {
  return {
    id: "p",
    rig: "Toll Cottage",
    way: "COACHED",
    purpose: "OWN",
    namesFaults: false,
    drill: null,
    startedAt: "2026-12-02T10:00:00Z",
    naming: { kinds: [], places: [] },
    layout: {
      earthing: [],
      functions: [],
      boards: [
        {
          id: "board",
          label: "Board",
          cover: "board:board",
          places: [],
          sections: [],
          controls: [{ id: "main:board", label: "main switch", kind: "MAIN_SWITCH" }],
          circuits: [
            {
              id: "sockets",
              label: "Sockets",
              way: 1,
              ring: false,
              places: [END, DEVICE],
              controls: [{ id: "device:sockets", label: "B32", kind: "DEVICE" }],
              points: [
                {
                  id: "s1",
                  label: "socket 1",
                  atMetres: 6,
                  track: 0,
                  cover: "point:s1",
                  places: [FRONT],
                  controls: [],
                },
              ],
            },
          ],
        },
      ],
    },
    state: {
      deedCount: 0,
      ended: false,
      facts: { isolated: false, locked: false, provedDead: false, closedUp: true, indicatorProved: false },
      rig: {
        out: [],
        moved: [],
        joined: [],
        crossed: [],
        coversOff: ["board:board"],
        on: ["main:board", "device:sockets"],
        running: [],
        locked: [],
        tripped: [],
        ...rig,
      },
      tester: {
        function: "CONTINUITY",
        probes,
        nulled: false,
        milliamps: 30,
        negativeHalf: false,
        shown: null,
        swing: null,
        seconds: 0,
      },
      advice: [],
      next: null,
      log: [],
      box: "b",
      boxes: [
        {
          id: "b",
          circuit: "sockets",
          point: "s1",
          test: "R1+R2",
          quantity: "R1+R2",
          where: "socket 1",
          unit: "Ω",
          byEye: false,
          keys: [],
          written: null,
          right: null,
        },
      ],
      named: [],
      replay: null,
      result: null,
    },
  };
}

function Shown({ of, deed }: { of: Opened; deed: Practice["deed"] }) {
  const bench = useBench(of, { deed } as unknown as Practice);
  return (
    <>
      <Rig bench={bench} layout={of.layout} path={null} />
      <button onClick={() => bench.ask("join")}>ask for a joint</button>
      <button onClick={() => bench.lead(0, FRONT.id)}>lead 1</button>
    </>
  );
}

function show(of: Opened) {
  vi.stubGlobal(
    "ResizeObserver",
    class {
      observe() {}
      disconnect() {}
    },
  );
  const deed = vi.fn();
  render(<Shown of={of} deed={deed} />);
  return deed;
}

test("the rig opens where its reading is taken", () => {
  show(opened());
  expect(screen.getByRole("region", { name: "socket 1" })).toBeVisible();
});

test("a joint goes from the chosen place to the next one that is pressed", () => {
  const deed = show(opened());
  fireEvent.click(screen.getByRole("button", { name: "Line of Sockets" }));
  fireEvent.click(screen.getByText("ask for a joint"));
  fireEvent.click(screen.getByRole("button", { name: "L terminal of the device" }));
  expect(deed).toHaveBeenCalledExactlyOnceWith({ verb: "LINK", at: "end", to: "device" });
});

test("an end that is dragged goes where it is let go, and a press moves nothing", () => {
  const deed = show(opened());
  const end = screen.getByRole("button", { name: "Line of Sockets" });
  document.elementFromPoint = () => screen.getByRole("button", { name: "L terminal of the device" });
  fireEvent.pointerDown(end, { clientX: 10, clientY: 10 });
  fireEvent.pointerUp(window, { clientX: 12, clientY: 11 });
  expect(deed).not.toHaveBeenCalled();
  fireEvent.pointerDown(end, { clientX: 10, clientY: 10 });
  fireEvent.pointerUp(window, { clientX: 90, clientY: 60 });
  expect(deed).toHaveBeenCalledExactlyOnceWith({ verb: "MOVE", at: "end", to: "device" });
});

test("what is out, joined and probed is in the name of its place", () => {
  show(opened({ out: ["end"], joined: [{ a: "end", b: "front" }] }, ["front"]));
  expect(
    screen.getByRole("button", { name: "Line of Sockets, out of its terminal, joined with L of socket 1" }),
  ).toBeVisible();
  expect(screen.getByRole("button", { name: /^L of socket 1, .*lead 1 is on it$/ })).toBeVisible();
});

test("a lead that is put somewhere else leaves where it was", () => {
  const deed = show(opened({}, ["device"]));
  fireEvent.click(screen.getByText("lead 1"));
  expect(deed).toHaveBeenCalledExactlyOnceWith({ verb: "PROBES", places: ["front"] });
});

test("what tripped is put on again where it is", () => {
  const deed = show(
    opened({
      tripped: [{ device: "sockets/overcurrent", label: "Sockets, B32", control: "device:sockets" }],
    }),
  );
  fireEvent.click(screen.getByRole("button", { name: /Sockets, B32 tripped/ }));
  expect(deed).toHaveBeenCalledExactlyOnceWith({ verb: "RESET", at: "sockets/overcurrent" });
});

test("a lead that is dragged is put where it is let go", () => {
  const of = opened();
  const deed = vi.fn();
  function Leads() {
    const bench = useBench(of, { deed } as unknown as Practice);
    return <Tester bench={bench} functions={[]} path={null} />;
  }
  render(<Leads />);
  const spot = document.createElement("button");
  spot.dataset.spot = "front";
  document.elementFromPoint = () => spot;
  fireEvent.pointerDown(screen.getAllByTitle(/Drag it/)[0] as HTMLElement, { clientX: 5, clientY: 5 });
  fireEvent.pointerUp(window, { clientX: 80, clientY: 50 });
  expect(deed).toHaveBeenCalledExactlyOnceWith({ verb: "PROBES", places: ["front"] });
});

test("the way to where one is leads back", () => {
  show(opened());
  fireEvent.click(screen.getByRole("button", { name: "Board, Sockets" }));
  expect(screen.queryByRole("region", { name: "socket 1" })).toBeNull();
  fireEvent.click(screen.getByRole("button", { name: "whole rig" }));
  expect(screen.getByText("whole rig")).toHaveAttribute("aria-current", "location");
});

test("what is only looked at is looked at, and written without typing", () => {
  const of = opened();
  const box = of.state.boxes[0];
  if (!box) throw new Error("no box");
  of.state.boxes = [{ ...box, byEye: true, unit: "", keys: ["works", "does not work"] }];
  const deed = vi.fn();
  const write = vi.fn();
  function Reading() {
    const bench = useBench(of, { deed, write } as unknown as Practice);
    return <Boxes bench={bench} />;
  }
  render(<Reading />);
  fireEvent.click(screen.getByRole("button", { name: /Look at it/ }));
  expect(deed).toHaveBeenCalledExactlyOnceWith({ verb: "LOOK", at: "b" });
  fireEvent.click(screen.getByRole("button", { name: "does not work" }));
  expect(write).toHaveBeenCalledExactlyOnceWith({ box: "b", text: "does not work" });
});
