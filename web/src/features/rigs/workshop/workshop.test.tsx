import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { describe, expect, it, vi } from "vitest";
import { NumberBox } from "./fields";
import { LightGroups } from "./LightGroups";
import { PointsTable } from "./PointsTable";
import { PreviewPane } from "./PreviewPane";
import { ResidualFields } from "./ResidualFields";
import type { GroupJson, Num, PointJson, ResidualJson, RigJson } from "./rigJson";

const points: PointJson[] = [
  { id: "socket-1", label: "socket 1", kind: "twin-socket", atMetres: 6 },
  { id: "socket-2", label: "socket 2", kind: "twin-socket", atMetres: 12 },
  { id: "spur", label: "spur", kind: "single-socket", atMetres: 15, after: "socket-2" },
];

function lastChange<T>(mock: ReturnType<typeof vi.fn>): T {
  return mock.mock.calls.at(-1)?.[0] as T;
}

describe("points of a circuit", () => {
  it("are added beyond the last of the chain, with an id of their own", async () => {
    const onChange = vi.fn();
    render(<PointsTable points={points} ring onChange={onChange} />);
    await userEvent.click(screen.getByRole("button", { name: "Add a point at the end" }));
    const added = lastChange<PointJson[]>(onChange).at(-1);
    expect(added).toMatchObject({ id: "socket-4", atMetres: 17, kind: "twin-socket" });
  });

  it("take what hung on them off when they go", async () => {
    const onChange = vi.fn();
    render(<PointsTable points={points} ring onChange={onChange} />);
    await userEvent.click(screen.getByRole("button", { name: "Remove socket 2" }));
    const left = lastChange<PointJson[]>(onChange);
    expect(left.map((p) => p.id)).toEqual(["socket-1", "spur"]);
    expect(left[1]).not.toHaveProperty("after");
  });

  it("get a load with a usual power", async () => {
    const onChange = vi.fn();
    render(<PointsTable points={points} ring={false} onChange={onChange} />);
    await userEvent.selectOptions(screen.getByLabelText("Load of socket 1"), "heating element");
    expect(lastChange<PointJson[]>(onChange)[0]?.load).toEqual({ kind: "element", watts: 3000 });
  });

  it("can only come from an earlier one", () => {
    render(<PointsTable points={points} ring onChange={vi.fn()} />);
    const choices = [...(screen.getByLabelText("What socket 2 comes from") as HTMLSelectElement).options];
    expect(choices.map((o) => o.text)).toEqual(["the one before", "socket 1"]);
  });
});

describe("a number", () => {
  it("is handed on as a number, also with a comma", async () => {
    const onChange = vi.fn();
    render(<NumberBox label="Length" unit="m" value="" onChange={onChange} />);
    await userEvent.type(screen.getByLabelText("Length, m"), "7");
    expect(onChange).toHaveBeenLastCalledWith(7);
  });
  it("can be typed with a point, digit by digit", async () => {
    const onChange = vi.fn();
    const Kept = () => {
      const [length, setLength] = useState<Num>(6);
      return (
        <NumberBox
          label="Length"
          value={length}
          onChange={(v) => {
            setLength(v);
            onChange(v);
          }}
        />
      );
    };
    render(<Kept />);
    const box = screen.getByLabelText("Length");
    await userEvent.clear(box);
    await userEvent.type(box, "12.50");
    expect(box).toHaveValue("12.50");
    expect(onChange).toHaveBeenLastCalledWith(12.5);
  });
  it("is shown as wrong while it is none", () => {
    render(<NumberBox label="Length" value="five" onChange={vi.fn()} />);
    expect(screen.getByLabelText("Length")).toHaveAttribute("aria-invalid", "true");
  });
});

describe("groups of lamps", () => {
  const groups: GroupJson[] = [
    {
      id: "stairs",
      label: "Stairs",
      feed: "lamp",
      lamps: [{ id: "lamp-1", label: "lamp 1", runMetres: 7, load: { kind: "led-driver", watts: 9 } }],
      switches: [
        { id: "switch-1", label: "switch 1", runMetres: 4 },
        { id: "switch-2", label: "switch 2", runMetres: 5 },
      ],
    },
  ];

  it("say what their switches make of them", () => {
    render(<LightGroups groups={groups} onChange={vi.fn()} />);
    expect(screen.getByText("two-way")).toBeInTheDocument();
  });

  it("become intermediate with a third switch", async () => {
    const onChange = vi.fn();
    render(<LightGroups groups={groups} onChange={onChange} />);
    await userEvent.click(screen.getByRole("button", { name: "Add a switch" }));
    const switches = lastChange<GroupJson[]>(onChange)[0]?.switches ?? [];
    expect(switches.map((s) => s.id)).toEqual(["switch-1", "switch-2", "switch-3"]);
  });

  it("never lose their last lamp", () => {
    render(<LightGroups groups={groups} onChange={vi.fn()} />);
    expect(screen.queryByRole("button", { name: "Remove lamp 1" })).not.toBeInTheDocument();
    expect(screen.getByRole("button", { name: "Remove switch 1" })).toBeInTheDocument();
  });
});

describe("what a draft comes to", () => {
  it("names every problem in its place while it cannot be worked out", () => {
    render(
      <PreviewPane
        rig={{ circuits: [{ id: "c", label: "Cooker" }] } as RigJson}
        problems={[{ code: "x", where: "/circuits/0/way", given: "99", mend: "give a number from 1 to 60" }]}
        view={undefined}
        saved={undefined}
        circuit="c"
        working={false}
      />,
    );
    expect(screen.getByText("Cooker, way")).toBeInTheDocument();
    expect(screen.getByText(/Found 99; give a number from 1 to 60/)).toBeInTheDocument();
    expect(screen.getByText("Cannot be worked out yet.")).toBeInTheDocument();
  });
});

describe("a residual-current device", () => {
  const usual: ResidualJson = { type: "A", ratedResidualMilliamps: 30 };

  it("takes its own time for both half-waves until the other is measured", async () => {
    const onChange = vi.fn();
    render(<ResidualFields residual={usual} onChange={onChange} />);
    await userEvent.type(screen.getByLabelText("IΔn, 0°, ms"), "9");
    expect(lastChange<ResidualJson>(onChange).ratedMillis).toEqual([9, 9]);
  });
  it("goes back to the usual of its kind when its times are cleared", async () => {
    const onChange = vi.fn();
    render(<ResidualFields residual={{ ...usual, fiveTimesMillis: ["", 8] }} onChange={onChange} />);
    await userEvent.clear(screen.getByLabelText("5 × IΔn, 180°, ms"));
    expect(lastChange<ResidualJson>(onChange)).not.toHaveProperty("fiveTimesMillis");
  });
  it("gives up what was measured when it is exchanged for another type", async () => {
    const onChange = vi.fn();
    render(
      <ResidualFields
        residual={{ ...usual, ratedMillis: [20, 24], buttonWorks: false }}
        onChange={onChange}
      />,
    );
    await userEvent.selectOptions(screen.getByLabelText("RCD type"), "AC");
    expect(lastChange<ResidualJson>(onChange)).toEqual({
      type: "AC",
      ratedResidualMilliamps: 30,
      delayed: false,
    });
  });
  it("can have a button that does nothing", async () => {
    const onChange = vi.fn();
    render(<ResidualFields residual={usual} onChange={onChange} />);
    await userEvent.click(screen.getByLabelText("test button works"));
    expect(lastChange<ResidualJson>(onChange).buttonWorks).toBe(false);
  });
});
