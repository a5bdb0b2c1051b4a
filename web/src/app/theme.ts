import { useState } from "react";

export type Theme = "light" | "dim";

const KEY = "prantel-theme";

function stored(): Theme {
  const kept = localStorage.getItem(KEY);
  if (kept === "light" || kept === "dim") return kept;
  return matchMedia("(prefers-color-scheme: dark)").matches ? "dim" : "light";
}

export function applyStoredTheme(): void {
  document.documentElement.dataset.theme = stored();
}

/** The theme and a way to change to the other one; kept on this device. */
export function useTheme(): [Theme, () => void] {
  const [theme, setTheme] = useState<Theme>(stored);
  return [
    theme,
    () => {
      const other: Theme = theme === "light" ? "dim" : "light";
      localStorage.setItem(KEY, other);
      document.documentElement.dataset.theme = other;
      setTheme(other);
    },
  ];
}
