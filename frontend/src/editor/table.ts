import { Fragment, type Node as TextNode } from "@tiptap/pm/model";
import { TextSelection, type Command, type EditorState, type Transaction } from "@tiptap/pm/state";
import { blockAt, goOnBelow, near, putUnder } from "./places";
import { schema } from "./schema";

/** Tables: how one is put in, gone about in and changed. Rows and columns are counted from 0. */

export type Alignment = "left" | "center" | "right";

/** A cell and the places that it covers; where it spans several, each of them holds the same one. */
type Slot = { cell: TextNode };
/** The places of a table, row by row. */
type Grid = Slot[][];

/** The table with the cursor. In its caption the row is −1. */
type At = { table: TextNode; start: number; grid: Grid; row: number; column: number };

/** What the table becomes, and the place to be in. */
type Changed = { grid: Grid; row: number; column: number };

export const MOST_ROWS = 200;
export const MOST_COLUMNS = 30;

const cellType = schema.nodes["tableCell"]!;
const rowType = schema.nodes["tableRow"]!;
const tableType = schema.nodes["table"]!;
const paragraph = schema.nodes["paragraph"]!;

function tableAt(state: EditorState): At | null {
  const { $head } = state.selection;
  let depth = $head.depth;
  while (depth > 0 && $head.node(depth).type !== tableType) depth--;
  if (depth === 0) return null;
  const table = $head.node(depth);
  const grid = gridOf(table);
  const start = $head.before(depth);
  // Behind a row or a cell that is selected as a whole, that is meant.
  const behind = (level: number) => Math.max(0, $head.index(level) - ($head.depth === level ? 1 : 0));
  const index = behind(depth) - 1;
  if (index < 0) return { table, start, grid, row: -1, column: 0 };
  const line = table.child(index + 1);
  const cell = line.child($head.depth === depth ? line.childCount - 1 : behind(depth + 1));
  return { table, start, grid, row: index, column: grid[index]?.findIndex((slot) => slot.cell === cell) ?? 0 };
}

function gridOf(table: TextNode): Grid {
  const rows = table.content.content.filter((row) => row.type === rowType);
  const grid: Grid = rows.map(() => []);
  rows.forEach((row, index) => {
    let column = 0;
    row.forEach((cell) => {
      while (grid[index]?.[column]) column++;
      const slot = { cell };
      for (let below = index; below < Math.min(rows.length, index + spanOf(cell, "rows")); below++)
        for (let beside = column; beside < column + spanOf(cell, "columns"); beside++) grid[below]![beside] = slot;
    });
  });
  // Whatever spans leave open is a place of its own, so that every row is as long as its last cell says.
  return grid.map((row) => Array.from(row, (slot) => slot ?? { cell: cellType.create() }));
}

/** The rows again, each with the cells that begin in it; one in which none begins is no row. */
function rowsOf(all: Grid): TextNode[] {
  const grid = all.filter((row, index) => index === 0 || row.some((slot, column) => all[index - 1]?.[column] !== slot));
  return grid.map((row, index) =>
    rowType.create(
      null,
      row.flatMap((slot, column) => {
        if (grid[index - 1]?.[column] === slot || row[column - 1] === slot) return [];
        const columns = row.filter((each) => each === slot).length;
        const rows = grid.filter((each) => each[column] === slot).length;
        return [withAttribute(slot.cell, { columns: columns > 1 ? columns : null, rows: rows > 1 ? rows : null })];
      }),
    ),
  );
}

const spanOf = (cell: TextNode, attribute: "rows" | "columns") => Number(cell.attrs[attribute] ?? 1);

export const isInTable = (state: EditorState): boolean => tableAt(state) !== null;

/** A table of these words, one list for each row, under the paragraph with the cursor; the first row may head it. */
export function insertTable(words: readonly (readonly string[])[], hasHeader: boolean): Command {
  return (state, dispatch) => {
    const block = blockAt(state.selection.$from);
    if (!block || isInTable(state)) return false;
    const columns = Math.max(1, ...words.map((row) => row.length));
    const rows = words.map((row, index) =>
      rowType.create(
        null,
        Array.from({ length: columns }, (_, column) =>
          cellType.create({ header: hasHeader && index === 0 }, row[column] ? schema.text(row[column]) : null),
        ),
      ),
    );
    const table = tableType.create(null, [schema.nodes["caption"]!.create(), ...rows]);
    const tr = state.tr;
    dispatch?.(toCell(tr, putUnder(tr, block, table), 0, 0).scrollIntoView());
    return true;
  };
}

/** To the next cell, or the one before; after the last cell a row is added. */
export function nextCell(way: "on" | "back"): Command {
  return (state, dispatch) => {
    const at = tableAt(state);
    if (!at) return false;
    const order = beginnings(at.grid);
    const here = order.findIndex(({ slot }) => slot === at.grid[at.row]?.[at.column]);
    const next = order[here + (way === "on" ? 1 : -1)];
    if (next) dispatch?.(toCell(state.tr, at.start, next.row, next.column, true).scrollIntoView());
    else if (way === "on") return addRow("after")(state, dispatch);
    else dispatch?.(state.tr.setSelection(near(state.doc, at.start + 2)).scrollIntoView());
    return true;
  };
}

/** The rectangle of places that two places in a table span, grown until no cell in it reaches beyond. */
function rectangle(table: TextNode, start: number, from: number, to: number) {
  const grid = gridOf(table);
  const at = new Map<TextNode, number>();
  table.descendants((node, offset) => {
    if (node.type === cellType) at.set(node, start + 1 + offset);
    return node.type !== cellType;
  });
  const all = beginnings(grid);
  const holds = (place: number) =>
    all.find(({ slot: { cell } }) => {
      const begins = at.get(cell);
      return begins !== undefined && begins < place && place < begins + cell.nodeSize;
    });
  const [one, other] = [holds(from), holds(to)];
  if (!one || !other) return null;
  let [top, left] = [Math.min(one.row, other.row), Math.min(one.column, other.column)];
  let [bottom, right] = [Math.max(one.row, other.row), Math.max(one.column, other.column)];
  const inside = () => new Set(grid.slice(top, bottom + 1).flatMap((row) => row.slice(left, right + 1)));
  for (let before = -1, these = inside(); these.size !== before; before = these.size, these = inside())
    grid.forEach((row, y) =>
      row.forEach((slot, x) => {
        if (!these.has(slot)) return;
        [top, left, bottom, right] = [Math.min(top, y), Math.min(left, x), Math.max(bottom, y), Math.max(right, x)];
      }),
    );
  return { grid, at, top, left, bottom, right, slots: inside() };
}

/** What the cells between two places hold, as stretches of the text. */
export function cellsBetween(table: TextNode, start: number, from: number, to: number): { from: number; to: number }[] {
  const found = rectangle(table, start, from, to);
  return [...(found?.slots ?? [])].flatMap(({ cell }) => {
    const at = found?.at.get(cell);
    return at === undefined ? [] : [{ from: at + 1, to: at + 1 + cell.content.size }];
  });
}

/** The rows of a table of just the cells between two places. */
export function rowsBetween(table: TextNode, start: number, from: number, to: number): TextNode[] {
  const found = rectangle(table, start, from, to);
  if (!found) return [];
  const { grid, top, left, bottom, right } = found;
  return rowsOf(grid.slice(top, bottom + 1).map((row) => row.slice(left, right + 1)));
}

/** The rows of a table, without its caption. */
export const rowsOfTable = (table: TextNode): TextNode[] => table.content.content.filter((row) => row.type === rowType);

/** Cells over those from the one at a place on, as spreadsheets do; the table grows where it must. Null where it cannot. */
export function putCells(tr: Transaction, rows: readonly TextNode[], place: number): Transaction | null {
  const $at = tr.doc.resolve(place);
  let depth = $at.depth;
  while (depth > 0 && $at.node(depth).type !== tableType) depth--;
  if (depth === 0 || $at.index(depth) === 0) return null;
  const [table, start] = [$at.node(depth), $at.before(depth)];
  const found = rectangle(table, start, place, place);
  const put = gridOf(tableType.create(null, [schema.nodes["caption"]!.create(), ...rows]));
  if (!found || put.length === 0) return null;
  const { grid, top, left } = found;
  const [height, width] = [Math.max(grid.length, top + put.length), Math.max(widest(grid), left + widest(put))];
  if (height > MOST_ROWS || width > MOST_COLUMNS) return null;
  const made = Array.from({ length: height }, (_row, row) =>
    Array.from({ length: width }, (_cell, column): Slot => {
      const was = grid[row]?.[column] ?? { cell: cellType.create() };
      const now = put[row - top]?.[column - left];
      return now ? { cell: withAttribute(was.cell, { columns: null, rows: null }).copy(now.cell.content) } : was;
    }),
  );
  tr.replaceWith(start, start + table.nodeSize, table.copy(Fragment.from([table.child(0), ...rowsOf(made)])));
  return toCell(tr, start, top + put.length - 1, left + (put[0]?.length ?? 1) - 1).scrollIntoView();
}

/** The selected cells become one; their words stand in it one after the other. */
export const mergeCells: Command = (state, dispatch) => {
  const { from, to } = state.selection;
  return changed(({ table, start, grid }) => {
    const found = rectangle(table, start, from, to);
    if (!found || found.slots.size < 2) return null;
    const { top, left, bottom, right } = found;
    const these = new Set(grid.slice(top, bottom + 1).flatMap((row) => row.slice(left, right + 1)));
    const words = [...these].map(({ cell }) => cell.content).filter(({ size }) => size > 0);
    const content = words.reduce(
      (all, each) => (all.size > 0 ? all.append(Fragment.from(schema.text(" "))).append(each) : each),
      Fragment.empty,
    );
    const first = grid[top]![left]!.cell;
    const slot: Slot = { cell: cellType.create({ ...first.attrs, columns: null, rows: null }, content) };
    return { grid: grid.map((row) => row.map((each) => (these.has(each) ? slot : each))), row: top, column: left };
  })(state, dispatch);
};

/** Whether there is a cell with the cursor that covers several places. */
export function isMergedCell(state: EditorState): boolean {
  const at = tableAt(state);
  const cell = at && at.row >= 0 ? at.grid[at.row]?.[at.column]?.cell : undefined;
  return cell !== undefined && (spanOf(cell, "rows") > 1 || spanOf(cell, "columns") > 1);
}

/** A cell that covers several places gives all but the first of them empty cells of their own. */
export const splitCell: Command = changed(({ grid, row, column }) => {
  const whole = grid[row]?.[column];
  if (!whole) return null;
  let isFirst = true;
  return {
    grid: grid.map((line) =>
      line.map((slot) => {
        if (slot !== whole) return slot;
        const made = isFirst
          ? { cell: withAttribute(whole.cell, { columns: null, rows: null }) }
          : emptyLike(whole, false);
        isFirst = false;
        return made;
      }),
    ),
    row,
    column,
  };
});

/** Each cell with the place it begins at, in reading order. */
function beginnings(grid: Grid): { slot: Slot; row: number; column: number }[] {
  const seen = new Set<Slot>();
  return grid.flatMap((line, row) =>
    line.flatMap((slot, column) => {
      if (seen.has(slot)) return [];
      seen.add(slot);
      return [{ slot, row, column }];
    }),
  );
}

/** Enter goes to the cell below; from the last row, out of the table. */
export const cellBelow: Command = (state, dispatch) => {
  const at = tableAt(state);
  if (!at) return false;
  const here = at.grid[at.row]?.[at.column];
  const below = at.row < 0 ? 0 : at.grid.findIndex((row, index) => index > at.row && row[at.column] !== here);
  if (at.grid[below]) {
    dispatch?.(toCell(state.tr, at.start, below, at.column, true).scrollIntoView());
    return true;
  }
  return goOnBelow(at.start + at.table.nodeSize)(state, dispatch);
};

export const addRow = (where: "before" | "after"): Command =>
  changed(({ grid, row, column }) => {
    if (grid.length >= MOST_ROWS) return null;
    const here = grid[row]?.[column];
    const last = Math.max(row, ...grid.flatMap((each, index) => (here && each[column] === here ? [index] : [])));
    const at = where === "before" ? Math.max(0, row) : last + 1;
    const like = grid[where === "before" ? Math.max(0, row) : Math.max(0, last)] ?? [];
    const isPlain = where === "after" && isHeaderRow(grid, row);
    // A cell that goes on on both sides of the new row goes on through it.
    const made = like.map((slot, index) =>
      at > 0 && grid[at - 1]?.[index] === grid[at]?.[index] ? slot : emptyLike(slot, isPlain),
    );
    const first = made.findIndex((slot, index) => slot !== grid[at]?.[index]);
    return { grid: grid.toSpliced(at, 0, made), row: at, column: where === "before" ? column : Math.max(0, first) };
  });

export const addColumn = (where: "before" | "after"): Command =>
  changed(({ grid, row, column }) => {
    if (widest(grid) >= MOST_COLUMNS) return null;
    const here = grid[row]?.[column];
    const at = where === "before" ? column : Math.max(column, grid[row]?.lastIndexOf(here!) ?? column) + 1;
    const isHeader = isHeaderColumn(grid, column);
    return {
      grid: grid.map((each) => {
        const like = each[Math.min(column, each.length - 1)];
        if (!like) return each;
        const goesThrough = at > 0 && each[at - 1] !== undefined && each[at - 1] === each[at];
        return each.toSpliced(at, 0, goesThrough ? each[at]! : emptyLike(like, isHeader));
      }),
      row: Math.max(0, row),
      column: at,
    };
  });

/** The last row takes the table with it. */
export const removeRow: Command = (state, dispatch) => {
  const at = tableAt(state);
  if (!at || at.row < 0) return false;
  if (at.grid.length === 1) return removeTable(state, dispatch);
  return changed(({ grid, row, column }) => ({
    grid: grid.toSpliced(row, 1),
    row: Math.min(row, grid.length - 2),
    column,
  }))(state, dispatch);
};

export const removeColumn: Command = (state, dispatch) => {
  const at = tableAt(state);
  if (!at || at.row < 0) return false;
  if (at.grid.some((row) => row.length === 1)) return widest(at.grid) === 1 && removeTable(state, dispatch);
  return changed(({ grid, row, column }) => ({
    grid: grid.map((each) => each.toSpliced(column, 1)),
    row,
    column: Math.max(0, column - 1),
  }))(state, dispatch);
};

/** Rows that a cell holds together stay where they are. */
export const moveRow = (way: "up" | "down"): Command =>
  changed(({ grid, row, column }) => {
    const to = row + (way === "up" ? -1 : 1);
    const moved = grid[row];
    if (!moved || to < 0 || to >= grid.length) return null;
    const isHeld = [row, to].some((index) =>
      grid[index]?.some((slot, at) => grid[index - 1]?.[at] === slot || grid[index + 1]?.[at] === slot),
    );
    return isHeld ? null : { grid: grid.toSpliced(row, 1).toSpliced(to, 0, moved), row: to, column };
  });

/** Columns that a cell holds together stay where they are. */
export const moveColumn = (way: "back" | "on"): Command =>
  changed(({ grid, row, column }) => {
    const to = column + (way === "back" ? -1 : 1);
    if (row < 0 || to < 0 || to >= widest(grid)) return null;
    const isHeld = grid.some((each) =>
      [column, to].some((at) => each[at] && (each[at - 1] === each[at] || each[at + 1] === each[at])),
    );
    if (isHeld) return null;
    const moved = grid.map((each) => {
      const slot = each[column];
      return slot && to < each.length ? each.toSpliced(column, 1).toSpliced(to, 0, slot) : each;
    });
    return { grid: moved, row, column: to };
  });

/** The first row heads the columns, or does so no longer. */
export const toggleHeaderRow: Command = changed(({ grid, row, column }) => {
  const header = !isHeaderRow(grid, 0);
  return { grid: withSlots(grid, new Set(grid[0]), { header }), row, column };
});

/** The first column heads the rows, or does so no longer. */
export const toggleHeaderColumn: Command = changed(({ grid, row, column }) => {
  const header = !isHeaderColumn(grid, 0);
  // The cell in the corner belongs to the row that heads the columns.
  const corner = isHeaderRow(grid, 0) && grid.length > 1 ? 1 : 0;
  const first = grid.slice(corner).flatMap((each) => each.slice(0, 1));
  return { grid: withSlots(grid, new Set(first), { header }), row, column };
});

/** The table stands on a page of its own that is wider than high, or does so no longer. */
export const toggleLandscape: Command = (state, dispatch) => {
  const at = tableAt(state);
  if (!at) return false;
  dispatch?.(state.tr.setNodeAttribute(at.start, "landscape", at.table.attrs["landscape"] === true ? null : true));
  return true;
};

/** All cells of the column with the cursor. */
export const alignColumn = (align: Alignment): Command =>
  changed(({ grid, row, column }) => {
    const these = new Set(grid.flatMap((each) => each.slice(column, column + 1)));
    return { grid: withSlots(grid, these, { align: align === "left" ? null : align }), row, column };
  });

function withSlots(grid: Grid, these: ReadonlySet<Slot>, attributes: Record<string, unknown>): Grid {
  const next = new Map([...these].map((slot) => [slot, { cell: withAttribute(slot.cell, attributes) }]));
  return grid.map((row) => row.map((slot) => next.get(slot) ?? slot));
}

export const removeTable: Command = (state, dispatch) => {
  const at = tableAt(state);
  if (!at) return false;
  const tr = state.tr.replaceWith(at.start, at.start + at.table.nodeSize, paragraph.create());
  dispatch?.(tr.setSelection(near(tr.doc, at.start + 1)).scrollIntoView());
  return true;
};

/** True in a table even where nothing is to change, so that the key does nothing else. */
function changed(change: (at: At) => Changed | null): Command {
  return (state, dispatch) => {
    const at = tableAt(state);
    if (!at) return false;
    const next = change(at);
    if (!next || !dispatch) return true;
    const made = at.table.copy(Fragment.from([at.table.child(0), ...rowsOf(next.grid)]));
    const tr = state.tr.replaceWith(at.start, at.start + at.table.nodeSize, made);
    const isInCaption = next.row < 0;
    dispatch(
      isInCaption
        ? tr.setSelection(TextSelection.near(tr.doc.resolve(at.start + 2)))
        : toCell(tr, at.start, next.row, next.column).scrollIntoView(),
    );
    return true;
  };
}

/** Puts the cursor at the end of the cell that covers a place, or selects what it holds. */
function toCell(tr: Transaction, start: number, row: number, column: number, isWhole = false): Transaction {
  const table = tr.doc.nodeAt(start);
  if (!table) return tr;
  const grid = gridOf(table);
  const line = grid[Math.min(row, grid.length - 1)] ?? [];
  const wanted = line[Math.min(column, line.length - 1)]?.cell;
  let place = start + 2;
  table.descendants((node, position) => {
    if (node === wanted) place = start + 1 + position;
    return node.type !== cellType;
  });
  const end = place + 1 + (wanted?.content.size ?? 0);
  return tr.setSelection(TextSelection.create(tr.doc, isWhole ? place + 1 : end, end));
}

const isHeaderRow = (grid: Grid, row: number) => grid[row]?.every(({ cell }) => cell.attrs["header"] === true) ?? false;

/** Of a table whose first row heads it, the rows below tell. */
function isHeaderColumn(grid: Grid, column: number): boolean {
  const rows = grid.length > 1 && isHeaderRow(grid, 0) ? grid.slice(1) : grid;
  return rows.every((row) => row[column]?.cell.attrs["header"] === true);
}

const widest = (grid: Grid) => Math.max(...grid.map((row) => row.length));

const withAttribute = (cell: TextNode, attributes: Record<string, unknown>) =>
  cellType.create({ ...cell.attrs, ...attributes }, cell.content, cell.marks);

/** Headings of columns are not headings of the rows under them. */
const emptyLike = ({ cell }: Slot, isPlain: boolean): Slot => ({
  cell: cellType.create({ ...cell.attrs, columns: null, rows: null, ...(isPlain ? { header: false } : {}) }),
});

/** Cells with tabs between them, as spreadsheets put them on the clipboard; null for any other text. */
export function tabSeparated(text: string): string[][] | null {
  const lines = text.replace(/\r\n?/g, "\n").replace(/\n$/, "").split("\n");
  const rows = lines.map((line) => line.split("\t").map((cell) => cell.trim()));
  const columns = rows[0]?.length ?? 0;
  const isTable = columns > 1 && columns <= MOST_COLUMNS && rows.length <= MOST_ROWS;
  return isTable && rows.every((row) => row.length === columns) ? rows : null;
}
