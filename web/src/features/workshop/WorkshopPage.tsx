import { queryOptions, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, type ReactNode, useState } from "react";
import { api, data, type Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { SelectField, TextField } from "../../ui/Field";
import { Pane } from "../../ui/Pane";
import { Loaded, ProblemNote } from "../../ui/States";
import { People } from "./People";

const workshopQuery = queryOptions({
  queryKey: ["workshop"] as const,
  queryFn: ({ signal }) => data(api.GET("/api/workshop", { signal })),
});

type Workshop = Schemas["WorkshopView"];

/** People, rigs, testers and bays. @param people whether this is one who keeps them */
export function WorkshopPage({ people }: { people: boolean }) {
  const workshop = useQuery(workshopQuery);
  return (
    <Loaded query={workshop}>
      {(w) => (
        <>
          <h1 className="mb-3 text-[21px] font-bold">Workshop</h1>
          <div className="grid gap-3 lg:grid-cols-2">
            {people && <People />}
            <Files
              title="Rigs"
              path="/api/workshop/rigs"
              lines={w.rigs}
              hint="A rig file as docs/formats/rig.md describes it. A changed file becomes the next version; sheets that are open keep theirs."
            />
            <Bays workshop={w} />
            <Files
              title="Testers"
              path="/api/workshop/testers"
              lines={w.testers}
              hint="A tester file as docs/formats/tester.md describes it."
            />
          </div>
        </>
      )}
    </Loaded>
  );
}

function useWorkshopWrite<T>(call: (input: T) => Promise<Workshop>) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: call,
    onSuccess: (w) => {
      client.setQueryData(workshopQuery.queryKey, w);
      void client.invalidateQueries({ queryKey: ["floor"] });
    },
  });
}

function Lines({ children, empty }: { children: ReactNode[]; empty: string }) {
  if (children.length === 0) return <p className="mb-3 text-ink2">{empty}</p>;
  return <ul className="mb-3 divide-y divide-line">{children}</ul>;
}

function Bays({ workshop }: { workshop: Workshop }) {
  const [number, setNumber] = useState("");
  const [rig, setRig] = useState("");
  const add = useWorkshopWrite((body: Schemas["NewBay"]) => data(api.POST("/api/workshop/bays", { body })));
  const submit = (e: FormEvent) => {
    e.preventDefault();
    add.mutate({ number: Number(number), rig }, { onSuccess: () => setNumber("") });
  };
  return (
    <Pane title="Bays">
      <Lines empty="No bay yet.">
        {workshop.bays.map((b) => (
          <BayRow key={b.id} bay={b} />
        ))}
      </Lines>
      <form onSubmit={submit} className="grid items-end gap-2 sm:grid-cols-[110px_1fr_auto]">
        <TextField
          label="Number"
          type="number"
          min={1}
          max={99}
          value={number}
          required
          onChange={(e) => setNumber(e.target.value)}
        />
        <SelectField label="Rig" value={rig} required onChange={(e) => setRig(e.target.value)}>
          <option value="">Choose…</option>
          {workshop.rigs.map((r) => (
            <option key={r.id} value={r.id}>
              {r.label}
            </option>
          ))}
        </SelectField>
        <Button type="submit" disabled={add.isPending}>
          Add
        </Button>
      </form>
      <ProblemNote error={add.error} />
    </Pane>
  );
}

/** A bay with the addresses of its fault box and its bench tester. */
function BayRow({ bay }: { bay: Schemas["BayLine"] }) {
  const params = { path: { id: bay.id } };
  return (
    <li className="grid gap-x-4 gap-y-1 border-b border-line py-2 sm:grid-cols-2">
      <span className="sm:col-span-2">
        <span className="font-semibold">Bay {bay.number}</span> {bay.rig}
      </span>
      <Address
        what="Fault box"
        label={`Fault box of bay ${bay.number}`}
        none="no fault box"
        now={bay.faultBox}
        set={(body) => data(api.PUT("/api/workshop/bays/{id}/fault-box", { params, body }))}
      />
      <Address
        what="Bench tester"
        label={`Bench tester of bay ${bay.number}`}
        none="no bench tester"
        now={bay.benchTester}
        set={(body) => data(api.PUT("/api/workshop/bays/{id}/bench-tester", { params, body }))}
      />
    </li>
  );
}

interface AddressProps {
  /** shown beside the field; its whole name is for those who do not see the row */
  what: string;
  label: string;
  none: string;
  now: string;
  set: (body: Schemas["BoxAddress"]) => Promise<Workshop>;
}

/** host:port of a device, or nothing. */
function Address({ what, label, none, now, set }: AddressProps) {
  const [address, setAddress] = useState(now);
  const write = useWorkshopWrite(set);
  return (
    <form
      className="flex flex-wrap items-center gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        write.mutate({ address });
      }}
    >
      <span aria-hidden="true" className="w-24 text-[14px] text-ink2">
        {what}
      </span>
      <input
        aria-label={label}
        placeholder={none}
        value={address}
        onChange={(e) => setAddress(e.target.value)}
        className="min-h-10 w-36 min-w-0 flex-1 rounded-md border border-ink2 bg-sheet px-2"
      />
      <Button
        type="submit"
        kind="quiet"
        aria-label={`Set: ${label}`}
        disabled={write.isPending || address === now}
      >
        Set
      </Button>
      <ProblemNote error={write.error} />
    </form>
  );
}

interface FilesProps {
  title: string;
  path: "/api/workshop/rigs" | "/api/workshop/testers";
  lines: Schemas["FileLine"][];
  hint: string;
}

function Files({ title, path, lines, hint }: FilesProps) {
  const add = useWorkshopWrite((file: File) => {
    const body = new FormData();
    body.append("file", file);
    return data(api.POST(path, { body: body as never, bodySerializer: (b: unknown) => b as FormData }));
  });
  return (
    <Pane title={title}>
      <Lines empty="None yet.">
        {lines.map((l) => (
          <li key={l.id} className="flex min-h-9 items-center gap-3">
            <span className="font-semibold">{l.label}</span>
            <span className="ml-auto text-ink2">version {l.version}</span>
          </li>
        ))}
      </Lines>
      <label className="block font-semibold">
        {add.isPending ? "Reading…" : "Add or change from a file"}
        <input
          type="file"
          accept="application/json,.json"
          className="mt-1 block w-full font-normal file:mr-3 file:min-h-10 file:rounded-md file:border file:border-work file:bg-sheet file:px-3 file:font-semibold file:text-work"
          onChange={(e) => {
            const file = e.target.files?.[0];
            if (file) add.mutate(file);
            e.target.value = "";
          }}
        />
      </label>
      <p className="mt-1 text-[13px] text-ink2">{hint}</p>
      <ProblemNote error={add.error} />
    </Pane>
  );
}
