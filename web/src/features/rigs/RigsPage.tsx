import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import type { Schemas } from "../../api/client";
import { BoardPicture } from "../../pictures";
import { Chip } from "../../ui/Chip";
import { Loaded } from "../../ui/States";
import { clock } from "../../ui/when";
import { LinkButton } from "../../ui/LinkButton";
import { ImportRig } from "./ImportRig";
import { rigQueries } from "./queries";

/** Every rig of the workshop with its drawing. */
export function RigsPage() {
  const rigs = useQuery(rigQueries.all);
  return (
    <>
      <div className="mb-3 flex flex-wrap items-center gap-3">
        <h1 className="mr-auto text-[21px] font-bold">Rigs</h1>
        <ImportRig />
        <LinkButton to="/rigs/new" kind="main">
          New rig
        </LinkButton>
      </div>
      <Loaded query={rigs}>
        {(all) =>
          all.length === 0 ? (
            <p className="border border-line bg-sheet p-6">
              No rig is described yet. Begin one with “New rig”, or bring in a rig file.
            </p>
          ) : (
            <ul className="grid gap-3 lg:grid-cols-2">
              {all.map((rig) => (
                <RigTile key={rig.id} rig={rig} />
              ))}
            </ul>
          )
        }
      </Loaded>
    </>
  );
}

function RigTile({ rig }: { rig: Schemas["RigLine"] }) {
  const boards = rig.drawing.boards;
  const circuits = boards.flatMap((b) => b.sections.flatMap((s) => s.circuits));
  const facts = rig.drawing.supply;
  return (
    <li className="border border-line bg-sheet">
      <Link to={`/rigs/${rig.id}`} className="block h-full p-4 hover:bg-work-soft">
        <div className="flex flex-wrap items-baseline gap-x-3">
          <h2 className="text-[17px] font-bold">{rig.name}</h2>
          <span className="text-ink2">
            {rig.bays.length > 0 ? `bay ${rig.bays.join(", ")}` : "in no bay"} · version {rig.version},{" "}
            {rig.savedBy}, {clock(rig.savedAt)}
          </span>
        </div>
        <p className="text-ink2">
          {facts[0]?.value}, {facts[1]?.value} · {circuits.length} circuits · {rig.boxes} readings
        </p>
        <div className="my-2 flex flex-wrap gap-2">
          {rig.warnings > 0 && <Chip tone="caution">{count(rig.warnings, "warning")}</Chip>}
          {rig.drifts > 0 && <Chip tone="caution">{count(rig.drifts, "reading")} beyond tolerance</Chip>}
        </div>
        {boards.map((board) => (
          <BoardPicture key={board.id} board={board} detailed={false} />
        ))}
      </Link>
    </li>
  );
}

function count(n: number, what: string): string {
  return `${n} ${what}${n === 1 ? "" : "s"}`;
}
