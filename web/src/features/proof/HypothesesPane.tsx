import type { Schemas } from "../../api/client";
import { Pane } from "../../ui/Pane";

interface Props {
  hypotheses: Schemas["HypothesisLine"][];
}

/** What the readings taken so far speak for, likeliest first, each with its evidence. */
export function HypothesesPane({ hypotheses }: Props) {
  if (hypotheses.length === 0) return null;
  return (
    <Pane title="What the readings say" aside="likeliest first">
      <ol className="space-y-3">
        {hypotheses.map((h) => (
          <li key={h.words}>
            <p className={h.asMeant ? "font-semibold text-work" : "font-semibold"}>
              {h.asMeant ? "◆ " : "△ "}
              {h.words}
            </p>
            {h.ofTheReading && (
              <p className="text-[13px]">
                Look at leads and tester, then take the readings again, before the rig is touched.
              </p>
            )}
            <span className="flex items-center gap-2 text-[13px] text-ink2">
              <span aria-hidden="true" className="h-2 w-32 bg-line">
                <span
                  className="block h-2"
                  style={{
                    width: `${Math.max(2, h.share * 100)}%`,
                    background: h.asMeant ? "var(--work)" : "var(--plum)",
                  }}
                />
              </span>
              {h.strength}
            </span>
            <ul className="mt-1 text-[13px] text-ink2">
              {h.evidence.map((e) => (
                <li key={e.what}>
                  {e.fits ? "◆" : "✕"} {e.what}: {e.reads}, would be {e.window}
                </li>
              ))}
            </ul>
          </li>
        ))}
      </ol>
    </Pane>
  );
}
