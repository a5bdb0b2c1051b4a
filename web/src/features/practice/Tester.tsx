import type { Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { classes } from "../../ui/classes";
import { SelectField } from "../../ui/Field";
import { Pane } from "../../ui/Pane";
import type { Bench } from "./useBench";

const CURRENTS = [5, 10, 15, 30, 50, 60, 100, 150, 250, 300, 500];

/** What is in the learner's hands: function, leads, display. Indicator and proving unit are apart from it. */
export function Tester({
  bench,
  functions,
  path,
}: {
  bench: Bench;
  functions: Schemas["FunctionShown"][];
  /** null where it is not told */
  path: { shown: boolean; toggle: () => void; data: Schemas["CurrentPathAnswer"] | null } | null;
}) {
  const { tester } = bench.state;
  const chosen = functions.find((f) => f.id === tester.function);
  const draws = tester.function.startsWith("RCD_");
  const nulls = tester.function.startsWith("CONTINUITY");
  return (
    <Pane title="Tester">
      <SelectField
        label="Function"
        value={tester.function}
        disabled={bench.shut}
        onChange={(e) => bench.practice.deed({ verb: "CHOOSE", at: e.target.value })}
      >
        {functions.map((f) => (
          <option key={f.id} value={f.id}>
            {f.label}
          </option>
        ))}
      </SelectField>
      {draws && (
        <div className="mt-2 flex flex-wrap items-end gap-2">
          <SelectField
            label="Test current"
            value={String(tester.milliamps)}
            disabled={bench.shut}
            onChange={(e) =>
              bench.practice.deed({
                verb: "CURRENT",
                number: Number(e.target.value),
                flag: tester.negativeHalf,
              })
            }
          >
            {[...new Set([...CURRENTS, tester.milliamps])]
              .sort((a, b) => a - b)
              .map((mA) => (
                <option key={mA} value={mA}>
                  {mA} mA
                </option>
              ))}
          </SelectField>
          <Button
            disabled={bench.shut}
            aria-pressed={tester.negativeHalf}
            onClick={() =>
              bench.practice.deed({ verb: "CURRENT", number: tester.milliamps, flag: !tester.negativeHalf })
            }
          >
            {tester.negativeHalf ? "from 180°" : "from 0°"}
          </Button>
        </div>
      )}
      <p
        role="status"
        aria-label="Display"
        className="my-2 min-h-12 text-[34px] leading-12 font-bold tabular-nums"
      >
        {tester.shown ?? <span className="text-ink2">– – –</span>}
        {tester.swing && (
          <span className="block text-[15px] leading-6 font-normal text-caution">
            does not stand still: {tester.swing}
          </span>
        )}
      </p>
      <ol className="mb-2 space-y-1 text-[14px]">
        {Array.from({ length: chosen?.leads ?? 2 }, (_, i) => {
          const at = tester.probes[i];
          return (
            <li key={i} className="flex items-center gap-2">
              <span
                title="Drag it to a place of the rig"
                onPointerDown={bench.dragLead(i)}
                className={classes(
                  "grid h-6 w-6 shrink-0 touch-none place-items-center rounded-full bg-plum text-[12px] font-bold text-sheet select-none",
                  !bench.shut && "cursor-grab",
                )}
              >
                {i + 1}
              </span>
              <span className="min-w-0 flex-1">{at ? bench.label(at) : "in the hand"}</span>
              {at && !bench.shut && (
                <Button kind="quiet" onClick={() => bench.liftLead(i)} aria-label={`Lift lead ${i + 1}`}>
                  lift
                </Button>
              )}
            </li>
          );
        })}
      </ol>
      {nulls && (
        <p className="mb-2 text-[14px] text-ink2">{tester.nulled ? "Leads nulled." : "Leads not nulled."}</p>
      )}
      <div className="flex flex-wrap gap-2">
        <Button
          kind="main"
          shortcut="T"
          disabled={bench.shut}
          onClick={() => bench.practice.deed({ verb: "TAKE_READING" })}
        >
          Test
        </Button>
        {nulls && (
          <Button disabled={bench.shut} onClick={() => bench.practice.deed({ verb: "NULL_LEADS" })}>
            Null the leads
          </Button>
        )}
        <Button disabled={bench.shut} onClick={() => bench.practice.deed({ verb: "PROVE_INDICATOR" })}>
          Indicator on the proving unit
        </Button>
        {path && tester.shown && tester.probes.length > 1 && (
          <Button aria-pressed={path.shown} onClick={path.toggle}>
            Show me the current
          </Button>
        )}
      </div>
      {path?.shown && tester.shown && <Path data={path.data} />}
    </Pane>
  );
}

const SHOWN = 6;

/** Where 1 A of the reading goes, and what each part contributes to it. */
function Path({ data }: { data: Schemas["CurrentPathAnswer"] | null }) {
  if (!data) return <p className="mt-2 text-ink2">Working it out…</p>;
  if (!data.path) return <p className="mt-2 text-ink2">No current flows through this reading.</p>;
  const legs = data.path.legs.slice(0, SHOWN);
  const told = legs.reduce((sum, l) => sum + l.contributes, 0);
  const rest = data.path.ohms - told;
  return (
    <div className="mt-3">
      <p className="text-[14px] text-ink2">
        Of 1 A between the leads, what flows where, and what that adds to the reading.
      </p>
      <ul className="mt-1 divide-y divide-line text-[14px]">
        {legs.map((leg, i) => (
          <li key={i} className="py-1">
            <span className="flex justify-between gap-2">
              <span className="min-w-0">{leg.words}</span>
              <span className="tabular-nums">{ohms(leg.contributes)}</span>
            </span>
            <svg viewBox="0 0 100 8" className="h-2 w-full" preserveAspectRatio="none" aria-hidden="true">
              <rect width="100" height="8" fill="var(--line)" />
              <rect width={100 * Math.min(1, leg.amps)} height="8" fill="var(--work)" />
            </svg>
            <span className="text-ink2 tabular-nums">{leg.amps.toFixed(2)} A</span>
            {leg.tight && (
              <span className="block text-plum">
                A bad connection. Were it tight, the display would show <b>{leg.tight}</b>.
              </span>
            )}
          </li>
        ))}
        {rest > 0 && (
          <li className="flex justify-between py-1">
            <span>everything else</span>
            <span className="tabular-nums">{ohms(rest)}</span>
          </li>
        )}
        <li className="flex justify-between py-1 font-bold">
          <span>together</span>
          <span className="tabular-nums">{ohms(data.path.ohms)}</span>
        </li>
      </ul>
    </div>
  );
}

function ohms(value: number): string {
  if (value >= 1e6) return `${(value / 1e6).toFixed(1)} MΩ`;
  if (value >= 1e3) return `${(value / 1e3).toFixed(1)} kΩ`;
  return `${value.toFixed(3)} Ω`;
}
