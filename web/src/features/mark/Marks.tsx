import { Button } from "../../ui/Button";
import { classes } from "../../ui/classes";
import { Pane } from "../../ui/Pane";
import { SIGN, WORD } from "./awards";
import { ChangeMark } from "./ChangeMark";
import type { Award, MarkLine } from "./queries";

interface Props {
  marks: MarkLine[];
  /** all marks nobody has given yet, of every test */
  open: MarkLine[];
  locked: boolean;
  /** whoever marks alone is proposed nothing: each mark is given, with a reason or without */
  alone?: boolean;
  busy: boolean;
  onDecide: (given: { mark: string; given: Award; reason: string }[]) => void;
}

const AWARDS: Award[] = ["FULL", "HALF", "NONE"];

/** Marks with their evidence: given by whoever marks alone, else as proposed, to be changed with a reason. */
export function Marks({ marks, open, locked, alone = false, busy, onDecide }: Props) {
  const now = (m: MarkLine) => m.given ?? m.proposed ?? "OPEN";
  const here = marks.filter((m) => m.given === null && m.wants !== "NOTHING");
  return (
    <Pane
      {...(alone
        ? {
            title: "Your marks",
            aside: open.length === 0 ? "all given" : `for this test · ${open.length} to give in all`,
          }
        : {})}
      className={alone ? "" : "!border-0 !px-0"}
    >
      <ul className="divide-y divide-line">
        {marks.map((mark) => (
          <li key={mark.id} className="grid grid-cols-[26px_1fr_auto] gap-x-2 py-2">
            <span
              className={classes(
                "pl-1 text-[17px] font-bold",
                now(mark) === "FULL" ? "text-work" : "text-caution",
              )}
              title={`${WORD[now(mark)]} of ${mark.weight}`}
            >
              {SIGN[now(mark)]}
            </span>
            <span className="min-w-0">
              <span className="font-semibold">{mark.title}</span>{" "}
              <span className="text-[13px] text-ink2">
                {mark.circuit ? `${mark.circuit}, ` : ""}
                {mark.group}, ×{mark.weight}
                {mark.key && ", key"}
              </span>
              <span
                className={classes(
                  "block text-[13px]",
                  mark.wants === "A_LOOK_AT_THE_RIG" ? "text-caution" : "text-ink2",
                )}
              >
                {mark.evidence}
              </span>
              {mark.given !== null && (
                <span className="block text-[13px]">
                  {alone
                    ? `${WORD[mark.given]}${mark.reason ? `: ${mark.reason}` : ""}`
                    : mark.given === mark.proposed
                      ? "accepted"
                      : `changed from ${WORD[mark.proposed ?? "OPEN"]} to ${WORD[mark.given]}: ${mark.reason}`}
                </span>
              )}
            </span>
            {!locked && alone && mark.wants !== "NOTHING" && (
              <span
                className="flex gap-1"
                role="group"
                aria-label={`Your mark: ${mark.title}, ${mark.group}`}
              >
                {AWARDS.map((award) => (
                  <Button
                    key={award}
                    disabled={busy}
                    aria-pressed={mark.given === award}
                    aria-label={WORD[award]}
                    className={classes(mark.given === award && "!bg-work-soft !font-bold")}
                    onClick={() => onDecide([{ mark: mark.id, given: award, reason: mark.reason }])}
                  >
                    {SIGN[award]}
                  </Button>
                ))}
              </span>
            )}
            {!locked && !alone && <ChangeMark mark={mark} onDecide={onDecide} />}
          </li>
        ))}
      </ul>
      {!locked && alone && here.length > 1 && (
        <Button
          className="mt-3"
          disabled={busy}
          onClick={() => onDecide(here.map((m) => ({ mark: m.id, given: "FULL", reason: "" })))}
        >
          Full for the {here.length} not marked here
        </Button>
      )}
    </Pane>
  );
}
