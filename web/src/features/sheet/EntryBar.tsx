import { useMutation, useQuery } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { api, data, deed, newEventId } from "../../api/client";
import { Button } from "../../ui/Button";
import { Dialog } from "../../ui/Dialog";
import { TextField } from "../../ui/Field";
import { ProblemNote } from "../../ui/States";
import { kept } from "../../ui/kept";
import { nextBox, typeInto } from "./typing";

/** px below a box, for the note that it cannot be read and what was meant */
const ROOM = 96;
const DIGITS = ["7", "8", "9", "4", "5", "6", "1", "2", "3", ".", "0", ">"];

/** What is at hand for the box one is in: its one-key words, and on a tablet the digits. */
interface Props {
  /** whose boxes may be taken over from the bay's tester; undefined where they are written by hand */
  sheet?: string | undefined;
  /** where it goes on after the last box that is shown */
  onward?: { label: string; go: () => void } | undefined;
}

export function EntryBar({ sheet, onward }: Props) {
  const [box, setBox] = useState<HTMLInputElement | null>(null);
  const [, setText] = useState("");
  const [asking, setAsking] = useState(false);
  const [reason, setReason] = useState("");
  const [pad, setPad] = useState(() =>
    kept.read("digits") === null ? matchMedia("(pointer: coarse)").matches : kept.read("digits") === "shown",
  );

  useEffect(() => {
    const came = (e: FocusEvent) => {
      const input = e.target instanceof HTMLInputElement && "reading" in e.target.dataset ? e.target : null;
      if (input) setBox(input);
    };
    const typed = (e: Event) => {
      // the range is chosen here too: a render in between would take its choice back
      if (e.target instanceof HTMLInputElement) setText(e.target.value);
    };
    document.addEventListener("focusin", came);
    document.addEventListener("input", typed);
    return () => {
      document.removeEventListener("focusin", came);
      document.removeEventListener("input", typed);
    };
  }, []);

  const bar = useRef<HTMLDivElement>(null);
  const shown = box !== null && box.isConnected && !box.disabled;
  // a box and what is said of it stand above the keys, never behind them
  useEffect(() => {
    if (!shown) return;
    const root = document.documentElement;
    root.style.scrollPaddingBottom = `${(bar.current?.offsetHeight ?? 0) + ROOM}px`;
    box.scrollIntoView?.({ block: "nearest" });
    return () => {
      root.style.scrollPaddingBottom = "";
    };
  }, [box, shown, pad]);

  const slot = box?.id.replace(/^box-/, "") ?? "";
  const ranges = useQuery({
    queryKey: ["ranges", sheet, slot],
    enabled: sheet !== undefined && slot !== "",
    staleTime: Infinity,
    queryFn: () =>
      data(api.GET("/api/my/sheets/{id}/ranges", { params: { path: { id: sheet ?? "" }, query: { slot } } })),
  });
  // like a knob: it stays where it is for the next box, where that has such a range
  const [knob, setKnob] = useState("");
  const range = ranges.data?.includes(knob) ? knob : "";
  const take = useMutation({
    mutationFn: (slot: string) =>
      deed(["take", sheet, slot, newEventId()], (eventId) =>
        data(
          api.POST("/api/my/sheets/{id}/take", {
            params: { path: { id: sheet ?? "" } },
            body: { eventId, slot, range: range || null },
          }),
        ),
      ),
  });

  if (!box || !shown) return null;
  const keys = JSON.parse(box.dataset.keys ?? "[]") as string[];
  const write = (value: string) => {
    typeInto(box, value);
    box.focus();
  };
  const go = () => {
    const next = nextBox(box);
    box.blur();
    if (next) {
      next.focus();
      next.select();
    } else onward?.go();
  };
  const oneKey = (value: string) => {
    write(value);
    // the box hears what was typed before it is left
    setTimeout(go);
  };
  const after = nextBox(box)?.dataset.short ?? onward?.label;
  const press = { onPointerDown: (e: React.PointerEvent) => e.preventDefault() };

  return (
    <div
      ref={bar}
      className="sticky bottom-0 z-10 -mx-3 mt-4 border-t-2 border-work bg-raised px-3 py-2 sm:mx-0"
      role="group"
      aria-label="Keys for the box at hand"
    >
      <div className="flex flex-wrap items-center gap-2">
        <span className="min-w-[200px] flex-1 text-[16px]">
          <b>{box.getAttribute("aria-label")}</b>
          <span className="ml-2 text-[19px] tabular-nums">{box.value}</span>
        </span>
        {sheet && (ranges.data?.length ?? 0) > 1 && (
          <label className="flex items-center gap-2 text-ink2">
            range
            <select
              className="min-h-12 rounded-md border border-ink2 bg-sheet px-2 text-[16px] text-ink"
              value={range}
              onChange={(e) => {
                setKnob(e.target.value);
                box.focus();
              }}
            >
              <option value="">auto</option>
              {ranges.data?.map((r) => (
                <option key={r}>{r}</option>
              ))}
            </select>
          </label>
        )}
        {sheet && (
          <Button
            large
            {...press}
            disabled={take.isPending}
            onClick={() => take.mutate(slot, { onSuccess: (t) => oneKey(t.text) })}
          >
            {take.isPending ? "reading…" : "Take from tester"}
          </Button>
        )}
        {keys.map((key) => (
          <Button key={key} large {...press} onClick={() => oneKey(key)}>
            {key}
          </Button>
        ))}
        {keys.length > 0 && (
          <Button kind="quiet" large {...press} onClick={() => setAsking(true)}>
            not tested…
          </Button>
        )}
        <Button
          kind="quiet"
          large
          {...press}
          aria-pressed={pad}
          onClick={() => {
            kept.write("digits", pad ? "hidden" : "shown");
            setPad(!pad);
          }}
        >
          {pad ? "hide digits" : "digits"}
        </Button>
        <Button kind="main" large {...press} onClick={go}>
          {after ? `next: ${after}` : "next"}
        </Button>
      </div>
      <ProblemNote error={take.error} />
      {pad && (
        <div className="mx-auto mt-2 grid max-w-[420px] grid-cols-4 gap-2" aria-label="Digits" role="group">
          {DIGITS.map((d, i) => (
            <Button
              key={d}
              large
              {...press}
              className={i % 3 === 0 ? "col-start-1" : ""}
              onClick={() => write(box.value + d)}
            >
              {d}
            </Button>
          ))}
          <Button
            large
            {...press}
            aria-label="delete"
            className="col-start-4 row-start-1 row-span-2"
            onClick={() => write(box.value.slice(0, -1))}
          >
            ⌫
          </Button>
          <Button
            large
            {...press}
            aria-label="clear"
            className="col-start-4 row-start-3 row-span-2"
            onClick={() => write("")}
          >
            clear
          </Button>
        </div>
      )}
      <Dialog
        open={asking}
        onClose={() => setAsking(false)}
        title="Not tested: why?"
        about="The reason stands on your sheet. Where every box can be tested it excuses nothing."
      >
        <TextField
          label="Reason"
          large
          maxLength={120}
          value={reason}
          onChange={(e) => setReason(e.target.value)}
        />
        <div className="mt-3 flex justify-end gap-2">
          <Button large onClick={() => setAsking(false)}>
            Back
          </Button>
          <Button
            kind="main"
            large
            disabled={reason.trim().length < 3}
            onClick={() => {
              setAsking(false);
              setReason("");
              setTimeout(() => oneKey(`not tested: ${reason.trim()}`));
            }}
          >
            Write it
          </Button>
        </div>
      </Dialog>
    </div>
  );
}
