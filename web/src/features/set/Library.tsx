import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { Dialog } from "../../ui/Dialog";
import { TextField } from "../../ui/Field";
import { Pane } from "../../ui/Pane";
import { Loaded, ProblemNote } from "../../ui/States";
import { setQueries, type SetView, useSetWrites } from "./queries";

interface Props {
  id: string;
  view: SetView;
  onTake: ((set: Schemas["LibrarySet"]) => void) | undefined;
}

/** Sets kept for this rig, in versions, with where each was used. */
export function Library({ id, view, onTake }: Props) {
  const library = useQuery(setQueries.library(id));
  const { keepInLibrary } = useSetWrites(id);
  const [name, setName] = useState("");
  const [beside, setBeside] = useState<Schemas["LibrarySet"]>();
  const faults = view.preview.faults.map((f) => f.fault);
  return (
    <Pane title="Sets kept for this rig">
      <Loaded query={library}>
        {(sets) =>
          sets.length === 0 ? (
            <p className="text-ink2">None yet. Keep this one under a name to use it again.</p>
          ) : (
            <ul className="divide-y divide-line">
              {sets.map((set) => (
                <li key={set.ref} className="py-2">
                  <p className="font-semibold">
                    {set.name}{" "}
                    <span className="font-normal text-ink2">
                      version {set.version}, {set.savedBy}
                    </span>
                  </p>
                  {set.fits ? (
                    <p className="text-[13px]">{set.faults.join(" · ")}</p>
                  ) : (
                    <p className="text-[13px] text-caution">
                      Made for another version of the rig: it no longer fits.
                    </p>
                  )}
                  <p className="text-[13px] text-ink2">
                    {set.used.length === 0 ? "Not used yet" : `Used: ${set.used.join("; ")}`}
                  </p>
                  {set.fits && (
                    <div className="mt-1 flex gap-2">
                      {onTake && <Button onClick={() => onTake(set)}>Take it</Button>}
                      {faults.length > 0 && (
                        <Button kind="quiet" onClick={() => setBeside(set)}>
                          Compare
                        </Button>
                      )}
                    </div>
                  )}
                </li>
              ))}
            </ul>
          )
        }
      </Loaded>
      {faults.length > 0 && (
        <form
          className="mt-3 flex items-end gap-2"
          onSubmit={(e) => {
            e.preventDefault();
            keepInLibrary.mutate({ name, faults }, { onSuccess: () => setName("") });
          }}
        >
          <TextField
            label="Keep this set as"
            className="flex-1"
            maxLength={80}
            required
            value={name}
            onChange={(e) => setName(e.target.value)}
          />
          <Button type="submit" disabled={keepInLibrary.isPending}>
            Keep
          </Button>
        </form>
      )}
      <ProblemNote error={keepInLibrary.error} />
      <Dialog
        open={beside !== undefined}
        onClose={() => setBeside(undefined)}
        title={`This set and “${beside?.name ?? ""}”`}
        about="Readings that either moves. What reads alike in both cannot tell the two sets apart."
      >
        {beside && <Compared id={id} setRef={beside.ref} basedOn={view.basedOn} name={beside.name} />}
      </Dialog>
    </Pane>
  );
}

interface ComparedProps {
  id: string;
  setRef: string;
  basedOn: number;
  name: string;
}

function Compared({ id, setRef, basedOn, name }: ComparedProps) {
  const comparison = useQuery(setQueries.comparison(id, setRef, basedOn));
  return (
    <Loaded query={comparison}>
      {(c) => (
        <>
          <dl className="mb-3 grid grid-cols-[auto_1fr] gap-x-3 gap-y-1">
            <dt className="text-ink2">Only this set</dt>
            <dd>{c.onlyFirst.join("; ") || "—"}</dd>
            <dt className="text-ink2">Only {name}</dt>
            <dd>{c.onlySecond.join("; ") || "—"}</dd>
            <dt className="text-ink2">Both</dt>
            <dd>{c.both.join("; ") || "—"}</dd>
          </dl>
          <table className="w-full">
            <thead>
              <tr className="text-left text-[13px] text-ink2">
                <th scope="col" className="font-normal">
                  Reading
                </th>
                <th scope="col" className="text-right font-normal">
                  this set
                </th>
                <th scope="col" className="text-right font-normal">
                  the other
                </th>
              </tr>
            </thead>
            <tbody>
              {c.readings.map((r) => (
                <tr
                  key={r.test + r.what}
                  className={r.same ? "border-t border-line text-ink2" : "border-t border-line"}
                >
                  <td className="py-1">
                    {r.what} {r.same && <span className="text-[13px]">(alike)</span>}
                  </td>
                  <td className="py-1 text-right whitespace-nowrap">{r.first}</td>
                  <td className="py-1 pl-3 text-right whitespace-nowrap">{r.second}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
    </Loaded>
  );
}
