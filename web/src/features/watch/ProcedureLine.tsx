import { useEffect, useRef, type KeyboardEvent } from "react";
import type { WatchStep } from "./WatchStage";
import { useWidth } from "../../ui/useWidth";

/** What a station shows; boxes only while they are being filled. */
type Shown = Pick<WatchStep, "id" | "title" | "live" | "state" | "next"> &
  Partial<Pick<WatchStep, "filled" | "boxes">>;

interface Props {
  steps: Shown[];
  chosen: string;
  stopped: boolean;
  onChoose: (step: string) => void;
}

/** px of a station where there is room, and what its name needs at least */
const WIDE = 104;
const NARROW = 68;
const MID = 32;
/** What each sign says, in the order in which it is met. */
const KEY = "● done · ◐ begun · ○ open · ◆ live · ▼ slip · ⌒ skipped · ringed = next";

/** The sequence as a line with stations: ● done, ◐ begun, ○ open, a wedge for a slip, an arch over what was skipped, a bar where it was stopped. */
export function ProcedureLine({ steps, chosen, stopped, onChoose }: Props) {
  const [room, width] = useWidth();
  const frame = useRef<HTMLDivElement>(null);
  const list = useRef<HTMLOListElement>(null);
  const at = steps.findIndex((s) => s.id === chosen);
  // all of it in sight where names can still be read, else it scrolls
  const wide = width > 0 ? Math.min(WIDE, Math.max(NARROW, Math.floor((width - 2) / steps.length))) : WIDE;
  useEffect(() => {
    const f = frame.current;
    // what is next stands in the middle of the reach of a thumb
    if (f && at >= 0) f.scrollTo?.({ left: at * wide - f.clientWidth / 2 + wide / 2 });
  }, [at, wide, width]);
  /** One stop for Tab; the arrows go along the line. */
  const along = (event: KeyboardEvent) => {
    const to = { ArrowRight: at + 1, ArrowLeft: at - 1, Home: 0, End: steps.length - 1 }[event.key];
    const step = to === undefined ? undefined : steps[to];
    if (!step) return;
    event.preventDefault();
    onChoose(step.id);
    list.current?.querySelectorAll("button")[to ?? 0]?.focus();
  };
  const firstLive = steps.findIndex((s) => s.live);
  return (
    <div ref={room}>
      <div ref={frame} className="overflow-x-auto border border-line bg-sheet" tabIndex={-1}>
        <div className="relative" style={{ width: steps.length * wide, height: wide < WIDE ? 112 : 100 }}>
          <svg width={steps.length * wide} height={66} aria-hidden="true" className="absolute inset-0">
            <line
              x1={wide / 2}
              x2={(steps.length - 0.5) * wide}
              y1={MID}
              y2={MID}
              stroke="var(--ink)"
              strokeWidth={3}
            />
            {firstLive > 0 && (
              <line
                x1={firstLive * wide}
                x2={firstLive * wide}
                y1={8}
                y2={56}
                stroke="var(--caution)"
                strokeWidth={3}
                strokeDasharray="5 4"
              />
            )}
            {steps.map((s, i) => (
              <Sign
                key={s.id}
                x={(i + 0.5) * wide}
                state={s.state}
                live={s.live}
                next={s.next}
                stopped={stopped}
              />
            ))}
          </svg>
          <ol ref={list} className="absolute inset-0 flex" onKeyDown={along}>
            {steps.map((s, i) => (
              <li key={s.id} style={{ width: wide }}>
                <button
                  type="button"
                  aria-current={s.id === chosen ? "step" : undefined}
                  onClick={() => onChoose(s.id)}
                  tabIndex={i === Math.max(0, at) ? 0 : -1}
                  className={`flex h-full w-full flex-col items-center justify-end px-0.5 pb-2 text-center leading-tight hover:bg-work-soft/50 ${wide < WIDE ? "text-[12.5px]" : "text-[14px]"} ${s.id === chosen ? "border-b-4 border-work font-bold" : ""}`}
                >
                  {s.title}
                  <span className="sr-only">
                    , {s.state.toLowerCase()}
                    {s.live ? ", live" : ""}
                    {s.boxes !== undefined && `, ${s.filled} of ${s.boxes} boxes`}
                  </span>
                </button>
              </li>
            ))}
          </ol>
        </div>
      </div>
      <p aria-hidden="true" className="mt-1 text-[13px] text-ink2">
        {KEY}
      </p>
    </div>
  );
}

interface SignProps {
  x: number;
  state: WatchStep["state"];
  live: boolean;
  next: boolean;
  stopped: boolean;
}

/** Live stations stand on their corner. */
function Sign({ x, state, live, next, stopped }: SignProps) {
  const fill = state === "DONE" ? "var(--work)" : "var(--sheet)";
  const turn = live ? `rotate(45 ${x} ${MID})` : undefined;
  return (
    <g>
      {next && <circle cx={x} cy={MID} r={17} fill="none" stroke="var(--work)" strokeWidth={3} />}
      {live ? (
        <rect
          x={x - 8}
          y={MID - 8}
          width={16}
          height={16}
          transform={turn}
          fill={fill}
          stroke="var(--ink)"
          strokeWidth={2.4}
        />
      ) : (
        <circle cx={x} cy={MID} r={9} fill={fill} stroke="var(--ink)" strokeWidth={2.4} />
      )}
      {state === "BEGUN" && <path d={`M${x} ${MID - 8}a8 8 0 0 1 0 16z`} fill="var(--work)" />}
      {state === "SLIP" && <path d={`M${x} ${MID - 21}l7 -9h-14z`} fill="var(--caution)" />}
      {state === "SLIP" && <circle cx={x} cy={MID} r={4} fill="var(--caution)" />}
      {state === "SKIPPED" && (
        <path
          d={`M${x - 15} ${MID}a15 13 0 0 1 30 0`}
          fill="none"
          stroke="var(--caution)"
          strokeWidth={2.4}
        />
      )}
      {stopped && next && <rect x={x - 3} y={MID - 22} width={6} height={44} fill="var(--caution)" />}
    </g>
  );
}
