import { queryOptions, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api, data, type Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { Chip } from "../../ui/Chip";
import { TextField } from "../../ui/Field";
import { Pane } from "../../ui/Pane";
import { Loaded, ProblemNote } from "../../ui/States";
import { type Role, ROLES, roleWords } from "../session/roles";

const peopleQuery = queryOptions({
  queryKey: ["people"] as const,
  queryFn: ({ signal }) => data(api.GET("/api/workshop/people", { signal })),
});

type View = Schemas["PeopleView"];
type Line = Schemas["PersonLine"];

function usePeopleWrite<T>(call: (input: T) => Promise<View>) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: call,
    onSuccess: (view) => client.setQueryData(peopleQuery.queryKey, view),
  });
}

/** Who comes here, what each may do, and how they come in. */
export function People() {
  const people = useQuery(peopleQuery);
  const [open, setOpen] = useState<string>();
  return (
    <Pane title="People" aside="everybody sees their own places only">
      <Loaded query={people}>
        {(view) => (
          <>
            {view.code && (
              <p role="status" className="mb-3 border-l-4 border-work bg-work-soft p-3">
                Code for <b>{view.code.of}</b>, shown this once:{" "}
                <b className="text-[20px] tracking-widest">{view.code.code}</b>. It works once, for a week,
                under “I have a code” on the sign-in page.
              </p>
            )}
            {view.advice && (
              <p className="mb-3 border-l-4 border-caution bg-caution-soft p-3">{view.advice}</p>
            )}
            <ul className="mb-3 divide-y divide-line">
              {view.people.map((p) => (
                <PersonRow
                  key={p.id}
                  person={p}
                  open={open === p.id}
                  onToggle={() => setOpen(open === p.id ? undefined : p.id)}
                />
              ))}
            </ul>
            <AddPerson />
          </>
        )}
      </Loaded>
    </Pane>
  );
}

function PersonRow({ person, open, onToggle }: { person: Line; open: boolean; onToggle: () => void }) {
  const params = { path: { id: person.id } };
  const roles = usePeopleWrite((next: Role[]) =>
    data(api.PUT("/api/workshop/people/{id}/roles", { params, body: { roles: next } })),
  );
  const standing = usePeopleWrite((body: Schemas["Standing"]) =>
    data(api.PUT("/api/workshop/people/{id}/standing", { params, body })),
  );
  const [name, setName] = useState(person.name);
  const rename = usePeopleWrite((next: string) =>
    data(api.PUT("/api/workshop/people/{id}/name", { params, body: { name: next } })),
  );
  const reset = usePeopleWrite(() => data(api.POST("/api/workshop/people/{id}/reset", { params })));
  const unlock = usePeopleWrite(() => data(api.POST("/api/workshop/people/{id}/unlock", { params })));
  const left = person.leftAt !== null;
  return (
    <li className="py-1">
      <button
        type="button"
        aria-expanded={open}
        onClick={onToggle}
        className="flex min-h-10 w-full flex-wrap items-center gap-x-3 px-1 text-left hover:bg-work-soft"
      >
        <span className={left ? "text-ink2 line-through" : "font-semibold"}>{person.name}</span>
        <span className="text-ink2">{person.id}</span>
        {person.invited && <Chip tone="plain">invited</Chip>}
        {person.locked && <Chip tone="caution">locked out</Chip>}
        {person.blocked && <Chip tone="caution">blocked</Chip>}
        {left && <Chip tone="plain">has left</Chip>}
        <span className="ml-auto text-ink2">{roleWords(person.roles)}</span>
      </button>
      {open && (
        <div className="space-y-2 bg-raised p-3">
          <form
            className="flex flex-wrap items-end gap-2"
            onSubmit={(e) => {
              e.preventDefault();
              rename.mutate(name);
            }}
          >
            <TextField label="Name" required value={name} onChange={(e) => setName(e.target.value)} />
            <Button type="submit" disabled={rename.isPending || name === person.name}>
              Rename
            </Button>
          </form>
          <RoleBoxes roles={person.roles} onChange={(next) => roles.mutate(next)} />
          <div className="flex flex-wrap gap-2">
            <Button onClick={() => reset.mutate(undefined)}>New code, old password ends</Button>
            {person.locked && <Button onClick={() => unlock.mutate(undefined)}>Unlock</Button>}
            <Button onClick={() => standing.mutate({ blocked: !person.blocked, left })}>
              {person.blocked ? "Let in again" : "Block"}
            </Button>
            <Button onClick={() => standing.mutate({ blocked: person.blocked, left: !left })}>
              {left ? "Is back" : "Has left"}
            </Button>
          </div>
          <ProblemNote error={rename.error ?? roles.error ?? standing.error ?? reset.error ?? unlock.error} />
        </div>
      )}
    </li>
  );
}

function RoleBoxes({ roles, onChange }: { roles: readonly Role[]; onChange: (roles: Role[]) => void }) {
  return (
    <fieldset className="flex flex-wrap gap-x-4">
      <legend className="font-semibold">Roles</legend>
      {(Object.keys(ROLES) as Role[]).map((r) => (
        <label key={r} className="flex min-h-10 items-center gap-2">
          <input
            type="checkbox"
            className="size-5 accent-[var(--work)]"
            checked={roles.includes(r)}
            onChange={(e) => onChange(e.target.checked ? [...roles, r] : roles.filter((x) => x !== r))}
          />
          {ROLES[r]}
        </label>
      ))}
    </fieldset>
  );
}

function AddPerson() {
  const nobody: Schemas["NewPerson"] = { signInName: "", name: "", roles: ["CANDIDATE"], password: "" };
  const [person, setPerson] = useState(nobody);
  const add = usePeopleWrite((body: Schemas["NewPerson"]) =>
    data(api.POST("/api/workshop/people", { body })),
  );
  const submit = (e: FormEvent) => {
    e.preventDefault();
    add.mutate(person, { onSuccess: () => setPerson(nobody) });
  };
  return (
    <form onSubmit={submit} className="grid gap-2 border-t border-line pt-3 sm:grid-cols-2">
      <TextField
        label="Name"
        value={person.name}
        required
        onChange={(e) => setPerson({ ...person, name: e.target.value })}
      />
      <TextField
        label="Sign-in name"
        value={person.signInName}
        required
        autoComplete="off"
        onChange={(e) => setPerson({ ...person, signInName: e.target.value })}
      />
      <div className="sm:col-span-2">
        <RoleBoxes roles={person.roles} onChange={(roles) => setPerson({ ...person, roles })} />
      </div>
      <TextField
        label="First password, or empty to invite with a code"
        type="password"
        autoComplete="new-password"
        value={person.password}
        onChange={(e) => setPerson({ ...person, password: e.target.value })}
      />
      <div className="sm:col-span-2">
        <ProblemNote error={add.error} />
        <Button type="submit" className="mt-1" disabled={add.isPending}>
          {person.password ? "Add" : "Invite"}
        </Button>
      </div>
    </form>
  );
}
