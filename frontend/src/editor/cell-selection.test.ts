import { EditorState, TextSelection } from "@tiptap/pm/state";
import { expect, test } from "vitest";
import { CellSelection, cellSelections, overNotes } from "./cell-selection";
import { cell, docOf, p, row, textWith } from "./editor.test-helper";
import { schema } from "./schema";
import { mergeCells, splitCell } from "./table";

const TABLE = {
  type: "table",
  content: [
    { type: "caption", content: [{ type: "text", text: "Lamps" }] },
    row(cell("aa"), cell("bb"), cell("cc")),
    row(cell("dd"), cell("ee"), cell("ff")),
    row(cell("gg"), cell("hh"), cell("ii")),
  ],
};

/** The text with a selection from behind the first letter of one word to behind the first of another, or to the end of the table. */
function selected(from: string, to: string): EditorState {
  const doc = docOf(textWith("Oil", p("before"), TABLE, p("after")), true);
  const at: Record<string, number> = {};
  doc.descendants((node, position) => {
    if (node.isText) at[node.text!] = position + 1;
  });
  const state = EditorState.create({ doc, plugins: [cellSelections()] });
  return state.apply(state.tr.setSelection(TextSelection.create(doc, at[from]!, to === "" ? at["ii"]! + 1 : at[to]!)));
}

/** Paragraphs, and the rows of tables with a bar between cells. */
function lines(state: EditorState): string[] {
  const found: string[] = [];
  state.doc.descendants((node) => {
    if (node.type.name === "tableRow") found.push(node.content.content.map((each) => each.textContent).join("|"));
    else if (node.type.name !== "tableCell" && node.isTextblock) found.push(node.textContent);
    return node.type.name !== "tableRow";
  });
  return found;
}

test.each([
  ["aa", "ee", ["Oil", "before", "Lamps", "||cc", "||ff", "gg|hh|ii", "after"]],
  ["ff", "hh", ["Oil", "before", "Lamps", "aa|bb|cc", "dd||", "gg||", "after"]],
  ["Lamps", "bb", ["Oil", "before", "L", "|b|cc", "dd|ee|ff", "gg|hh|ii", "after"]],
  ["before", "dd", ["Oil", "b", "", "||", "d|ee|ff", "gg|hh|ii", "after"]],
  ["hh", "after", ["Oil", "before", "Lamps", "aa|bb|cc", "dd|ee|ff", "gg|h|", "fter"]],
  ["before", "after", ["Oil", "bfter"]],
  ["before", "", ["Oil", "b", "after"]],
])("what is taken out from %s to %s leaves every cell that is not whole within it", (from, to, left) => {
  const state = selected(from, to);
  const after = state.apply(state.tr.deleteSelection());
  after.doc.check();
  expect(lines(after)).toEqual(left);
});

test("a letter typed over cells takes the place of their words, in the first of them", () => {
  const state = selected("aa", "ee");
  const after = state.apply(state.tr.insertText("x"));
  expect(lines(after)).toEqual(["Oil", "before", "Lamps", "x||cc", "||ff", "gg|hh|ii", "after"]);
  expect(after.selection.$head.parent.textContent).toBe("x");
});

test("what is copied of cells is a table of them", () => {
  const { content } = selected("ee", "ii").selection.content();
  expect(content.childCount).toBe(1);
  const table = content.firstChild!;
  expect(table.type.name).toBe("table");
  expect(table.content.content.slice(1).map((each) => each.content.content.map((one) => one.textContent))).toEqual([
    ["ee", "ff"],
    ["hh", "ii"],
  ]);
});

test("a selection within one cell is none over cells, and one over cells is read as what it was", () => {
  const over = selected("aa", "ee");
  expect(over.selection).toBeInstanceOf(CellSelection);
  const { anchor, head } = over.selection;
  expect(over.selection.eq(TextSelection.create(over.doc, anchor, head))).toBe(true);
  const within = over.apply(over.tr.setSelection(TextSelection.create(over.doc, anchor, anchor + 1)));
  expect(within.selection).not.toBeInstanceOf(CellSelection);
});

test("selected cells are merged and split again; the words of all stand in the first", () => {
  let state = selected("aa", "ee");
  expect(mergeCells(state, (tr) => (state = state.apply(tr)))).toBe(true);
  state.doc.check();
  expect(lines(state)).toEqual(["Oil", "before", "Lamps", "aa bb dd ee|cc", "ff", "gg|hh|ii", "after"]);
  expect(splitCell(state, (tr) => (state = state.apply(tr)))).toBe(true);
  expect(lines(state)).toEqual(["Oil", "before", "Lamps", "aa bb dd ee||cc", "||ff", "gg|hh|ii", "after"]);
});

test("a selection that reaches into a note takes it whole, and leaves it on its way back", () => {
  const noted = schema.node("doc", null, [
    schema.node("section", { id: "aaaaaaaaaaaa" }, [
      schema.node("heading"),
      schema.node("paragraph", null, [
        schema.text("ab"),
        schema.node("footnote", null, [schema.text("note")]),
        schema.text("cd"),
      ]),
    ]),
  ]);
  // 4 is before “ab”; the note goes from 6 to 12.
  const over = (anchor: number, head: number, came: number) => {
    const { from, to } = overNotes(TextSelection.create(noted, anchor, head), came);
    return [from, to];
  };
  expect(over(4, 8, 6)).toEqual([4, 12]);
  expect(over(4, 11, 12)).toEqual([4, 6]);
  expect(over(14, 9, 12)).toEqual([6, 14]);
  expect(over(14, 7, 6)).toEqual([12, 14]);
  expect(over(8, 14, 8)).toEqual([6, 14]);
  expect(over(8, 10, 8)).toEqual([8, 10]);
});
