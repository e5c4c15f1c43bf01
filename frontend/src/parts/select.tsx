import { Check, ChevronDown } from "lucide-react";
import { Select as Radix } from "radix-ui";
import { cx } from "./cx";

export type SelectOption = { value: string; words: string };

/** One of a few values. The value that is chosen need not be among those offered; `words` then says what it is. */
export function Select({
  label,
  labelledBy,
  value,
  words,
  options,
  onChange,
  disabled = false,
  className,
}: {
  label?: string;
  labelledBy?: string;
  value: string;
  words?: string;
  options: readonly SelectOption[];
  onChange: (value: string) => void;
  disabled?: boolean;
  className?: string;
}) {
  const chosen = options.find((option) => option.value === value)?.words ?? words ?? "";
  return (
    <Radix.Root value={value} onValueChange={onChange} disabled={disabled}>
      <Radix.Trigger
        aria-label={label}
        aria-labelledby={labelledBy}
        className={cx(
          "flex items-center gap-1.5 rounded-lg border border-line bg-paper px-2.5 py-1 text-left text-ink hover:border-twig",
          className,
        )}
      >
        <span className="min-w-0 flex-1 truncate">
          <Radix.Value placeholder={words}>{chosen}</Radix.Value>
        </span>
        <ChevronDown size={13} strokeWidth={1.8} aria-hidden="true" className="shrink-0 text-faint" />
      </Radix.Trigger>
      <Radix.Portal>
        <Radix.Content
          position="popper"
          sideOffset={4}
          collisionPadding={12}
          className="z-[60] max-h-[min(60vh,var(--radix-select-content-available-height))] min-w-(--radix-select-trigger-width) overflow-hidden rounded-xl border border-line bg-sheet p-1.5 shadow-lg"
        >
          <Radix.Viewport>
            {options.map((option) => (
              <Radix.Item
                key={option.value}
                value={option.value}
                className="flex cursor-pointer items-center gap-4 rounded-lg px-3 py-1.5 outline-none data-highlighted:bg-wash"
              >
                <span className="flex-1">
                  <Radix.ItemText>{option.words}</Radix.ItemText>
                </span>
                <Radix.ItemIndicator>
                  <Check size={14} strokeWidth={1.8} aria-hidden="true" className="text-stem" />
                </Radix.ItemIndicator>
              </Radix.Item>
            ))}
          </Radix.Viewport>
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
