import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it, vi } from "vitest";
import { ReadingBox } from "./ReadingBox";

const box = {
  slot: "sockets/r1r2/socket-1",
  quantity: "R1+R2",
  where: "socket 1",
  unit: "Ω",
  overRange: ">99.9 kΩ",
  text: "",
  seq: 0,
  understood: "",
  mend: "",
  judged: true,
  satisfactory: null,
  judgedSeq: 0,
  chosenFrom: [],
  unsent: false,
};

function show(change: Partial<typeof box> = {}, open = true, choices: string[] = []) {
  const onText = vi.fn();
  const onJudge = vi.fn();
  const made = render(
    <ul>
      <ReadingBox
        box={{ ...box, ...change }}
        open={open}
        choices={choices}
        onText={onText}
        onJudge={onJudge}
      />
    </ul>,
  );
  return { onText, onJudge, ...made };
}

describe("ReadingBox", () => {
  it("saves once when it is left with Enter", async () => {
    const { onText } = show();
    await userEvent.type(screen.getByLabelText("R1+R2, socket 1, Ω"), " 0,13 {Enter}");
    expect(onText.mock.calls).toEqual([["0,13"]]);
  });

  it("saves nothing when nothing was changed", async () => {
    const { onText } = show({ text: "0.13" });
    await userEvent.click(screen.getByLabelText("R1+R2, socket 1, Ω"));
    await userEvent.tab();
    expect(onText).not.toHaveBeenCalled();
  });

  it("writes over-range as the tester shows it", async () => {
    const { onText } = show();
    await userEvent.click(screen.getByRole("button", { name: /over-range, >99.9 kΩ/ }));
    expect(onText).toHaveBeenCalledWith(">99.9 kΩ");
  });

  it("takes a judgement and takes it back", async () => {
    const first = show();
    await userEvent.click(screen.getByRole("button", { name: "✗ not" }));
    expect(first.onJudge).toHaveBeenCalledWith(false);
    first.unmount();
    const second = show({ satisfactory: false as never });
    await userEvent.click(screen.getByRole("button", { name: "✗ not", pressed: true }));
    expect(second.onJudge).toHaveBeenCalledWith(null);
  });

  it("says what it cannot read, beside the box", () => {
    show({ text: "abc", mend: "give a number" });
    expect(screen.getByLabelText("R1+R2, socket 1, Ω")).toBeInvalid();
    expect(screen.getByText("Cannot be read: give a number.")).toBeInTheDocument();
  });

  it("offers the candidate's own readings for the record", async () => {
    const { onText } = show({ chosenFrom: ["sockets/r1r2/socket-1"] as never }, true, ["0.13", "0.27"]);
    await userEvent.click(screen.getByRole("button", { name: "0.27" }));
    expect(onText).toHaveBeenCalledWith("0.27");
  });

  it("cannot be written once the sheet is handed in", () => {
    show({ text: "0.13" }, false);
    expect(screen.getByLabelText("R1+R2, socket 1, Ω")).toBeDisabled();
    expect(screen.getByRole("button", { name: "✓ satisfactory" })).toBeDisabled();
  });
});
