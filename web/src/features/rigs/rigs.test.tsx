import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { MemoryRouter } from "react-router";
import { beforeEach, describe, expect, it, vi } from "vitest";
import type { Schemas } from "../../api/client";
import { HealthyBox } from "./HealthyBox";
import { ReadingSheet } from "./ReadingSheet";
import { Warnings } from "./Warnings";

const line = (over: Partial<Schemas["ReadingLine"]>): Schemas["ReadingLine"] => ({
  slot: "sockets/r1r2/socket-1",
  step: "R1+R2, method 1",
  live: false,
  circuit: "sockets",
  quantity: "R1+R2",
  where: "socket 1",
  healthy: "0.13 Ω",
  band: "0.08 – 0.17 Ω",
  limit: "",
  limitSource: "",
  limitWorking: "",
  met: null,
  byHand: "6 m × 19.51 mΩ/m (2.5/1.5) = 0.12 Ω",
  instrument: "low-resistance ohmmeter",
  rule: "",
  setUp: ["Main switch off, locked, proved dead", "Leads nulled"],
  ...over,
});

const sheet = [
  line({}),
  line({
    slot: "sockets/r1r2",
    where: "Sockets, for the record",
    rule: "the highest of 5 readings (R1+R2)",
    instrument: "",
    byHand: "",
    setUp: [],
    limit: "≤ 1.40 Ω",
    limitSource: "BS 7671 411.4.4",
    met: false,
  }),
  line({
    slot: "origin/ze",
    step: "Ze, Zdb",
    live: true,
    circuit: null,
    quantity: "Ze",
    where: "Board",
    healthy: "0.20 Ω",
    byHand: "",
    setUp: [],
  }),
];

const page = {
  id: "toll-cottage",
  name: "Toll Cottage",
  version: 2,
  latest: true,
  comments: "",
  bays: [1],
  versions: [],
  file: "{}",
  testerLabel: "T1",
  view: {
    drawing: { supply: [], boards: [] },
    circuits: [{ id: "sockets", label: "Sockets", device: "B20", stations: [] }],
    profiles: [],
    sheet,
    warnings: [],
  },
} as Schemas["RigPage"];

const asBuilt: Schemas["AsBuiltView"] = { taken: [], fit: null, whyNoFit: "measure at least three" };

beforeEach(() => {
  vi.stubGlobal(
    "fetch",
    vi.fn(() =>
      Promise.resolve(
        new Response(JSON.stringify(asBuilt), { headers: { "Content-Type": "application/json" } }),
      ),
    ),
  );
});

function showSheet(circuit?: string) {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  render(
    <QueryClientProvider client={client}>
      <MemoryRouter>
        <ReadingSheet page={page} circuit={circuit} onCircuit={vi.fn()} />
      </MemoryRouter>
    </QueryClientProvider>,
  );
}

describe("the expectation sheet", () => {
  it("begins with what is recorded, its limit and where that comes from", () => {
    showSheet();
    expect(screen.queryByText("socket 1, Sockets")).not.toBeInTheDocument();
    expect(screen.getByText("Sockets, for the record")).toBeInTheDocument();
    expect(screen.getByText("BS 7671 411.4.4")).toBeInTheDocument();
    expect(screen.getByText("▲ not met")).toBeInTheDocument();
  });

  it("says which tests are live", () => {
    showSheet();
    expect(within(screen.getByRole("rowheader", { name: /Ze, Zdb/ })).getByText("live")).toBeInTheDocument();
  });

  it("shows every reading with the arithmetic by hand, and its set-up when asked", async () => {
    showSheet();
    await userEvent.click(screen.getByRole("button", { name: "Show every reading" }));
    expect(screen.getByText("socket 1, Sockets")).toBeInTheDocument();
    expect(screen.getByText(/6 m × 19.51/)).toBeInTheDocument();
    expect(screen.queryByText("Leads nulled")).not.toBeInTheDocument();
    await userEvent.click(screen.getByRole("button", { name: "R1+R2" }));
    expect(screen.getByText("Leads nulled")).toBeInTheDocument();
  });

  it("finds words and says so when nothing fits", async () => {
    showSheet();
    await userEvent.type(screen.getByLabelText("Find"), "attic");
    expect(screen.getByText("No reading fits these filters.")).toBeInTheDocument();
  });

  it("asks for dead readings only when the healthy rig is measured, with the usual caution", async () => {
    showSheet();
    await userEvent.click(screen.getByRole("button", { name: "Measure healthy" }));
    expect(screen.getByText(/locked off and proved dead/)).toBeInTheDocument();
    expect(screen.getByLabelText("R1+R2, socket 1, measured healthy")).toBeInTheDocument();
    expect(screen.queryByLabelText(/^Ze/)).not.toBeInTheDocument();
  });
});

describe("a healthy reading", () => {
  const taken: Schemas["Taken"] = {
    slot: "s",
    text: "0.14",
    by: "Ines Marrow",
    at: "2026-11-24T10:00:00Z",
    tolerances: 2.4,
    beyond: true,
    says: "the description gives 0.13 Ω: beyond tolerance",
  };

  it("is kept with Enter, once", async () => {
    const onKeep = vi.fn();
    render(<HealthyBox label="box" taken={undefined} onKeep={onKeep} />);
    await userEvent.type(screen.getByLabelText("box"), "0.15{Enter}");
    await userEvent.tab();
    expect(onKeep).toHaveBeenCalledTimes(1);
    expect(onKeep).toHaveBeenCalledWith("0.15");
  });

  it("is left alone with Escape, and an unchanged one is not sent again", async () => {
    const onKeep = vi.fn();
    render(<HealthyBox label="box" taken={taken} onKeep={onKeep} />);
    const box = screen.getByLabelText("box");
    await userEvent.type(box, "9{Escape}");
    expect(box).toHaveValue("0.14");
    await userEvent.click(box);
    await userEvent.tab();
    expect(onKeep).not.toHaveBeenCalled();
  });

  it("says in words and by shape when it is beyond tolerance", () => {
    render(<HealthyBox label="box" taken={taken} onKeep={vi.fn()} />);
    expect(screen.getByText(/▲ the description gives/)).toBeInTheDocument();
  });
});

describe("warnings", () => {
  it("come with their source", () => {
    render(
      <Warnings
        warnings={[
          {
            code: "no-rcd-for-sockets",
            circuit: "sockets",
            says: "Sockets without an RCD",
            source: "BS 7671 411.3.3",
          },
        ]}
      />,
    );
    expect(screen.getByText("Sockets without an RCD")).toBeInTheDocument();
    expect(screen.getByText("BS 7671 411.3.3")).toBeInTheDocument();
  });
  it("say that there are none", () => {
    render(<Warnings warnings={[]} />);
    expect(screen.getByText(/None: every limit is met/)).toBeInTheDocument();
  });
});
