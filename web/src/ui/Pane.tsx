import type { ReactNode } from "react";
import { classes } from "./classes";

interface Props {
  title?: ReactNode;
  /** quieter words after the title */
  aside?: ReactNode;
  /** a coloured wall on the left: something to look at */
  wall?: "caution" | "plum" | "work" | undefined;
  className?: string;
  children: ReactNode;
}

const WALLS = {
  caution: "border-l-4 border-l-caution",
  plum: "border-l-4 border-l-plum",
  work: "border-l-4 border-l-work",
};

/** A square-cornered sheet with a hairline. */
export function Pane({ title, aside, wall, className, children }: Props) {
  return (
    <section className={classes("border border-line bg-sheet p-4", wall && WALLS[wall], className)}>
      {title && (
        <h2 className="mb-2 font-bold">
          {title} {aside && <span className="font-semibold text-ink2">{aside}</span>}
        </h2>
      )}
      {children}
    </section>
  );
}
