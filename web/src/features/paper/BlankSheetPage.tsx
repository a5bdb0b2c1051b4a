import { useQuery } from "@tanstack/react-query";
import { Link, useParams, useSearchParams } from "react-router";
import { api, data, type Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { SelectField } from "../../ui/Field";
import { Loaded } from "../../ui/States";

type Step = Schemas["Step"];
type Group = Schemas["Group"];
type Box = Schemas["Box"];

/** A blank record to print: the tests in their order, each circuit a line with its stations to write at. */
export function BlankSheetPage() {
  const { id = "" } = useParams();
  const [params, setParams] = useSearchParams();
  const schemes = useQuery({
    queryKey: ["schemes"] as const,
    queryFn: ({ signal }) => data(api.GET("/api/schemes", { signal })),
  });
  const scheme = params.get("scheme") ?? schemes.data?.[0]?.id ?? "";
  const blank = useQuery({
    queryKey: ["paper", id, scheme] as const,
    queryFn: ({ signal }) =>
      data(api.GET("/api/rigs/{id}/paper", { signal, params: { path: { id }, query: { scheme } } })),
    enabled: scheme !== "",
  });
  return (
    <>
      <div className="no-print mb-4 flex flex-wrap items-end gap-3">
        <SelectField label="Scheme" value={scheme} onChange={(e) => setParams({ scheme: e.target.value })}>
          {schemes.data?.map((s) => (
            <option key={s.id} value={s.id}>
              {s.name}
            </option>
          ))}
        </SelectField>
        <Button kind="main" onClick={() => window.print()}>
          Print
        </Button>
        <Link className="self-center text-work underline" to={`/rigs/${id}`}>
          back to the rig
        </Link>
      </div>
      <Loaded query={blank}>
        {(view) => (
          <article className="mx-auto max-w-[1050px] bg-sheet p-6 text-[14px] text-ink print:max-w-none print:p-0">
            <header className="mb-3 border-b-2 border-ink pb-2">
              <h1 className="text-[20px] font-bold">
                {view.rig} · {view.scheme}
              </h1>
              <p className="mt-2 grid grid-cols-4 gap-4 text-[13px]">
                {["Name", "Date", "Bay", "Instrument"].map((what) => (
                  <span key={what} className="border-b border-ink2 pb-5 text-ink2">
                    {what}
                  </span>
                ))}
              </p>
              <p className="mt-2 text-[12px] text-ink2">
                Off, locked off, proved dead before anything is touched; live only with permission. Local
                codes and licensed practice come first. Write what the display shows, with its unit where it
                is another than printed; over-range with its range. ✓ or ✗ in the small square where there is
                one.
              </p>
            </header>
            {view.steps.map((step) => (
              <BlankStep key={step.id} step={step} />
            ))}
            <footer className="mt-4 grid grid-cols-2 gap-6 break-inside-avoid text-[13px]">
              <span className="border-b border-ink2 pb-8 text-ink2">
                Faults found: what, where, how known, what to do
              </span>
              <span className="border-b border-ink2 pb-8 text-ink2">Signed, time</span>
            </footer>
          </article>
        )}
      </Loaded>
    </>
  );
}

function BlankStep({ step }: { step: Step }) {
  return (
    <section className="mb-3">
      <h2 className="flex items-center gap-2 border-l-4 border-ink pl-2 text-[15px] font-bold break-after-avoid">
        {step.label}
        {step.live && <span className="border border-ink px-1 text-[11px]">LIVE</span>}
        {step.alternativeTo && (
          <span className="text-[12px] font-normal text-ink2">or {step.alternativeTo}, one of the two</span>
        )}
      </h2>
      {step.groups.map((group) => (
        <BlankGroup key={group.label} group={group} />
      ))}
    </section>
  );
}

function BlankGroup({ group }: { group: Group }) {
  return (
    <div className="mt-1 break-inside-avoid">
      {group.label && <h3 className="text-[13px] font-semibold">{group.label}</h3>}
      <ul className="relative grid grid-cols-6 gap-x-2 gap-y-1">
        {group.boxes.map((box) => (
          <BlankBox key={box.slot} box={box} />
        ))}
        {/* the scheme leaves it to the candidate to know what is read, and where: as many lines everywhere */}
        {group.choice && Array.from({ length: FREE_LINES }, (_, i) => <FreeLine key={i} />)}
      </ul>
    </div>
  );
}

const FREE_LINES = 12;

function FreeLine() {
  return (
    <li className="pt-2 break-inside-avoid">
      <span className="block h-8 border-b border-ink2" />
      <span className="block text-[11px] leading-tight text-ink2">what, where</span>
    </li>
  );
}

/** A place to write at, on a line like a station; a small square where it is judged. */
function BlankBox({ box }: { box: Box }) {
  return (
    <li className="relative pt-2 break-inside-avoid">
      <span aria-hidden="true" className="absolute top-0 right-0 left-0 h-[2px] bg-ink2" />
      <span aria-hidden="true" className="absolute -top-[3px] left-2 size-2 rounded-full bg-ink2" />
      <span className="flex h-8 items-end justify-between border-b border-ink2">
        <span />
        <span className="flex items-center gap-1 text-[12px] text-ink2">
          {box.unit || words(box)}
          {box.judged && <span className="inline-block size-4 border border-ink2" />}
        </span>
      </span>
      <span className="block text-[11px] leading-tight text-ink2">
        {box.quantity} {box.where}
      </span>
    </li>
  );
}

function words(box: Box): string {
  return box.keys.length > 0 ? box.keys.map((k) => k.replace(":", "")).join(" / ") : "";
}
