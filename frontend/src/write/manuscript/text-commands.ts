import type { EditorView } from "@tiptap/pm/view";
import type { Session } from "../../document/session";
import { currentBlock, isInHeading } from "../../editor/commands";
import { bodyPosition, docOf } from "../../editor/section-text";
import { levelAt } from "../../outline/outline";

/** Commands of the text that change the outline: they are done by the server and come back as changes. */

/** Makes the heading or paragraph with the cursor a heading of this level; nothing need be selected. */
export async function makeHeading(session: Session, section: string, view: EditorView, level: number): Promise<void> {
  const { state } = view;
  if (isInHeading(state)) {
    await session.perform({ name: "set-level", sections: [section], level });
    return;
  }
  const block = currentBlock(state);
  const offset = state.selection.$head.parentOffset;
  if (block === null) return;
  const answer = await session.perform({ name: "make-heading", section, blocks: [block], level });
  if (answer.kind !== "applied") return;
  const made = answer.outcome.order.at(-1)?.inserted.ids.at(-1);
  if (made) session.goTo({ section: made, position: offset + 1 }, { remember: false });
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
  const answer = await session.perform({ name: "join", section, heading });
  if (answer.kind !== "applied") return;
  if (above === undefined) session.goTo({ section, position: offset + 1 }, { remember: false });
  else session.goTo({ section: above, position: end + offset + 1 }, { remember: false });
}

/** Cuts the section at the cursor; selected words become the heading of the new one. */
export async function splitHere(session: Session, section: string, view: EditorView): Promise<void> {
  const { state } = view;
  if (isInHeading(state)) return session.say("Put the cursor in the text under the heading to split the section there.", "warning");
  const from = bodyPosition(state.doc, state.selection.from);
  const to = bodyPosition(state.doc, state.selection.to);
  const answer = await session.perform({ name: "split", section, from, to });
  if (answer.kind !== "applied") return;
  const made = answer.outcome.order.at(-1)?.inserted.ids.at(-1);
  if (made) session.goTo({ section: made, position: 1 }, { remember: false });
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
