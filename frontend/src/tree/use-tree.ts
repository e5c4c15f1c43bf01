import {
  useCallback,
  useEffect,
  useMemo,
  useRef,
  useState,
  type KeyboardEvent,
  type MouseEvent,
  type RefObject,
} from "react";
import { defaultRangeExtractor, useVirtualizer, type Range } from "@tanstack/react-virtual";
import { useDocument, useSession, useWindow } from "../document/context";
import type { OutlineCommand } from "../keys/commands";
import { sectionName } from "../document/section-name";
import { nameOf } from "../outline/names";
import { branchEnd } from "../outline/outline";
import { foldsTo, nextOverview } from "../outline/overview";
import { stretched, toggled } from "../outline/picks";
import { isFiltering, narrowedRows, visibleRows, type Row, type RowFilter } from "../outline/rows";
import { treeIntent } from "../outline/tree-keys";
import { PADDING, ROW_HEIGHT } from "./geometry";
import { insertSection, runOnBranch, rowCommands } from "./row-commands";
import { useRowDrag } from "./use-row-drag";

const LANDINGS = { "insert-before": "before", "insert-after": "after", "insert-inside": "inside" } as const;
const rowHeight = () => ROW_HEIGHT;
const NO_FOLDS: ReadonlySet<string> = new Set();
const NOTHING: readonly (readonly [number, number])[] = [];

/**
 * What the outline and the Arrange table share: their rows, the one that has the keys, picking, the keys and the drag.
 *
 * @param does what Enter opens, what a plain click visits, and where the filter is written
 */
export function useTree(
  scroller: RefObject<HTMLDivElement | null>,
  filter: RowFilter,
  does: { open: (id: string) => void; visit: (id: string) => void; filter: () => void },
) {
  const session = useSession("useTree");
  const outline = useDocument("useTree", (state) => state.outline);
  const folded = useWindow("useTree", (state) => state.folded);
  const current = useWindow("useTree", (state) => state.current);
  const picked = useWindow("useTree", (state) => state.picked);
  const facts = useDocument("useTree", (state) => (isFiltering(filter) ? state.facts : null));
  const names = useDocument("useTree", (state) => (isFiltering(filter) ? state.names : null));
  const rows = useMemo(
    () =>
      facts === null
        ? visibleRows(outline, folded)
        : narrowedRows(outline, filter, (id) => ({
            words: nameOf(id, facts.get(id)?.heading ?? "", names ?? new Map()),
            stage: facts.get(id)?.stage ?? "",
          })),
    [outline, folded, facts, names, filter],
  );
  const [active, setActive] = useState<string | null>(null);
  const [renaming, setRenaming] = useState<string | null>(null);
  const [menu, setMenu] = useState<string | null>(null);
  /** Where a range of picked rows began. */
  const anchor = useRef<string | null>(null);
  /** The row that was clicked last. */
  const chosen = useRef<string | null>(null);
  const drag = useRowDrag(session, rows, scroller);

  const places = useMemo(() => new Map(rows.map((row, index) => [row.id, index])), [rows]);
  const currentIndex = useMemo(() => nearestShown(rows, outline, current), [rows, outline, current]);
  const activeIndex = places.get(active ?? "") ?? currentIndex;
  const activeId = rows[activeIndex]?.id ?? null;
  // The same function for as long as the rows are the same, or all of them would be measured again in each drawing.
  const keyOf = useCallback((index: number) => rows[index]?.id ?? index, [rows]);
  const heldIndex = drag.kind === "idle" ? undefined : places.get(drag.held);
  // The row in the hand stays drawn wherever the list has gone meanwhile: the browser tells the end of a drag to it alone.
  const withHeld = useCallback(
    (range: Range) => {
      const drawn = defaultRangeExtractor(range);
      return heldIndex === undefined || drawn.includes(heldIndex)
        ? drawn
        : [...drawn, heldIndex].toSorted((a, b) => a - b);
    },
    [heldIndex],
  );
  const virtual = useVirtualizer({
    count: rows.length,
    rangeExtractor: withHeld,
    getScrollElement: () => scroller.current,
    estimateSize: rowHeight,
    overscan: 12,
    paddingStart: PADDING,
    paddingEnd: 48,
    getItemKey: keyOf,
  });

  useEffect(() => {
    setActive(current);
    const box = scroller.current;
    const top = PADDING + currentIndex * ROW_HEIGHT;
    const isInView = box !== null && top >= box.scrollTop && top + ROW_HEIGHT <= box.scrollTop + box.clientHeight;
    if (currentIndex >= 0 && !isInView) virtual.scrollToIndex(currentIndex, { align: "center" });
    // Only a new place moves the outline; folding or renaming must leave it where it is.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [current]);

  // A key that folds or moves must not take the row it was pressed on out of sight.
  const follows = useRef(false);
  useEffect(() => {
    if (!follows.current || activeIndex < 0) return;
    follows.current = false;
    virtual.scrollToIndex(activeIndex, { align: "auto" });
    // Only other rows are a reason to follow.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [rows]);

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
    if (intent.kind === "command" && intent.command === "filter") return (event.preventDefault(), does.filter());
    if (!row) return;
    // Escape with nothing picked is left to what stands around the outline.
    if (intent.kind === "pick-none" && picked.size === 0) return;
    event.preventDefault();
    switch (intent.kind) {
      case "go":
        return go(row, intent.to);
      case "open":
        return does.open(row.id);
      case "menu":
        setMenu(row.id);
        // Opened by a key, a menu begins on its first command; one frame for it to be drawn, one for its own focus.
        return void requestAnimationFrame(() =>
          requestAnimationFrame(() => document.querySelector<HTMLElement>("[role=menu] [role=menuitem]")?.focus()),
        );
      case "find":
        return find(intent.letter);
      case "pick-none":
        return pick(row.id, "none");
      case "stretch":
        return stretch(
          row.id,
          activate({ previous: activeIndex - 1, next: activeIndex + 1, first: 0, last: rows.length - 1 }[intent.to])
            ?.id ?? row.id,
        );
      case "command":
        return run(row, intent.command);
      default:
        return intent satisfies never;
    }
  };

  const run = (row: Row, command: OutlineCommand): void => {
    switch (command) {
      case "rename":
        return row.level > 0 ? setRenaming(row.id) : undefined;
      case "pick":
        return pick(row.id, "this");
      case "pick-all":
        return pick(row.id, "all");
      case "filter":
        return does.filter();
      case "show-all":
        return showLevels("all");
      case "next-overview":
        return showLevels("next");
      case "insert-before":
      case "insert-after":
      case "insert-inside":
        return void insertSection(session, row.id, LANDINGS[command]).then(
          (made) => made && (setActive(made), setRenaming(made)),
        );
      case "show-1":
      case "show-2":
      case "show-3":
      case "show-4":
      case "show-5":
      case "show-6":
      case "show-7":
      case "show-8":
      case "show-9":
        return showLevels(Number(command.slice(-1)));
      default:
        follows.current = true;
        // Whoever has gone to another row while the answer was on its way stays there.
        return void runOnBranch(session, row.id, command).then((next) =>
          setActive((now) => (now === null || now === row.id ? next : now)),
        );
    }
  };

  const clicked = (row: Row, event: MouseEvent) => {
    // A click chooses the row and leaves the keys here, however often it comes: no key for a row ever meets the text.
    setActive(row.id);
    scroller.current?.focus();
    // With the first that is picked so goes the row that was chosen before it.
    const before = chosen.current === active ? chosen.current : null;
    chosen.current = event.ctrlKey || event.metaKey || event.shiftKey ? null : row.id;
    if ((event.ctrlKey || event.metaKey) && picked.size === 0 && before !== null && before !== row.id) {
      anchor.current = row.id;
      return session.navigation.pick([before, row.id]);
    }
    if (event.shiftKey) return stretch(activeId ?? row.id, row.id);
    if (event.ctrlKey || event.metaKey) return pick(row.id, "this");
    anchor.current = null;
    session.navigation.pick([]);
    does.visit(row.id);
  };

  const pick = (id: string, what: "this" | "all" | "none") => {
    anchor.current = what === "this" ? id : null;
    session.navigation.pick(
      { this: () => toggled(picked, id), all: () => rows.map((row) => row.id), none: () => [] }[what](),
    );
  };

  const stretch = (from: string, to: string) => {
    const start = anchor.current !== null && places.has(anchor.current) ? anchor.current : from;
    anchor.current = start;
    session.navigation.pick(stretched(rows, start, to));
  };

  const showLevels = (upTo: number | "all" | "next") => {
    const level = upTo === "next" ? nextOverview(outline, folded) : upTo;
    follows.current = true;
    session.navigation.setFoldedAll(level === "all" ? NO_FOLDS : foldsTo(outline, level));
  };

  const go = (row: Row, to: "previous" | "next" | "first" | "last" | "in" | "out") => {
    if (to === "in" && row.folded) return session.navigation.setFolded(row.id, false);
    if (to === "in") return void (row.hasInside && activate(activeIndex + 1));
    if (to === "out" && row.hasInside && !row.folded && !isFiltering(filter))
      return session.navigation.setFolded(row.id, true);
    if (to === "out")
      return void (
        row.parentLevel > 0 &&
        activate(rows.findLastIndex((each, index) => index < activeIndex && each.level < row.level))
      );
    return void activate({ previous: activeIndex - 1, next: activeIndex + 1, first: 0, last: rows.length - 1 }[to]);
  };

  const find = (letter: string) => {
    const order = [...rows.slice(activeIndex + 1), ...rows.slice(0, activeIndex + 1)];
    const found = order.find((row) =>
      sectionName(session.state, row.id).toLocaleLowerCase().startsWith(letter.toLocaleLowerCase()),
    );
    if (found) activate(rows.indexOf(found));
  };

  // The same object for as long as the tree stands, so that rows that have not changed are not drawn again while others scroll by.
  const latest = useRef({ clicked });
  useEffect(() => {
    latest.current = { clicked };
  });
  const acts = useMemo(
    () => ({
      click: (row: Row, event: MouseEvent) => latest.current.clicked(row, event),
      menu: (id: string, open: boolean) => setMenu(open ? id : null),
      // A menu may close on its way to a dialog or a field, which then has the focus.
      menuClosed: () => void (document.querySelector("[role=dialog]") || isInText() || scroller.current?.focus()),
      rename: (id: string, isRenaming: boolean) => (
        setRenaming(isRenaming ? id : null),
        isRenaming || scroller.current?.focus()
      ),
      leave: () => scroller.current?.focus(),
    }),
    [scroller],
  );

  const inHand =
    drag.kind === "idle"
      ? NOTHING
      : drag.sections
          .map((id) => session.state.positions.get(id) ?? -1)
          .map((from) => [from, branchEnd(outline, from)] as const);

  /** What a row needs to be told, whichever way it is drawn. */
  const propsOf = (row: Row) => ({
    row,
    isInHand: inHand.some(([from, to]) => row.position >= from && row.position < to),
    isActive: row.id === activeId,
    isPicked: picked.has(row.id),
    isRenaming: row.id === renaming,
    isMenuOpen: row.id === menu,
    acts,
  });

  /** What the right mouse button was pressed on. */
  const menuAt = (target: Element) => {
    const id = target.closest<HTMLElement>("[id^=row-]")?.id.slice("row-".length);
    const row = rows[places.get(id ?? "") ?? -1];
    if (!row) return null;
    setActive(row.id);
    const entries = rowCommands(session, row, () => setRenaming(row.id));
    return { label: `Commands for ${sectionName(session.state, row.id)}`, entries };
  };

  return {
    rows,
    menuAt,
    virtual,
    drag,
    pressed,
    propsOf,
    acts,
    showLevels,
    activeRow: rows[activeIndex],
    isRenaming: renaming !== null,
  };
}

export type TreeRowProps = ReturnType<ReturnType<typeof useTree>["propsOf"]>;

function isInText(): boolean {
  return (
    document.activeElement?.closest("input, textarea, [contenteditable=true]") !== null &&
    document.activeElement !== null
  );
}

/** The row of the section itself, or of the folded branch it is hidden in; -1 when there are no rows. */
function nearestShown(rows: readonly Row[], outline: { ids: readonly string[] }, id: string | null): number {
  const position = id === null ? 0 : outline.ids.indexOf(id);
  return Math.max(
    rows.findLastIndex((row) => row.position <= position),
    Math.min(0, rows.length - 1),
  );
}
