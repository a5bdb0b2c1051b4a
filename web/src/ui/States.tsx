import type { UseQueryResult } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { ApiProblem, sentence } from "../api/client";
import { Button } from "./Button";

/** "signInName" as people say it; a place in a file stays as it is. */
function fieldWords(where: string): string {
  if (!/^[a-z]+([A-Z][a-z]*)*$/.test(where)) return where;
  const words = where.replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`).replace("sign in", "sign-in");
  return words.charAt(0).toUpperCase() + words.slice(1);
}

/** What went wrong, in the server's words; nothing when nothing did. */
export function ProblemNote({ error, id }: { error: unknown; id?: string }) {
  if (!error) return null;
  const problems = error instanceof ApiProblem ? error.problems : [];
  return (
    <div role="alert" id={id} className="border-l-4 border-caution bg-caution-soft p-3 text-ink">
      {problems.length > 0 ? (
        <ul className="space-y-1">
          {problems.map((p, i) => (
            <li key={i}>
              {p.where && <span className="font-semibold">{fieldWords(p.where)}: </span>}
              {sentence(p)}
            </li>
          ))}
        </ul>
      ) : (
        "Something on this page went wrong. Reload it; what was saved is safe."
      )}
    </div>
  );
}

interface LoadedProps<T> {
  query: UseQueryResult<T>;
  children: (value: T) => ReactNode;
}

/** Shows a query once it is there; until then that it comes, or why it does not. */
export function Loaded<T>({ query, children }: LoadedProps<T>) {
  if (query.data !== undefined) {
    return (
      <>
        {query.isError && <ProblemNote error={query.error} />}
        {children(query.data)}
      </>
    );
  }
  if (query.isError) {
    return (
      <div className="space-y-3 p-4">
        <ProblemNote error={query.error} />
        <Button onClick={() => void query.refetch()}>Try again</Button>
      </div>
    );
  }
  return (
    <p role="status" className="p-6 text-ink2">
      Fetching…
    </p>
  );
}
