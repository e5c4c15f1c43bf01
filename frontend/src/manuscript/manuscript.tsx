import { replaceEqualDeep, useQuery } from "@tanstack/react-query";
import { useVirtualizer } from "@tanstack/react-virtual";
import { useCallback, useEffect, useLayoutEffect, useMemo, useRef } from "react";
import { useAfterPaint } from "../document/after-paint";
import { sectionName } from "../document/section-name";
import { useDocument, useSession, useWindow } from "../document/context";
import { unfoldedSections } from "../outline/folding";
import { branchEnd } from "../outline/outline";
import { pickedHeads } from "../outline/picks";
import type { Places } from "../api/client";
import { cx } from "../parts/cx";
import { knownPlaces, placesQuery, type KnownPlaces } from "../places/places";
import { MarginNotes } from "./margin-notes";
import { PathBar } from "./path-bar";
import { SectionView } from "./section-view";
import { notePointing } from "./spot";
import { TextTools } from "./text-tools";

/** Room a section is given before its height is known: a line is about 11 words and 28 pixels high. */
const HEADING_HEIGHT = 74;
const WORD_HEIGHT = 28 / 10.5;

/** How long after a turn of the wheel a scroll still counts as the writer's own (milliseconds). */
const OWN_SCROLL = 250;

/**
 * The scope as one continuous text. Only the sections near the window are in the page, each with an editor of its own, so
 * that typing costs the same in a document of four pages and of four thousand (docs/decisions/0004).
 */
export function Manuscript() {
  const session = useSession("Manuscript");
  const outline = useAfterPaint(useDocument("Manuscript", (state) => state.outline));
  const scope = useWindow("Manuscript", (state) => state.scope);
  const current = useWindow("Manuscript", (state) => state.current);
  const folded = useWindow("Manuscript", (state) => state.foldedTexts);
  const picked = useWindow("Manuscript", (state) => state.picked);
  const request = useWindow("Manuscript", (state) => state.request);
  const id = useDocument("Manuscript", (state) => state.id);
  const places = useQuery(placesQuery(id));
  // Every change asks for the places again; only other places are a reason to draw the texts anew, under the writer’s cursor.
  const lastPlaces = useRef<Places | undefined>(undefined);
  lastPlaces.current = replaceEqualDeep(lastPlaces.current, places.data) as Places | undefined;
  const samePlaces = lastPlaces.current;
  const known = useMemo(() => knownPlaces(samePlaces), [samePlaces]);
  const scroller = useRef<HTMLDivElement>(null);
  const ownScroll = useRef(0);

  const sections = useMemo(() => {
    const from = scope === null ? -1 : outline.ids.indexOf(scope);
    return from < 0
      ? unfoldedSections(outline, 0, outline.ids.length, folded)
      : unfoldedSections(outline, from, branchEnd(outline, from), folded);
  }, [outline, scope, folded]);
  const isPicked = useMemo(() => {
    const ranges = pickedHeads(outline, session.state.positions, picked).map(
      (head) => [head, branchEnd(outline, head)] as const,
    );
    return (section: string) =>
      ranges.some(
        ([from, to]) =>
          (session.state.positions.get(section) ?? -1) >= from && (session.state.positions.get(section) ?? -1) < to,
      );
  }, [outline, picked, session]);

  // The same functions for as long as the sections are the same, or all of them would be measured again in each drawing.
  const keyOf = useCallback((index: number) => sections[index] ?? index, [sections]);
  const guess = useCallback(
    (index: number) =>
      HEADING_HEIGHT +
      (folded.has(sections[index] ?? "")
        ? 0
        : (session.state.facts.get(sections[index] ?? "")?.words ?? 0) * WORD_HEIGHT),
    [sections, folded, session],
  );
  const virtual = useVirtualizer({
    count: sections.length,
    getScrollElement: () => scroller.current,
    getItemKey: keyOf,
    estimateSize: guess,
    overscan: 2,
    paddingEnd: 320,
  });

  useLayoutEffect(() => {
    // A text that grows or shrinks in sight does so downwards; only what lies above the window moves the window along.
    virtual.shouldAdjustScrollPositionOnItemSizeChange = (item, _change, { scrollOffset }) =>
      item.end <= (scrollOffset ?? 0);
  }, [virtual]);

  // What stands in the window stays there when sections above it come, go or move.
  const held = useRef<{ section: string; below: number } | null>(null);
  useLayoutEffect(() => {
    const index = sections.indexOf(held.current?.section ?? "");
    const start = virtual.measurementsCache[index]?.start;
    if (start !== undefined && held.current) virtual.scrollToOffset(start + held.current.below);
    // oxlint-disable-next-line react/exhaustive-deps
  }, [sections]);
  useLayoutEffect(() => {
    const top = scroller.current?.scrollTop ?? 0;
    const inView = virtual
      .getVirtualItems()
      .filter((item) => item.end > top && item.start < top + (scroller.current?.clientHeight ?? 0));
    const item = inView.find(({ index }) => sections[index] === current) ?? inView[0];
    held.current = item ? { section: sections[item.index] ?? "", below: top - item.start } : null;
  });

  const requested = request === null ? -1 : sections.indexOf(request.section);
  // A section that has just been made stands among the sections only when they have been drawn anew.
  const isKnown = requested >= 0;
  useEffect(() => {
    if (!request || !isKnown) return;
    const item = virtual.getVirtualItems().find((each) => each.index === requested);
    const box = scroller.current;
    const isInView =
      item && box && item.start >= box.scrollTop - 8 && item.start < box.scrollTop + box.clientHeight * 0.7;
    if (!isInView && request.position === undefined) virtual.scrollToIndex(requested, { align: "start" });
    else if (!item) virtual.scrollToIndex(requested, { align: "start" });
    // The place is asked for once; that the sections around it change later is no new request.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [request, isKnown]);

  const followScroll = () => {
    if (Date.now() - ownScroll.current > OWN_SCROLL || !scroller.current) return;
    const line = scroller.current.scrollTop + 90;
    const item = virtual.getVirtualItems().find((each) => each.start <= line && each.end > line);
    const section = item && sections[item.index];
    if (section) session.navigation.setCurrent(section);
  };
  const scrolled = () => void (ownScroll.current = Date.now());

  const leave = useCallback(
    (section: string, direction: "up" | "down") => {
      const index = sections.indexOf(section) + (direction === "up" ? -1 : 1);
      const next = sections[index];
      if (next === undefined) return false;
      session.navigation.goTo(
        { section: next, position: direction === "up" ? Number.MAX_SAFE_INTEGER : 1 },
        { remember: false },
      );
      return true;
    },
    [sections, session],
  );

  return (
    <main
      aria-label="Manuscript"
      onPointerDownCapture={() => (notePointing(), session.navigation.dropRequest())}
      className="@container grid min-h-0 min-w-0 grid-cols-[minmax(0,1fr)] grid-rows-[auto_minmax(0,1fr)] border-line bg-sheet md:border-l"
    >
      <PathBar />
      <div
        ref={scroller}
        className="relative overflow-auto overscroll-contain [overflow-anchor:none]"
        onScroll={followScroll}
        onWheel={scrolled}
        onTouchMove={scrolled}
        onPointerDown={(event) => event.target === event.currentTarget && scrolled()}
      >
        {sections.length === 0 && <EmptyDocument />}
        <div className="relative" style={{ height: virtual.getTotalSize() }}>
          {virtual.getVirtualItems().map((item) => {
            const section = sections[item.index];
            return (
              section !== undefined && (
                <section
                  key={item.key}
                  ref={virtual.measureElement}
                  data-index={item.index}
                  aria-label={sectionName(session.state, section)}
                  className={cx(
                    "absolute inset-x-0 grid grid-cols-1 @3xl:grid-cols-[minmax(0,1fr)_248px]",
                    item.index === 0 ? "pt-6" : "pt-1",
                    isPicked(section) && "bg-lit/50",
                  )}
                  style={{ top: item.start }}
                >
                  <div className="px-5 @xl:px-10 @2xl:px-[46px]">
                    <div className="mx-auto max-w-[38.5rem]">
                      <Bound section={section} places={known} onLeave={leave} />
                    </div>
                  </div>
                  {section === current && <MarginNotes id={section} />}
                </section>
              )
            );
          })}
          <TextTools scroller={scroller} />
        </div>
      </div>
    </main>
  );
}

function Bound({
  section,
  places,
  onLeave,
}: {
  section: string;
  places: KnownPlaces;
  onLeave: (section: string, direction: "up" | "down") => boolean;
}) {
  const leave = useCallback((direction: "up" | "down") => onLeave(section, direction), [section, onLeave]);
  return <SectionView id={section} places={places} onLeave={leave} />;
}

function EmptyDocument() {
  const session = useSession("EmptyDocument");
  return (
    <div className="mx-auto max-w-sm py-24 text-center">
      <p className="mb-2 font-text text-xl">Nothing stands here yet.</p>
      <p className="mb-6 text-soft">
        A first section gives you a heading and a place to write; what you cut lies among the offcuts.
      </p>
      <button
        type="button"
        className="rounded-full bg-stem px-5 py-2 font-medium text-on-stem"
        onClick={() => void session.changes.perform({ name: "insert" }, { quiet: true })}
      >
        Begin a section
      </button>
    </div>
  );
}
