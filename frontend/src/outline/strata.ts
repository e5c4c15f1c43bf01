import { levelAt, type Outline } from "./outline";

/** A stretch of the strip: one section's branch, in proportion to its words. */
export type Stratum = { id: string; position: number; level: number; left: number; width: number; empty: boolean };

/** Sections without words still take a little room, so that what is empty can be seen. */
const LEAST_WORDS = 12;

export const STRATA_ROWS = 4;

/**
 * Lays the document out from left to right.
 *
 * @param words own words of each section, in order
 * @param leastWidth pixels; narrower stretches are left out, for nobody could see or hit them
 */
export function strata(outline: Outline, words: readonly number[], width: number, leastWidth = 2): Stratum[] {
  const starts = [0];
  for (let position = 0; position < words.length; position++) starts.push((starts[position] ?? 0) + Math.max(LEAST_WORDS, words[position] ?? 0));
  const total = starts[words.length] ?? 0;
  if (total === 0) return [];
  const scale = width / total;
  const found: Stratum[] = [];
  const open: Stratum[] = [];
  const close = (level: number, end: number) => {
    for (let last = open[open.length - 1]; last && last.level >= level; last = open[open.length - 1]) {
      open.pop();
      last.width = (starts[end] ?? total) * scale - last.left;
    }
  };
  for (let position = 0; position < words.length; position++) {
    const level = Math.max(1, levelAt(outline, position));
    close(level, position);
    const stratum = { id: outline.ids[position] ?? "", position, level, left: (starts[position] ?? 0) * scale, width: 0, empty: (words[position] ?? 0) === 0 };
    found.push(stratum);
    open.push(stratum);
  }
  close(0, words.length);
  return found.filter((each) => each.level <= STRATA_ROWS && each.width >= leastWidth).map((each) => ({ ...each, empty: each.empty && isWhole(outline, each.position) }));
}

/** A part whose text stands in its sections is not empty. */
function isWhole(outline: Outline, position: number): boolean {
  return position + 1 >= outline.ids.length || levelAt(outline, position + 1) <= levelAt(outline, position);
}
