import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Loaded, ProblemNote } from "../../ui/States";
import { useShortcuts } from "../../ui/useShortcuts";
import { Causes } from "./Causes";
import { HandBack } from "./HandBack";
import { Marks } from "./Marks";
import { type Award, markQueries, type MarkingView, useMarkWrites } from "./queries";
import { Opinions } from "./Opinions";
import { OutcomePane } from "./OutcomePane";
import { Resit } from "./Resit";
import { Compare } from "./Compare";
import { FAULTS, RECORD, StepList } from "./StepList";
import { SeenAlone, Watched } from "./Watched";
import { StepReadings } from "./StepReadings";

interface Props {
  id: string;
  mayGoBack: boolean;
}

/** Mark: the sheet against its key, one test at a time; proposals to accept or change. */
export function MarkStage({ id, mayGoBack }: Props) {
  const view = useQuery(markQueries.view(id));
  return <Loaded query={view}>{(v) => <Marking id={id} view={v} mayGoBack={mayGoBack} />}</Loaded>;
}

function Marking({ id, view, mayGoBack }: Props & { view: MarkingView }) {
  const writes = useMarkWrites(id, view.seq);
  const first = view.steps.find((s) => s.wantEye > 0) ?? view.steps[0];
  const [step, setStep] = useState(first?.id ?? FAULTS);
  const [tried, setTried] = useState("");
  const open = view.marks.filter((m) => m.given === null && m.wants !== "NOTHING");
  const blind = view.opinions.blind;
  const decided = view.outcome.given !== null;
  // two have marked it: what differs is settled, the rest stays as it was given
  const signed = view.opinions.lines.some((l) => l.purpose === "SECOND" && l.signedAt !== null);
  const next = open.find((m) => m.step === step);

  /** Takes the next proposal of this test; once they are through, goes to a test with open ones. */
  const accept = () => {
    if (writes.decide.isPending || decided || signed || blind) return;
    if (next)
      writes.decide.mutate([{ mark: next.id, given: (next.proposed ?? "NOT_SEEN") as Award, reason: "" }]);
    else if (open[0]) setStep(open[0].step);
  };
  const goOn = () => {
    const order = blind
      ? [...new Set(open.map((m) => m.step))]
      : [...view.steps.filter((s) => s.wantEye > 0).map((s) => s.id), RECORD, FAULTS];
    setStep(order[(order.indexOf(step) + 1) % order.length] ?? FAULTS);
  };
  useShortcuts({ a: accept, A: accept, n: goOn, N: goOn });

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
    <div className="grid gap-3 md:grid-cols-[200px_minmax(0,1fr)] xl:grid-cols-[190px_minmax(0,1fr)_360px]">
      <div className="space-y-3">
        <StepList view={view} step={step} onStep={setStep} onNext={goOn} />
        {mayGoBack && !blind && (
          <HandBack
            busy={writes.handBack.isPending}
            error={writes.handBack.error}
            onBack={(r) => writes.handBack.mutate(r)}
          />
        )}
      </div>
      <div className="min-w-0 space-y-3">
        {view.engineNote && <p className="bg-caution-soft p-2 text-caution">{view.engineNote}</p>}
        {view.differsToday.length > 0 && (
          <details className="border border-line bg-caution-soft p-2">
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
        {step === RECORD ? (
          blind ? (
            <SeenAlone view={view} />
          ) : (
            <Watched view={view} />
          )
        ) : (
          <StepReadings id={id} view={view} step={step} tried={tried} />
        )}
        {!blind && <Compare id={id} view={view} />}
      </div>
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
        <Causes view={view} step={step} tried={tried} onTry={setTried} />
        <Marks
          marks={view.marks.filter((m) => m.step === step)}
          open={open}
          onAccept={accept}
          locked={decided || signed}
          blind={blind}
          busy={writes.decide.isPending}
          onDecide={(given) => writes.decide.mutate(given)}
        />
        <OutcomePane
          outcome={view.outcome}
          blind={blind}
          busy={writes.outcome.isPending || writes.sign.isPending}
          onDecide={(w) => writes.outcome.mutate(w)}
          onSign={() => writes.sign.mutate()}
        />
        {open.length === 0 && !blind && opinions}
        {decided && <Resit id={id} />}
      </div>
    </div>
  );
}
