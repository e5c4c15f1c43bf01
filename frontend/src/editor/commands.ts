import { lift, setBlockType, toggleMark, wrapIn } from "@tiptap/pm/commands";
import { liftListItem, sinkListItem, splitListItem, wrapInList } from "@tiptap/pm/schema-list";
import { NodeSelection, TextSelection, type Command, type EditorState } from "@tiptap/pm/state";
import type { Attrs, NodeType } from "@tiptap/pm/model";
import { headingOf } from "./section-text";
import { schema } from "./schema";

function node(name: string): NodeType {
  const type = schema.nodes[name];
  if (!type) throw new Error(`The schema has no “${name}”.`);
  return type;
}

function mark(name: string) {
  const type = schema.marks[name];
  if (!type) throw new Error(`The schema has no “${name}”.`);
  return type;
}

export const emphasis = toggleMark(mark("emphasis"));
export const strong = toggleMark(mark("strong"));
export const code = toggleMark(mark("code"));
export const splitItem = splitListItem(node("listItem"));
export const sinkItem = sinkListItem(node("listItem"));
export const liftItem = liftListItem(node("listItem"));

export const toggleQuotation: Command = (state, dispatch) =>
  isInside(state, "quotation") ? lift(state, dispatch) : wrapIn(node("quotation"))(state, dispatch);
export const toggleBulletList: Command = (state, dispatch) =>
  isInside(state, "bulletList") ? liftItem(state, dispatch) : wrapInList(node("bulletList"))(state, dispatch);
export const toggleOrderedList: Command = (state, dispatch) =>
  isInside(state, "orderedList") ? liftItem(state, dispatch) : wrapInList(node("orderedList"))(state, dispatch);
export const toggleCodeBlock: Command = (state, dispatch) =>
  isInside(state, "codeBlock")
    ? setBlockType(node("paragraph"))(state, dispatch)
    : setBlockType(node("codeBlock"))(state, dispatch);

export const hardBreak: Command = (state, dispatch) => {
  if (state.selection.$from.parent.type.spec.code || isInHeading(state)) return false;
  dispatch?.(state.tr.replaceSelectionWith(node("hardBreak").create()).scrollIntoView());
  return true;
};

/** Enter at the end of a heading goes on in the text under it. */
export const enterFromHeading: Command = (state, dispatch) => {
  if (!isInHeading(state)) return false;
  const heading = headingOf(state.doc);
  if (!heading) return false;
  const after = heading.nodeSize;
  const rest = heading.content.cut(state.selection.$to.parentOffset);
  const tr = state.tr.delete(state.selection.from, heading.nodeSize - 1);
  const at = tr.mapping.map(after);
  tr.insert(at, node("paragraph").create(null, rest));
  dispatch?.(tr.setSelection(near(tr.doc, at + 1)).scrollIntoView());
  return true;
};

/** Moves the item with the cursor, and what is inside it, past its neighbour in the same list; the numbers follow. */
export function moveItem(direction: "up" | "down"): Command {
  return (state, dispatch) => {
    const { $from } = state.selection;
    let depth = $from.depth;
    while (depth > 0 && $from.node(depth).type.name !== "listItem") depth--;
    if (depth === 0) return false;
    const list = $from.node(depth - 1);
    const index = $from.index(depth - 1);
    const other = direction === "up" ? index - 1 : index + 1;
    if (other < 0 || other >= list.childCount) return true;
    const [item, neighbour] = [list.child(index), list.child(other)];
    const start = $from.before(depth) - (direction === "up" ? neighbour.nodeSize : 0);
    const pair = direction === "up" ? [item, neighbour] : [neighbour, item];
    const by = direction === "up" ? -neighbour.nodeSize : neighbour.nodeSize;
    const tr = state.tr.replaceWith(start, start + item.nodeSize + neighbour.nodeSize, pair);
    const { anchor, head } = state.selection;
    dispatch?.(tr.setSelection(TextSelection.create(tr.doc, anchor + by, head + by)).scrollIntoView());
    return true;
  };
}

export function insertBlock(name: "separator" | "pageBreak"): Command {
  return (state, dispatch) => {
    if (isInHeading(state)) return false;
    dispatch?.(state.tr.replaceSelectionWith(node(name).create()).scrollIntoView());
    return true;
  };
}

export function insertBookmark(attributes: Attrs): Command {
  return (state, dispatch) => {
    dispatch?.(state.tr.insert(state.selection.from, node("bookmark").create(attributes)));
    return true;
  };
}

export function insertCrossReference(attributes: Attrs): Command {
  return (state, dispatch) => {
    dispatch?.(state.tr.replaceSelectionWith(node("crossReference").create(attributes)).scrollIntoView());
    return true;
  };
}

/** Selected words become the calculation; else an empty one begins under the paragraph. */
export const insertCalculation: Command = (state, dispatch) => {
  if (isInHeading(state)) return false;
  const { $from, from, to } = state.selection;
  const expression = state.doc.textBetween(from, to, " ").trim();
  const made = node("calculation").create(null, expression === "" ? undefined : schema.text(expression));
  const at = $from.after(1);
  const tr = state.tr.insert(at, made);
  dispatch?.(tr.setSelection(near(tr.doc, at + 1 + expression.length)).scrollIntoView());
  return true;
};

/** Enter in a calculation goes on with a paragraph under it. */
export const leaveCalculation: Command = (state, dispatch) => {
  if (!isInside(state, "calculation")) return false;
  const at = state.selection.$head.after();
  const tr = state.tr.insert(at, node("paragraph").create());
  dispatch?.(tr.setSelection(near(tr.doc, at + 1)).scrollIntoView());
  return true;
};

export function insertFootnote(): Command {
  return (state, dispatch) => {
    const at = state.selection.to;
    const tr = state.tr.insert(at, node("footnote").create());
    dispatch?.(tr.setSelection(near(tr.doc, at + 1)));
    return true;
  };
}

/** Links the selected words, or takes the link away when there is no target. */
export function setLink(target: string | null): Command {
  return (state, dispatch) => {
    const { from, to, empty } = state.selection;
    if (empty) return false;
    const tr = state.tr.removeMark(from, to, mark("link"));
    dispatch?.(target === null ? tr : tr.addMark(from, to, mark("link").create({ href: target, title: null })));
    return true;
  };
}

export function isInHeading(state: EditorState): boolean {
  return state.selection.$from.depth >= 1 && state.selection.$from.node(1).type.name === "heading";
}

export function isInside(state: EditorState, name: string): boolean {
  const { $from } = state.selection;
  for (let depth = $from.depth; depth > 0; depth--) if ($from.node(depth).type.name === name) return true;
  return state.selection instanceof NodeSelection && state.selection.node.type.name === name;
}

/** The body's blocks that the selection reaches, those with words only; counted from 0. */
export function pickedBlocks(state: EditorState): number[] {
  const first = headingOf(state.doc) ? 1 : 0;
  const { $from, $to } = state.selection;
  const picked: number[] = [];
  for (
    let index = Math.max(first, $from.index(0));
    index <= Math.min($to.index(0), state.doc.childCount - 1);
    index++
  ) {
    const block = state.doc.child(index);
    const isLine =
      block.type.name === "paragraph" || block.type.name === "bulletList" || block.type.name === "orderedList";
    if (state.selection.empty || (isLine && block.textContent.trim() !== "")) picked.push(index - first);
  }
  return picked;
}

/** Which of the body's blocks the cursor is in, counted from 0; null in the heading. */
export function currentBlock(state: EditorState): number | null {
  const index = state.selection.$from.index(0) - (headingOf(state.doc) ? 1 : 0);
  return index >= 0 ? index : null;
}

function near(doc: EditorState["doc"], position: number) {
  return TextSelection.near(doc.resolve(position));
}
