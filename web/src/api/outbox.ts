import { ApiProblem, api, data, newEventId, type Schemas } from "./client";
export type Changed = Schemas["Changed"];

/** One write that is not acknowledged yet. Its event id stays the same however often it is sent. */
export type Pending =
  | { kind: "reading"; eventId: string; slot: string; text: string; basedOn: number }
  | { kind: "expected"; eventId: string; slot: string; text: string; basedOn: number }
  | { kind: "judgement"; eventId: string; slot: string; satisfactory: boolean | null; basedOn: number }
  | { kind: "reports"; eventId: string; reports: Schemas["Report"][]; basedOn: number };

type Unsent<T> = T extends Pending ? Omit<T, "eventId"> : never;

export interface OutboxState {
  pending: Pending[];
  /** the server cannot be reached, or somebody else is signed in; it is tried again by itself */
  waiting: false | "connection" | "owner";
  /** what the server refused, last one first; nothing is retried */
  refused: { write: Pending; error: ApiProblem }[];
}

const RETRY_MS = 3000;

/** What a write is about: writes about the same thing follow each other. */
export function subject(write: Pending | Unsent<Pending>): string {
  return write.kind === "reports" ? "reports" : `${write.kind}/${write.slot}`;
}

/** How often a write's subject has been written, as the server's answer has it. */
export function seqIn(changed: Changed, write: Pending): number {
  if (write.kind === "reports") return changed.reportsSeq;
  if (write.kind === "expected") return changed.box?.expected?.seq ?? 0;
  return (write.kind === "reading" ? changed.box?.seq : changed.box?.judgedSeq) ?? 0;
}

const KEY = "prantel-outbox";

/** What this device keeps of whom, not sent yet: number of writes by sign-in name. */
export function unsentHere(storage: Storage = localStorage): Map<string, number> {
  const unsent = new Map<string, number>();
  for (let i = 0; i < storage.length; i++) {
    const key = storage.key(i) ?? "";
    const [prefix, owner] = key.split("|");
    if (prefix !== KEY || !owner) continue;
    const count = stored(storage, key).length;
    if (count > 0) unsent.set(owner, (unsent.get(owner) ?? 0) + count);
  }
  return unsent;
}

function stored(storage: Storage, key: string): Pending[] {
  try {
    return JSON.parse(storage.getItem(key) ?? "[]") as Pending[];
  } catch {
    return [];
  }
}

/**
 * Keeps a candidate's writes until the server has them: in order, over lost connections and reloads. A later write about
 * the same box replaces one that was not sent yet. They belong to a person: whoever else signs in on this device does not
 * send them, and they wait.
 */
export class Outbox {
  private state: OutboxState;
  private readonly listeners = new Set<() => void>();
  private sending = false;
  private stopped = false;
  /** what this page itself wrote last, so that its own writes never conflict with each other */
  private readonly own = new Map<string, number>();

  constructor(
    private readonly owner: string,
    private readonly sheetId: string,
    private readonly onChanged: (changed: Changed, write: Pending) => void,
    private readonly storage: Storage = localStorage,
  ) {
    this.state = { pending: stored(storage, this.key), waiting: false, refused: [] };
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
        const changed = await this.send(write);
        this.own.set(subject(write), seqIn(changed, write));
        this.set({ pending: this.state.pending.slice(1), waiting: false });
        this.onChanged(changed, write);
      } catch (error) {
        const problem = error instanceof ApiProblem ? error : new ApiProblem(0, []);
        // a sheet of one's own is always there: who is refused it is not its owner
        const notOwner = [401, 403, 404].includes(problem.status);
        const mayPass = problem.isLostConnection || notOwner || problem.status >= 500;
        if (notOwner) window.dispatchEvent(new Event("prantel-signed-out"));
        if (!mayPass) {
          this.set({
            pending: this.state.pending.slice(1),
            refused: [{ write, error: problem }, ...this.state.refused],
            waiting: false,
          });
          continue;
        }
        this.set({ waiting: notOwner ? "owner" : "connection" });
        await new Promise((resolve) => setTimeout(resolve, RETRY_MS));
      }
    }
    this.sending = false;
  }

  private send(write: Pending): Promise<Changed> {
    const params = { path: { id: this.sheetId } };
    const basedOn = Math.max(write.basedOn, this.own.get(subject(write)) ?? 0);
    switch (write.kind) {
      case "reading": {
        const { eventId, slot, text } = write;
        return data(
          api.PUT("/api/my/sheets/{id}/readings", { params, body: { eventId, slot, text, basedOn } }),
        );
      }
      case "expected": {
        const { eventId, slot, text } = write;
        return data(
          api.PUT("/api/my/sheets/{id}/expected", { params, body: { eventId, slot, text, basedOn } }),
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
    return [KEY, this.owner, this.sheetId].join("|");
  }

  private store(): void {
    try {
      if (this.state.pending.length === 0) this.storage.removeItem(this.key);
      else this.storage.setItem(this.key, JSON.stringify(this.state.pending));
    } catch {
      // a full or forbidden store only loses the safety over a reload, not the write itself
    }
  }
}
