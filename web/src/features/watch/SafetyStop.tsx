import { useState } from "react";
import { Button } from "../../ui/Button";
import { Dialog } from "../../ui/Dialog";
import { TextField } from "../../ui/Field";
import { sentence } from "../../api/client";
import type { KeptState } from "../../api/keptWrites";
import type { StopWrite } from "./taps";

const USUAL = [
  "not proved dead",
  "lock off, or its key left",
  "energised without permission",
  "worked over an exposed live part",
  "link left in",
  "earth left off",
];

interface Props {
  onStop: (what: string) => void;
}

/** Always in reach, never by accident: a second, deliberate press that says what happened. */
export function SafetyStop({ onStop }: Props) {
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
        about="Stop the person by voice first, then the record. The sheet freezes and the rig is made safe."
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
        <div className="mt-3 flex justify-end gap-2">
          <Button large onClick={() => setAsking(false)}>
            Go on
          </Button>
          <Button
            kind="main"
            large
            disabled={!what.trim()}
            onClick={() => {
              onStop(what.trim());
              setWhat("");
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

interface StoppingProps {
  state: KeptState<StopWrite>;
  onAgain: (what: string) => void;
  onSeen: () => void;
}

/** A stop that the server has not confirmed, or refused: the person is stopped by voice, whatever the network does. */
export function Stopping({ state, onAgain, onSeen }: StoppingProps) {
  const waits = state.pending[0];
  const refused = state.refused[0];
  if (!waits && !refused) return null;
  return (
    <div role="alert" className="my-2 border-l-8 border-danger bg-danger-soft p-3">
      {waits && (
        <>
          <p className="text-[20px] font-bold text-danger">Stop: safety. Not yet confirmed by the server.</p>
          <p>
            <b>Act by voice now:</b> stop the person, make the rig safe. The sheet may still be open. “
            {waits.what}” is kept on this device{" "}
            {state.waiting === "owner"
              ? "and sent when you sign in again."
              : state.waiting
                ? "and sent as soon as there is a connection."
                : "and on its way."}
          </p>
        </>
      )}
      {!waits && refused && (
        <>
          <p className="text-[20px] font-bold text-danger">
            The server did not take this stop. Act by voice.
          </p>
          <p>
            “{refused.write.what}” is not on record: {refused.error.problems.map(sentence).join(" ")}
          </p>
          <div className="mt-2 flex flex-wrap gap-2">
            <Button large kind="main" onClick={() => onAgain(refused.write.what)}>
              Send it again
            </Button>
            <Button large onClick={onSeen}>
              I have read it
            </Button>
          </div>
        </>
      )}
    </div>
  );
}
