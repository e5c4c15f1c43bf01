import { NodeSelection, type EditorState } from "@tiptap/pm/state";
import type { EditorView } from "@tiptap/pm/view";
import { ChevronsDownUp } from "lucide-react";
import { replaceEqualDeep, useQuery } from "@tanstack/react-query";
import { useEffect, useLayoutEffect, useMemo, useRef, useState, type ReactNode } from "react";
import type { Places } from "../api/client";
import { useDocument, useSession, useWindow } from "../document/context";
import { sectionName } from "../document/section-name";
import type { Session } from "../document/session";
import { isInHeading } from "../editor/commands";
import type { ManuscriptHost } from "../editor/manuscript-editor";
import { findSection, sectionAround } from "../editor/places";
import { textOf } from "../editor/section-text";
import { innerId, readTarget } from "../editor/target";
import { newId } from "../document/new-id";
import { useComfort } from "../parts/comfort";
import { cx } from "../parts/cx";
import { focusBy } from "../parts/focus";
import { UnderHand } from "../parts/menu";
import { followTarget, knownPlaces, placesQuery, type KnownPlaces } from "../places/places";
import { useQuiet } from "../window/quiet";
import { CalculationView } from "./calculation-view";
import { ContentsInPlace } from "../pages/contents-in-place";
import { ContentsView } from "./contents-view";
import { CrossReferenceView } from "./cross-reference-view";
import { FormulaView } from "./formula-view";
import { PlaceCard } from "./place-card";
import { MarginNotes } from "./margin-notes";
import { PathBar } from "./path-bar";
import { ReadingBar } from "./reading-bar";
import { ScopeBar } from "./scope-bar";
import { commandOf } from "../keys/keys";
import { askAtSpot, backToText, clearSpot, loseSpot, markSpot, notePointing, noteText } from "./spot";
import { keepStretch } from "./stretches";
import { Surface } from "./surface";
import { askForPicture, paste } from "./pasting";
import { joinBelow, joinWithAbove, textKey } from "./text-commands";
import { textMenu } from "./text-menu";
import { TextTools } from "./text-tools";
import { TitleHead } from "./title-head";

/** The scope as one continuous text that is edited as one (docs/decisions/0004). */
export function Manuscript() {
  const session = useSession("Manuscript");
  const id = useDocument("Manuscript", (state) => state.id);
  const isEmpty = useDocument("Manuscript", (state) => state.outline.ids.length === 0);
  const current = useWindow("Manuscript", (state) => state.current);
  const isQuiet = useQuiet((state) => state.isQuiet);
  const notes = useComfort((state) => state.notes) && !isQuiet;
  const line = useComfort((state) => state.line);
  const places = useKnownPlaces(id);
  const known = useRef(places);
  const scroller = useRef<HTMLDivElement>(null);
  const place = useRef<HTMLDivElement>(null);
  const surface = useRef<Surface | null>(null);
  const [layout, setLayout] = useState<{ surface: Surface; key: number } | null>(null);

  useLayoutEffect(() => {
    known.current = places;
    surface.current?.editor.redraw();
  }, [places]);

  useLayoutEffect(() => {
    if (!scroller.current || !place.current || isEmpty) return;
    let key = 0;
    const made: { surface?: Surface } = {};
    made.surface = new Surface(
      session,
      scroller.current,
      place.current,
      hostOf(session, () => made.surface, known),
      () => made.surface && setLayout({ surface: made.surface, key: ++key }),
    );
    surface.current = made.surface;
    const { view } = made.surface.editor;
    noteText(view);
    const leaveSpot = session.navigation.followSpot(() => {
      const spot = made.surface?.editor.spot;
      return spot ? { section: spot.id, position: spot.at } : null;
    });
    focusBy(view.dom, () => view.focus());
    setLayout({ surface: made.surface, key });
    return () => {
      surface.current = null;
      leaveSpot();
      clearSpot();
      made.surface?.destroy();
    };
  }, [session, isEmpty]);

  const menuAt = (target: Element) => {
    const editor = surface.current?.editor;
    if (!editor || !target.closest(".manuscript")) return null;
    editor.takeClick();
    const section = sectionAround(editor.view.state.selection.$head)?.id;
    return section === undefined
      ? null
      : { label: "Commands for the text", entries: textMenu(session, { section, view: editor.view }) };
  };

  return (
    <main
      aria-label="Manuscript"
      onPointerDownCapture={() => (notePointing(), session.navigation.dropRequest())}
      className="@container grid min-h-0 min-w-0 grid-cols-[minmax(0,1fr)] grid-rows-[auto_auto_minmax(0,1fr)_auto] border-line bg-sheet md:border-l"
    >
      <div>
        <QuietlyHidden>
          <PathBar />
        </QuietlyHidden>
      </div>
      <div>
        <QuietlyHidden>
          <ScopeBar />
        </QuietlyHidden>
      </div>
      <UnderHand menuAt={menuAt} onClosed={() => surface.current && backToText(surface.current.editor.view)}>
        <div ref={scroller} className="relative overflow-auto overscroll-contain [overflow-anchor:none]">
          {isEmpty && <EmptyDocument />}
          <div
            className={cx(
              "relative grid min-h-full grid-cols-1 pt-6 pb-80",
              notes && "@3xl:grid-cols-[minmax(0,1fr)_248px]",
            )}
            // At its beginning and its end, too, the typed line finds room to stand at its height.
            style={line === null ? undefined : { paddingTop: `${line * 70}vh`, paddingBottom: `${(1 - line) * 100}vh` }}
            hidden={isEmpty}
          >
            <div className="min-w-0 px-5 @xl:px-10 @2xl:px-[46px]">
              <div className="mx-auto max-w-[var(--text-measure)]">
                <TitleHead />
                <div ref={place} />
              </div>
            </div>
            {notes && layout && current !== null && (
              <BesideSection surface={layout.surface} section={current} layout={layout.key} />
            )}
            {layout && <FoldControl surface={layout.surface} scroller={scroller} layout={layout.key} />}
          </div>
          <TextTools scroller={scroller} />
          <PlaceCard scroller={scroller} />
          <ContentsInPlace side="right" onClosed={() => surface.current && backToText(surface.current.editor.view)} />
        </div>
      </UnderHand>
      <div>
        <ReadingBar />
      </div>
    </main>
  );
}

/** Every change asks for the places again; only other places are a reason to draw the text anew, under the writer’s cursor. */
function useKnownPlaces(id: string): KnownPlaces {
  const places = useQuery(placesQuery(id));
  const [last, setLast] = useState<Places | undefined>(undefined);
  const same = useMemo(() => replaceEqualDeep(last, places.data) as Places | undefined, [last, places.data]);
  if (same !== last) setLast(same);
  return useMemo(() => knownPlaces(same), [same]);
}

function hostOf(
  session: Session,
  surface: () => Surface | undefined,
  known: { current: KnownPlaces },
): Omit<ManuscriptHost, "lookOf" | "foundIn" | "spokenIn" | "isPartOfText" | "comeBack"> {
  const view = () => surface()?.editor.view;
  return {
    shifted: (now) => {
      session.navigation.shiftPlaces(now);
      session.navigation.wrote();
    },
    typed: (section, changed) => {
      session.typing.typed(String(section.attrs["id"]), {
        text: () => textOf(section),
        headingChanged: changed.heading,
        bodyChanged: changed.body,
      });
      // A sentence is a step of the history.
      const editor = view();
      if (editor && isAfterSentence(editor.state)) void session.flush();
    },
    stretched: (stretch, before) => {
      const at = surface();
      if (at) void at.whileStretching(() => keepStretch(session, stretch, before));
    },
    focused: (section) => session.navigation.setCurrent(section),
    left: (section, at) => session.navigation.keepResumePoint(section, at),
    selected: (section) => {
      const editor = view();
      if (!editor) return;
      markSpot(section, editor);
      if (editor.hasFocus()) session.navigation.setCurrent(section);
      // The cursor never stands in a text that cannot be seen.
      if (session.window.foldedTexts.has(section) && !isInHeading(editor.state) && editor.hasFocus())
        session.navigation.foldTexts([section], false);
    },
    follow: (address) => followTarget(session, address),
    leftBehind: () => loseSpot(),
    isForText: (event) =>
      commandOf("text", event) !== null || (commandOf("anywhere", event) === null && !isScrolling(event)),
    isBroken: (target) => known.current.broken.has(target) || target.startsWith("#"),
    isBookmarkTaken: (bookmark) => {
      // Where places were known to be may have been written in since.
      const holder = known.current.bookmarks.get(bookmark);
      const text = holder === undefined ? undefined : session.typing.textNow(holder);
      return holder !== undefined && (text === undefined || JSON.stringify(text).includes(`"${bookmark}"`));
    },
    newId,
    document: () => session.state.id,
    hasSection: (section) => session.state.positions.has(section),
    signs: () => (useComfort.getState().signs ? session.state.titleBlock.signs : null),
    language: () => session.state.titleBlock.language,
    readsLineSigns: () => useComfort.getState().lineSigns,
    showsSigns: () => useComfort.getState().invisibles,
    join: (section, neighbour) => {
      const editor = view();
      if (!editor) return;
      if (neighbour === "above") void joinWithAbove(session, section, editor, "line");
      else void joinBelow(session, section, editor);
    },
    toEnd: (end) => surface()?.goToEnd(end),
    unfold: (section) => session.navigation.foldTexts([section], false),
    views: {
      contents: (node, editor, getPos) =>
        new ContentsView(node, session, sectionAround(editor.state.doc.resolve(getPos() ?? 0))?.id ?? ""),
      crossReference: (node) =>
        new CrossReferenceView(node, session, (address) => sectionOf(address, session.state.positions, known.current)),
      calculation: (node) => new CalculationView(node, () => session.state.titleBlock.language),
      formula: (node, editor, getPos) => new FormulaView(node, false, () => changeFormula(editor, getPos())),
      formulaBlock: (node, editor, getPos) => new FormulaView(node, true, () => changeFormula(editor, getPos())),
    },
    key: (editor, event) => textKey(session, editor, event),
    paste: (editor, from) => paste(session, editor, from, (passage) => surface()?.editor.putPassage(passage) ?? false),
    dropFile: (editor, file) => askForPicture(session, editor, file),
  };
}

/** Whether the cursor stands behind the blank that follows the end of a sentence. */
function isAfterSentence({ selection: { $head, empty } }: EditorState): boolean {
  if (!empty || !$head.parent.isTextblock) return false;
  return /[.!?…]["'”’»)\]]*\s$/.test($head.parent.textBetween(Math.max(0, $head.parentOffset - 6), $head.parentOffset));
}

/** Keys that move the window, and those that do nothing alone. */
function isScrolling({ key, ctrlKey, metaKey }: KeyboardEvent): boolean {
  return /^Page(?:Up|Down)$|^(?:Shift|Control|Alt|AltGraph|Meta|CapsLock|Escape|F\d+)$/.test(key) || ctrlKey || metaKey;
}

function changeFormula(view: EditorView, at: number | undefined): void {
  if (at === undefined) return;
  const { tr, doc } = view.state;
  view.dispatch(tr.setSelection(NodeSelection.create(doc, at)));
  const section = sectionAround(doc.resolve(at))?.id;
  if (section !== undefined) askAtSpot("formula", { section, view });
}

/** The section that a place in the document lies in. */
function sectionOf(target: string, positions: ReadonlyMap<string, number>, places: KnownPlaces): string | null {
  if (readTarget(target) === null) return null;
  const id = innerId(target) ?? "";
  return positions.has(id) ? id : (places.bookmarks.get(id) ?? null);
}

/** What belongs to the current section, level with its heading and no lower than its end. */
function BesideSection({ surface, section, layout }: { surface: Surface; section: string; layout: number }) {
  const place = usePlace(surface, section, layout);
  return (
    place && (
      <div className="pointer-events-none absolute inset-x-0" style={{ top: place.top, height: place.height }}>
        <div className="pointer-events-auto">
          <MarginNotes id={section} />
        </div>
      </div>
    )
  );
}

function usePlace(surface: Surface, section: string, layout: number): { top: number; height: number } | null {
  const [place, setPlace] = useState<{ top: number; height: number } | null>(null);
  useLayoutEffect(() => {
    const found = surface.placeOf(section);
    // Only the page knows where things stand.
    // oxlint-disable-next-line react/set-state-in-effect
    setPlace((last) => (last?.top === found?.top && last?.height === found?.height ? last : found));
  }, [surface, section, layout]);
  return place;
}

/** Folds the text under the heading that the hand is at. */
function FoldControl({
  surface,
  scroller,
  layout,
}: {
  surface: Surface;
  scroller: { current: HTMLElement | null };
  layout: number;
}) {
  const session = useSession("FoldControl");
  const [section, setSection] = useState<string | null>(null);
  const folded = useWindow("FoldControl", (state) => state.foldedTexts);
  useEffect(() => {
    const box = scroller.current;
    const over = (event: PointerEvent) => {
      const found = event.target instanceof Element ? event.target.closest<HTMLElement>(".section-text") : null;
      if (found?.dataset["section"]) setSection(found.dataset["section"]);
    };
    box?.addEventListener("pointermove", over, { passive: true });
    return () => box?.removeEventListener("pointermove", over);
  }, [scroller]);
  const place = usePlace(surface, section ?? "", layout);
  if (section === null || !place || folded.has(section)) return null;
  const isOpening = findSection(surface.editor.view.state.doc, section)?.node.type.name === "opening";
  return (
    !isOpening && (
      <button
        type="button"
        tabIndex={-1}
        aria-hidden="true"
        title={`Fold the text under ${sectionName(session.state, section)}`}
        className="absolute right-1 hidden size-6 place-items-center rounded-full text-faint hover:bg-wash hover:text-ink md:grid @3xl:right-[254px] [[data-notes=off]_&]:right-1"
        style={{ top: place.top + 12 }}
        onMouseDown={(event) => event.preventDefault()}
        onClick={() => session.navigation.foldTexts([section], true)}
      >
        <ChevronsDownUp size={13} strokeWidth={1.8} aria-hidden="true" />
      </button>
    )
  );
}

function QuietlyHidden({ children }: { children: ReactNode }) {
  return useQuiet((state) => state.isQuiet) ? null : children;
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
