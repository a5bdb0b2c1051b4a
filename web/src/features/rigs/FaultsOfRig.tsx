import { keepPreviousData, queryOptions, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, data, type Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { Chip } from "../../ui/Chip";
import { Choices } from "../../ui/Choices";
import { SelectField } from "../../ui/Field";
import { Pane } from "../../ui/Pane";
import { Loaded, ProblemNote } from "../../ui/States";

/** Rows shown at once: hundreds slow a tablet down. */
const FIRST = 80;

type Scheme = "dead" | "full";

const exploration = (id: string, scheme: Scheme) =>
  queryOptions({
    queryKey: ["rig", id, "faults", scheme] as const,
    queryFn: ({ signal }) =>
      data(api.GET("/api/rigs/{id}/faults", { signal, params: { path: { id }, query: { scheme } } })),
    staleTime: Infinity,
    placeholderData: keepPreviousData,
  });

const pairs = (id: string, scheme: Scheme) =>
  queryOptions({
    queryKey: ["rig", id, "pairs", scheme] as const,
    queryFn: ({ signal }) =>
      data(api.GET("/api/rigs/{id}/faults/pairs", { signal, params: { path: { id }, query: { scheme } } })),
    refetchInterval: (query) =>
      query.state.data?.state === "running" || query.state.data?.state === "waiting" ? 700 : false,
  });

/** Every single fault this rig can have and whether it can be found; asked for, because it is long work. */
export function FaultsOfRig({ id, circuit }: { id: string; circuit: string | undefined }) {
  const [open, setOpen] = useState(false);
  const [scheme, setScheme] = useState<Scheme>("full");
  return (
    <Pane title="Faults on this rig" aside="each alone, with its usual size" className="no-print mt-3">
      <div className="flex flex-wrap items-center gap-4">
        <Choices
          label="Sequence"
          value={scheme}
          options={[
            { value: "full", label: "full sequence" },
            { value: "dead", label: "dead tests" },
          ]}
          onChange={(v) => setScheme(v as Scheme)}
        />
        {!open && <Button onClick={() => setOpen(true)}>Explore all single faults</Button>}
      </div>
      {open && <Explored id={id} scheme={scheme} circuit={circuit} />}
    </Pane>
  );
}

function Explored({ id, scheme, circuit }: { id: string; scheme: Scheme; circuit: string | undefined }) {
  const found = useQuery(exploration(id, scheme));
  const [only, setOnly] = useState("all");
  const [all, setAll] = useState(false);
  return (
    <Loaded query={found}>
      {(v) => {
        const shown = v.faults.filter(
          (f) => (only === "all" || f.visibility === only) && (!circuit || f.circuit === circuit),
        );
        return (
          <>
            <p className="my-2">
              <Chip>◆ {v.findable} findable</Chip> <Chip tone="caution">△ {v.borderline} borderline</Chip>{" "}
              <Chip tone="plain">{v.hidden} hidden</Chip>{" "}
              <span className="text-ink2">over {v.boxes} boxes</span>
            </p>
            <Pairs id={id} scheme={scheme} />
            <SelectField
              label="Show"
              className="my-2 w-48"
              value={only}
              onChange={(e) => setOnly(e.target.value)}
            >
              <option value="all">all</option>
              <option value="findable">findable</option>
              <option value="borderline">borderline</option>
              <option value="hidden">hidden</option>
            </SelectField>
            <div
              className="max-h-[520px] overflow-auto"
              tabIndex={0}
              role="region"
              aria-label="Explored faults"
            >
              <table className="w-full">
                <thead className="sticky top-0 bg-sheet">
                  <tr className="text-left text-[13px] text-ink2">
                    {["Fault", "Where", "", "First test", "Boxes", "Difficulty", "Class"].map((h) => (
                      <th key={h} scope="col" className="pr-3 font-normal">
                        {h}
                      </th>
                    ))}
                  </tr>
                </thead>
                <tbody>
                  {(all ? shown : shown.slice(0, FIRST)).map((f) => (
                    <tr key={f.title + f.where} className="border-t border-line align-top">
                      <td className="py-1 pr-3">{f.title}</td>
                      <td className="py-1 pr-3">{f.where}</td>
                      <td className="py-1 pr-3 whitespace-nowrap">
                        {f.visibility === "findable" ? "◆" : f.visibility === "borderline" ? "△" : "·"}{" "}
                        {f.visibility}
                      </td>
                      <td className="py-1 pr-3">{f.firstTest}</td>
                      <td className="py-1 pr-3 text-right">{f.boxes}</td>
                      <td className="py-1 pr-3 text-right">{f.difficulty.toFixed(1)}</td>
                      <td className="py-1 whitespace-nowrap">
                        {f.safety}, {f.severity}
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </div>
            {!all && shown.length > FIRST && (
              <Button kind="quiet" onClick={() => setAll(true)}>
                Show all {shown.length}
              </Button>
            )}
          </>
        );
      }}
    </Loaded>
  );
}

/** Which of two faults hides the other: minutes of work in the background, with progress, to be stopped any time. */
function Pairs({ id, scheme }: { id: string; scheme: Scheme }) {
  const job = useQuery(pairs(id, scheme));
  const client = useQueryClient();
  const params = { path: { id }, query: { scheme } };
  const keep = (v: Schemas["PairsView"]) => client.setQueryData(pairs(id, scheme).queryKey, v);
  const start = useMutation({
    mutationFn: () => data(api.POST("/api/rigs/{id}/faults/pairs", { params })),
    onSuccess: keep,
  });
  const stop = useMutation({
    mutationFn: () => data(api.DELETE("/api/rigs/{id}/faults/pairs", { params })),
    onSuccess: keep,
  });
  const v = job.data;
  if (!v) return null;
  const busy = v.state === "running" || v.state === "waiting";
  return (
    <div className="border-y border-line py-2">
      {busy ? (
        <div className="flex items-center gap-3">
          <progress
            className="h-2 w-64 accent-[var(--work)]"
            value={v.share}
            max={1}
            aria-label="Pairs of faults looked at"
          />
          <span role="status">
            {v.state === "waiting" ? "waiting" : `${Math.round(v.share * 100)} % of the pairs`}
          </span>
          <Button kind="quiet" onClick={() => stop.mutate()}>
            Stop
          </Button>
        </div>
      ) : (
        <div className="flex flex-wrap items-center gap-3">
          <Button kind="quiet" disabled={start.isPending} onClick={() => start.mutate()}>
            {v.state === "none" ? "Explore pairs in the background" : "Explore pairs again"}
          </Button>
          {v.state !== "none" && (
            <span className="text-ink2">
              {v.state === "stopped" ? "Stopped after" : "Done:"} {v.pairs} pairs, in {v.masked.length} cases
              one hides the other
            </span>
          )}
        </div>
      )}
      {v.masked.length > 0 && (
        <details className="mt-1 text-[13px]">
          <summary>What hides what</summary>
          <ul className="max-h-60 list-disc overflow-auto pl-5">
            {v.masked.slice(0, 400).map((m) => (
              <li key={m.by + m.hidden}>
                {m.by} hides {m.hidden}
              </li>
            ))}
          </ul>
        </details>
      )}
      <ProblemNote error={start.error ?? stop.error} />
    </div>
  );
}
