import { useQuery } from "@tanstack/react-query";
import { useParams } from "react-router";
import type { Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { LinkButton } from "../../ui/LinkButton";
import { Loaded } from "../../ui/States";
import { setQueries } from "./queries";

/** One page for the setter: lock off, set, prove. Only assessors get it from the server. */
export function CardPage() {
  const { id = "" } = useParams();
  const card = useQuery(setQueries.card(id));
  return (
    <Loaded query={card}>
      {(c) => (
        <>
          <div className="no-print mb-3 flex gap-2">
            <LinkButton to={`/assessments/${id}/set`}>Back to Set</LinkButton>
            <Button kind="main" onClick={() => window.print()}>
              Print
            </Button>
          </div>
          <Card card={c} />
        </>
      )}
    </Loaded>
  );
}

function Card({ card }: { card: Schemas["CardView"] }) {
  return (
    <article className="max-w-[820px] border border-frame bg-sheet p-6 print:max-w-none print:border-0 print:p-0">
      <header className="mb-4 flex flex-wrap items-baseline justify-between gap-x-6 border-b-2 border-ink pb-2">
        <h1 className="text-[22px] font-bold">
          Set card · bay {card.bay} · {card.rig}
        </h1>
        <p className="text-ink2">
          rig version {card.rigVersion} · {card.assessor} · {card.tester}
        </p>
      </header>
      <p className="mb-4 border-2 border-ink p-2 font-semibold">
        For the setter’s eyes. Keep it from candidates; destroy it after the rig is cleared.
      </p>
      <Ticks title="1  Lock off first" items={card.lockOff} />
      {card.byBox.length > 0 && (
        <Steps title="2  Arm the fault box from the Set page, then look" steps={card.byBox} />
      )}
      <Steps
        title={`${card.byBox.length > 0 ? 3 : 2}  Set by hand, once round the rig`}
        steps={card.byHand}
      />
      <section className="mb-4">
        <h2 className="mb-1 font-bold">{card.byBox.length > 0 ? 4 : 3} Prove it is set</h2>
        {card.checks.length === 0 && card.looks.length === 0 && <p>Nothing is set.</p>}
        <table className="w-full">
          {card.checks.length > 0 && (
            <thead>
              <tr className="text-left text-[13px]">
                <th scope="col">Reading</th>
                <th scope="col">must show</th>
                <th scope="col">healthy</th>
                <th scope="col" className="w-28">
                  read
                </th>
              </tr>
            </thead>
          )}
          <tbody>
            {card.checks.map((c) => (
              <tr key={c.what} className="border-t border-line">
                <td className="py-2 pr-3">
                  {c.what}
                  <span className="block text-[13px] text-ink2">{c.how}</span>
                </td>
                <td className="py-2 pr-3 font-semibold">{c.window}</td>
                <td className="py-2 pr-3">{c.healthy}</td>
                <td className="border-b border-ink" />
              </tr>
            ))}
          </tbody>
        </table>
        <Ticks title="" items={card.looks.map((l) => `Seen: ${l}`)} />
      </section>
      <Ticks title="Afterwards" items={card.afterwards} />
      <p className="text-[13px]">
        For training rigs only. Local codes, the site’s rules and licensed practice come first; this card
        makes nothing dead.
      </p>
    </article>
  );
}

function Ticks({ title, items }: { title: string; items: string[] }) {
  if (items.length === 0) return null;
  return (
    <section className="mb-4">
      {title && <h2 className="mb-1 font-bold">{title}</h2>}
      <ul>
        {items.map((item) => (
          <li key={item} className="flex gap-3 py-1">
            <TickBox />
            {item}
          </li>
        ))}
      </ul>
    </section>
  );
}

function Steps({ title, steps }: { title: string; steps: Schemas["CardStep"][] }) {
  if (steps.length === 0) return null;
  return (
    <section className="mb-4">
      <h2 className="mb-1 font-bold">{title}</h2>
      <ol>
        {steps.map((s) => (
          <li key={s.number} className="flex gap-3 border-t border-line py-2">
            <TickBox />
            <span>
              <b>
                {s.relay > 0 && `Relay ${s.relay} · `}
                {s.where}
              </b>{" "}
              <span className="text-[13px]">({s.safety})</span>
              <span className="block">{s.instruction}</span>
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}

function TickBox() {
  return <span aria-hidden="true" className="mt-0.5 inline-block size-5 shrink-0 border-2 border-ink" />;
}
