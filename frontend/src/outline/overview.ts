import { branchEnd, levelAt, type Outline } from "./outline";

/** The folds that leave only levels 1 to the given one to be seen. */
export function foldsTo(outline: Outline, level: number): string[] {
  return outline.ids.filter(
    (_id, position) => levelAt(outline, position) >= level && branchEnd(outline, position) > position + 1,
  );
}

export function deepestLevel(outline: Outline): number {
  return Math.max(1, ...Array.from(new Set(outline.levels), Number));
}

/** Level 1 only, then levels 1 to 2, and so on to everything, then from the start again; levels that no heading has are passed over. */
export function nextOverview(outline: Outline, folded: ReadonlySet<string>): number {
  const levels = [...new Set(outline.levels)].map(Number).filter((level) => level > 0);
  levels.sort((a, b) => a - b);
  const shown = levels.findLastIndex((level) => {
    const folds = foldsTo(outline, level);
    return folds.length === folded.size && folds.every((id) => folded.has(id));
  });
  return levels[shown + 1] ?? levels[0] ?? 1;
}
