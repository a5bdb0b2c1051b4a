import { screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, describe, expect, it, vi } from "vitest";
import { conduct, ticked } from "../../testing/conduct";
import { shown, StandIn } from "../../testing/server";
import { HaltDialog } from "./HaltDialog";
import { MakeSafe } from "./MakeSafe";
import { MorePane } from "./MorePane";
import { PausePane } from "./PausePane";
import { minutes, StageClock } from "./StageClock";

const AT = "/api/assessments/a/conduct";
const NOW = "2026-11-26T10:42:00Z";
let server: StandIn;

beforeEach(() => {
  server = new StandIn();
  for (const deed of ["halt", "resume", "lift-stop", "hand-over", "instrument", "break-off", "ticks"])
    server.answers[`${AT}/${deed}`] = conduct();
});

describe("a clock", () => {
  it("goes on between two answers and says when time is over", async () => {
    const { clock } = conduct();
    const view = shown(<StageClock clock={clock} live={false} receivedAt={Date.now() - 65_000} />);
    expect(screen.getAllByText("21:05")).toHaveLength(2);
    view.unmount();
    shown(
      <StageClock
        clock={{ ...clock, state: "HALTED", dead: { gone: 5500, allowed: 5400 } }}
        live={false}
        receivedAt={Date.now() - 65_000}
      />,
    );
    expect(screen.getByText("91:40")).toBeInTheDocument();
    expect(screen.getByText(/over/)).toBeInTheDocument();
    expect(screen.getByText(/stands still/)).toBeInTheDocument();
  });

  it("counts minutes on, without hours", () => {
    expect(minutes(59.9)).toBe("0:59");
    expect(minutes(3661)).toBe("61:01");
    expect(minutes(-5)).toBe("0:00");
  });
});

describe("stopping the clock", () => {
  it("keeps what is the matter and what costs nothing for it", async () => {
    const closed = vi.fn();
    const steps = [{ id: "cpc", title: "Continuity" }];
    shown(<HaltDialog id="a" conduct={conduct()} steps={steps} open onClose={closed} />);
    expect(screen.getByRole("button", { name: "Stop the clock" })).toBeDisabled();
    await userEvent.type(screen.getByLabelText("What is the matter"), "worn socket");
    await userEvent.click(screen.getByRole("button", { name: "Sockets" }));
    await userEvent.click(screen.getByRole("button", { name: "Continuity" }));
    await userEvent.click(screen.getByRole("button", { name: "Stop the clock" }));
    await vi.waitFor(() => expect(closed).toHaveBeenCalled());
    expect(server.sent[0]?.body).toMatchObject({
      why: "RIG_FAULT",
      what: "worn socket",
      circuits: ["sockets"],
      steps: ["cpc"],
    });
  });

  it("offers four ways on: here, another instrument, another bay, no judgement", async () => {
    const pause = {
      why: "RIG_FAULT" as const,
      words: "Rig fault",
      what: "worn socket",
      by: "Ines Marrow",
      from: NOW,
      to: null,
      outcome: "",
    };
    shown(<PausePane id="a" conduct={conduct({ pauses: [pause] })} />);
    await userEvent.selectOptions(screen.getByLabelText(/Another instrument/), "T2");
    await userEvent.click(screen.getByRole("button", { name: "Use it from now on" }));
    await vi.waitFor(() => expect(server.sent).toHaveLength(1));
    expect(server.sent[0]?.body).toMatchObject({ tester: "t2", reason: "worn socket" });
    expect(screen.getByRole("button", { name: "Carry on there" })).toBeDisabled();
    await userEvent.type(screen.getByLabelText("What was done about it"), "changed");
    await userEvent.click(screen.getByRole("button", { name: "Go on here" }));
    await vi.waitFor(() =>
      expect(server.sent.at(-1)).toMatchObject({ path: `${AT}/resume`, body: { what: "changed" } }),
    );
    server.refuse(`${AT}/break-off`, 409, "the rig is live: make it dead first");
    await userEvent.click(screen.getByRole("button", { name: "End, no judgement" }));
    expect(await screen.findByRole("alert")).toHaveTextContent("make it dead first");
  });
});

describe("making safe", () => {
  const stop = { what: "over a live part", by: "ines", at: NOW };

  it("opens what follows only when every item is ticked and the rig is dead", async () => {
    const safe = conduct({ lists: ticked(conduct().lists, "MAKE_SAFE") });
    const end = vi.fn();
    const common = { id: "a", stop, ending: false, endError: null, onEnd: end };
    const open = shown(<MakeSafe {...common} conduct={conduct()} live={false} />);
    expect(screen.getByRole("button", { name: /It ends here/ })).toBeDisabled();
    await userEvent.click(screen.getByLabelText("away"));
    await vi.waitFor(() =>
      expect(server.sent[0]?.body).toMatchObject({ list: "MAKE_SAFE", item: "away", on: true }),
    );
    open.unmount();
    const live = shown(<MakeSafe {...common} conduct={safe} live />);
    expect(screen.getByRole("button", { name: /It ends here/ })).toBeDisabled();
    live.unmount();
    shown(<MakeSafe {...common} conduct={safe} live={false} />);
    await userEvent.click(screen.getByRole("button", { name: /It ends here/ }));
    expect(end).toHaveBeenCalled();
    const lift = screen.getByRole("button", { name: "Lift the stop, go on" });
    expect(lift).toBeDisabled();
    await userEvent.type(screen.getByLabelText("Or it goes on, because"), "stood back at once");
    await userEvent.click(lift);
    await vi.waitFor(() => expect(server.sent.at(-1)?.path).toBe(`${AT}/lift-stop`));
  });
});

describe("this assessment", () => {
  it("is handed over by name, and lets a tablet in with a code", async () => {
    server.answers[`${AT}/pairing`] = {
      code: "12345678",
      link: "http://192.168.7.4:8080/pair?code=12345678",
      address: "http://192.168.7.4:8080",
      warning: "Only this computer reaches that address.",
      minutes: 10,
    };
    shown(<MorePane id="a" conduct={conduct({ timeFactor: 1.25, given: ["reader"] })} />);
    expect(screen.getByText("× 1.25")).toBeInTheDocument();
    await userEvent.selectOptions(screen.getByLabelText("Hand over to"), "Corin Vale");
    await userEvent.click(screen.getByRole("button", { name: "Hand over" }));
    await vi.waitFor(() => expect(server.sent[0]?.body).toMatchObject({ to: "corin" }));
    await userEvent.click(screen.getByRole("button", { name: "Let a tablet in" }));
    expect(await screen.findByText("1234 5678")).toBeInTheDocument();
    expect(screen.getByTitle("Opens the sheet on a tablet")).toBeInTheDocument();
  });
});
