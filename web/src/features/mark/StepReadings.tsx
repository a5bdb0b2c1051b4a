import { type Dot, ProfilePicture, ReadingRail, type Side } from "../../pictures";
import { Pane } from "../../ui/Pane";
import { FaultsNamed } from "./FaultsNamed";
import { GoThroughIt } from "../practice";
import type { Line, MarkingView } from "./queries";
import { FAULTS } from "./StepList";

interface StepProps {
  /** the assessment */
  id: string;
  view: MarkingView;
  step: string;
}

/** One test of the sheet, for whoever marks by themselves. */
export function StepReadings({ id, view, step }: StepProps) {
  if (step === FAULTS) return <FaultsNamed view={view} />;
  return <LineReadings id={id} view={view} lines={view.lines.filter((l) => l.step === step)} tried="" />;
}

interface Props {
  /** the assessment */
  id: string;
  view: MarkingView;
  lines: Line[];
  /** the cause that is undone in the pictures; empty for none */
  tried: string;
  /** the profile alone where there is one, and the first few readings where there is none */
  brief?: boolean;
}

const FEW = 2;

/** Some readings of a sheet: the profile along the circuit where there is one, then each reading on its rail. */
export function LineReadings({ id, view, lines: written, tried, brief = false }: Props) {
  const lines = written.map((l) => undone(l, tried));
  const drawn = view.circuits.flatMap((circuit) => {
    const along = lines.filter((l) => l.circuit === circuit.id && l.station !== null);
    return [...new Set(along.map((l) => l.quantity))].flatMap((quantity) => {
      const curve = view.profiles.find((p) => p.circuit === circuit.id && p.quantity === quantity);
      const of = along.filter((l) => l.quantity === quantity);
      return curve && of.some((l) => l.asked) ? [{ circuit, curve, along: of }] : [];
    });
  });
  const told = brief ? (drawn.length > 0 ? [] : lines.slice(0, FEW)) : lines;
  return (
    <>
      {(brief ? drawn.slice(0, 1) : drawn).map(({ circuit, curve, along }, i) => (
        <Pane
          key={`${circuit.id} ${curve.quantity}`}
          title={`${circuit.label} · ${curve.quantity} along the circuit`}
        >
          {i === 0 && (
            <p className="flex flex-wrap gap-x-5 text-[13px]">
              <span className="text-ink2">
                <span aria-hidden="true" className="mr-1 inline-block h-3 w-6 bg-band align-middle" />
                what this rig gives, with tolerance
              </span>
              <span className="text-plum">— with the faults</span>
              <span className="text-work">– – healthy</span>
              <span>◆ ▲ ▼ recorded: in, above, below</span>
            </p>
          )}
          <ProfilePicture
            curve={curve}
            circuit={circuit}
            dots={dots(along)}
            showFaulted={view.faultsSet.length > 0}
            faultsAt={new Set(curve.faultStations)}
          />
        </Pane>
      ))}
      {told.length > 0 && (
        <ul className="divide-y divide-line border border-line bg-sheet px-4" aria-label="Readings">
          {told.map((line) => (
            <Reading
              key={line.slot}
              line={line}
              assessment={id}
              saidOnce={view.causes.some((c) => c.slots.length > 1 && c.slots.includes(line.slot))}
            />
          ))}
        </ul>
      )}
    </>
  );
}

/** A reading as it would stand with a cause undone, everything else the same: worked out by the server. */
function undone(line: Line, cause: string): Line {
  const of = cause ? line.explanations.find((e) => e.cause === cause) : undefined;
  if (!of?.undone) return line;
  return {
    ...line,
    writtenOhms: of.undone.base,
    writtenOverRange: false,
    side: of.undone.inside ? "inside" : line.side,
    written: of.undone.shown,
    sideWords: "as it would be with this undone",
  };
}

function dots(lines: Line[]): Dot[] {
  return lines.map((l) => ({
    station: l.station ?? "",
    ohms: l.writtenOhms,
    overRange: l.writtenOverRange,
    side: l.writtenOhms === null && !l.writtenOverRange ? "nothing" : (l.side as Side),
    text: l.written,
  }));
}

/** @param saidOnce the cause stands beside the readings already, for several of them */
function Reading({ line, saidOnce, assessment }: { line: Line; saidOnce: boolean; assessment: string }) {
  const inside = line.side === "inside";
  return (
    <li className="grid items-center gap-x-4 py-3 sm:grid-cols-[minmax(120px,1fr)_minmax(200px,300px)_130px]">
      <div>
        <p className="font-semibold">{line.quantity}</p>
        <p className="text-[13px] text-ink2">{line.where}</p>
      </div>
      {line.axis ? <ReadingRail line={line} /> : <span />}
      <div>
        <p className="text-[17px] font-bold">{line.written || "–"}</p>
        <p className={`text-[13px] ${inside ? "text-work" : line.asked ? "text-caution" : "text-ink2"}`}>
          {line.sideWords}
        </p>
      </div>
      <div className="sm:col-span-3">
        <p className="text-[13px] text-ink2">
          This rig gives {line.expected}, healthy {line.healthy}.
          {line.limit && (
            <>
              {" "}
              Limit {line.limit.shown}, <Judged judged={line.judged} />.
            </>
          )}
        </p>
        {line.remarks.map((remark) => (
          <p key={remark} className="text-[13px] text-caution">
            {remark}
          </p>
        ))}
        {line.explanations[0] && (
          <p className="text-[13px]">
            <b>{line.explanations[0].label}.</b> {!saidOnce && line.explanations[0].evidence}
          </p>
        )}
        {!inside && line.unexplained && <p className="text-[13px]">{line.unexplained}</p>}
        <Details line={line} saidOnce={saidOnce} />
        {!inside && line.measured && (
          <GoThroughIt assessment={assessment} box={line.slot} label={`${line.quantity}, ${line.where}`} />
        )}
      </div>
    </li>
  );
}

function Judged({ judged }: { judged: string }) {
  const words: Record<string, string> = {
    right: "judged rightly",
    wrong: "judged wrongly",
    missing: "not judged",
    satisfactory: "called satisfactory",
    "not-satisfactory": "called not satisfactory",
  };
  const tone: Record<string, string> = { right: "text-work", wrong: "text-caution", missing: "text-caution" };
  return <span className={tone[judged] ?? "font-semibold"}>{words[judged]}</span>;
}

function Details({ line, saidOnce }: { line: Line; saidOnce: boolean }) {
  if (line.bandReasons.length === 0 && !line.limit && line.explanations.length < 2) return null;
  return (
    <details className="text-[13px] text-ink2">
      <summary className="py-1">Why this band, this limit</summary>
      <ul className="space-y-1 pb-1">
        {line.bandReasons.map((r) => (
          <li key={r.cause}>
            {r.cause}: {r.down} to {r.up}
          </li>
        ))}
        {line.limit && (
          <li>
            Limit: {line.limit.source}. {line.limit.working}
          </li>
        )}
        {line.explanations.slice(saidOnce ? 0 : 1).map((e, i) => (
          <li key={e.cause}>
            {i > 0 || !saidOnce ? "Less likely: " : ""}
            <b>{e.label}.</b> {e.evidence}
          </li>
        ))}
      </ul>
    </details>
  );
}
