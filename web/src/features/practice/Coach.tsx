import type { Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { Pane } from "../../ui/Pane";
import type { Bench } from "./useBench";

type Kind = Schemas["Advice"]["kind"];

const SIGNS: Record<Kind, { sign: string; word: string; colour: string }> = {
  DANGER: { sign: "▲", word: "Danger", colour: "border-danger bg-danger-soft" },
  SLIP: { sign: "▼", word: "Slip", colour: "border-caution bg-caution-soft" },
  NOTE: { sign: "●", word: "Note", colour: "border-line bg-raised" },
  RIGHT: { sign: "✓", word: "Right", colour: "border-work bg-work-soft" },
};

export function sign(kind: Kind): string {
  return `${SIGNS[kind].sign} ${SIGNS[kind].word.toLowerCase()}`;
}

/** What came of the last deed, and what comes next where that is shown. */
export function Coach({ bench, way, box }: { bench: Bench; way: string; box: string }) {
  const { advice, next, deedCount } = bench.state;
  const grave = advice.some((a) => a.kind === "DANGER" || a.kind === "SLIP");
  if (advice.length === 0 && (way === "ALONE" || bench.state.replay) && !next) return null;
  return (
    <Pane title={way === "ALONE" ? "What happened" : "Coach"}>
      <div role="status" className="space-y-2">
        {advice.map((a, i) => (
          <div key={i} className={`border-l-4 p-2 ${SIGNS[a.kind].colour}`}>
            <p>
              <b>
                <span aria-hidden="true">{SIGNS[a.kind].sign}</span> {SIGNS[a.kind].word}.
              </b>{" "}
              {a.says}
            </p>
            {a.putRight && <p className="mt-0.5 text-[14px]">{a.putRight}</p>}
          </div>
        ))}
        {advice.length === 0 && !next && <p className="text-ink2">Nothing to say.</p>}
      </div>
      {grave && deedCount > 0 && way !== "ALONE" && (
        <Button className="mt-2" onClick={bench.practice.undo}>
          Take it back
        </Button>
      )}
      {next && (
        <div className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-2">
          <p className="min-w-[16rem] flex-1">
            <span className="text-ink2">Next: </span>
            <b>{next.words}.</b> {next.why}
          </p>
          <Button shortcut="D" onClick={() => bench.practice.deed({ verb: "NEXT", at: box })}>
            Do it for me
          </Button>
        </div>
      )}
    </Pane>
  );
}
