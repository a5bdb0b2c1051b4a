import { useEffect, useState } from "react";
import { parseRig, type RigJson } from "./rigJson";

const PREFIX = "prantel-rig-draft:";

/** A draft kept in this browser, so that a reload or a closed tab loses nothing. */
export function keptDraft(name: string): RigJson | null {
  const text = localStorage.getItem(PREFIX + name);
  return text ? parseRig(text) : null;
}

export function forgetDraft(name: string): void {
  localStorage.removeItem(PREFIX + name);
}

/** Keeps the draft while it differs from what it started as. */
export function useKeepDraft(name: string, rig: RigJson, changed: boolean): void {
  useEffect(() => {
    if (changed) localStorage.setItem(PREFIX + name, JSON.stringify(rig));
  }, [name, rig, changed]);
}

/** The value as it was a moment ago: asks the server once the hands rest. */
export function useSettled<T>(value: T, millis: number): T {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(value), millis);
    return () => clearTimeout(timer);
  }, [value, millis]);
  return settled;
}
