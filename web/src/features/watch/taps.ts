import { api, data, type Schemas } from "../../api/client";
import { KeptWrites, type KeptState, type Unsent } from "../../api/keptWrites";

/** What the server says, with when this device heard it: the clock goes on from there. */
export type WatchView = Schemas["WatchView"] & { receivedAt: number };

export function received(view: Schemas["WatchView"]): WatchView {
  return { ...view, receivedAt: Date.now() };
}

/** Puts an answer in the place of an older one, never of a newer one: answers may overtake each other. */
export function newer(view: Schemas["WatchView"]) {
  return (has: WatchView | undefined): WatchView => (has && has.seq > view.seq ? has : received(view));
}

/** Something tapped that is not acknowledged yet. */
export type Tap =
  | {
      kind: "seen";
      eventId: string;
      observation: string;
      sight: "RIGHT" | "SLIP" | "NOT_SEEN";
      slip: string;
    }
  | { kind: "asked"; eventId: string; question: string; points: number[] | null };

export type TapState = KeptState<Tap>;

/** An assessor's taps on one assessment: kept on the device until the server has them. */
export class Taps extends KeptWrites<Tap, Schemas["WatchView"]> {
  constructor(
    owner: string,
    private readonly assessment: string,
    private readonly onView: (view: Schemas["WatchView"]) => void,
  ) {
    super(owner, `watch-${assessment}`);
  }

  protected about(tap: Tap | Unsent<Tap>): string {
    return tap.kind === "seen" ? `seen/${tap.observation}` : `asked/${tap.question}`;
  }

  protected isNotOwner(status: number): boolean {
    return status === 401 || status === 403;
  }

  protected onAnswer(view: Schemas["WatchView"]): void {
    this.onView(view);
  }

  protected send(tap: Tap): Promise<Schemas["WatchView"]> {
    const params = { path: { id: this.assessment } };
    const { eventId } = tap;
    if (tap.kind === "seen") {
      const { observation, sight, slip } = tap;
      return data(
        api.PUT("/api/assessments/{id}/watch/observations", {
          params,
          body: { eventId, observation, sight, slip },
        }),
      );
    }
    const { question, points } = tap;
    return data(
      api.PUT("/api/assessments/{id}/watch/questions", { params, body: { eventId, question, points } }),
    );
  }
}

/** A stop for safety that the server has not confirmed. */
export interface StopWrite {
  eventId: string;
  what: string;
}

/**
 * A stop for safety, kept on the device until the server has it, like every tap; but by itself, so that no tap that hangs
 * holds it up, and never dropped: what is refused stays in sight until somebody has read why.
 */
export class Stops extends KeptWrites<StopWrite, Schemas["WatchView"]> {
  constructor(
    owner: string,
    private readonly assessment: string,
    private readonly onView: (view: Schemas["WatchView"]) => void,
  ) {
    super(owner, `stop-${assessment}`);
  }

  protected about(): string {
    return "stop";
  }

  protected isNotOwner(status: number): boolean {
    return status === 401 || status === 403;
  }

  protected onAnswer(view: Schemas["WatchView"]): void {
    this.onView(view);
  }

  protected send({ eventId, what }: StopWrite): Promise<Schemas["WatchView"]> {
    return data(
      api.POST("/api/assessments/{id}/watch/stop", {
        params: { path: { id: this.assessment } },
        body: { eventId, what },
      }),
    );
  }
}

/** What the server has, with what is not sent yet laid over it. */
export function withTaps(view: WatchView, pending: Tap[]): WatchView {
  if (pending.length === 0) return view;
  const seen = (id: string) => pending.findLast((t) => t.kind === "seen" && t.observation === id);
  const asked = (id: string) => pending.findLast((t) => t.kind === "asked" && t.question === id);
  return {
    ...view,
    steps: view.steps.map((step) => ({
      ...step,
      observations: step.observations.map((o) => {
        const tap = seen(o.id);
        return tap?.kind === "seen"
          ? { ...o, seen: tap.sight.toLowerCase().replace("_", "-"), slip: tap.slip }
          : o;
      }),
      questions: step.questions.map((q) => {
        const tap = asked(q.id);
        return tap?.kind === "asked" ? { ...q, said: tap.points } : q;
      }),
    })),
  };
}
