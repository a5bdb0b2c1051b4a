import { Chip } from "../../ui/Chip";
import { Pane } from "../../ui/Pane";
import type { SchemeView } from "./queries";

function Severity({ of }: { of: string }) {
  if (of === "counts") return null;
  return <Chip tone={of === "safety" ? "caution" : "work"}>{of === "safety" ? "stops" : "key"}</Chip>;
}

/** The procedure as stations on a line, dead ones first. */
export function Steps({ view }: { view: SchemeView }) {
  return (
    <Pane title="What is done" aside={`${view.steps.length} steps, in this order`}>
      <ol className="relative ml-2 border-l-[3px] border-ink">
        {view.steps.map((s) => (
          <li key={s.id} className="relative pb-3 pl-6">
            <span
              aria-hidden="true"
              className={`absolute top-1 -left-[10px] h-[17px] w-[17px] border-[2.5px] border-ink bg-sheet ${s.live ? "rotate-45" : "rounded-full"}`}
            />
            <p className="font-bold">
              {s.title} {s.live && <Chip tone="caution">live</Chip>}
            </p>
            {s.tests.length > 0 && <p className="text-[14px]">On the sheet: {s.tests.join(", ")}</p>}
            {s.observations.length > 0 && (
              <ul className="mt-1 text-[14px]">
                {s.observations.map((o) => (
                  <li key={o.seen}>
                    ◇ {o.seen} <Severity of={o.severity} />
                    {o.slips.length > 0 && <span className="text-ink2"> · not: {o.slips.join("; ")}</span>}
                  </li>
                ))}
              </ul>
            )}
            {s.questions.length > 0 && (
              <details className="mt-1 text-[14px] text-ink2">
                <summary>
                  {s.questions.length} question{s.questions.length === 1 ? "" : "s"}
                </summary>
                <ul>
                  {s.questions.map((q) => (
                    <li key={q.ask} className="py-1">
                      <b>{q.ask}</b> {q.everybody ? "asked of everybody" : "drawn"}; {q.needed} of:{" "}
                      {q.points.join(" · ")}
                    </li>
                  ))}
                </ul>
              </details>
            )}
          </li>
        ))}
      </ol>
    </Pane>
  );
}

export function Criteria({ view }: { view: SchemeView }) {
  return (
    <Pane title="What counts" aside={view.passRule}>
      <table className="w-full text-[14px]">
        <thead>
          <tr className="text-left text-ink2">
            <th className="font-semibold">For</th>
            <th className="font-semibold">a mark</th>
            <th className="text-right font-semibold">weight</th>
          </tr>
        </thead>
        <tbody>
          {view.criteria.map((c, i) => (
            <tr key={`${c.title}-${i}`} className="border-t border-line align-top">
              <td className="py-1.5 pr-2">
                <b>{c.title}</b> <Severity of={c.severity} />
                {c.of && <span className="block text-[13px] text-ink2">{c.of}</span>}
              </td>
              <td className="py-1.5 pr-2 text-ink2">{c.kind}</td>
              <td className="py-1.5 text-right tabular-nums">{c.weight}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {view.order.length > 0 && (
        <>
          <h3 className="mt-3 font-bold">Order</h3>
          <ul className="text-[14px]">
            {view.order.map((r) => (
              <li key={`${r.first}-${r.then}`} className="py-0.5">
                {r.first} before {r.then} <Severity of={r.severity} />
                {r.why && <span className="text-ink2"> · {r.why}</span>}
              </li>
            ))}
          </ul>
        </>
      )}
      {view.look.length > 0 && (
        <>
          <h3 className="mt-3 font-bold text-caution">△ Wants a look</h3>
          <ul className="list-disc pl-5 text-[14px]">
            {view.look.map((l) => (
              <li key={`${l.where} ${l.given}`}>
                {l.given}: {l.says}
              </li>
            ))}
          </ul>
        </>
      )}
    </Pane>
  );
}

export function Practice({ view }: { view: SchemeView }) {
  return (
    <Pane title="How the tests are done">
      <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1 text-[14px]">
        {view.practice.map((f) => (
          <div key={f.label} className="contents">
            <dt className="text-ink2">{f.label}</dt>
            <dd>{f.value}</dd>
          </div>
        ))}
      </dl>
      {view.fits.length > 0 && (
        <>
          <h3 className="mt-3 font-bold">Where it fits</h3>
          <ul className="text-[14px]">
            {view.fits.map((f) => (
              <li key={f.bay}>
                {f.lacking.length === 0 ? "●" : "◐"} Bay {f.bay}, {f.rig}
                {f.lacking.length > 0 && <span className="text-ink2"> · {f.lacking.join("; ")}</span>}
              </li>
            ))}
          </ul>
        </>
      )}
    </Pane>
  );
}

export function Where({ view }: { view: SchemeView }) {
  return (
    <Pane title="Where it comes from">
      <p className="mb-2 text-[14px] text-caution">
        Local codes, the site’s rules and the awarding body’s own criteria come first.
      </p>
      <ul className="list-disc pl-5 text-[14px]">
        {view.follows.map((f) => (
          <li key={f}>{f}</li>
        ))}
      </ul>
      {view.decided.length > 0 && (
        <>
          <h3 className="mt-3 font-bold">Decided where practitioners disagree</h3>
          <dl className="text-[14px]">
            {view.decided.map((d) => (
              <div key={d.question} className="py-1">
                <dt className="font-semibold">{d.question}</dt>
                <dd>
                  {d.choice}. <span className="text-ink2">{d.why}</span>
                </dd>
              </div>
            ))}
          </dl>
        </>
      )}
    </Pane>
  );
}
