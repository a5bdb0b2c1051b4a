import { act, renderHook } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { useHistory } from "./useHistory";

describe("history of a draft", () => {
  it("takes steps back and does them again", () => {
    const { result } = renderHook(() => useHistory("a"));
    act(() => result.current.change("b"));
    act(() => result.current.change("c"));
    act(() => result.current.undo());
    expect(result.current.now).toBe("b");
    act(() => result.current.redo());
    expect(result.current.now).toBe("c");
    expect(result.current.canRedo).toBe(false);
  });
  it("joins letters typed into one box into one step", () => {
    const { result } = renderHook(() => useHistory(""));
    act(() => result.current.change("1", "label"));
    act(() => result.current.change("12", "label"));
    act(() => result.current.change("12 m", "length"));
    act(() => result.current.undo());
    expect(result.current.now).toBe("12");
    act(() => result.current.undo());
    expect(result.current.now).toBe("");
    expect(result.current.canUndo).toBe(false);
  });
  it("forgets what was undone once something new is done", () => {
    const { result } = renderHook(() => useHistory(1));
    act(() => result.current.change(2));
    act(() => result.current.undo());
    act(() => result.current.change(3));
    act(() => result.current.redo());
    expect(result.current.now).toBe(3);
  });
});
