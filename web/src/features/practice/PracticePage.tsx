import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import { api, data, type Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { Choices } from "../../ui/Choices";
import { Dialog } from "../../ui/Dialog";
import { SelectField } from "../../ui/Field";
import { Pane } from "../../ui/Pane";
import { Loaded, ProblemNote } from "../../ui/States";
import { day } from "../../ui/when";
import { placesOf, sessionQueries } from "../session";
import { OwnDrills } from "./Drills";
import { OwnProgress, ShownToMe } from "./Progress";
import { practiceQueries } from "./queries";
import { WAYS, wayLabel } from "./words";

/** Where practice begins: a rig, a way, and what is practised. */
export function PracticePage() {
  return <Loaded query={useQuery(practiceQueries.offer)}>{(offer) => <Offer offer={offer} />}</Loaded>;
}

function Offer({ offer }: { offer: Schemas["PracticeOffer"] }) {
  const [rigId, setRig] = useState(offer.rigs[0]?.id ?? "");
  const [way, setWay] = useState("SHOWN");
  const [scheme, setScheme] = useState("");
  const [faults, setFaults] = useState("2");
  const [difficulty, setDifficulty] = useState("2");
  const person = useQuery(sessionQueries.current).data?.person;
  const assesses = person ? placesOf(person).assess : false;
  const navigate = useNavigate();
  const rig = offer.rigs.find((r) => r.id === rigId);
  const begin = useMutation({
    mutationFn: (drill: string) =>
      data(
        api.POST("/api/practice", {
          body: {
            id: crypto.randomUUID(),
            rig: rigId,
            way: way as Schemas["PracticeBegin"]["way"],
            drill,
            scheme: drill || !rig?.schemes.includes(scheme) ? "" : scheme,
            faults: drill ? 0 : Number(faults),
            difficulty: Number(difficulty),
          },
        }),
      ),
    onSuccess: (opened) => void navigate(`/practice/${opened.id}`),
  });
  const today = new Date().toISOString().slice(0, 10);
  const open = offer.past.filter((p) => p.endedAt === null);

  return (
    <div className="mx-auto max-w-[1100px] space-y-4">
      <div>
        <h1 className="text-[22px] font-bold">Practice</h1>
        <p className="max-w-[70ch] text-ink2">
          Do anything to a rig and see what comes of it. Nothing here can break and nobody can be hurt. It is
          yours alone, unless you show it. On a real rig local rules and licensed practice come first.
        </p>
      </div>
      {offer.beingAssessed && (
        <p role="status" className="border-l-4 border-caution bg-caution-soft p-3">
          You are being assessed. Practice opens again when your sheet is handed in.
        </p>
      )}
      <ProblemNote error={begin.error} />
      {open.length > 0 && (
        <Pane title="Not finished">
          <ul className="divide-y divide-line">
            {open.slice(0, 5).map((p) => (
              <li key={p.practiceId} className="flex flex-wrap items-center gap-3 py-2">
                <span className="flex-1">
                  <b>{titleOf(offer, p)}</b> · {rigLabel(offer, p.rigId)} · {wayLabel(p.way)}
                  <span className="block text-[14px] text-ink2">
                    {day(p.startedAt)}, {p.deedCount} deeds
                  </span>
                </span>
                <Link
                  to={`/practice/${p.practiceId}`}
                  className="inline-flex min-h-10 items-center rounded-md border border-work px-4 font-semibold text-work hover:bg-work-soft"
                >
                  Go on
                </Link>
              </li>
            ))}
          </ul>
        </Pane>
      )}
      <Pane title="Choose">
        <div className="grid gap-4 md:grid-cols-[minmax(0,260px)_1fr]">
          <SelectField label="Rig" value={rigId} onChange={(e) => setRig(e.target.value)}>
            {offer.rigs.map((r) => (
              <option key={r.id} value={r.id}>
                {r.label}
              </option>
            ))}
          </SelectField>
          <div>
            <p className="mb-1 font-semibold">How</p>
            <Choices label="How" value={way} options={WAYS} onChange={setWay} />
          </div>
        </div>
      </Pane>
      <Pane title="The whole sequence" aside="every test of a scheme, one after the other">
        <div className="flex flex-wrap items-end gap-4">
          <SelectField
            label="Scheme"
            className="w-full max-w-96"
            value={rig?.schemes.includes(scheme) ? scheme : (rig?.schemes[0] ?? "")}
            onChange={(e) => setScheme(e.target.value)}
          >
            {offer.schemes
              .filter((s) => rig?.schemes.includes(s.id))
              .map((s) => (
                <option key={s.id} value={s.id}>
                  {s.label}
                </option>
              ))}
          </SelectField>
          <div>
            <p className="mb-1 font-semibold">Faults on the rig</p>
            <Choices
              label="Faults on the rig"
              value={faults}
              onChange={setFaults}
              options={["0", "1", "2", "3"].map((n) => ({ value: n, label: n === "0" ? "none" : n }))}
            />
          </div>
          {faults !== "0" && (
            <div>
              <p className="mb-1 font-semibold">How hard to find</p>
              <Choices
                label="How hard to find"
                value={difficulty}
                onChange={setDifficulty}
                options={[
                  { value: "1.5", label: "plain" },
                  { value: "2", label: "usual" },
                  { value: "3", label: "hard" },
                ]}
              />
            </div>
          )}
          <Button
            kind="main"
            large
            disabled={offer.beingAssessed || begin.isPending || !rig}
            onClick={() => begin.mutate("")}
          >
            {begin.isPending ? "Looking for faults…" : "Begin"}
          </Button>
        </div>
      </Pane>
      <Pane title="Drills" aside="one test or one idea">
        <ul className="divide-y divide-line">
          {offer.drills.map((drill) => {
            const fits = rig?.drills.includes(drill.id) ?? false;
            return (
              <li key={drill.id} className="flex flex-wrap items-center gap-x-4 gap-y-2 py-2.5">
                <span className="min-w-[16rem] flex-1">
                  <b>{drill.title}</b>
                  {drill.due && drill.due <= today && (
                    <span className="ml-2 rounded bg-plum-soft px-1.5 font-semibold text-plum">
                      due again
                    </span>
                  )}
                  {drill.due && drill.due > today && (
                    <span className="ml-2 text-[14px] text-ink2">again on {day(drill.due)}</span>
                  )}
                  <span className="block text-ink2">{drill.idea}</span>
                </span>
                {fits ? (
                  <Button
                    disabled={offer.beingAssessed || begin.isPending}
                    onClick={() => begin.mutate(drill.id)}
                    aria-label={`Begin ${drill.title}`}
                  >
                    Begin
                  </Button>
                ) : (
                  <span className="text-[14px] text-ink2">nothing for it on this rig</span>
                )}
              </li>
            );
          })}
        </ul>
      </Pane>
      {assesses && <OwnDrills />}
      {assesses && <ShownToMe />}
      {offer.past.length > 0 && <OwnProgress />}
      <Past offer={offer} />
    </div>
  );
}

function titleOf(offer: Schemas["PracticeOffer"], past: Schemas["PracticePast"]): string {
  if (past.purpose === "TRIED") return "A set tried";
  if (past.purpose === "REPLAY") return "A record gone through";
  return offer.drills.find((d) => d.id === past.drill)?.title ?? (past.drill || "The whole sequence");
}

function rigLabel(offer: Schemas["PracticeOffer"], id: string): string {
  return offer.rigs.find((r) => r.id === id)?.label ?? id;
}

function Past({ offer }: { offer: Schemas["PracticeOffer"] }) {
  const [asking, setAsking] = useState(false);
  const client = useQueryClient();
  const erase = useMutation({
    mutationFn: () => data(api.DELETE("/api/practice")),
    onSuccess: () => {
      setAsking(false);
      void client.invalidateQueries({ queryKey: practiceQueries.offer.queryKey });
    },
  });
  const ended = offer.past.filter((p) => p.endedAt !== null);
  if (offer.past.length === 0) return null;
  return (
    <Pane title="What you practised">
      {ended.length === 0 && <p className="text-ink2">Nothing finished yet.</p>}
      {ended.length > 0 && (
        <div className="overflow-x-auto">
          <table className="w-full text-left">
            <thead className="text-[14px] text-ink2">
              <tr>
                <th className="py-1 pr-4 font-semibold">Day</th>
                <th className="py-1 pr-4 font-semibold">What</th>
                <th className="py-1 pr-4 font-semibold">Rig</th>
                <th className="py-1 pr-4 font-semibold">How</th>
                <th className="py-1 pr-4 text-right font-semibold">Dangers</th>
                <th className="py-1 pr-4 text-right font-semibold">Slips</th>
                <th className="py-1 pr-4 text-right font-semibold">Wrong or missed</th>
              </tr>
            </thead>
            <tbody>
              {ended.slice(0, 30).map((p) => (
                <tr key={p.practiceId} className="border-t border-line">
                  <td className="py-1.5 pr-4 whitespace-nowrap">{day(p.startedAt)}</td>
                  <td className="py-1.5 pr-4">
                    <Link className="underline" to={`/practice/${p.practiceId}`}>
                      {titleOf(offer, p)}
                    </Link>
                  </td>
                  <td className="py-1.5 pr-4">{rigLabel(offer, p.rigId)}</td>
                  <td className="py-1.5 pr-4">{wayLabel(p.way)}</td>
                  <td className="py-1.5 pr-4 text-right tabular-nums">{p.dangers}</td>
                  <td className="py-1.5 pr-4 text-right tabular-nums">{p.slips}</td>
                  <td className="py-1.5 pr-4 text-right tabular-nums">{p.wrong}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      <div className="mt-3">
        <Button kind="quiet" onClick={() => setAsking(true)}>
          Erase all of it
        </Button>
      </div>
      <Dialog
        open={asking}
        onClose={() => setAsking(false)}
        title="Erase everything you practised?"
        about="It cannot be brought back. Assessments are not touched."
      >
        <ProblemNote error={erase.error} />
        <div className="mt-4 flex justify-end gap-2">
          <Button kind="quiet" onClick={() => setAsking(false)}>
            Keep it
          </Button>
          <Button kind="main" disabled={erase.isPending} onClick={() => erase.mutate()}>
            Erase
          </Button>
        </div>
      </Dialog>
    </Pane>
  );
}
