import type { ReactNode } from "react";

export function KeyCap({ children }: { children: ReactNode }) {
  return (
    <kbd className="rounded border border-line bg-sheet px-1.5 font-sans text-[12px] leading-5 text-ink2">
      {children}
    </kbd>
  );
}
