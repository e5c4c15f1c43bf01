import type { SectionText } from "../api/client";
import { sectionNode } from "../editor/section-text";

/** A line of a page is looked for by its words; hyphens at its end and in its words are the typesetter’s. */
const pattern = (line: string): RegExp | null => {
  const words = line.normalize("NFKC").match(/[\p{L}\p{N}]+/gu);
  return words === null ? null : new RegExp(words.slice(0, 8).join("[^\\p{L}\\p{N}]+"), "u");
};

/**
 * Where the words of a printed line stand in their section: a position as the editor counts, 0 before the heading. The
 * beginning of the block when its words are not found in it.
 */
export function placeOfLine(text: SectionText, hasHeading: boolean, block: number, line: string): number {
  const section = sectionNode(text.id, text, hasHeading);
  const index = Math.min(block + (hasHeading ? 1 : 0), section.childCount - 1);
  let at = 0;
  for (let each = 0; each < index; each++) at += section.child(each).nodeSize;
  const within = section.child(index);
  const looked = pattern(line);
  if (looked === null) return at + 1;
  // Each part that is no text takes one place, so that places in the words are places in the block.
  const words = within.textBetween(0, within.content.size, " ", " ");
  const found = words.search(looked);
  if (found < 0 || !within.inlineContent) return at + 1;
  return at + 1 + found;
}
