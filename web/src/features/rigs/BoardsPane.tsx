import { useState } from "react";
import { BoardPicture, ProfilePicture } from "../../pictures";
import { Choices } from "../../ui/Choices";
import { Pane } from "../../ui/Pane";
import type { RigView } from "./queries";

interface Props {
  view: RigView;
  /** id of the circuit looked at */
  chosen: string | undefined;
  onChoose: (circuit: string) => void;
}

/** Boards with their circuits; under them the profile of the one that is looked at. */
export function BoardsPane({ view, chosen, onChoose }: Props) {
  return (
    <>
      {view.drawing.boards.map((board) => (
        <Pane
          key={board.id}
          title={board.label}
          aside={[board.mainRcd && `main RCD ${board.mainRcd}`, board.surgeProtection && "surge protection"]
            .filter(Boolean)
            .join(" · ")}
        >
          <BoardPicture board={board} chosen={chosen} onChoose={onChoose} />
        </Pane>
      ))}
      <ProfilePane view={view} circuit={chosen ?? view.profiles[0]?.circuit} />
    </>
  );
}

/** A circuit's readings against cable distance, one quantity at a time. */
export function ProfilePane({ view, circuit }: { view: RigView; circuit: string | undefined }) {
  const [wanted, setWanted] = useState("R1+R2");
  const curves = view.profiles.filter((p) => p.circuit === circuit);
  const line = view.circuits.find((c) => c.id === circuit);
  const curve = curves.find((c) => c.quantity === wanted) ?? curves[0];
  if (!line || !curve) return null;
  return (
    <Pane title={`${line.label} · ${curve.quantity} along the circuit`} aside="healthy">
      <div className="no-print">
        <Choices
          label="Quantity"
          value={curve.quantity}
          options={curves.map((c) => ({ value: c.quantity, label: c.quantity }))}
          onChange={setWanted}
        />
      </div>
      <ProfilePicture curve={curve} circuit={line} showFaulted={false} faultsAt={new Set()} />
      <p className="text-[13px] text-ink2">
        <span className="text-work">– – as described</span>
        <span aria-hidden="true" className="mr-1 ml-4 inline-block h-3 w-6 bg-band align-middle" />
        expected: cable, joints, temperature and tester
      </p>
    </Pane>
  );
}
