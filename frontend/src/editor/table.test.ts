import { EditorState, TextSelection, type Command } from "@tiptap/pm/state";
import { expect, test } from "vitest";
import { docOf, p, storedOf, textWith } from "./editor.test-helper";
import * as tables from "./table";

/** A text with one table of these rows, the cursor at the end of the cell with these words. */
function over(rows: string[][], words: string, hasHeader = true): EditorState {
  const empty = EditorState.create({ doc: docOf(textWith("Oil", p("Before")), true) });
  const inText = empty.apply(empty.tr.setSelection(TextSelection.create(empty.doc, 8)));
  return cursorIn(after(inText, tables.insertTable(rows, hasHeader)), words);
}

function cursorIn(state: EditorState, words: string): EditorState {
  let at = -1;
  state.doc.descendants((node, position) => {
    if (node.isText && node.text === words) at = position + words.length;
  });
  return state.apply(state.tr.setSelection(TextSelection.create(state.doc, at)));
}

function after(state: EditorState, command: Command): EditorState {
  let next = state;
  expect(command(state, (tr) => (next = state.apply(tr)))).toBe(true);
  next.doc.check();
  return next;
}

type Stored = { type: string; attrs?: { header?: boolean; align?: string }; text?: string; content?: Stored[] };

/** The rows; cells that head are written with a “#” before them. */
function rowsOf(state: EditorState): string[] {
  const { body } = storedOf(state.doc) as unknown as { body: Stored[] };
  const table = body.find(({ type }) => type === "table");
  return (table?.content ?? [])
    .filter(({ type }) => type === "tableRow")
    .map((row) =>
      (row.content ?? [])
        .map(({ attrs, content }) => `${attrs?.header ? "#" : ""}${content?.[0]?.text ?? ""}`)
        .join("|"),
    );
}

const cell = (state: EditorState) => state.selection.$head.parent.textContent;

const LAMPS = [
  ["Harbour", "Lamps"],
  ["Thole", "40"],
  ["Aust", "80"],
];

test("a table stands under the paragraph with the cursor, which goes into the first cell", () => {
  const made = over(LAMPS, "Harbour");
  expect(rowsOf(made)).toEqual(["#Harbour|#Lamps", "Thole|40", "Aust|80"]);
  expect(made.doc.child(0).child(1).textContent).toBe("Before");
  expect(made.doc.child(0).lastChild?.type.name).toBe("paragraph");
});

test("Tab goes from cell to cell, and after the last one into a new row", () => {
  let state = over(LAMPS, "40");
  state = after(state, tables.nextCell("on"));
  expect(cell(state)).toBe("Aust");
  state = after(after(state, tables.nextCell("on")), tables.nextCell("on"));
  expect(rowsOf(state)).toEqual(["#Harbour|#Lamps", "Thole|40", "Aust|80", "|"]);
  state = after(state, tables.nextCell("back"));
  expect(cell(state)).toBe("80");
});

test("Enter goes down the column, and out of the last row into a paragraph of its own", () => {
  const last = after(over(LAMPS, "40"), tables.cellBelow);
  expect(cell(last)).toBe("80");
  const out = after(last, tables.cellBelow);
  expect(out.selection.$head.parent.type.name).toBe("paragraph");
  expect(out.selection.$head.node(2)).toBe(out.selection.$head.parent);
});

test("rows come, move and go", () => {
  expect(rowsOf(after(over(LAMPS, "40"), tables.addRow("before")))).toEqual([
    "#Harbour|#Lamps",
    "|",
    "Thole|40",
    "Aust|80",
  ]);
  expect(rowsOf(after(over(LAMPS, "40"), tables.addRow("after")))[2]).toBe("|");
  // A row under those that head the columns heads none.
  expect(rowsOf(after(over(LAMPS, "Lamps"), tables.addRow("after")))[1]).toBe("|");
  const moved = after(over(LAMPS, "40"), tables.moveRow("down"));
  expect(rowsOf(moved)).toEqual(["#Harbour|#Lamps", "Aust|80", "Thole|40"]);
  expect(cell(moved)).toBe("40");
  expect(rowsOf(after(moved, tables.moveRow("down")))).toEqual(rowsOf(moved));
  expect(rowsOf(after(moved, tables.removeRow))).toEqual(["#Harbour|#Lamps", "Aust|80"]);
});

test("columns come, move and go", () => {
  expect(rowsOf(after(over(LAMPS, "40"), tables.addColumn("before")))).toEqual([
    "#Harbour|#|#Lamps",
    "Thole||40",
    "Aust||80",
  ]);
  expect(rowsOf(after(over(LAMPS, "40"), tables.addColumn("after")))[1]).toBe("Thole|40|");
  const moved = after(over(LAMPS, "40"), tables.moveColumn("back"));
  expect(rowsOf(moved)).toEqual(["#Lamps|#Harbour", "40|Thole", "80|Aust"]);
  expect(cell(moved)).toBe("40");
  expect(rowsOf(after(moved, tables.removeColumn))).toEqual(["#Harbour", "Thole", "Aust"]);
});

test("the last row or column takes the table along", () => {
  expect(rowsOf(after(over([["a", "b"]], "b"), tables.removeRow))).toEqual([]);
  expect(rowsOf(after(over([["a"], ["b"]], "b"), tables.removeColumn))).toEqual([]);
});

test("the first row and the first column head the others, or do so no longer", () => {
  const plain = after(over(LAMPS, "40"), tables.toggleHeaderRow);
  expect(rowsOf(plain)[0]).toBe("Harbour|Lamps");
  expect(rowsOf(after(plain, tables.toggleHeaderRow))[0]).toBe("#Harbour|#Lamps");
  const both = after(over(LAMPS, "40"), tables.toggleHeaderColumn);
  expect(rowsOf(both)).toEqual(["#Harbour|#Lamps", "#Thole|40", "#Aust|80"]);
  expect(rowsOf(after(both, tables.toggleHeaderColumn))).toEqual(rowsOf(over(LAMPS, "40")));
});

test("a column is aligned as a whole, and left again", () => {
  const alignments = (state: EditorState) => {
    const found: unknown[] = [];
    state.doc.descendants((node) => void (node.type.name === "tableCell" && found.push(node.attrs["align"])));
    return found;
  };
  const right = after(over(LAMPS, "40"), tables.alignColumn("right"));
  expect(alignments(right)).toEqual([null, "right", null, "right", null, "right"]);
  expect(alignments(after(right, tables.alignColumn("left")))).toEqual(Array.from({ length: 6 }, () => null));
});

test("a table has bounds that keys do not lead over", () => {
  const tall = over(
    Array.from({ length: tables.MOST_ROWS }, (_, row) => [`r${row}`]),
    `r${tables.MOST_ROWS - 1}`,
  );
  expect(rowsOf(after(tall, tables.addRow("after")))).toHaveLength(tables.MOST_ROWS);
  const wide = over([Array.from({ length: tables.MOST_COLUMNS }, (_, column) => `c${column}`)], "c0");
  expect(rowsOf(after(wide, tables.addColumn("after")))).toEqual(rowsOf(wide));
});

test("text with tabs is a table when every line has as many cells", () => {
  expect(tables.tabSeparated("a\tb\r\nc\td\r\n")).toEqual([
    ["a", "b"],
    ["c", "d"],
  ]);
  expect(tables.tabSeparated("a\tb\nc")).toBeNull();
  expect(tables.tabSeparated("a line")).toBeNull();
});

/** Cells by their words; “2x3 a” spans two columns and three rows. */
function merged(...rows: string[]): EditorState {
  const cellOf = (text: string) => {
    const [, columns, rows, words = ""] = /^(?:(\d)x(\d) )?(.*)$/.exec(text) ?? [];
    const spans = {
      ...(Number(columns) > 1 ? { columns: Number(columns) } : {}),
      ...(Number(rows) > 1 ? { rows: Number(rows) } : {}),
    };
    return {
      type: "tableCell",
      attrs: { header: false, align: null, ...spans },
      content: [{ type: "text", text: words }],
    };
  };
  const table = {
    type: "table",
    content: [{ type: "caption" }, ...rows.map((row) => ({ type: "tableRow", content: row.split("|").map(cellOf) }))],
  };
  return EditorState.create({ doc: docOf(textWith("Oil", table), true) });
}

function shape(state: EditorState): string[] {
  const { body } = storedOf(state.doc) as unknown as { body: (Stored & { attrs?: object })[] };
  const rows = body.find(({ type }) => type === "table")?.content?.filter(({ type }) => type === "tableRow") ?? [];
  return rows.map((row) =>
    (row.content ?? [])
      .map(({ attrs, content }) => {
        const { columns = 1, rows: high = 1 } = (attrs ?? {}) as { columns?: number; rows?: number };
        return `${columns * high > 1 ? `${columns}x${high} ` : ""}${content?.[0]?.text ?? ""}`;
      })
      .join("|"),
  );
}

const MERGED = ["a|2x1 b", "1x2 c|d|e", "f|g"];

test("a row put in within a cell that spans several goes through it", () => {
  const state = cursorIn(merged(...MERGED), "d");
  expect(shape(after(state, tables.addRow("after")))).toEqual(["a|2x1 b", "1x3 c|d|e", "|", "f|g"]);
  expect(shape(after(state, tables.addRow("before")))).toEqual(["a|2x1 b", "||", "1x2 c|d|e", "f|g"]);
  expect(shape(after(cursorIn(state, "c"), tables.addRow("after")))).toEqual([...MERGED, "||"]);
});

test("a column put in within a cell that spans several goes through it", () => {
  const state = cursorIn(merged(...MERGED), "d");
  expect(shape(after(state, tables.addColumn("after")))).toEqual(["a|3x1 b", "1x2 c|d||e", "f||g"]);
  expect(shape(after(state, tables.addColumn("before")))).toEqual(["a||2x1 b", "1x2 c||d|e", "|f|g"]);
});

test("a row or a column that goes takes no words of cells that go on elsewhere", () => {
  const state = cursorIn(merged(...MERGED), "d");
  expect(shape(after(state, tables.removeRow))).toEqual(["a|2x1 b", "c|f|g"]);
  expect(shape(after(state, tables.removeColumn))).toEqual(["a|b", "1x2 c|e", "g"]);
  const tall = cursorIn(merged("1x2 a|b", "c", "d|e"), "c");
  expect(shape(after(tall, tables.removeColumn))).toEqual(["a", "d"]);
});

test("rows and columns that a cell holds together stay where they are; others move", () => {
  const state = cursorIn(merged(...MERGED), "d");
  expect(shape(after(state, tables.moveRow("down")))).toEqual(MERGED);
  expect(shape(after(state, tables.moveColumn("on")))).toEqual(MERGED);
  const free = cursorIn(merged("a|b", "c|d", "2x1 e"), "d");
  expect(shape(after(free, tables.moveRow("up")))).toEqual(["c|d", "a|b", "2x1 e"]);
});

test("Tab and Enter go by cells, however many places they cover", () => {
  const state = cursorIn(merged(...MERGED), "c");
  expect(cell(after(state, tables.nextCell("on")))).toBe("d");
  expect(cell(after(cursorIn(state, "e"), tables.nextCell("on")))).toBe("f");
  expect(cell(after(cursorIn(state, "b"), tables.cellBelow))).toBe("d");
  expect(cell(after(cursorIn(state, "a"), tables.cellBelow))).toBe("c");
});
