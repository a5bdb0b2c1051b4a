import { useQuery } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { Link } from "react-router";
import { unsentHere } from "../../api/outbox";
import { Button } from "../../ui/Button";
import { TextField } from "../../ui/Field";
import { Pane } from "../../ui/Pane";
import { ProblemNote } from "../../ui/States";
import { sessionQueries, useSignIn } from "./queries";
import { roleWords } from "./roles";

export function SignInPage({ demo }: { demo: boolean }) {
  const [id, setId] = useState("");
  const [password, setPassword] = useState("");
  const signIn = useSignIn();

  const submit = (event: FormEvent) => {
    event.preventDefault();
    signIn.mutate({ id, password });
  };

  return (
    <main className="mx-auto max-w-[900px] px-5 pt-16">
      <h1 className="mb-6 text-[28px] font-bold">Prantel</h1>
      <div className="grid gap-4 md:grid-cols-2">
        <Pane title="Sign in">
          <form onSubmit={submit} className="space-y-3">
            <TextField
              label="Sign-in name"
              value={id}
              onChange={(e) => setId(e.target.value)}
              autoComplete="username"
              large
              required
            />
            <TextField
              label="Password"
              type="password"
              value={password}
              onChange={(e) => setPassword(e.target.value)}
              autoComplete="current-password"
              large
              required
            />
            {[...unsentHere()].map(([owner, count]) => (
              <p key={owner} role="status" className="border-l-4 border-caution bg-caution-soft p-3">
                {count === 1 ? "One thing" : `${count} things`} that <b>{owner}</b> wrote here{" "}
                {count === 1 ? "is" : "are"} not sent yet. It waits on this device until {owner} signs in
                here.
              </p>
            ))}
            <ProblemNote error={signIn.error} />
            <Button type="submit" kind="main" large disabled={signIn.isPending}>
              {signIn.isPending ? "Signing in…" : "Sign in"}
            </Button>
            {signIn.isPending && signIn.failureCount > 0 && (
              <p role="status" className="text-ink2">
                Many people sign in at this moment. It is tried again by itself.
              </p>
            )}
            <p className="flex flex-wrap gap-x-5 pt-1 text-ink2">
              <Link className="underline" to="/pair">
                This tablet for one sheet
              </Link>
              <Link className="underline" to="/invitation">
                I have a code
              </Link>
            </p>
          </form>
        </Pane>
        {demo && <DemoPeople onChoose={(who) => signIn.mutate(who)} />}
      </div>
      <p className="mt-8 max-w-[70ch] text-ink2">
        For training and assessment on workshop rigs. It certifies no installation. Local codes, the site’s
        rules and licensed practice come first.
      </p>
    </main>
  );
}

function DemoPeople({ onChoose }: { onChoose: (who: { id: string; password: string }) => void }) {
  const people = useQuery(sessionQueries.demoSignIns);
  return (
    <Pane title="Demo" aside="invented people, press one to go in as them">
      <ul className="divide-y divide-line">
        {people.data?.map((person) => (
          <li key={person.id}>
            <button
              type="button"
              className="flex min-h-12 w-full items-center justify-between gap-3 px-2 text-left hover:bg-work-soft"
              onClick={() => onChoose({ id: person.id, password: person.password })}
            >
              <span className="font-semibold">{person.name}</span>
              <span className="text-ink2">{roleWords(person.roles)}</span>
            </button>
          </li>
        ))}
      </ul>
    </Pane>
  );
}
