/** How the pages lie. */
export type Spread = "one" | "spread" | "many";

/** Sheets that are seen together, from 1 on: each alone, or as they lie open, the first one on the right. */
export function openedAt(sheet: number, count: number, spread: Spread): readonly number[] {
  if (spread !== "spread") return [sheet];
  const left = sheet - (sheet % 2);
  return [left, left + 1].filter((each) => each >= 1 && each <= count);
}

/** Where leafing leads. */
export function leafed(sheet: number, by: 1 | -1, count: number, spread: Spread): number {
  const together = openedAt(sheet, count, spread);
  const next = by === 1 ? (together.at(-1) ?? sheet) + 1 : (together[0] ?? sheet) - 1;
  return Math.min(Math.max(1, next), Math.max(1, count));
}

export type Spot = { sheet: number; down: number };

/** What stands at a height of a page, or last before it: of spots in the order of the pages. */
export function spotAt<T extends Spot>(spots: readonly T[], sheet: number, down: number): T | null {
  let low = 0;
  let high = spots.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    const spot = spots[middle];
    if (spot && (spot.sheet < sheet || (spot.sheet === sheet && spot.down <= down))) low = middle + 1;
    else high = middle;
  }
  return spots[low - 1] ?? null;
}

/** Spots in the order in which they stand. */
export function inOrder<T extends Spot>(spots: readonly T[]): T[] {
  return spots.toSorted((a, b) => a.sheet - b.sheet || a.down - b.down);
}

/** The last number of the pages that are numbered as this one is, in roman or in other figures; as “page x of y” prints it. */
export function lastLike(labels: readonly string[], label: string): string {
  const isFigures = (each: string) => /^\d+$/.test(each);
  return labels.findLast((each) => each !== "" && isFigures(each) === isFigures(label)) ?? label;
}

/** What the pages that are shown are called, and how many there are of their kind. */
export function pagesShown(labels: readonly string[], shown: readonly number[]): string {
  const names = shown.map((sheet) => labels[sheet - 1] ?? "");
  const last = names.findLast((name) => name !== "");
  if (last === undefined)
    return shown.length > 1
      ? `Sheets ${shown.join(" and ")}, without numbers`
      : `Sheet ${shown[0] ?? 1}, without a number`;
  const of = ` of ${lastLike(labels, last)}`;
  if (names.length === 1) return `Page ${last}${of}`;
  return `Pages ${names.map((name) => name || "without a number").join(" and ")}${of}`;
}
