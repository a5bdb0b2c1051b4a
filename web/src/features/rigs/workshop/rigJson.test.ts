import { describe, expect, it } from "vitest";
import { freeId, freeWay, omit, parseRig, typed } from "./rigJson";

describe("what is typed into a number", () => {
  it("is a number, with a comma too", () => {
    expect(typed("2,5")).toBe(2.5);
    expect(typed(" 7 ")).toBe(7);
  });
  it("stays text where it is none, for the server to complain about", () => {
    expect(typed("")).toBe("");
    expect(typed("a lot")).toBe("a lot");
    expect(typed("1.2.3")).toBe("1.2.3");
  });
});

describe("ids and ways", () => {
  it("are made from names and never taken twice", () => {
    expect(freeId("Socket 3!", [])).toBe("socket-3");
    expect(freeId("ring", ["ring", "ring-2"])).toBe("ring-3");
    expect(freeId("Ω", [])).toBe("part");
  });
  it("give the lowest free way of a board", () => {
    const circuit = (way: number, board?: string) => ({ way, board }) as never;
    expect(freeWay([circuit(1), circuit(3), circuit(2, "other")], "board", "board")).toBe(2);
  });
});

describe("files", () => {
  it("are worked on only with circuits and boards", () => {
    expect(parseRig("not json")).toBeNull();
    expect(parseRig('{"circuits":[]}')).toBeNull();
    expect(parseRig('{"circuits":[],"boards":[]}')).not.toBeNull();
  });
  it("lose a field without touching the original", () => {
    const point = { id: "a", after: "b" };
    expect(omit(point, "after")).toEqual({ id: "a" });
    expect(point.after).toBe("b");
  });
});
