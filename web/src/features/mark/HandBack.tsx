import { useState } from "react";
import { Button } from "../../ui/Button";
import { Dialog } from "../../ui/Dialog";
import { TextField } from "../../ui/Field";
import { ProblemNote } from "../../ui/States";

interface Props {
  busy: boolean;
  error: unknown;
  onBack: (reason: string) => void;
}

/** A sheet handed in by mistake goes back while the rig is still as it was. */
export function HandBack({ busy, error, onBack }: Props) {
  const [asking, setAsking] = useState(false);
  const [reason, setReason] = useState("");
  return (
    <>
      <Button kind="quiet" onClick={() => setAsking(true)}>
        Hand back…
      </Button>
      <Dialog
        open={asking}
        onClose={() => setAsking(false)}
        title="Hand the sheet back?"
        about="The candidate can go on writing. Decisions made so far are taken back; both are kept on record."
      >
        <TextField
          label="Why: the candidate reads it"
          value={reason}
          maxLength={300}
          onChange={(e) => setReason(e.target.value)}
        />
        <ProblemNote error={error} />
        <div className="mt-4 flex justify-end gap-2">
          <Button onClick={() => setAsking(false)}>Keep it</Button>
          <Button kind="main" disabled={!reason.trim() || busy} onClick={() => onBack(reason)}>
            Hand back
          </Button>
        </div>
      </Dialog>
    </>
  );
}
