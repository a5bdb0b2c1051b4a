import { useMutation, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { Link, useNavigate, useSearchParams } from "react-router";
import { api, data } from "../../api/client";
import { Button } from "../../ui/Button";
import { TextField } from "../../ui/Field";
import { Pane } from "../../ui/Pane";
import { ProblemNote } from "../../ui/States";
import { sessionQueries, tellOtherTabs } from "./queries";

/** A tablet at a bay: eight figures let it in to the one sheet, without a password where others look. */
/** @param ended whether this tablet was let in before and is signed out now */
export function PairPage({ ended = false }: { ended?: boolean }) {
  const [params] = useSearchParams();
  const [code, setCode] = useState(params.get("code") ?? "");
  const client = useQueryClient();
  const navigate = useNavigate();
  const pair = useMutation({
    mutationFn: () => data(api.POST("/api/pairing", { body: { code } })),
    onSuccess: async ({ sheet }) => {
      client.removeQueries({ predicate: (q) => q.queryKey[0] !== "session" });
      await client.resetQueries({ queryKey: sessionQueries.current.queryKey });
      tellOtherTabs();
      await navigate(`/my/sheets/${sheet}`, { replace: true });
    },
  });
  const submit = (e: FormEvent) => {
    e.preventDefault();
    pair.mutate();
  };
  return (
    <main className="mx-auto max-w-[520px] px-5 pt-16">
      <h1 className="mb-6 text-[28px] font-bold">Prantel</h1>
      <Pane title="This tablet, this sheet" aside="the code is on your assessor’s screen">
        {ended && (
          <p role="status" className="mb-4 border-l-4 border-work bg-work-soft p-3">
            This tablet is signed out: the sheet is handed in, or another tablet was let in to it. What was
            written is kept. For another sheet ask for its code.
          </p>
        )}
        <form onSubmit={submit} className="space-y-4">
          <TextField
            label="Eight figures"
            large
            required
            inputMode="numeric"
            autoComplete="off"
            maxLength={9}
            value={code}
            onChange={(e) => setCode(e.target.value)}
            className="[&_input]:min-h-16 [&_input]:text-center [&_input]:text-[34px] [&_input]:tracking-[0.3em] [&_input]:tabular-nums"
          />
          <ProblemNote error={pair.error} />
          <div className="flex items-center gap-4">
            <Button type="submit" kind="main" large disabled={pair.isPending}>
              Open my sheet
            </Button>
            <Link className="text-ink2 underline" to="/sign-in">
              sign in with a password
            </Link>
          </div>
        </form>
      </Pane>
    </main>
  );
}
