import { screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, describe, expect, it, vi } from "vitest";
import type { Schemas } from "../../api/client";
import { shown, StandIn } from "../../testing/server";
import { ReferencePage } from "./ReferencePage";

let server: StandIn;

const bond: Schemas["CalculatorView"] = {
  id: "bond-length",
  title: "Length from a bonding reading",
  inputs: [
    { id: "reading", label: "Reading", unit: "Ω", usual: "0.05", choices: [] },
    { id: "size", label: "Size", unit: "mm²", usual: "10", choices: ["6", "10", "16"] },
  ],
};
const zs: Schemas["CalculatorView"] = { id: "zs", title: "Zs and its limit", inputs: [] };

beforeEach(() => {
  server = new StandIn();
  server.answers["/api/reference"] = [bond, zs];
  server.answers["POST /api/reference/bond-length"] = {
    results: [{ label: "Length", value: "27.3 m" }],
    working: ["0.05 Ω ÷ 1.83 mΩ/m = 27.3 m"],
    source: "IEC 60228",
  };
});

describe("Reference", () => {
  it("works the usual values out at once, with working and source", async () => {
    shown(<ReferencePage />);
    expect(await screen.findByText("27.3 m")).toBeInTheDocument();
    expect(screen.getByText("0.05 Ω ÷ 1.83 mΩ/m = 27.3 m")).toBeInTheDocument();
    expect(screen.getByText("Source: IEC 60228")).toBeInTheDocument();
    expect(server.sent[0]?.body).toEqual({ values: { reading: "0.05", size: "10" } });
  });

  it("asks the server again for other values, and shows what it cannot use", async () => {
    shown(<ReferencePage />);
    await screen.findByText("27.3 m");
    server.refuse("POST /api/reference/bond-length", 400, "give a number above 0");
    await userEvent.selectOptions(screen.getByLabelText("Size, mm²"), "16");
    expect(await screen.findByRole("alert")).toHaveTextContent("Give a number above 0");
    expect(server.sent.at(-1)?.body).toEqual({ values: { reading: "0.05", size: "16" } });
  });

  it("copies the result with its working", async () => {
    const user = userEvent.setup();
    const write = vi.spyOn(navigator.clipboard, "writeText").mockResolvedValue();
    shown(<ReferencePage />);
    await user.click(await screen.findByRole("button", { name: "Copy" }));
    expect(await screen.findByRole("button", { name: "Copied" })).toBeInTheDocument();
    expect(write).toHaveBeenCalledWith(
      "Length from a bonding reading\nLength: 27.3 m\n0.05 Ω ÷ 1.83 mΩ/m = 27.3 m\nIEC 60228",
    );
  });

  it("opens at the calculator its address names", async () => {
    shown(<ReferencePage />, "/?of=zs");
    const list = await screen.findByRole("navigation", { name: "Calculators" });
    expect(within(list).getByRole("button", { name: "Zs and its limit" })).toHaveAttribute(
      "aria-current",
      "true",
    );
  });
});
