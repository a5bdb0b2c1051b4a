import { queryOptions, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, type ReactNode, useState } from "react";
import { Link } from "react-router";
import { api, data, type Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { SelectField, TextField } from "../../ui/Field";
import { Chip } from "../../ui/Chip";
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
              hint="A rig file. A changed file becomes the next version; sheets that are open keep theirs. Rename or change a rig on its own page, under Rigs."
            >
              {w.rigs.map((r) => (
                <RigRow key={r.id} rig={r} />
              ))}
            </Files>
            <Bays workshop={w} />
            <Files
              title="Testers"
              path="/api/workshop/testers"
              hint="A tester file: its ranges, their resolution and uncertainty, its leads. A changed file becomes the next version."
            >
              {w.testers.map((t) => (
                <TesterRow key={`${t.id}-${t.version}`} tester={t} />
              ))}
            </Files>
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
          <BayRow key={b.id} bay={b} rigs={workshop.rigs} />
        ))}
      </Lines>
      <form onSubmit={submit} className="grid items-end gap-2 sm:grid-cols-[110px_1fr_auto]">
        <TextField
          label="Number"
          type="number"
          min={1}
          max={999}
          value={number}
          required
          onChange={(e) => setNumber(e.target.value)}
        />
        <SelectField label="Rig" value={rig} required onChange={(e) => setRig(e.target.value)}>
          <option value="">Choose…</option>
          {workshop.rigs
            .filter((r) => !r.retired)
            .map((r) => (
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

/** A bay: its number and rig, the addresses of its fault box and its bench tester. */
function BayRow({ bay, rigs }: { bay: Schemas["BayLine"]; rigs: Workshop["rigs"] }) {
  const params = { path: { id: bay.id } };
  const [open, setOpen] = useState(false);
  return (
    <li className="grid gap-x-4 gap-y-1 border-b border-line py-2 sm:grid-cols-2">
      <span className="flex flex-wrap items-center gap-x-3 sm:col-span-2">
        <span className={bay.retired ? "text-ink2 line-through" : "font-semibold"}>Bay {bay.number}</span>
        <span>{bay.rig}</span>
        {bay.inUse && <Chip tone="work">in use</Chip>}
        {bay.retired && <Chip tone="plain">retired</Chip>}
        <Button
          kind="quiet"
          className="ml-auto"
          aria-expanded={open}
          aria-label={`Change bay ${bay.number}`}
          onClick={() => setOpen(!open)}
        >
          Change
        </Button>
      </span>
      {open && <ChangeBay bay={bay} rigs={rigs} onDone={() => setOpen(false)} />}
      {!bay.retired && (
        <>
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
        </>
      )}
    </li>
  );
}

interface ChangeBayProps {
  bay: Schemas["BayLine"];
  rigs: Workshop["rigs"];
  onDone: () => void;
}

/** Another number, another rig, retired or in use again: while nobody is in it. */
function ChangeBay({ bay, rigs, onDone }: ChangeBayProps) {
  const [number, setNumber] = useState(String(bay.number));
  const [rig, setRig] = useState(bay.rigId);
  const change = useWorkshopWrite((body: Schemas["ChangedBay"]) =>
    data(api.PUT("/api/workshop/bays/{id}", { params: { path: { id: bay.id } }, body })),
  );
  const write = (retired: boolean) =>
    change.mutate({ number: Number(number), rig, retired }, { onSuccess: onDone });
  return (
    <form
      className="grid items-end gap-2 bg-raised p-3 sm:col-span-2 sm:grid-cols-[110px_1fr_auto_auto]"
      onSubmit={(e) => {
        e.preventDefault();
        write(bay.retired);
      }}
    >
      <TextField
        label="Number"
        type="number"
        min={1}
        max={999}
        required
        value={number}
        onChange={(e) => setNumber(e.target.value)}
      />
      <SelectField label="Rig" value={rig} onChange={(e) => setRig(e.target.value)}>
        {rigs
          .filter((r) => !r.retired || r.id === bay.rigId)
          .map((r) => (
            <option key={r.id} value={r.id}>
              {r.label}
            </option>
          ))}
      </SelectField>
      <Button type="submit" disabled={change.isPending || bay.inUse}>
        Save
      </Button>
      <Button disabled={change.isPending || bay.inUse} onClick={() => write(!bay.retired)}>
        {bay.retired ? "Use again" : "Retire"}
      </Button>
      {bay.inUse && (
        <p className="text-ink2 sm:col-span-4">
          Somebody is in this bay: clear its rig first, then change it.
        </p>
      )}
      <div className="sm:col-span-4">
        <ProblemNote error={change.error} />
      </div>
    </form>
  );
}

/** A rig in use or retired; it is changed on its own page. */
function RigRow({ rig }: { rig: Schemas["FileLine"] }) {
  const retire = useWorkshopWrite((retired: boolean) =>
    data(api.PUT("/api/workshop/rigs/{id}/retired", { params: { path: { id: rig.id } }, body: { retired } })),
  );
  return (
    <li className="flex min-h-10 flex-wrap items-center gap-x-3">
      <Link
        className={rig.retired ? "text-ink2 line-through" : "font-semibold hover:underline"}
        to={`/rigs/${rig.id}`}
      >
        {rig.label}
      </Link>
      <span className="ml-auto text-ink2">version {rig.version}</span>
      <Button
        kind="quiet"
        aria-label={`${rig.retired ? "Use again" : "Retire"}: ${rig.label}`}
        disabled={retire.isPending}
        onClick={() => retire.mutate(!rig.retired)}
      >
        {rig.retired ? "Use again" : "Retire"}
      </Button>
      <ProblemNote error={retire.error} />
    </li>
  );
}

/** A tester: its name, until when its calibration runs, in use or retired. */
function TesterRow({ tester }: { tester: Schemas["TesterLine"] }) {
  const params = { path: { id: tester.id } };
  const [open, setOpen] = useState(false);
  const [label, setLabel] = useState(tester.label);
  const [due, setDue] = useState(tester.calibrationDue ?? "");
  const change = useWorkshopWrite((body: Schemas["ChangedTester"]) =>
    data(api.PUT("/api/workshop/testers/{id}", { params, body })),
  );
  const retire = useWorkshopWrite((retired: boolean) =>
    data(api.PUT("/api/workshop/testers/{id}/retired", { params, body: { retired } })),
  );
  return (
    <li className="py-1">
      <span className="flex min-h-9 flex-wrap items-center gap-x-3">
        <span className={tester.retired ? "text-ink2 line-through" : "font-semibold"}>{tester.label}</span>
        <span className="ml-auto text-ink2">
          {tester.calibrationDue ? `in date until ${tester.calibrationDue} · ` : ""}version {tester.version}
        </span>
        <Button
          kind="quiet"
          aria-expanded={open}
          aria-label={`Change ${tester.label}`}
          onClick={() => setOpen(!open)}
        >
          Change
        </Button>
      </span>
      {open && (
        <form
          className="grid items-end gap-2 bg-raised p-3 sm:grid-cols-[1fr_170px_auto_auto]"
          onSubmit={(e) => {
            e.preventDefault();
            change.mutate({ label, calibrationDue: due || null }, { onSuccess: () => setOpen(false) });
          }}
        >
          <TextField label="Name" required value={label} onChange={(e) => setLabel(e.target.value)} />
          <TextField label="In date until" type="date" value={due} onChange={(e) => setDue(e.target.value)} />
          <Button type="submit" disabled={change.isPending}>
            Save
          </Button>
          <Button disabled={retire.isPending} onClick={() => retire.mutate(!tester.retired)}>
            {tester.retired ? "Use again" : "Retire"}
          </Button>
        </form>
      )}
      <ProblemNote error={change.error ?? retire.error} />
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
  hint: string;
  children: ReactNode[];
}

function Files({ title, path, hint, children }: FilesProps) {
  const add = useWorkshopWrite((file: File) => {
    const body = new FormData();
    body.append("file", file);
    return data(api.POST(path, { body: body as never, bodySerializer: (b: unknown) => b as FormData }));
  });
  return (
    <Pane title={title}>
      <Lines empty="None yet.">{children}</Lines>
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
