import { useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState, type KeyboardEvent } from "react";
import { useLocation } from "wouter";
import { api, read } from "../api/client";
import { useDocument, usePages, useSession, useWindow } from "../document/context";
import { spotOf } from "../document/pages";
import { currentHit, useFind } from "../find/found";
import { usePageSetup } from "../pages/page-setup";
import { placeOfLine } from "../pages/place-of-line";
import { levelAt } from "../outline/outline";
import { lineAt, useContents } from "../pages/contents";
import { ContentsInPlace } from "../pages/contents-in-place";
import { useOpenContents } from "../pages/open-contents";
import { ContentsBehind, ContentsOnPage } from "./contents-on-page";
import { RunningOnPage, type EditedLine } from "./running-on-page";
import { Choices } from "../parts/choices";
import { cx } from "../parts/cx";
import { counted } from "../parts/words";
import { findOn, lettersOf, type Mark } from "./found-on-page";
import { inOrder, leafed, openedAt, pagesShown, spotAt, type Spot, type Spread } from "./leaves";
import { openPdf, type Pdf } from "./pdf";
import { showMap, useShownPages } from "./shown-pages";
import { useProof } from "./shown-sheet";
import { Sheet, type PageSize } from "./sheet";
import { PageFindings } from "./page-findings";
import { FirstPages, PagesBehind } from "./pages-wait";
import { PrintPages } from "./print-pages";
import { SmallPages } from "./small-pages";

/** After a file that did not come (milliseconds). */
const RETRY = 3000;
const GAP = 18;
/** A line of contents with all the lines that it may take (points). */
const FULL_LINE = 48;
const MANY_WIDTH = 168;
/** Pages of one section that are looked through for words. */
const MOST_LOOKED_THROUGH = 200;
const SPREADS = [
  { value: "one", shows: "One page" },
  { value: "spread", shows: "Spread" },
  { value: "many", shows: "Many" },
] as const;

/** The pages as they will be printed: large in the middle, small below; a click on a line leads to that text. */
export function Proof() {
  const session = useSession("Proof");
  const id = useDocument("Proof", (state) => state.id);
  const [, navigate] = useLocation();
  const { pdf, size, failure } = usePdf(id);
  const pages = useShownPages("Proof");
  const noPages = usePages("Proof", (state) => state.failure);
  const { sheet, spread } = useProof();
  const { contents } = useContents();
  const room = useRef<HTMLDivElement>(null);
  // Who comes here leafs: the keys are the pages’, as those of Write are the text’s.
  useEffect(() => {
    const { activeElement } = document;
    if (activeElement === document.body || activeElement?.closest("header"))
      room.current?.focus({ preventScroll: true });
  }, []);
  const [space, setSpace] = useState({ width: 0, height: 0 });
  useLayoutEffect(() => {
    const box = room.current;
    if (!box) return;
    const measure = () => setSpace({ width: box.clientWidth, height: box.clientHeight });
    measure();
    const watch = new ResizeObserver(measure);
    watch.observe(box);
    return () => watch.disconnect();
  }, []);
  const { labels } = pages;
  const [edited, setEdited] = useState<{ sheet: number; which: EditedLine } | null>(null);
  const count = pdf?.numPages ?? labels.length;
  const blocks = useMemo(() => inOrder([...pages.blocks].map(([place, spot]) => ({ place, ...spot }))), [pages.blocks]);
  const lines = useMemo(() => inOrder([...pages.lines].map(([key, spot]) => ({ key, ...spot }))), [pages.lines]);
  const sections = useMemo(
    () => inOrder([...pages.sections].map(([section, spot]) => ({ section, ...spot }))),
    [pages.sections],
  );

  // Whoever asks for a place is shown its page.
  const request = useWindow("Proof", (state) => state.request);
  const current = useWindow("Proof", (state) => state.current);
  const [mark, setMark] = useState<Mark | null>(null);
  const isFinding = useFind((state) => state.hits.length > 0);
  useEffect(() => {
    const at = request ? sections.findIndex(({ section }) => section === request.section) : -1;
    const spot = sections[at];
    if (!request || !spot) return;
    const bookmark = request.bookmark === undefined ? undefined : pages.bookmarks.get(request.bookmark);
    const caption =
      request.caption === undefined ? undefined : pages.captions.get(`${request.section}:${request.caption}`);
    const { sheet: first } = bookmark ?? caption ?? spot;
    session.navigation.requestMet(request.key);
    const hit = request.found ? currentHit() : null;
    if (!hit || !pdf) return useProof.setState({ sheet: first });
    // Words that were found stand somewhere up to where the next section begins.
    const last = sections[at + 1]?.sheet ?? pdf.numPages;
    lettersOf(pdf, first, Math.min(last, first + MOST_LOOKED_THROUGH))
      .then((letters) => findOn(letters, hit))
      .catch(() => null)
      .then((found) => {
        useProof.setState({ sheet: found?.sheet ?? first });
        setMark(found);
      });
  }, [request, sections, pages.bookmarks, pages.captions, pdf, session]);
  // Contents that are set up here may go to another page by that.
  const { open: setUp } = useOpenContents();
  const setUpOn = setUp && pages.contents.get(`${setUp.section}:${setUp.index}`)?.sheet;
  useEffect(() => {
    if (setUpOn) useProof.setState({ sheet: setUpOn });
  }, [setUpOn]);
  // It opens where the writer is, and stays there when the pages are set anew.
  const latest = useRef(current);
  useEffect(() => {
    latest.current = current;
  }, [current]);
  useEffect(() => {
    const at = sections.findIndex((spot) => spot.section === latest.current);
    const spot = sections[at];
    const end = sections[at + 1]?.sheet ?? Infinity;
    const { sheet: looked } = useProof.getState();
    // A page further on in the same section may be the one that was come from.
    if (spot && (looked < spot.sheet || looked > end)) useProof.setState({ sheet: spot.sheet });
  }, [sections]);

  const show = useCallback(
    (next: number) => {
      useProof.setState({ sheet: next });
      const begun = sections.filter((spot) => spot.sheet === next)[0] ?? spotAt(sections, next, 0);
      if (begun) session.navigation.setCurrent(begun.section);
    },
    [sections, session],
  );
  const goToLine = useCallback(
    async (on: number, down: number, line: string) => {
      const found = spotAt(blocks, on, down + 4);
      const headed = spotAt(sections, on, down + 4);
      const listed = spotAt(lines, on, down + 4);
      if (listed && listed.sheet === on && down - listed.down < FULL_LINE && isLast(listed, [found, headed])) {
        // A line of contents leads to the page that it names.
        const spot = spotOf(pages, lineAt(contents ?? [], listed.key)?.target ?? "");
        if (spot) return show(spot.sheet);
      }
      const [section, block] = found?.place.split(":") ?? [];
      // A heading stands below the last block of the section before it.
      if (
        headed &&
        (!found || headed.sheet > found.sheet || (headed.sheet === found.sheet && headed.down > found.down))
      ) {
        session.navigation.goTo({ section: headed.section, position: 1 });
      } else if (section !== undefined) {
        const params = { path: { id }, query: { sections: section } };
        const [text] = await read(api.GET("/api/documents/{id}/texts", { params })).catch(() => []);
        const hasHeading = session.state.outline.levels[session.state.positions.get(section) ?? 0] !== "0";
        const position = text ? placeOfLine(text, hasHeading, Number(block), line) : undefined;
        session.navigation.goTo({ section, ...(position === undefined ? {} : { position }) });
      } else return;
      navigate(`/documents/${id}`);
    },
    [blocks, sections, lines, pages, contents, show, id, session, navigate],
  );
  const pressed = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey || event.shiftKey) return;
    // Keys in a field on the page are the field's, and Enter on a sign is that sign's.
    if (event.target instanceof Element && event.target.closest("input, [role=radiogroup], [role=menu]")) return;
    if (event.key === "Enter" && event.target !== event.currentTarget) return;
    const to =
      event.key === "ArrowRight" || event.key === "PageDown"
        ? leafed(sheet, 1, count, spread)
        : event.key === "ArrowLeft" || event.key === "PageUp"
          ? leafed(sheet, -1, count, spread)
          : event.key === "Home"
            ? 1
            : event.key === "End"
              ? count
              : null;
    if (event.key === "Enter") {
      const begun = spotAt(sections, sheet, 4000);
      if (begun) {
        session.navigation.goTo({ section: begun.section, inText: true });
        navigate(`/documents/${id}`);
      }
    } else if (to === null) return;
    else show(to);
    event.preventDefault();
  };

  // Where a chapter begins, and on the left, other lines stand than elsewhere.
  const isTwoSided = usePageSetup().view?.pages.twoSided ?? false;
  const lineOn = (on: number, end: "Header" | "Footer"): EditedLine => {
    const { outline, positions } = session.state;
    const isFirst = sections.some(
      (spot) => spot.sheet === on && levelAt(outline, positions.get(spot.section) ?? 0) === 1,
    );
    if (isFirst) return `first${end}`;
    return isTwoSided && on % 2 === 0 ? `even${end}` : end === "Header" ? "header" : "footer";
  };
  const shown = openedAt(sheet, count, spread);
  const width = size === null ? 0 : widthOf(size, space, spread);
  const labelOf = (each: number) => (labels[each - 1] ? `Page ${labels[each - 1]}` : `Sheet ${each}, without a number`);
  return (
    <main aria-label="Proof" className="grid min-h-0 min-w-0 grid-rows-[minmax(0,1fr)_auto] bg-bed/70">
      {/* The pages are leafed by key from here. */}
      {/* oxlint-disable-next-line jsx-a11y/no-noninteractive-element-interactions */}
      <div
        ref={room}
        // oxlint-disable-next-line jsx-a11y/no-noninteractive-tabindex
        tabIndex={0}
        role="region"
        aria-label="Printed pages"
        onKeyDown={pressed}
        className={cx(
          "min-h-0 overflow-auto p-4 focus-visible:outline-offset-[-2px]",
          spread === "many" ? "" : "grid place-items-center",
        )}
      >
        {pdf === null || size === null ? (
          <div role="status" className="grid h-full place-content-center text-center text-soft">
            {failure ?? noPages ?? <FirstPages />}
          </div>
        ) : spread === "many" ? (
          <ul className="flex flex-wrap justify-center gap-x-4 gap-y-5" aria-label="All pages">
            {Array.from({ length: count }, (_, index) => index + 1).map((each) => (
              <li key={each}>
                <button
                  ref={each === sheet ? intoView : undefined}
                  type="button"
                  aria-current={each === sheet ? "page" : undefined}
                  className={cx("grid justify-items-center gap-1 rounded p-1", each === sheet && "bg-lit")}
                  onClick={() => show(each)}
                  onDoubleClick={() => useProof.setState({ sheet: each, spread: "spread" })}
                >
                  <Sheet
                    pdf={pdf}
                    sheet={each}
                    width={MANY_WIDTH}
                    size={size}
                    hasText={false}
                    label=""
                    isCurrent={each === sheet}
                  />
                  <span className="text-xs text-soft">{labelOf(each)}</span>
                </button>
              </li>
            ))}
          </ul>
        ) : (
          <div className="flex justify-center" style={{ gap: GAP }}>
            {shown.map((each) => (
              <div key={each} className="group/page relative">
                <Sheet
                  pdf={pdf}
                  sheet={each}
                  width={width}
                  mostWidth={spread === "one" ? space.width - 40 : width}
                  size={size}
                  hasText
                  label={labelOf(each)}
                  isCurrent={each === sheet}
                  mark={isFinding && mark?.sheet === each ? mark : null}
                  onLine={(down, line) => void goToLine(each, down, line)}
                />
                {labels[each - 1] &&
                  (["Header", "Footer"] as const).map((end) => (
                    <button
                      key={end}
                      type="button"
                      aria-label={`Edit the ${end.toLowerCase()} of ${labelOf(each).toLowerCase()}`}
                      title={`Edit the ${end.toLowerCase()}`}
                      className={cx(
                        "absolute inset-x-0 h-[7%] border-dashed border-transparent hover:border-twig hover:bg-lit/20 focus-visible:border-twig",
                        end === "Header" ? "top-0 border-b" : "bottom-0 border-t",
                      )}
                      onClick={() => setEdited({ sheet: each, which: lineOn(each, end) })}
                    />
                  ))}
                <ContentsOnPage sheet={each} size={size} />
                {edited?.sheet === each && (
                  <RunningOnPage which={edited.which} onClose={() => (setEdited(null), room.current?.focus())} />
                )}
              </div>
            ))}
          </div>
        )}
      </div>
      <footer className="@container min-w-0 border-t border-line bg-paper px-4 pt-2 pb-2.5">
        {pdf && size && <SmallPages pdf={pdf} size={size} labels={labels} shown={shown} onShow={show} />}
        <div className="mt-1.5 flex flex-wrap items-center gap-x-6 text-soft">
          <p className="flex-1 whitespace-nowrap" role="status">
            {count === 0 ? "No pages yet" : `${pagesShown(labels, shown)} · ${counted(count, "page")} in all`}
            <PagesBehind />
          </p>
          <Choices
            label="How the pages lie"
            look="pill"
            className="flex gap-1"
            value={spread}
            options={SPREADS}
            onChoose={(value) => useProof.setState({ spread: value })}
          />
          <div className="flex flex-1 items-center justify-end gap-4">
            {pdf && <p className="@max-[800px]:hidden">A click on a line leads to its text</p>}
            {pdf && <PrintPages pdf={pdf} labels={labels} shown={shown} />}
          </div>
        </div>
        <ContentsBehind />
        <ContentsInPlace side="left" onClosed={() => room.current?.focus()} />
        <PageFindings />
      </footer>
    </main>
  );
}

/** The file of the newest pages; the one before is shown until it is there. */
function usePdf(id: string): { pdf: Pdf | null; size: PageSize | null; failure: string | null } {
  const { pages } = useSession("usePdf");
  const revision = usePages("usePdf", (state) => state.revision);
  const [shown, setShown] = useState<{ pdf: Pdf | null; size: PageSize | null; failure: string | null }>({
    pdf: null,
    size: null,
    failure: null,
  });
  useEffect(() => {
    if (revision === 0) return;
    const map = pages.store.getState();
    let isOver = false;
    let again = 0;
    const open = async () => {
      const pdf = await openPdf(`/api/documents/${id}/pages.pdf?revision=${revision}`);
      const view = pdf && (await pdf.getPage(1)).getViewport({ scale: 1 });
      if (isOver) return;
      if (pdf === null) again = window.setTimeout(() => void open(), RETRY);
      else showMap(map);
      setShown((before) =>
        pdf === null
          ? { ...before, failure: "The pages cannot be had just now." }
          : { pdf, size: view && { width: view.width, height: view.height }, failure: null },
      );
    };
    void open();
    return () => {
      isOver = true;
      window.clearTimeout(again);
    };
  }, [id, revision, pages]);
  useEffect(() => () => showMap(null), [id]);
  return shown;
}

/** Whether a spot stands behind all others. */
function isLast(spot: Spot, others: readonly (Spot | null)[]): boolean {
  return others.every(
    (other) => !other || other.sheet < spot.sheet || (other.sheet === spot.sheet && other.down <= spot.down),
  );
}

function widthOf(size: PageSize, space: { width: number; height: number }, spread: Spread): number {
  const room = { width: space.width - 40, height: space.height - 40 };
  const across = spread === "spread" ? (room.width - GAP) / 2 : room.width;
  // One page alone is as wide as reading wants; more of it comes by scrolling.
  if (spread === "one") return Math.max(120, Math.min(across, Math.max(680, (room.height * size.width) / size.height)));
  return Math.max(120, Math.floor(Math.min(across, (room.height * size.width) / size.height)));
}

function intoView(page: HTMLElement | null): void {
  page?.scrollIntoView({ block: "nearest" });
}
