import { fireEvent, render, screen } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import { ProcedureLine } from "./ProcedureLine";

const step = (id: string, live = false) => ({ id, title: id, live, state: "OPEN" as const, next: false });

describe("ProcedureLine", () => {
  it("is one stop for Tab, and the arrows go along it", () => {
    const onChoose = vi.fn();
    render(
      <ProcedureLine
        steps={[step("isolate"), step("bonds"), step("ze", true)]}
        chosen="bonds"
        stopped={false}
        onChoose={onChoose}
      />,
    );
    const stops = screen.getAllByRole("button").filter((b) => b.tabIndex === 0);
    expect(stops.map((b) => b.textContent)).toEqual(["bonds, open"]);
    const list = screen.getByRole("list");
    fireEvent.keyDown(list, { key: "ArrowRight" });
    expect(onChoose).toHaveBeenLastCalledWith("ze");
    expect(screen.getByRole("button", { name: /^ze/ })).toHaveFocus();
    fireEvent.keyDown(list, { key: "ArrowLeft" });
    expect(onChoose).toHaveBeenLastCalledWith("isolate");
    fireEvent.keyDown(list, { key: "End" });
    expect(onChoose).toHaveBeenLastCalledWith("ze");
    fireEvent.keyDown(list, { key: "x" });
    expect(onChoose).toHaveBeenCalledTimes(3);
  });
});
