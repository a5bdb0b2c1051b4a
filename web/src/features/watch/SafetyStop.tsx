import { useState } from "react";
import { Button } from "../../ui/Button";
import { Dialog } from "../../ui/Dialog";
import { TextField } from "../../ui/Field";
import { ProblemNote } from "../../ui/States";

const USUAL = [
  "not proved dead",
  "lock off, or its key left",
  "energised without permission",
  "worked over an exposed live part",
  "link left in",
  "earth left off",
];

interface Props {
  busy: boolean;
  error: unknown;
  onStop: (what: string) => void;
}

/** Always in reach, never by accident: a second, deliberate press that says what happened. */
export function SafetyStop({ busy, error, onStop }: Props) {
  const [asking, setAsking] = useState(false);
  const [what, setWhat] = useState("");
  return (
    <>
      <button
        type="button"
        onClick={() => setAsking(true)}
        className="min-h-14 rounded-md border-2 border-caution bg-caution-soft px-6 text-[19px] font-bold text-caution"
      >
        Stop: safety
      </button>
      <Dialog
        open={asking}
        onClose={() => setAsking(false)}
        title="Stop for safety?"
        about="Stop the person first, then the record. The sheet freezes and the rig is made safe; it ends this assessment."
      >
        <div className="mb-3 flex flex-wrap gap-2">
          {USUAL.map((u) => (
            <Button key={u} large aria-pressed={what === u} onClick={() => setWhat(u)}>
              {u}
            </Button>
          ))}
        </div>
        <TextField
          label="What happened"
          large
          maxLength={500}
          value={what}
          onChange={(e) => setWhat(e.target.value)}
        />
        <ProblemNote error={error as Error | null} />
        <div className="mt-3 flex justify-end gap-2">
          <Button large onClick={() => setAsking(false)}>
            Go on
          </Button>
          <Button
            kind="main"
            large
            disabled={!what.trim() || busy}
            onClick={() => {
              onStop(what.trim());
              setAsking(false);
            }}
          >
            Stop the assessment
          </Button>
        </div>
      </Dialog>
    </>
  );
}
