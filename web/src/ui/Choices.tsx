import { RadioGroup } from "radix-ui";
import { classes } from "./classes";

interface Props {
  label: string;
  value: string;
  options: { value: string; label: string; note?: string }[];
  onChange: (value: string) => void;
  large?: boolean;
}

/** One of a few, all in sight; arrow keys move. */
export function Choices({ label, value, options, onChange, large }: Props) {
  return (
    <RadioGroup.Root
      aria-label={label}
      value={value}
      onValueChange={onChange}
      className="flex flex-wrap gap-2"
    >
      {options.map((option) => (
        <RadioGroup.Item
          key={option.value}
          value={option.value}
          className={classes(
            "relative rounded-md border px-3 text-left",
            large ? "min-h-12 text-[18px]" : "min-h-10",
            "border-line bg-sheet hover:bg-work-soft",
            "data-[state=checked]:border-work data-[state=checked]:bg-work-soft data-[state=checked]:font-semibold",
          )}
        >
          <RadioGroup.Indicator className="absolute top-0 right-1 text-[11px] leading-4 text-work">
            <span aria-hidden="true">✓</span>
          </RadioGroup.Indicator>
          {option.label}
          {option.note && <span className="block text-[13px] font-normal text-ink2">{option.note}</span>}
        </RadioGroup.Item>
      ))}
    </RadioGroup.Root>
  );
}
