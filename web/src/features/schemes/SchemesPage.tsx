import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useRef } from "react";
import { Link, useNavigate } from "react-router";
import { api, data } from "../../api/client";
import { Button } from "../../ui/Button";
import { Loaded, ProblemNote } from "../../ui/States";
import { schemeQueries } from "./queries";

/** The schemes of the workshop: those that ship and its own. */
export function SchemesPage() {
  const schemes = useQuery(schemeQueries.all);
  const client = useQueryClient();
  const navigate = useNavigate();
  const picker = useRef<HTMLInputElement>(null);
  const bring = useMutation({
    mutationFn: async (file: File) => data(api.PUT("/api/schemes", { body: { text: await file.text() } })),
    onSuccess: async (saved) => {
      await client.invalidateQueries({ queryKey: ["schemes"] });
      await navigate(`/schemes/${saved.id}/${saved.version}`);
    },
  });
  return (
    <Loaded query={schemes}>
      {(all) => (
        <div className="max-w-[1000px]">
          <div className="mb-3 flex flex-wrap items-center gap-4">
            <h1 className="text-[21px] font-bold">Schemes</h1>
            <p className="text-ink2">What is done, asked, written and marked. Each is a file.</p>
            <span className="ml-auto">
              <Button onClick={() => picker.current?.click()} disabled={bring.isPending}>
                Bring in a file…
              </Button>
              <input
                ref={picker}
                type="file"
                accept=".json,application/json"
                className="hidden"
                aria-label="Scheme file"
                onChange={(e) => {
                  const file = e.target.files?.[0];
                  e.target.value = "";
                  if (file) bring.mutate(file);
                }}
              />
            </span>
          </div>
          <ProblemNote error={bring.error} />
          <ul className="border-t border-line">
            {all.map((s) => (
              <li key={s.id} className="border-b border-line bg-sheet">
                <Link
                  to={`/schemes/${s.id}/${s.version}`}
                  className="grid gap-x-4 px-4 py-3 hover:bg-work-soft sm:grid-cols-[1fr_auto]"
                >
                  <span>
                    <b>{s.name}</b> <span className="text-ink2">version {s.version}</span>
                    <span className="block text-[14px] text-ink2">{s.purpose}</span>
                  </span>
                  <span className="text-[14px] text-ink2">
                    {s.steps} steps · {s.criteria} criteria ·{" "}
                    {s.uses === 0 ? "not used yet" : s.uses === 1 ? "used once" : `used ${s.uses} times`}
                  </span>
                </Link>
              </li>
            ))}
          </ul>
        </div>
      )}
    </Loaded>
  );
}
