import { useQuery } from "@tanstack/react-query";
import { Link, useSearchParams } from "react-router";
import { TextField } from "../../ui/Field";
import { Loaded } from "../../ui/States";
import { referenceQueries } from "./queries";

/** What the words mean: the trade's, and the few of our own. */
export function GlossaryPage() {
  const terms = useQuery(referenceQueries.glossary);
  const [search, setSearch] = useSearchParams();
  const wanted = search.get("word") ?? "";
  const has = (text: string) => text.toLowerCase().includes(wanted.trim().toLowerCase());
  return (
    <Loaded query={terms}>
      {(all) => {
        const found = all.filter((t) => has(t.word) || has(t.meaning));
        return (
          <article className="mx-auto max-w-[860px]">
            <div className="mb-3 flex flex-wrap items-end justify-between gap-3">
              <h1 className="text-[21px] font-bold">Glossary</h1>
              <Link to="/reference" className="text-work underline">
                Reference: formulas and limits
              </Link>
            </div>
            <TextField
              label="Find a word"
              value={wanted}
              onChange={(e) => setSearch(e.target.value ? { word: e.target.value } : {}, { replace: true })}
            />
            <p role="status" className="my-2 text-[14px] text-ink2">
              {found.length === all.length ? `${all.length} words` : `${found.length} of ${all.length} words`}
            </p>
            {found.length === 0 ? (
              <p>No word here matches “{wanted}”. Try a part of it.</p>
            ) : (
              <dl className="border-t-2 border-ink bg-sheet">
                {found.map((t) => (
                  <div
                    key={t.word}
                    className="grid gap-x-4 border-b border-line px-3 py-2 sm:grid-cols-[220px_minmax(0,1fr)]"
                  >
                    <dt className="font-semibold">
                      {t.word}
                      {t.ours && (
                        <span className="block text-[13px] font-normal text-ink2">Prantel’s word</span>
                      )}
                    </dt>
                    <dd>{t.meaning}</dd>
                  </div>
                ))}
              </dl>
            )}
          </article>
        );
      }}
    </Loaded>
  );
}
