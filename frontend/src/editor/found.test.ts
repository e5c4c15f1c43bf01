import { EditorState } from "@tiptap/pm/state";
import { Fragment, Slice } from "@tiptap/pm/model";
import { ReplaceStep } from "@tiptap/pm/transform";
import { expect, test } from "vitest";
import { foundMarks } from "./found";
import { schema } from "./schema";

const section = (id: string) =>
  schema.node("section", { id }, [schema.node("heading"), schema.node("paragraph", null, schema.text(`of ${id}`))]);

/** What is drawn, in the order of the text. */
function drawn(state: EditorState): string[] {
  const set = state.plugins[0]?.getState(state);
  return set.find().map(({ from, to }: { from: number; to: number }) => state.doc.textBetween(from, to));
}

test("what was found is drawn in sections that are put in again beside others", () => {
  const place = { from: 1, to: 6, isInHeading: false, isNow: false };
  const [one, two, three] = [section("one"), section("two"), section("tre")];
  const state = EditorState.create({
    doc: schema.node("doc", null, [one, two]),
    plugins: [foundMarks(() => [{ ...place, to: 7 }])],
  });
  expect(drawn(state)).toEqual(["of one", "of two"]);

  // The window has moved on: it is one replacement, in which a section stays the object that it was.
  const all = new Slice(Fragment.from([two, three]), 0, 0);
  const moved = state.apply(state.tr.step(new ReplaceStep(0, state.doc.content.size, all)));
  expect(drawn(moved)).toEqual(["of two", "of tre"]);

  // A letter in one of them leaves the others as they are.
  const typed = moved.apply(moved.tr.insertText("x", 4));
  expect(drawn(typed)).toHaveLength(2);
});
