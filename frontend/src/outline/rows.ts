import { levelAt, type Outline } from "./outline";

/** One line of the outline as drawn. */
export type Row = {
  id: string;
  position: number;
  level: number;
  /** Whether deeper sections stand under it. */
  hasInside: boolean;
  folded: boolean;
  /** Levels at which a stem runs on past this row to a later branch. */
  stems: readonly number[];
  /** Level of the parent, or 0 at the top. */
  parentLevel: number;
  setSize: number;
  positionInSet: number;
};

/** The rows left visible by the folds, each with the line work that shows parent and child. */
export function visibleRows(outline: Outline, folded: ReadonlySet<string>): Row[] {
  const rows: (Row & { parentRow: number })[] = [];
  const open: number[] = [];
  const children = new Map<number, number>();
  let hiddenBelow = 10;
  for (let position = 0; position < outline.ids.length; position++) {
    const level = levelAt(outline, position);
    if (level > hiddenBelow) continue;
    hiddenBelow = 10;
    const id = outline.ids[position] ?? "";
    while (open.length > 0 && (rows[open[open.length - 1] ?? 0]?.level ?? 0) >= level) open.pop();
    const parentRow = open[open.length - 1] ?? -1;
    const hasInside = level > 0 && position + 1 < outline.ids.length && levelAt(outline, position + 1) > level;
    const isFolded = hasInside && folded.has(id);
    const positionInSet = (children.get(parentRow) ?? 0) + 1;
    children.set(parentRow, positionInSet);
    rows.push({
      id,
      position,
      level,
      hasInside,
      folded: isFolded,
      stems: [],
      parentLevel: rows[parentRow]?.level ?? 0,
      setSize: 0,
      positionInSet,
      parentRow,
    });
    if (level > 0) open.push(rows.length - 1);
    if (isFolded) hiddenBelow = level;
  }
  return withStems(rows, children);
}

/** What the outline is narrowed to: headings with some words, and sections at a stage of writing. */
export type RowFilter = { readonly words: string; readonly stage: string | null };
export const NO_FILTER: RowFilter = { words: "", stage: null };

export function isFiltering({ words, stage }: RowFilter): boolean {
  return words !== "" || stage !== null;
}

/** Only the sections that fit, each with the headings above it. No fold hides what was looked for. */
export function narrowedRows(
  outline: Outline,
  { words, stage }: RowFilter,
  told: (id: string) => { words: string; stage: string },
): Row[] {
  const parts = words.toLocaleLowerCase().split(/\s+/).filter(Boolean);
  const shown = new Set<number>();
  const above: number[] = [];
  outline.ids.forEach((id, position) => {
    while (above.length > 0 && levelAt(outline, above[above.length - 1] ?? 0) >= levelAt(outline, position))
      above.pop();
    above.push(position);
    const found = told(id);
    const heading = found.words.toLocaleLowerCase();
    const fits = parts.every((part) => heading.includes(part)) && (stage === null || found.stage === stage);
    if (fits) above.forEach((each) => shown.add(each));
  });
  const positions = Array.from(shown).toSorted((a, b) => a - b);
  const part = {
    ids: positions.map((position) => outline.ids[position] ?? ""),
    levels: positions.map((position) => outline.levels[position]).join(""),
    flags: positions.map((position) => outline.flags[position]).join(""),
  };
  return visibleRows(part, new Set()).map((row) => ({ ...row, position: positions[row.position] ?? 0 }));
}

function withStems(rows: (Row & { parentRow: number })[], children: ReadonlyMap<number, number>): Row[] {
  // From the bottom up: a stem runs at a level as long as a later row hangs on it.
  let running: number[] = [];
  for (let index = rows.length - 1; index >= 0; index--) {
    const row = rows[index];
    if (!row) continue;
    row.stems = running;
    row.setSize = children.get(row.parentRow) ?? 1;
    running = running.filter((level) => level < row.level);
    // The first branches of all hang on the trunk, which runs at their own level.
    const hangsAt = row.parentLevel || (row.positionInSet > 1 ? row.level : 0);
    if (hangsAt > 0 && !running.includes(hangsAt)) running = [...running, hangsAt];
  }
  return rows;
}
