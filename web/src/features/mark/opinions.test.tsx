import { render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it, vi } from "vitest";
import type { Schemas } from "../../api/client";
import { Opinions } from "./Opinions";
import { OutcomePane } from "./OutcomePane";

const outcome: Schemas["OutcomeLine"] = {
  proposed: "REFERRAL",
  words: "Refer these parts",
  points: 18.5,
  outOf: 23,
  needed: 17.5,
  reasons: ["Key mark missed: Bonding."],
  repeat: [{ part: "bonding", title: "Bonding", why: ["2 of 3 points; 2.5 are needed."] }],
  choices: [
    { verdict: "PASS", words: "Competent" },
    { verdict: "REFERRAL", words: "Refer these parts" },
    { verdict: "NOT_YET", words: "Not yet competent" },
    { verdict: "STOPPED", words: "Stopped for safety" },
  ],
  mayDecide: true,
  whyNot: "",
  given: null,
};

const signed: Schemas["OpinionLine"] = {
  by: { id: "corin", name: "Corin Vale" },
  purpose: "SECOND",
  signedAt: "2026-11-27T10:00:00Z",
  verdict: "Refer these parts",
  agreement: {
    marks: 14,
    same: 13,
    kappa: { kappa: 0.8, low: 0.49, high: 1 },
    criteria: [{ title: "Measured rightly", marks: 3, same: 2, kappa: null }],
    note: "",
  },
  differ: [
    {
      mark: "bonding/measured",
      title: "Measured rightly",
      group: "Bonding",
      first: { award: "FULL", reason: "shown later" },
      second: { award: "HALF", reason: "" },
      settled: null,
    },
  ],
};

describe("OutcomePane", () => {
  it("names the parts to be done again, and decides otherwise only with a choice and a reason", async () => {
    const onDecide = vi.fn();
    render(<OutcomePane outcome={outcome} blind={false} busy={false} onDecide={onDecide} onSign={vi.fn()} />);
    expect(screen.getByText("To be done again")).toBeInTheDocument();
    expect(screen.getByText(/2 of 3 points/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: "Otherwise…" }));
    const sign = screen.getByRole("button", { name: /^Sign/ });
    expect(sign).toBeDisabled();
    await userEvent.click(screen.getByRole("radio", { name: "Not yet competent" }));
    expect(sign).toBeDisabled();
    await userEvent.type(screen.getByLabelText("Why, kept with both"), "the whole was shaky");
    await userEvent.click(screen.getByRole("button", { name: "Sign not yet competent" }));
    expect(onDecide).toHaveBeenCalledWith({ given: "NOT_YET", reason: "the whole was shaky" });
  });

  it("lets whoever marks alone sign own marks and decide nothing", async () => {
    const onSign = vi.fn();
    render(<OutcomePane outcome={outcome} blind busy={false} onDecide={vi.fn()} onSign={onSign} />);
    expect(screen.queryByRole("button", { name: /Decide|Otherwise/ })).not.toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: "Sign my marks" }));
    expect(onSign).toHaveBeenCalled();
  });
});

describe("Opinions", () => {
  it("shows how far two agree, and settles what differs with a reason", async () => {
    const onSettle = vi.fn();
    render(
      <Opinions
        view={{ blind: false, purpose: "SECOND", lines: [signed], mayAsk: [] }}
        decided={false}
        busy={false}
        onAsk={vi.fn()}
        onWithdraw={vi.fn()}
        onSettle={onSettle}
      />,
    );
    expect(screen.getByText(/Same on 13 of 14 marks/)).toHaveTextContent("κ 0.8 (0.49 to 1)");
    expect(screen.getByText("1 to settle")).toBeInTheDocument();
    expect(screen.getByText(/First full \(shown later\), Corin Vale half/)).toBeInTheDocument();
    const choice = screen.getByRole("radiogroup", { name: "What counts for Measured rightly" });
    await userEvent.click(within(choice).getByRole("radio", { name: "Half" }));
    expect(screen.getByRole("button", { name: "Settle" })).toBeDisabled();
    await userEvent.type(screen.getByLabelText("What settled it"), "talked over");
    await userEvent.click(screen.getByRole("button", { name: "Settle" }));
    expect(onSettle).toHaveBeenCalledWith({ mark: "bonding/measured", given: "HALF", reason: "talked over" });
  });

  it("says so where κ says nothing, and settles nothing of an exercise", () => {
    const exercise = {
      ...signed,
      purpose: "EXERCISE" as const,
      agreement: { marks: 14, same: 14, kappa: null, criteria: [], note: "" },
    };
    render(
      <Opinions
        view={{ blind: false, purpose: "EXERCISE", lines: [exercise], mayAsk: [] }}
        decided
        busy={false}
        onAsk={vi.fn()}
        onWithdraw={vi.fn()}
        onSettle={vi.fn()}
      />,
    );
    expect(screen.getByText(/κ says nothing here/)).toBeInTheDocument();
    expect(screen.queryByRole("button", { name: "Settle" })).not.toBeInTheDocument();
  });

  it("asks a person by name", async () => {
    const onAsk = vi.fn();
    render(
      <Opinions
        view={{ blind: false, purpose: "SECOND", lines: [], mayAsk: [{ id: "corin", name: "Corin Vale" }] }}
        decided={false}
        busy={false}
        onAsk={onAsk}
        onWithdraw={vi.fn()}
        onSettle={vi.fn()}
      />,
    );
    expect(screen.getByRole("button", { name: "Ask" })).toBeDisabled();
    await userEvent.selectOptions(screen.getByLabelText("Ask for a second mark"), "corin");
    await userEvent.click(screen.getByRole("button", { name: "Ask" }));
    expect(onAsk).toHaveBeenCalledWith("corin");
  });

  it("asks somebody no longer who has not signed", async () => {
    const onWithdraw = vi.fn();
    render(
      <Opinions
        view={{
          blind: false,
          purpose: "SECOND",
          lines: [{ ...signed, signedAt: null, agreement: null, differ: [] }],
          mayAsk: [],
        }}
        decided={false}
        busy={false}
        onAsk={vi.fn()}
        onWithdraw={onWithdraw}
        onSettle={vi.fn()}
      />,
    );
    await userEvent.click(screen.getByRole("button", { name: "Ask no longer" }));
    expect(onWithdraw).toHaveBeenCalledWith("corin");
  });
});
