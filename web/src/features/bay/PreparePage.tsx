import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, Navigate, useNavigate, useParams } from "react-router";
import { api, data } from "../../api/client";
import { Button } from "../../ui/Button";
import { Choices } from "../../ui/Choices";
import { Pane } from "../../ui/Pane";
import { Loaded, ProblemNote } from "../../ui/States";
import { bayQueries } from "./queries";
import { StageLine } from "./StageLine";

/** Who comes to this bay, and with which tester. */
export function PreparePage() {
  const { bayId = "" } = useParams();
  const bay = useQuery(bayQueries.prepare(bayId));
  const [candidate, setCandidate] = useState("");
  const [tester, setTester] = useState("");
  const [scheme, setScheme] = useState("");
  const navigate = useNavigate();
  const client = useQueryClient();
  const start = useMutation({
    mutationFn: () =>
      data(
        api.POST("/api/assessments", {
          body: { bayId, candidateId: candidate, testerId: tester, schemeId: scheme },
        }),
      ),
    onSuccess: async (made) => {
      await client.invalidateQueries({ queryKey: ["floor"] });
      await navigate(`/assessments/${made.id}/prepare`);
    },
  });
  return (
    <Loaded query={bay}>
      {(view) => {
        const chosen = view.schemes.find((s) => s.id === scheme);
        return view.occupiedBy ? (
          <Navigate to={`/assessments/${view.occupiedBy}/set`} replace />
        ) : (
          <>
            <div className="mb-3 flex flex-wrap items-center gap-x-6">
              <h1 className="text-[21px] font-bold">
                Bay {view.bay} · {view.rig}
              </h1>
              <StageLine now="prepare" shown="prepare" to={() => null} />
            </div>
            <div className="max-w-[900px] space-y-4">
              <Pane title="Candidate">
                {view.candidates.length === 0 ? (
                  <p className="text-ink2">
                    No candidates yet. An administrator adds people on the Workshop page.
                  </p>
                ) : (
                  <Choices
                    label="Candidate"
                    value={candidate}
                    onChange={setCandidate}
                    large
                    options={view.candidates.map((c) => ({ value: c.id, label: c.label, note: c.note }))}
                  />
                )}
              </Pane>
              <Pane title="With which tester">
                {view.testers.length === 0 ? (
                  <p className="text-ink2">
                    No testers yet. An administrator adds their files on the Workshop page.
                  </p>
                ) : (
                  <Choices
                    label="Tester"
                    value={tester}
                    onChange={setTester}
                    large
                    options={view.testers.map((t) => ({ value: t.id, label: t.label, note: t.note }))}
                  />
                )}
              </Pane>
              <Pane title="By which scheme">
                <Choices
                  label="Scheme"
                  value={scheme}
                  onChange={setScheme}
                  large
                  options={view.schemes
                    .filter((s) => s.boxes > 0)
                    .map((s) => ({
                      value: s.id,
                      label: s.label,
                      note: `${s.boxes} boxes${s.suits ? "" : " · not for this rig"}`,
                    }))}
                />
                {chosen && (
                  <div className="mt-3 text-[15px]">
                    <p>
                      {chosen.note}{" "}
                      <Link className="underline" to={`/schemes/${chosen.id}/${chosen.version}`}>
                        Read it
                      </Link>
                    </p>
                    {chosen.lacking.map((words) => (
                      <p key={words} className="text-caution">
                        △ {words}
                      </p>
                    ))}
                  </div>
                )}
              </Pane>
              <ProblemNote error={start.error} />
              <Button
                kind="main"
                large
                disabled={!candidate || !tester || !scheme || start.isPending}
                onClick={() => start.mutate()}
              >
                On to the checks
              </Button>
            </div>
          </>
        );
      }}
    </Loaded>
  );
}
