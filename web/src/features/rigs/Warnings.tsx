import type { Schemas } from "../../api/client";
import { Pane } from "../../ui/Pane";

/** What wants a look; the server judges. */
export function Warnings({ warnings }: { warnings: Schemas["WarningLine"][] }) {
  if (warnings.length === 0) {
    return (
      <Pane title="Warnings">
        <p className="text-ink2">None: every limit is met and no rule of thumb is broken.</p>
      </Pane>
    );
  }
  return (
    <Pane title="Warnings" aside={warnings.length} wall="caution">
      <ul aria-live="polite" className="space-y-2">
        {warnings.map((w) => (
          <li key={w.code + w.says}>
            {w.says}
            {w.source && <span className="block text-[13px] text-ink2">{w.source}</span>}
          </li>
        ))}
      </ul>
    </Pane>
  );
}
