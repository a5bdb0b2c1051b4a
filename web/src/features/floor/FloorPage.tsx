import { useQuery } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { Link } from "react-router";
import { useInterval } from "../../api/changes";
import type { Schemas } from "../../api/client";
import { LinkButton } from "../../ui/LinkButton";
import { Pane } from "../../ui/Pane";
import { Loaded } from "../../ui/States";
import { clock } from "../../ui/when";
import { BayTile } from "./BayTile";
import { floorQueries } from "./queries";

/** The room as it stands: bays along the wall, and in the aisle what needs the assessor next. */
export function FloorPage() {
  const floor = useQuery({ ...floorQueries.now, refetchInterval: useInterval(5000) });
  return (
    <Loaded query={floor}>
      {(room) => (
        <>
          <div className="mb-3 flex flex-wrap items-center gap-3">
            <h1 className="mr-auto flex flex-wrap items-baseline gap-x-5 text-[21px] font-bold">
              Workshop floor
              <span className="text-[15px] font-normal text-ink2">{summary(room)}</span>
            </h1>
            {room.bays.length > 0 && <LinkButton to="/class-plan">Plan a class</LinkButton>}
          </div>
          <div className="relative flex min-h-[calc(100vh-150px)] flex-col border-[3px] border-frame bg-sheet px-4 pb-4">
            {room.bays.length === 0 ? <EmptyRoom /> : <Bays bays={room.bays} />}
            <Aisle needs={room.aisle} />
            <Door />
            <Kept kept={room.kept} />
          </div>
        </>
      )}
    </Loaded>
  );
}

function summary(room: Schemas["FloorView"]): string {
  const bays = room.bays.length === 1 ? "1 bay" : `${room.bays.length} bays`;
  const set = room.bays.filter((b) => b.faultsSet > 0).length;
  const live = room.bays.filter((b) => b.live).map((b) => b.number);
  const supply = live.length === 0 ? "all dead" : `LIVE: bay ${live.join(", ")}`;
  return `${bays} · ${set === 0 ? "no faults set" : `faults set in ${set}`} · ${supply}`;
}

function EmptyRoom() {
  return (
    <p className="py-8 text-ink2">No bay yet. An administrator adds rigs and bays on the Workshop page.</p>
  );
}

/** As many columns as bays, up to five: a class stands in one row. */
const COLUMNS = [
  "",
  "",
  "lg:grid-cols-2",
  "lg:grid-cols-3",
  "lg:grid-cols-4",
  "lg:grid-cols-3 xl:grid-cols-5",
];

function Bays({ bays }: { bays: Schemas["BayView"][] }) {
  return (
    <ul
      aria-label="Bays"
      className={`grid gap-4 sm:grid-cols-2 ${COLUMNS[Math.min(bays.length, 5)] ?? "lg:grid-cols-4"}`}
    >
      {bays.map((bay) => (
        <BayTile key={bay.id} bay={bay} />
      ))}
    </ul>
  );
}

function Aisle({ needs }: { needs: Schemas["Need"][] }) {
  return (
    <section aria-labelledby="aisle" className="mt-10 lg:mr-28">
      <h2 id="aisle" className="mb-1 font-bold">
        What needs you, in order
      </h2>
      {needs.length === 0 ? (
        <p className="border-t border-line py-4 text-ink2">
          Nothing waits for you. Choose a free bay to prepare the next candidate.
        </p>
      ) : (
        <ol>
          {needs.map((need, i) => (
            <li
              key={`${need.assessmentId ?? need.bay}-${need.go}-${need.what}`}
              className="border-t border-line last:border-b"
            >
              <NeedLink
                need={need}
                className="grid min-h-12 grid-cols-[24px_64px_1fr] items-center gap-x-3 py-2 hover:bg-work-soft sm:grid-cols-[24px_64px_1fr_190px]"
              >
                <span className="text-ink2">{i + 1}</span>
                <span className="font-bold">{need.bay > 0 && `Bay ${need.bay}`}</span>
                <span className={need.urgency === "SAFETY" ? "font-bold text-danger" : ""}>{need.what}</span>
                <span className="col-start-3 text-ink2 sm:col-start-4">{need.why}</span>
              </NeedLink>
            </li>
          ))}
        </ol>
      )}
    </section>
  );
}

/** To where it is seen to; some things are only told. */
function NeedLink({
  need,
  className,
  children,
}: {
  need: Schemas["Need"];
  className: string;
  children: ReactNode;
}) {
  if (!need.go) return <div className={className}>{children}</div>;
  const to = need.go === "rig" ? `/rigs/${need.rigId}` : `/assessments/${need.assessmentId}/${need.go}`;
  return (
    <Link to={to} className={className}>
      {children}
    </Link>
  );
}

/** The way out, and the isolator beside it. */
function Door() {
  return (
    <div
      aria-hidden="true"
      className="absolute right-[-3px] bottom-24 hidden h-[66px] w-[90px] bg-sheet lg:block"
    >
      <svg viewBox="0 0 90 66" className="h-full w-full">
        <path d="M90 6 A 58 58 0 0 0 32 64" fill="none" stroke="var(--frame)" strokeWidth="1.4" />
        <line x1="90" x2="32" y1="64" y2="64" stroke="var(--frame)" strokeWidth="1.4" strokeDasharray="4 3" />
        <text x="62" y="58" fontSize="12" textAnchor="middle" style={{ fill: "var(--ink2)" }}>
          door
        </text>
      </svg>
    </div>
  );
}

function Kept({ kept }: { kept: Schemas["Kept"][] }) {
  if (kept.length === 0) return null;
  return (
    <Pane title="The newest records" className="mt-auto lg:mr-28">
      <ul className="divide-y divide-line">
        {kept.map((k) => (
          <li key={k.assessmentId}>
            <Link
              to={`/assessments/${k.assessmentId}/${k.brokenOff ? "clear" : "mark"}`}
              className="grid min-h-10 grid-cols-[1fr_auto] items-center gap-x-5 hover:bg-work-soft sm:grid-cols-[11rem_9rem_1fr_auto]"
            >
              <span className="font-semibold">{k.candidate}</span>
              <span>{k.rig}</span>
              <span className="max-sm:col-start-1">
                {k.verdict}
                {k.overridden && <span className="text-caution">, decided otherwise than proposed</span>}
              </span>
              <span className="text-ink2 max-sm:col-start-2 max-sm:row-start-1">{clock(k.at)}</span>
            </Link>
          </li>
        ))}
      </ul>
      <p className="mt-2">
        <Link className="text-work underline" to="/records">
          All records: search by person, rig, scheme, outcome, time
        </Link>
      </p>
    </Pane>
  );
}
