import { useEffect, useMemo, useRef, useState } from "react";
import { useDocument, useSession } from "../document/context";
import { sectionLabel, sectionName } from "../document/section-name";
import { levelAt } from "../outline/outline";
import { cx } from "../parts/cx";
import { openedAt } from "./leaves";
import { useShownPages } from "./shown-pages";
import { useProof } from "./shown-sheet";

/** Chapters nearer than this to each other are told by one number (browser dots). */
const ROOM_FOR_NUMBER = 26;
const ROOM_FOR_WORDS = 44;

/** Strata in pages: every tick is a page, a tall one opens a chapter; a click shows the page. */
export function PageScale() {
  const session = useSession("PageScale");
  const outline = useDocument("PageScale", (state) => state.outline);
  // What sections are called is read from the state below.
  useDocument("PageScale", (state) => state.names);
  useDocument("PageScale", (state) => state.numbers);
  useDocument("PageScale", (state) => state.facts);
  const { labels, sections } = useShownPages("PageScale");
  const { sheet, spread } = useProof();
  const strip = useRef<HTMLElement>(null);
  const [width, setWidth] = useState(0);
  useEffect(() => {
    const observer = new ResizeObserver(([entry]) => setWidth(entry?.contentRect.width ?? 0));
    if (strip.current) observer.observe(strip.current);
    return () => observer.disconnect();
  }, []);
  const count = Math.max(1, labels.length);
  const step = width / count;
  const chapters = useMemo(() => {
    const heads = outline.ids.flatMap((id, position) => {
      const spot = levelAt(outline, position) === 1 ? sections.get(id) : undefined;
      return spot ? [{ id, sheet: spot.sheet }] : [];
    });
    return heads.map((head, index) => ({ ...head, end: heads[index + 1]?.sheet ?? count + 1 }));
  }, [outline, sections, count]);
  const begins = useMemo(() => new Set(chapters.map((each) => each.sheet)), [chapters]);
  const shown = openedAt(sheet, labels.length, spread);
  // Numbers that would stand on each other are left out.
  const labelled = chapters.reduce<{ id: string; sheet: number }[]>((list, each) => {
    const last = list.at(-1);
    return last && (each.sheet - last.sheet) * step < ROOM_FOR_NUMBER ? list : [...list, each];
  }, []);
  const wordsOf = (id: string) => sectionLabel(session.state, id) || sectionName(session.state, id);
  return (
    <nav
      ref={strip}
      aria-label="Strata in pages"
      className="relative mx-4 hidden overflow-hidden border-y border-line md:block"
      style={{ height: 84 }}
    >
      {chapters.map(({ id, sheet: from, end }) => {
        const left = (from - 1) * step;
        const across = Math.max(2, (Math.max(end, from + 1) - from) * step - 2);
        return (
          <button
            key={id}
            type="button"
            title={`${wordsOf(id)}, page ${labels[from - 1] ?? ""}`}
            className={cx(
              "absolute top-[7px] h-[21px] truncate rounded-[3px] text-left text-[11.5px] leading-[21px] font-semibold hover:bg-lit",
              from <= sheet && sheet < end ? "bg-lit text-ink" : "bg-bed text-soft",
            )}
            style={{ left: left + 1, width: across, paddingInline: across > ROOM_FOR_WORDS ? 6 : 0 }}
            onClick={() => session.navigation.goTo({ section: id }, { focus: false, remember: false })}
          >
            {across > ROOM_FOR_WORDS ? wordsOf(id) : ""}
          </button>
        );
      })}
      <svg aria-hidden="true" width={width} height={26} className="absolute top-[32px] left-0">
        {step > 1.5 &&
          labels.map((_, index) => (
            <rect
              key={index}
              x={index * step + 0.5}
              y={begins.has(index + 1) ? 1 : 4}
              width={Math.max(1, step - 1.5)}
              height={begins.has(index + 1) ? 20 : 14}
              rx={1}
              className={shown.includes(index + 1) ? "fill-ochre" : begins.has(index + 1) ? "fill-twig" : "fill-line"}
            />
          ))}
      </svg>
      {/* The pages are leafed by key below; here by hand. */}
      {/* oxlint-disable-next-line jsx-a11y/click-events-have-key-events, jsx-a11y/no-static-element-interactions */}
      <div
        className="absolute inset-x-0 top-[30px] h-[28px] cursor-pointer"
        title="A tick is a page"
        onClick={(event) => {
          const at = Math.floor((event.clientX - event.currentTarget.getBoundingClientRect().left) / step) + 1;
          useProof.setState({ sheet: Math.min(Math.max(1, at), count) });
        }}
      />
      {labelled.map(({ id, sheet: from }) => (
        <span
          key={id}
          aria-hidden="true"
          className="absolute top-[60px] text-[11px] text-faint"
          style={{ left: (from - 1) * step }}
        >
          {labels[from - 1]}
        </span>
      ))}
      {shown.length > 0 && (
        <span
          aria-hidden="true"
          className="pointer-events-none absolute top-[30px] h-[28px] rounded-[3px] border-2 border-ochre"
          style={{ left: ((shown[0] ?? 1) - 1) * step - 1, width: Math.max(6, shown.length * step + 1) }}
        />
      )}
    </nav>
  );
}
