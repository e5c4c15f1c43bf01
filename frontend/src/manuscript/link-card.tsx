import { useEffect, useLayoutEffect, useState, type RefObject } from "react";
import { TextSelection } from "@tiptap/pm/state";
import type { EditorView } from "@tiptap/pm/view";
import { useSession } from "../document/context";
import { linkAt, setLink, type LinkRange } from "../editor/commands";
import { followTarget } from "../places/places";
import { useNameOfTarget } from "../places/use-name-of-target";
import { askAtSpot, backToText, useSpot } from "./spot";

/** The hand rests on a link this long before its card opens, and may leave it this long on the way to the card (milliseconds). */
const REST = 350;
const LEAVE = 250;
/** As high as a card without a hint, and the room around it (pixels). */
const CARD = 84;

type Shown = LinkRange & { section: string; top: number; left: number };

/** Where a link leads, and what can be done with it: under the link that the hand rests on or the cursor stands in. */
export function LinkCard({ scroller }: { scroller: RefObject<HTMLDivElement | null> }) {
  const session = useSession("LinkCard");
  const nameOf = useNameOfTarget();
  const spot = useSpot((state) => state.spot);
  const [hovered, setHovered] = useState<Shown | null>(null);
  const [atCursor, setAtCursor] = useState<Shown | null>(null);

  useLayoutEffect(() => {
    const { view, section } = spot ?? {};
    const link =
      view && view.state.selection.empty && view.hasFocus() ? linkAt(view.state.doc, view.state.selection.from) : null;
    // The place can only be measured once the text is drawn.
    // oxlint-disable-next-line react/set-state-in-effect
    setAtCursor(
      link && view && section !== undefined && scroller.current ? placed(link, section, view, scroller.current) : null,
    );
  }, [spot, scroller]);

  useEffect(() => {
    const box = scroller.current;
    let timer: number | undefined;
    const over = (event: PointerEvent) => {
      const target = event.target instanceof Element ? event.target : null;
      if (target?.closest("[data-link-card]")) return window.clearTimeout(timer);
      const anchor = target?.closest<HTMLElement>(".manuscript a[data-target]");
      window.clearTimeout(timer);
      if (!anchor) return void (timer = window.setTimeout(() => setHovered(null), LEAVE));
      timer = window.setTimeout(() => {
        const view = useSpot.getState().view;
        if (!view || !box || !anchor.isConnected || event.buttons !== 0) return;
        const link = linkAt(view.state.doc, view.posAtDOM(anchor, 0) + 1);
        const section = anchor.closest<HTMLElement>(".section-text")?.dataset["section"] ?? "";
        setHovered(link && placed(link, section, view, box));
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
  if (!shown || !view) return null;
  const select = () =>
    view.dispatch(view.state.tr.setSelection(TextSelection.create(view.state.doc, shown.from, shown.to)));
  const close = () => (setHovered(null), setAtCursor(null));
  return (
    <div
      data-link-card
      role="group"
      aria-label="Link"
      className="absolute z-20 max-w-80 rounded-xl border border-line bg-sheet px-3.5 py-2.5 text-[12.5px] shadow-lg"
      style={{ top: shown.top + 6, left: shown.left }}
      // The cursor stays where it is.
      onPointerDownCapture={(event) => event.preventDefault()}
      onMouseDownCapture={(event) => event.preventDefault()}
    >
      <p className="truncate font-medium">{nameOf(shown.href)}</p>
      {shown.hint && <p className="truncate text-soft">{shown.hint}</p>}
      <div className="mt-1.5 flex gap-3 font-medium text-stem">
        <button
          type="button"
          className="rounded hover:underline"
          onClick={() => (close(), followTarget(session, shown.href))}
        >
          Open
        </button>
        <button
          type="button"
          className="rounded hover:underline"
          onClick={() => (select(), close(), askAtSpot("link", { section: shown.section, view }))}
        >
          Change…
        </button>
        <button
          type="button"
          className="rounded hover:underline"
          onClick={() => {
            select();
            setLink(null)(view.state, view.dispatch);
            close();
            backToText(view);
          }}
        >
          Take the link away
        </button>
      </div>
    </div>
  );
}

function placed(link: LinkRange, section: string, view: EditorView, scroller: HTMLElement): Shown {
  const box = scroller.getBoundingClientRect();
  const start = view.coordsAtPos(link.from, 1);
  // Where the window ends soon, the card stands above its link.
  const isLow = start.bottom + CARD > box.bottom;
  return {
    ...link,
    section,
    top: (isLow ? start.top - CARD : start.bottom) - box.top + scroller.scrollTop,
    left: Math.max(8, Math.min(start.left - box.left, box.width - 340)),
  };
}
