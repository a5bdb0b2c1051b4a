import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, data, newEventId } from "../../api/client";
import { Button } from "../../ui/Button";
import { Dialog } from "../../ui/Dialog";
import { ProblemNote } from "../../ui/States";
import { boxesIn, openIn, type Step } from "./boxes";
import { sheetQueries, type SheetView } from "./queries";

interface Props {
  id: string;
  view: SheetView;
  unsent: number;
  /** what is open elsewhere */
  next: { label: string; go: () => void } | undefined;
}

/** Hands the sheet in, after what is not begun and what is open was named. */
export function HandIn({ id, view, unsent, next }: Props) {
  // some schemes ask for it without a word of what is still open
  const tells = view.conducted.help !== "NONE";
  const left = view.steps.filter((s) => openIn(s) > 0);
  const [asking, setAsking] = useState(false);
  const [eventId] = useState(newEventId);
  const client = useQueryClient();
  const handIn = useMutation({
    mutationFn: () =>
      data(api.POST("/api/my/sheets/{id}/hand-in", { params: { path: { id } }, body: { eventId } })),
    onSuccess: (v) => {
      client.setQueryData(sheetQueries.one(id).queryKey, v);
      setAsking(false);
    },
  });
  return (
    <div className="mt-6 flex flex-wrap items-center gap-4 border-t border-line pt-4">
      <Button kind="main" large onClick={() => setAsking(true)}>
        Hand in
      </Button>
      {tells && (
        <span className="text-ink2">
          {left.length === 0
            ? "Every box is filled"
            : `${left.reduce((n, s) => n + openIn(s), 0)} boxes are open`}
        </span>
      )}
      {tells && next && (
        <Button large className="ml-auto" onClick={next.go}>
          Next open: {next.label}
        </Button>
      )}
      <Dialog
        open={asking}
        onClose={() => setAsking(false)}
        title="Hand the sheet in?"
        about={`${tells ? "" : "What is empty stays empty. "}After this you can read the sheet but not change it.`}
      >
        {tells && <Left steps={view.steps} />}
        {unsent > 0 && (
          <p className="mb-3 text-caution">{unsent} not saved yet: wait until it says “Saved”.</p>
        )}
        <ProblemNote error={handIn.error} />
        <div className="mt-3 flex justify-end gap-2">
          <Button large onClick={() => setAsking(false)}>
            Not yet
          </Button>
          <Button kind="main" large disabled={unsent > 0 || handIn.isPending} onClick={() => handIn.mutate()}>
            {tells && left.length > 0 ? "Hand in anyway" : "Hand in"}
          </Button>
        </div>
      </Dialog>
    </div>
  );
}

/** Test by test what has nothing in it, and what has something missing. */
function Left({ steps }: { steps: Step[] }) {
  const open = steps.filter((s) => openIn(s) > 0);
  const untouched = open.filter((s) => openIn(s) === boxesIn(s));
  const begun = open.filter((s) => openIn(s) < boxesIn(s));
  if (open.length === 0) return <p className="mb-3">Every box is filled.</p>;
  return (
    <dl className="mb-3 space-y-2">
      {untouched.length > 0 && (
        <div>
          <dt className="font-bold text-caution">Not begun</dt>
          <dd>{untouched.map((s) => s.label).join(" · ")}</dd>
        </div>
      )}
      {begun.length > 0 && (
        <div>
          <dt className="font-bold">Something open</dt>
          <dd>{begun.map((s) => `${s.label} (${openIn(s)} of ${boxesIn(s)})`).join(" · ")}</dd>
        </div>
      )}
    </dl>
  );
}
