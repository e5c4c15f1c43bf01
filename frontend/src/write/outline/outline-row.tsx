import { draggable } from "@atlaskit/pragmatic-drag-and-drop/element/adapter";
import { Ellipsis } from "lucide-react";
import { DropdownMenu } from "radix-ui";
import { useEffect, useRef, useState } from "react";
import { useDocument, useSession } from "../../document/context";
import { flagsAt, UNNUMBERED } from "../../outline/outline";
import type { Row } from "../../outline/rows";
import { cx } from "../../parts/cx";
import { MenuContent } from "../../parts/menu";
import { figure } from "../../parts/words";
import { nodeX, ROW_HEIGHT } from "./geometry";
import { rowCommands } from "./row-commands";
import { Stem } from "./stem";

type Props = {
  row: Row;
  isActive: boolean;
  isRenaming: boolean;
  menuOpen: boolean;
  isFirst: boolean;
  onMenu: (open: boolean) => void;
  onRenaming: (renaming: boolean) => void;
};

/** One section in the outline. */
export function OutlineRow({ row, isActive, isRenaming, menuOpen, isFirst, onMenu, onRenaming }: Props) {
  const session = useSession("OutlineRow");
  const element = useRef<HTMLDivElement>(null);
  const heading = useDocument("OutlineRow", (state) => state.facts.get(row.id)?.heading ?? "");
  const number = useDocument("OutlineRow", (state) => state.numbers[row.position] ?? "");
  const words = useDocument("OutlineRow", (state) => state.branchWords[row.position] ?? state.facts.get(row.id)?.words ?? 0);
  const target = useDocument("OutlineRow", (state) => state.facts.get(row.id)?.target ?? null);
  const isCurrent = useDocument("OutlineRow", (state) => state.current === row.id);
  const isUnnumbered = useDocument("OutlineRow", (state) => (flagsAt(state.outline, row.position) & UNNUMBERED) !== 0);
  const name = heading || (row.level === 0 ? "Opening" : "No heading yet");
  const share = target ? Math.min(1, words / target) : words > 0 ? 1 : 0;

  useEffect(() => {
    if (!element.current || row.level === 0) return;
    return draggable({ element: element.current, canDrag: () => !isRenaming, getInitialData: () => ({ section: row.id }) });
  }, [row.id, row.level, isRenaming]);

  return (
    <div
      ref={element}
      id={`row-${row.id}`}
      role="treeitem"
      aria-level={Math.max(1, row.level)}
      aria-setsize={row.setSize}
      aria-posinset={row.positionInSet}
      aria-expanded={row.hasInside ? !row.folded : undefined}
      aria-selected={isActive}
      aria-current={isCurrent ? "location" : undefined}
      aria-label={[number, name, words > 0 ? `${figure(words)} words` : "no text yet"].filter(Boolean).join(", ")}
      className={cx("group relative flex items-center rounded-l-md pr-2", isCurrent && "bg-wash", isActive && "row-active")}
      style={{ height: ROW_HEIGHT, paddingLeft: nodeX(row.level) + 13 }}
      onClick={() => !isRenaming && session.goTo({ section: row.id })}
      onDoubleClick={() => row.level > 0 && onRenaming(true)}
    >
      <Stem row={row} share={share} lit={isCurrent} isFirst={isFirst} />
      {row.hasInside && (
        <span
          aria-hidden="true"
          className="absolute size-5 cursor-pointer rounded-full hover:bg-lit/60"
          style={{ left: nodeX(row.level) - 10, top: 3.5 }}
          title={row.folded ? "Unfold" : "Fold"}
          onClick={(event) => (event.stopPropagation(), session.setFolded(row.id, !row.folded))}
        />
      )}
      {isRenaming ? (
        <RenameField
          heading={heading}
          onDone={(next) => {
            onRenaming(false);
            if (next !== null && next !== heading) void session.perform({ name: "rename", section: row.id, heading: next });
          }}
        />
      ) : (
        <>
          {number && <span className="mr-2 text-xs text-faint tabular-nums">{number}</span>}
          <span
            className={cx(
              "flex-1 truncate",
              row.level <= 1 && "font-text text-sm font-semibold",
              isCurrent && "font-semibold text-stem",
              !heading && "text-faint italic",
              isUnnumbered && row.level === 1 && "font-medium",
            )}
            title={name}
          >
            {name}
          </span>
          <span className="pl-2 text-[11.5px] text-faint tabular-nums group-hover:invisible">{words > 0 ? figure(words) : "–"}</span>
          <DropdownMenu.Root modal={false} open={menuOpen} onOpenChange={onMenu}>
            <DropdownMenu.Trigger asChild>
              <button
                type="button"
                tabIndex={-1}
                aria-hidden="true"
                className="absolute right-1 grid size-6 place-items-center rounded-full text-soft opacity-0 group-hover:opacity-100 hover:bg-lit data-[state=open]:opacity-100"
                onClick={(event) => event.stopPropagation()}
              >
                <Ellipsis size={14} />
              </button>
            </DropdownMenu.Trigger>
            <MenuContent label={`Commands for ${name}`} entries={rowCommands(session, row, () => onRenaming(true))} />
          </DropdownMenu.Root>
        </>
      )}
    </div>
  );
}

function RenameField({ heading, onDone }: { heading: string; onDone: (next: string | null) => void }) {
  const [words, setWords] = useState(heading);
  const done = useRef(false);
  const finish = (next: string | null) => {
    if (done.current) return;
    done.current = true;
    onDone(next);
  };
  return (
    <input
      autoFocus
      aria-label="Heading"
      value={words}
      onFocus={(event) => event.target.select()}
      onChange={(event) => setWords(event.target.value)}
      onClick={(event) => event.stopPropagation()}
      onBlur={() => finish(words.trim())}
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key === "Enter") finish(words.trim());
        if (event.key === "Escape") finish(null);
      }}
      className="min-w-0 flex-1 rounded border border-twig bg-sheet px-1.5 py-0.5"
    />
  );
}
