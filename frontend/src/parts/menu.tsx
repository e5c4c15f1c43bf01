import { ChevronRight } from "lucide-react";
import { ContextMenu, DropdownMenu } from "radix-ui";
import { useRef, useState, type CSSProperties, type ReactNode } from "react";
import { cx } from "./cx";
import { giveFocusBack } from "./focus";

export type MenuEntry =
  | {
      label: string;
      sign?: ReactNode;
      keys?: string;
      also?: string;
      tone?: "loss";
      /** How the label looks, where that says what it is for. */
      look?: CSSProperties;
      run: () => void;
    }
  | { label: string; entries: readonly MenuEntry[] }
  | "line";

type ContentProps = {
  label: string;
  entries: readonly MenuEntry[];
  align?: "start" | "end";
  /** Takes the focus when the menu has closed; without it the sign that opened the menu does. */
  onClosed?: () => void;
};

const BOX =
  "more-below z-50 max-w-[calc(100vw-24px)] min-w-60 overflow-auto rounded-xl border border-line p-1.5 shadow-lg max-h-[var(--radix-popper-available-height)]";
const ITEM = "flex cursor-pointer items-center gap-6 rounded-lg px-3 py-[5px] outline-none data-highlighted:bg-wash";

/** Who holds the right button for longer chooses by letting it go (milliseconds). */
const A_PRESS = 400;

/** Both kinds of menu have the same parts. */
type Kit = typeof DropdownMenu | typeof ContextMenu;

function Entries({ kit, entries }: { kit: Kit; entries: readonly MenuEntry[] }) {
  const { Item, Separator, Sub, SubTrigger, SubContent, Portal } = kit;
  return entries.map((entry, index) =>
    entry === "line" ? (
      <Separator key={index} className="my-1 h-px bg-line" />
    ) : "entries" in entry ? (
      <Sub key={entry.label}>
        <SubTrigger className={cx(ITEM, "data-[state=open]:bg-wash")}>
          <span className="flex-1">{entry.label}</span>
          <ChevronRight size={14} strokeWidth={1.8} aria-hidden="true" className="text-faint" />
        </SubTrigger>
        <Portal>
          <SubContent aria-label={entry.label} sideOffset={2} collisionPadding={12} className={BOX} onClick={stay}>
            <Entries kit={kit} entries={entry.entries} />
          </SubContent>
        </Portal>
      </Sub>
    ) : (
      <Item key={entry.label} onSelect={entry.run} className={cx(ITEM, entry.tone === "loss" && "text-loss")}>
        {entry.sign && (
          <span aria-hidden="true" className="-mr-3">
            {entry.sign}
          </span>
        )}
        <span className="flex-1" style={entry.look}>
          {entry.label}
        </span>
        {entry.keys && <kbd className="font-sans text-[11.5px] text-faint">{entry.keys}</kbd>}
      </Item>
    ),
  );
}

/** Drawn elsewhere, a menu still tells its parents of a click, and one of them may be a row that goes where it is clicked. */
const stay = (event: { stopPropagation(): void }) => event.stopPropagation();

/** A list of commands that opens beside the sign that was pressed. */
export function MenuContent({ label, entries, align = "start", onClosed }: ContentProps) {
  return (
    <DropdownMenu.Portal>
      <DropdownMenu.Content
        aria-label={label}
        // The library names the menu after the sign that opens it, which may have no words of its own.
        aria-labelledby={undefined}
        align={align}
        sideOffset={4}
        collisionPadding={12}
        onClick={stay}
        onCloseAutoFocus={(event) => onClosed && (event.preventDefault(), onClosed())}
        className={BOX}
      >
        <Entries kit={DropdownMenu} entries={entries} />
      </DropdownMenu.Content>
    </DropdownMenu.Portal>
  );
}

/** The same entries; each says when it is run. */
function told(entries: readonly MenuEntry[], say: () => void): MenuEntry[] {
  return entries.map((entry) =>
    entry === "line"
      ? entry
      : "entries" in entry
        ? { ...entry, entries: told(entry.entries, say) }
        : { ...entry, run: () => (say(), entry.run()) },
  );
}

export function Menu({
  label,
  entries,
  children,
  align = "start",
  onClosed,
}: ContentProps & {
  children: ReactNode;
}) {
  const trigger = useRef<HTMLButtonElement>(null);
  const [isDone, setDone] = useState(false);
  const closed = () => {
    // Left without a command, the menu gives the keys back to its sign; after one, they are where the writer was.
    if (!isDone) return trigger.current?.focus();
    setDone(false);
    if (document.activeElement === trigger.current) trigger.current?.blur();
    giveFocusBack();
  };
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger asChild ref={trigger}>
        {children}
      </DropdownMenu.Trigger>
      <MenuContent
        label={label}
        entries={told(entries, () => setDone(true))}
        align={align}
        onClosed={onClosed ?? closed}
      />
    </DropdownMenu.Root>
  );
}

/**
 * The commands of whatever the right mouse button was pressed on. With Shift held, the browser's own menu opens, which
 * knows the misspelt word.
 *
 * @param menuAt what stands at a place; null for the browser's own menu
 */
export function UnderHand({
  menuAt,
  onClosed,
  children,
}: {
  menuAt: (target: Element) => { label: string; entries: readonly MenuEntry[] } | null;
  onClosed: () => void;
  children: ReactNode;
}) {
  const [menu, setMenu] = useState<ReturnType<typeof menuAt>>(null);
  const pressed = useRef(0);
  return (
    <ContextMenu.Root modal={false}>
      <ContextMenu.Trigger
        asChild
        onContextMenu={(event) => {
          const found = event.shiftKey || !(event.target instanceof Element) ? null : menuAt(event.target);
          setMenu(found);
          pressed.current = event.timeStamp;
          // What Radix does not hear of, it does not keep from the browser.
          if (found === null) event.stopPropagation();
        }}
      >
        {children}
      </ContextMenu.Trigger>
      {menu && (
        <ContextMenu.Portal>
          <ContextMenu.Content
            aria-label={menu.label}
            collisionPadding={12}
            onClick={stay}
            // Where there is little room the menu lies under the hand; the press that opened it chooses nothing when it ends.
            onPointerUpCapture={(event) => {
              if (event.button === 2 && event.timeStamp - pressed.current < A_PRESS) event.preventDefault();
            }}
            onCloseAutoFocus={(event) => (event.preventDefault(), onClosed())}
            className={cx("hand-menu", BOX)}
          >
            <Entries kit={ContextMenu} entries={menu.entries} />
          </ContextMenu.Content>
        </ContextMenu.Portal>
      )}
    </ContextMenu.Root>
  );
}
