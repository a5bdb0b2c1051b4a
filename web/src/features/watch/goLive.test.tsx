import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, describe, expect, it, vi } from "vitest";
import type { Schemas } from "../../api/client";
import { GoLive } from "./GoLive";

const refused = { problems: [{ code: "not-safe", where: "", given: "", mend: "CPC open is dead only" }] };
let live: Schemas["LiveView"];
const sent: { path: string; body: unknown }[] = [];

const view: Schemas["LiveView"] = {
  energisedAt: null,
  faults: [
    { index: 0, title: "CPC open", place: "socket 2", safety: "dead only", how: "box", out: false },
    { index: 1, title: "Joint", place: "socket 3", safety: "may stay live", how: "hand", out: true },
  ],
  dangers: [],
  checks: [],
  simulated: false,
  mayGoLive: false,
  whyNot: ["CPC open, socket 2, is dead only: take it out first."],
};

beforeEach(() => {
  live = view;
  sent.length = 0;
  vi.stubGlobal(
    "fetch",
    vi.fn(async (request: Request) => {
      const path = new URL(request.url).pathname;
      if (request.method !== "GET") sent.push({ path, body: await request.json() });
      const refuse = path.endsWith("/on") && !live.mayGoLive;
      return new Response(JSON.stringify(refuse ? refused : live), {
        status: refuse ? 409 : 200,
        headers: { "content-type": "application/json" },
      });
    }),
  );
});

function shown() {
  return render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
      <GoLive id="a" />
    </QueryClientProvider>,
  );
}

describe("GoLive", () => {
  it("lists why not, and shows the server's refusal when it is tried all the same", async () => {
    shown();
    expect(await screen.findByLabelText("Why it may not go live")).toHaveTextContent("take it out first");
    await userEvent.click(screen.getByRole("button", { name: "Go live, with permission" }));
    expect(await screen.findByRole("alert")).toHaveTextContent("CPC open is dead only");
  });

  it("takes a fault out by its relay and lets one be put back", async () => {
    shown();
    await userEvent.click(await screen.findByRole("button", { name: "Release its relay" }));
    await vi.waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject({ path: "/api/assessments/a/live/out", body: { fault: 0, out: true } });
    await userEvent.click(screen.getByRole("button", { name: "Put back" }));
    await vi.waitFor(() => expect(sent).toHaveLength(2));
    expect(sent[1]?.body).toMatchObject({ fault: 1, out: false });
  });

  it("leaves only one thing to do while it is live", async () => {
    live = { ...view, energisedAt: "2026-11-25T09:00:00Z" };
    shown();
    expect(await screen.findByText(/needs your whole attention/)).toBeInTheDocument();
    expect(screen.getAllByRole("button")).toHaveLength(1);
    await userEvent.click(screen.getByRole("button", { name: "It is dead again and locked off" }));
    await vi.waitFor(() => expect(sent[0]?.path).toBe("/api/assessments/a/live/off"));
  });

  it("says the usual caution when nothing stands against it", async () => {
    live = { ...view, faults: [], whyNot: [], mayGoLive: true };
    shown();
    expect(await screen.findByText(/local code and your site’s rules come first/)).toBeInTheDocument();
  });
});
