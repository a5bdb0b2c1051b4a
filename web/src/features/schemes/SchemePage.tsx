import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate, useParams } from "react-router";
import { Choices } from "../../ui/Choices";
import { LinkButton } from "../../ui/LinkButton";
import { Loaded } from "../../ui/States";
import { Pane } from "../../ui/Pane";
import { schemeQueries } from "./queries";
import { Criteria, Practice, Steps, Where } from "./SchemeParts";

/** A scheme as a person reads it: what is done in which order, what counts, where it comes from. */
export function SchemePage() {
  const { id = "", version = "1" } = useParams();
  const scheme = useQuery(schemeQueries.one(id, Number(version)));
  const navigate = useNavigate();
  return (
    <Loaded query={scheme}>
      {(view) => (
        <>
          <div className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-2">
            <h1 className="text-[21px] font-bold">{view.name}</h1>
            {view.versions.length > 1 ? (
              <Choices
                label="Version"
                value={version}
                onChange={(v) => void navigate(`/schemes/${id}/${v}`)}
                options={view.versions.map((v) => ({ value: String(v), label: `version ${v}` }))}
              />
            ) : (
              <span className="text-ink2">version {view.version}</span>
            )}
            <span className="no-print ml-auto flex gap-2">
              <a
                className="inline-flex min-h-10 items-center rounded-md border border-work bg-sheet px-3 font-semibold text-work"
                href={`/api/schemes/${id}/${version}/file`}
                download
              >
                Take the file
              </a>
              <LinkButton to={`/schemes/${id}/${version}/change`}>Make another version…</LinkButton>
            </span>
          </div>
          <p className="mb-3 max-w-[900px]">{view.purpose}</p>
          <div className="grid items-start gap-3 lg:grid-cols-[minmax(0,1.2fr)_minmax(0,1fr)]">
            <Steps view={view} />
            <div className="space-y-3">
              <Criteria view={view} />
              <Practice view={view} />
              <Where view={view} />
              {view.versions.length > 1 && (
                <Difference id={id} version={view.version} versions={view.versions} />
              )}
            </div>
          </div>
        </>
      )}
    </Loaded>
  );
}

function Difference({ id, version, versions }: { id: string; version: number; versions: number[] }) {
  const others = versions.filter((v) => v !== version);
  const [against, setAgainst] = useState(others.at(-1) ?? version);
  const difference = useQuery(
    schemeQueries.difference(id, Math.min(against, version), Math.max(against, version)),
  );
  return (
    <Pane
      title="What changed"
      aside={`version ${Math.min(against, version)} to ${Math.max(against, version)}`}
    >
      {others.length > 1 && (
        <Choices
          label="Held against"
          value={String(against)}
          onChange={(v) => setAgainst(Number(v))}
          options={others.map((v) => ({ value: String(v), label: `version ${v}` }))}
        />
      )}
      <Loaded query={difference}>
        {(changes) => (
          <ul className="divide-y divide-line text-[14px]">
            {changes.map((c, i) => (
              <li key={`${c.where}-${i}`} className="py-1.5">
                <b>{c.where}</b>
                <span className="block text-ink2">
                  {c.before || "not there"} → {c.after || "not there"}
                </span>
              </li>
            ))}
          </ul>
        )}
      </Loaded>
    </Pane>
  );
}
