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

/** Level 1 only, then levels 1 to 2, and so on to everything, then from the start again. */
export function nextOverview(outline: Outline, folded: ReadonlySet<string>): number {
  const deepest = deepestLevel(outline);
  for (let level = 1; level < deepest; level++) {
    const folds = foldsTo(outline, level);
    if (folds.length === folded.size && folds.every((id) => folded.has(id))) return level + 1;
  }
  return 1;
}
