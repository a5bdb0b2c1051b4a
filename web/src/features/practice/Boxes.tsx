import { useState } from "react";
import { Button } from "../../ui/Button";
import { classes } from "../../ui/classes";
import { SelectField, TextField } from "../../ui/Field";
import { Pane } from "../../ui/Pane";
import type { Bench } from "./useBench";

/** The reading that is asked for now, and those before and after it. */
export function Boxes({ bench }: { bench: Bench }) {
  const { boxes, box: at, tester } = bench.state;
  const index = Math.max(
    0,
    boxes.findIndex((b) => b.id === at),
  );
  const box = boxes[index];
  const written = boxes.filter((b) => b.written !== null).length;
  if (!box) return null;
  const shown = readingText(tester.shown);
  return (
    <Pane title="Reading" aside={`${written} of ${boxes.length} written`}>
      <div className="flex items-start gap-2">
        <Button
          kind="quiet"
          aria-label="Reading before"
          disabled={index === 0}
          onClick={() => boxes[index - 1] && bench.practice.at(boxes[index - 1]?.id ?? at)}
        >
          ‹
        </Button>
        <div className="min-w-0 flex-1">
          <p className="text-[14px] text-ink2">{box.test}</p>
          <p className="font-bold">
            {box.quantity}, {box.where}
          </p>
          {box.written !== null && (
            <p className="mt-1 tabular-nums">
              written: <b>{box.written}</b>{" "}
              {box.right === true && <span className="text-work">✓ this rig reads that</span>}
              {box.right === false && <span className="text-caution">▼ this rig does not read that</span>}
            </p>
          )}
        </div>
        <Button
          kind="quiet"
          aria-label="Reading after"
          disabled={index === boxes.length - 1}
          onClick={() => boxes[index + 1] && bench.practice.at(boxes[index + 1]?.id ?? at)}
        >
          ›
        </Button>
      </div>
      {!bench.shut && box.byEye && (
        <Button
          kind="main"
          className="mt-2"
          shortcut="T"
          onClick={() => bench.practice.deed({ verb: "LOOK", at: box.id })}
        >
          Look at it
        </Button>
      )}
      {!bench.shut && box.keys.length > 0 && (
        <div className="mt-2 flex flex-wrap gap-2" role="group" aria-label="Write without typing">
          {box.keys.map((k) => (
            <Button key={k} onClick={() => bench.practice.write({ box: box.id, text: k })}>
              {k}
            </Button>
          ))}
        </div>
      )}
      {!bench.shut && (
        <Write
          key={box.id + (box.written ?? "")}
          initial={box.written ?? ""}
          unit={box.unit}
          shown={shown}
          onWrite={(text) => bench.practice.write({ box: box.id, text })}
        />
      )}
      <div className="mt-3">
        <SelectField
          label="Go to"
          value={box.id}
          onChange={(e) => bench.practice.at(e.target.value)}
          className={classes("text-[14px]")}
        >
          {[...new Set(boxes.map((b) => b.test))].map((test) => (
            <optgroup key={test} label={test}>
              {boxes
                .filter((b) => b.test === test)
                .map((b) => (
                  <option key={b.id} value={b.id}>
                    {b.written === null ? "○" : "●"} {b.quantity}, {b.where}
                  </option>
                ))}
            </optgroup>
          ))}
        </SelectField>
      </div>
    </Pane>
  );
}

/** As the display shows it, with a plain space. */
function readingText(shown: string | null): string {
  return (shown ?? "").replace("\u2009", " ");
}

function Write({
  initial,
  unit,
  shown,
  onWrite,
}: {
  initial: string;
  unit: string;
  shown: string;
  onWrite: (text: string) => void;
}) {
  const [text, setText] = useState(initial);
  return (
    <form
      className="mt-2 flex flex-wrap items-end gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        onWrite(text);
      }}
    >
      <TextField
        label={unit ? `Write it, ${unit}` : "Write it"}
        value={text}
        onChange={(e) => setText(e.target.value)}
        className="min-w-0 flex-1 basis-24"
        autoComplete="off"
      />
      <Button onClick={() => onWrite(text)} disabled={text === initial}>
        Keep
      </Button>
      {shown && (
        <Button shortcut="W" onClick={() => onWrite(shown)}>
          Write {shown}
        </Button>
      )}
    </form>
  );
}
