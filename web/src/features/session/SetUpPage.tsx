import { useMutation, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api, data } from "../../api/client";
import { Button } from "../../ui/Button";
import { TextField } from "../../ui/Field";
import { Pane } from "../../ui/Pane";
import { ProblemNote } from "../../ui/States";

/** First start on an empty data folder: whoever has the printed code makes the administrator. */
export function SetUpPage() {
  const [form, setForm] = useState({ code: "", signInName: "", name: "", password: "" });
  const client = useQueryClient();
  const setUp = useMutation({
    mutationFn: () => data(api.POST("/api/set-up", { body: form })),
    onSuccess: () => client.invalidateQueries(),
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    setUp.mutate();
  };
  const field = (key: keyof typeof form) => ({
    value: form[key],
    required: true,
    onChange: (e: React.ChangeEvent<HTMLInputElement>) => setForm({ ...form, [key]: e.target.value }),
  });
  return (
    <main className="mx-auto max-w-[560px] px-5 pt-16">
      <h1 className="mb-6 text-[28px] font-bold">Prantel: first start</h1>
      <Pane title="Make the administrator" aside="once, with the code that the server printed">
        <form onSubmit={submit} className="space-y-3">
          <TextField label="Set-up code" autoComplete="off" {...field("code")} />
          <TextField label="Sign-in name" autoComplete="username" {...field("signInName")} />
          <TextField label="Name" autoComplete="name" {...field("name")} />
          <TextField
            label="Password, 8 characters or more"
            type="password"
            autoComplete="new-password"
            {...field("password")}
          />
          <ProblemNote error={setUp.error} />
          <Button type="submit" kind="main" large disabled={setUp.isPending}>
            Set up
          </Button>
        </form>
      </Pane>
    </main>
  );
}
