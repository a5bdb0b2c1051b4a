import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it, vi } from "vitest";
import { Marks } from "./Marks";
import type { MarkLine } from "./queries";

const mark: MarkLine = {
  id: "prepared",
  step: "R1_R2",
  circuit: "",
  group: "Preparation",
  title: "Leads nulled",
  weight: 1,
  key: false,
  proposed: "HALF",
  given: null,
  reason: "",
  by: "",
  evidence: "Lead resistance is in 6 readings.",
  slots: [],
  wants: "DECISION",
};

function show(marks: MarkLine[], locked = false) {
  const onDecide = vi.fn();
  render(<Marks marks={marks} open={[]} locked={locked} busy={false} onDecide={onDecide} />);
  return { onDecide };
}

describe("Marks", () => {
  it("asks for a reason before a mark is decided otherwise than proposed", async () => {
    const { onDecide } = show([mark]);
    await userEvent.click(screen.getByRole("button", { name: "Change Leads nulled, Preparation" }));
    await userEvent.click(screen.getByRole("radio", { name: "Full" }));
    expect(screen.getByRole("button", { name: "Change it" })).toBeDisabled();
    await userEvent.type(screen.getByLabelText("Reason, kept with both values"), "seen at the rig");
    await userEvent.click(screen.getByRole("button", { name: "Change it" }));
    expect(onDecide).toHaveBeenCalledWith([{ mark: "prepared", given: "FULL", reason: "seen at the rig" }]);
  });

  it("shows both values and the reason of a changed mark, and nothing to press once all is decided", () => {
    show([{ ...mark, given: "NONE", reason: "never touched" }], true);
    expect(screen.getByText("changed from half to none: never touched")).toBeInTheDocument();
    expect(screen.queryByRole("button")).not.toBeInTheDocument();
  });
});
