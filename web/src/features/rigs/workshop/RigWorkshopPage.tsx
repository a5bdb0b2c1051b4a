import { useQuery } from "@tanstack/react-query";
import { useLocation, useParams, useSearchParams } from "react-router";
import type { Schemas } from "../../../api/client";
import { Loaded } from "../../../ui/States";
import { rigQueries } from "../queries";
import { Editor } from "./Editor";
import { parseRig, type RigJson } from "./rigJson";

interface Arrived {
  imported?: string;
  name?: string;
  /** fitted joints, to be taken over */
  workmanship?: { terminationMilliohms: number; contactMilliohms: number };
}

/** Makes or changes a rig: an existing one, a copy, a file, or a new one. */
export function RigWorkshopPage() {
  const { id } = useParams();
  const [search] = useSearchParams();
  const arrived = (useLocation().state as Arrived | null) ?? {};
  const templates = useQuery(rigQueries.templates);
  const from = id ?? search.get("from");
  const version = Number(search.get("version") ?? 0);

  return (
    <Loaded query={templates}>
      {(kit) => {
        if (from) return <FromRig id={from} version={version} copy={!id} arrived={arrived} kit={kit} />;
        if (arrived.imported !== undefined)
          return <FromFile name={arrived.name ?? "The file"} text={arrived.imported} kit={kit} />;
        return <Editor start={parseRig(kit.rig) as RigJson} basedOn={0} kit={kit} draftName="new" />;
      }}
    </Loaded>
  );
}

interface FromProps {
  id: string;
  version: number;
  copy: boolean;
  arrived: Arrived;
  kit: Parameters<typeof Editor>[0]["kit"];
}

function FromRig({ id, version, copy, arrived, kit }: FromProps) {
  const page = useQuery({ ...rigQueries.one(id, version), staleTime: Infinity });
  return (
    <Loaded query={page}>
      {(rig) => {
        const start = parseRig(rig.file) as RigJson;
        if (arrived.workmanship)
          start.workmanship = { ...start.workmanship, ...rounded(arrived.workmanship) };
        if (copy) {
          start.id = `${rig.id}-copy`;
          start.name = `${rig.name}, copy`;
        }
        return (
          <Editor
            start={start}
            saved={copy ? undefined : rig.view}
            basedOn={copy ? 0 : rig.version}
            kit={kit}
            draftName={copy ? `copy of ${rig.id}` : `${rig.id}, ${rig.version}`}
          />
        );
      }}
    </Loaded>
  );
}

function rounded(fit: { terminationMilliohms: number; contactMilliohms: number }) {
  return {
    terminationMilliohms: Number(fit.terminationMilliohms.toFixed(2)),
    contactMilliohms: Number(fit.contactMilliohms.toFixed(1)),
  };
}

/** The server brings a file to today's form, or says what is wrong with one that cannot even be worked on. */
function FromFile({ name, text, kit }: { name: string; text: string; kit: FromProps["kit"] }) {
  const preview = useQuery(rigQueries.preview(text));
  return (
    <Loaded query={preview}>
      {(answer) => {
        const rig = answer.file ? parseRig(answer.file) : null;
        return rig ? (
          <Editor start={rig} basedOn={0} kit={kit} draftName="imported" />
        ) : (
          <Unreadable name={name} problems={answer.problems} />
        );
      }}
    </Loaded>
  );
}

function Unreadable({ name, problems }: { name: string; problems: Schemas["Problem"][] }) {
  return (
    <div role="alert" className="border-l-4 border-caution bg-caution-soft p-4">
      <p className="font-semibold">{name} is not a rig file that can be changed here. Nothing was kept.</p>
      <ul className="mt-2 list-disc pl-5">
        {problems.map((p, i) => (
          <li key={i}>
            {p.where && <b>{p.where}: </b>}
            {p.given && `found ${p.given}; `}
            {p.mend}
          </li>
        ))}
      </ul>
    </div>
  );
}
