import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { Button } from "../../ui/Button";
import { Choices } from "../../ui/Choices";
import { TextField } from "../../ui/Field";
import { LinkButton } from "../../ui/LinkButton";
import { Pane } from "../../ui/Pane";
import { Loaded, ProblemNote } from "../../ui/States";
import { TickList } from "../../ui/TickList";
import { conductQuery, listOf, PairTablet, useAdjust, useCircuits, useTick } from "../conduct";
import type { Conduct } from "../conduct/queries";

interface Props {
  id: string;
  bay: number;
  open: boolean;
}

/** Before the day: what is looked at, what is tested, what is granted, and the candidate's own confirmation. */
export function PrepareStage({ id, bay, open }: Props) {
  const conduct = useQuery({ ...conductQuery(id), refetchInterval: 10_000 });
  const tick = useTick(id);
  return (
    <Loaded query={conduct}>
      {(c) => {
        const list = listOf(c.lists, "PREPARE");
        const ready = listOf(c.lists, "READY");
        const left = list.items.filter((i) => i.ticked === null).length;
        return (
          <div className="grid items-start gap-4 lg:grid-cols-2">
            <Pane title="Looked at" aside={left === 0 ? "all of it" : `${left} to go`} wall="work">
              <TickList
                view={list}
                disabled={tick.isPending}
                onTick={(item, on) => tick.mutate({ list: "PREPARE", item, on })}
              />
              <ProblemNote error={tick.error} />
            </Pane>
            <div className="space-y-4">
              <Circuits id={id} conduct={c} open={open} />
              <Adjust id={id} conduct={c} />
              <Pane title="The candidate’s tablet" aside={`bay ${bay}`}>
                <p>
                  {ready.complete ? (
                    <b>Confirmed on their own device.</b>
                  ) : open ? (
                    "Not confirmed yet: it is asked on the sheet."
                  ) : (
                    "The sheet opens when faults are set and proved; then it asks the candidate to confirm."
                  )}
                </p>
                <PairTablet id={id} />
              </Pane>
            </div>
            <div className="flex flex-wrap gap-3 lg:col-span-2">
              {left > 0 && (
                <p className="w-full text-caution">
                  △ {left === 1 ? "One check is" : `${left} checks are`} empty. You may go on; Watch and the
                  record say so.
                </p>
              )}
              <LinkButton to={`/assessments/${id}/set`}>Go to Set</LinkButton>
              <Link className="self-center text-work underline" to={`/assessments/${id}/brief`}>
                Brief, to print
              </Link>
            </div>
          </div>
        );
      }}
    </Loaded>
  );
}

function Circuits({ id, conduct, open }: { id: string; conduct: Conduct; open: boolean }) {
  const choose = useCircuits(id);
  const tested = conduct.circuits.filter((c) => c.tested).map((c) => c.id);
  const [chosen, setChosen] = useState(tested);
  const changed = chosen.length !== tested.length || chosen.some((c) => !tested.includes(c));
  return (
    <Pane title="Circuits to be tested" aside="two at least, a ring where there is one">
      <div role="group" aria-label="Circuits" className="flex flex-wrap gap-2">
        {conduct.circuits.map((c) => {
          const on = chosen.includes(c.id);
          return (
            <Button
              key={c.id}
              large
              disabled={open}
              aria-pressed={on}
              className={on ? "!bg-work-soft !font-bold" : "!border-line !text-ink2"}
              onClick={() => setChosen(on ? chosen.filter((x) => x !== c.id) : [...chosen, c.id])}
            >
              {on ? "● " : "○ "}
              {c.label}
              {c.ring && " · ring"}
            </Button>
          );
        })}
      </div>
      <ProblemNote error={choose.error} />
      {open ? (
        <p className="mt-2 text-[14px] text-ink2">Settled: the sheet is open.</p>
      ) : (
        <Button
          className="mt-2"
          kind={changed ? "main" : "plain"}
          disabled={!changed || choose.isPending}
          onClick={() => choose.mutate(chosen)}
        >
          {changed ? "Keep this choice" : "Kept"}
        </Button>
      )}
    </Pane>
  );
}

const FACTORS = [
  { value: "1", label: "as usual" },
  { value: "1.25", label: "× 1.25" },
  { value: "1.5", label: "× 1.5" },
  { value: "2", label: "× 2" },
];

function Adjust({ id, conduct }: { id: string; conduct: Conduct }) {
  const adjust = useAdjust(id);
  const [given, setGiven] = useState(conduct.given.join(", "));
  const list = given
    .split(",")
    .map((g) => g.trim())
    .filter(Boolean);
  return (
    <Pane title="Time, and what is granted" aside="what, never why">
      <Choices
        label="Time"
        large
        value={String(conduct.timeFactor)}
        onChange={(v) => adjust.mutate({ timeFactor: Number(v), given: list })}
        options={FACTORS}
      />
      <div className="mt-3 flex flex-wrap items-end gap-2">
        <TextField
          className="min-w-60 flex-1"
          label="Granted besides: reader, larger type, seated work"
          value={given}
          maxLength={300}
          onChange={(e) => setGiven(e.target.value)}
        />
        <Button
          disabled={list.join() === conduct.given.join() || adjust.isPending}
          onClick={() => adjust.mutate({ timeFactor: conduct.timeFactor, given: list })}
        >
          Keep
        </Button>
      </div>
      <ProblemNote error={adjust.error} />
    </Pane>
  );
}
