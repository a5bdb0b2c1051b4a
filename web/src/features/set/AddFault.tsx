import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { Choices } from "../../ui/Choices";
import { classes } from "../../ui/classes";
import { SelectField } from "../../ui/Field";
import { Pane } from "../../ui/Pane";
import { ProblemNote } from "../../ui/States";
import { type Fault, setQueries, type SetView } from "./queries";
import { SizeField } from "./SizeField";

interface Props {
  id: string;
  view: SetView;
  place: string;
  onLeave: () => void;
  /** the fault as it stands, to be tried; undefined takes it back */
  onDraft: (fault: Fault | undefined) => void;
  onAdd: (fault: Fault) => void;
  problem: unknown;
  /** while the last change is on its way: another one would not know of it */
  busy: boolean;
}

type Kind = Schemas["KindChoice"];

/** The kinds that fit the place picked, with what each would do there; what is tried shows at once. */
export function AddFault({ id, view, place, onLeave, onDraft, onAdd, problem, busy }: Props) {
  const [kindId, setKindId] = useState("");
  const [conductors, setConductors] = useState("");
  const [size, setSize] = useState("");
  const [to, setTo] = useState("");
  const here = useQuery(setQueries.here(id, place));
  const there = view.places.find((p) => p.id === place);
  const kind = view.kinds.find((k) => k.id === kindId);
  if (!there) return null;
  const kinds = view.kinds.filter((k) => there.kinds.includes(k.id));
  const seconds = (k: Kind) =>
    [...new Map((here.data ?? []).filter((h) => h.kind === k.id && h.to).map((h) => [h.to, h])).values()].map(
      (h) => ({ id: h.to as string, label: h.toLabel }),
    );

  const tryOut = (k: Kind, nextConductors: string, nextSize: string, nextTo: string) => {
    setKindId(k.id);
    setConductors(nextConductors);
    setSize(nextSize);
    setTo(nextTo);
    onDraft(k.joinsTwo && !nextTo ? undefined : toFault(place, k, nextConductors, nextSize, nextTo));
  };
  const start = (k: Kind) =>
    tryOut(
      k,
      k.conductors[0]?.ids.join("+") ?? "",
      String(k.size?.usual ?? ""),
      k.joinsTwo ? (seconds(k)[0]?.id ?? "") : "",
    );
  const complete = kind && (!kind.joinsTwo || to);

  return (
    <Pane title={there.label} aside="what fits here" wall="plum">
      <div className="space-y-3">
        <div role="radiogroup" aria-label="Kind of fault" className="max-h-[360px] overflow-auto">
          {[...new Set(kinds.map((k) => k.group))].map((group) => (
            <div key={group} className="mb-2">
              <p className="text-[13px] text-ink2">{group}</p>
              {kinds
                .filter((k) => k.group === group)
                .map((k) => (
                  <KindRow
                    key={k.id}
                    kind={k}
                    chosen={k.id === kindId}
                    here={here.data?.find((h) => h.kind === k.id)}
                    onPress={() => start(k)}
                  />
                ))}
            </div>
          ))}
          {here.isPending && <p className="text-[13px] text-ink2">Working out what each does here…</p>}
        </div>
        {kind && kind.conductors.length > 1 && (
          <Choices
            label="Conductors"
            value={conductors}
            options={kind.conductors.map((c) => ({ value: c.ids.join("+"), label: c.label }))}
            onChange={(c) => tryOut(kind, c, size, to)}
          />
        )}
        {kind?.joinsTwo && (
          <SelectField
            label="With"
            value={to}
            onChange={(e) => tryOut(kind, conductors, size, e.target.value)}
          >
            <option value="">Choose…</option>
            {seconds(kind).map((s) => (
              <option key={s.id} value={s.id}>
                {s.label}
              </option>
            ))}
          </SelectField>
        )}
        {kind?.size && (
          <SizeField size={kind.size} value={size} onChange={(s) => tryOut(kind, conductors, s, to)} />
        )}
        <ProblemNote error={problem} />
        <div className="flex gap-2">
          <Button
            kind="main"
            disabled={!complete || Boolean(problem) || busy}
            onClick={() => kind && onAdd(toFault(place, kind, conductors, size, to))}
          >
            Put it in the set
          </Button>
          <Button kind="quiet" onClick={onLeave}>
            Leave it
          </Button>
        </div>
      </div>
    </Pane>
  );
}

interface RowProps {
  kind: Kind;
  chosen: boolean;
  here: Schemas["KindHere"] | undefined;
  onPress: () => void;
}

function KindRow({ kind, chosen, here, onPress }: RowProps) {
  return (
    <button
      type="button"
      role="radio"
      aria-checked={chosen}
      onClick={onPress}
      className={classes(
        "mb-1 flex min-h-10 w-full items-center justify-between gap-3 rounded-md border px-3 py-1 text-left",
        chosen ? "border-plum bg-plum-soft font-semibold" : "border-line bg-sheet hover:bg-work-soft",
      )}
    >
      <span>{kind.title}</span>
      {here && (
        <span className="text-right text-[13px] leading-4 font-normal whitespace-nowrap text-ink2">
          {here.visibility === "hidden" ? "hidden" : here.firstSeen}
          <span className="block">
            {here.visibility === "borderline" ? "borderline · " : ""}
            difficulty {here.difficulty.toFixed(1)}
          </span>
        </span>
      )}
    </button>
  );
}

function toFault(at: string, kind: Kind, conductors: string, size: string, to: string): Fault {
  return {
    kind: kind.id,
    at,
    conductors: conductors ? conductors.split("+") : [],
    size: kind.size ? Number(size.replace(",", ".")) : null,
    to: kind.joinsTwo ? to : null,
  };
}
