import type { Schemas } from "../../api/client";
import { Pane } from "../../ui/Pane";

/** What the simulation with the supply on finds. */
export function SafetyPane({ safety }: { safety: Schemas["SafetyView"] }) {
  return (
    <Pane title="With the supply on" aside={safety.strictest} wall={safety.mayGoLive ? "work" : "caution"}>
      {safety.dangers.length === 0 ? (
        <p>
          {safety.mayGoLive
            ? "Simulated: no live metal, a fault to metal still disconnects, no short."
            : "Simulated: no live metal. By the catalogue this set stays dead: take the dead-only faults out before going live."}
        </p>
      ) : (
        <ul className="space-y-1">
          {safety.dangers.slice(0, 6).map((d) => (
            <li key={d.finding}>
              <b className="text-caution">✕ {d.kind}:</b> {d.finding}
            </li>
          ))}
          {safety.dangers.length > 6 && (
            <li className="text-ink2">and {safety.dangers.length - 6} more of the kind</li>
          )}
        </ul>
      )}
      <p className="mt-2 text-[13px] text-ink2">
        A simulation of this rig, no risk assessment. Your site’s rules and local code come first.
      </p>
    </Pane>
  );
}
