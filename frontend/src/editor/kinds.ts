import { splitBlockAs, toggleMark } from "@tiptap/pm/commands";
import type { Node as TextNode } from "@tiptap/pm/model";
import type { Command, EditorState } from "@tiptap/pm/state";
import { schema } from "./schema";

const DEEPEST = 9;

/** The kind of text that the cursor is in, as style sheets name it; `level` is that of the section. */
export function kindAt(state: EditorState, level: number): string {
  const { $head } = state.selection;
  let depthOfList = 0;
  let isQuoted = false;
  for (let depth = $head.depth; depth > 0; depth -= 1) {
    const node = $head.node(depth);
    const name = node.type.name;
    if (name === "heading") return `heading-${level}`;
    if (name === "footnote") return "footnote";
    if (name === "codeBlock" || name === "calculation") return "code";
    if (name === "figure" || name === "caption") return "caption";
    if (name === "tableCell") return node.attrs["header"] === true ? "table-head" : "table-cell";
    if (name === "paragraph" && typeof node.attrs["kind"] === "string") return node.attrs["kind"];
    if (name === "listItem") depthOfList += 1;
    if (name === "quotation") isQuoted = true;
    if (name === "section" && depthOfList === 0 && !isQuoted && $head.index(depth) === 1) return "first-paragraph";
  }
  if (depthOfList > 0) return `list-item-${Math.min(DEEPEST, depthOfList)}`;
  return isQuoted ? "quotation" : "body";
}

/** The kind that the selected words are of, or that which is typed would be of. */
export function wordKindAt(state: EditorState): string | null {
  const { $from, empty } = state.selection;
  const marks = state.storedMarks ?? (empty ? $from.marks() : ($from.nodeAfter?.marks ?? []));
  const name: unknown = marks.find((each) => each.type.name === "kind")?.attrs["name"];
  return typeof name === "string" ? name : null;
}

/** Makes the selected paragraphs ones of a kind; null for body text. */
export function setParagraphKind(kind: string | null): Command {
  return (state, dispatch) => {
    const { from, to } = state.selection;
    const tr = state.tr;
    state.doc.nodesBetween(from, to, (node, position) => {
      if (node.type.name !== "paragraph") return true;
      if (node.attrs["kind"] !== kind) tr.setNodeMarkup(position, null, { ...node.attrs, kind });
      return false;
    });
    if (!tr.docChanged) return false;
    dispatch?.(tr.scrollIntoView());
    return true;
  };
}

/** Enter at the end of a paragraph goes on in one of its kind and of what is said of it by hand, as a poem does. */
export const splitInKind: Command = splitBlockAs((node, atEnd) =>
  atEnd && isSetApart(node)
    ? { type: node.type, attrs: { kind: node.attrs["kind"], shape: node.attrs["shape"] } }
    : null,
);

const isSetApart = (node: TextNode): boolean =>
  node.type.name === "paragraph" && (node.attrs["kind"] !== null || node.attrs["shape"] !== null);

/** Enter in an empty one is the way back to body text. */
export const leaveKind: Command = (state, dispatch) => {
  const { $from, empty } = state.selection;
  const { parent } = $from;
  if (!empty || !isSetApart(parent) || parent.content.size > 0) return false;
  dispatch?.(state.tr.setNodeMarkup($from.before(), null, { ...parent.attrs, kind: null, shape: null }));
  return true;
};

/** Makes the selected words ones of a kind, or takes that from them. */
export function toggleWordKind(name: string): Command {
  return (state, dispatch) => {
    const type = schema.marks["kind"];
    if (!type) return false;
    if (wordKindAt(state) === name || wordKindAt(state) === null) return toggleMark(type, { name })(state, dispatch);
    const { from, to, empty } = state.selection;
    if (empty) dispatch?.(state.tr.addStoredMark(type.create({ name })));
    else dispatch?.(state.tr.addMark(from, to, type.create({ name })));
    return true;
  };
}
