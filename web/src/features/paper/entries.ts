import { api, data, type Schemas } from "../../api/client";
import { KeptWrites, type Unsent } from "../../api/keptWrites";

export type PaperWrite = { eventId: string; slot: string; text: string; satisfactory: boolean | null };

/** Lines of a paper sheet on their way: kept on the device until the server has them. */
export class PaperEntries extends KeptWrites<PaperWrite, Schemas["Entered"]> {
  constructor(
    owner: string,
    private readonly assessment: string,
    private readonly onBox: (box: Schemas["Box"]) => void,
  ) {
    super(owner, `paper-${assessment}`);
  }

  protected about(write: PaperWrite | Unsent<PaperWrite>): string {
    return write.slot;
  }

  protected isNotOwner(status: number): boolean {
    return status === 401 || status === 403;
  }

  protected onAnswer(answer: Schemas["Entered"]): void {
    this.onBox(answer.box);
  }

  protected send(write: PaperWrite): Promise<Schemas["Entered"]> {
    return data(
      api.PUT("/api/assessments/{id}/paper", { params: { path: { id: this.assessment } }, body: write }),
    );
  }
}
