import { ApiProblem, api, data, newEventId, type Schemas } from "../../api/client";
import type { SheetView } from "./queries";

/** One write that is not acknowledged yet. Its event id stays the same however often it is sent. */
export type Pending =
  | { kind: "reading"; eventId: string; slot: string; text: string; basedOn: number }
  | { kind: "judgement"; eventId: string; slot: string; satisfactory: boolean | null; basedOn: number }
  | { kind: "reports"; eventId: string; reports: Schemas["Report"][]; basedOn: number };

type Unsent<T> = T extends Pending ? Omit<T, "eventId"> : never;

export interface OutboxState {
  pending: Pending[];
  /** the server cannot be reached; it is tried again by itself */
  waiting: boolean;
  /** what the server refused, last one first; nothing is retried */
  refused: { write: Pending; error: ApiProblem }[];
}

const RETRY_MS = 3000;

/** What a write is about: writes about the same thing follow each other. */
export function subject(write: Pending | Unsent<Pending>): string {
  return write.kind === "reports" ? "reports" : `${write.kind}/${write.slot}`;
}

/** Number of the last event about a write's subject, as the server's view has it. */
export function seqIn(view: SheetView, write: Pending): number {
  if (write.kind === "reports") return view.reportsSeq;
  const box = view.steps
    .flatMap((s) => s.groups)
    .flatMap((g) => g.boxes)
    .find((b) => b.slot === write.slot);
  return (write.kind === "reading" ? box?.seq : box?.judgedSeq) ?? 0;
}

/**
 * Keeps a candidate's writes until the server has them: in order, over lost connections and reloads. A later write about
 * the same box replaces one that was not sent yet.
 */
export class Outbox {
  private state: OutboxState;
  private readonly listeners = new Set<() => void>();
  private sending = false;
  private stopped = false;
  /** what this page itself wrote last, so that its own writes never conflict with each other */
  private readonly own = new Map<string, number>();

  constructor(
    private readonly sheetId: string,
    private readonly onView: (view: SheetView) => void,
    private readonly storage: Storage = localStorage,
  ) {
    this.state = { pending: this.stored(), waiting: false, refused: [] };
  }

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  snapshot = (): OutboxState => this.state;

  start(): void {
    this.stopped = false;
    void this.flush();
  }

  stop(): void {
    this.stopped = true;
  }

  write(write: Unsent<Pending>): void {
    const about = subject(write);
    // the first one may be on its way already; it must not change under the request
    const first = this.sending ? this.state.pending.slice(0, 1) : [];
    const rest = this.state.pending.slice(first.length).filter((p) => subject(p) !== about);
    this.set({
      pending: [...first, ...rest, { ...write, eventId: newEventId() } as Pending],
      refused: this.state.refused.filter((r) => subject(r.write) !== about),
    });
    void this.flush();
  }

  dismiss(): void {
    this.set({ refused: [] });
  }

  private async flush(): Promise<void> {
    if (this.sending) return;
    this.sending = true;
    while (!this.stopped && this.state.pending[0]) {
      const write = this.state.pending[0];
      try {
        const view = await this.send(write);
        this.own.set(subject(write), seqIn(view, write));
        this.set({ pending: this.state.pending.slice(1), waiting: false });
        this.onView(view);
      } catch (error) {
        const problem = error instanceof ApiProblem ? error : new ApiProblem(0, []);
        const mayPass = problem.isLostConnection || problem.status === 401 || problem.status >= 500;
        if (!mayPass) {
          this.set({
            pending: this.state.pending.slice(1),
            refused: [{ write, error: problem }, ...this.state.refused],
            waiting: false,
          });
          continue;
        }
        this.set({ waiting: true });
        await new Promise((resolve) => setTimeout(resolve, RETRY_MS));
      }
    }
    this.sending = false;
  }

  private send(write: Pending): Promise<SheetView> {
    const params = { path: { id: this.sheetId } };
    const basedOn = Math.max(write.basedOn, this.own.get(subject(write)) ?? 0);
    switch (write.kind) {
      case "reading": {
        const { eventId, slot, text } = write;
        return data(
          api.PUT("/api/my/sheets/{id}/readings", { params, body: { eventId, slot, text, basedOn } }),
        );
      }
      case "judgement": {
        const { eventId, slot, satisfactory } = write;
        return data(
          api.PUT("/api/my/sheets/{id}/judgements", {
            params,
            body: { eventId, slot, satisfactory, basedOn },
          }),
        );
      }
      case "reports": {
        const { eventId, reports } = write;
        return data(
          api.PUT("/api/my/sheets/{id}/fault-reports", { params, body: { eventId, basedOn, reports } }),
        );
      }
    }
  }

  private set(change: Partial<OutboxState>): void {
    this.state = { ...this.state, ...change };
    this.store();
    this.listeners.forEach((listener) => listener());
  }

  private get key(): string {
    return `prantel-outbox-${this.sheetId}`;
  }

  private store(): void {
    try {
      if (this.state.pending.length === 0) this.storage.removeItem(this.key);
      else this.storage.setItem(this.key, JSON.stringify(this.state.pending));
    } catch {
      // a full or forbidden store only loses the safety over a reload, not the write itself
    }
  }

  private stored(): Pending[] {
    try {
      return JSON.parse(this.storage.getItem(this.key) ?? "[]") as Pending[];
    } catch {
      return [];
    }
  }
}
