import type { Node as TextNode } from "@tiptap/pm/model";
import { EditorState } from "@tiptap/pm/state";
import { expect, test } from "vitest";
import { docWith, p, textWith } from "./editor.test-helper";
import { sectionAt } from "./places";
import { headingOf, textOf } from "./section-text";
import { changedTogether, sectionsOf, stretchBetween, type Stretch } from "./stretch";

const level = () => 2;

test("writing within sections is no stretch", () => {
  const before = docWith({ a: ["A", "one"], b: ["B", "two"] });
  const after = docWith({ a: ["A", "one more"], b: ["B", "too"] });
  expect(stretchBetween(before, after, level)).toBeNull();
});

test("a new section is told with its level and the one that it was split from", () => {
  const before = docWith({ a: ["Ink and oil", "one"], b: ["B", "two"] });
  const after = docWith({ a: ["Ink"], n: ["and oil", "one"], b: ["B", "two"] });
  expect(stretchBetween(before, after, level)).toEqual({
    name: "replace-stretch",
    sections: ["a"],
    texts: [textWith("Ink"), { ...(textWith("and oil", p("one")) as object), id: "n", level: 2 }],
  });
});

test("sections that go whole are deleted, each alone", () => {
  const before = docWith({ a: ["A", "one"], b: ["B", "two"], c: ["C", "three"] });
  const gone = { name: "delete", extent: "heading-only" };
  expect(stretchBetween(before, docWith({ c: ["C", "three"] }), level)).toEqual({ ...gone, sections: ["a", "b"] });
  expect(stretchBetween(before, docWith({ a: ["A", "one"], c: ["C", "three"] }), level)).toEqual({
    ...gone,
    sections: ["b"],
  });
});

/** What the core does with a stretch (ReplaceStretch), on texts alone: what is in the document, and what among the offcuts. */
function done(before: TextNode, stretch: Extract<Stretch, { name: "replace-stretch" }>): { text: string; cut: string } {
  const from = before.content.content.findIndex((node) => node.attrs["id"] === stretch.sections[0]);
  const gone = before.content.content.slice(from + 1, from + stretch.sections.length);
  const last = gone.at(-1);
  const body = last?.content.cut(headingOf(last)?.nodeSize ?? 0);
  const cut = [
    ...gone.slice(0, -1).map((node) => node.textContent),
    last
      ? (headingOf(last)?.textContent ?? "") +
        (body?.cut(0, stretch.keptFrom).textBetween(0, stretch.keptFrom ?? 0) ?? "")
      : "",
  ].join("");
  return { text: JSON.stringify(stretch.texts.map(({ heading, body }) => [heading, body])), cut };
}

/** The same numbers for the same seed: mulberry32, by Tommy Ettinger, in the public domain. */
function random(seed: number): (below: number) => number {
  let state = seed;
  return (below) => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296) * below) | 0;
  };
}

test("any stretch of any text that is deleted or typed over: the screen shows what is kept, and no letter is lost or doubled", () => {
  for (let seed = 1; seed <= 2000; seed++) {
    const below = random(seed);
    const letters = () => "abab cdcd".slice(0, 1 + below(9));
    const before = docWith(
      Object.fromEntries(
        Array.from({ length: 2 + below(5) }, (_none, index) => [
          `s${index}`,
          [letters(), ...Array.from({ length: 1 + below(3) }, letters)] as const,
        ]),
      ),
    );
    const state = EditorState.create({ doc: before });
    const from = below(before.content.size);
    const to = from + below(before.content.size - from + 1);
    const tr = state.tr.delete(from, to);
    const after = tr.doc;
    if (after.childCount === 0) continue;
    const stretch = stretchBetween(before, after, level);
    if (!stretch) {
      expect(after.childCount, `seed ${seed}`).toBe(before.childCount);
      continue;
    }
    if (stretch.name === "delete") {
      expect(stretch.sections.length, `seed ${seed}`).toBe(before.childCount - after.childCount);
      continue;
    }
    const { text, cut } = done(before, stretch);
    const first = before.content.content.findIndex((node) => node.attrs["id"] === stretch.sections[0]);
    const shown = JSON.stringify(
      stretch.texts.map((_text, index) => {
        const { heading, body } = textOf(sectionAt(after, first + index).node);
        return [heading, body];
      }),
    );
    expect(text, `seed ${seed}`).toBe(shown);
    // Of what left the text, only the end of the first section is gone for good.
    const gone = before.textContent.length - after.textContent.length;
    const lastHeadingKept = cut.length - gone;
    expect(lastHeadingKept, `seed ${seed}`).toBeLessThanOrEqual(9);
    expect(stretch.sections.length, `seed ${seed}`).toBe(before.childCount - after.childCount + 1);
  }
});

test("what changes in several sections at once is one step; in one alone it is typing", () => {
  const before = docWith({ a: ["A", "one"], b: ["B", "two"], c: ["C", "three"] });
  const both = docWith({ a: ["A", "on"], b: ["B", "two"], c: ["See", "three e"] });
  const step = changedTogether(before, both);
  expect(step?.operations.map((each) => [each.name, "section" in each ? each.section : ""])).toEqual([
    ["replace-body", "a"],
    ["rename", "c"],
    ["replace-body", "c"],
  ]);
  expect(step && sectionsOf(step)).toEqual(["a", "c"]);
  expect(changedTogether(before, docWith({ a: ["A", "on"], b: ["B", "two"], c: ["C", "three"] }))).toBeNull();
});
