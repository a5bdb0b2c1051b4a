import { createStore, del, entries, set, type UseStore } from "idb-keyval";

const OLD = "prantel-outbox";

/**
 * What waits to be sent, on this device: in IndexedDB, so that a reload, a sleep or an empty battery loses nothing. It is read
 * once when the page starts and then held in memory beside; a change is in memory at once and on the disk right after.
 */
export class KeptStore {
  private readonly held = new Map<string, string>();
  private store: UseStore | undefined;
  private writing: Promise<void> = Promise.resolve();

  /** Before the first screen. Where the browser keeps nothing, what is written lasts as long as the page. */
  async load(): Promise<void> {
    try {
      this.store = createStore("prantel", "outbox");
      for (const [key, value] of await entries<string, string>(this.store)) this.held.set(key, value);
    } catch {
      this.store = undefined;
    }
    this.takeOver();
  }

  /** What an earlier version kept elsewhere is taken over. */
  private takeOver(): void {
    for (const key of Object.keys(localStorage)) {
      if (!key.startsWith(`${OLD}|`)) continue;
      const value = localStorage.getItem(key);
      if (value && !this.held.has(key)) this.put(key, value);
      if (this.store) localStorage.removeItem(key);
    }
  }

  get(key: string): string | undefined {
    return this.held.get(key);
  }

  keys(): string[] {
    return [...this.held.keys()];
  }

  put(key: string, value: string): void {
    this.held.set(key, value);
    this.write((store) => set(key, value, store));
  }

  remove(key: string): void {
    if (this.held.delete(key)) this.write((store) => del(key, store));
  }

  clear(): void {
    this.keys().forEach((k) => this.remove(k));
  }

  /** When everything until now is on the disk. */
  settled(): Promise<void> {
    return this.writing;
  }

  /** One after the other: an older value never comes after a newer one. */
  private write(act: (store: UseStore) => Promise<void>): void {
    const { store } = this;
    if (!store) return;
    // a full or forbidden disk only loses the safety over a reload, not the write itself
    this.writing = this.writing.then(() => act(store)).catch(() => undefined);
  }
}

export const keptStore = new KeptStore();
