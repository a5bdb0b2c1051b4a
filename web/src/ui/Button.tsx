import type { ButtonHTMLAttributes, ReactNode, Ref } from "react";
import { classes } from "./classes";
import { KeyCap } from "./KeyCap";

interface Props extends ButtonHTMLAttributes<HTMLButtonElement> {
  /** "main" is the one thing to do next; default "plain" */
  kind?: "main" | "plain" | "quiet";
  /** shown on the button; the listening is done by whoever owns the page */
  shortcut?: string;
  /** for hands at a rig: 48 px */
  large?: boolean;
  ref?: Ref<HTMLButtonElement>;
  children: ReactNode;
}

const KINDS = {
  main: "bg-work text-on-work border-work hover:brightness-110",
  plain: "bg-sheet text-work border-work hover:bg-work-soft",
  quiet: "bg-transparent text-ink2 border-transparent hover:text-ink hover:bg-work-soft",
};

export function Button({ kind = "plain", shortcut, large, className, children, ...rest }: Props) {
  return (
    <button
      type="button"
      {...rest}
      className={classes(
        "inline-flex items-center justify-center gap-2 rounded-md border font-semibold",
        // forced colours take the fill away that tells what is pressed
        "forced-colors:aria-pressed:underline forced-colors:aria-pressed:decoration-2",
        "disabled:opacity-55 disabled:hover:brightness-100",
        large ? "min-h-12 px-5 text-[18px]" : "min-h-10 px-3",
        KINDS[kind],
        className,
      )}
    >
      {children}
      {shortcut && <KeyCap>{shortcut}</KeyCap>}
    </button>
  );
}
