/** "10:42" today, "23 Nov 2026, 10:42" on other days. */
export function clock(iso: string | null | undefined, now = new Date()): string {
  if (!iso) return "";
  const at = new Date(iso);
  const time = at.toLocaleTimeString("en-GB", { hour: "2-digit", minute: "2-digit" });
  if (at.toDateString() === now.toDateString()) return time;
  return `${at.toLocaleDateString("en-GB", { day: "numeric", month: "short", year: "numeric" })}, ${time}`;
}

/** "23 Nov 2026", of a moment or of a day. */
export function day(iso: string): string {
  return new Date(iso).toLocaleDateString("en-GB", { day: "numeric", month: "short", year: "numeric" });
}
