import { redo as redoTyping, undo as undoTyping } from "@tiptap/pm/history";
import { AllSelection, type Command } from "@tiptap/pm/state";
import type { EditorView } from "@tiptap/pm/view";
import { api, read } from "../api/client";
import type { Session } from "../document/session";
import { withPictureNames } from "../editor/schema";
import {
  code,
  currentBlock,
  emphasis,
  insertBlock,
  insertCalculation,
  insertFootnote,
  isInHeading,
  isInside,
  liftItem,
  moveItem,
  pickedBlocks,
  sinkItem,
  strong,
  toggleBulletList,
  toggleOrderedList,
  toggleQuotation,
} from "../editor/commands";
import { bodyPosition, docOf } from "../editor/section-text";
import { levelAt } from "../outline/outline";
import { counted } from "../parts/words";
import { openDialog } from "../window/open-dialog";
import type { TextCommand } from "../keys/commands";
import { commandOf } from "../keys/keys";
import { askAtSpot, followingUp } from "./spot";

/** Commands of the text that change the outline: they are done by the server and come back as changes. */

/** Makes the heading or paragraph with the cursor a heading of this level; nothing need be selected. */
export async function makeHeading(session: Session, section: string, view: EditorView, level: number): Promise<void> {
  const { state } = view;
  if (isInHeading(state)) {
    await session.changes.perform({ name: "set-level", sections: [section], level });
    return;
  }
  const blocks = pickedBlocks(state);
  const offset = state.selection.empty ? state.selection.$head.parentOffset : 0;
  if (blocks.length === 0) return;
  const followUp = followingUp();
  const answer = await session.changes.perform({ name: "make-heading", section, blocks, level });
  if (answer.kind !== "applied") return;
  const made = answer.outcome.order.at(-1)?.inserted.ids.at(-1);
  if (made) followUp(() => session.navigation.goTo({ section: made, position: offset + 1 }, { remember: false }));
}

/** Makes the line with the cursor the document’s title or subtitle. */
export async function takeAsTitle(
  session: Session,
  section: string,
  view: EditorView,
  part: "title" | "subtitle",
): Promise<void> {
  const block = currentBlock(view.state);
  if (block !== null) await session.changes.perform({ name: "take-as-title", section, block, part });
}

/**
 * Pastes what has headings, or several paragraphs, by way of the server: headings become sections, and what only looks
 * like a heading is offered. Anything less is left to the editor.
 */
export function pasteStructure(session: Session, section: string, view: EditorView, html: string): boolean {
  if (isInHeading(view.state) || !hasStructure(html)) return false;
  const { from, to } = view.state.selection;
  const followUp = followingUp();
  void session.changes
    .paste(section, bodyPosition(view.state.doc, from), bodyPosition(view.state.doc, to), withPictureNames(html))
    .then(async (answer) => {
      if (answer.kind !== "applied") return;
      const made = answer.outcome.order.at(-1)?.inserted.ids.at(-1);
      if (made) return followUp(() => session.navigation.goTo({ section: made, position: 1 }, { remember: false }));
      const likely = await read(
        api.GET("/api/documents/{id}/likely-headings", {
          params: { path: { id: session.state.id }, query: { section } },
        }),
      ).catch(() => []);
      const count = likely.reduce((sum, group) => sum + group.lines.length, 0);
      if (count > 0)
        session.messages.offer(
          `${counted(count, "line")} of what was pasted ${count === 1 ? "looks like a heading" : "look like headings"}.`,
          "Review",
          () => openDialog({ kind: "likely-headings" }),
        );
    });
  return true;
}

const BLOCKS = /<(?:p|div|li|h[1-6]|tr|blockquote|pre)\b/gi;

/** Text copied from our own manuscript needs no reading: the editor knows its parts. */
function hasStructure(html: string): boolean {
  if (html.includes("data-pm-slice")) return false;
  return /<h[1-6]\b|role=["']?heading/i.test(html) || (html.match(BLOCKS)?.length ?? 0) >= 3;
}

/** Makes a heading a paragraph again: its section joins the one above. */
export function makeParagraph(session: Session, section: string, view: EditorView): Promise<void> {
  return joinWithAbove(session, section, view, "paragraph");
}

export async function joinWithAbove(
  session: Session,
  section: string,
  view: EditorView,
  heading: "paragraph" | "offcut",
): Promise<void> {
  const position = session.state.positions.get(section) ?? 0;
  if (levelAt(session.state.outline, position) === 0)
    return session.messages.say("The opening is a paragraph already: it has no heading.", "warning");
  const above = session.state.outline.ids[position - 1];
  const offset = view.state.selection.$head.parentOffset;
  const text = above === undefined ? undefined : session.state.texts.get(above);
  const end =
    text && above !== undefined ? docOf(text, levelAt(session.state.outline, position - 1) > 0).content.size : 0;
  const followUp = followingUp();
  const answer = await session.changes.perform({ name: "join", section, heading });
  if (answer.kind !== "applied") return;
  const place =
    above === undefined ? { section, position: offset + 1 } : { section: above, position: end + offset + 1 };
  followUp(() => session.navigation.goTo(place, { remember: false }));
}

/** Cuts the section at the cursor; selected words become the heading of the new one. */
export async function splitHere(session: Session, section: string, view: EditorView): Promise<void> {
  const { state } = view;
  if (isInHeading(state))
    return session.messages.say("Put the cursor in the text under the heading to split the section there.", "warning");
  const from = bodyPosition(state.doc, state.selection.from);
  const to = bodyPosition(state.doc, state.selection.to);
  const followUp = followingUp();
  const answer = await session.changes.perform({ name: "split", section, from, to });
  if (answer.kind !== "applied") return;
  const made = answer.outcome.order.at(-1)?.inserted.ids.at(-1);
  if (made) followUp(() => session.navigation.goTo({ section: made, position: 1 }, { remember: false }));
}

/** The selected words go to the offcuts. */
export async function setTextAside(session: Session, section: string, view: EditorView): Promise<void> {
  const { doc, selection } = view.state;
  if (isInHeading(view.state))
    return session.messages.say("Only words of the text can be set aside; a heading goes with its section.", "warning");
  await session.changes.perform({
    name: "set-text-aside",
    section,
    from: bodyPosition(doc, selection.from),
    to: bodyPosition(doc, selection.to),
  });
}

/** Why there are no contents, in a sentence; null when they are there. */
export async function generateContents(
  session: Session,
  section: string,
  view: EditorView | null,
  from: number,
  to: number,
  title: string,
  numbers: boolean,
): Promise<string | null> {
  const block = view ? currentBlock(view.state) : null;
  const answer = await session.changes.perform(
    { name: "generate-contents", section, from, to, title, numbers, ...(block === null ? {} : { block: block + 1 }) },
    { quiet: true },
  );
  return answer.kind === "refused"
    ? answer.sentence
    : answer.kind === "applied"
      ? null
      : "It could not be done just now; try again.";
}

/** Keys in the text. True when they were a command’s; else they are the editor’s. */
export function textKey(session: Session, section: string, view: EditorView, event: KeyboardEvent): boolean {
  const anywhere = commandOf("anywhere", event);
  const command = commandOf("text", event);
  const isDone =
    anywhere === "undo" || anywhere === "redo"
      ? stepBackOrForth(session, view, anywhere)
      : command !== null && runInText(session, section, view, command);
  if (isDone) event.preventDefault();
  return isDone;
}

/** What the editor has not handed over is undone in the editor; from there on the journal is. */
function stepBackOrForth(session: Session, view: EditorView, way: "undo" | "redo"): true {
  const isTyping = way === "undo" ? undoTyping(view.state, view.dispatch) : redoTyping(view.state, view.dispatch);
  if (!isTyping) void (way === "undo" ? session.changes.undo() : session.changes.redo());
  return true;
}

/** False when the command has nothing to do where the cursor is, and its key may mean something else. */
export function runInText(session: Session, section: string, view: EditorView, command: TextCommand): boolean {
  const edit = (change: Command): boolean => change(view.state, view.dispatch, view);
  switch (command) {
    case "paragraph":
      if (isInHeading(view.state)) void makeParagraph(session, section, view);
      return true;
    case "split":
      return (void splitHere(session, section, view), true);
    case "join":
      return (void joinWithAbove(session, section, view, "paragraph"), true);
    case "set-words-aside":
      return (void setTextAside(session, section, view), true);
    case "select-section":
      return selectSection(session, section, view);
    case "fold-section":
      return (session.navigation.foldTexts([section], !session.window.foldedTexts.has(section)), true);
    case "link":
    case "bookmark":
    case "reference":
      return (askAtSpot(command, { section, view }), true);
    case "contents-here":
      return (askAtSpot("contents", { section, view }), true);
    case "item-up":
    case "item-down":
      return edit(moveItem(command === "item-up" ? "up" : "down"));
    case "item-in":
      return edit(sinkItem) || isInside(view.state, "listItem");
    case "item-out":
      return edit(liftItem) || isInside(view.state, "listItem");
    case "heading-1":
    case "heading-2":
    case "heading-3":
    case "heading-4":
    case "heading-5":
    case "heading-6":
    case "heading-7":
    case "heading-8":
    case "heading-9":
      return (void makeHeading(session, section, view, Number(command.slice(-1))), true);
    default:
      return (edit(EDITS[command]), true);
  }
}

const EDITS = {
  emphasis,
  strong,
  code,
  quotation: toggleQuotation,
  list: toggleBulletList,
  "numbered-list": toggleOrderedList,
  footnote: insertFootnote(),
  calculation: insertCalculation,
  separator: insertBlock("separator"),
  "page-break": insertBlock("pageBreak"),
} satisfies Partial<Record<TextCommand, Command>>;

/** The heading with its whole text; chosen again, the branch is picked, ready for any command on branches. */
function selectSection(session: Session, section: string, view: EditorView): boolean {
  const { selection, doc } = view.state;
  if (selection.from <= 1 && selection.to >= doc.content.size - 1) session.navigation.pick([section]);
  else view.dispatch(view.state.tr.setSelection(new AllSelection(doc)));
  return true;
}
