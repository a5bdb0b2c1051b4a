import { useMutation } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api, data } from "../../api/client";
import type { operations } from "../../api/schema";
import { Button } from "../../ui/Button";
import { SelectField, TextField } from "../../ui/Field";
import { ProblemNote } from "../../ui/States";
import type { Group, Write } from "./boxes";

interface Props {
  sheet: string;
  test: string;
  group: Group;
  open: boolean;
  onWrite: (write: Write) => void;
}

/** Where the scheme shows no empty boxes: the candidate says what was read, and where. */
export function AddReading({ sheet, test, group, open, onWrite }: Props) {
  const choice = group.choice;
  const [quantity, setQuantity] = useState("");
  const [place, setPlace] = useState("");
  const [text, setText] = useState("");
  const find = useMutation({
    mutationFn: (w: { quantity: string; place: string; text: string }) =>
      data(
        api.GET("/api/my/sheets/{id}/box", {
          params: {
            path: { id: sheet },
            query: {
              test: test as operations["box"]["parameters"]["query"]["test"],
              group: group.label,
              quantity: w.quantity,
              place: w.place,
            },
          },
        }),
      ),
    onSuccess: (box, w) => {
      onWrite({ kind: "reading", slot: box.slot, text: w.text, basedOn: box.seq });
      setText("");
      setPlace("");
    },
  });
  if (!choice) return null;
  const chosen = quantity || (choice.quantities.length === 1 ? (choice.quantities[0] ?? "") : "");
  const add = (e: FormEvent) => {
    e.preventDefault();
    if (chosen && place && text.trim()) find.mutate({ quantity: chosen, place, text: text.trim() });
  };
  return (
    <form
      onSubmit={add}
      aria-label={`Add a reading, ${group.label}`}
      className="mt-2 grid gap-3 border-t border-line pt-3 sm:grid-cols-[1fr_2fr_10rem_auto] sm:items-end"
    >
      <SelectField
        label="Reading"
        large
        value={chosen}
        disabled={!open}
        onChange={(e) => setQuantity(e.target.value)}
      >
        <option value="">Choose…</option>
        {choice.quantities.map((q) => (
          <option key={q}>{q}</option>
        ))}
      </SelectField>
      <SelectField
        label="Taken at"
        large
        value={place}
        disabled={!open}
        onChange={(e) => setPlace(e.target.value)}
      >
        <option value="">Choose…</option>
        {choice.places.map((p) => (
          <option key={p}>{p}</option>
        ))}
      </SelectField>
      <TextField
        label="As displayed"
        large
        inputMode="decimal"
        autoComplete="off"
        maxLength={160}
        value={text}
        disabled={!open}
        onChange={(e) => setText(e.target.value)}
      />
      <Button
        type="submit"
        large
        disabled={!open || !chosen || !place || text.trim() === "" || find.isPending}
      >
        Write it down
      </Button>
      {find.error && (
        <div className="sm:col-span-4">
          <ProblemNote error={find.error} />
        </div>
      )}
    </form>
  );
}
