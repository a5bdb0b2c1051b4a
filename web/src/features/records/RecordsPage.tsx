import { useQuery } from "@tanstack/react-query";
import { Link, useSearchParams } from "react-router";
import type { Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { SelectField, TextField } from "../../ui/Field";
import { Loaded } from "../../ui/States";
import { clock } from "../../ui/when";
import { recordQueries, type Wanted } from "./queries";

const FIELDS = ["person", "rig", "scheme", "outcome", "from", "until"] as const;

/** Every decided record, the newest first. What is looked for stands in the address, so that it can be kept or sent. */
export function RecordsPage() {
  const [params, setParams] = useSearchParams();
  const text = (name: string) => params.get(name) ?? "";
  const wanted: Wanted = {
    person: text("person"),
    rig: text("rig"),
    scheme: text("scheme"),
    outcome: text("outcome"),
    from: text("from"),
    until: text("until"),
    page: Math.max(0, Number(text("page")) || 0),
  };
  const found = useQuery(recordQueries.find(wanted));
  const look = (change: Partial<Wanted>) => {
    const next = { ...wanted, page: 0, ...change };
    setParams(
      Object.fromEntries(
        Object.entries(next)
          .map(([k, v]) => [k, v === 0 ? "" : String(v)] as const)
          .filter(([, v]) => v !== ""),
      ),
      { replace: true },
    );
  };
  return (
    <>
      <h1 className="mb-3 text-[21px] font-bold">Records</h1>
      <Loaded query={found}>
        {(page) => (
          <>
            <Search wanted={wanted} choices={page.choices} onLook={look} />
            <p role="status" className="my-3 text-ink2">
              {page.of === 1 ? "1 record" : `${page.of} records`}
              {FIELDS.some((f) => wanted[f]) ? " fit" : ", the newest first"}
            </p>
            {page.records.length === 0 ? (
              <p className="border-t border-line py-4">
                No record fits. Leave something out, or{" "}
                <button type="button" className="text-work underline" onClick={() => setParams({})}>
                  show all
                </button>
                .
              </p>
            ) : (
              <Found records={page.records} />
            )}
            {page.pages > 1 && (
              <div className="mt-3 flex items-center gap-3">
                <Button disabled={wanted.page === 0} onClick={() => look({ page: wanted.page - 1 })}>
                  Newer
                </Button>
                <span className="text-ink2">
                  page {wanted.page + 1} of {page.pages}
                </span>
                <Button
                  disabled={wanted.page + 1 >= page.pages}
                  onClick={() => look({ page: wanted.page + 1 })}
                >
                  Older
                </Button>
              </div>
            )}
          </>
        )}
      </Loaded>
    </>
  );
}

interface SearchProps {
  wanted: Wanted;
  choices: Schemas["RecordChoices"];
  onLook: (change: Partial<Wanted>) => void;
}

function Search({ wanted, choices, onLook }: SearchProps) {
  const lists = [
    ["rig", "Rig", choices.rigs],
    ["scheme", "Scheme", choices.schemes],
    ["outcome", "Outcome", choices.outcomes],
  ] as const;
  return (
    <form
      role="search"
      className="grid gap-2 sm:grid-cols-2 lg:grid-cols-[1.4fr_1fr_1.4fr_1fr_auto_auto]"
      onSubmit={(e) => e.preventDefault()}
    >
      <TextField
        label="Person"
        placeholder="candidate or assessor"
        maxLength={120}
        value={wanted.person}
        onChange={(e) => onLook({ person: e.target.value })}
      />
      {lists.map(([name, label, list]) => (
        <SelectField
          key={name}
          label={label}
          value={wanted[name]}
          onChange={(e) => onLook({ [name]: e.target.value })}
        >
          <option value="">any</option>
          {list.map((c) => (
            <option key={c.id} value={c.id}>
              {c.label}
            </option>
          ))}
        </SelectField>
      ))}
      <TextField
        label="From"
        type="date"
        value={wanted.from}
        onChange={(e) => onLook({ from: e.target.value })}
      />
      <TextField
        label="To"
        type="date"
        value={wanted.until}
        onChange={(e) => onLook({ until: e.target.value })}
      />
    </form>
  );
}

function Found({ records }: { records: Schemas["RecordLine"][] }) {
  return (
    <ul className="divide-y divide-line border-y border-line bg-sheet">
      {records.map((r) => (
        <li key={r.assessmentId}>
          <Link
            to={`/assessments/${r.assessmentId}/${r.brokenOff ? "record" : "mark"}`}
            className="grid min-h-11 items-center gap-x-4 px-3 py-1 hover:bg-work-soft sm:grid-cols-[12rem_9rem_1fr_12rem_8rem]"
          >
            <span className="font-semibold">{r.candidate}</span>
            <span>{r.rig}</span>
            <span className="text-ink2">
              {r.scheme} · {r.assessor}
            </span>
            <span>
              {r.verdict}
              {r.overridden && (
                <span className="block text-[14px] text-caution">otherwise than proposed</span>
              )}
            </span>
            <span className="text-ink2 tabular-nums sm:text-right">{clock(r.at)}</span>
          </Link>
        </li>
      ))}
    </ul>
  );
}
