import type { Node as TextNode } from "@tiptap/pm/model";
import { EditorState, NodeSelection, TextSelection, type Command, type Selection } from "@tiptap/pm/state";
import { expect, test } from "vitest";
import * as commands from "./commands";
import { p, words, type Json } from "./editor.test-helper";
import * as runs from "./runs";
import { schema } from "./schema";
import { sectionNode } from "./section-text";
import * as table from "./table";

// What every command does at every kind of place, in one file to be read through: commands-at-places.txt. After a change
// that is meant, look at what differs and take it over with `vitest run -u`.

const item = (...content: Json[]): Json => ({ type: "listItem", content });
const cell = (...content: (string | Json)[]): Json => ({
  type: "tableCell",
  attrs: { header: false, align: null },
  content: p(...content).content ?? [],
});
const row = (...content: Json[]): Json => ({ type: "tableRow", content });
const note = (...content: (string | Json)[]): Json => ({ type: "footnote", content: p(...content).content ?? [] });
const BODY: Json[] = [
  p("Alpha ", words("bold", "strong"), note("noted"), " omega"),
  p(),
  {
    type: "bulletList",
    content: [item(p("one")), item(p("two"), { type: "bulletList", content: [item(p("inner"))] })],
  },
  { type: "orderedList", attrs: { start: 4 }, content: [item(p("four")), item(p())] },
  { type: "quotation", content: [p("quoted"), p()] },
  { type: "codeBlock", attrs: { language: null }, content: [words("code")] },
  { type: "figure", attrs: { src: "a.png", alt: "" }, content: [words("figured")] },
  {
    type: "table",
    content: [{ type: "caption", content: [words("named")] }, row(cell("a"), cell("b")), row(cell("c"), cell())],
  },
  { type: "calculation", attrs: { source: "1+1", result: "2" } },
  p("last"),
];
// Each place is the first letter of these words, or what is put between the signs.
const PLACES = "Heading|Alpha|bold|noted|one|two|inner|four|quoted|code|figured|named|a|c|last".split("|");

const COMMANDS: Record<string, Command> = {
  strong: commands.strong,
  code: commands.code,
  splitItem: commands.splitItem,
  sinkItem: commands.sinkItem,
  liftItem: commands.liftItem,
  toggleQuotation: runs.toggleQuotation,
  toggleBulletList: runs.toggleList("bulletList"),
  toggleOrderedList: runs.toggleList("orderedList"),
  toggleCodeBlock: runs.toggleCodeBlock,
  hardBreak: commands.hardBreak,
  enterFromHeading: commands.enterFromHeading,
  splitHeading: commands.splitHeading(
    () => "new",
    () => 2,
  ),
  leaveEmptyLine: commands.leaveEmptyLine,
  moveItemUp: commands.moveItem("up"),
  moveItemDown: commands.moveItem("down"),
  separator: commands.insertBlock("separator"),
  takeOut: commands.takeOut,
  bookmark: commands.insertBookmark({ id: "b", name: "place" }),
  crossReference: commands.insertCrossReference({ href: "section:x", shows: "number" }),
  calculation: commands.insertCalculation,
  leaveCalculation: commands.leaveCalculation,
  formula: commands.insertFormula("x", false),
  formulaBlock: commands.insertFormula("x", true),
  figure: commands.insertFigure({ src: "b.png", alt: "" }, "new"),
  leaveFigure: commands.leaveFigure,
  footnote: commands.insertFootnote(),
  leaveFootnote: commands.leaveFootnote,
  rubOutNoteBack: commands.rubOutNote("back"),
  rubOutNoteOn: commands.rubOutNote("on"),
  acrossNoteEdgeBack: commands.acrossNoteEdge("back"),
  acrossNoteEdgeOn: commands.acrossNoteEdge("on"),
  linked: commands.insertLinked("linked", "https://example.org/", null),
  insertTable: table.insertTable([["x"]], true),
  nextCell: table.nextCell("on"),
  cellBack: table.nextCell("back"),
  cellBelow: table.cellBelow,
  addRowBefore: table.addRow("before"),
  addRowAfter: table.addRow("after"),
  addColumnBefore: table.addColumn("before"),
  addColumnAfter: table.addColumn("after"),
  removeRow: table.removeRow,
  removeColumn: table.removeColumn,
  moveRowUp: table.moveRow("up"),
  moveRowDown: table.moveRow("down"),
  moveColumnBack: table.moveColumn("back"),
  moveColumnOn: table.moveColumn("on"),
  toggleHeaderRow: table.toggleHeaderRow,
  toggleHeaderColumn: table.toggleHeaderColumn,
  alignRight: table.alignColumn("right"),
  removeTable: table.removeTable,
};

/** A node and what is in it, with the selection between ⟨ and ⟩. */
function written(node: TextNode, selection: Selection, start: number): string {
  const sign = (at: number) =>
    (at === selection.from ? "⟨" : "") + (at === selection.to && !(selection instanceof NodeSelection) ? "⟩" : "");
  if (node.isText) {
    const letters = [...(node.text ?? "")].map((letter, at) => (at === 0 ? "" : sign(start + at)) + letter).join("");
    const marks = node.marks.map((mark) => mark.type.name).join("+");
    return marks ? `${marks}“${letters}”` : letters;
  }
  const shown = Object.entries(node.attrs).filter(([, value]) => value !== null && value !== "" && value !== false);
  const attributes = shown.map(([name, value]) => ` ${name}=${String(value)}`).join("");
  if (node.isLeaf) return `<${node.type.name}${attributes}>`;
  let inner = "";
  node.forEach((child, offset) => {
    const at = start + 1 + offset;
    const isChosen = selection instanceof NodeSelection && selection.from === at;
    inner += (isChosen || child.isInline ? sign(at) : "") + written(child, selection, at);
  });
  return `${node.type.name}${attributes}(${inner}${node.inlineContent ? sign(start + 1 + node.content.size) : ""})`;
}

function blocksOf(state: EditorState): string[] {
  const lines: string[] = [];
  state.doc.forEach((section, at) => {
    lines.push(`section ${String(section.attrs["id"])}`);
    section.forEach((part, offset) => {
      lines.push(written(part, state.selection, at + 1 + offset));
    });
  });
  return lines.flatMap((line) =>
    line.startsWith("body(") ? line.slice(5, -1).split(/(?<=\))(?=[a-z]+[ (])/) : [line],
  );
}

function placeOf(doc: TextNode, start: string): number {
  let found = -1;
  doc.descendants((node, at) => {
    if (found < 0 && node.isText && (node.text ?? "").trimStart().startsWith(start)) found = at;
  });
  return found;
}

function outcomeAt(select: (doc: TextNode) => Selection): string {
  const doc = schema.node("doc", null, [
    sectionNode("a", { heading: [words("Heading")], body: BODY } as never, true),
    sectionNode("b", { heading: [words("Next")], body: [p("after")] } as never, true),
  ]);
  const state = EditorState.create({ doc, selection: select(doc) });
  const before = blocksOf(state);
  return Object.entries(COMMANDS)
    .map(([name, command]) => {
      let next = state;
      if (!command(state, (tr) => (next = state.apply(tr)))) return `${name}: -`;
      next.doc.check();
      const left = before.filter((line) => !blocksOf(next).includes(line)).length;
      return [`${name}: ${left} changed`, ...blocksOf(next).filter((line) => !before.includes(line))].join("\n    ");
    })
    .join("\n");
}

test("every command at every kind of place", async () => {
  const parts = PLACES.flatMap((place) => {
    const at = (doc: TextNode) => placeOf(doc, place);
    const end = (doc: TextNode) => at(doc) + place.length;
    return [
      `== ‹${place}\n${outcomeAt((doc) => TextSelection.create(doc, at(doc)))}`,
      `== ${place}›\n${outcomeAt((doc) => TextSelection.create(doc, end(doc)))}`,
      `== ‹${place}›\n${outcomeAt((doc) => TextSelection.create(doc, at(doc), end(doc)))}`,
    ];
  });
  const empty = (above: string) => (doc: TextNode) =>
    TextSelection.near(doc.resolve(placeOf(doc, above) + above.length + 2));
  parts.push(
    `== below “ omega”\n${outcomeAt(empty(" omega".trimStart()))}`,
    `== below “four”\n${outcomeAt(empty("four"))}`,
    `== below “quoted”\n${outcomeAt(empty("quoted"))}`,
    `== four to quoted\n${outcomeAt((doc) => TextSelection.create(doc, placeOf(doc, "four") + 1, placeOf(doc, "quoted") + 2))}`,
    `== last to Next\n${outcomeAt((doc) => TextSelection.create(doc, placeOf(doc, "last") + 2, placeOf(doc, "Next") + 2))}`,
  );
  await expect(`${parts.join("\n\n")}\n`).toMatchFileSnapshot("./commands-at-places.txt");
});
