import type { Node as TextNode, ResolvedPos } from "@tiptap/pm/model";
import { TextSelection, type Command, type Selection, type Transaction } from "@tiptap/pm/state";

/**
 * A section within the text that is edited. Places in it are counted from its own beginning (0 is before the heading), so
 * that they mean the same whatever stands above.
 */
export type SectionPlace = {
  id: string;
  node: TextNode;
  /** Before it, in the whole text. */ start: number;
  index: number;
};

/** The section that a position lies in; of one between two sections, the one below. */
export function sectionAround($at: ResolvedPos): SectionPlace | null {
  const doc = $at.node(0);
  const index = $at.depth > 0 ? $at.index(0) : Math.min($at.index(0), doc.childCount - 1);
  return doc.childCount === 0 ? null : sectionAt(doc, index);
}

/** A section that the outline does not know yet stands as deep as it was made. */
export function levelOf(section: TextNode, { lookOf }: { lookOf(id: string): { level: number | null } }): number {
  return lookOf(String(section.attrs["id"])).level ?? (Number(section.attrs["level"]) || 1);
}

export function sectionAt(doc: TextNode, index: number): SectionPlace {
  const node = doc.child(index);
  let start = 0;
  for (let before = 0; before < index; before++) start += doc.child(before).nodeSize;
  return { id: String(node.attrs["id"]), node, start, index };
}

export function findSection(doc: TextNode, id: string): SectionPlace | null {
  let start = 0;
  for (let index = 0; index < doc.childCount; index++) {
    const node = doc.child(index);
    if (node.attrs["id"] === id) return { id, node, start, index };
    start += node.nodeSize;
  }
  return null;
}

/** A place in a section as a position of the whole text; what lies outside of it is its nearer end. */
export function positionIn(section: SectionPlace, at: number): number {
  return section.start + 1 + Math.max(0, Math.min(at, section.node.content.size));
}

/** A position of the whole text as a place in the section. */
export function placeIn(section: SectionPlace, position: number): number {
  return Math.max(0, Math.min(position - section.start - 1, section.node.content.size));
}

/** The innermost part of such a kind that a position lies in, and where it begins. */
export function around(
  $at: ResolvedPos,
  isOfKind: (node: TextNode) => boolean,
): { node: TextNode; at: number; depth: number } | null {
  for (let depth = $at.depth; depth > 0; depth--) {
    if (isOfKind($at.node(depth))) return { node: $at.node(depth), at: $at.before(depth), depth };
  }
  return null;
}

/** The nearest place at or after a position where a cursor can stand. */
export function near(doc: TextNode, position: number): Selection {
  return TextSelection.near(doc.resolve(position));
}

/** Goes on in a paragraph of its own at this place, which follows a block; one that is there and empty is taken. */
export function goOnBelow(at: number): Command {
  return (state, dispatch) => {
    const below = state.doc.resolve(at).nodeAfter;
    const isThere = below?.type.name === "paragraph" && below.content.size === 0;
    const tr = isThere ? state.tr : state.tr.insert(at, state.schema.node("paragraph"));
    dispatch?.(tr.setSelection(near(tr.doc, at + 1)).scrollIntoView());
    return true;
  };
}

/** The block of a section that a position lies in, or before which it stands when that is selected as a whole. */
export function blockAt($at: ResolvedPos): { node: TextNode; from: number; to: number } | null {
  if ($at.depth >= 2) return { node: $at.node(2), from: $at.before(2), to: $at.after(2) };
  const node = $at.depth === 1 ? $at.nodeAfter : null;
  return node && { node, from: $at.pos, to: $at.pos + node.nodeSize };
}

/**
 * Puts a block under another, or in place of a paragraph that holds nothing; a paragraph to go
 * on in follows where none stands below. Answers where the block begins.
 */
export function putUnder(tr: Transaction, block: NonNullable<ReturnType<typeof blockAt>>, made: TextNode): number {
  const { node, from, to: end } = block;
  const at = node.type.name === "paragraph" && node.content.size === 0 ? from : end;
  const goesOn = tr.doc.resolve(end).nodeAfter?.type.name === "paragraph";
  tr.replaceWith(at, end, goesOn ? [made] : [made, tr.doc.type.schema.node("paragraph")]);
  return at;
}
