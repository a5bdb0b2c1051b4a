import { useState } from "react";
import type { Schemas } from "../../api/client";
import { BoardPicture, ProfilePicture } from "../../pictures";
import { classes } from "../../ui/classes";
import { Choices } from "../../ui/Choices";
import { SelectField } from "../../ui/Field";
import { Pane } from "../../ui/Pane";
import type { SetView } from "./queries";

interface Props {
  view: SetView;
  preview: Schemas["Preview"];
  /** id of the place being looked at */
  place: string | undefined;
  onPlace: ((place: string) => void) | undefined;
}

/** The boards as the place to put faults: press a station, a circuit's end at the board, or a part of the origin. */
export function RigChooser({ view, preview, place, onPlace }: Props) {
  const pins = new Set(preview.faults.flatMap((f) => [f.fault.at, ...(f.fault.to ? [f.fault.to] : [])]));
  const circuits = view.drawing.boards.flatMap((b) => b.sections.flatMap((s) => s.circuits));
  const lookedAt =
    view.places.find((p) => p.id === place)?.circuit ??
    view.places.find((p) => p.id === preview.faults.at(-1)?.fault.at)?.circuit ??
    undefined;
  return (
    <>
      {view.drawing.boards.map((board, i) => (
        <Pane
          key={board.id}
          title={board.label}
          aside={i === 0 && onPlace ? "press where the fault shall sit" : undefined}
        >
          <BoardPicture
            board={board}
            chosen={circuits.some((c) => c.id === place) ? place : undefined}
            chosenStation={place}
            pins={pins}
            onChoose={onPlace}
            onStation={onPlace && ((circuit, station) => onPlace(`${circuit}/${station}`))}
          />
        </Pane>
      ))}
      <Pane title="Origin, bonds and devices">
        <div className="flex flex-wrap gap-2">
          {view.places
            .filter((p) => p.circuit === null)
            .map((p) => (
              <button
                key={p.id}
                type="button"
                aria-pressed={place === p.id}
                disabled={!onPlace || p.kinds.length === 0}
                onClick={() => onPlace?.(p.id)}
                className={classes(
                  "min-h-10 rounded-md border px-3 text-left disabled:opacity-60",
                  place === p.id ? "border-work bg-work-soft font-semibold" : "border-line bg-sheet",
                )}
              >
                {pins.has(p.id) && (
                  <span aria-hidden="true" className="mr-1 text-plum">
                    ▼
                  </span>
                )}
                {p.label}
              </button>
            ))}
        </div>
        {onPlace && (
          <SelectField
            label="Or from the list"
            className="mt-3 max-w-[420px]"
            value={place ?? ""}
            onChange={(e) => e.target.value && onPlace(e.target.value)}
          >
            <option value="">Choose…</option>
            {view.places
              .filter((p) => p.kinds.length > 0)
              .map((p) => (
                <option key={p.id} value={p.id}>
                  {p.label}
                </option>
              ))}
          </SelectField>
        )}
      </Pane>
      <ProfileOf circuits={circuits} preview={preview} circuit={lookedAt} />
    </>
  );
}

interface ProfileProps {
  circuits: Schemas["CircuitDrawing"][];
  preview: Schemas["Preview"];
  circuit: string | undefined;
}

/** A circuit's readings against cable distance, healthy and with the set: it moves as a size is dragged. */
function ProfileOf({ circuits, preview, circuit }: ProfileProps) {
  const [wanted, setWanted] = useState("R1+R2");
  const curves = preview.profiles.filter((p) => p.circuit === circuit);
  const curve = curves.find((c) => c.quantity === wanted) ?? curves[0];
  const line = circuits.find((c) => c.id === circuit);
  if (!curve || !line) return null;
  const anySet = preview.faults.length > 0;
  return (
    <Pane title={`${line.label} · ${curve.quantity} along the circuit`} aside={line.device}>
      <div className="flex flex-wrap items-center justify-between gap-3">
        <Choices
          label="Quantity"
          value={curve.quantity}
          options={curves.map((c) => ({ value: c.quantity, label: c.quantity }))}
          onChange={setWanted}
        />
        <p className="flex flex-wrap gap-x-5 text-[13px]">
          <span className="text-work">– – healthy</span>
          {anySet && <span className="text-plum">— with this set</span>}
          <span className="text-ink2">
            <span aria-hidden="true" className="mr-1 inline-block h-3 w-6 bg-band align-middle" />
            expected{anySet ? " with this set" : ""}
          </span>
        </p>
      </div>
      <ProfilePicture
        curve={curve}
        circuit={line}
        showFaulted={anySet}
        faultsAt={new Set(curve.faultStations)}
      />
    </Pane>
  );
}
