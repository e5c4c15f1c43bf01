import { branchEnd, type Outline } from "./outline";
import type { Row } from "./rows";

/** The picked sections that stand in no other picked branch, in the document’s order. */
export function pickedHeads(
  outline: Outline,
  positions: ReadonlyMap<string, number>,
  picked: ReadonlySet<string>,
): number[] {
  const heads: number[] = [];
  let end = 0;
  for (const position of Array.from(picked, (id) => positions.get(id) ?? -1).toSorted((a, b) => a - b)) {
    if (position < end) continue;
    heads.push(position);
    end = branchEnd(outline, position);
  }
  return heads;
}

/** What a command on a row is for: everything picked when the row is among it, else the row alone. */
export function actedOn(picked: ReadonlySet<string>, id: string): string[] {
  return picked.has(id) ? [...picked] : [id];
}

export function toggled(picked: ReadonlySet<string>, id: string): Set<string> {
  const next = new Set(picked);
  if (!next.delete(id)) next.add(id);
  return next;
}

/** All rows from one to the other, whichever stands first. */
export function stretched(rows: readonly Row[], from: string, to: string): string[] {
  const [a, b] = [rows.findIndex((row) => row.id === from), rows.findIndex((row) => row.id === to)];
  return rows.slice(Math.min(a, b), Math.max(a, b) + 1).map((row) => row.id);
}
