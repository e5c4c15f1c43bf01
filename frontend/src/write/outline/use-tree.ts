import { useEffect, useMemo, useRef, useState, type KeyboardEvent, type MouseEvent, type RefObject } from "react";
import { useVirtualizer } from "@tanstack/react-virtual";
import { useDocument, useSession } from "../../document/context";
import { foldsTo, nextOverview } from "../../outline/overview";
import { actedOn, stretched, toggled } from "../../outline/picks";
import { narrowedRows, visibleRows, type Row } from "../../outline/rows";
import { treeIntent } from "../../outline/tree-keys";
import { PADDING, ROW_HEIGHT } from "./geometry";
import { insertSection, onBranches } from "./row-commands";
import { useRowDrag } from "./use-row-drag";

const NO_FOLDS: ReadonlySet<string> = new Set();

/**
 * What the outline and the Arrange table share: their rows, the one that has the keys, picking, the keys and the drag.
 *
 * @param does what Enter opens, what a plain click visits, and where the filter is written
 */
export function useTree(scroller: RefObject<HTMLDivElement | null>, filter: string, does: { open: (id: string) => void; visit: (id: string) => void; filter: () => void }) {
  const session = useSession("useTree");
  const outline = useDocument("useTree", (state) => state.outline);
  const folded = useDocument("useTree", (state) => state.folded);
  const current = useDocument("useTree", (state) => state.current);
  const picked = useDocument("useTree", (state) => state.picked);
  const facts = useDocument("useTree", (state) => (filter === "" ? null : state.facts));
  const rows = useMemo(() => (facts === null ? visibleRows(outline, folded) : narrowedRows(outline, filter, (id) => facts.get(id)?.heading ?? "")), [outline, folded, facts, filter]);
  const [active, setActive] = useState<string | null>(null);
  const [renaming, setRenaming] = useState<string | null>(null);
  const [menu, setMenu] = useState<string | null>(null);
  /** Where a range of picked rows began. */
  const anchor = useRef<string | null>(null);
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

  const activate = (index: number): Row | undefined => {
    const at = Math.max(0, Math.min(rows.length - 1, index));
    const row = rows[at];
    if (!row) return;
    setActive(row.id);
    virtual.scrollToIndex(at, { align: "auto" });
    return row;
  };

  const pressed = (event: KeyboardEvent) => {
    const row = rows[activeIndex];
    const intent = treeIntent(event);
    if (!intent || event.target !== event.currentTarget) return;
    if (intent.kind === "filter") return (event.preventDefault(), does.filter());
    if (!row) return;
    // Escape with nothing picked is left to what stands around the outline.
    if (intent.kind === "pick" && intent.what === "none" && picked.size === 0) return;
    event.preventDefault();
    switch (intent.kind) {
      case "go":
        return go(row, intent.to);
      case "open":
        return does.open(row.id);
      case "menu":
        return setMenu(row.id);
      case "rename":
        return row.level > 0 ? setRenaming(row.id) : undefined;
      case "find":
        return find(intent.letter);
      case "pick":
        return pick(row.id, intent.what);
      case "stretch":
        return stretch(row.id, activate({ previous: activeIndex - 1, next: activeIndex + 1, first: 0, last: rows.length - 1 }[intent.to])?.id ?? row.id);
      case "levels":
        return showLevels(intent.upTo);
      case "operation":
        return void onBranches(session, actedOn(picked, row.id), row.id, intent.name).then(setActive);
      case "insert":
        return void insertSection(session, row, intent.landing).then((made) => made && (setActive(made), setRenaming(made)));
      default:
        return intent satisfies never;
    }
  };

  const clicked = (row: Row, event: MouseEvent) => {
    setActive(row.id);
    if (event.shiftKey) return stretch(activeId ?? row.id, row.id);
    if (event.ctrlKey || event.metaKey) return pick(row.id, "this");
    anchor.current = null;
    session.pick([]);
    does.visit(row.id);
  };

  const pick = (id: string, what: "this" | "all" | "none") => {
    anchor.current = what === "this" ? id : null;
    session.pick({ this: () => toggled(picked, id), all: () => rows.map((row) => row.id), none: () => [] }[what]());
  };

  const stretch = (from: string, to: string) => {
    const start = anchor.current !== null && rows.some((row) => row.id === anchor.current) ? anchor.current : from;
    anchor.current = start;
    session.pick(stretched(rows, start, to));
  };

  const showLevels = (upTo: number | "all" | "next") => {
    const level = upTo === "next" ? nextOverview(outline, folded) : upTo;
    session.setFoldedAll(level === "all" ? NO_FOLDS : foldsTo(outline, level));
  };

  const go = (row: Row, to: "previous" | "next" | "first" | "last" | "in" | "out") => {
    if (to === "in" && row.folded) return session.setFolded(row.id, false);
    if (to === "in") return void (row.hasInside && activate(activeIndex + 1));
    if (to === "out" && row.hasInside && !row.folded && filter === "") return session.setFolded(row.id, true);
    if (to === "out") return void (row.parentLevel > 0 && activate(rows.findLastIndex((each, index) => index < activeIndex && each.level < row.level)));
    return void activate({ previous: activeIndex - 1, next: activeIndex + 1, first: 0, last: rows.length - 1 }[to]);
  };

  const find = (letter: string) => {
    const order = [...rows.slice(activeIndex + 1), ...rows.slice(0, activeIndex + 1)];
    const found = order.find((row) => session.state.facts.get(row.id)?.heading.toLocaleLowerCase().startsWith(letter.toLocaleLowerCase()));
    if (found) activate(rows.indexOf(found));
  };

  /** What a row needs to be told, whichever way it is drawn. */
  const propsOf = (row: Row) => ({
    row,
    isActive: row.id === activeId,
    isPicked: picked.has(row.id),
    isRenaming: row.id === renaming,
    menuOpen: row.id === menu,
    onClick: (event: MouseEvent) => clicked(row, event),
    onMenu: (open: boolean) => (setMenu(open ? row.id : null), open || scroller.current?.focus()),
    onRenaming: (next: boolean) => (setRenaming(next ? row.id : null), next || scroller.current?.focus()),
  });

  return { rows, virtual, drag, pressed, propsOf, showLevels, activeRow: rows[activeIndex], isRenaming: renaming !== null };
}

export type TreeRowProps = ReturnType<ReturnType<typeof useTree>["propsOf"]>;

/** The section itself, or the folded branch it is hidden in. */
function nearestShown(rows: readonly Row[], outline: { ids: readonly string[] }, id: string | null): string | null {
  const position = id === null ? 0 : outline.ids.indexOf(id);
  return rows.findLast((row) => row.position <= position)?.id ?? rows[0]?.id ?? null;
}
