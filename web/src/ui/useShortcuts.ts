import { useEffect, useRef } from "react";

/**
 * Single keys that do something on this page. Silent while somebody types in a box, or a dialog is open.
 * @param keys key as the keyboard names it → what to do
 */
export function useShortcuts(keys: Record<string, () => void>): void {
  const latest = useRef(keys);
  useEffect(() => {
    latest.current = keys;
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      const typing =
        /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName) && target.getAttribute("type") !== "range";
      if (typing || event.ctrlKey || event.metaKey || event.altKey || document.querySelector("[role=dialog]"))
        return;
      const act = latest.current[event.key];
      if (act) {
        event.preventDefault();
        act();
      }
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
}
