import { act, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import type { Schemas } from "../api/client";
import { shown, StandIn } from "../testing/server";
import { Shell } from "./Shell";

const ines: Schemas["Person"] = { id: "ines", name: "Ines Marrow", roles: ["ASSESSOR"], sheet: null };

function places(): (string | null)[] {
  return within(screen.getByRole("navigation", { name: "Places" }))
    .getAllByRole("link")
    .map((l) => l.textContent);
}

function shell(person: Schemas["Person"], at = "/floor") {
  return shown(
    <Shell person={person} demo>
      <h1>The page</h1>
      <input aria-label="a box" />
    </Shell>,
    at,
  );
}

beforeEach(() => {
  new StandIn();
  vi.stubGlobal("matchMedia", () => ({ matches: false }));
});

afterEach(() => {
  vi.restoreAllMocks();
  document.documentElement.removeAttribute("data-theme");
  localStorage.clear();
});

describe("the frame of every page", () => {
  it("offers each role its own places", () => {
    const first = shell(ines);
    expect(places()).toEqual(["Floor", "Records", "Rigs", "Schemes", "Practice", "Reference"]);
    first.unmount();
    const second = shell({ ...ines, roles: ["ADMINISTRATOR", "LEAD"] });
    expect(places()).toEqual(["Floor", "Records", "Rigs", "Schemes", "Workshop", "Practice", "Reference"]);
    second.unmount();
    shell({ ...ines, roles: ["CANDIDATE"] });
    expect(places()).toEqual(["My sheets", "Practice", "Reference"]);
  });

  it("shows a technician rigs and no marks, and a paired tablet its one sheet", () => {
    const first = shell({ ...ines, roles: ["TECHNICIAN"] });
    expect(places()).toEqual(["Rigs", "Schemes", "Workshop", "Practice", "Reference"]);
    first.unmount();
    shell({ ...ines, roles: ["CANDIDATE"], sheet: "s1" });
    expect(places()).toEqual(["My sheet", "Reference"]);
    expect(screen.queryByTitle("My account")).not.toBeInTheDocument();
  });

  it("calls the tab after the page, and lets one skip what stands before it", async () => {
    shell(ines, "/rigs");
    await waitFor(() => expect(document.title).toBe("The page · Prantel"));
    expect(screen.getByRole("link", { name: "Skip to the page" })).toHaveAttribute("href", "#page");
    expect(screen.getByRole("main")).toHaveAttribute("id", "page");
    expect(screen.getByRole("main")).toHaveFocus();
  });

  it("marks the place one is at", () => {
    shell(ines, "/rigs/toll-cottage");
    expect(screen.getByRole("link", { name: "Rigs" })).toHaveAttribute("aria-current", "page");
    expect(screen.getByRole("link", { name: "Floor" })).not.toHaveAttribute("aria-current");
  });

  it("lists the keys at a question mark, but not while one writes", async () => {
    shell(ines);
    await userEvent.type(screen.getByLabelText("a box"), "why?");
    expect(screen.queryByRole("dialog")).toBeNull();
    await userEvent.click(document.body);
    await userEvent.keyboard("?");
    expect(await screen.findByRole("dialog", { name: "Help" })).toHaveTextContent(
      "take the last change back",
    );
    await userEvent.keyboard("{Escape}");
    expect(screen.queryByRole("dialog")).toBeNull();
  });

  it("says that there is no network, and takes it back", () => {
    shell(ines);
    const online = vi.spyOn(navigator, "onLine", "get").mockReturnValue(false);
    act(() => void window.dispatchEvent(new Event("offline")));
    expect(screen.getByRole("status")).toHaveTextContent("is kept here and sent when it is back");
    online.mockReturnValue(true);
    act(() => void window.dispatchEvent(new Event("online")));
    expect(screen.queryByRole("status")).toBeNull();
  });

  it("changes between light and dim", async () => {
    shell(ines);
    const button = screen.getByRole("button", { name: /theme$/ });
    const before = button.textContent;
    await userEvent.click(button);
    expect(screen.getByRole("button", { name: /theme$/ }).textContent).not.toBe(before);
  });
});
