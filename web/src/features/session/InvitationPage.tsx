import { useMutation } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { Link } from "react-router";
import { api, data } from "../../api/client";
import { Button } from "../../ui/Button";
import { TextField } from "../../ui/Field";
import { Pane } from "../../ui/Pane";
import { ProblemNote } from "../../ui/States";

/** Choosing a password with the code of an invitation, or after a reset. */
export function InvitationPage() {
  const [words, setWords] = useState({ signInName: "", code: "", password: "" });
  const accept = useMutation({
    mutationFn: () => data(api.POST("/api/invitations", { body: words })),
  });
  const submit = (e: FormEvent) => {
    e.preventDefault();
    accept.mutate();
  };
  return (
    <main className="mx-auto max-w-[520px] px-5 pt-16">
      <h1 className="mb-6 text-[28px] font-bold">Prantel</h1>
      <Pane title="Choose a password" aside="with the code you were given">
        {accept.isSuccess ? (
          <>
            <p className="mb-3">It is kept. The code opens nothing any more.</p>
            <Link className="font-semibold text-work underline" to="/sign-in">
              Sign in
            </Link>
          </>
        ) : (
          <form onSubmit={submit} className="space-y-3">
            <TextField
              label="Sign-in name"
              large
              required
              autoComplete="username"
              value={words.signInName}
              onChange={(e) => setWords({ ...words, signInName: e.target.value })}
            />
            <TextField
              label="Code"
              large
              required
              autoComplete="off"
              value={words.code}
              onChange={(e) => setWords({ ...words, code: e.target.value })}
            />
            <TextField
              label="Password, at least 8 characters"
              type="password"
              large
              required
              minLength={8}
              autoComplete="new-password"
              value={words.password}
              onChange={(e) => setWords({ ...words, password: e.target.value })}
            />
            <ProblemNote error={accept.error} />
            <div className="flex items-center gap-4">
              <Button type="submit" kind="main" large disabled={accept.isPending}>
                Keep it
              </Button>
              <Link className="text-ink2 underline" to="/sign-in">
                back to signing in
              </Link>
            </div>
          </form>
        )}
      </Pane>
    </main>
  );
}
