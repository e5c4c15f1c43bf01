import { levelAt, type Outline } from "./outline";
import type { Row } from "./rows";

export type Landing = { landing: "before" | "after" | "inside"; target: string };

/** Where a dragged branch would land: the gap it falls in, its level there, and how that is said to the server. */
export type DropPlace = { gap: number; level: number } & Landing;

/**
 * Vertical place chooses the gap between two rows, horizontal place the level, as far as the neighbours allow: no
 * higher than the row below, so that nothing falls under the branch unasked, and at most one deeper than the row above.
 *
 * @param gap 0 before the first row, rows.length after the last
 * @param wanted the level under the pointer
 */
export function dropPlace(outline: Outline, rows: readonly Row[], gap: number, wanted: number): DropPlace | null {
  const above = rows[gap - 1];
  const below = rows[gap];
  if (below && below.level === 0) return null;
  if (!above || above.level === 0)
    return below ? { gap, level: below.level, landing: "before", target: below.id } : null;
  const lowest = below ? below.level : 1;
  const level = Math.max(lowest, Math.min(above.level + 1, wanted));
  if (below && level === below.level) return { gap, level, landing: "before", target: below.id };
  if (level > above.level) return { gap, level, landing: "inside", target: above.id };
  const stem = ancestorAt(outline, above.position, level);
  if (stem === null) return null;
  const stemLevel = levelAt(outline, stem);
  const target = outline.ids[stem] ?? "";
  return stemLevel === level
    ? { gap, level, landing: "after", target }
    : { gap, level: stemLevel + 1, landing: "inside", target };
}

/** The section itself or the nearest one above that is not deeper than the level. */
function ancestorAt(outline: Outline, position: number, level: number): number | null {
  for (let at = position; at >= 0; at--) {
    const found = levelAt(outline, at);
    if (found > 0 && found <= level) return at;
  }
  return null;
}
