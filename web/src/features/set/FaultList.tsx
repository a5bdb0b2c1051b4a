import type { Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { Chip } from "../../ui/Chip";
import { Pane } from "../../ui/Pane";

interface Props {
  preview: Schemas["Preview"];
  /** faults beyond this number are only being tried */
  keptCount: number;
  locked: boolean;
  onRemove: (index: number) => void;
  onUndo: (() => void) | undefined;
}

/** The faults of the set, each with whether it can be found, where first, and how it is set. */
export function FaultList({ preview, keptCount, locked, onRemove, onUndo }: Props) {
  return (
    <Pane title="Faults in this set">
      {preview.faults.length === 0 && (
        <p className="text-ink2">
          None: a healthy rig. Press a station in the drawing, or have a set proposed.
        </p>
      )}
      <ul className="divide-y divide-line">
        {preview.faults.map((f, i) => (
          <li key={`${f.title}-${f.place}`} className="py-2">
            <div className="flex items-start gap-2">
              <span aria-hidden="true" className="text-plum">
                ▼
              </span>
              <div className="min-w-0 flex-1">
                <p>
                  <span className="font-bold">{f.title}</span>, {f.place}{" "}
                  <Chip tone={f.visibility === "findable" ? "work" : "caution"}>{f.visibility}</Chip>{" "}
                  <Chip tone={f.safety === "may stay live" ? "plain" : "caution"}>{f.safety}</Chip>{" "}
                  {i >= keptCount && <Chip tone="plum">being tried</Chip>}
                </p>
                <p className="text-[13px] text-ink2">
                  First seen: {f.firstSeen}. {f.severity}.
                </p>
                <p className="mt-1 text-[13px]">
                  {f.how === "box" && <b>Relay {f.relay}. </b>}
                  {f.how === "nothing" ? (
                    <span className="text-caution">
                      Never wired by hand, and no relay of this rig’s box is mapped to it.
                    </span>
                  ) : (
                    f.instruction
                  )}
                </p>
              </div>
              {i < keptCount && !locked && (
                <Button
                  kind="quiet"
                  aria-label={`Take out ${f.title}, ${f.place}`}
                  onClick={() => onRemove(i)}
                >
                  Take out
                </Button>
              )}
            </div>
          </li>
        ))}
      </ul>
      {onUndo && !locked && (
        <Button kind="quiet" shortcut="U" onClick={onUndo}>
          Take the last change back
        </Button>
      )}
    </Pane>
  );
}
