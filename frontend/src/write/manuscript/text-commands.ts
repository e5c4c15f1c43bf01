import type { EditorView } from "@tiptap/pm/view";
import { api, read } from "../../api/client";
import type { Session } from "../../document/session";
import { currentBlock, isInHeading, pickedBlocks } from "../../editor/commands";
import { bodyPosition, docOf } from "../../editor/section-text";
import { levelAt } from "../../outline/outline";
import { counted } from "../../parts/words";
import { ask } from "../asking";
import { followingUp } from "./spot";

/** Commands of the text that change the outline: they are done by the server and come back as changes. */

/** Makes the heading or paragraph with the cursor a heading of this level; nothing need be selected. */
export async function makeHeading(session: Session, section: string, view: EditorView, level: number): Promise<void> {
  const { state } = view;
  if (isInHeading(state)) {
    await session.perform({ name: "set-level", sections: [section], level });
    return;
  }
  const blocks = pickedBlocks(state);
  const offset = state.selection.empty ? state.selection.$head.parentOffset : 0;
  if (blocks.length === 0) return;
  const followUp = followingUp();
  const answer = await session.perform({ name: "make-heading", section, blocks, level });
  if (answer.kind !== "applied") return;
  const made = answer.outcome.order.at(-1)?.inserted.ids.at(-1);
  if (made) followUp(() => session.goTo({ section: made, position: offset + 1 }, { remember: false }));
}

/** Makes the line with the cursor the document’s title or subtitle. */
export async function takeAsTitle(session: Session, section: string, view: EditorView, part: "title" | "subtitle"): Promise<void> {
  const block = currentBlock(view.state);
  if (block !== null) await session.perform({ name: "take-as-title", section, block, part });
}

/**
 * Pastes what has headings, or several paragraphs, by way of the server: headings become sections, and what only looks
 * like a heading is offered. Anything less is left to the editor.
 */
export function pasteStructure(session: Session, section: string, view: EditorView, html: string): boolean {
  if (isInHeading(view.state) || !hasStructure(html)) return false;
  const { from, to } = view.state.selection;
  const followUp = followingUp();
  void session.paste(section, bodyPosition(view.state.doc, from), bodyPosition(view.state.doc, to), html).then(async (answer) => {
    if (answer.kind !== "applied") return;
    const made = answer.outcome.order.at(-1)?.inserted.ids.at(-1);
    if (made) return followUp(() => session.goTo({ section: made, position: 1 }, { remember: false }));
    const likely = await read(api.GET("/api/documents/{id}/likely-headings", { params: { path: { id: session.state.id }, query: { section } } })).catch(() => []);
    const count = likely.reduce((sum, group) => sum + group.lines.length, 0);
    if (count > 0) session.offer(`${counted(count, "line")} of what was pasted ${count === 1 ? "looks like a heading" : "look like headings"}.`, "Review", () => ask({ kind: "likely-headings" }));
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

export async function joinWithAbove(session: Session, section: string, view: EditorView, heading: "paragraph" | "offcut"): Promise<void> {
  const position = session.state.positions.get(section) ?? 0;
  if (levelAt(session.state.outline, position) === 0) return session.say("The opening is a paragraph already: it has no heading.", "warning");
  const above = session.state.outline.ids[position - 1];
  const offset = view.state.selection.$head.parentOffset;
  const text = above === undefined ? undefined : session.state.texts.get(above);
  const end = text && above !== undefined ? docOf(text, levelAt(session.state.outline, position - 1) > 0).content.size : 0;
  const followUp = followingUp();
  const answer = await session.perform({ name: "join", section, heading });
  if (answer.kind !== "applied") return;
  const place = above === undefined ? { section, position: offset + 1 } : { section: above, position: end + offset + 1 };
  followUp(() => session.goTo(place, { remember: false }));
}

/** Cuts the section at the cursor; selected words become the heading of the new one. */
export async function splitHere(session: Session, section: string, view: EditorView): Promise<void> {
  const { state } = view;
  if (isInHeading(state)) return session.say("Put the cursor in the text under the heading to split the section there.", "warning");
  const from = bodyPosition(state.doc, state.selection.from);
  const to = bodyPosition(state.doc, state.selection.to);
  const followUp = followingUp();
  const answer = await session.perform({ name: "split", section, from, to });
  if (answer.kind !== "applied") return;
  const made = answer.outcome.order.at(-1)?.inserted.ids.at(-1);
  if (made) followUp(() => session.goTo({ section: made, position: 1 }, { remember: false }));
}

/** The selected words go to the offcuts. */
export async function setTextAside(session: Session, section: string, view: EditorView): Promise<void> {
  const { doc, selection } = view.state;
  if (isInHeading(view.state)) return session.say("Only words of the text can be set aside; a heading goes with its section.", "warning");
  await session.perform({ name: "set-text-aside", section, from: bodyPosition(doc, selection.from), to: bodyPosition(doc, selection.to) });
}

export async function generateContents(session: Session, section: string, view: EditorView | null, from: number, to: number, title: string, numbers: boolean): Promise<void> {
  const block = view ? currentBlock(view.state) : null;
  await session.perform({ name: "generate-contents", section, from, to, title, numbers, ...(block === null ? {} : { block: block + 1 }) });
}

/** Keys of the text that are commands of the outline. */
export function textKey(session: Session, section: string, view: EditorView, event: KeyboardEvent): boolean {
  if (!(event.ctrlKey || event.metaKey) || !event.altKey) return false;
  const digit = /^Digit([0-9])$/.exec(event.code)?.[1] ?? /^Numpad([0-9])$/.exec(event.code)?.[1];
  if (digit !== undefined) {
    event.preventDefault();
    if (digit !== "0") void makeHeading(session, section, view, Number(digit));
    else if (isInHeading(view.state)) void makeParagraph(session, section, view);
    return true;
  }
  if (event.key === "Enter") {
    event.preventDefault();
    void splitHere(session, section, view);
    return true;
  }
  if (event.key === "Backspace") {
    event.preventDefault();
    void joinWithAbove(session, section, view, "paragraph");
    return true;
  }
  return false;
}
