import { api, data, type Schemas } from "./client";
import { KeptWrites, type KeptState, type Unsent } from "./keptWrites";

export { unsentHere } from "./keptWrites";
export type Changed = Schemas["Changed"];

/** One write that is not acknowledged yet. Its event id stays the same however often it is sent. */
export type Pending =
  | { kind: "reading"; eventId: string; slot: string; text: string; basedOn: number }
  | { kind: "expected"; eventId: string; slot: string; text: string; basedOn: number }
  | { kind: "judgement"; eventId: string; slot: string; satisfactory: boolean | null; basedOn: number }
  | { kind: "reports"; eventId: string; reports: Schemas["Report"][]; basedOn: number };

export type OutboxState = KeptState<Pending>;

/** What a write is about: writes about the same thing follow each other. */
export function subject(write: Pending | Unsent<Pending>): string {
  return write.kind === "reports" ? "reports" : `${write.kind}/${write.slot}`;
}

/** How often a write's subject has been written, as the server's answer has it. */
export function seqIn(changed: Changed, write: Pending): number {
  if (write.kind === "reports") return changed.reportsSeq;
  if (write.kind === "expected") return changed.box?.said?.seq ?? 0;
  return (write.kind === "reading" ? changed.box?.seq : changed.box?.judgedSeq) ?? 0;
}

/** A candidate's writes on one sheet. */
export class Outbox extends KeptWrites<Pending, Changed> {
  /** what this page itself wrote last, so that its own writes never conflict with each other */
  private readonly own = new Map<string, number>();

  constructor(
    owner: string,
    private readonly sheetId: string,
    private readonly onChanged: (changed: Changed, write: Pending) => void,
  ) {
    super(owner, sheetId);
  }

  protected about(write: Pending | Unsent<Pending>): string {
    return subject(write);
  }

  /** A sheet of one's own is always there: who is refused it is not its owner. */
  protected isNotOwner(status: number): boolean {
    return [401, 403, 404].includes(status);
  }

  protected onAnswer(changed: Changed, write: Pending): void {
    this.own.set(subject(write), seqIn(changed, write));
    this.onChanged(changed, write);
  }

  protected send(write: Pending): Promise<Changed> {
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
}
