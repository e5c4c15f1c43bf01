import { liftEmptyBlock, toggleMark } from "@tiptap/pm/commands";
import { liftListItem, sinkListItem, splitListItem } from "@tiptap/pm/schema-list";
import { NodeSelection, TextSelection, type Command, type EditorState, type Transaction } from "@tiptap/pm/state";
import { Fragment, type Attrs, type Node as TextNode, type NodeType } from "@tiptap/pm/model";
import { headingOf } from "./section-text";
import { around, blockAt, goOnBelow, near, placeIn, putUnder, sectionAround, sectionAt } from "./places";
import { nodeType, schema } from "./schema";

type Dispatch = ((tr: Transaction) => void) | undefined;

/** How deep a line of the text itself stands, in its section. */
const TEXT_LINE = 2;

function mark(name: string) {
  const type = schema.marks[name];
  if (!type) throw new Error(`The schema has no “${name}”.`);
  return type;
}

export const emphasis = toggleMark(mark("emphasis"));
export const strong = toggleMark(mark("strong"));
export const code = toggleMark(mark("code"));
export const struck = toggleMark(mark("struck"));
export const superscript = toggleMark(mark("superscript"));
export const subscript = toggleMark(mark("subscript"));
export const splitItem = splitListItem(nodeType("listItem"));
export const sinkItem = sinkListItem(nodeType("listItem"));
export const liftItem = liftListItem(nodeType("listItem"));

export const hardBreak: Command = (state, dispatch) => {
  if (isInHeading(state)) return false;
  return putInLine(state, dispatch, nodeType("hardBreak").create());
};

/**
 * A part of a line in place of the selected words, and the cursor after it. A note holds words only, so there it stands
 * right after the note. False where a line holds letters only, as code does.
 */
function putInLine(state: EditorState, dispatch: Dispatch, part: TextNode): boolean {
  const { selection } = state;
  const at = placeInLine(state.doc, selection.from, part.type);
  if (at === null) return false;
  const isInPlace = at === selection.from;
  const tr = isInPlace ? state.tr.deleteSelection() : state.tr;
  // With a stretch of lines, the one that it began in may go as well.
  const into = isInPlace ? placeInLine(tr.doc, near(tr.doc, tr.selection.from).from, part.type) : at;
  if (into === null) return false;
  tr.insert(into, part);
  dispatch?.(tr.setSelection(TextSelection.create(tr.doc, into + part.nodeSize)).scrollIntoView());
  return true;
}

/** The position itself, or that after the note it lies in; null where such a part cannot stand. */
function placeInLine(doc: TextNode, position: number, type: NodeType): number | null {
  const note = around(doc.resolve(position), (each) => each.type.name === "footnote");
  const at = note ? note.at + note.node.nodeSize : position;
  const $at = doc.resolve(at);
  return $at.parent.inlineContent && $at.parent.canReplaceWith($at.index(), $at.index(), type) ? at : null;
}

/** Enter at the end of a heading goes on in the text under it. */
export const enterFromHeading: Command = (state, dispatch) => {
  const { $from, $to, empty } = state.selection;
  if (!isInHeading(state) || !empty || $to.parentOffset < $from.parent.content.size) return false;
  const at = $from.after();
  const below = state.doc.resolve(at).nodeAfter;
  const tr = state.tr;
  // A text that is still empty is the paragraph to go on in.
  if (!(below?.type.name === "paragraph" && below.content.size === 0)) tr.insert(at, nodeType("paragraph").create());
  dispatch?.(tr.setSelection(near(tr.doc, at + 1)).scrollIntoView());
  return true;
};

/** A key pressed over a stretch of several lines takes that out first. */
export function afterTakingOut(command: Command): Command {
  return (state, dispatch, view) => {
    const { $from, $to, empty } = state.selection;
    if (empty || $from.sameParent($to) || !view) return false;
    view.dispatch(state.tr.deleteSelection());
    return command(view.state, dispatch, view) || true;
  };
}

/** Enter inside a heading: what follows the cursor is the heading of a section of its own, with the text under it. */
export function splitHeading(newId: () => string, levelOf: (section: TextNode) => number): Command {
  return (state, dispatch) => {
    const section = sectionAround(state.selection.$from);
    if (!isInHeading(state) || !section || section.node.type.name !== "section") return false;
    const { $from, $to } = state.selection;
    if (!$from.sameParent($to)) return false;
    const heading = $from.parent;
    const body = section.node.content.cut(heading.nodeSize);
    const rest = heading.copy(heading.content.cut($to.parentOffset));
    const above = section.node.copy(
      Fragment.from([heading.copy(heading.content.cut(0, $from.parentOffset)), nodeType("paragraph").create()]),
    );
    const below = nodeType("section").create(
      { id: newId(), level: levelOf(section.node) },
      Fragment.from(rest).append(body),
    );
    const tr = state.tr.replaceWith(section.start, section.start + section.node.nodeSize, [above, below]);
    dispatch?.(tr.setSelection(near(tr.doc, section.start + above.nodeSize + 2)).scrollIntoView());
    return true;
  };
}

/**
 * The line with the cursor, without some signs at its head, as the heading of a section of its own that takes the text
 * under it; null where no heading can stand.
 */
export function headingHere(
  state: EditorState,
  start: number,
  end: number,
  level: number,
  newId: () => string,
): Transaction | null {
  const section = sectionAround(state.selection.$head);
  const $line = state.doc.resolve(start);
  if (!section || $line.depth !== TEXT_LINE || $line.parent.type.name !== "paragraph") return null;
  const at = $line.before() - section.start - 1;
  const blocks = section.node.content.cut(at + $line.parent.nodeSize);
  const words = $line.parent.content.cut(end - $line.start());
  const isFirst = headingOf(section.node) ? $line.index(1) === 1 : $line.index(1) === 0;
  const empty = Fragment.from(nodeType("paragraph").create());
  const left = section.node.content.cut(0, at);
  const above = section.node.copy(isFirst ? left.append(empty) : left);
  const below = nodeType("section").create(
    { id: newId(), level },
    Fragment.from(nodeType("heading").create(null, words)).append(blocks.childCount > 0 ? blocks : empty),
  );
  const tr = state.tr.replaceWith(section.start, section.start + section.node.nodeSize, [above, below]);
  return tr.setSelection(near(tr.doc, section.start + above.nodeSize + 2)).scrollIntoView();
}

/** Enter in an empty line of a list or a quotation goes out of it. In the text itself it is one more line. */
export const leaveEmptyLine: Command = (state, dispatch) =>
  state.selection.$from.depth > TEXT_LINE && liftEmptyBlock(state, dispatch);

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

/** A line of its own at the cursor, between the halves of a paragraph or under any other block; writing goes on below it. */
export function insertBlock(name: "separator" | "pageBreak"): Command {
  return (state, dispatch) => {
    const selected = blockAt(state.selection.$from);
    if (!selected) return false;
    const tr = state.tr;
    const made = nodeType(name).create();
    const under = (block: typeof selected) => {
      const at = putUnder(tr, block, made);
      dispatch?.(tr.setSelection(near(tr.doc, at + 1)).scrollIntoView());
      return true;
    };
    // A block that is selected as a whole stays.
    if (state.selection.$from.depth < 2) return under(selected);
    const note = around(tr.selection.$from, ({ type }) => type.name === "footnote");
    const from = note ? note.at + note.node.nodeSize : tr.deleteSelection().selection.from;
    const $from = tr.doc.resolve(from);
    if ($from.parent.type.name !== "paragraph" || ($from.depth === 2 && $from.parent.content.size === 0))
      return under(blockAt($from) ?? selected);
    const line = $from.parent;
    const halves = [line.cut(0, $from.parentOffset), line.cut($from.parentOffset)] as const;
    const isFirstInItem = $from.node(-1).type.name === "listItem" && $from.index(-1) === 0;
    const above = halves[0].content.size > 0 || isFirstInItem ? [halves[0]] : [];
    const next = tr.doc.resolve($from.after()).nodeAfter;
    const below = halves[1].content.size > 0 || next?.type.name !== "paragraph" ? [halves[1]] : [];
    const at = $from.before() + (above[0]?.nodeSize ?? 0) + 1;
    tr.replaceWith($from.before(), $from.after(), [...above, made, ...below]);
    dispatch?.(tr.setSelection(near(tr.doc, at)).scrollIntoView());
    return true;
  };
}

/** Takes the selected part out; the words around it stay. */
export const takeOut: Command = (state, dispatch) => {
  dispatch?.(state.tr.deleteSelection().scrollIntoView());
  return true;
};

/** Another name for the bookmark that is selected. */
export function renameBookmark(name: string): Command {
  return (state, dispatch) => {
    const { selection } = state;
    if (!(selection instanceof NodeSelection) || selection.node.type.name !== "bookmark") return false;
    const tr = state.tr.setNodeMarkup(selection.from, null, { ...selection.node.attrs, name });
    dispatch?.(tr.setSelection(NodeSelection.create(tr.doc, selection.from)));
    return true;
  };
}

/** Names the place of the cursor, or the selected words as far as they stand in its section. */
export function insertBookmark(attributes: { id: string; name: string }): Command {
  return (state, dispatch) => {
    const made = nodeType("bookmark").create(attributes);
    const at = placeInLine(state.doc, state.selection.from, made.type);
    if (at === null) return false;
    const tr = state.tr;
    const end = namedEnd(state);
    if (end !== null) tr.insert(end, nodeType("bookmarkEnd").create({ id: attributes.id }));
    dispatch?.(tr.insert(at, made));
    return true;
  };
}

/** Leaves a reminder at the cursor, behind the words that are selected. */
export function insertReminder(attributes: { id: string; words: string }): Command {
  return (state, dispatch) => {
    const made = nodeType("reminder").create(attributes);
    const at = placeInLine(state.doc, state.selection.to, made.type);
    if (at === null) return false;
    const tr = state.tr.insert(at, made);
    dispatch?.(tr.setSelection(TextSelection.create(tr.doc, at + 1)).scrollIntoView());
    return true;
  };
}

/** Where a bookmark around the selected words would end; null when it would name a place. */
export function namedEnd({ doc, selection: { from, to, $from, $to } }: EditorState): number | null {
  if (from === to || $from.index(0) !== $to.index(0)) return null;
  const end = placeInLine(doc, to, nodeType("bookmarkEnd"));
  return end !== null && end > from ? end : null;
}

export function insertCrossReference(attributes: Attrs): Command {
  return (state, dispatch) => putInLine(state, dispatch, nodeType("crossReference").create(attributes));
}

/** Selected words become the calculation; else an empty one begins under the paragraph. */
export const insertCalculation: Command = (state, dispatch) => {
  const { $from, from, to } = state.selection;
  const block = blockAt($from);
  if (!block) return false;
  const expression = state.doc.textBetween(from, to, " ").trim();
  const made = nodeType("calculation").create(null, expression === "" ? undefined : schema.text(expression));
  const at = block.to;
  const tr = state.tr.insert(at, made);
  dispatch?.(tr.setSelection(near(tr.doc, at + 1 + expression.length)).scrollIntoView());
  return true;
};

/** Enter in a calculation goes on with a paragraph under it. */
export const leaveCalculation: Command = (state, dispatch) => {
  if (!isInside(state, "calculation")) return false;
  const at = state.selection.$head.after();
  const tr = state.tr.insert(at, nodeType("paragraph").create());
  dispatch?.(tr.setSelection(near(tr.doc, at + 1)).scrollIntoView());
  return true;
};

/** In the line at the cursor, or under the paragraph; the formula that is selected gives way to it. */
export function insertFormula(source: string, isBlock: boolean): Command {
  return (state, dispatch) => {
    const { selection } = state;
    const made = nodeType(isBlock ? "formulaBlock" : "formula").create({ source });
    const replaced = selection instanceof NodeSelection && selection.node.type.name.startsWith("formula");
    if (replaced && selection.node.type === made.type) {
      const tr = state.tr.setNodeMarkup(selection.from, null, { source });
      dispatch?.(tr.setSelection(near(tr.doc, selection.from + 1)).scrollIntoView());
      return true;
    }
    const tr = replaced ? state.tr.deleteSelection() : state.tr;
    if (!isBlock) {
      // The words that a formula is asked for stay beside it; where a block was, it stands in a line of its own.
      if (!tr.selection.$from.parent.inlineContent) tr.insert(selection.from, nodeType("paragraph").create());
      const at = placeInLine(tr.doc, near(tr.doc, selection.from).from, made.type);
      if (at === null) return false;
      tr.insert(at, made);
      dispatch?.(tr.setSelection(TextSelection.create(tr.doc, at + 1)).scrollIntoView());
      return true;
    }
    const block = blockAt(tr.selection.$from);
    if (!block) return false;
    const at = putUnder(tr, block, made);
    dispatch?.(tr.setSelection(near(tr.doc, at + 1)).scrollIntoView());
    return true;
  };
}

/** A picture of its own under the paragraph with the cursor, which then goes on below it. */
export function insertFigure(
  picture: { src: string; alt: string; width?: number | null; decorative?: true | null },
  caption: string,
): Command {
  return (state, dispatch) => {
    const block = blockAt(state.selection.$from);
    if (!block) return false;
    const figure = nodeType("figure").create(picture, caption === "" ? null : schema.text(caption));
    const tr = state.tr;
    const at = putUnder(tr, block, figure);
    dispatch?.(tr.setSelection(near(tr.doc, at + figure.nodeSize + 1)).scrollIntoView());
    return true;
  };
}

/** Enter in what is said under a picture goes on in the text below. */
export const leaveFigure: Command = (state, dispatch) => {
  const { $head, $anchor } = state.selection;
  if ($head.parent.type.name !== "figure" || !$head.sameParent($anchor)) return false;
  return goOnBelow($head.after())(state, dispatch);
};

/** At the end of the selected words; the cursor goes into the note. */
export function insertFootnote(): Command {
  return (state, dispatch) => {
    const made = nodeType("footnote").create();
    const at = placeInLine(state.doc, state.selection.to, made.type);
    if (at === null) return false;
    const tr = state.tr.insert(at, made);
    dispatch?.(tr.setSelection(TextSelection.create(tr.doc, at + 1)));
    return true;
  };
}

/** Enter or Esc in a footnote goes on in the text after it. */
export const leaveFootnote: Command = (state, dispatch) => {
  const { $head, $anchor } = state.selection;
  if ($head.parent.type.name !== "footnote" || !$head.sameParent($anchor)) return false;
  dispatch?.(state.tr.setSelection(TextSelection.create(state.doc, $head.after())).scrollIntoView());
  return true;
};

/**
 * Rubbing out at a footnote: its last letter leaves it empty, to be written in again; an empty one goes; one that the
 * cursor stands beside is selected first, for it may hold much.
 */
export function rubOutNote(direction: "back" | "on"): Command {
  return (state, dispatch) => {
    const { $head, empty } = state.selection;
    if (!empty) return false;
    const isOn = direction === "on";
    if ($head.parent.type.name === "footnote") {
      const { size } = $head.parent.content;
      if (size > 1 || (size === 1 && ($head.parentOffset === 0) !== isOn)) return false;
      dispatch?.(
        size === 0
          ? state.tr.delete($head.before(), $head.after())
          : state.tr.delete($head.start(), $head.end()).scrollIntoView(),
      );
      return true;
    }
    const beside = isOn ? $head.nodeAfter : $head.nodeBefore;
    if (beside?.type.name !== "footnote") return false;
    dispatch?.(state.tr.setSelection(NodeSelection.create(state.doc, $head.pos - (isOn ? 0 : beside.nodeSize))));
    return true;
  };
}

/** Rubbing out ends at the edge of a cell and of a caption: what is beyond is not picked, for the next letter would take it away. */
export function staysInCell(direction: "back" | "on"): Command {
  return ({ selection: { $head, empty } }) =>
    empty &&
    ["tableCell", "caption"].includes($head.parent.type.name) &&
    $head.parentOffset === (direction === "on" ? $head.parent.content.size : 0);
}

/** The arrows stop on both sides of a footnote's edge, which the browser takes for one place. */
export function acrossNoteEdge(direction: "back" | "on"): Command {
  return (state, dispatch) => {
    const { $head, empty } = state.selection;
    if (!empty) return false;
    const isOn = direction === "on";
    const isAtEdge = $head.parentOffset === (isOn ? $head.parent.content.size : 0);
    const beside = isOn ? $head.nodeAfter : $head.nodeBefore;
    const leaves = $head.parent.type.name === "footnote" && isAtEdge;
    if (!leaves && beside?.type.name !== "footnote") return false;
    dispatch?.(state.tr.setSelection(TextSelection.create(state.doc, $head.pos + (isOn ? 1 : -1))).scrollIntoView());
    return true;
  };
}

export type LinkRange = { from: number; to: number; href: string; hint: string | null };

/** The link that a position stands in or at, with all the words that it has. */
export function linkAt(doc: EditorState["doc"], position: number): LinkRange | null {
  const $at = doc.resolve(position);
  const isLink = (each: { type: { name: string } }) => each.type.name === "link";
  const found = [$at.nodeAfter, $at.nodeBefore].map((each) => each?.marks.find(isLink)).find((each) => each);
  if (!found) return null;
  const parent = $at.parent;
  const start = $at.start();
  let [from, to] = [-1, -1];
  parent.forEach((each, offset) => {
    const isSame = found.isInSet(each.marks);
    const end = offset + each.nodeSize;
    if (isSame && from < 0) [from, to] = [offset, end];
    else if (isSame && to === offset) to = end;
    else if (isSame && end <= $at.parentOffset) [from, to] = [offset, end];
    else if (!isSame && from >= 0 && to < $at.parentOffset) from = -1;
  });
  if (from < 0) return null;
  const hint = found.attrs["title"];
  return {
    from: start + from,
    to: start + to,
    href: String(found.attrs["href"]),
    hint: typeof hint === "string" ? hint : null,
  };
}

/** Links the selected words or the link that the cursor is in, or takes the link away when there is no target. */
export function setLink(target: string | null, hint: string | null = null): Command {
  return (state, dispatch) => {
    const { empty } = state.selection;
    const range = empty ? linkAt(state.doc, state.selection.from) : state.selection;
    if (!range) return false;
    const { from, to } = range;
    const tr = state.tr.removeMark(from, to, mark("link"));
    if (target !== null) {
      tr.addMark(from, to, mark("link").create({ href: target, title: hint || null }));
      // The next letter goes on after the link, and does not take its words away.
      tr.setSelection(TextSelection.near(tr.doc.resolve(to), -1));
    }
    dispatch?.(tr);
    return true;
  };
}

/** Words that lead somewhere, put in at the cursor. */
export function insertLinked(words: string, target: string, hint: string | null): Command {
  return (state, dispatch) => {
    const link = mark("link").create({ href: target, title: hint || null });
    if (!state.selection.$from.parent.type.allowsMarkType(link.type)) return false;
    const tr = state.tr.replaceSelectionWith(schema.text(words, [link]), false);
    dispatch?.(tr.scrollIntoView());
    return true;
  };
}

export function isInHeading(state: EditorState): boolean {
  return state.selection.$from.parent.type.name === "heading";
}

export function isInside(state: EditorState, name: string): boolean {
  const { $from } = state.selection;
  for (let depth = $from.depth; depth > 0; depth--) if ($from.node(depth).type.name === name) return true;
  return state.selection instanceof NodeSelection && state.selection.node.type.name === name;
}

export type PickedBlocks = { section: string; blocks: number[] };

/** The blocks that the selection reaches, by section, those with words only; counted from 0 after the heading. */
export function pickedBlocks(state: EditorState): PickedBlocks[] {
  const { $from, $to, empty } = state.selection;
  const picked: PickedBlocks[] = [];
  for (let index = $from.index(0); index <= Math.min($to.index(0), state.doc.childCount - 1); index++) {
    const section = sectionAt(state.doc, index);
    const first = headingOf(section.node) ? 1 : 0;
    const blocks: number[] = [];
    section.node.forEach((block, offset, at) => {
      const isReached = offset + block.nodeSize > placeIn(section, $from.pos) && offset <= placeIn(section, $to.pos);
      if (at < first || !isReached) return;
      const isLine = ["paragraph", "bulletList", "orderedList"].includes(block.type.name);
      if (empty ? $from.index(1) === at : isLine && block.textContent.trim() !== "") blocks.push(at - first);
    });
    if (blocks.length > 0) picked.push({ section: section.id, blocks });
  }
  return picked;
}

/** Which of its section's blocks the cursor is in, counted from 0 after the heading; null in the heading. */
export function currentBlock(state: EditorState): number | null {
  const { $from } = state.selection;
  if ($from.depth === 0) return null;
  const index = $from.index(1) - (headingOf($from.node(1)) ? 1 : 0);
  return index >= 0 ? index : null;
}
