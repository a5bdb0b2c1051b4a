import type { Schemas } from "../../../api/client";
import { classes } from "../../../ui/classes";
import { Pane } from "../../../ui/Pane";
import type { RigView } from "../queries";
import { Warnings } from "../Warnings";
import { placeOf } from "./placeOf";
import type { RigJson } from "./rigJson";

interface Props {
  /** the draft that the problems are of */
  rig: RigJson;
  problems: Schemas["Problem"][];
  /** as the draft stands; missing while it has problems */
  view: RigView | undefined;
  /** the version that is being changed */
  saved: RigView | undefined;
  /** whose readings are shown; none: those of the origin */
  circuit: string | undefined;
  working: boolean;
}

/** What the draft comes to: what is wrong, what wants a look, what it reads. */
export function PreviewPane({ rig, problems, view, saved, circuit, working }: Props) {
  return (
    <aside
      aria-label="What it comes to"
      tabIndex={0}
      className="space-y-3 lg:col-start-2 xl:sticky xl:top-20 xl:col-start-auto xl:max-h-[calc(100vh-6rem)] xl:self-start xl:overflow-y-auto"
    >
      <p role="status" className="text-[13px] text-ink2">
        {working ? "Working it out…" : problems.length > 0 ? "Cannot be worked out yet." : "Worked out."}
      </p>
      {problems.length > 0 && (
        <Pane title="To mend before it can be saved" wall="caution">
          <ul className="space-y-2">
            {problems.map((p, i) => (
              <li key={i}>
                {p.where && <span className="block text-ink2">{placeOf(rig, p.where)}</span>}
                {p.given && `Found ${p.given}; `}
                {p.mend}
              </li>
            ))}
          </ul>
        </Pane>
      )}
      {view && <Warnings warnings={view.warnings} />}
      {view && <Readings view={view} saved={saved} circuit={circuit} />}
    </aside>
  );
}

function Readings({
  view,
  saved,
  circuit,
}: {
  view: RigView;
  saved: RigView | undefined;
  circuit: string | undefined;
}) {
  const before = new Map(saved?.sheet.map((l) => [l.slot, l.healthy]) ?? []);
  const lines = view.sheet.filter(
    (l) =>
      (l.circuit ?? undefined) === circuit &&
      (l.rule !== "" || l.step === "Ring" || l.step === "Ze, Zdb" || l.step === "Bonding"),
  );
  const shown = lines.filter((l) => l.rule !== "" || ["r1", "rn", "r2"].includes(l.quantity) || !l.circuit);
  if (shown.length === 0) return null;
  return (
    <Pane title="Readings" aside={saved ? "now, and before the change" : "as described"}>
      <table className="w-full">
        <tbody>
          {shown.map((l) => {
            const old = before.get(l.slot);
            const moved = old !== undefined && old !== l.healthy;
            return (
              <tr key={l.slot} className="border-b border-line align-top">
                <td className="py-1 pr-2">
                  {l.quantity}
                  <span className="block text-[13px] text-ink2">
                    {l.rule ? `${l.step}, ${l.where.replace(/^.*, /, "")}` : l.where}
                  </span>
                </td>
                <td className={classes("py-1 text-right whitespace-nowrap", moved && "font-bold text-work")}>
                  {l.healthy}
                  {moved && <s className="block text-[13px] font-normal text-ink2">{old}</s>}
                </td>
                <td className="py-1 pl-3 text-right whitespace-nowrap text-ink2">
                  {l.limit}
                  {l.met === false && <span className="block font-semibold text-caution">not met</span>}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </Pane>
  );
}
