import { useState } from "react";
import type { Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { SelectField } from "../../ui/Field";
import { Pane } from "../../ui/Pane";
import type { Bench } from "./useBench";

/** What the learner says is wrong with the rig. */
export function Faults({ bench, naming }: { bench: Bench; naming: Schemas["PracticeNaming"] }) {
  const [at, setAt] = useState("");
  const [kindId, setKind] = useState("");
  const [conductors, setConductors] = useState("");
  const named = bench.state.named;
  const kind = naming.kinds.find((k) => k.id === kindId);
  const chosen =
    kind && kind.conductors.length === 1
      ? kind.conductors[0]
      : conductors
        ? conductors.split("+")
        : undefined;
  const title = (id: string) => naming.kinds.find((k) => k.id === id)?.title ?? id;
  const where = (id: string) => naming.places.find((p) => p.id === id)?.label ?? id;
  return (
    <Pane title="Faults you found">
      {named.length === 0 && <p className="text-ink2">None named.</p>}
      <ul className="divide-y divide-line">
        {named.map((n, i) => (
          <li key={i} className="flex items-center gap-2 py-1.5">
            <span className="flex-1">
              <b>{title(n.kind)}</b>, {where(n.at)}
            </span>
            {!bench.shut && (
              <Button kind="quiet" onClick={() => bench.practice.name(named.filter((_, k) => k !== i))}>
                Take back
              </Button>
            )}
          </li>
        ))}
      </ul>
      {!bench.shut && (
        <div className="mt-2 space-y-2">
          <SelectField label="Where" value={at} onChange={(e) => setAt(e.target.value)}>
            <option value="">Choose…</option>
            {naming.places.map((p) => (
              <option key={p.id} value={p.id}>
                {p.label}
              </option>
            ))}
          </SelectField>
          <SelectField
            label="What"
            value={kindId}
            onChange={(e) => {
              setKind(e.target.value);
              setConductors("");
            }}
          >
            <option value="">Choose…</option>
            {[...new Set(naming.kinds.map((k) => k.group))].map((group) => (
              <optgroup key={group} label={group}>
                {naming.kinds
                  .filter((k) => k.group === group)
                  .map((k) => (
                    <option key={k.id} value={k.id}>
                      {k.title}
                    </option>
                  ))}
              </optgroup>
            ))}
          </SelectField>
          {kind && kind.conductors.length > 1 && (
            <SelectField
              label="Conductors"
              value={conductors}
              onChange={(e) => setConductors(e.target.value)}
            >
              <option value="">Choose…</option>
              {kind.conductors.map((c) => (
                <option key={c.join("+")} value={c.join("+")}>
                  {c.join(" and ")}
                </option>
              ))}
            </SelectField>
          )}
          <Button
            disabled={!at || !kind || !chosen}
            onClick={() => {
              if (!kind || !chosen) return;
              bench.practice.name([...named, { kind: kind.id, at, conductors: chosen }]);
              setAt("");
              setKind("");
              setConductors("");
            }}
          >
            Name it
          </Button>
        </div>
      )}
    </Pane>
  );
}
