import { ChevronsDownUp } from "lucide-react";
import { memo, useEffect, useLayoutEffect, useRef } from "react";
import { useDocument, useSession, useWindow } from "../document/context";
import { SectionEditor } from "../editor/section-editor";
import { innerId } from "../editor/target";
import { isInHeading } from "../editor/commands";
import { textOf } from "../editor/section-text";
import { cx } from "../parts/cx";
import { counted } from "../parts/words";
import { sectionName } from "../document/section-name";
import { levelAt } from "../outline/outline";
import { followTarget, type KnownPlaces } from "../places/places";
import { CalculationView } from "./calculation-view";
import { ContentsView } from "./contents-view";
import { CrossReferenceView } from "./cross-reference-view";
import { clearSpot, markSpot } from "./spot";
import { pasteStructure, textKey } from "./text-commands";

type Props = { id: string; places: KnownPlaces; onLeave: (direction: "up" | "down") => boolean };

/** One section of the manuscript, in an editor of its own. */
export const SectionView = memo(function SectionView({ id, places, onLeave }: Props) {
  const session = useSession("SectionView");
  const text = useDocument("SectionView", (state) => state.texts.get(id));
  const position = useDocument("SectionView", (state) => state.positions.get(id) ?? -1);
  const level = useDocument("SectionView", (state) => (position < 0 ? 1 : levelAt(state.outline, position)));
  const number = useDocument("SectionView", (state) => state.numbers[position] ?? "");
  const name = useDocument("SectionView", (state) => sectionName(state, id));
  const request = useWindow("SectionView", (state) => (state.request?.section === id ? state.request : null));
  const isFolded = useWindow("SectionView", (state) => level > 0 && state.foldedTexts.has(id));
  const branchWords = useDocument("SectionView", (state) => state.branchWords[position] ?? 0);
  const place = useRef<HTMLDivElement>(null);
  const editor = useRef<SectionEditor | null>(null);
  const known = useRef({ places, onLeave });
  useLayoutEffect(() => {
    known.current = { places, onLeave };
  });
  const isOutdated = useDocument("SectionView", (state) => state.outdated.has(id));
  const hasText = text !== undefined;
  const hasHeading = level > 0;

  useEffect(() => session.texts.want(id), [session, id, hasText, isOutdated]);

  useLayoutEffect(() => {
    // A section that comes back into view shows what was typed in it, sent or not.
    const first = session.typing.textNow(id);
    if (!place.current || !first) return;
    const made = new SectionEditor(
      place.current,
      first,
      hasHeading,
      {
        typed: (doc, changed) =>
          session.typing.typed(id, {
            text: () => textOf(doc),
            headingChanged: changed.heading,
            bodyChanged: changed.body,
          }),
        focused: () => session.navigation.setCurrent(id),
        left: (at) => session.navigation.keepResumePoint(id, at),
        selected: (view) => {
          markSpot(id, view);
          // The cursor never stands in a text that cannot be seen.
          if (session.window.foldedTexts.has(id) && !isInHeading(view.state)) session.navigation.foldTexts([id], false);
        },
        follow: (address) => followTarget(session, address),
        isBroken: (target) => isBroken(target, known.current.places),
        isBookmarkTaken: (bookmark) => known.current.places.bookmarks.has(bookmark),
        leave: (direction) => known.current.onLeave(direction),
        views: {
          contents: (node) => new ContentsView(node, session, id),
          crossReference: (node) =>
            new CrossReferenceView(node, session, (place) =>
              sectionOf(place, session.state.positions, known.current.places),
            ),
          calculation: (node) => new CalculationView(node),
        },
        key: (view, event) => textKey(session, id, view, event),
        paste: (view, html) => pasteStructure(session, id, view, html),
      },
      "Text",
    );
    editor.current = made;
    return () => {
      clearSpot(id);
      editor.current = null;
      made.destroy();
    };
  }, [session, id, hasText, hasHeading]);

  useEffect(() => {
    if (!text || !editor.current || session.typing.isIn(id)) return;
    editor.current.replace(text);
    editor.current.handedOver();
  }, [session, id, text]);

  useEffect(() => editor.current?.relabel(name), [name, hasHeading, hasText]);
  useEffect(() => editor.current?.redraw(), [places, hasText]);

  useEffect(() => {
    if (!request?.focus || !hasText) return;
    // Another part of the screen may still be letting go of the focus.
    const frame = requestAnimationFrame(() => {
      // The writer may have pointed elsewhere meanwhile.
      if (session.window.request?.key !== request.key) return;
      session.navigation.requestMet(request.key);
      if (request.bookmark) editor.current?.focusBookmark(request.bookmark);
      else if (request.position === Number.MAX_SAFE_INTEGER) editor.current?.focusAtEnd();
      else editor.current?.focus(request.position ?? 1);
    });
    return () => cancelAnimationFrame(frame);
  }, [session, request, hasText]);

  return (
    <div className="group/section relative">
      <div
        ref={place}
        className={cx("section-text", isFolded && "folded")}
        data-level={level}
        data-section={id}
        data-named={(name !== "" && name === number) || undefined}
        style={{ "--number": JSON.stringify(number) } as React.CSSProperties}
      >
        {!hasText && (
          <p className="py-4 text-faint" aria-hidden="true">
            {name}
          </p>
        )}
      </div>
      {hasHeading && hasText && (
        <Fold
          isFolded={isFolded}
          words={branchWords}
          name={name}
          onFold={(folded) => session.navigation.foldTexts([id], folded)}
        />
      )}
    </div>
  );
});

/** Folds the text under a heading, or says how much is folded there. */
function Fold({
  isFolded,
  words,
  name,
  onFold,
}: {
  isFolded: boolean;
  words: number;
  name: string;
  onFold: (folded: boolean) => void;
}) {
  if (isFolded) {
    return (
      <button
        type="button"
        aria-expanded="false"
        aria-label={`Unfold the text of ${name}`}
        className="mb-2 rounded-full bg-wash px-3 py-0.5 text-xs text-soft hover:bg-lit hover:text-ink"
        onClick={() => onFold(false)}
      >
        … {counted(words, "word")} folded
      </button>
    );
  }
  return (
    <button
      type="button"
      tabIndex={-1}
      aria-hidden="true"
      title="Fold the text under this heading"
      className="absolute top-3 -right-7 hidden size-6 place-items-center rounded-full text-faint opacity-0 group-hover/section:opacity-100 hover:bg-wash hover:text-ink md:grid"
      onClick={() => onFold(true)}
    >
      <ChevronsDownUp size={13} strokeWidth={1.8} aria-hidden="true" />
    </button>
  );
}

function isBroken(target: string, places: KnownPlaces): boolean {
  return places.broken.has(target) || target.startsWith("#");
}

/** The section that a place in the document lies in. */
function sectionOf(target: string, positions: ReadonlyMap<string, number>, places: KnownPlaces): string | null {
  const id = innerId(target) ?? "";
  return positions.has(id) ? id : (places.bookmarks.get(id) ?? null);
}
