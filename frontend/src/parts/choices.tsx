import { RadioGroup } from "radix-ui";
import type { ReactNode } from "react";
import { cx } from "./cx";

type Props<T extends string> = {
  label: string;
  value: T;
  options: readonly { value: T; shows: ReactNode }[];
  /** How they lie beside each other. */
  className: string;
  look: "card" | "pill";
  /** Of each. */
  itemClassName?: string;
  onChoose: (value: T) => void;
};

/** One of a few, all to be seen; the arrow keys go from one to the next, and Tab past them all. */
export function Choices<T extends string>({
  label,
  value,
  options,
  className,
  look,
  itemClassName,
  onChoose,
}: Props<T>) {
  return (
    <RadioGroup.Root
      aria-label={label}
      value={value}
      className={className}
      onValueChange={(chosen) => {
        const option = options.find((each) => each.value === chosen);
        if (option) onChoose(option.value);
      }}
    >
      {options.map((option) => {
        const isChosen = option.value === value;
        return (
          <RadioGroup.Item
            key={option.value}
            value={option.value}
            className={cx(
              look === "card"
                ? cx("rounded-lg border text-left", isChosen ? "border-stem bg-wash" : "border-line hover:border-twig")
                : cx(
                    "rounded-full px-2.5 py-0.5 hover:bg-wash hover:text-ink",
                    isChosen && "bg-wash font-semibold text-stem",
                  ),
              itemClassName,
            )}
          >
            {option.shows}
          </RadioGroup.Item>
        );
      })}
    </RadioGroup.Root>
  );
}
