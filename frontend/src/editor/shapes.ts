import type { Node as TextNode } from "@tiptap/pm/model";
import type { Command, EditorState } from "@tiptap/pm/state";
import { schema } from "./schema";

/** What is said by hand of the paragraph with the cursor; empty when nothing is. */
export function shapeAt(state: EditorState): string {
  const paragraph = paragraphAt(state);
  const shape: unknown = paragraph?.attrs["shape"];
  return typeof shape === "string" ? shape : "";
}

/** What is said by hand of the selected words. */
export function wordShapeAt(state: EditorState): string {
  const { $from, empty } = state.selection;
  const marks = empty ? $from.marks() : ($from.nodeAfter?.marks ?? []);
  const said: unknown = marks.find((each) => each.type.name === "shape")?.attrs["said"];
  return typeof said === "string" ? said : "";
}

/** Whether something can be said by hand of the paragraph with the cursor. */
export function isInParagraph(state: EditorState): boolean {
  return paragraphAt(state) !== null;
}

function paragraphAt({ selection }: EditorState): TextNode | null {
  const { $head } = selection;
  return $head.parent.type.name === "paragraph" ? $head.parent : null;
}

/** Says it of the selected paragraphs; nothing when it is empty. */
export function setParagraphShape(shape: string): Command {
  return (state, dispatch) => {
    const { from, to } = state.selection;
    const tr = state.tr;
    state.doc.nodesBetween(from, to, (node, position) => {
      if (node.type.name !== "paragraph") return true;
      const now = shape === "" ? null : shape;
      if (node.attrs["shape"] !== now) tr.setNodeMarkup(position, null, { ...node.attrs, shape: now });
      return false;
    });
    if (!tr.docChanged) return false;
    dispatch?.(tr);
    return true;
  };
}

/** Says it of the selected words; nothing when it is empty. */
export function setWordShape(said: string): Command {
  return (state, dispatch) => {
    const { from, to, empty } = state.selection;
    const type = schema.marks["shape"];
    if (empty || !type) return false;
    const tr = said === "" ? state.tr.removeMark(from, to, type) : state.tr.addMark(from, to, type.create({ said }));
    if (!tr.docChanged) return false;
    dispatch?.(tr);
    return true;
  };
}
