import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Loaded, ProblemNote } from "../../ui/States";
import { useShortcuts } from "../../ui/useShortcuts";
import { HandBack } from "./HandBack";
import { MarkPage } from "./MarkPage";
import { Marks } from "./Marks";
import { markQueries, type MarkingView, useMarkWrites } from "./queries";
import { Opinions } from "./Opinions";
import { OutcomePane } from "./OutcomePane";
import { Resit } from "./Resit";
import { Compare } from "./Compare";
import { FAULTS, RECORD, StepList } from "./StepList";
import { SeenAlone } from "./Watched";
import { StepReadings } from "./StepReadings";

interface Props {
  id: string;
  mayGoBack: boolean;
}

/** Mark: the sheet against its key; proposals to agree to or to change. Whoever marks alone is shown the sheet and no proposal. */
export function MarkStage({ id, mayGoBack }: Props) {
  const view = useQuery(markQueries.view(id));
  return <Loaded query={view}>{(v) => <Marking id={id} view={v} mayGoBack={mayGoBack} />}</Loaded>;
}

function Marking({ id, view, mayGoBack }: Props & { view: MarkingView }) {
  const writes = useMarkWrites(id, view.seq);
  const blind = view.opinions.blind;
  const decided = view.outcome.given !== null;
  // two have marked it: what differs is settled, the rest stays as it was given
  const signed = view.opinions.lines.some((l) => l.purpose === "SECOND" && l.signedAt !== null);
  const open = view.marks.filter((m) => m.given === null && m.wants !== "NOTHING");
  const marking = {
    id,
    view,
    locked: decided || signed,
    busy: writes.decide.isPending,
    onDecide: writes.decide.mutate,
  };
  const opinions = (
    <Opinions
      view={view.opinions}
      decided={decided}
      busy={writes.ask.isPending || writes.settle.isPending}
      onAsk={(of) => writes.ask.mutate(of)}
      onWithdraw={(of) => writes.withdraw.mutate(of)}
      onSettle={(w) => writes.settle.mutate(w)}
    />
  );
  return (
    <>
      {view.engineNote && <p className="mb-3 bg-caution-soft p-2 text-caution">{view.engineNote}</p>}
      {view.differsToday.length > 0 && (
        <details className="mb-3 border border-line bg-caution-soft p-2">
          <summary className="text-caution">
            Decided as it stands here. Today’s rules would make {view.differsToday.length}{" "}
            {view.differsToday.length === 1 ? "mark" : "marks"} otherwise; nothing is changed.
          </summary>
          <ul className="list-disc pl-5 text-[13px]">
            {view.differsToday.map((d) => (
              <li key={d}>{d}</li>
            ))}
          </ul>
        </details>
      )}
      <div className="grid gap-3 md:grid-cols-[280px_minmax(0,1fr)] xl:grid-cols-[320px_minmax(0,1fr)_320px]">
        {blind ? <Alone {...marking} /> : <MarkPage {...marking} />}
        <div className="space-y-3 md:col-start-2 xl:col-start-auto">
          <ProblemNote
            error={
              writes.decide.error ??
              writes.outcome.error ??
              writes.ask.error ??
              writes.withdraw.error ??
              writes.sign.error ??
              writes.settle.error
            }
          />
          {/* whoever marks alone is told so first */}
          {blind && opinions}
          <OutcomePane
            outcome={view.outcome}
            blind={blind}
            busy={writes.outcome.isPending || writes.sign.isPending}
            onDecide={(w) => writes.outcome.mutate(w)}
            onSign={() => writes.sign.mutate()}
          />
          {open.length === 0 && !blind && opinions}
          {decided && <Resit id={id} />}
          {mayGoBack && !blind && (
            <HandBack
              busy={writes.handBack.isPending}
              error={writes.handBack.error}
              onBack={(r) => writes.handBack.mutate(r)}
            />
          )}
          {!blind && <Compare id={id} view={view} />}
        </div>
      </div>
    </>
  );
}

type AloneProps = Parameters<typeof MarkPage>[0];

/** Test by test, each mark given by whoever marks by themselves. */
function Alone({ id, view, locked, busy, onDecide }: AloneProps) {
  const [step, setStep] = useState(view.steps[0]?.id ?? FAULTS);
  const open = view.marks.filter((m) => m.given === null && m.wants !== "NOTHING");
  const goOn = () => {
    const order = [...new Set(open.map((m) => m.step))];
    setStep(order[(order.indexOf(step) + 1) % order.length] ?? FAULTS);
  };
  useShortcuts({ n: goOn, N: goOn });
  return (
    <>
      <StepList view={view} step={step} onStep={setStep} onNext={goOn} />
      <div className="min-w-0 space-y-3">
        {step === RECORD ? <SeenAlone view={view} /> : <StepReadings id={id} view={view} step={step} />}
        <Marks
          marks={view.marks.filter((m) => m.step === step)}
          open={open}
          alone
          locked={locked}
          busy={busy}
          onDecide={onDecide}
        />
      </div>
    </>
  );
}
