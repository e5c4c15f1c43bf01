import { EditorState, TextSelection } from "@tiptap/pm/state";
import { expect, test } from "vitest";
import { docWith, words, type Json } from "./editor.test-helper";
import { toggleCodeBlock, toggleList, toggleQuotation } from "./runs";
import { textOf } from "./section-text";

const p = (text: string): Json => ({ type: "paragraph", content: [words(text)] });
const items = (...lines: string[]): Json[] => lines.map((line) => ({ type: "listItem", content: [p(line)] }));

/** From within the words `from` to within the words `to`, over sections A (one, two) and B (three, four). */
function after(command: typeof toggleQuotation, from: string, to: string, times = 1) {
  const doc = docWith({ a: ["A", "one", "two"], b: ["B", "three", "four"] });
  const at = (text: string) => {
    let found = 0;
    doc.descendants((node, position) => {
      if (node.text === text) found = position + 1;
    });
    return found;
  };
  let state = EditorState.create({ doc, selection: TextSelection.create(doc, at(from), at(to)) });
  for (let time = 0; time < times; time++) command(state, (tr) => (state = state.apply(tr)));
  return {
    bodies: state.doc.children.map((section) => textOf(section).body),
    headings: state.doc.children.map((section) => section.firstChild?.textContent),
    selected: state.doc.textBetween(state.selection.from, state.selection.to, "|"),
  };
}

test("a stretch over several sections becomes lists, and lines again", () => {
  const made = after(toggleList("bulletList"), "one", "three");
  expect(made.headings).toEqual(["A", "B"]);
  expect(made.bodies).toEqual([
    [{ type: "bulletList", content: items("one", "two") }],
    [{ type: "bulletList", content: items("three") }, p("four")],
  ]);
  expect(made.selected).toBe("ne|two|B|t");
  expect(after(toggleList("bulletList"), "one", "three", 2).bodies).toEqual([
    [p("one"), p("two")],
    [p("three"), p("four")],
  ]);
});

test("a stretch over several sections becomes quotations, and lines again", () => {
  const made = after(toggleQuotation, "two", "four");
  expect(made.bodies).toEqual([
    [p("one"), { type: "quotation", content: [p("two")] }],
    [{ type: "quotation", content: [p("three"), p("four")] }],
  ]);
  expect(made.headings).toEqual(["A", "B"]);
  expect(made.selected).toBe("wo|B|three|f");
  expect(after(toggleQuotation, "two", "four", 2).bodies).toEqual([
    [p("one"), p("two")],
    [p("three"), p("four")],
  ]);
});

test("lines become one piece of code in each section, and lines again", () => {
  const made = after(toggleCodeBlock, "one", "four");
  const piece = (text: string) => ({ type: "codeBlock", attrs: { language: null }, content: [words(text)] });
  expect(made.bodies).toEqual([[piece("one\ntwo")], [piece("three\nfour")]]);
  expect(made.selected).toBe("ne\ntwo|B|three\nf");
  expect(after(toggleCodeBlock, "one", "two", 2).bodies).toEqual([
    [p("one"), p("two")],
    [p("three"), p("four")],
  ]);
});
