import { branchEnd, type Outline } from "./outline";

/**
 * The sections of a stretch that the manuscript shows: a folded heading stays, the rest of its branch does not.
 *
 * @param from position of the first, @param to position after the last
 */
export function unfoldedSections(
  outline: Outline,
  from: number,
  to: number,
  folded: ReadonlySet<string>,
): readonly string[] {
  if (folded.size === 0) return from === 0 && to === outline.ids.length ? outline.ids : outline.ids.slice(from, to);
  const shown: string[] = [];
  for (let position = from; position < to;) {
    const id = outline.ids[position] ?? "";
    shown.push(id);
    position = folded.has(id) ? branchEnd(outline, position) : position + 1;
  }
  return shown;
}
