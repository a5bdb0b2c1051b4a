import { ApiProblem, newEventId } from "./client";
import { type KeptStore, keptStore } from "./keptStore";

export interface KeptState<W> {
  pending: W[];
  /** the server cannot be reached, or somebody else is signed in; it is tried again by itself */
  waiting: false | "connection" | "owner";
  /** what the server refused, last one first; nothing is retried */
  refused: { write: W; error: ApiProblem }[];
}

const RETRY_MS = 3000;
const KEY = "prantel-outbox";

/** A write without the id that it gets when it is kept. */
export type Unsent<W> = W extends { eventId: string } ? Omit<W, "eventId"> : never;

/** What this device keeps of whom, not sent yet: number of writes by sign-in name. */
export function unsentHere(store: KeptStore = keptStore): Map<string, number> {
  const unsent = new Map<string, number>();
  for (const key of store.keys()) {
    const [prefix, owner] = key.split("|");
    if (prefix !== KEY || !owner) continue;
    const count = stored(store, key).length;
    if (count > 0) unsent.set(owner, (unsent.get(owner) ?? 0) + count);
  }
  return unsent;
}

function stored<W>(store: KeptStore, key: string): W[] {
  try {
    return JSON.parse(store.get(key) ?? "[]") as W[];
  } catch {
    return [];
  }
}

/**
 * Keeps a person's writes until the server has them: in order, over lost connections and reloads. A later write about the
 * same thing replaces one that was not sent yet. They belong to a person: whoever else signs in on this device does not
 * send them, and they wait.
 */
export abstract class KeptWrites<W extends { eventId: string }, A> {
  private state: KeptState<W>;
  private readonly listeners = new Set<() => void>();
  private readonly key: string;
  private sending = false;
  private stopped = false;

  protected constructor(
    owner: string,
    what: string,
    private readonly kept: KeptStore = keptStore,
  ) {
    this.key = [KEY, owner, what].join("|");
    this.state = { pending: stored(kept, this.key), waiting: false, refused: [] };
  }

  /** What a write is about: writes about the same thing follow each other. */
  protected abstract about(write: W | Unsent<W>): string;
  protected abstract send(write: W): Promise<A>;
  protected abstract onAnswer(answer: A, write: W): void;
  /** Whether a refusal says that somebody else is signed in here. */
  protected abstract isNotOwner(status: number): boolean;

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  snapshot = (): KeptState<W> => this.state;

  start(): void {
    this.stopped = false;
    void this.flush();
  }

  stop(): void {
    this.stopped = true;
  }

  write(write: Unsent<W>): void {
    const about = this.about(write);
    // the first one may be on its way already; it must not change under the request
    const first = this.sending ? this.state.pending.slice(0, 1) : [];
    const rest = this.state.pending.slice(first.length).filter((p) => this.about(p) !== about);
    this.set({
      pending: [...first, ...rest, { ...write, eventId: newEventId() } as unknown as W],
      refused: this.state.refused.filter((r) => this.about(r.write) !== about),
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
        const answer = await this.send(write);
        this.set({ pending: this.state.pending.slice(1), waiting: false });
        this.onAnswer(answer, write);
      } catch (error) {
        const problem = error instanceof ApiProblem ? error : new ApiProblem(0, []);
        const notOwner = this.isNotOwner(problem.status);
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

  private set(change: Partial<KeptState<W>>): void {
    this.state = { ...this.state, ...change };
    this.store();
    this.listeners.forEach((listener) => listener());
  }

  private store(): void {
    if (this.state.pending.length === 0) this.kept.remove(this.key);
    else this.kept.put(this.key, JSON.stringify(this.state.pending));
  }
}
