// @vitest-environment jsdom
import { undoInputRule } from "@tiptap/pm/inputrules";
import { EditorState, TextSelection } from "@tiptap/pm/state";
import { EditorView } from "@tiptap/pm/view";
import { afterEach, describe, expect, it } from "vitest";
import { docWith } from "./editor.test-helper";
import { inputMarks } from "./keymap";
import type { TypedSigns } from "./typed-signs";

const ENGLISH: TypedSigns = { open: "“", close: "”", innerOpen: "‘", innerClose: "’", dash: "—" };
const GERMAN: TypedSigns = { open: "„", close: "“", innerOpen: "‚", innerClose: "‘", dash: "–" };
const FRENCH: TypedSigns = { open: "«\u202f", close: "\u202f»", innerOpen: "“", innerClose: "”", dash: "—" };

let view: EditorView;
afterEach(() => view.destroy());

/** Types letter by letter, as a keyboard does; ⌫ is Backspace. */
function typed(keys: string, signs: TypedSigns | null = ENGLISH): string {
  const doc = docWith({ a: ["A", "x"] });
  view = new EditorView(document.createElement("div"), {
    state: EditorState.create({ doc, plugins: [inputMarks(() => signs)] }),
  });
  const end = doc.content.size - 2;
  view.dispatch(view.state.tr.delete(end - 1, end));
  view.dispatch(view.state.tr.setSelection(TextSelection.atEnd(view.state.doc)));
  for (const key of keys) {
    const { from, to } = view.state.selection;
    if (key === "⌫") undoInputRule(view.state, view.dispatch);
    else if (!view.someProp("handleTextInput", (handle) => handle(view, from, to, key, () => view.state.tr)))
      view.dispatch(view.state.tr.insertText(key, from, to));
  }
  return view.state.doc.child(0).child(1).textContent;
}

describe("what a keyboard writes becomes what the language writes", () => {
  it.each([
    ['"Is it lit?" she asked.', "“Is it lit?” she asked."],
    [`"He said 'no' to 'em."`, "“He said ‘no’ to ‘em.”"],
    ["the keepers' lamp isn't lit", "the keepers’ lamp isn’t lit"],
    ['("so")', "(“so”)"],
    ["dusk -- dawn", "dusk — dawn"],
    ["dusk --- dawn", "dusk – dawn"],
    ["and so...", "and so…"],
  ])("%s", (keys, text) => expect(typed(keys)).toBe(text));

  it.each([
    [`"Er rief 'Licht', sie ging's an"`, "„Er rief ‚Licht‘, sie ging’s an“"],
    ["Abend -- Morgen", "Abend – Morgen"],
  ])("in German: %s", (keys, text) => expect(typed(keys, GERMAN)).toBe(text));

  it("in French, with its narrow blanks", () => expect(typed(`"L'eau"`, FRENCH)).toBe("«\u202fL’eau\u202f»"));

  it.each([
    ['a "⌫b', 'a "b'],
    ["5'⌫10", "5'10"],
    ["a--⌫", "a--"],
    ["a...⌫", "a..."],
  ])("Backspace takes it back: %s", (keys, text) => expect(typed(keys)).toBe(text));

  it("and stays as it is typed where the writer wants that", () =>
    expect(typed(`"a" -- 'b'...`, null)).toBe(`"a" -- 'b'...`));
});
