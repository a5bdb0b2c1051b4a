import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { useNavigate, useParams } from "react-router";
import { api, data } from "../../api/client";
import { Button } from "../../ui/Button";
import { Pane } from "../../ui/Pane";
import { Loaded, ProblemNote } from "../../ui/States";
import { schemeQueries } from "./queries";
import { Criteria, Steps } from "./SchemeParts";

const CHECK_AFTER_MS = 500;

/** Another version of a scheme: the file itself, looked at while it is typed, beside what a person would read. */
export function SchemeEditorPage() {
  const { id = "", version = "1" } = useParams();
  const text = useQuery(schemeQueries.text(id, Number(version)));
  const view = useQuery(schemeQueries.one(id, Number(version)));
  return (
    <Loaded query={text}>
      {(file) => (
        <Loaded query={view}>
          {(v) => <Editor file={raised(file.text, Number(version), (v.versions.at(-1) ?? 0) + 1)} />}
        </Loaded>
      )}
    </Loaded>
  );
}

/** Versions are kept for ever: a change is the next one. */
function raised(file: string, from: number, to: number): string {
  return file.replace(new RegExp(`("version"\\s*:\\s*)${from}`), `$1${to}`);
}

function Editor({ file }: { file: string }) {
  const [text, setText] = useState(file);
  const area = useRef<HTMLTextAreaElement>(null);
  const client = useQueryClient();
  const navigate = useNavigate();
  const check = useMutation({
    mutationFn: (t: string) => data(api.POST("/api/schemes/check", { body: { text: t } })),
  });
  const { mutate } = check;
  useEffect(() => {
    const later = setTimeout(() => mutate(text), CHECK_AFTER_MS);
    return () => clearTimeout(later);
  }, [text, mutate]);
  const save = useMutation({
    mutationFn: () => data(api.PUT("/api/schemes", { body: { text } })),
    onSuccess: async (saved) => {
      await client.invalidateQueries({ queryKey: ["schemes"] });
      await navigate(`/schemes/${saved.id}/${saved.version}`);
    },
  });
  const problems = check.data?.problems ?? [];
  const sound = check.data !== undefined && problems.length === 0 && !check.isPending;

  /** Puts the caret on what a problem is about, as far as it can be found by its last words. */
  const goTo = (where: string, given: string) => {
    const words = given.replace(/^"|"$/g, "");
    const last =
      where
        .split("/")
        .filter((p) => p && Number.isNaN(Number(p)))
        .at(-1) ?? "";
    const at = [words && text.indexOf(words), last && text.indexOf(`"${last}"`)].find(
      (n) => typeof n === "number" && n >= 0,
    );
    if (typeof at === "number" && area.current) {
      area.current.focus();
      area.current.setSelectionRange(at, at + (words.length || last.length + 2));
    }
  };

  return (
    <>
      <div className="mb-3 flex flex-wrap items-center gap-4">
        <h1 className="text-[21px] font-bold">{check.data?.view.name || "Scheme"}, another version</h1>
        <span role="status" className={sound ? "text-work" : "text-caution"}>
          {check.isPending || !check.data
            ? "Looking at it…"
            : sound
              ? "● sound"
              : `▲ ${problems.length} to mend`}
        </span>
        <span className="ml-auto flex gap-2">
          <Button kind="quiet" disabled={text === file} onClick={() => setText(file)}>
            Back to the start
          </Button>
          <Button kind="main" disabled={!sound || save.isPending} onClick={() => save.mutate()}>
            Keep this version
          </Button>
        </span>
      </div>
      <ProblemNote error={save.error ?? check.error} />
      <div className="grid items-start gap-3 lg:grid-cols-2">
        <div className="space-y-3">
          <label className="block">
            <span className="mb-1 block font-semibold">The file</span>
            <textarea
              ref={area}
              value={text}
              spellCheck={false}
              onChange={(e) => setText(e.target.value)}
              className="h-[62vh] w-full rounded-md border border-ink2 bg-sheet p-3 font-mono text-[13px] leading-5"
            />
          </label>
          <p className="text-[13px] text-ink2">
            The same file that is written by hand; Ctrl+Z takes back. Its fields stand in
            docs/formats/scheme.md.
          </p>
        </div>
        <div className="space-y-3">
          {problems.length > 0 && (
            <Pane title="To mend" wall="caution">
              <ul className="divide-y divide-line text-[14px]">
                {problems.map((p, i) => (
                  <li key={`${p.where}-${i}`}>
                    <button
                      type="button"
                      className="w-full py-2 text-left hover:bg-work-soft"
                      onClick={() => goTo(p.where, p.given)}
                    >
                      <b>{p.where || "the file"}</b>
                      {p.given && <span className="text-ink2"> found {p.given}</span>}
                      <span className="block">{p.mend}</span>
                    </button>
                  </li>
                ))}
              </ul>
            </Pane>
          )}
          {check.data && problems.length === 0 && (
            <>
              <Criteria view={check.data.view} />
              <Steps view={check.data.view} />
            </>
          )}
        </div>
      </div>
    </>
  );
}
