import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api, data } from "../../api/client";
import { Button } from "../../ui/Button";
import { TextField } from "../../ui/Field";
import { Pane } from "../../ui/Pane";
import { Loaded, ProblemNote } from "../../ui/States";
import { clock } from "../../ui/when";

/** One's own password, and where one signed in from. */
export function AccountPage() {
  const client = useQueryClient();
  const end = useMutation({
    mutationFn: () => data(api.DELETE("/api/me/sign-ins")),
    onSuccess: (lines) => client.setQueryData(["sign-ins"], lines),
  });
  const signIns = useQuery({
    queryKey: ["sign-ins"] as const,
    queryFn: ({ signal }) => data(api.GET("/api/me/sign-ins", { signal })),
  });
  return (
    <div className="grid max-w-[1100px] items-start gap-4 lg:grid-cols-2">
      <h1 className="text-[21px] font-bold lg:col-span-2">My account</h1>
      <Password />
      <Pane title="Where I signed in" aside="the last twenty">
        <Loaded query={signIns}>
          {(lines) => (
            <ul className="divide-y divide-line">
              {lines.map((l) => (
                <li key={l.at} className="flex flex-wrap gap-x-4 py-1.5">
                  <span className="font-semibold tabular-nums">{clock(l.at)}</span>
                  <span className="text-ink2">{l.address}</span>
                  <span className="min-w-0 flex-1 truncate text-[14px] text-ink2" title={l.device}>
                    {l.device}
                  </span>
                </li>
              ))}
            </ul>
          )}
        </Loaded>
        <p className="mt-2 text-[14px] text-ink2">
          Is there one you do not know? Change your password: that signs every other device out too.
        </p>
        <Button className="mt-2" disabled={end.isPending} onClick={() => end.mutate()}>
          Sign my other devices out
        </Button>
        {end.isSuccess && <p role="status">Done. Only this device is signed in now.</p>}
        <ProblemNote error={end.error} />
      </Pane>
    </div>
  );
}

function Password() {
  const none = { present: "", password: "", again: "" };
  const [words, setWords] = useState(none);
  const change = useMutation({
    mutationFn: () =>
      data(api.POST("/api/me/password", { body: { present: words.present, password: words.password } })),
    onSuccess: () => setWords(none),
  });
  const differ = words.again !== "" && words.again !== words.password;
  const submit = (e: FormEvent) => {
    e.preventDefault();
    if (!differ) change.mutate();
  };
  return (
    <Pane title="Change my password">
      <form onSubmit={submit} className="space-y-3">
        <TextField
          label="Present password"
          type="password"
          autoComplete="current-password"
          large
          required
          value={words.present}
          onChange={(e) => setWords({ ...words, present: e.target.value })}
        />
        <TextField
          label="New password, at least 8 characters"
          type="password"
          autoComplete="new-password"
          large
          required
          minLength={8}
          value={words.password}
          onChange={(e) => setWords({ ...words, password: e.target.value })}
        />
        <TextField
          label="New password again"
          type="password"
          autoComplete="new-password"
          large
          required
          value={words.again}
          onChange={(e) => setWords({ ...words, again: e.target.value })}
        />
        {differ && <p role="alert">The two are not the same yet.</p>}
        <ProblemNote error={change.error} />
        {change.isSuccess && <p role="status">Changed. Your other devices are signed out.</p>}
        <Button type="submit" kind="main" large disabled={change.isPending || differ}>
          Change it
        </Button>
      </form>
    </Pane>
  );
}
