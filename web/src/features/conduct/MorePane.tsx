import { QRCodeSVG } from "qrcode.react";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { api, data } from "../../api/client";
import { Button } from "../../ui/Button";
import { SelectField } from "../../ui/Field";
import { Pane } from "../../ui/Pane";
import { ProblemNote } from "../../ui/States";
import { clock } from "../../ui/when";
import { type Conduct, useDeed } from "./queries";

/** Who watches, with which instrument, on which tablet; what stood still. */
export function MorePane({ id, conduct }: { id: string; conduct: Conduct }) {
  const [to, setTo] = useState("");
  const over = useDeed(id, "hand-over");
  return (
    <Pane title="This assessment">
      <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1 text-[16px]">
        <dt className="text-ink2">Watches</dt>
        <dd className="font-semibold">
          {conduct.assessor}
          {conduct.mine && " (you)"}
        </dd>
        <dt className="text-ink2">Instrument</dt>
        <dd>{conduct.tester}</dd>
        {conduct.timeFactor > 1 && (
          <>
            <dt className="text-ink2">Time</dt>
            <dd>× {conduct.timeFactor}</dd>
          </>
        )}
        {conduct.given.length > 0 && (
          <>
            <dt className="text-ink2">Granted</dt>
            <dd>{conduct.given.join(" · ")}</dd>
          </>
        )}
      </dl>
      {conduct.pauses.length > 0 && (
        <ul className="mt-2 border-t border-line pt-2 text-[15px]" aria-label="When the clock stood still">
          {conduct.pauses.map((p) => (
            <li key={p.from}>
              <span className="tabular-nums">
                {clock(p.from)}–{p.to ? clock(p.to) : "…"}
              </span>{" "}
              <b>{p.words}</b>: {p.what}
              {p.outcome && <span className="text-ink2"> → {p.outcome}</span>}
            </li>
          ))}
        </ul>
      )}
      <div className="mt-3 flex flex-wrap items-end gap-2 border-t border-line pt-3">
        <SelectField
          label={conduct.mine ? "Hand over to" : "Who takes it"}
          large
          className="min-w-44 flex-1"
          value={to}
          onChange={(e) => setTo(e.target.value)}
        >
          <option value="">Choose…</option>
          {conduct.others.map((o) => (
            <option key={o.id} value={o.id}>
              {o.label}
            </option>
          ))}
        </SelectField>
        <Button
          large
          disabled={!to || over.isPending}
          onClick={() => over.mutate({ to }, { onSuccess: () => setTo("") })}
        >
          {conduct.mine ? "Hand over" : "Take over"}
        </Button>
      </div>
      <ProblemNote error={over.error} />
      <PairTablet id={id} />
      <p className="mt-3 border-t border-line pt-3 text-[16px]">
        <Link className="text-work underline" to={`/assessments/${id}/paper`}>
          Enter what was written on paper
        </Link>
      </p>
    </Pane>
  );
}

/** A code for the bay's tablet: eight figures or a picture of the link, once, for ten minutes. */
export function PairTablet({ id }: { id: string }) {
  const pair = useMutation({
    mutationFn: () => data(api.POST("/api/assessments/{id}/conduct/pairing", { params: { path: { id } } })),
  });
  return (
    <div className="mt-3 border-t border-line pt-3">
      {pair.data ? (
        <div className="flex flex-wrap items-center gap-4">
          <span className="bg-white p-2">
            <QRCodeSVG value={pair.data.link} size={116} title="Opens the sheet on a tablet" />
          </span>
          <span>
            <span className="block text-[34px] leading-tight font-bold tracking-widest tabular-nums">
              {pair.data.code.slice(0, 4)} {pair.data.code.slice(4)}
            </span>
            <span className="block text-[15px] text-ink2">
              on the tablet open <b className="text-ink">{pair.data.address}</b>, press “This tablet for one
              sheet”. Once, for {pair.data.minutes} minutes; a tablet that was let in before is signed out.
            </span>
            {pair.data.warning && (
              <span role="alert" className="mt-1 block text-[15px] font-semibold text-caution">
                △ {pair.data.warning}
              </span>
            )}
          </span>
        </div>
      ) : (
        <Button large disabled={pair.isPending} onClick={() => pair.mutate()}>
          Let a tablet in
        </Button>
      )}
      <ProblemNote error={pair.error} />
    </div>
  );
}
