import { useState } from "react";
import type { Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { Choices } from "../../ui/Choices";
import { Dialog } from "../../ui/Dialog";
import { TextField } from "../../ui/Field";
import { ProblemNote } from "../../ui/States";
import { type Conduct, useDeed } from "./queries";

type Why = Schemas["Halting"]["why"];

const WHYS: { value: Why; label: string; note: string }[] = [
  { value: "RIG_FAULT", label: "The rig", note: "something is not as it should be" },
  { value: "INSTRUMENT_FAULT", label: "The instrument", note: "display, leads, battery" },
  { value: "INTERRUPTION", label: "Something else", note: "alarm, visitor, pause" },
];

interface Props {
  id: string;
  conduct: Conduct;
  steps: { id: string; title: string }[];
  open: boolean;
  onClose: () => void;
}

/** The clock stands still, and what the rig or the instrument did costs the candidate nothing. */
export function HaltDialog({ id, conduct, steps, open, onClose }: Props) {
  const [why, setWhy] = useState<Why>("RIG_FAULT");
  const [what, setWhat] = useState("");
  const [circuits, setCircuits] = useState<string[]>([]);
  const [tests, setTests] = useState<string[]>([]);
  const halt = useDeed(id, "halt");
  const toggle = (list: string[], one: string) =>
    list.includes(one) ? list.filter((x) => x !== one) : [...list, one];
  const send = () =>
    halt.mutate(
      { why, what, circuits, steps: tests },
      {
        onSuccess: () => {
          setWhat("");
          setCircuits([]);
          setTests([]);
          onClose();
        },
      },
    );
  return (
    <Dialog
      open={open}
      onClose={onClose}
      title="Stop the clock"
      about="The sheet closes and the clock stands still until you let the candidate go on."
    >
      <Choices label="What is it" large value={why} onChange={(v) => setWhy(v as Why)} options={WHYS} />
      <TextField
        className="mt-3"
        label="What is the matter"
        large
        maxLength={500}
        value={what}
        onChange={(e) => setWhat(e.target.value)}
      />
      {why !== "INTERRUPTION" && (
        <details className="mt-3" open>
          <summary className="min-h-10 py-2 font-semibold">What costs nothing for it</summary>
          <p className="mb-2 text-[15px] text-ink2">
            Boxes of these that are written now, or stay empty. What is written again afterwards counts.
          </p>
          <Ticked
            label="Circuits"
            all={conduct.circuits.filter((c) => c.tested).map((c) => [c.id, c.label])}
            chosen={circuits}
            onToggle={(c) => setCircuits(toggle(circuits, c))}
          />
          <Ticked
            label="Tests"
            all={steps.map((s) => [s.id, s.title])}
            chosen={tests}
            onToggle={(s) => setTests(toggle(tests, s))}
          />
        </details>
      )}
      <ProblemNote error={halt.error} />
      <div className="mt-3 flex justify-end gap-2">
        <Button large onClick={onClose}>
          Go on
        </Button>
        <Button kind="main" large disabled={!what.trim() || halt.isPending} onClick={send}>
          Stop the clock
        </Button>
      </div>
    </Dialog>
  );
}

interface TickedProps {
  label: string;
  all: [string, string][];
  chosen: string[];
  onToggle: (id: string) => void;
}

function Ticked({ label, all, chosen, onToggle }: TickedProps) {
  return (
    <div role="group" aria-label={label} className="mb-2 flex flex-wrap gap-2">
      {all.map(([id, words]) => (
        <Button
          key={id}
          aria-pressed={chosen.includes(id)}
          className={chosen.includes(id) ? "!bg-work-soft !font-bold" : ""}
          onClick={() => onToggle(id)}
        >
          {chosen.includes(id) ? "● " : ""}
          {words}
        </Button>
      ))}
    </div>
  );
}
