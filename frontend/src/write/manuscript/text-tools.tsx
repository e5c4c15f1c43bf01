import { Bold, Bookmark, Heading, Italic, Link2, List, ListOrdered, ListTree, Pilcrow, Quote, Scissors } from "lucide-react";
import { useEffect, useLayoutEffect, useState, type ReactNode, type RefObject } from "react";
import { useSession } from "../../document/context";
import * as commands from "../../editor/commands";
import { Menu, type MenuEntry } from "../../parts/menu";
import { BookmarkDialog } from "./bookmark-dialog";
import { LinkDialog } from "./link-dialog";
import { ContentsDialog } from "./contents-dialog";
import { CrossReferenceDialog } from "./cross-reference-dialog";
import { useSpot, type Spot } from "./spot";
import { joinWithAbove, makeHeading, makeParagraph, setTextAside, splitHere, takeAsTitle } from "./text-commands";

type Asking = "bookmark" | "link" | "reference" | "contents" | null;
type At = { top: number; left: number; blockTop: number; blockLeft: number };

/** Commands where the hand is: beside the paragraph with the cursor, and above selected words. */
export function TextTools({ scroller }: { scroller: RefObject<HTMLDivElement | null> }) {
  const spot = useSpot((state) => state.spot);
  const [asking, setAsking] = useState<{ what: Asking; spot: Spot } | null>(null);
  const [at, setAt] = useState<At | null>(null);

  const [width, setWidth] = useState(0);
  useEffect(() => {
    const observer = new ResizeObserver(([entry]) => setWidth(entry?.contentRect.width ?? 0));
    if (scroller.current) observer.observe(scroller.current);
    return () => observer.disconnect();
  }, [scroller]);

  // The place can only be measured once the text is drawn.
  // oxlint-disable-next-line react/set-state-in-effect
  useLayoutEffect(() => setAt(spot && scroller.current ? placeOf(spot, scroller.current) : null), [spot, scroller, width]);

  if (!spot || !at) return null;
  const ask = (what: Asking) => setAsking({ what, spot });
  const { empty } = spot.view.state.selection;
  return (
    <>
      <div className="absolute z-10 hidden md:block" style={{ top: at.blockTop, left: at.blockLeft - 34 }}>
        <BlockMenu spot={spot} ask={ask} />
      </div>
      {!empty && (
        <div role="toolbar" aria-label="Selected words" className="absolute z-20 flex gap-0.5 rounded-xl border border-line bg-sheet p-1 shadow-lg" style={{ top: at.top - 44, left: at.left }}>
          <SelectionTools spot={spot} ask={ask} />
        </div>
      )}
      {asking?.what === "bookmark" && <BookmarkDialog spot={asking.spot} onClose={() => setAsking(null)} />}
      {asking?.what === "link" && <LinkDialog spot={asking.spot} onClose={() => setAsking(null)} />}
      {asking?.what === "reference" && <CrossReferenceDialog spot={asking.spot} onClose={() => setAsking(null)} />}
      {asking?.what === "contents" && <ContentsDialog spot={asking.spot} onClose={() => setAsking(null)} />}
    </>
  );
}

function run(spot: Spot, command: typeof commands.emphasis): void {
  command(spot.view.state, spot.view.dispatch, spot.view);
  spot.view.focus();
}

function SelectionTools({ spot, ask }: { spot: Spot; ask: (what: Asking) => void }) {
  const session = useSession("SelectionTools");
  const inHeading = commands.isInHeading(spot.view.state);
  return (
    <>
      <Tool label="Emphasis (Ctrl I)" onClick={() => run(spot, commands.emphasis)} icon={<Italic size={15} />} />
      <Tool label="Strong (Ctrl B)" onClick={() => run(spot, commands.strong)} icon={<Bold size={15} />} />
      <Tool label="Link…" onClick={() => ask("link")} icon={<Link2 size={15} />} />
      <Tool label="Bookmark…" onClick={() => ask("bookmark")} icon={<Bookmark size={15} />} />
      {!inHeading && (
        <>
          <Tool label="Quotation" onClick={() => run(spot, commands.toggleQuotation)} icon={<Quote size={15} />} />
          <Tool label="List" onClick={() => run(spot, commands.toggleBulletList)} icon={<List size={15} />} />
          <Tool label="Numbered list" onClick={() => run(spot, commands.toggleOrderedList)} icon={<ListOrdered size={15} />} />
          <HeadingsTool spot={spot} />
          <Tool label="Split here: these words become a heading" onClick={() => void splitHere(session, spot.section, spot.view)} icon={<Heading size={15} />} />
          <Tool label="Set these words aside" onClick={() => void setTextAside(session, spot.section, spot.view)} icon={<Scissors size={15} />} />
        </>
      )}
    </>
  );
}

/** Selected lines, or the items of a list, become headings at once. */
function HeadingsTool({ spot }: { spot: Spot }) {
  const session = useSession("HeadingsTool");
  const entries: MenuEntry[] = [1, 2, 3, 4, 5, 6].map((level) => ({
    label: `Headings, level ${level}`,
    keys: `Ctrl Alt ${level}`,
    run: () => void makeHeading(session, spot.section, spot.view, level),
  }));
  return (
    <Menu label="Make these lines headings" entries={entries}>
      <button
        type="button"
        aria-label="Make these lines headings"
        title="Make these lines headings"
        onMouseDown={(event) => event.preventDefault()}
        className="grid size-8 place-items-center rounded-lg text-soft hover:bg-wash hover:text-ink"
      >
        <ListTree size={15} aria-hidden="true" />
      </button>
    </Menu>
  );
}

function Tool({ label, icon, onClick }: { label: string; icon: ReactNode; onClick: () => void }) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      onMouseDown={(event) => event.preventDefault()}
      onClick={onClick}
      className="grid size-8 place-items-center rounded-lg text-soft hover:bg-wash hover:text-ink"
    >
      {icon}
    </button>
  );
}

function BlockMenu({ spot, ask }: { spot: Spot; ask: (what: Asking) => void }) {
  const session = useSession("BlockMenu");
  const inHeading = commands.isInHeading(spot.view.state);
  const text = (label: string, command: typeof commands.emphasis): MenuEntry => ({ label, run: () => run(spot, command) });
  const levels: MenuEntry[] = [1, 2, 3, 4].map((level) => ({ label: `Heading, level ${level}`, keys: `Ctrl Alt ${level}`, run: () => void makeHeading(session, spot.section, spot.view, level) }));
  const entries: MenuEntry[] = inHeading
    ? [
        ...levels,
        { label: "Paragraph", keys: "Ctrl Alt 0", run: () => void makeParagraph(session, spot.section, spot.view) },
        "line",
        { label: "Join with the section above", keys: "Ctrl Alt Backspace", run: () => void joinWithAbove(session, spot.section, spot.view, "paragraph") },
        { label: "Join, and the heading goes to the offcuts", run: () => void joinWithAbove(session, spot.section, spot.view, "offcut") },
        "line",
        { label: "Bookmark here…", run: () => ask("bookmark") },
      ]
    : [
        ...levels,
        "line",
        { label: "Split here", keys: "Ctrl Alt Enter", run: () => void splitHere(session, spot.section, spot.view) },
        { label: "Join with the section above", keys: "Ctrl Alt Backspace", run: () => void joinWithAbove(session, spot.section, spot.view, "paragraph") },
        "line",
        text("Quotation", commands.toggleQuotation),
        text("List", commands.toggleBulletList),
        text("Numbered list", commands.toggleOrderedList),
        text("Code", commands.toggleCodeBlock),
        text("Separator", commands.insertBlock("separator")),
        text("Page break", commands.insertBlock("pageBreak")),
        text("Footnote", commands.insertFootnote()),
        text("Calculation", commands.insertCalculation),
        "line",
        { label: "Make it the title", run: () => void takeAsTitle(session, spot.section, spot.view, "title") },
        { label: "Make it the subtitle", run: () => void takeAsTitle(session, spot.section, spot.view, "subtitle") },
        "line",
        { label: "Bookmark here…", run: () => ask("bookmark") },
        { label: "Refer to a place…", run: () => ask("reference") },
        { label: "Contents here…", run: () => ask("contents") },
      ];
  return (
    <Menu label="Commands for this paragraph" entries={entries}>
      <button
        type="button"
        aria-label="Commands for this paragraph"
        title="Commands for this paragraph"
        onMouseDown={(event) => event.preventDefault()}
        className="grid size-6 place-items-center rounded-full text-faint hover:bg-wash hover:text-ink data-[state=open]:bg-wash"
      >
        <Pilcrow size={13} strokeWidth={1.8} aria-hidden="true" />
      </button>
    </Menu>
  );
}

/** In the coordinates of the scrolled text, so that the tools travel with it. */
function placeOf(spot: Spot, scroller: HTMLElement): At | null {
  const { view } = spot;
  if (view.isDestroyed || !view.dom.isConnected) return null;
  const box = scroller.getBoundingClientRect();
  const start = view.coordsAtPos(view.state.selection.from);
  const block = view.coordsAtPos(view.state.selection.$head.start(Math.min(1, view.state.selection.$head.depth)));
  const text = view.dom.getBoundingClientRect();
  const down = scroller.scrollTop - box.top;
  return { top: start.top + down, left: Math.max(8, Math.min(start.left - box.left, box.width - 300)), blockTop: (block.top + block.bottom) / 2 + down - 12, blockLeft: text.left - box.left };
}
