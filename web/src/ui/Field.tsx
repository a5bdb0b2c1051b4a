import { type InputHTMLAttributes, type ReactNode, type SelectHTMLAttributes, useId } from "react";
import { classes } from "./classes";

const BOX = "w-full rounded-md border border-ink2 bg-sheet px-3 text-ink";

interface InputProps extends InputHTMLAttributes<HTMLInputElement> {
  label: string;
  large?: boolean;
}

export function TextField({ label, large, className, ...rest }: InputProps) {
  const id = useId();
  return (
    <div className={className}>
      <label htmlFor={id} className="mb-1 block font-semibold">
        {label}
      </label>
      <input id={id} {...rest} className={classes(BOX, large ? "min-h-12 text-[18px]" : "min-h-10")} />
    </div>
  );
}

interface SelectProps extends SelectHTMLAttributes<HTMLSelectElement> {
  label: string;
  large?: boolean;
  children: ReactNode;
}

export function SelectField({ label, large, className, children, ...rest }: SelectProps) {
  const id = useId();
  return (
    <div className={className}>
      <label htmlFor={id} className="mb-1 block font-semibold">
        {label}
      </label>
      <select id={id} {...rest} className={classes(BOX, large ? "min-h-12 text-[18px]" : "min-h-10")}>
        {children}
      </select>
    </div>
  );
}
