import { cleanup, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, describe, expect, it, vi } from "vitest";
import { shown, StandIn } from "../../testing/server";
import { CircuitSheet } from "./CircuitSheet";
import { EntryBar } from "./EntryBar";
import type { ShownBox } from "./boxes";
import { emptyBox } from "./emptyBox.fixture";

const box: ShownBox = {
  ...emptyBox("sockets/r1r2/socket-1"),
  quantity: "R1+R2",
  where: "socket 1",
  overRange: ">99.9 kΩ",
  station: "socket-1",
  keys: [">99.9 kΩ"],
  unsent: false,
};
const record: ShownBox = {
  ...box,
  slot: "sockets/r1r2",
  where: "Sockets, for the record",
  within: "for the record",
  station: null,
  judged: true,
  keys: [],
  chosenFrom: ["sockets/r1r2/socket-1", "sockets/r1r2/socket-2"],
};
const circuit = {
  id: "sockets",
  label: "Sockets",
  kind: "radial",
  way: 1,
  phase: "",
  device: "B20",
  cable: "2.5/1.5",
  lengthMetres: 20,
  feeds: "",
  stations: [
    { id: "socket-1", label: "socket 1", kind: "socket", atMetres: 8, parent: null, track: 0 },
    { id: "socket-2", label: "socket 2", kind: "socket", atMetres: 20, parent: null, track: 0 },
  ],
};

function show(boxes: ShownBox[], open = true) {
  const does = { onText: vi.fn(), onExpected: vi.fn(), onJudge: vi.fn() };
  shown(
    <>
      <CircuitSheet
        group={{
          label: "Sockets",
          circuit: "sockets",
          layout: "LINE",
          boxes: [],
          choice: null,
          otherWay: false,
        }}
        circuit={circuit}
        boxes={boxes}
        open={open}
        {...does}
      />
      <EntryBar />
    </>,
  );
  return does;
}

describe("CircuitSheet", () => {
  beforeEach(() => {
    vi.stubGlobal("matchMedia", () => ({ matches: false }));
    vi.stubGlobal(
      "ResizeObserver",
      class {
        observe() {}
        disconnect() {}
      },
    );
    // jsdom lays nothing out
    Object.defineProperty(HTMLElement.prototype, "clientWidth", { configurable: true, value: 900 });
  });

  it("keeps the box one is in above the keys, and leaves the page as it was", async () => {
    const into = vi.fn();
    Element.prototype.scrollIntoView = into;
    Object.defineProperty(HTMLElement.prototype, "offsetHeight", { configurable: true, value: 200 });
    show([box, record]);
    expect(document.documentElement.style.scrollPaddingBottom).toBe("");
    await userEvent.click(screen.getByLabelText("R1+R2, socket 1, Ω"));
    expect(parseInt(document.documentElement.style.scrollPaddingBottom)).toBeGreaterThan(200);
    expect(into).toHaveBeenCalledWith({ block: "nearest" });
    cleanup();
    expect(document.documentElement.style.scrollPaddingBottom).toBe("");
  });

  it("offers what was likely meant, and writes it only when asked", async () => {
    const { onText } = show([{ ...box, text: "O.44", mend: "give a number", likely: "0.44" }]);
    expect(onText).not.toHaveBeenCalled();
    await userEvent.click(screen.getByRole("button", { name: "I meant 0.44" }));
    expect(onText.mock.calls[0]?.[1]).toBe("0.44");
  });

  it("says of a station only what its name does not say, and which box is worked out", () => {
    show([
      { ...box, where: "socket 1, L2", within: "L2" },
      {
        ...record,
        slot: "sockets/zs-calculated",
        chosenFrom: [],
        within: "by calculation",
        calculated: true,
      },
    ]);
    expect(screen.getByText("L2")).toBeInTheDocument();
    expect(screen.queryByText("socket 1, L2")).toBeNull();
    expect(screen.getByText("by calculation")).toBeInTheDocument();
  });

  it("saves a reading once, when it is left with Enter", async () => {
    const { onText } = show([box, { ...box, slot: "two", where: "socket 2", station: "socket-2" }]);
    await userEvent.type(screen.getByLabelText("R1+R2, socket 1, Ω"), " 0,13 {Enter}");
    expect(onText.mock.calls).toEqual([[box, "0,13"]]);
    expect(screen.getByLabelText("R1+R2, socket 2, Ω")).toHaveFocus();
  });

  it("writes over-range by one key and goes on", async () => {
    const { onText } = show([box]);
    await userEvent.click(screen.getByLabelText("R1+R2, socket 1, Ω"));
    await userEvent.click(screen.getByRole("button", { name: ">99.9 kΩ" }));
    await vi.waitFor(() => expect(onText).toHaveBeenCalledWith(box, ">99.9 kΩ"));
  });

  it("puts a reading on record by a tap on it", async () => {
    const { onText } = show([{ ...box, text: "0.13" }, record]);
    await userEvent.click(screen.getByRole("button", { name: "R1+R2, socket 1: on record" }));
    expect(onText).toHaveBeenCalledWith(record, "0.13");
  });

  it("shows which reading is on record", () => {
    show([
      { ...box, text: "0.13" },
      { ...record, text: "0.13" },
    ]);
    expect(
      screen.getByRole("button", { name: "R1+R2, socket 1: on record", pressed: true }),
    ).toBeInTheDocument();
  });

  it("locks what was expected once the reading is in", () => {
    show([{ ...box, text: "0.13", said: { text: "0.12", seq: 1, locked: true } }]);
    expect(screen.getByLabelText("R1+R2 expected, Ω")).toBeDisabled();
  });

  it("says what it cannot read, beside the box", () => {
    show([{ ...box, text: "abc", mend: "give a number" }]);
    expect(screen.getByLabelText("R1+R2, socket 1, Ω")).toBeInvalid();
    expect(screen.getByText("Cannot be read: give a number.")).toBeInTheDocument();
  });

  it("takes a judgement and takes it back", async () => {
    const { onJudge } = show([record]);
    const judge = screen.getByRole("group", { name: /is it satisfactory/ });
    await userEvent.click(within(judge).getByRole("button", { name: "✗ not" }));
    expect(onJudge).toHaveBeenCalledWith(record, false);
  });

  it("cannot be written while it is closed", () => {
    show([box], false);
    expect(screen.getByLabelText("R1+R2, socket 1, Ω")).toBeDisabled();
  });

  it("takes a reading over from the tester where the scheme allows it", async () => {
    const server = new StandIn();
    server.answers["/api/my/sheets/s1/take"] = { text: "0.43 Ω" };
    server.answers["/api/my/sheets/s1/ranges"] = ["9.99 Ω", "99.9 Ω"];
    vi.stubGlobal("matchMedia", () => ({ matches: false }));
    shown(
      <>
        <input data-reading id="box-ring/r1" aria-label="r1" />
        <EntryBar sheet="s1" />
      </>,
    );
    await userEvent.click(screen.getByLabelText("r1"));
    await userEvent.click(screen.getByRole("button", { name: "Take from tester" }));
    await vi.waitFor(() => expect(screen.getByLabelText("r1")).toHaveValue("0.43 Ω"));
    expect(server.sent[0]?.body).toMatchObject({ slot: "ring/r1", range: null });
    await userEvent.click(screen.getByLabelText("r1"));
    await userEvent.selectOptions(await screen.findByLabelText("range"), "99.9 Ω");
    expect(screen.getByLabelText("range")).toHaveValue("99.9 Ω");
    await userEvent.click(screen.getByRole("button", { name: "Take from tester" }));
    await vi.waitFor(() => expect(server.sent[1]?.body).toMatchObject({ slot: "ring/r1", range: "99.9 Ω" }));
    server.refuse("/api/my/sheets/s1/take", 409, "the bench tester does not answer: nothing was taken");
    await userEvent.click(screen.getByLabelText("r1"));
    await userEvent.click(screen.getByRole("button", { name: "Take from tester" }));
    expect(await screen.findByRole("alert")).toHaveTextContent("nothing was taken");
  });
});
