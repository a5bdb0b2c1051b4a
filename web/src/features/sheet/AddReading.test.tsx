import { screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, describe, expect, it, vi } from "vitest";
import { shown, StandIn } from "../../testing/server";
import { AddReading } from "./AddReading";
import type { Group } from "./boxes";

const group: Group = {
  label: "Sockets",
  circuit: "sockets",
  layout: "LIST",
  boxes: [],
  choice: { quantities: ["R1+R2", "R2"], places: ["socket 1", "socket 2"] },
  otherWay: false,
};

describe("a sheet that shows no empty boxes", () => {
  let server: StandIn;
  beforeEach(() => {
    server = new StandIn();
  });

  function add() {
    const onWrite = vi.fn();
    shown(<AddReading sheet="a1" test="R1_R2" group={group} open onWrite={onWrite} />);
    return onWrite;
  }

  async function fill() {
    await userEvent.selectOptions(screen.getByLabelText("Reading"), "R1+R2");
    await userEvent.selectOptions(screen.getByLabelText("Taken at"), "socket 2");
    await userEvent.type(screen.getByLabelText("As displayed"), "0.43{Enter}");
  }

  it("writes what was read where the candidate says it was read", async () => {
    server.answers["GET /api/my/sheets/a1/box"] = { slot: "sockets/r1r2/socket-2", seq: 3 };
    const onWrite = add();
    expect(screen.getByRole("button", { name: "Write it down" })).toBeDisabled();
    await fill();
    expect(onWrite).toHaveBeenCalledWith({
      kind: "reading",
      slot: "sockets/r1r2/socket-2",
      text: "0.43",
      basedOn: 3,
    });
    expect(screen.getByLabelText("As displayed")).toHaveValue("");
  });

  it("keeps what was typed where the sheet records nothing there", async () => {
    server.refuse("GET /api/my/sheets/a1/box", 409, "this sheet records no R1+R2 there");
    const onWrite = add();
    await fill();
    expect(await screen.findByText(/records no R1\+R2 there/)).toBeInTheDocument();
    expect(screen.getByLabelText("As displayed")).toHaveValue("0.43");
    expect(onWrite).not.toHaveBeenCalled();
  });
});
