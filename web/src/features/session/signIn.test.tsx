import { screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, describe, expect, it, vi } from "vitest";
import { shown, StandIn } from "../../testing/server";
import { SignInPage } from "./SignInPage";

let server: StandIn;

beforeEach(() => {
  server = new StandIn();
});

describe("signing in", () => {
  it("sends name and password by the Enter key", async () => {
    server.answers["POST /api/session"] = { person: null };
    shown(<SignInPage demo={false} />);
    await userEvent.type(screen.getByLabelText("Sign-in name"), "ines");
    await userEvent.type(screen.getByLabelText("Password"), "toll-gate-7{Enter}");
    await vi.waitFor(() => expect(server.sent).toHaveLength(1));
    expect(server.sent[0]).toEqual({
      method: "POST",
      path: "/api/session",
      body: { id: "ines", password: "toll-gate-7" },
    });
  });

  it("keeps what was typed when it is refused, and says why", async () => {
    server.refuse("POST /api/session", 401, "check name and password");
    shown(<SignInPage demo={false} />);
    await userEvent.type(screen.getByLabelText("Sign-in name"), "ines");
    await userEvent.type(screen.getByLabelText("Password"), "wrong{Enter}");
    expect(await screen.findByRole("alert")).toHaveTextContent("Check name and password");
    expect(screen.getByLabelText("Sign-in name")).toHaveValue("ines");
  });

  it("offers invented people in the demo only", async () => {
    server.answers["/api/demo/sign-ins"] = [
      { id: "owen", name: "Owen Tasker", roles: ["CANDIDATE"], password: "heron-pole-4" },
    ];
    server.answers["POST /api/session"] = { person: null };
    const { unmount } = shown(<SignInPage demo />);
    await userEvent.click(await screen.findByRole("button", { name: /Owen Tasker/ }));
    await vi.waitFor(() => expect(server.sent[0]?.body).toEqual({ id: "owen", password: "heron-pole-4" }));
    unmount();
    shown(<SignInPage demo={false} />);
    expect(screen.queryByRole("button", { name: /Owen Tasker/ })).toBeNull();
  });
});
