import type { Node as TextNode } from "@tiptap/pm/model";
import { EditorState, TextSelection } from "@tiptap/pm/state";
import { expect, test } from "vitest";
import { CellSelection, cellSelections } from "./cell-selection";
import { cell, item, note, p, row, textWith, words, type Json } from "./editor.test-helper";
import { wholeSections } from "./keymap";
import { fromJson, passageOf, putPassage, toJson, type PassageHost } from "./passage";
import { schema } from "./schema";
import { sectionNode } from "./section-text";

const randomOf = (seed: number) => {
  let state = seed >>> 0;
  return (below: number) => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return Math.floor((state / 2 ** 32) * below);
  };
};

const TABLE: Json = {
  type: "table",
  content: [{ type: "caption", content: [words("Lamps")] }, row(cell("t1"), cell("t2")), row(cell("t3"), cell("t4"))],
};
const PICTURE: Json = {
  type: "figure",
  attrs: { src: `picture:${"0".repeat(64)}`, alt: "A lamp" },
  content: [words("Fig")],
};
const place: Json = { type: "bookmark", attrs: { id: "mark00000000", name: "watch" } };

const doc = (): TextNode =>
  schema.node("doc", null, [
    sectionNode("opening00000", textWith("", p("o1 ", words("o2", "strong")), p("o3")), false),
    sectionNode("aaaaaaaaaaaa", textWith("A", p("a1 ", place, "a2", note("n1"), " a3"), TABLE, p("a4")), true),
    sectionNode(
      "bbbbbbbbbbbb",
      textWith("B", { type: "bulletList", content: [item(p("b1")), item(p("b2"))] }, p("b3")),
      true,
    ),
    sectionNode(
      "cccccccccccc",
      textWith("C", p("c1"), PICTURE, p("c2 ", words("c3", "emphasis")), { type: "separator" }),
      true,
    ),
    sectionNode("dddddddddddd", textWith("D", p("d1"), p("d2")), true),
  ]);

let made = 0;
const host = (state: EditorState, document = "here"): PassageHost => ({
  document,
  newId: () => `new${String(++made).padStart(9, "0")}`,
  isTaken: (id) => {
    let found = false;
    state.doc.descendants((node) => void (found ||= node.attrs["id"] === id));
    return found;
  },
  levelOf: () => 1,
});

const stateOf = (of: TextNode) =>
  EditorState.create({
    doc: of,
    plugins: [
      cellSelections(),
      wholeSections(
        () => false,
        () => `new${String(++made).padStart(9, "0")}`,
        () => 2,
      ),
    ],
  });

/** Words, places, notes and other parts, in order. */
function partsOf(node: TextNode): string[] {
  const parts: string[] = [];
  node.descendants((each) => {
    if (each.isText) parts.push(...each.text!.split(/\s+/).filter(Boolean));
    else if (each.isAtom || each.type.name === "table") parts.push(each.type.name);
  });
  return parts;
}

/** All letters there are, whatever their order. */
const letters = (
  ...nodes: readonly { textBetween: TextNode["textBetween"]; descendants: TextNode["descendants"] }[]
) => {
  const found: string[] = [];
  for (const node of nodes)
    node.descendants((each) => void (each.isText && found.push(...each.text!.replace(/\s/g, ""))));
  return found.toSorted().join("");
};

function selecting(state: EditorState, next: (below: number) => number): EditorState {
  const at = () => state.doc.resolve(next(state.doc.content.size + 1));
  return state.apply(state.tr.setSelection(TextSelection.between(at(), at())));
}

test("whatever is selected, cut and pasted where it was is the text that was, part by part", () => {
  for (let seed = 1; seed <= 2500; seed++) {
    const state = selecting(stateOf(doc()), randomOf(seed));
    if (state.selection.empty) continue;
    const passage = fromJson(JSON.parse(JSON.stringify(toJson(passageOf(state.selection, "here", () => 1)))));
    expect(passage, `seed ${seed}`).not.toBeNull();
    const cut = state.apply(state.tr.deleteSelection());
    const put = putPassage(cut, passage!, host(cut));
    expect(put, `seed ${seed}`).not.toBeNull();
    const back = cut.apply(put!);
    back.doc.check();
    // Of a table that was reached from outside the cells are another table, which stands where it is pasted.
    const isOverEdge = state.selection instanceof CellSelection && state.selection.within === null;
    // A picture’s caption that was cut through is two.
    const { $from, $to } = state.selection;
    const isThrough = !$from.sameParent($to) && [$from, $to].some((each) => each.parent.type.name === "figure");
    if (isOverEdge || isThrough) expect(letters(back.doc), `seed ${seed}`).toBe(letters(state.doc));
    else expect(partsOf(back.doc), `seed ${seed}`).toEqual(partsOf(state.doc));
    const ids = back.doc.content.content.map((section) => String(section.attrs["id"]));
    expect(new Set(ids).size, `seed ${seed}`).toBe(ids.length);
    expect(
      ids.every((id) => /^[a-z][a-z0-9]{11}$/.test(id)),
      `seed ${seed}: ${ids.join()}`,
    ).toBe(true);
  }
});

test("whatever is copied is pasted anywhere with all its words, and those that stood there stay", () => {
  for (let seed = 1; seed <= 2500; seed++) {
    const next = randomOf(seed);
    const from = selecting(stateOf(doc()), next);
    if (from.selection.empty) continue;
    const passage = passageOf(from.selection, "here", () => 1);
    const other = stateOf(doc());
    const at = TextSelection.near(other.doc.resolve(next(other.doc.content.size + 1)));
    const target = other.apply(other.tr.setSelection(at));
    const put = putPassage(target, passage, host(target, seed % 2 ? "there" : "here"));
    const after = target.apply(put!);
    after.doc.check();
    // In a table, cells take the place of cells; else all that stood there stays.
    const isInTable = at.$head.depth > 1 && at.$head.node(2).type.name === "table";
    if (!isInTable)
      expect(letters(after.doc), `seed ${seed}`).toBe(
        letters(target.doc, passage.slice.content).split("").toSorted().join(""),
      );
    const ids = after.doc.content.content.map((section) => String(section.attrs["id"]));
    expect(new Set(ids).size, `seed ${seed}`).toBe(ids.length);
  }
});

test("sections that were cut are themselves again, in their order and at their level", () => {
  const state = stateOf(doc());
  const from = state.doc.child(0).nodeSize + state.doc.child(1).nodeSize;
  const to = from + state.doc.child(2).nodeSize + state.doc.child(3).nodeSize;
  const chosen = state.apply(
    state.tr.setSelection(TextSelection.between(state.doc.resolve(from + 1), state.doc.resolve(to - 1))),
  );
  const passage = passageOf(chosen.selection, "here", () => 2);
  expect(passage.sections).toEqual([
    { id: "bbbbbbbbbbbb", level: 2 },
    { id: "cccccccccccc", level: 2 },
  ]);
});

test("cells over cells: the table grows where it must", () => {
  const state = stateOf(doc());
  const at: Record<string, number> = {};
  state.doc.descendants((node, position) => void (node.isText && (at[node.text!] = position + 1)));
  const chosen = state.apply(state.tr.setSelection(TextSelection.create(state.doc, at["t1"]!, at["t4"]!)));
  const passage = passageOf(chosen.selection, "here", () => 1);
  const target = state.apply(state.tr.setSelection(TextSelection.create(state.doc, at["t4"]!)));
  const after = target.apply(putPassage(target, passage, host(target))!);
  const table = after.doc.child(1).content.content.find(({ type }) => type.name === "table")!;
  expect(table.content.content.slice(1).map((each) => each.content.content.map((one) => one.textContent))).toEqual([
    ["t1", "t2", ""],
    ["t3", "t1", "t2"],
    ["", "t3", "t4"],
  ]);
});

test("what parts a section, such as a table that comes from elsewhere into its heading, leaves two of them", () => {
  const state = stateOf(doc());
  const parted = state.apply(state.tr.insert(state.doc.child(0).nodeSize, state.doc.child(1)));
  const ids = parted.doc.content.content.map((section) => String(section.attrs["id"]));
  expect(ids.length).toBe(state.doc.childCount + 1);
  expect(new Set(ids).size).toBe(ids.length);
  expect(parted.doc.child(1).attrs["id"]).toBe("aaaaaaaaaaaa");
  expect(parted.doc.child(2).attrs["level"]).toBe(2);
});
