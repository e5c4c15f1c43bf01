import type { Node as TextNode } from "@tiptap/pm/model";
import type { EditorState } from "@tiptap/pm/state";
import type { EditorView } from "@tiptap/pm/view";
import { schema } from "./schema";
import type { ShapeOf } from "./seen-shapes";

/** Whether something can be said by hand of the paragraph with the cursor. */
export function isInParagraph({ selection }: EditorState): boolean {
  return selection.$head.parent.type.name === "paragraph";
}

/** A line of the text, and from where to where in it something is said. */
type Part = { node: TextNode; from: number; to: number };

/**
 * The selected paragraphs, or the selected words, of which something is said by hand: it is asked for first how that is
 * written, and by then the cursor may be elsewhere.
 */
export class ShapedPlace {
  private parts: readonly Part[];

  constructor(
    private readonly view: EditorView,
    private readonly of: ShapeOf,
  ) {
    const { selection, doc } = view.state;
    const parts: Part[] = [];
    doc.nodesBetween(selection.from, selection.to, (node, position) => {
      if (!node.isTextblock) return true;
      const start = position + 1;
      const from = Math.max(0, selection.from - start);
      const to = Math.min(node.content.size, selection.to - start);
      if (of === "words" ? to > from : node.type.name === "paragraph") parts.push({ node, from, to });
      return of === "words";
    });
    this.parts = parts;
  }

  /** What is said of the first of it; empty when nothing is. */
  shape(): string {
    const part = this.parts[0];
    if (!part) return "";
    if (this.of === "paragraphs") return String(part.node.attrs["shape"] ?? "");
    let said: unknown;
    part.node.nodesBetween(part.from, part.to, (node) => {
      said ??= node.marks.find((each) => each.type.name === "shape")?.attrs["said"];
    });
    return typeof said === "string" ? said : "";
  }

  /** Says it there, wherever the cursor is now; nothing when it is empty. @returns false when the place is another by now */
  put(shape: string): boolean {
    const type = schema.marks["shape"];
    const { doc, tr } = this.view.state;
    const found: (Part & { at: number })[] = [];
    doc.descendants((node, at) => {
      const part = this.parts.find((each) => each.node === node);
      if (part) found.push({ ...part, at });
      return !node.isTextblock;
    });
    if (!type || found.length < this.parts.length) return false;
    for (const { node, from, to, at } of found) {
      if (this.of === "paragraphs") tr.setNodeMarkup(at, null, { ...node.attrs, shape: shape === "" ? null : shape });
      else if (shape === "") tr.removeMark(at + 1 + from, at + 1 + to, type);
      else tr.addMark(at + 1 + from, at + 1 + to, type.create({ said: shape }));
    }
    this.view.dispatch(tr);
    this.parts = found.map((part) => ({ ...part, node: this.view.state.doc.nodeAt(part.at) ?? part.node }));
    return true;
  }
}
