import type { Schemas } from "../../api/client";
import { Choices } from "../../ui/Choices";
import { SelectField } from "../../ui/Field";

type KindChoice = Schemas["KindChoice"];
type NamedPlace = Schemas["NamedPlace"];

/** What somebody chooses to name a fault: where, what, and the conductors where there are several. */
export interface FaultWords {
  at: string;
  kind: string;
  conductors: string;
}

export const NO_FAULT: FaultWords = { at: "", kind: "", conductors: "" };

/** The fault that is chosen; null while something of it is still open. */
export function chosenFault(kinds: KindChoice[], words: FaultWords) {
  const kind = kinds.find((k) => k.id === words.kind);
  const conductors =
    kind?.conductors.length === 1
      ? kind.conductors[0]?.ids
      : words.conductors
        ? words.conductors.split("+")
        : undefined;
  return kind && words.at && conductors ? { kind: kind.id, at: words.at, conductors } : null;
}

interface Props {
  kinds: KindChoice[];
  places: NamedPlace[];
  words: FaultWords;
  onChange: (words: FaultWords) => void;
  large?: boolean;
}

export function FaultFields({ kinds, places, words, onChange, large = false }: Props) {
  const kind = kinds.find((k) => k.id === words.kind);
  return (
    <>
      <div className={large ? "grid gap-3 sm:grid-cols-2" : "space-y-2"}>
        <SelectField
          label="Where"
          large={large}
          value={words.at}
          onChange={(e) => onChange({ ...words, at: e.target.value })}
        >
          <option value="">Choose…</option>
          {places.map((p) => (
            <option key={p.id} value={p.id}>
              {p.label}
            </option>
          ))}
        </SelectField>
        <SelectField
          label="What"
          large={large}
          value={words.kind}
          onChange={(e) => onChange({ ...words, kind: e.target.value, conductors: "" })}
        >
          <option value="">Choose…</option>
          {[...new Set(kinds.map((k) => k.group))].map((group) => (
            <optgroup key={group} label={group}>
              {kinds
                .filter((k) => k.group === group)
                .map((k) => (
                  <option key={k.id} value={k.id}>
                    {k.title}
                  </option>
                ))}
            </optgroup>
          ))}
        </SelectField>
      </div>
      {kind && kind.conductors.length > 1 && (
        <Choices
          label="Conductors"
          large={large}
          value={words.conductors}
          onChange={(conductors) => onChange({ ...words, conductors })}
          options={kind.conductors.map((c) => ({ value: c.ids.join("+"), label: c.label }))}
        />
      )}
    </>
  );
}
