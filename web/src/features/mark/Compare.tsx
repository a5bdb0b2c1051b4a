import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, data } from "../../api/client";
import { schemeQueries } from "../schemes";
import { Button } from "../../ui/Button";
import { SelectField } from "../../ui/Field";
import { ProblemNote } from "../../ui/States";
import type { MarkingView } from "./queries";

/** What another scheme would make of the same record; nothing is kept. */
export function Compare({ id, view }: { id: string; view: MarkingView }) {
  const schemes = useQuery(schemeQueries.all);
  const [scheme, setScheme] = useState("");
  const compare = useMutation({
    mutationFn: () =>
      data(
        api.POST("/api/assessments/{id}/marking/compare", {
          params: { path: { id } },
          body: { scheme },
        }),
      ),
  });
  return (
    <details className="border border-line bg-sheet px-4 text-[15px]">
      <summary className="py-2 text-ink2">Marked by {view.scheme}. Try another scheme on a copy</summary>
      <div className="flex flex-wrap items-end gap-3 pb-3">
        <SelectField label="Scheme" value={scheme} onChange={(e) => setScheme(e.target.value)}>
          <option value="">Choose…</option>
          {(schemes.data ?? []).map((s) => (
            <option key={s.id} value={s.id}>
              {s.name}, version {s.version}
            </option>
          ))}
        </SelectField>
        <Button disabled={!scheme || compare.isPending} onClick={() => compare.mutate()}>
          Try it
        </Button>
      </div>
      <ProblemNote error={compare.error} />
      {compare.data && (
        <div className="pb-3">
          <p>
            <b>
              {compare.data.scheme}, version {compare.data.version}:
            </b>{" "}
            {compare.data.verdict.toLowerCase()}, {compare.data.points} of {compare.data.outOf} points. This
            assessment stays as it is.
          </p>
          {compare.data.differences.length === 0 ? (
            <p className="text-ink2">No mark differs.</p>
          ) : (
            <ul className="list-disc pl-5 text-[13px]">
              {compare.data.differences.map((d) => (
                <li key={d}>{d}</li>
              ))}
            </ul>
          )}
        </div>
      )}
    </details>
  );
}
