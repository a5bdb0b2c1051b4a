import { useState } from "react";
import { CircuitTrack, UNDER_TRACK } from "../../pictures/CircuitTrack";
import { drawnMetres, layTracks } from "../../pictures/trackLayout";
import { classes } from "../../ui/classes";
import type { SheetView } from "./queries";
import { type Group, nameOf, type ShownBox } from "./boxes";
import { Judge } from "./Judge";
import { ReadingInput } from "./ReadingInput";
import { useWidth } from "../../ui/useWidth";

type Circuit = SheetView["circuits"][number];

interface Props {
  group: Group;
  circuit: Circuit;
  boxes: ShownBox[];
  open: boolean;
  onText: (box: ShownBox, text: string) => void;
  onExpected: (box: ShownBox, text: string) => void;
  onJudge: (box: ShownBox, satisfactory: boolean | null) => void;
}

/** px a column of boxes needs */
const COLUMN = 90;
const GAP = 22;
const TOP = 44;

/** A circuit as its drawing: every station at its place, its boxes under it, the one for the record marked on the line. */
export function CircuitSheet({ circuit, boxes, open, onText, onExpected, onJudge }: Props) {
  const [frame, width] = useWidth();
  const along = boxes.filter((b) => b.station !== null);
  const others = boxes.filter((b) => b.station === null && b.chosenFrom.length === 0);
  const record = boxes.filter((b) => b.chosenFrom.length > 0);
  const stations = circuit.stations.filter((s) => along.some((b) => b.station === s.id));
  const columns = [...stations].sort((a, b) => a.atMetres - b.atMetres);
  const drawn = width > 0 && width / Math.max(1, columns.length) >= COLUMN;
  const { levels } = layTracks(circuit);
  const height = TOP + levels * GAP + UNDER_TRACK + (circuit.kind === "ring" ? 14 : 0);
  const x = (m: number) => 26 + ((width - 60) * m) / drawnMetres(circuit);
  const centre = (i: number) => (width * (i + 0.5)) / columns.length;
  const highest = record.find((r) => r.text !== "");
  const onRecord = along.find(
    (b) => highest?.chosenFrom.includes(b.slot) && b.text !== "" && b.text === highest.text,
  );
  const filled = new Set(
    stations
      .filter((s) => along.filter((b) => b.station === s.id).every((b) => b.text !== ""))
      .map((s) => s.id),
  );
  const expecting = boxes.filter((b) => b.said !== null);
  const several = new Set(along.map((b) => b.quantity)).size > 1;
  const chooses = record.find((r) => along.some((b) => r.chosenFrom.includes(b.slot)));

  const station = (id: string, label: string, inList: boolean) => (
    <div key={id} className={inList ? "border-b border-line py-2" : "flex flex-col items-center px-1"}>
      <p className={classes("leading-tight", inList ? "font-semibold" : "mb-1 text-center text-[15px]")}>
        {label}
      </p>
      <div className={classes("flex flex-wrap gap-x-3 gap-y-2", !inList && "justify-center")}>
        {along
          .filter((b) => b.station === id)
          .map((box) => (
            <StationBox
              key={box.slot}
              box={box}
              detail={detailOf(box, several)}
              open={open}
              recorded={onRecord?.slot === box.slot}
              onText={(text) => onText(box, text)}
              onJudge={(s) => onJudge(box, s)}
              onRecord={
                chooses?.chosenFrom.includes(box.slot) && box.text !== "" && box.mend === ""
                  ? () => onText(chooses, box.text)
                  : undefined
              }
            />
          ))}
      </div>
    </div>
  );

  return (
    <div ref={frame}>
      {others.length > 0 && (
        <ul className="mb-2 flex flex-wrap gap-x-6 gap-y-2">
          {others.map((box) => (
            <li key={box.slot} className="flex flex-wrap items-center gap-2">
              <span>
                <b>{box.quantity}</b> <span className="text-ink2">{box.within}</span>
              </span>
              <Entry box={box} open={open} onText={(text) => onText(box, text)} />
              {box.judged && (
                <Judge box={box} open={open} short={nameOf(box)} signs onJudge={(s) => onJudge(box, s)} />
              )}
            </li>
          ))}
        </ul>
      )}
      {expecting.length > 0 && (
        <p className="mb-1 flex flex-wrap items-center gap-x-4 gap-y-1 text-[16px] text-ink2">
          Expected, before measuring:
          {expecting.map((box) => (
            <Expected key={box.slot} box={box} open={open} onExpected={(text) => onExpected(box, text)} />
          ))}
        </p>
      )}
      {columns.length > 0 && drawn && (
        <>
          <svg width={width} height={height} aria-hidden="true" className="block">
            <rect x={8} y={TOP - 12} width={9} height={24} fill="var(--ink)" />
            <CircuitTrack
              circuit={circuit}
              y={TOP}
              x={x}
              gap={GAP}
              filled={filled}
              recorded={onRecord?.station ?? undefined}
            />
            {columns.map((s, i) => (
              <path
                key={s.id}
                d={`M${x(s.atMetres)} ${height - 16}L${centre(i)} ${height - 1}`}
                stroke="var(--line)"
                strokeWidth={1.5}
              />
            ))}
          </svg>
          <div className="grid" style={{ gridTemplateColumns: `repeat(${columns.length}, minmax(0, 1fr))` }}>
            {columns.map((s) => station(s.id, s.label, false))}
          </div>
        </>
      )}
      {columns.length > 0 && width > 0 && !drawn && columns.map((s) => station(s.id, s.label, true))}
      {record.map((box) => (
        <div key={box.slot} className="mt-3 flex flex-wrap items-center gap-3 border-t border-line pt-3">
          <label htmlFor={`box-${box.slot}`}>
            <b>{box.quantity} for the record</b>
            <span className="block text-[15px] text-ink2">
              {box.calculated ? box.within : "tap the reading that goes here, or write it"}
            </span>
          </label>
          <Entry box={box} open={open} onText={(text) => onText(box, text)} />
          {box.judged && <Judge box={box} open={open} short={nameOf(box)} onJudge={(s) => onJudge(box, s)} />}
        </div>
      ))}
    </div>
  );
}

interface StationProps {
  box: ShownBox;
  detail: string;
  open: boolean;
  recorded: boolean;
  onText: (text: string) => void;
  onJudge: (satisfactory: boolean | null) => void;
  onRecord: (() => void) | undefined;
}

function StationBox({ box, detail, open, recorded, onText, onJudge, onRecord }: StationProps) {
  return (
    <div className="flex flex-col items-center gap-1">
      {detail && (
        <span className="max-w-[108px] text-center text-[13px] leading-tight text-ink2">{detail}</span>
      )}
      <Entry box={box} open={open} narrow onText={onText} />
      {box.judged && <Judge box={box} open={open} short={nameOf(box)} signs onJudge={onJudge} />}
      {onRecord && (
        <button
          type="button"
          disabled={!open}
          aria-pressed={recorded}
          aria-label={`${nameOf(box)}: on record`}
          onClick={onRecord}
          className={classes(
            "min-h-10 rounded-md px-2 text-[14px]",
            recorded ? "bg-work-soft font-bold text-work" : "text-ink2 hover:bg-work-soft",
          )}
        >
          {recorded ? "▲ on record" : "△ record"}
        </button>
      )}
    </div>
  );
}

/** A number is typed; words are tapped. */
export function Entry({
  box,
  open,
  narrow,
  short,
  onText,
}: {
  box: ShownBox;
  open: boolean;
  narrow?: boolean;
  /** what it is called on the key that leads to it; its station, where it has one */
  short?: string;
  onText: (text: string) => void;
}) {
  if (box.unit === "") return <Words box={box} open={open} onText={onText} />;
  return (
    <ReadingInput
      id={`box-${box.slot}`}
      label={`${nameOf(box)}, ${box.unit}`}
      text={box.text}
      unit={narrow ? "" : box.unit}
      open={open}
      mend={box.mend}
      likely={box.likely}
      understood={box.understood}
      keys={box.keys}
      short={short ?? (box.station ? box.where : box.column || box.quantity)}
      placeholder={narrow ? box.unit : ""}
      {...(narrow ? { narrow } : {})}
      onText={onText}
    />
  );
}

/** A key that ends in a colon wants its reason after it: "C2: no blank in way 7". */
const wantsReason = (key: string) => key.endsWith(":");

function Words({ box, open, onText }: { box: ShownBox; open: boolean; onText: (text: string) => void }) {
  const coded = box.keys.find((key) => wantsReason(key) && box.text.startsWith(key));
  return (
    <span className="flex flex-wrap justify-center gap-1" role="group" aria-label={nameOf(box)}>
      {box.keys.map((words) => {
        const chosen = wantsReason(words) ? box.text.startsWith(words) : box.text === words;
        return (
          <button
            key={words}
            type="button"
            disabled={!open}
            aria-pressed={chosen}
            onClick={() => onText(chosen ? "" : words)}
            className={classes(
              "min-h-12 min-w-12 rounded-md border px-2 text-[15px]",
              chosen ? "border-work bg-work-soft font-bold" : "border-line text-ink2 hover:bg-work-soft",
            )}
          >
            {words === "works"
              ? "✓ works"
              : words === "does not work"
                ? "✗ does not"
                : words === "all right"
                  ? "✓ all right"
                  : words === "not all right:"
                    ? "✗ not all…"
                    : words.replace(":", "")}
          </button>
        );
      })}
      {coded && (
        /* on a line of its own: the keys stay where they are */
        <span className="flex basis-full justify-end">
          <Reason
            key={coded}
            label={`${nameOf(box)}, why ${coded.replace(":", "")}`}
            text={box.text.slice(coded.length).trim()}
            open={open}
            onText={(why) => onText(`${coded} ${why}`.trim())}
          />
        </span>
      )}
    </span>
  );
}

/** Saved when left. */
function Reason(props: { label: string; text: string; open: boolean; onText: (why: string) => void }) {
  const { label, text, open, onText } = props;
  const [why, setWhy] = useState(text);
  return (
    <input
      aria-label={label}
      placeholder="why: what was seen, where"
      value={why}
      disabled={!open}
      maxLength={140}
      onChange={(e) => setWhy(e.target.value)}
      onBlur={() => {
        if (why.trim() !== text) onText(why.trim());
      }}
      className="min-h-12 w-64 rounded-md border border-dashed border-ink2 bg-sheet px-2"
    />
  );
}

/** What is expected, written before the reading; locked once that is in. */
function Expected({
  box,
  open,
  onExpected,
}: {
  box: ShownBox;
  open: boolean;
  onExpected: (text: string) => void;
}) {
  if (!box.said) return null;
  return (
    <span className="flex items-center gap-1.5">
      <b className="text-ink">{box.quantity}</b>
      <ReadingInput
        id={`expected-${box.slot}`}
        label={`${box.quantity} expected, ${box.unit}`}
        text={box.said.text}
        unit={box.unit}
        open={open && !box.said.locked}
        mend=""
        narrow
        onText={onExpected}
      />
    </span>
  );
}

/** "position 2", "L1": what the station's name does not say already. */
function detailOf(box: ShownBox, several: boolean): string {
  return [several ? box.quantity : "", box.within].filter(Boolean).join(", ");
}
