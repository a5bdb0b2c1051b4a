import { queryOptions, useQuery } from "@tanstack/react-query";
import { api, data } from "../../api/client";
import { Pane } from "../../ui/Pane";
import { GoLive } from "../live";
import { Loaded } from "../../ui/States";
import { clock } from "../../ui/when";
import { Link } from "react-router";

const watch = (id: string) =>
  queryOptions({
    queryKey: ["assessment", id, "watch"] as const,
    queryFn: ({ signal }) =>
      data(api.GET("/api/assessments/{id}/watch", { signal, params: { path: { id } } })),
    refetchInterval: 2000,
  });

/** The candidate's sheet as it fills, for somebody standing beside the rig. */
export function WatchStage({ id }: { id: string }) {
  const view = useQuery(watch(id));
  return (
    <Loaded query={view}>
      {(w) => (
        <div className="grid items-start gap-3 text-[18px] lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
          <div className="space-y-3">
            {w.relaysOutSince && (
              <p role="alert" className="border-l-4 border-caution bg-caution-soft p-3">
                <b>The fault box let its relays go at {clock(w.relaysOutSince)}.</b> What is read since then
                is of a rig without these faults, and counts as such. With the rig dead,{" "}
                <Link className="underline" to={`/assessments/${id}/set`}>
                  arm the box again
                </Link>
                .
              </p>
            )}
            <Pane>
              <div className="mb-1 flex flex-wrap justify-between gap-x-6">
                <p className="font-bold">
                  {w.filled} of {w.boxes} boxes filled
                </p>
                <p className="text-ink2">
                  {w.judged} judged · {w.reports === 1 ? "1 fault named" : `${w.reports} faults named`}
                </p>
              </div>
              <progress
                className="h-2 w-full accent-[var(--work)]"
                value={w.filled}
                max={w.boxes}
                aria-label="Boxes filled"
              />
              <p className="mt-2 text-[15px] text-ink2">
                The candidate takes one of two continuity methods, so some boxes rightly stay empty. Nothing
                is marked until the sheet is handed in.
              </p>
            </Pane>
            <Pane title="Written so far" aside="newest first">
              {w.lines.length === 0 ? (
                <p className="text-ink2">Nothing yet. Is the candidate signed in on the bay’s tablet?</p>
              ) : (
                <ul className="divide-y divide-line">
                  {w.lines.map((line) => (
                    <li key={line.seq} className="flex min-h-12 items-center justify-between gap-4">
                      <span>
                        {line.quantity}, {line.where}
                      </span>
                      <span className="font-bold">{line.text}</span>
                    </li>
                  ))}
                </ul>
              )}
            </Pane>
          </div>
          <GoLive id={id} />
        </div>
      )}
    </Loaded>
  );
}
