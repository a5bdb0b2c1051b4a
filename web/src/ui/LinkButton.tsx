import type { ReactNode } from "react";
import { Link } from "react-router";
import { classes } from "./classes";

interface Props {
  to: string;
  state?: unknown;
  /** "main" is the one thing to do next; default "plain" */
  kind?: "main" | "plain";
  children: ReactNode;
}

/** A link that looks like a button: it goes somewhere. */
export function LinkButton({ to, state, kind = "plain", children }: Props) {
  return (
    <Link
      to={to}
      state={state}
      className={classes(
        "inline-flex min-h-10 items-center justify-center rounded-md border border-work px-3 font-semibold",
        kind === "main"
          ? "bg-work text-on-work hover:brightness-110"
          : "bg-sheet text-work hover:bg-work-soft",
      )}
    >
      {children}
    </Link>
  );
}
