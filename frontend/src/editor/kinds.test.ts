import { EditorState, TextSelection, type Command } from "@tiptap/pm/state";
import { chainCommands } from "@tiptap/pm/commands";
import { expect, test } from "vitest";
import { docWith } from "./editor.test-helper";
import { kindAt, leaveKind, setParagraphKind, splitInKind, toggleWordKind, wordKindAt } from "./kinds";
import { textOf } from "./section-text";

const enter = chainCommands(leaveKind, splitInKind);

/** The text with the cursor behind some words, and commands done there one after the other. */
function after(words: string, ...commands: Command[]) {
  const doc = docWith({ a: ["A", "one", "two"] });
  let at = 0;
  doc.descendants((node, position) => {
    if (node.text === words) at = position + words.length;
  });
  let state = EditorState.create({ doc, selection: TextSelection.create(doc, at) });
  for (const command of commands) command(state, (tr) => (state = state.apply(tr)));
  return { state, body: textOf(state.doc.firstChild!).body };
}

const typed =
  (words: string): Command =>
  (state, dispatch) => (dispatch?.(state.tr.insertText(words)), true);

test("Enter goes on in a paragraph of the same kind, and in an empty one back to body text", () => {
  const { body } = after("one", setParagraphKind("verse"), enter, typed("more"), enter, enter, typed("plain"));
  expect(body).toEqual([
    { type: "paragraph", attrs: { kind: "verse" }, content: [{ type: "text", text: "one" }] },
    { type: "paragraph", attrs: { kind: "verse" }, content: [{ type: "text", text: "more" }] },
    { type: "paragraph", content: [{ type: "text", text: "plain" }] },
    { type: "paragraph", content: [{ type: "text", text: "two" }] },
  ]);
  // Body text is divided as ever.
  expect(after("two", enter).body).toHaveLength(3);
});

test("the kind at the cursor is the writer’s own, or what stands there", () => {
  expect(kindAt(after("A").state, 2)).toBe("heading-2");
  expect(kindAt(after("one").state, 2)).toBe("first-paragraph");
  expect(kindAt(after("two").state, 2)).toBe("body");
  expect(kindAt(after("two", setParagraphKind("verse")).state, 2)).toBe("verse");
  expect(wordKindAt(after("two").state)).toBeNull();
});

test("words are of one kind at a time, and of none when it is chosen again", () => {
  const select: Command = (state, dispatch) => (
    dispatch?.(state.tr.setSelection(TextSelection.create(state.doc, state.selection.head - 3, state.selection.head))),
    true
  );
  const marked = (name: string) => [{ type: "kind", attrs: { name } }];
  const ship = after("one", select, toggleWordKind("ship"));
  expect(wordKindAt(ship.state)).toBe("ship");
  expect(ship.body[0]).toMatchObject({ content: [{ text: "one", marks: marked("ship") }] });
  expect(after("one", select, toggleWordKind("ship"), toggleWordKind("term")).body[0]).toMatchObject({
    content: [{ text: "one", marks: marked("term") }],
  });
  expect(after("one", select, toggleWordKind("ship"), toggleWordKind("ship")).body[0]).toEqual({
    type: "paragraph",
    content: [{ type: "text", text: "one" }],
  });
});
