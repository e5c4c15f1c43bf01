import { useVirtualizer } from "@tanstack/react-virtual";
import { ListTree, Plus } from "lucide-react";
import { useEffect, useMemo, useRef, useState, type KeyboardEvent } from "react";
import { useDocument, useSession } from "../../document/context";
import { branchEnd, levelAt } from "../../outline/outline";
import { visibleRows, type Row } from "../../outline/rows";
import { treeIntent } from "../../outline/tree-keys";
import { Menu } from "../../parts/menu";
import { DropMark } from "./drop-mark";
import { ROW_HEIGHT } from "./geometry";
import { OutlineRow } from "./outline-row";
import { insertSection, onBranch } from "./row-commands";
import { useRowDrag } from "./use-row-drag";

const PADDING = 8;

/** The outline as a stem with branches, after the tree view pattern of the WAI-ARIA Authoring Practices. */
export function OutlinePanel() {
  const session = useSession("OutlinePanel");
  const outline = useDocument("OutlinePanel", (state) => state.outline);
  const folded = useDocument("OutlinePanel", (state) => state.folded);
  const current = useDocument("OutlinePanel", (state) => state.current);
  const rows = useMemo(() => visibleRows(outline, folded), [outline, folded]);
  const scroller = useRef<HTMLDivElement>(null);
  const [active, setActive] = useState<string | null>(null);
  const [renaming, setRenaming] = useState<string | null>(null);
  const [menu, setMenu] = useState<string | null>(null);
  const drag = useRowDrag(session, rows, scroller);

  const activeId = active !== null && rows.some((row) => row.id === active) ? active : nearestShown(rows, outline, current);
  const activeIndex = rows.findIndex((row) => row.id === activeId);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW_HEIGHT,
    overscan: 12,
    paddingStart: PADDING,
    paddingEnd: 48,
    getItemKey: (index) => rows[index]?.id ?? index,
  });

  useEffect(() => {
    setActive(current);
    const shown = rows.findIndex((row) => row.id === nearestShown(rows, outline, current));
    const box = scroller.current;
    const top = PADDING + shown * ROW_HEIGHT;
    const isInView = box !== null && top >= box.scrollTop && top + ROW_HEIGHT <= box.scrollTop + box.clientHeight;
    if (shown >= 0 && !isInView) virtual.scrollToIndex(shown, { align: "center" });
    // Only a new place moves the outline; folding or renaming must leave it where it is.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [current]);

  const activate = (index: number) => {
    const row = rows[Math.max(0, Math.min(rows.length - 1, index))];
    if (!row) return;
    setActive(row.id);
    virtual.scrollToIndex(row ? rows.indexOf(row) : 0, { align: "auto" });
  };

  const pressed = (event: KeyboardEvent) => {
    const row = rows[activeIndex];
    const intent = treeIntent(event);
    if (!row || !intent || event.target !== event.currentTarget) return;
    event.preventDefault();
    switch (intent.kind) {
      case "go":
        return go(row, intent.to);
      case "open":
        return session.goTo({ section: row.id });
      case "menu":
        return setMenu(row.id);
      case "rename":
        return row.level > 0 ? setRenaming(row.id) : undefined;
      case "find":
        return find(intent.letter);
      case "operation":
        return void onBranch(session, row, intent.name).then(setActive);
      case "insert":
        return void insertSection(session, row, intent.landing).then((made) => made && (setActive(made), setRenaming(made)));
      default:
        return intent satisfies never;
    }
  };

  const go = (row: Row, to: "previous" | "next" | "first" | "last" | "in" | "out") => {
    if (to === "in" && row.folded) return session.setFolded(row.id, false);
    if (to === "in") return row.hasInside ? activate(activeIndex + 1) : undefined;
    if (to === "out" && row.hasInside && !row.folded) return session.setFolded(row.id, true);
    if (to === "out") return row.parentLevel > 0 ? activate(rows.findLastIndex((each, index) => index < activeIndex && each.level < row.level)) : undefined;
    return activate({ previous: activeIndex - 1, next: activeIndex + 1, first: 0, last: rows.length - 1 }[to]);
  };

  const find = (letter: string) => {
    const order = [...rows.slice(activeIndex + 1), ...rows.slice(0, activeIndex + 1)];
    const found = order.find((row) => session.state.facts.get(row.id)?.heading.toLocaleLowerCase().startsWith(letter.toLocaleLowerCase()));
    if (found) activate(rows.indexOf(found));
  };

  const foldTo = (level: number) => session.setFoldedAll(outline.ids.filter((_id, position) => levelAt(outline, position) >= level && branchEnd(outline, position) > position + 1));
  const deepest = Math.max(1, ...Array.from(new Set(outline.levels), Number));

  return (
    <aside aria-label="Outline" className="relative hidden min-h-0 grid-rows-[minmax(0,1fr)_auto] md:grid">
      <div
        ref={scroller}
        role="tree"
        aria-label="Outline of the document"
        aria-activedescendant={renaming === null && activeId ? `row-${activeId}` : undefined}
        tabIndex={0}
        onKeyDown={pressed}
        className="outline-tree min-h-0 overflow-auto pl-0 focus-visible:outline-offset-[-2px]"
      >
        <div role="presentation" className="relative" style={{ height: virtual.getTotalSize() }}>
          {virtual.getVirtualItems().map((item) => {
            const row = rows[item.index];
            return (
              row && (
                <div key={item.key} role="presentation" className="absolute inset-x-0" style={{ top: item.start }}>
                  <OutlineRow
                    row={row}
                    isFirst={item.index === 0}
                    isActive={row.id === activeId}
                    isRenaming={row.id === renaming}
                    menuOpen={row.id === menu}
                    onMenu={(open) => (setMenu(open ? row.id : null), open || scroller.current?.focus())}
                    onRenaming={(next) => (setRenaming(next ? row.id : null), next || scroller.current?.focus())}
                  />
                </div>
              )
            );
          })}
          {drag.kind === "over" && <DropMark place={drag.place} rows={rows} sentence={drag.sentence} possible={drag.possible} top={PADDING + drag.place.gap * ROW_HEIGHT} />}
        </div>
      </div>
      <div className="flex items-center gap-1 px-3 py-2 text-soft">
        <button
          type="button"
          className="flex h-7 items-center gap-1.5 rounded-full px-2.5 hover:bg-wash hover:text-ink"
          onClick={() => {
            const row = rows[activeIndex];
            if (row) void insertSection(session, row, "after").then((made) => made && session.goTo({ section: made, position: 1 }));
            else void session.perform({ name: "insert" });
          }}
        >
          <Plus size={14} strokeWidth={1.8} aria-hidden="true" /> Section
        </button>
        <span className="flex-1" />
        <Menu
          label="Show levels"
          align="end"
          entries={[
            { label: "Unfold everything", run: () => session.setFoldedAll([]) },
            ...Array.from({ length: Math.max(0, deepest - 1) }, (_, index) => ({ label: index === 0 ? "Show level 1 only" : `Show levels 1 to ${index + 1}`, run: () => foldTo(index + 1) })),
          ]}
        >
          <button type="button" className="flex h-7 items-center gap-1.5 rounded-full px-2.5 hover:bg-wash hover:text-ink">
            <ListTree size={14} strokeWidth={1.6} aria-hidden="true" /> Levels
          </button>
        </Menu>
      </div>
    </aside>
  );
}

/** The section itself, or the folded branch it is hidden in. */
function nearestShown(rows: readonly Row[], outline: { ids: readonly string[] }, id: string | null): string | null {
  const position = id === null ? 0 : outline.ids.indexOf(id);
  return rows.findLast((row) => row.position <= position)?.id ?? rows[0]?.id ?? null;
}
