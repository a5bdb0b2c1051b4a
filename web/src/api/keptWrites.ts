import { ApiProblem, newEventId, type Problem } from "./client";
import { type KeptStore, keptStore } from "./keptStore";

/** What the server refused, and why; it stays until somebody has seen it. */
export interface Refused<W> {
  write: W;
  error: ApiProblem;
}

export interface KeptState<W> {
  pending: W[];
  /** the server cannot be reached, or somebody else is signed in; it is tried again by itself */
  waiting: false | "connection" | "owner";
  /** last one first; nothing is retried */
  refused: Refused<W>[];
}

const RETRY_MS = 3000;
/** An answer that takes longer is taken for none: the same write is sent again, and counts once. */
const ANSWER_MS = 15_000;
const KEY = "prantel-outbox";

/** A write without the id that it gets when it is kept. */
export type Unsent<W> = W extends { eventId: string } ? Omit<W, "eventId"> : never;

/** One write as it is kept: each for itself, so that two tabs of one person never write over each other's. */
interface Kept<W> {
  /** order of writing on this device */
  order: number;
  write: W;
  refused?: { status: number; problems: Problem[] };
}

/** What this device keeps of whom, not sent yet: number of writes by sign-in name. */
export function unsentHere(store: KeptStore = keptStore): Map<string, number> {
  const unsent = new Map<string, number>();
  for (const key of store.keys()) {
    const [prefix, owner] = key.split("|");
    if (prefix !== KEY || !owner) continue;
    const count = read(store, key).filter((k) => !k.refused).length;
    if (count > 0) unsent.set(owner, (unsent.get(owner) ?? 0) + count);
  }
  return unsent;
}

/** An earlier version kept all writes of a sheet in one list. */
function read<W>(store: KeptStore, key: string): Kept<W>[] {
  try {
    const value = JSON.parse(store.get(key) ?? "[]") as Kept<W> | W[];
    return Array.isArray(value) ? value.map((write, order) => ({ order, write })) : [value];
  } catch {
    return [];
  }
}

let lastOrder = 0;
function nextOrder(): number {
  lastOrder = Math.max(Date.now(), lastOrder + 1);
  return lastOrder;
}

/**
 * Keeps a person's writes until the server has them: in order, over lost connections and reloads. A later write about the
 * same thing replaces one that was not sent yet. They belong to a person: whoever else signs in on this device does not
 * send them, and they wait. What was refused is kept too, until somebody has seen it.
 */
export abstract class KeptWrites<W extends { eventId: string }, A> {
  private state: KeptState<W>;
  private readonly listeners = new Set<() => void>();
  private readonly key: string;
  private readonly orders = new Map<string, number>();
  private sending = false;
  private stopped = false;

  protected constructor(
    owner: string,
    what: string,
    private readonly kept: KeptStore = keptStore,
  ) {
    this.key = [KEY, owner, what].join("|");
    this.state = this.load();
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
    const next = { ...write, eventId: newEventId() } as unknown as W;
    this.orders.set(next.eventId, nextOrder());
    this.set({
      pending: [...first, ...rest, next],
      refused: this.state.refused.filter((r) => this.about(r.write) !== about),
    });
    void this.flush();
  }

  /** Somebody has seen what was refused. */
  dismiss(): void {
    this.set({ refused: [] });
  }

  private async flush(): Promise<void> {
    if (this.sending) return;
    this.sending = true;
    while (!this.stopped && this.state.pending[0]) {
      const write = this.state.pending[0];
      try {
        const answer = await answered(this.send(write));
        this.set({ pending: this.state.pending.slice(1), waiting: false });
        this.onAnswer(answer, write);
      } catch (error) {
        const problem = error instanceof ApiProblem ? error : new ApiProblem(0, []);
        const notOwner = this.isNotOwner(problem.status);
        const mayPass =
          problem.isLostConnection || notOwner || problem.status === 429 || problem.status >= 500;
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
    const before = this.state;
    this.state = { ...before, ...change };
    this.store(before);
    this.listeners.forEach((listener) => listener());
  }

  private load(): KeptState<W> {
    const mine = this.kept
      .keys()
      .filter((k) => k === this.key || k.startsWith(`${this.key}|`))
      .flatMap((k) => read<W>(this.kept, k))
      .sort((a, b) => a.order - b.order);
    mine.forEach((k) => this.orders.set(k.write.eventId, k.order));
    if (this.kept.get(this.key) !== undefined) {
      mine.forEach((k) => this.keep(k.write, k.refused));
      this.kept.remove(this.key);
    }
    return {
      pending: mine.filter((k) => !k.refused).map((k) => k.write),
      waiting: false,
      refused: mine
        .flatMap(({ write, refused: r }) =>
          r ? [{ write, error: new ApiProblem(r.status, r.problems) }] : [],
        )
        .reverse(),
    };
  }

  /** Only what changed: what another tab keeps of the same sheet stays as it is. */
  private store(before: KeptState<W>): void {
    const now = new Set(
      [...this.state.pending, ...this.state.refused.map((r) => r.write)].map((w) => w.eventId),
    );
    for (const write of [...before.pending, ...before.refused.map((r) => r.write)]) {
      if (!now.has(write.eventId)) {
        this.kept.remove(this.keyOf(write));
        this.orders.delete(write.eventId);
      }
    }
    const wasPending = new Set(before.pending.map((w) => w.eventId));
    const wasRefused = new Set(before.refused.map((r) => r.write.eventId));
    for (const write of this.state.pending) {
      if (!wasPending.has(write.eventId)) this.keep(write);
    }
    for (const { write, error } of this.state.refused) {
      if (!wasRefused.has(write.eventId)) {
        this.keep(write, { status: error.status, problems: error.problems });
      }
    }
  }

  private keep(write: W, refused?: Kept<W>["refused"]): void {
    const order = this.orders.get(write.eventId) ?? nextOrder();
    const kept: Kept<W> = { order, write, ...(refused && { refused }) };
    this.kept.put(this.keyOf(write), JSON.stringify(kept));
  }

  private keyOf(write: W): string {
    return `${this.key}|${write.eventId}`;
  }
}

/** @throws ApiProblem as of a lost connection when no answer comes for long */
async function answered<A>(sent: Promise<A>): Promise<A> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new ApiProblem(0, [])), ANSWER_MS);
  });
  try {
    return await Promise.race([sent, late]);
  } finally {
    clearTimeout(timer);
  }
}
