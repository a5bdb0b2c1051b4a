import { beforeEach, describe, expect, it } from "vitest";
import { ApiProblem, deed } from "./client";

const lost = () => Promise.reject(new ApiProblem(0, []));

describe("a deed", () => {
  const ids: string[] = [];
  beforeEach(() => void (ids.length = 0));

  it("carries the same event id until it is known to have arrived, so that it counts once", async () => {
    const keep = (id: string) => void ids.push(id);
    await expect(deed(["arm", "a"], (id) => (keep(id), lost()))).rejects.toThrow("it counts once");
    await deed(["arm", "a"], (id) => (keep(id), Promise.resolve()));
    await deed(["arm", "a"], (id) => (keep(id), Promise.resolve()));
    expect(ids[1]).toBe(ids[0]);
    expect(ids[2]).not.toBe(ids[0]);
  });

  it("is a new one when something else is meant, or the server refused it", async () => {
    const keep = (id: string) => void ids.push(id);
    await expect(deed(["out", "a", 1], (id) => (keep(id), lost()))).rejects.toThrow();
    await deed(["out", "a", 2], (id) => (keep(id), Promise.resolve()));
    const refused = () =>
      Promise.reject(new ApiProblem(409, [{ code: "x", where: "", given: "", mend: "no" }]));
    await expect(deed(["out", "b"], (id) => (keep(id), refused()))).rejects.toThrow("No");
    await deed(["out", "b"], (id) => (keep(id), Promise.resolve()));
    expect(new Set(ids).size).toBe(4);
  });
});
