import type { Schemas } from "../../api/client";
import { Pane } from "../../ui/Pane";

const MOST = 7;

/** What came of a finished practice. */
export function Result({ result }: { result: Schemas["PracticeResult"] }) {
  const { wrong, faults, invented, outcome } = result;
  const lines = result.feedback.filter((f) => f.kind !== "RIGHT");
  return (
    <Pane title="How it went" wall="work" aside={`${result.minutes} min, ${result.deeds} deeds`}>
      {outcome && (
        <div className="mb-3">
          <p className="text-[18px]">
            By readings and faults: <b>{outcome.verdict}</b>, {Math.round(outcome.points * 10) / 10} of{" "}
            {Math.round(outcome.outOf * 10) / 10} points.
          </p>
          <ul className="list-disc pl-5">
            {outcome.reasons.slice(0, MOST).map((r) => (
              <li key={r}>{r}</li>
            ))}
          </ul>
          <p className="text-[14px] text-ink2">
            What an assessor would have seen and asked counts neither way here.
          </p>
        </div>
      )}
      <dl className="mb-3 flex flex-wrap gap-x-8 gap-y-2">
        <Count label="readings right" value={result.right} />
        <Count label="readings wrong" value={wrong.length} />
        <Count label="not written" value={result.open} />
        <Count label="dangers" value={result.dangers} />
        <Count label="slips" value={result.slips} />
      </dl>
      {wrong.length > 0 && (
        <>
          <h3 className="font-bold">Readings that are not this rig&apos;s</h3>
          <ul className="mb-3 divide-y divide-line">
            {wrong.map((w, i) => (
              <li key={i} className="py-1.5">
                <b>{w.box}</b>: {w.written}
                {w.because && <span className="text-ink2">, likely: {w.because}</span>}
              </li>
            ))}
          </ul>
        </>
      )}
      <h3 className="font-bold">Faults on the rig</h3>
      {faults.length === 0 && <p className="text-ink2">None: the rig was sound.</p>}
      <ul className="divide-y divide-line">
        {faults.map((f, i) => (
          <li key={i} className="py-1.5">
            {f.named ? "✓ found" : "○ not found"}: <b>{f.title}</b>, {f.where}
            <span className="block text-[14px] text-ink2">Put right: {f.remedy}</span>
          </li>
        ))}
      </ul>
      {lines.length > 0 && (
        <>
          <h3 className="mt-3 font-bold">What to do otherwise</h3>
          <ul className="list-disc pl-5">
            {lines.slice(0, MOST).map((f) => (
              <li key={f.words}>{f.words}</li>
            ))}
          </ul>
          {lines.length > MOST && (
            <details>
              <summary className="min-h-10 py-2">{lines.length - MOST} more</summary>
              <ul className="list-disc pl-5">
                {lines.slice(MOST).map((f) => (
                  <li key={f.words}>{f.words}</li>
                ))}
              </ul>
            </details>
          )}
        </>
      )}
      {invented.length > 0 && <p className="mt-2">Named and not there: {invented.join("; ")}.</p>}
    </Pane>
  );
}

function Count({ label, value }: { label: string; value: number }) {
  return (
    <div>
      <dd className="text-[24px] font-bold tabular-nums">{value}</dd>
      <dt className="text-[14px] text-ink2">{label}</dt>
    </div>
  );
}
