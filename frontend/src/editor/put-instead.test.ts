import type { Node as TextNode } from "@tiptap/pm/model";
import { EditorState, TextSelection } from "@tiptap/pm/state";
import { expect, test } from "vitest";
import { cell, docOf, item, note, p, row, textWith, words, type Json } from "./editor.test-helper";
import { putInstead } from "./put-instead";

const randomOf = (seed: number) => {
  let state = seed >>> 0;
  return (below: number) => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return Math.floor((state / 2 ** 32) * below);
  };
};

const MARKS = ["strong", "emphasis"];

/** Lines of few letters, so that the same ones come again and again. */
function line(next: (below: number) => number): (string | Json)[] {
  return Array.from({ length: next(4) }, () =>
    next(4) === 0
      ? note("n".repeat(1 + next(2)))
      : words("ab".slice(next(2)).repeat(1 + next(2)), ...(next(3) === 0 ? [MARKS[next(2)]!] : [])),
  );
}

function block(next: (below: number) => number): Json {
  const [columns, rows] = [1 + next(3), 1 + next(3)];
  switch (next(5)) {
    case 0:
      return {
        type: "table",
        content: [
          { type: "caption" },
          ...Array.from({ length: rows }, () => row(...Array.from({ length: columns }, () => cell(...line(next))))),
        ],
      };
    case 1:
      return { type: "bulletList", content: Array.from({ length: rows }, () => item(p(...line(next)))) };
    case 2:
      return { type: "quotation", content: [p(...line(next))] };
    default:
      return p(...line(next));
  }
}

const text = (next: (below: number) => number): TextNode =>
  docOf(textWith("H", ...Array.from({ length: 1 + next(4) }, () => block(next))), true);

test("whatever a text was, it becomes what it is to be, to the letter", () => {
  for (let seed = 1; seed <= 3000; seed++) {
    const next = randomOf(seed);
    const [was, now] = [text(next), text(next)];
    const { tr } = EditorState.create({ doc: was });
    putInstead(tr, 0, now.child(0));
    expect(tr.doc.eq(now), `seed ${seed}`).toBe(true);
  }
});

test("a column that goes again takes no other cell with it", () => {
  const table = (...rows: string[][]) => ({
    type: "table",
    content: [{ type: "caption" }, ...rows.map((cells) => row(...cells.map((each) => cell(...(each ? [each] : [])))))],
  });
  const was = docOf(textWith("H", table(["No", "", "North"], ["1", "", "2"])), true);
  const now = docOf(textWith("H", table(["No", "North"], ["1", "2"])), true);
  const { tr } = EditorState.create({ doc: was });
  putInstead(tr, 0, now.child(0));
  expect(tr.doc.eq(now)).toBe(true);
});

test("the cursor stays at its letter when words come before it", () => {
  const was = docOf(textWith("H", p("one"), p("two three")), true);
  const state = EditorState.create({ doc: was });
  const at = state.doc.content.size - 6;
  const { tr } = state.apply(state.tr.setSelection(TextSelection.create(state.doc, at)));
  const before = tr.doc.textBetween(tr.selection.head, tr.doc.content.size);
  putInstead(tr, 0, docOf(textWith("H", p("one"), p("now two three")), true).child(0));
  expect(tr.doc.textBetween(tr.mapping.map(at), tr.doc.content.size)).toBe(before);
});
