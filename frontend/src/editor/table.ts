import { Fragment, type Node as TextNode } from "@tiptap/pm/model";
import { TextSelection, type Command, type EditorState, type Transaction } from "@tiptap/pm/state";
import { goOnBelow, near, putUnder } from "./places";
import { schema } from "./schema";

/** Tables: how one is put in, gone about in and changed. Rows and columns are counted from 0. */

export type Alignment = "left" | "center" | "right";

type Cells = TextNode[][];

/** The table with the cursor. In its caption the row is −1. */
type At = { table: TextNode; start: number; cells: Cells; row: number; column: number };

/** What the table becomes, and the cell to be in. */
type Changed = { cells: Cells; row: number; column: number };

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
  const cells: Cells = [];
  table.forEach((row) => void (row.type === rowType && cells.push([...row.content.content])));
  const row = $head.index(depth) - 1;
  return { table, start: $head.before(depth), cells, row, column: row < 0 ? 0 : $head.index(depth + 1) };
}

export const isInTable = (state: EditorState): boolean => tableAt(state) !== null;

/** A table of these words, one list for each row, under the paragraph with the cursor; the first row may head it. */
export function insertTable(words: readonly (readonly string[])[], hasHeader: boolean): Command {
  return (state, dispatch) => {
    const { $from } = state.selection;
    if ($from.depth < 2 || $from.node(2).type.name === "heading" || isInTable(state)) return false;
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
    dispatch?.(toCell(tr, putUnder(tr, $from, table), 0, 0).scrollIntoView());
    return true;
  };
}

/** To the next cell, or the one before; after the last cell a row is added. */
export function nextCell(way: "on" | "back"): Command {
  return (state, dispatch) => {
    const at = tableAt(state);
    if (!at) return false;
    const order = at.cells.flatMap((row, index) => row.map((_, column) => [index, column] as const));
    const here = order.findIndex(([row, column]) => row === at.row && column === at.column);
    const next = order[here + (way === "on" ? 1 : -1)];
    if (next) dispatch?.(toCell(state.tr, at.start, next[0], next[1], true).scrollIntoView());
    else if (way === "on") return addRow("after")(state, dispatch);
    else dispatch?.(state.tr.setSelection(near(state.doc, at.start + 2)).scrollIntoView());
    return true;
  };
}

/** Enter goes to the cell below; from the last row, out of the table. */
export const cellBelow: Command = (state, dispatch) => {
  const at = tableAt(state);
  if (!at) return false;
  if (at.cells[at.row + 1]) {
    dispatch?.(toCell(state.tr, at.start, at.row + 1, at.column, true).scrollIntoView());
    return true;
  }
  return goOnBelow(at.start + at.table.nodeSize)(state, dispatch);
};

export const addRow = (where: "before" | "after"): Command =>
  changed(({ cells, row, column }) => {
    if (cells.length >= MOST_ROWS) return null;
    const at = where === "before" ? Math.max(0, row) : row + 1;
    const like = cells[Math.max(0, row)] ?? [];
    const made = like.map((cell) => emptyLike(cell, where === "after" && isHeaderRow(cells, row)));
    return { cells: cells.toSpliced(at, 0, made), row: at, column: where === "before" ? column : 0 };
  });

export const addColumn = (where: "before" | "after"): Command =>
  changed(({ cells, row, column }) => {
    if (widest(cells) >= MOST_COLUMNS) return null;
    const at = where === "before" ? column : column + 1;
    const isHeader = isHeaderColumn(cells, column);
    return {
      cells: cells.map((each) => {
        const like = each[Math.min(column, each.length - 1)];
        return like ? each.toSpliced(at, 0, emptyLike(like, isHeader)) : each;
      }),
      row: Math.max(0, row),
      column: at,
    };
  });

/** The last row takes the table with it. */
export const removeRow: Command = (state, dispatch) => {
  const at = tableAt(state);
  if (!at || at.row < 0) return false;
  if (at.cells.length === 1) return removeTable(state, dispatch);
  return changed(({ cells, row, column }) => ({
    cells: cells.toSpliced(row, 1),
    row: Math.min(row, cells.length - 2),
    column,
  }))(state, dispatch);
};

export const removeColumn: Command = (state, dispatch) => {
  const at = tableAt(state);
  if (!at || at.row < 0) return false;
  if (at.cells.some((row) => row.length === 1)) return widest(at.cells) === 1 && removeTable(state, dispatch);
  return changed(({ cells, row, column }) => ({
    cells: cells.map((each) => each.toSpliced(column, 1)),
    row,
    column: Math.max(0, column - 1),
  }))(state, dispatch);
};

export const moveRow = (way: "up" | "down"): Command =>
  changed(({ cells, row, column }) => {
    const to = row + (way === "up" ? -1 : 1);
    const moved = cells[row];
    if (!moved || to < 0 || to >= cells.length) return null;
    return { cells: cells.toSpliced(row, 1).toSpliced(to, 0, moved), row: to, column };
  });

export const moveColumn = (way: "back" | "on"): Command =>
  changed(({ cells, row, column }) => {
    const to = column + (way === "back" ? -1 : 1);
    if (row < 0 || to < 0 || to >= widest(cells)) return null;
    const moved = cells.map((each) => {
      const cell = each[column];
      return cell && to < each.length ? each.toSpliced(column, 1).toSpliced(to, 0, cell) : each;
    });
    return { cells: moved, row, column: to };
  });

/** The first row heads the columns, or does so no longer. */
export const toggleHeaderRow: Command = changed(({ cells, row, column }) => {
  const header = !isHeaderRow(cells, 0);
  const first = cells[0]?.map((cell) => withAttribute(cell, { header })) ?? [];
  return { cells: [first, ...cells.slice(1)], row, column };
});

/** The first column heads the rows, or does so no longer. */
export const toggleHeaderColumn: Command = changed(({ cells, row, column }) => {
  const header = !isHeaderColumn(cells, 0);
  // The cell in the corner belongs to the row that heads the columns.
  const corner = isHeaderRow(cells, 0) && cells.length > 1 ? 1 : 0;
  return {
    cells: cells.map((each, index) =>
      each.map((cell, at) => (at === 0 && index >= corner ? withAttribute(cell, { header }) : cell)),
    ),
    row,
    column,
  };
});

/** All cells of the column with the cursor. */
export const alignColumn = (align: Alignment): Command =>
  changed(({ cells, row, column }) => ({
    cells: cells.map((each) =>
      each.map((cell, at) => (at === column ? withAttribute(cell, { align: align === "left" ? null : align }) : cell)),
    ),
    row,
    column,
  }));

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
    const rows = next.cells.map((cells) => rowType.create(null, cells));
    const made = at.table.copy(Fragment.from([at.table.child(0), ...rows]));
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

/** Puts the cursor at the end of a cell, or selects what it holds. */
function toCell(tr: Transaction, start: number, row: number, column: number, isWhole = false): Transaction {
  const table = tr.doc.nodeAt(start);
  if (!table) return tr;
  const line = Math.min(row, table.childCount - 2) + 1;
  let at = start + 1;
  for (let before = 0; before < line; before++) at += table.child(before).nodeSize;
  const cells = table.child(line);
  const place = Math.min(column, cells.childCount - 1);
  at += 1;
  for (let before = 0; before < place; before++) at += cells.child(before).nodeSize;
  const end = at + 1 + cells.child(place).content.size;
  return tr.setSelection(TextSelection.create(tr.doc, isWhole ? at + 1 : end, end));
}

const isHeaderRow = (cells: Cells, row: number) => cells[row]?.every((cell) => cell.attrs["header"] === true) ?? false;

/** Of a table whose first row heads it, the rows below tell. */
function isHeaderColumn(cells: Cells, column: number): boolean {
  const rows = cells.length > 1 && isHeaderRow(cells, 0) ? cells.slice(1) : cells;
  return rows.every((row) => row[column]?.attrs["header"] === true);
}

const widest = (cells: Cells) => Math.max(...cells.map((row) => row.length));

const withAttribute = (cell: TextNode, attributes: Record<string, unknown>) =>
  cellType.create({ ...cell.attrs, ...attributes }, cell.content, cell.marks);

/** Headings of columns are not headings of the rows under them. */
const emptyLike = (cell: TextNode, isPlain: boolean) =>
  cellType.create({ ...cell.attrs, ...(isPlain ? { header: false } : {}) });

/** Cells with tabs between them, as spreadsheets put them on the clipboard; null for any other text. */
export function tabSeparated(text: string): string[][] | null {
  const lines = text.replace(/\r\n?/g, "\n").replace(/\n$/, "").split("\n");
  const rows = lines.map((line) => line.split("\t").map((cell) => cell.trim()));
  const columns = rows[0]?.length ?? 0;
  const isTable = columns > 1 && columns <= MOST_COLUMNS && rows.length <= MOST_ROWS;
  return isTable && rows.every((row) => row.length === columns) ? rows : null;
}
