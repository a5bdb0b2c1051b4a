import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { api, data, deed, type Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { SelectField } from "../../ui/Field";
import { Pane } from "../../ui/Pane";
import { ProblemNote } from "../../ui/States";
import { markQueries } from "./queries";

/** After a referral: what is done again, in which bay, with another set. */
export function Resit({ id }: { id: string }) {
  const plan = useQuery(markQueries.resit(id));
  if (!plan.data?.decided) return null;
  return <Plan key={String(plan.data.parts.length)} id={id} plan={plan.data} />;
}

function Plan({ id, plan }: { id: string; plan: Schemas["ResitPlan"] }) {
  const proposed = plan.parts.filter((p) => p.again).map((p) => p.part);
  const [parts, setParts] = useState<string[]>(proposed);
  const [whole, setWhole] = useState(plan.whole || proposed.length === 0);
  const [bay, setBay] = useState("");
  const navigate = useNavigate();
  const client = useQueryClient();
  const chosen = whole ? [] : parts;
  const start = useMutation({
    mutationFn: () =>
      deed(["resit", id, bay, chosen], (eventId) =>
        data(
          api.POST("/api/assessments/{id}/resit", {
            params: { path: { id } },
            body: { eventId, bayId: bay, parts: chosen },
          }),
        ),
      ),
    onSuccess: async (made) => {
      await client.invalidateQueries({ queryKey: ["floor"] });
      await navigate(`/assessments/${made.id}/prepare`);
    },
  });
  return (
    <Pane title="Doing it again" aside={plan.before > 0 ? `${plan.before} begun already` : ""}>
      <label className="flex min-h-10 items-center gap-2">
        <input
          type="checkbox"
          className="size-5"
          checked={whole}
          onChange={(e) => setWhole(e.target.checked)}
        />
        The whole
      </label>
      {!whole && (
        <ul className="ml-2 border-l border-line pl-3">
          {plan.parts.map((p) => (
            <li key={p.part}>
              <label className="flex min-h-9 items-center gap-2">
                <input
                  type="checkbox"
                  className="size-5"
                  checked={parts.includes(p.part)}
                  onChange={(e) =>
                    setParts(e.target.checked ? [...parts, p.part] : parts.filter((o) => o !== p.part))
                  }
                />
                <span>
                  {p.title}
                  {p.again && <span className="text-[13px] text-ink2"> · referred</span>}
                </span>
              </label>
            </li>
          ))}
        </ul>
      )}
      <p className="my-2 text-[13px] text-ink2">
        What keeps it safe is done again with it.{" "}
        {plan.met.length > 0
          ? `Met before by this person: ${plan.met.join(", ")}; a proposal leaves these out where it can.`
          : "This person has met no fault yet."}
      </p>
      <div className="flex flex-wrap items-end gap-2">
        <SelectField
          label="In which bay"
          value={bay}
          onChange={(e) => setBay(e.target.value)}
          className="min-w-[150px] flex-1"
        >
          <option value="">{plan.bays.length === 0 ? "No bay is free" : "Choose…"}</option>
          {plan.bays.map((b) => (
            <option key={b.id} value={b.id}>
              {b.label}
              {b.suits ? "" : ", not for this scheme"}
            </option>
          ))}
        </SelectField>
        <Button
          kind="main"
          disabled={!bay || (!whole && parts.length === 0) || start.isPending}
          onClick={() => start.mutate()}
        >
          Prepare it
        </Button>
      </div>
      <ProblemNote error={start.error} />
    </Pane>
  );
}
