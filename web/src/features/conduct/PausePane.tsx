import { useEffect, useRef, useState } from "react";
import { useNavigate } from "react-router";
import { Button } from "../../ui/Button";
import { SelectField, TextField } from "../../ui/Field";
import { Pane } from "../../ui/Pane";
import { ProblemNote } from "../../ui/States";
import { clock } from "../../ui/when";
import { type Conduct, useCarryOn, useDeed } from "./queries";

/** While the clock stands still: mended and on, another instrument, another bay, or ended without a judgement. */
export function PausePane({ id, conduct }: { id: string; conduct: Conduct }) {
  const pause = conduct.pauses.at(-1);
  const [done, setDone] = useState("");
  const [tester, setTester] = useState("");
  const [bay, setBay] = useState("");
  const resume = useDeed(id, "resume");
  const instrument = useDeed(id, "instrument");
  const off = useDeed(id, "break-off");
  const carry = useCarryOn(id);
  const navigate = useNavigate();
  const pane = useRef<HTMLDivElement>(null);
  const since = pause?.to === null ? pause.from : "";
  useEffect(() => {
    // it stands at the top, and whoever stopped the clock may have scrolled down
    if (since) pane.current?.scrollIntoView?.({ block: "center" });
  }, [since]);
  if (!pause || pause.to !== null || pause.why === "SAFETY") return null;
  return (
    <div ref={pane}>
      <Pane
        wall="caution"
        title={`${pause.words}: the clock stands still since ${clock(pause.from)}`}
        aside={`by ${pause.by}`}
      >
        <p className="mb-3 text-[18px]">{pause.what}</p>
        <div className="grid gap-4 lg:grid-cols-3">
          <div>
            <TextField
              label="What was done about it"
              large
              maxLength={500}
              value={done}
              onChange={(e) => setDone(e.target.value)}
            />
            <Button
              kind="main"
              large
              className="mt-2"
              disabled={resume.isPending}
              onClick={() => resume.mutate({ what: done })}
            >
              Go on here
            </Button>
          </div>
          <div>
            <SelectField
              label={`Another instrument than ${conduct.tester}`}
              large
              value={tester}
              onChange={(e) => setTester(e.target.value)}
            >
              <option value="">Choose…</option>
              {conduct.testers.map((t) => (
                <option key={t.id} value={t.id}>
                  {t.label}
                </option>
              ))}
            </SelectField>
            <Button
              large
              className="mt-2"
              disabled={!tester || instrument.isPending}
              onClick={() =>
                instrument.mutate({ tester, reason: pause.what }, { onSuccess: () => setTester("") })
              }
            >
              Use it from now on
            </Button>
          </div>
          <div>
            <SelectField label="Another bay" large value={bay} onChange={(e) => setBay(e.target.value)}>
              <option value="">Choose…</option>
              {conduct.freeBays.map((b) => (
                <option key={b.id} value={b.id}>
                  {b.label}
                </option>
              ))}
            </SelectField>
            <div className="mt-2 flex flex-wrap gap-2">
              <Button
                large
                disabled={!bay || carry.isPending}
                onClick={() =>
                  carry.mutate(
                    { bayId: bay, reason: pause.what },
                    { onSuccess: (next) => void navigate(`/assessments/${next.assessmentId}/prepare`) },
                  )
                }
              >
                Carry on there
              </Button>
              <Button large disabled={off.isPending} onClick={() => off.mutate({ what: pause.what })}>
                End, no judgement
              </Button>
            </div>
            <p className="mt-1 text-[14px] text-ink2">
              What was seen, asked and granted goes along, and the time used; readings are of this rig and
              stay here.
            </p>
          </div>
        </div>
        <ProblemNote error={resume.error ?? instrument.error ?? off.error ?? carry.error} />
      </Pane>
    </div>
  );
}
