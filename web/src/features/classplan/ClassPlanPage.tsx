import { queryOptions, useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, data, type Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { classes } from "../../ui/classes";
import { SelectField, TextField } from "../../ui/Field";
import { Pane } from "../../ui/Pane";
import { Loaded, ProblemNote } from "../../ui/States";
import { ProposalFields } from "../set";

type Wanted = Schemas["WantedPlan"];

const choicesQuery = queryOptions({
  queryKey: ["class-plan-choices"] as const,
  queryFn: ({ signal }) => data(api.GET("/api/class-plans", { signal })),
});

/** Sets for a whole class: who sits where in which session, with which faults. */
export function ClassPlanPage() {
  const choices = useQuery(choicesQuery);
  return (
    <Loaded query={choices}>
      {(c) =>
        c.candidates.length === 0 || c.bays === 0 ? (
          <p className="border border-line bg-sheet p-6">
            A plan needs candidates and bays. An administrator adds them on the Workshop page.
          </p>
        ) : (
          <Planner choices={c} />
        )
      }
    </Loaded>
  );
}

function Planner({ choices }: { choices: Schemas["ClassChoices"] }) {
  const [wanted, setWanted] = useState<Wanted>({
    people: choices.candidates.map((c) => c.id),
    each: Math.min(2, choices.bays),
    stage: "DEAD",
    count: 2,
    target: 2.5,
    seed: 1,
  });
  const propose = useMutation({
    mutationFn: (body: Wanted) => data(api.POST("/api/class-plans/propose", { body })),
  });
  const ask = (next: Wanted) => {
    setWanted(next);
    propose.mutate(next);
  };
  // a plan is of what was asked for, not of what is being changed
  const asked = propose.variables;
  const changed = asked !== undefined && JSON.stringify(asked) !== JSON.stringify(wanted);
  return (
    <>
      <div className="mb-3 flex flex-wrap items-center gap-3">
        <h1 className="mr-auto text-[21px] font-bold">Plan a class</h1>
        {propose.data && (
          <Button className="no-print" onClick={() => window.print()}>
            Print
          </Button>
        )}
      </div>
      <div className="grid gap-3 lg:grid-cols-[320px_minmax(0,1fr)]">
        <div className="no-print space-y-3">
          <People choices={choices} wanted={wanted} onChange={setWanted} />
          <What bays={choices.bays} wanted={wanted} onChange={setWanted} />
          <div className="flex flex-wrap gap-2">
            <Button
              kind="main"
              disabled={propose.isPending || wanted.people.length === 0}
              onClick={() => ask(wanted)}
            >
              {propose.isPending ? "Planning…" : "Propose a plan"}
            </Button>
            {propose.data && (
              <Button
                kind="quiet"
                disabled={propose.isPending}
                onClick={() => ask({ ...wanted, seed: wanted.seed + 1 })}
              >
                Another one
              </Button>
            )}
          </div>
          <ProblemNote error={propose.error} />
        </div>
        <div className="space-y-3">
          {propose.data && asked ? (
            <div className={classes("space-y-3", (propose.isPending || changed) && "opacity-60")}>
              {changed && (
                <p role="status" className="border-l-4 border-work bg-work-soft p-3">
                  This plan is for what was asked before. Propose again for the changes.
                </p>
              )}
              <Plan plan={propose.data} />
              <Keep key={JSON.stringify(asked)} wanted={asked} sets={propose.data.sessions} />
            </div>
          ) : (
            <p className="border border-line bg-sheet p-6 text-ink2">
              {propose.isPending
                ? "Every fault of every bay is looked at first; that takes a few seconds the first time."
                : "Nobody meets a kind of fault twice. Bays beside each other differ, and so does each bay from one session to the next."}
            </p>
          )}
        </div>
      </div>
    </>
  );
}

interface PartProps {
  wanted: Wanted;
  onChange: (wanted: Wanted) => void;
}

function People({ choices, wanted, onChange }: PartProps & { choices: Schemas["ClassChoices"] }) {
  const toggle = (id: string) =>
    onChange({
      ...wanted,
      people: choices.candidates
        .map((c) => c.id)
        .filter((c) => (c === id ? !wanted.people.includes(c) : wanted.people.includes(c))),
    });
  return (
    <Pane title="Candidates" aside={`${wanted.people.length} of ${choices.candidates.length}`}>
      <ul>
        {choices.candidates.map((c) => (
          <li key={c.id}>
            <label className="flex min-h-10 items-center gap-3">
              <input
                type="checkbox"
                className="size-5"
                checked={wanted.people.includes(c.id)}
                onChange={() => toggle(c.id)}
              />
              {c.name}
            </label>
          </li>
        ))}
      </ul>
    </Pane>
  );
}

function What({ bays, wanted, onChange }: PartProps & { bays: number }) {
  return (
    <Pane title="What each meets">
      <div className="space-y-3">
        <div className="flex flex-wrap gap-3">
          <SelectField
            label="Sittings each"
            value={String(wanted.each)}
            onChange={(e) => onChange({ ...wanted, each: Number(e.target.value) })}
          >
            {Array.from({ length: Math.min(bays, 5) }, (_, i) => (
              <option key={i}>{i + 1}</option>
            ))}
          </SelectField>
          <SelectField
            label="Faults a sitting"
            value={String(wanted.count)}
            onChange={(e) => onChange({ ...wanted, count: Number(e.target.value) })}
          >
            {[1, 2, 3, 4].map((n) => (
              <option key={n}>{n}</option>
            ))}
          </SelectField>
        </div>
        <ProposalFields
          stage={wanted.stage}
          target={wanted.target}
          onStage={(stage) => onChange({ ...wanted, stage })}
          onTarget={(target) => onChange({ ...wanted, target })}
        />
      </div>
    </Pane>
  );
}

function Plan({ plan }: { plan: Schemas["ClassPlanView"] }) {
  const numbers = plan.people.map((p) => p.difficulty);
  return (
    <>
      {plan.sessions.map((session) => (
        <section key={session.number} aria-label={`Session ${session.number}`}>
          <h2 className="mb-1 font-bold">Session {session.number}</h2>
          <ul className="grid gap-3 sm:grid-cols-2 xl:grid-cols-3">
            {session.sittings.map((s) => (
              <li key={s.bay} className="border border-line border-t-4 border-t-ink bg-sheet p-3">
                <p className="flex items-baseline gap-2">
                  <span className="font-bold">{s.person}</span>
                  <span className="ml-auto text-right text-[13px] text-ink2">
                    difficulty {s.difficulty.toFixed(1)}
                  </span>
                </p>
                <p className="text-ink2">
                  Bay {s.bay}, {s.rig}
                </p>
                <ul className="mt-1 list-disc pl-5">
                  {s.faults.map((f) => (
                    <li key={f}>{f}</li>
                  ))}
                </ul>
              </li>
            ))}
          </ul>
        </section>
      ))}
      <p className="text-ink2">
        Mean difficulty of a candidate’s sittings: {Math.min(...numbers).toFixed(2)} to{" "}
        {Math.max(...numbers).toFixed(2)}.
      </p>
    </>
  );
}

/** Into the library, where Set finds them on the day. */
function Keep({ wanted, sets }: { wanted: Wanted; sets: Schemas["PlannedSession"][] }) {
  const [name, setName] = useState("");
  const keep = useMutation({
    mutationFn: () => data(api.POST("/api/class-plans/keep", { body: { name, plan: wanted } })),
  });
  const count = sets.reduce((n, s) => n + s.sittings.length, 0);
  if (keep.data)
    return (
      <p role="status" className="border-l-4 border-work bg-work-soft p-3">
        {keep.data.names.length} sets are in the library, the first as “{keep.data.names[0]}”. Set finds them
        there once the candidate is in the bay.
      </p>
    );
  return (
    <form
      className="no-print flex flex-wrap items-end gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        keep.mutate();
      }}
    >
      <TextField
        label="Name of the class"
        value={name}
        required
        maxLength={60}
        placeholder="Monday group"
        onChange={(e) => setName(e.target.value)}
      />
      <Button type="submit" disabled={keep.isPending || name.trim() === ""}>
        {keep.isPending ? "Keeping…" : `Keep the ${count} sets in the library`}
      </Button>
      <ProblemNote error={keep.error} />
    </form>
  );
}
