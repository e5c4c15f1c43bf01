import {
  Bold,
  Bookmark,
  Heading,
  Italic,
  Link2,
  List,
  ListOrdered,
  ListTree,
  Pilcrow,
  Quote,
  Scissors,
} from "lucide-react";
import type { EditorView } from "@tiptap/pm/view";
import { NodeSelection } from "@tiptap/pm/state";
import { Toolbar } from "radix-ui";
import { useEffect, useLayoutEffect, useState, type ReactNode, type RefObject } from "react";
import { useSession } from "../document/context";
import type { Session } from "../document/session";
import * as commands from "../editor/commands";
import { isInTable } from "../editor/table";
import type { TextCommand } from "../keys/commands";
import { keysShown, labelled } from "../keys/keys";
import { LEVELS } from "../outline/outline";
import { Menu, type MenuEntry } from "../parts/menu";
import { BookmarkDialog } from "./bookmark-dialog";
import { LinkDialog } from "./link-dialog";
import { ContentsDialog } from "./contents-dialog";
import { CrossReferenceDialog } from "./cross-reference-dialog";
import { FormulaDialog } from "./formula-dialog";
import { PictureDialog } from "./picture-dialog";
import { ReminderDialog } from "./reminder-dialog";
import { FillerDialog } from "./filler-dialog";
import { TableDialog } from "./table-dialog";
import { backToText, useSpot, type Spot } from "./spot";
import { makeHeading, runInText, setTextAside, splitHere } from "./text-commands";
import { textMenu } from "./text-menu";

/** As high and as wide as the bar of commands for selected words (pixels). */
const BAR = 42;
const BAR_WIDTH = 348;
/** A line of text with the room between paragraphs (pixels). */
const LINE = 46;

type At = { top: number; left: number; blockTop: number; blockLeft: number };

/** Commands where the hand is: beside the paragraph with the cursor, and above selected words. */
export function TextTools({ scroller }: { scroller: RefObject<HTMLDivElement | null> }) {
  const spot = useSpot((state) => state.spot);
  const asking = useSpot((state) => state.asking);
  const close = () => useSpot.setState({ asking: null });
  const [at, setAt] = useState<At | null>(null);

  // Texts that arrive, or a drawer that opens, lay the lines out anew.
  const [laidOut, setLaidOut] = useState("");
  const dom = spot?.view.dom;
  useEffect(() => {
    const frame = scroller.current;
    if (!frame) return;
    const observer = new ResizeObserver(() => setLaidOut(`${frame.clientWidth} ${dom?.clientHeight ?? 0}`));
    observer.observe(frame);
    if (dom) observer.observe(dom);
    return () => observer.disconnect();
  }, [scroller, dom]);

  // The place can only be measured once the text is drawn.
  useLayoutEffect(
    // oxlint-disable-next-line react/set-state-in-effect
    () => setAt(spot && scroller.current ? placeOf(spot, scroller.current) : null),
    [spot, scroller, laidOut],
  );

  const dialogs = (
    <>
      {asking?.what === "bookmark" && <BookmarkDialog spot={asking.spot} onClose={close} />}
      {asking?.what === "reminder" && <ReminderDialog spot={asking.spot} onClose={close} />}
      {asking?.what === "link" && <LinkDialog spot={asking.spot} onClose={close} />}
      {asking?.what === "reference" && <CrossReferenceDialog spot={asking.spot} onClose={close} />}
      {asking?.what === "picture" && (
        <PictureDialog key={asking.spot.key} spot={asking.spot} chosen={asking.file ?? null} onClose={close} />
      )}
      {asking?.what === "formula" && <FormulaDialog spot={asking.spot} onClose={close} />}
      {asking?.what === "filler" && <FillerDialog spot={asking.spot} onClose={close} />}
      {asking?.what === "table" && <TableDialog spot={asking.spot} onClose={close} />}
      {asking?.what === "contents" && <ContentsDialog spot={asking.spot} onClose={close} />}
    </>
  );
  if (!spot || !at) return dialogs;
  const { empty } = spot.view.state.selection;
  return (
    <>
      <div className="absolute z-10 hidden md:block" style={{ top: at.blockTop, left: at.blockLeft - 34 }}>
        <BlockMenu spot={spot} />
      </div>
      {/* Where there is no margin, at the end of its first line. */}
      <div className="absolute right-0.5 z-10 rounded-full bg-sheet/80 md:hidden" style={{ top: at.blockTop }}>
        <BlockMenu spot={spot} />
      </div>
      {!empty && isAtHand(spot.view) && !(spot.view.state.selection instanceof NodeSelection) && (
        <Toolbar.Root
          aria-label="Selected words"
          className="absolute z-20 flex gap-0.5 rounded-xl border border-line bg-sheet p-1 shadow-lg"
          style={{ top: at.top, left: at.left }}
          onKeyDown={(event) => event.key === "Escape" && (event.stopPropagation(), spot.view.focus())}
        >
          <SelectionTools spot={spot} />
        </Toolbar.Root>
      )}
      {dialogs}
    </>
  );
}

/** Words that were selected from elsewhere, by a search for instance, are not worked on yet. */
function isAtHand(view: EditorView): boolean {
  return view.hasFocus() || document.activeElement?.closest("[aria-label='Selected words'], [role=menu]") != null;
}

function run(session: Session, { section, view }: Spot, command: TextCommand): void {
  runInText(session, section, view, command);
  view.focus();
}

/** A command on the selected words, called by its name and its keys. */
function CommandTool({ id, spot, icon }: { id: TextCommand; spot: Spot; icon: ReactNode }) {
  const session = useSession("CommandTool");
  const { label, keys } = labelled(id);
  return <Tool label={keys ? `${label} (${keys})` : label} onClick={() => run(session, spot, id)} icon={icon} />;
}

function SelectionTools({ spot }: { spot: Spot }) {
  const session = useSession("SelectionTools");
  const inHeading = commands.isInHeading(spot.view.state);
  return (
    <>
      <CommandTool id="emphasis" spot={spot} icon={<Italic size={15} />} />
      <CommandTool id="strong" spot={spot} icon={<Bold size={15} />} />
      <CommandTool id="link" spot={spot} icon={<Link2 size={15} />} />
      <CommandTool id="bookmark" spot={spot} icon={<Bookmark size={15} />} />
      {!inHeading && (
        <>
          <CommandTool id="quotation" spot={spot} icon={<Quote size={15} />} />
          <CommandTool id="list" spot={spot} icon={<List size={15} />} />
          <CommandTool id="numbered-list" spot={spot} icon={<ListOrdered size={15} />} />
          <HeadingsTool spot={spot} />
          <Tool
            label="Split here: these words become a heading"
            onClick={() => void splitHere(session, spot.section, spot.view)}
            icon={<Heading size={15} />}
          />
          <Tool
            label="Set these words aside"
            onClick={() => void setTextAside(session, spot.section, spot.view)}
            icon={<Scissors size={15} />}
          />
        </>
      )}
    </>
  );
}

/** Selected lines, or the items of a list, become headings at once. */
function HeadingsTool({ spot }: { spot: Spot }) {
  const session = useSession("HeadingsTool");
  const entries: MenuEntry[] = LEVELS.map((level) => ({
    label: `Headings, level ${level}`,
    keys: keysShown(`heading-${level as 1}`),
    run: () => void makeHeading(session, spot.section, spot.view, level),
  }));
  return (
    <Menu label="Make these lines headings" entries={entries} onClosed={() => backToText(spot.view)}>
      <Toolbar.Button
        aria-label="Make these lines headings"
        onMouseDown={(event) => event.preventDefault()}
        className={TOOL}
      >
        <ListTree size={15} aria-hidden="true" />
        <ToolName>Make these lines headings</ToolName>
      </Toolbar.Button>
    </Menu>
  );
}

function Tool({ label, icon, onClick }: { label: string; icon: ReactNode; onClick: () => void }) {
  return (
    <Toolbar.Button
      aria-label={label}
      onMouseDown={(event) => event.preventDefault()}
      onClick={onClick}
      className={TOOL}
    >
      {icon}
      <ToolName>{label}</ToolName>
    </Toolbar.Button>
  );
}

const TOOL = "group relative grid size-8 place-items-center rounded-lg text-soft hover:bg-wash hover:text-ink";

/** What a sign means, above the bar, where the hand or the focus is. */
function ToolName({ children }: { children: string }) {
  return (
    <span
      aria-hidden="true"
      className="pointer-events-none absolute bottom-full left-0 mb-2 hidden rounded-md bg-ink px-2 py-1 text-[11.5px] whitespace-nowrap text-sheet group-hover:block group-focus-visible:block"
    >
      {children}
    </span>
  );
}

function BlockMenu({ spot }: { spot: Spot }) {
  const session = useSession("BlockMenu");
  return (
    <Menu label="Commands for this paragraph" entries={textMenu(session, spot)} onClosed={() => backToText(spot.view)}>
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

/** Where the block with the cursor begins: of a table, the row; of what is chosen as a whole, its first line’s height. */
function blockBox(view: EditorView): { top: number; bottom: number } {
  const { selection } = view.state;
  const { $head, from } = selection;
  const chosen = selection instanceof NodeSelection && $head.depth < 2 ? view.nodeDOM(from) : null;
  if (chosen instanceof HTMLElement) {
    const { top, bottom } = chosen.getBoundingClientRect();
    return { top, bottom: Math.min(bottom, top + LINE) };
  }
  return view.coordsAtPos(isInTable(view.state) ? $head.pos : $head.start(Math.min(2, $head.depth)));
}

/** In the coordinates of the scrolled text, so that the tools travel with it. */
function placeOf(spot: Spot, scroller: HTMLElement): At | null {
  const { view } = spot;
  if (view.isDestroyed || !view.dom.isConnected) return null;
  const box = scroller.getBoundingClientRect();
  const start = view.coordsAtPos(view.state.selection.from);
  const end = view.coordsAtPos(view.state.selection.to);
  // Neither the selected words nor the lines next to them are covered.
  const isHigh = start.top - LINE - BAR < box.top;
  const block = blockBox(view);
  const text = view.dom.getBoundingClientRect();
  const down = scroller.scrollTop - box.top;
  return {
    top: (isHigh ? end.bottom + LINE : start.top - LINE - BAR) + down,
    left: Math.max(8, Math.min(start.left - box.left, box.width - BAR_WIDTH - 8)),
    blockTop: (block.top + block.bottom) / 2 + down - 12,
    blockLeft: text.left - box.left,
  };
}
