import { DropdownMenu } from "radix-ui";
import type { ReactNode } from "react";
import { cx } from "./cx";

export type MenuEntry = { label: string; keys?: string; tone?: "loss"; run: () => void } | "line";

type ContentProps = {
  label: string;
  entries: readonly MenuEntry[];
  align?: "start" | "end";
  /** Takes the focus when the menu has closed; without it the sign that opened the menu does. */
  onClosed?: () => void;
};

/** A list of commands that opens where the hand is. */
export function MenuContent({ label, entries, align = "start", onClosed }: ContentProps) {
  return (
    <DropdownMenu.Portal>
      <DropdownMenu.Content
        aria-label={label}
        align={align}
        sideOffset={4}
        collisionPadding={12}
        // Drawn elsewhere, it still tells its parents of a click, and one of them may be a row that goes where it is clicked.
        onClick={(event) => event.stopPropagation()}
        onCloseAutoFocus={(event) => onClosed && (event.preventDefault(), onClosed())}
        className="z-50 max-h-[min(70vh,var(--radix-dropdown-menu-content-available-height))] min-w-60 overflow-auto rounded-xl border border-line bg-sheet p-1.5 shadow-lg"
      >
        {entries.map((entry, index) =>
          entry === "line" ? (
            <DropdownMenu.Separator key={index} className="my-1 h-px bg-line" />
          ) : (
            <DropdownMenu.Item
              key={entry.label}
              onSelect={entry.run}
              className={cx(
                "flex cursor-pointer items-center gap-6 rounded-lg px-3 py-1.5 outline-none data-highlighted:bg-wash",
                entry.tone === "loss" && "text-loss",
              )}
            >
              <span className="flex-1">{entry.label}</span>
              {entry.keys && <kbd className="font-sans text-[11.5px] text-faint">{entry.keys}</kbd>}
            </DropdownMenu.Item>
          ),
        )}
      </DropdownMenu.Content>
    </DropdownMenu.Portal>
  );
}

export function Menu({
  label,
  entries,
  children,
  align = "start",
}: {
  label: string;
  entries: readonly MenuEntry[];
  children: ReactNode;
  align?: "start" | "end";
}) {
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger asChild>{children}</DropdownMenu.Trigger>
      <MenuContent label={label} entries={entries} align={align} />
    </DropdownMenu.Root>
  );
}
