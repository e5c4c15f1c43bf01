import { lift, wrapIn } from "@tiptap/pm/commands";
import { Fragment, type Node as TextNode } from "@tiptap/pm/model";
import { liftListItem, wrapInList } from "@tiptap/pm/schema-list";
import { NodeSelection, TextSelection, type Command, type EditorState, type Transaction } from "@tiptap/pm/state";
import { liftTarget } from "@tiptap/pm/transform";
import { around, near } from "./places";
import { nodeType } from "./schema";

// Lists, quotations and code made of all the lines that the selection reaches, in as many sections as it does. Headings
// stay what they are.

type Dispatch = ((tr: Transaction) => void) | undefined;

/** Neighbouring blocks of one section, with their places in the document. */
type Run = { blocks: TextNode[]; from: number; to: number };

/** Makes lists of the lines, or makes them lines again when they are lists of that kind already. */
export function toggleList(name: "bulletList" | "orderedList"): Command {
  const type = nodeType(name);
  return (state, dispatch, view) => {
    const list = listAround(state);
    if (list?.node.type === type) return liftListItem(nodeType("listItem"))(state, dispatch, view);
    if (list) {
      dispatch?.(state.tr.setNodeMarkup(list.at, type, {}).scrollIntoView());
      return true;
    }
    if (isWithinOneBlock(state) && wrapInList(type)(state, dispatch, view)) return true;
    const isListed = (block: TextNode) => isList(block) || block.type.name === "paragraph";
    return changeRuns(state, dispatch, isListed, ({ blocks }) => {
      if (blocks.every((block) => block.type === type)) return blocks.flatMap(linesOf);
      const items = blocks.flatMap((block) =>
        isList(block) ? block.children : [nodeType("listItem").create(null, block)],
      );
      return [type.create(null, items)];
    });
  };
}

export const toggleQuotation: Command = (state, dispatch, view) => {
  const quotation = nodeType("quotation");
  const { $from, $to } = state.selection;
  if (isWithinOneBlock(state) && around($from, ({ type }) => type === quotation)) {
    const range = $from.blockRange($to, ({ type }) => type === quotation);
    const target = range ? liftTarget(range) : null;
    if (!range || target === null) return lift(state, dispatch);
    dispatch?.(state.tr.lift(range, target).scrollIntoView());
    return true;
  }
  if ($from.depth === 2 && isWithinOneBlock(state) && wrapIn(quotation)(state, dispatch, view)) return true;
  return changeRuns(
    state,
    dispatch,
    () => true,
    ({ blocks }) =>
      blocks.every((block) => block.type === quotation)
        ? blocks.flatMap((block) => block.children)
        : [
            quotation.create(
              null,
              blocks.flatMap((block) => (block.type === quotation ? block.children : [block])),
            ),
          ],
  );
};

/** Code holds letters and nothing else: a line with a note, a picture or a formula in it does not become code. */
export const toggleCodeBlock: Command = (state, dispatch) => {
  const code = nodeType("codeBlock");
  const { $from } = state.selection;
  const inner = around($from, ({ type }) => type === code);
  if (inner && isWithinOneBlock(state)) {
    const lines = inner.node.textContent.split("\n").map((line) => paragraphOf(state, line));
    return replaceAll(state, dispatch, [{ from: inner.at, to: inner.at + inner.node.nodeSize, made: lines }]);
  }
  const line = $from.depth > 2 && isWithinOneBlock(state) ? around($from, ({ isTextblock }) => isTextblock) : null;
  if (line) {
    const made = codeOf([line.node]);
    const { $from: $inner } = state.selection;
    const index = $inner.index(line.depth - 1);
    if (!made || !$inner.node(line.depth - 1).canReplaceWith(index, index + 1, code)) return false;
    return replaceAll(state, dispatch, [{ from: line.at, to: line.at + line.node.nodeSize, made: [made] }]);
  }
  const isLine = (block: TextNode) => block.type.name === "paragraph";
  return changeRuns(state, dispatch, isLine, ({ blocks }) => {
    const made = codeOf(blocks);
    return made ? [made] : null;
  });
};

function codeOf(lines: TextNode[]): TextNode | null {
  const texts = lines.map((line) => (line.type.name === "paragraph" ? textOf(line) : null));
  if (texts.includes(null)) return null;
  const text = texts.join("\n");
  return nodeType("codeBlock").create(null, text === "" ? null : nodeType("paragraph").schema.text(text));
}

/** The letters of a line; null when there is more in it. */
function textOf(line: TextNode): string | null {
  let text: string | null = "";
  line.forEach((part) => {
    if (text !== null) text = part.isText ? text + part.text : part.type.name === "hardBreak" ? `${text}\n` : null;
  });
  return text;
}

function paragraphOf(state: EditorState, line: string): TextNode {
  return nodeType("paragraph").create(null, line === "" ? null : state.schema.text(line));
}

function isList({ type }: TextNode): boolean {
  return type.name === "bulletList" || type.name === "orderedList";
}

/** What the items of a list hold, one after the other. */
function linesOf(list: TextNode): readonly TextNode[] {
  return list.children.flatMap((item) => item.children);
}

/** The innermost list that holds the whole selection. */
function listAround({ selection: { $from, $to } }: EditorState): { node: TextNode; at: number } | null {
  const list = around($from, isList);
  return list && $to.pos < list.at + list.node.nodeSize ? list : null;
}

function isWithinOneBlock({ selection: { $from, $to } }: EditorState): boolean {
  return $from.depth > 1 && $from.sharedDepth($to.pos) > 1;
}

/** The runs of such blocks that the selection reaches. */
function runsOf({ doc, selection: { from, to } }: EditorState, isOfKind: (block: TextNode) => boolean): Run[] {
  const runs: Run[] = [];
  doc.forEach((section, start) => {
    let run: Run | null = null;
    section.forEach((block, offset) => {
      const at = start + 1 + offset;
      const isReached = at + block.nodeSize > from && at < Math.max(to, from + 1);
      if (!isReached || block.type.name === "heading" || !isOfKind(block)) {
        run = null;
      } else if (run) {
        run.blocks.push(block);
        run.to = at + block.nodeSize;
      } else {
        run = { blocks: [block], from: at, to: at + block.nodeSize };
        runs.push(run);
      }
    });
  });
  return runs;
}

/** Puts other blocks in place of each run; false when there is none, or one that cannot be changed. */
function changeRuns(
  state: EditorState,
  dispatch: Dispatch,
  isOfKind: (block: TextNode) => boolean,
  change: (run: Run) => readonly TextNode[] | null,
): boolean {
  const changes: { from: number; to: number; made: readonly TextNode[] }[] = [];
  for (const run of runsOf(state, isOfKind)) {
    const made = change(run);
    if (!made) return false;
    changes.push({ from: run.from, to: run.to, made });
  }
  return replaceAll(state, dispatch, changes);
}

/** The selection stays on the same letters, which all stand in the new blocks, in their order. */
function replaceAll(
  state: EditorState,
  dispatch: Dispatch,
  changes: { from: number; to: number; made: readonly TextNode[] }[],
): boolean {
  if (changes.length === 0) return false;
  const { selection } = state;
  // Before a block that is chosen as a whole stand the letters of another: the cursor goes into it.
  const { anchor, head } = selection instanceof NodeSelection ? near(state.doc, selection.from) : selection;
  const [anchorAt, headAt] = [lettersBefore(state.doc, anchor), lettersBefore(state.doc, head)];
  const tr = state.tr;
  for (const { from, to, made } of changes.toReversed()) tr.replaceWith(from, to, Fragment.from(made));
  tr.setSelection(TextSelection.create(tr.doc, afterLetters(tr.doc, anchorAt), afterLetters(tr.doc, headAt)));
  dispatch?.(tr.scrollIntoView());
  return true;
}

/** Letters before a position, each line and each part of a line being one more. */
function lettersBefore(node: TextNode, position: number): number {
  return node.textBetween(0, position, "\n", "•").length;
}

function afterLetters(doc: TextNode, letters: number): number {
  let found = 0;
  doc.descendants((node, at) => {
    if (!node.isTextblock) return true;
    const before = lettersBefore(doc, at + 1);
    if (before > letters) return false;
    let offset = 0;
    while (offset < node.content.size && before + lettersBefore(node, offset) < letters) offset++;
    found = at + 1 + offset;
    return false;
  });
  return found;
}
