import { useState } from "react";
import type { Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { Choices } from "../../ui/Choices";
import { SelectField } from "../../ui/Field";
import { Pane } from "../../ui/Pane";
import { ProblemNote } from "../../ui/States";
import type { Fault, SetView } from "./queries";
import { SizeField } from "./SizeField";

interface Props {
  view: SetView;
  place: string | undefined;
  onPlace: (place: string | undefined) => void;
  /** the fault as it stands, to be tried; undefined takes it back */
  onDraft: (fault: Fault | undefined) => void;
  onAdd: (fault: Fault) => void;
  problem: unknown;
}

/** Puts a fault at the place picked in the drawing or in the list; what it would do shows at once. */
export function AddFault({ view, place, onPlace, onDraft, onAdd, problem }: Props) {
  const [kindId, setKindId] = useState("");
  const [conductors, setConductors] = useState("");
  const [size, setSize] = useState("");
  const there = view.places.find((p) => p.id === place);
  const kind = view.kinds.find((k) => k.id === kindId);

  const tryOut = (nextKind: Schemas["KindChoice"], nextConductors: string, nextSize: string) => {
    setKindId(nextKind.id);
    setConductors(nextConductors);
    setSize(nextSize);
    if (there) onDraft(toFault(there, nextKind, nextConductors, nextSize));
  };

  return (
    <Pane
      title="Add a fault"
      aside={there ? `at ${there.label}` : "pick a station, a bond, or a place from the list"}
    >
      <div className="space-y-3">
        <SelectField
          label="Place"
          value={place ?? ""}
          onChange={(e) => onPlace(e.target.value || undefined)}
          className="max-w-[420px]"
        >
          <option value="">Choose…</option>
          {view.places.map((p) => (
            <option key={p.id} value={p.id}>
              {p.label}
            </option>
          ))}
        </SelectField>
        {there && (
          <Choices
            label="Kind of fault"
            value={kindId}
            options={view.kinds
              .filter((k) => there.kinds.includes(k.id))
              .map((k) => ({ value: k.id, label: k.title }))}
            onChange={(id) => {
              const next = view.kinds.find((k) => k.id === id);
              if (next) tryOut(next, next.conductors[0]?.ids.join("+") ?? "", String(next.size?.usual ?? ""));
            }}
          />
        )}
        {there && kind && kind.conductors.length > 1 && (
          <Choices
            label="Conductors"
            value={conductors}
            options={kind.conductors.map((c) => ({ value: c.ids.join("+"), label: c.label }))}
            onChange={(c) => tryOut(kind, c, size)}
          />
        )}
        {there && kind?.size && (
          <SizeField size={kind.size} value={size} onChange={(s) => tryOut(kind, conductors, s)} />
        )}
        <ProblemNote error={problem} />
        {there && kind && (
          <div className="flex gap-2">
            <Button
              kind="main"
              disabled={Boolean(problem)}
              onClick={() => onAdd(toFault(there, kind, conductors, size))}
            >
              Put it in the set
            </Button>
            <Button kind="quiet" onClick={() => onPlace(undefined)}>
              Leave it
            </Button>
          </div>
        )}
      </div>
    </Pane>
  );
}

function toFault(
  place: Schemas["PlaceChoice"],
  kind: Schemas["KindChoice"],
  conductors: string,
  size: string,
): Fault {
  return {
    kind: kind.id,
    circuit: place.circuit,
    point: place.point,
    bond: place.bond,
    conductors: conductors ? conductors.split("+") : [],
    size: kind.size ? Number(size.replace(",", ".")) : null,
  };
}
