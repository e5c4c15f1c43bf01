import { redo as redoTyping, undo as undoTyping } from "@tiptap/pm/history";
import { Fragment, Slice, type Node as PartOfText } from "@tiptap/pm/model";
import { NodeSelection, TextSelection, type Command, type Selection } from "@tiptap/pm/state";
import type { EditorView } from "@tiptap/pm/view";
import type { SectionText } from "../api/client";
import { newId } from "../document/new-id";
import { sectionLabel } from "../document/section-name";
import type { Session } from "../document/session";
import {
  code,
  struck,
  subscript,
  superscript,
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
} from "../editor/commands";
import { toggleCodeBlock, toggleList, toggleQuotation } from "../editor/runs";
import { findSection, placeIn, positionIn, sectionAround, sectionAt, type SectionPlace } from "../editor/places";
import { bodyPosition, sectionNode, textOf } from "../editor/section-text";
import { levelAt } from "../outline/outline";
import type { TextCommand } from "../keys/commands";
import { commandOf, labelled } from "../keys/keys";
import {
  addColumn,
  addRow,
  alignColumn,
  moveColumn,
  mergeCells,
  moveRow,
  nextCell,
  removeColumn,
  removeRow,
  removeTable,
  splitCell,
  toggleHeaderColumn,
  toggleHeaderRow,
  toggleLandscape,
} from "../editor/table";
import { openDialog } from "../window/open-dialog";
import { askAtSpot, followingUp } from "./spot";

/** Commands of the text that change the outline: they are done by the server and come back as changes. */

/** A section in the editor, with the selection as far as it lies in its body. */
export function bodySelection(
  view: EditorView,
  section: string,
): { place: SectionPlace; from: number; to: number } | null {
  const place = findSection(view.state.doc, section);
  if (!place) return null;
  const { from, to } = view.state.selection;
  const inBody = (position: number) => Math.max(0, bodyPosition(place.node, placeIn(place, position)));
  return { place, from: inBody(from), to: inBody(to) };
}

/** Makes the heading or paragraph with the cursor a heading of this level; nothing need be selected. */
export async function makeHeading(session: Session, section: string, view: EditorView, level: number): Promise<void> {
  const { state } = view;
  if (isInHeading(state) && state.selection.$from.sameParent(state.selection.$to)) {
    const at = state.selection.head - (findSection(state.doc, section)?.start ?? 0) - 1;
    const followUp = followingUp();
    const answer = await session.changes.perform({ name: "set-level", sections: [section], level });
    if (answer.kind === "applied")
      followUp(() => session.navigation.goTo({ section, position: at }, { remember: false }));
    return;
  }
  const picked = pickedBlocks(state);
  const offset = state.selection.empty ? state.selection.$head.parentOffset : 0;
  const [first] = picked;
  if (!first) return;
  const followUp = followingUp();
  const lines = picked.flatMap((each) => each.blocks.map((block) => ({ section: each.section, block, level })));
  const answer = await session.changes.perform(
    picked.length === 1
      ? { name: "make-heading", section: first.section, blocks: first.blocks, level }
      : { name: "make-headings", lines },
  );
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

/** Makes a heading a paragraph again: its section joins the one above. */
export function makeParagraph(session: Session, section: string, view: EditorView): Promise<void> {
  return joinWithAbove(session, section, view, "paragraph");
}

export async function joinWithAbove(
  session: Session,
  section: string,
  view: EditorView,
  heading: "paragraph" | "line" | "offcut",
): Promise<void> {
  const position = session.state.positions.get(section) ?? 0;
  if (levelAt(session.state.outline, position) === 0)
    return session.messages.say("The opening is a paragraph already: it has no heading.", "warning");
  const above = session.state.outline.ids[position - 1];
  if (above !== undefined && !session.navigation.isInScope(above)) return notShown(session, above);
  const place = findSection(view.state.doc, section);
  // How far the cursor stands from the end of the text, which is the same in the text that takes it in; the empty
  // paragraph under a heading without a text is not.
  const last = place?.node.lastChild;
  const isBare = place?.node.childCount === 2 && last?.type.name === "paragraph" && last.content.size === 0;
  const untaken = isBare ? last.nodeSize : 0;
  const fromEnd = place
    ? Math.max(1, place.node.content.size - untaken - placeIn(place, view.state.selection.head))
    : 0;
  const followUp = followingUp();
  const answer = await session.changes.perform({ name: "join", section, heading });
  if (answer.kind !== "applied") return;
  const into = above ?? section;
  followUp(() =>
    session.navigation.goTo({ section: into, position: endOf(session, into) - fromEnd }, { remember: false }),
  );
}

/** The section below joins this one; the cursor stays where it is. */
export async function joinBelow(session: Session, section: string, view: EditorView): Promise<void> {
  const next = session.state.outline.ids[(session.state.positions.get(section) ?? -1) + 1];
  if (next !== undefined && !session.navigation.isInScope(next)) return notShown(session, next);
  if (next === undefined) return session.messages.say("Nothing stands below: this is the last section.", "warning");
  const place = findSection(view.state.doc, section);
  const at = place ? placeIn(place, view.state.selection.head) : 1;
  const followUp = followingUp();
  const answer = await session.changes.perform({ name: "join", section: next, heading: "line" });
  if (answer.kind === "applied")
    followUp(() => session.navigation.goTo({ section, position: at }, { remember: false }));
}

function notShown(session: Session, section: string): void {
  session.messages.say(
    `${sectionLabel(session.state, section) || "The section"} stands next to it and is not shown; nothing was joined.`,
    "warning",
  );
}

/** The size of a section's text as it is known, as the editor counts. */
function endOf(session: Session, section: string): number {
  const text = session.state.texts.get(section);
  const position = session.state.positions.get(section) ?? 0;
  return text ? sectionNode(section, text, levelAt(session.state.outline, position) > 0).content.size : 1;
}

/** Cuts the section at the cursor; selected words become the heading of the new one. */
export async function splitHere(session: Session, section: string, view: EditorView): Promise<void> {
  const selected = bodySelection(view, section);
  if (isInHeading(view.state) || !selected)
    return session.messages.say("Put the cursor in the text under the heading to split the section there.", "warning");
  const { from, to } = selected;
  const followUp = followingUp();
  const answer = await session.changes.perform({ name: "split", section, from, to });
  if (answer.kind !== "applied") return;
  const made = answer.outcome.order.at(-1)?.inserted.ids.at(-1);
  if (made) followUp(() => session.navigation.goTo({ section: made, position: 1 }, { remember: false }));
}

/** The selected words go to the offcuts. */
export async function setTextAside(
  session: Session,
  section: string,
  view: EditorView,
  reason: "set-aside" | "idea" = "set-aside",
): Promise<void> {
  const { $from, $to } = view.state.selection;
  const [first, last] = [sectionAround($from), sectionAround($to)];
  if (first && last && first.id !== last.id) {
    if (reason === "set-aside") return setStretchAside(session, view, first, last);
    return session.messages.say("An idea is words of one section; select no more than that.", "warning");
  }
  const selected = bodySelection(view, section);
  if (isInHeading(view.state) || !selected)
    return session.messages.say("Only words of the text can be set aside; a heading goes with its section.", "warning");
  const { place, from, to } = selected;
  const followUp = followingUp();
  const answer = await session.changes.perform({ name: "set-text-aside", section, from, to, reason });
  if (answer.kind !== "applied") return;
  const at = from + place.node.content.size - bodyPosition(place.node, place.node.content.size);
  followUp(() => session.navigation.goTo({ section, position: at }, { remember: false }));
}

async function keepStanding(session: Session, section: string, view: EditorView): Promise<void> {
  const selected = bodySelection(view, section);
  const { $from, $to, empty } = view.state.selection;
  if (empty || isInHeading(view.state) || !selected || sectionAround($from)?.id !== sectionAround($to)?.id)
    return session.messages.say("Select words of one section; its heading is kept with the whole branch.", "warning");
  const { from, to } = selected;
  await session.files.keepStanding({ sections: section, from, to });
}

/** Puts words that were kept standing where the cursor is; bookmarks stay with the text that they were made in. */
export function putPassage(view: EditorView, text: Pick<SectionText, "heading" | "body">): void {
  const without = (fragment: Fragment): Fragment => {
    const left: PartOfText[] = [];
    fragment.forEach((node) => {
      if (["bookmark", "bookmarkEnd"].includes(node.type.name)) return;
      const attributes = node.type.name === "reminder" ? { ...node.attrs, id: newId() } : node.attrs;
      left.push(node.isText ? node : node.type.create(attributes, without(node.content), node.marks));
    });
    return Fragment.from(left);
  };
  const blocks = without(sectionNode("", text, false).content);
  const isLine = blocks.childCount === 1 && blocks.firstChild?.type.name === "paragraph";
  const slice = new Slice(blocks, isLine ? 1 : 0, isLine ? 1 : 0);
  view.dispatch(view.state.tr.replaceSelection(slice).setMeta("paste", true).scrollIntoView());
}

/** Of the first section its end goes, of the last its beginning, and what lies between goes whole. */
async function setStretchAside(
  session: Session,
  view: EditorView,
  first: SectionPlace,
  last: SectionPlace,
): Promise<void> {
  const { doc, selection } = view.state;
  const isFromHeading = selection.$from.parent.type.name === "heading";
  if (isFromHeading && selection.$from.parentOffset > 0)
    return session.messages.say("Select from the beginning of a heading, or from the text.", "warning");
  const to = bodyPosition(last.node, placeIn(last, selection.to));
  if (to < 0) return session.messages.say("Select down to the text under the last heading.", "warning");
  // From the beginning of a heading on it is the section above that the text goes on in.
  const above = isFromHeading ? first.index - 1 : first.index;
  if (above < 0) return session.messages.say("Nothing stands above; set the branch aside in the outline.", "warning");
  const begins = sectionAt(doc, above);
  const at = isFromHeading ? begins.node.content.size : placeIn(begins, selection.from);
  const followUp = followingUp();
  const sections = doc.content.content.slice(above, last.index + 1).map((node) => String(node.attrs["id"]));
  const from = Math.min(bodyPosition(begins.node, at), sizeOfBody(begins.node));
  const answer = await session.changes.perform({ name: "set-stretch-aside", sections, from, to });
  if (answer.kind === "applied")
    followUp(() => session.navigation.goTo({ section: begins.id, position: at }, { remember: false }));
}

/** As the server counts: a text that shows nothing but a place to write in has no size. */
function sizeOfBody(section: PartOfText): number {
  const { body } = textOf(section);
  return body.length === 0 ? 0 : bodyPosition(section, section.content.size);
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
export function textKey(session: Session, view: EditorView, event: KeyboardEvent): boolean {
  const anywhere = commandOf("anywhere", event);
  const command = commandOf("text", event);
  const section = sectionAround(view.state.selection.$head)?.id;
  if (event.key === "Enter" && section !== undefined && isFormula(view.state.selection)) {
    askAtSpot("formula", { section, view });
    event.preventDefault();
    return true;
  }
  const isDone =
    anywhere === "undo" || anywhere === "redo"
      ? stepBackOrForth(session, view, anywhere)
      : command !== null && section !== undefined && runInText(session, section, view, command);
  if (isDone) event.preventDefault();
  return isDone;
}

function isFormula(selection: Selection): boolean {
  return selection instanceof NodeSelection && selection.node.type.name.startsWith("formula");
}

/** One line of history: what was typed a moment ago is kept first. Only what cannot be sent is undone here alone. */
function stepBackOrForth(session: Session, view: EditorView, way: "undo" | "redo"): true {
  const isHere =
    session.state.saving === "unsent" &&
    (way === "undo" ? undoTyping(view.state, view.dispatch) : redoTyping(view.state, view.dispatch));
  if (!isHere) void (way === "undo" ? session.changes.undo() : session.changes.redo()).then(() => showCursor(view));
  return true;
}

/** What is undone may be far from the window: the cursor, which is there, is in sight again. */
function showCursor(view: EditorView): void {
  requestAnimationFrame(() => {
    if (!view.isDestroyed && view.hasFocus()) view.dispatch(view.state.tr.scrollIntoView());
  });
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
    case "standing":
      return (openDialog({ kind: "standing", target: section }), true);
    case "words-to-standing":
      return (void keepStanding(session, section, view), true);
    case "words-to-ideas":
      return (void setTextAside(session, section, view, "idea"), true);
    case "words-tools":
      return toTools();
    case "select-section":
      return selectSection(session, section, view);
    case "fold-section":
      return (foldSection(session, section, view), true);
    case "link":
    case "bookmark":
    case "reminder":
    case "reference":
    case "picture":
    case "formula":
    case "table":
    case "filler":
      return (askAtSpot(command, { section, view }), true);
    case "contents-here":
      return (askAtSpot("contents", { section, view }), true);
    case "item-up":
    case "item-down":
      return (
        edit(moveItem(command === "item-up" ? "up" : "down")) || edit(moveRow(command === "item-up" ? "up" : "down"))
      );
    case "item-in":
      return edit(nextCell("on")) || edit(sinkItem) || isInside(view.state, "listItem") || stayInText(session);
    case "item-out":
      return edit(nextCell("back")) || edit(liftItem) || isInside(view.state, "listItem") || stayInText(session);
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
      if (!edit(EDITS[command])) session.messages.say(HAS_NO_PLACE[command] ?? "It cannot stand here.", "warning");
      return true;
  }
}

const EDITS = {
  emphasis,
  strong,
  code,
  struck,
  superscript,
  subscript,
  "code-block": toggleCodeBlock,
  quotation: toggleQuotation,
  list: toggleList("bulletList"),
  "numbered-list": toggleList("orderedList"),
  footnote: insertFootnote(),
  "row-above": addRow("before"),
  "row-below": addRow("after"),
  "row-up": moveRow("up"),
  "row-down": moveRow("down"),
  "remove-row": removeRow,
  "column-before": addColumn("before"),
  "column-after": addColumn("after"),
  "column-back": moveColumn("back"),
  "column-on": moveColumn("on"),
  "remove-column": removeColumn,
  "merge-cells": mergeCells,
  "split-cell": splitCell,
  "header-row": toggleHeaderRow,
  "header-column": toggleHeaderColumn,
  "landscape-table": toggleLandscape,
  "align-left": alignColumn("left"),
  "align-center": alignColumn("center"),
  "align-right": alignColumn("right"),
  "remove-table": removeTable,
  calculation: insertCalculation,
  separator: insertBlock("separator"),
  "page-break": insertBlock("pageBreak"),
} satisfies Partial<Record<TextCommand, Command>>;

/** Why nothing was done, where there is more to say than that there is no place for it. */
const HAS_NO_PLACE: Partial<Record<TextCommand, string>> = {
  "code-block": "Code holds letters only: these lines hold more, or are no paragraphs.",
  list: "There is no paragraph here to make a list of.",
  "numbered-list": "There is no paragraph here to make a list of.",
  footnote: "A note cannot stand within code or a calculation.",
};

/** Tab never takes the keys out of the text unseen: what is typed next is meant for it. */
function stayInText(session: Session): true {
  const { keys } = labelled("outline-or-text");
  session.messages.say(`Tab is for lists and tables. ${keys} leaves the text and comes back.`);
  return true;
}

/** The keys go to the commands for the selected words, or open those for the paragraph. */
function toTools(): boolean {
  const tool = document.querySelector<HTMLElement>("[aria-label='Selected words'] button");
  if (tool) tool.focus();
  else {
    const menu = document.querySelector<HTMLElement>("[aria-label='Commands for this paragraph']");
    menu?.dispatchEvent(new KeyboardEvent("keydown", { key: "Enter", bubbles: true }));
  }
  return true;
}

/** Folds the text, or unfolds it; the cursor does not stay in what cannot be seen. */
function foldSection(session: Session, section: string, view: EditorView): void {
  const isFolded = session.window.foldedTexts.has(section);
  const place = findSection(view.state.doc, section);
  const heading = place?.node.firstChild;
  if (!isFolded && place && heading && !isInHeading(view.state)) {
    const end = view.state.doc.resolve(positionIn(place, heading.nodeSize - 1));
    view.dispatch(view.state.tr.setSelection(TextSelection.near(end, -1)));
  }
  session.navigation.foldTexts([section], !isFolded);
}

/** The heading with its whole text; chosen again, the branch is picked, ready for any command on branches. */
function selectSection(session: Session, section: string, view: EditorView): boolean {
  const place = findSection(view.state.doc, section);
  if (!place) return false;
  const { selection, doc } = view.state;
  const [from, to] = [doc.resolve(positionIn(place, 0)), doc.resolve(positionIn(place, place.node.content.size))];
  const whole = TextSelection.between(from, to);
  if (selection.from <= whole.from && selection.to >= whole.to) session.navigation.pick([section]);
  else view.dispatch(view.state.tr.setSelection(whole));
  return true;
}
