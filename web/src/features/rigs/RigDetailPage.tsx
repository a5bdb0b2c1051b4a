import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useParams, useSearchParams } from "react-router";
import { Button } from "../../ui/Button";
import { Chip } from "../../ui/Chip";
import { LinkButton } from "../../ui/LinkButton";
import { Loaded } from "../../ui/States";
import { BoardsPane } from "./BoardsPane";
import { FaultsOfRig } from "./FaultsOfRig";
import { type RigPage, rigQueries } from "./queries";
import { RigNotes } from "./RigNotes";
import { ReadingSheet } from "./ReadingSheet";
import { Versions } from "./Versions";
import { Warnings } from "./Warnings";

/** A rig from every side. */
export function RigDetailPage() {
  const { id = "" } = useParams();
  const [search] = useSearchParams();
  const rig = useQuery(rigQueries.one(id, Number(search.get("version") ?? 0)));
  return <Loaded query={rig}>{(page) => <Detail key={`${page.id}/${page.version}`} page={page} />}</Loaded>;
}

function Detail({ page }: { page: RigPage }) {
  const [circuit, setCircuit] = useState<string | undefined>(undefined);
  const { view } = page;
  return (
    <>
      <div className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-2">
        <h1 className="text-[21px] font-bold">{page.name}</h1>
        <span className="text-ink2">
          {page.bays.length > 0 ? `bay ${page.bays.join(", ")}` : "in no bay"} · version {page.version}
          {!page.latest && " · not the newest"}
        </span>
        {!page.latest && <Chip tone="caution">an older version</Chip>}
        <div className="no-print ml-auto flex flex-wrap gap-2">
          <Button onClick={() => window.print()}>Print</Button>
          <a
            className="inline-flex min-h-10 items-center rounded-md border border-work bg-sheet px-3 font-semibold text-work hover:bg-work-soft"
            href={`/api/rigs/${page.id}/file?version=${page.version}`}
            download
          >
            Export
          </a>
          <LinkButton to={`/rigs/${page.id}/paper`}>Blank sheet</LinkButton>
          <LinkButton to={`/rigs/new?from=${page.id}&version=${page.version}`}>Duplicate</LinkButton>
          {page.latest && (
            <LinkButton to={`/rigs/${page.id}/change`} kind="main">
              Change
            </LinkButton>
          )}
        </div>
      </div>
      <p className="mb-3 hidden text-[13px] print:block">
        Expected readings of a healthy rig, for training only. Isolate, lock off and prove dead every time;
        local codes, the site’s rules and licensed practice come first.
      </p>
      <div className="grid gap-3 xl:grid-cols-[minmax(0,1fr)_340px]">
        <div className="min-w-0 space-y-3">
          <BoardsPane view={view} chosen={circuit} onChoose={setCircuit} />
        </div>
        <aside className="space-y-3">
          <RigNotes id={page.id} />
          <Warnings warnings={view.warnings} />
          <section className="border border-line bg-sheet p-4">
            <h2 className="mb-2 font-bold">Supply and earthing</h2>
            <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
              {view.drawing.supply.map((fact, i) => (
                <div key={i} className="contents">
                  <dt className="text-ink2">{fact.label}</dt>
                  <dd>{fact.value}</dd>
                </div>
              ))}
            </dl>
            {page.comments && <p className="mt-3 border-t border-line pt-2">{page.comments}</p>}
          </section>
          <Versions page={page} />
        </aside>
      </div>
      <ReadingSheet page={page} circuit={circuit} onCircuit={setCircuit} />
      {page.latest && <FaultsOfRig id={page.id} circuit={circuit} />}
    </>
  );
}
