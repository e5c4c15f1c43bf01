import { useQuery } from "@tanstack/react-query";
import { useEffect, useLayoutEffect, useState, type ReactNode, type RefObject } from "react";
import { NodeSelection, TextSelection } from "@tiptap/pm/state";
import type { EditorView } from "@tiptap/pm/view";
import { useSession } from "../document/context";
import { linkAt, setLink, takeOut } from "../editor/commands";
import { isMathMl } from "../editor/formula";
import { sectionAround } from "../editor/places";
import { counted } from "../parts/words";
import { followTarget, placesQuery } from "../places/places";
import { useNameOfTarget } from "../places/use-name-of-target";
import { askAtSpot, backToText, useSpot } from "./spot";

/** The hand rests on a part this long before its card opens, and may leave it this long on the way to the card (milliseconds). */
const REST = 350;
const LEAVE = 250;
/** As high as a card without a hint, and the room around it (pixels). */
const CARD = 84;
/** What has a card. */
const PARTS = ".manuscript :is(a[data-target], .bookmark, .reminder, .formula, .formula-block)";

/** A link, a cross-reference, a bookmark, a reminder or a formula in the text. */
type Part = {
  kind: "link" | "reference" | "bookmark" | "reminder" | "formula";
  from: number;
  to: number;
  place: string;
  hint: string | null;
};
type Shown = Part & { section: string; top: number; left: number };

/** Where a link or a reference leads, or what a bookmark is for, and what can be done with it: under the one at hand or at the cursor. */
export function PlaceCard({ scroller }: { scroller: RefObject<HTMLDivElement | null> }) {
  const spot = useSpot((state) => state.spot);
  const [hovered, setHovered] = useState<Shown | null>(null);
  const [atCursor, setAtCursor] = useState<Shown | null>(null);

  useLayoutEffect(() => {
    const view = spot?.view;
    const part = view?.hasFocus() ? partAtCursor(view) : null;
    // The place can only be measured once the text is drawn.
    // oxlint-disable-next-line react/set-state-in-effect
    setAtCursor(part && view && scroller.current ? placed(part, view, scroller.current) : null);
  }, [spot, scroller]);

  useEffect(() => {
    const box = scroller.current;
    let timer: number | undefined;
    const over = (event: PointerEvent) => {
      const target = event.target instanceof Element ? event.target : null;
      if (target?.closest("[data-place-card]")) return window.clearTimeout(timer);
      const element = target?.closest<HTMLElement>(PARTS);
      window.clearTimeout(timer);
      if (!element) return void (timer = window.setTimeout(() => setHovered(null), LEAVE));
      timer = window.setTimeout(() => {
        const view = useSpot.getState().view;
        if (!view || !box || !element.isConnected || event.buttons !== 0) return;
        const part = partOf(view, element);
        setHovered(part && placed(part, view, box));
      }, REST);
    };
    const gone = () => (window.clearTimeout(timer), setHovered(null));
    box?.addEventListener("pointerover", over);
    box?.addEventListener("pointerleave", gone);
    box?.addEventListener("keydown", gone);
    return () => {
      gone();
      box?.removeEventListener("pointerover", over);
      box?.removeEventListener("pointerleave", gone);
      box?.removeEventListener("keydown", gone);
    };
  }, [scroller]);

  const shown = hovered ?? atCursor;
  const view = useSpot((state) => state.view);
  if (!shown || !view || !stands(view, shown)) return null;
  const close = () => (setHovered(null), setAtCursor(null));
  return (
    <div
      key={`${shown.kind} ${shown.from} ${shown.place}`}
      data-place-card
      role="group"
      aria-label={CARD_NAMES[shown.kind]}
      className="absolute z-20 max-w-80 rounded-xl border border-line bg-sheet px-3.5 py-2.5 text-[12.5px] shadow-lg"
      style={{ top: shown.top + 6, left: shown.left }}
      // The cursor stays where it is.
      onPointerDownCapture={(event) => event.preventDefault()}
      onMouseDownCapture={(event) => event.preventDefault()}
    >
      {shown.kind === "bookmark" ? (
        <BookmarkCard shown={shown} view={view} close={close} />
      ) : shown.kind === "reminder" ? (
        <ReminderCard shown={shown} view={view} close={close} />
      ) : shown.kind === "formula" ? (
        <FormulaCard shown={shown} view={view} close={close} />
      ) : (
        <LeadingCard shown={shown} view={view} close={close} />
      )}
    </div>
  );
}

const CARD_NAMES = {
  link: "Link",
  reference: "Reference",
  bookmark: "Bookmark",
  reminder: "Reminder",
  formula: "Formula",
} satisfies Record<Part["kind"], string>;

type CardProps = { shown: Shown; view: EditorView; close: () => void };

function LeadingCard({ shown, view, close }: CardProps) {
  const session = useSession("LeadingCard");
  const nameOf = useNameOfTarget();
  const isLink = shown.kind === "link";
  return (
    <>
      <p className="truncate font-medium">{nameOf(shown.place)}</p>
      {shown.hint && <p className="truncate text-soft">{shown.hint}</p>}
      <div className="mt-1.5 flex gap-3">
        <CardButton onClick={() => (close(), followTarget(session, shown.place))}>Open</CardButton>
        <CardButton
          onClick={() => {
            select(view, shown);
            close();
            askAtSpot(isLink ? "link" : "reference", { section: shown.section, view });
          }}
        >
          Change…
        </CardButton>
        <CardButton
          onClick={() => {
            select(view, shown);
            (isLink ? setLink(null) : takeOut)(view.state, view.dispatch);
            close();
            backToText(view);
          }}
        >
          {isLink ? "Take the link away" : "Take it out"}
        </CardButton>
      </div>
    </>
  );
}

function FormulaCard({ shown, view, close }: CardProps) {
  return (
    <>
      <p className="truncate font-mono text-[12px]">{isMathMl(shown.place) ? "A formula in MathML" : shown.place}</p>
      <div className="mt-1.5 flex gap-3">
        <CardButton
          onClick={() => {
            select(view, shown);
            close();
            askAtSpot("formula", { section: shown.section, view });
          }}
        >
          Change…
        </CardButton>
        <CardButton
          onClick={() => {
            select(view, shown);
            takeOut(view.state, view.dispatch);
            close();
            backToText(view);
          }}
        >
          Take it out
        </CardButton>
      </div>
    </>
  );
}

function ReminderCard({ shown, view, close }: CardProps) {
  const session = useSession("ReminderCard");
  const isSettled = view.state.doc.nodeAt(shown.from)?.attrs["settled"] === true;
  const change = (how: { settled: boolean } | { words: string }) => {
    const { section, place: reminder } = shown;
    void session.changes.perform({ name: "change-reminder", section, reminder, ...how });
    close();
    backToText(view);
  };
  return (
    <>
      <p className="whitespace-pre-wrap">{shown.hint}</p>
      {isSettled && <p className="text-faint">settled</p>}
      <div className="mt-1.5 flex gap-3">
        <CardButton onClick={() => change({ settled: !isSettled })}>
          {isSettled ? "Open it again" : "Settle it"}
        </CardButton>
        <CardButton
          onClick={() => {
            select(view, shown);
            close();
            askAtSpot("reminder", { section: shown.section, view });
          }}
        >
          Change…
        </CardButton>
        <CardButton onClick={() => change({ words: "" })}>Take it away</CardButton>
      </div>
    </>
  );
}

function BookmarkCard({ shown, view, close }: CardProps) {
  const session = useSession("BookmarkCard");
  const places = useQuery(placesQuery(session.state.id));
  const [isAsking, setAsking] = useState(false);
  const leading = places.data?.links.filter(({ target }) => target === shown.place).length ?? 0;
  const name = places.data?.bookmarks.find(({ id }) => id === shown.place)?.name ?? shown.hint;
  const takeAway = () => {
    select(view, shown);
    takeOut(view.state, view.dispatch);
    close();
    backToText(view);
  };
  return (
    <>
      <p className="truncate font-medium text-ochre">{name}</p>
      <p className="text-soft">
        {isAsking
          ? `Links in ${counted(leading, "section", "sections")} would lead nowhere, until a place is called “${name}” again.`
          : leading === 0
            ? "No link leads here yet."
            : `Links in ${counted(leading, "section", "sections")} lead here.`}
      </p>
      <div className="mt-1.5 flex gap-3">
        {isAsking ? (
          <>
            <CardButton onClick={() => setAsking(false)}>Keep it</CardButton>
            <CardButton onClick={takeAway}>Take it away</CardButton>
          </>
        ) : (
          <>
            <CardButton
              onClick={() => {
                select(view, shown);
                close();
                askAtSpot("bookmark", { section: shown.section, view });
              }}
            >
              Rename…
            </CardButton>
            <CardButton onClick={() => (leading > 0 ? setAsking(true) : takeAway())}>Take the bookmark away</CardButton>
          </>
        )}
      </div>
    </>
  );
}

function CardButton({ onClick, children }: { onClick: () => void; children: ReactNode }) {
  return (
    <button type="button" className="rounded font-medium text-stem hover:underline" onClick={onClick}>
      {children}
    </button>
  );
}

function select(view: EditorView, { kind, from, to }: Part): void {
  const { doc, tr } = view.state;
  view.dispatch(
    tr.setSelection(kind === "link" ? TextSelection.create(doc, from, to) : NodeSelection.create(doc, from)),
  );
}

/** Whether the part is still where it was when its card opened; the text may be another by now. */
function stands({ state: { doc } }: EditorView, { kind, from, to, place }: Part): boolean {
  if (to > doc.content.size) return false;
  return (kind === "link" ? linkAt(doc, from + 1)?.href : partNode(doc, from)?.place) === place;
}

function partAtCursor({ state }: EditorView): Part | null {
  const { selection, doc } = state;
  if (selection instanceof NodeSelection) return partNode(doc, selection.from);
  const link = selection.empty ? linkAt(doc, selection.from) : null;
  return link && { kind: "link", from: link.from, to: link.to, place: link.href, hint: link.hint };
}

function partOf(view: EditorView, element: HTMLElement): Part | null {
  if (element.matches("a:not(.cross-reference)")) {
    const link = linkAt(view.state.doc, view.posAtDOM(element, 0) + 1);
    return link && { kind: "link", from: link.from, to: link.to, place: link.href, hint: link.hint };
  }
  return partNode(view.state.doc, view.posAtDOM(element, 0));
}

function partNode(doc: EditorView["state"]["doc"], at: number): Part | null {
  const node = doc.nodeAt(at);
  if (node?.type.name === "crossReference")
    return { kind: "reference", from: at, to: at + 1, place: String(node.attrs["href"]), hint: null };
  if (node?.type.name.startsWith("formula"))
    return { kind: "formula", from: at, to: at + 1, place: String(node.attrs["source"]), hint: null };
  if (node?.type.name === "reminder")
    return {
      kind: "reminder",
      from: at,
      to: at + 1,
      place: String(node.attrs["id"]),
      hint: String(node.attrs["words"]),
    };
  if (node?.type.name === "bookmark")
    return {
      kind: "bookmark",
      from: at,
      to: at + 1,
      place: String(node.attrs["id"]),
      hint: String(node.attrs["name"]),
    };
  return null;
}

function placed(part: Part, view: EditorView, scroller: HTMLElement): Shown {
  const box = scroller.getBoundingClientRect();
  const start = view.coordsAtPos(part.from, 1);
  // Where the window ends soon, the card stands above its part.
  const isLow = start.bottom + CARD > box.bottom;
  return {
    ...part,
    section: sectionAround(view.state.doc.resolve(part.from))?.id ?? "",
    top: (isLow ? start.top - CARD : start.bottom) - box.top + scroller.scrollTop,
    left: Math.max(8, Math.min(start.left - box.left, box.width - 340)),
  };
}
