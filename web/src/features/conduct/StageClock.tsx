import { useEffect, useState } from "react";
import type { Schemas } from "../../api/client";
import { classes } from "../../ui/classes";

type ClockView = Schemas["ClockView"];

interface Props {
  clock: ClockView;
  live: boolean;
  /** when the clock was read, by this device */
  receivedAt: number;
  /** a candidate's is smaller and says less */
  quiet?: boolean;
}

/** Time gone in this stage and in all. It goes on by itself between two answers, and stands still with its reason. */
export function StageClock({ clock, live, receivedAt, quiet = false }: Props) {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 1000);
    return () => clearInterval(timer);
  }, []);
  const since = clock.state === "RUNS" ? Math.max(0, Math.floor((now - receivedAt) / 1000)) : 0;
  const stage = live ? clock.live : clock.dead;
  const parts: [string, Schemas["UsedLine"]][] = [];
  if (stage.allowed > 0) parts.push([live ? "live" : "dead", stage]);
  if (clock.all.allowed > 0 || stage.allowed === 0) parts.push(["in all", clock.all]);
  return (
    <span className="flex flex-wrap items-baseline gap-x-3 tabular-nums" aria-label="Time">
      {parts.map(([what, used], i) => {
        const gone = used.gone + since;
        const over = used.allowed > 0 && gone > used.allowed;
        return (
          <span key={what} className={classes(i > 0 && "text-[15px] text-ink2", over && "!text-caution")}>
            <b className={quiet || i > 0 ? "" : "text-[22px]"}>{minutes(gone)}</b>
            {used.allowed > 0 && <span className="text-ink2"> of {minutes(used.allowed)}</span>} {what}
            {over && <b> ▲ over</b>}
          </span>
        );
      })}
      {STANDS[clock.state] && <span className="font-bold text-caution">‖ {STANDS[clock.state]}</span>}
    </span>
  );
}

const STANDS: Record<ClockView["state"], string> = {
  RUNS: "",
  CLOSED: "",
  NOT_CONFIRMED: "starts when the candidate has confirmed",
  HALTED: "stands still",
  AT_THE_RIG: "stands still while the assessor is at the rig",
};

/** "7:05": minutes and seconds, without hours. */
export function minutes(seconds: number): string {
  const whole = Math.max(0, Math.floor(seconds));
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, "0")}`;
}
