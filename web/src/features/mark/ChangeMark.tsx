import { useState } from "react";
import { Button } from "../../ui/Button";
import { Choices } from "../../ui/Choices";
import { Dialog } from "../../ui/Dialog";
import { TextField } from "../../ui/Field";
import type { Award, MarkLine } from "./queries";

interface Props {
  mark: MarkLine;
  onDecide: (given: { mark: string; given: Award; reason: string }[]) => void;
}

/** Deciding otherwise than proposed: both values and the reason are kept. */
export function ChangeMark({ mark, onDecide }: Props) {
  const [changing, setChanging] = useState(false);
  return (
    <>
      <Button
        kind="quiet"
        aria-label={`Change ${mark.title}, ${mark.circuit ? `${mark.circuit}, ` : ""}${mark.group}`}
        onClick={() => setChanging(true)}
      >
        Change…
      </Button>
      {changing && (
        <Change
          mark={mark}
          onClose={() => setChanging(false)}
          onChange={(given, reason) => {
            onDecide([{ mark: mark.id, given, reason }]);
            setChanging(false);
          }}
        />
      )}
    </>
  );
}

interface ChangeProps {
  mark: MarkLine;
  onClose: () => void;
  onChange: (given: Award, reason: string) => void;
}

function Change({ mark, onClose, onChange }: ChangeProps) {
  const [given, setGiven] = useState<Award>((mark.given ?? mark.proposed ?? "FULL") as Award);
  const [reason, setReason] = useState(mark.reason);
  const differs = given !== mark.proposed;
  return (
    <Dialog open onClose={onClose} title={mark.title} about={mark.evidence}>
      <div className="space-y-3">
        <Choices
          label="Mark"
          value={given}
          onChange={(v) => setGiven(v as Award)}
          options={[
            { value: "FULL", label: "Full" },
            { value: "HALF", label: "Half" },
            { value: "NONE", label: "None" },
          ]}
        />
        <TextField
          label={differs ? "Reason, kept with both values" : "Reason, if you like"}
          value={reason}
          maxLength={1000}
          onChange={(e) => setReason(e.target.value)}
        />
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>Leave it</Button>
          <Button kind="main" disabled={differs && !reason.trim()} onClick={() => onChange(given, reason)}>
            {differs ? "Change it" : "Accept it"}
          </Button>
        </div>
      </div>
    </Dialog>
  );
}
