import { useState } from "react";
import { Button } from "../../ui/Button";
import { TextField } from "../../ui/Field";
import { ProblemNote } from "../../ui/States";
import { TickList } from "../../ui/TickList";
import { clock } from "../../ui/when";
import { type Conduct, listOf, useDeed, useTick } from "./queries";

interface Props {
  id: string;
  conduct: Conduct;
  stop: { what: string; by: string; at: string };
  live: boolean;
  ending: boolean;
  endError: unknown;
  onEnd: () => void;
}

/** After a stop for safety: made safe item by item, then somebody decides what follows. */
export function MakeSafe({ id, conduct, stop, live, ending, endError, onEnd }: Props) {
  const tick = useTick(id);
  const lift = useDeed(id, "lift-stop");
  const [why, setWhy] = useState("");
  const list = listOf(conduct.lists, "MAKE_SAFE");
  const safe = list.complete && !live;
  return (
    <div role="alert" className="mb-3 border-l-8 border-caution bg-caution-soft p-4">
      <p className="text-[22px] font-bold">Stopped for safety, {clock(stop.at)}</p>
      <p className="text-[18px]">{stop.what}</p>
      <div className="mt-3 grid gap-5 lg:grid-cols-2">
        <div className="bg-sheet p-3">
          <h3 className="font-bold">Make safe</h3>
          {live && <p className="font-semibold text-caution">The rig is live: make it dead first, below.</p>}
          <TickList
            view={list}
            disabled={tick.isPending}
            onTick={(item, on) => tick.mutate({ list: "MAKE_SAFE", item, on })}
          />
          <ProblemNote error={tick.error} />
        </div>
        <div className="bg-sheet p-3">
          <h3 className="mb-2 font-bold">Then decide what follows</h3>
          <Button kind="main" large disabled={!safe || ending} onClick={onEnd}>
            It ends here: mark the sheet as it is
          </Button>
          <TextField
            className="mt-4"
            label="Or it goes on, because"
            large
            maxLength={500}
            value={why}
            onChange={(e) => setWhy(e.target.value)}
          />
          <Button
            large
            className="mt-2"
            disabled={!safe || !why.trim() || lift.isPending}
            onClick={() => lift.mutate({ what: why })}
          >
            Lift the stop, go on
          </Button>
          {!safe && <p className="mt-2 text-[15px] text-ink2">Both open when it is made safe.</p>}
          <ProblemNote error={endError ?? lift.error} />
        </div>
      </div>
    </div>
  );
}
