// @vitest-environment jsdom
import { Slice } from "@tiptap/pm/model";
import { TextSelection } from "@tiptap/pm/state";
import { afterEach, expect, test, vi } from "vitest";
import { p, textWith, words, type Json } from "./editor.test-helper";
import { drawn, ManuscriptEditor, type ManuscriptHost, type ShownSection } from "./manuscript-editor";
import { findSection, placeIn, sectionAround } from "./places";
import { schema } from "./schema";
import { textOf } from "./section-text";

const bookmark = (id: string): Json => ({ type: "bookmark", attrs: { id, name: "here" } });
const shown = (id: string, text: never, hasHeading = true): ShownSection => ({ id, text, hasHeading });

// Nothing is laid out here, so a line of text lies nowhere.
const nowhere = { x: 0, y: 0, width: 0, height: 0, top: 0, right: 0, bottom: 0, left: 0, toJSON: () => ({}) };
Range.prototype.getClientRects = () => [] as unknown as DOMRectList;
Range.prototype.getBoundingClientRect = () => nowhere;

let editor: ManuscriptEditor | undefined;
afterEach(() => (editor?.destroy(), (editor = undefined), document.body.replaceChildren()));

const plain = () => ({ dom: document.createElement("span") });
const look = {
  level: 2,
  number: "",
  name: "",
  isNamed: false,
  isPicked: false,
  isFolded: false,
  firstNote: 1,
  shape: "",
  captions: [],
  folded: "",
};

function open(sections: ShownSection[], host: Partial<ManuscriptHost> = {}): ManuscriptEditor {
  let made = 0;
  const around: ManuscriptHost = {
    typed: vi.fn(),
    shifted: vi.fn(),
    signs: () => ({ open: "“", close: "”", innerOpen: "‘", innerClose: "’", dash: "—" }),
    language: () => "en",
    spokenIn: () => null,
    stretched: vi.fn(),
    focused: vi.fn(),
    left: vi.fn(),
    selected: vi.fn(),
    follow: vi.fn(),
    isBroken: () => false,
    isBookmarkTaken: () => false,
    lookOf: () => look,
    foundIn: () => [],
    isPartOfText: () => false,
    leftBehind: vi.fn(),
    comeBack: vi.fn(),
    isForText: () => true,
    newId: () => `made${++made}`,
    document: () => "here",
    readsLineSigns: () => true,
    showsSigns: () => false,
    hasSection: () => false,
    join: vi.fn(),
    toEnd: vi.fn(),
    unfold: vi.fn(),
    views: { contents: plain, crossReference: plain, calculation: plain, formula: plain, formulaBlock: plain },
    key: () => false,
    paste: () => false,
    dropFile: vi.fn(),
    ...host,
  };
  editor = new ManuscriptEditor(document.body, around, "Text");
  editor.show(sections, () => false);
  return editor;
}

const texts = ({ view }: ManuscriptEditor) => view.state.doc.content.content.map((section) => section.textContent);
/** Where the cursor is: the section, and the place in it. */
function cursor({ view }: ManuscriptEditor): [string, number] {
  const section = sectionAround(view.state.selection.$head);
  if (!section) throw new Error("The cursor is nowhere.");
  return [section.id, placeIn(section, view.state.selection.head)];
}
const press = ({ view }: ManuscriptEditor, key: string) =>
  view.someProp("handleKeyDown", (handle) => handle.call(view, view, new KeyboardEvent("keydown", { key })));

test("a text that has just been shown has a cursor in it, and nothing selected", () => {
  const { view } = open([{ id: "a", hasHeading: true, text: textWith("A", p("one")) }]);
  expect(view.state.selection.empty).toBe(true);
});

test("what was typed is told by its section, and whether it was the heading, the text, or both", () => {
  const typed = vi.fn();
  const made = open([shown("a", textWith("Ink", p("text"))), shown("b", textWith("Oil", p("more")))], { typed });
  made.view.dispatch(made.view.state.tr.insertText("x", 2));
  expect(typed).toHaveBeenLastCalledWith(made.view.state.doc.child(0), { heading: true, body: false });
  made.view.dispatch(made.view.state.tr.insertText("y", made.view.state.doc.content.size - 2));
  expect(typed).toHaveBeenLastCalledWith(made.view.state.doc.child(1), { heading: false, body: true });
  expect(typed).toHaveBeenCalledTimes(2);
  expect(textOf(made.view.state.doc.child(0))).toEqual(textWith("xInk", p("text")));
});

test("moving the cursor is no typing, and neither is showing another text", () => {
  const typed = vi.fn();
  const made = open([shown("a", textWith("Ink", p("text")))], { typed });
  made.view.dispatch(made.view.state.tr.setSelection(TextSelection.create(made.view.state.doc, 7)));
  made.show([shown("a", textWith("Ink", p("other")))], () => false);
  expect(texts(made)).toEqual(["Inkother"]);
  expect(typed).not.toHaveBeenCalled();
});

test("sections come and go around the cursor, which stays in its own", () => {
  const b = shown("b", textWith("Oil", p("more")));
  const made = open([b]);
  made.focusAt("b", { at: 8 }, false);
  made.show([shown("a", textWith("Ink", p("text"))), b, shown("c", textWith("Gas", p("late")))], () => false);
  expect([texts(made), cursor(made)]).toEqual([
    ["Inktext", "Oilmore", "Gaslate"],
    ["b", 8],
  ]);
  made.show([shown("c", textWith("Gas", p("late"))), b], () => false);
  expect([texts(made), cursor(made)]).toEqual([
    ["Gaslate", "Oilmore"],
    ["b", 8],
  ]);
});

test("another text is shown with the cursor at the same letters, or as near as can be", () => {
  const made = open([shown("a", textWith("Ink", p("a long text")))]);
  made.focusAt("a", { at: 13 }, false);
  made.show([shown("a", textWith("Ink", p("now a long text")))], () => false);
  expect(cursor(made)).toEqual(["a", 17]);
  made.show([shown("a", textWith("Ink", p("ab")))], () => false);
  expect(cursor(made)[0]).toBe("a");
  const { state } = made.view;
  made.show([shown("a", textWith("Ink", p("ab")))], () => false);
  expect(made.view.state, "the same text changes nothing").toBe(state);
});

test("what is being typed is not replaced by what is known", () => {
  const made = open([shown("a", textWith("Ink", p("text")))]);
  made.view.dispatch(made.view.state.tr.insertText("new ", 7));
  made.show([shown("a", textWith("Ink", p("theirs")))], (id) => id === "a");
  expect(texts(made)).toEqual(["Inknew text"]);
});

test("while an input method composes nothing is touched, and all is shown afterwards", async () => {
  const made = open([shown("a", textWith("Ink", p("text")))]);
  vi.spyOn(made.view, "composing", "get").mockReturnValue(true);
  made.show([shown("a", textWith("Ink", p("theirs")))], () => false);
  expect(texts(made)).toEqual(["Inktext"]);
  vi.spyOn(made.view, "composing", "get").mockReturnValue(false);
  made.view.dom.dispatchEvent(new Event("compositionend"));
  await Promise.resolve();
  expect(texts(made)).toEqual(["Inktheirs"]);
});

test("words deleted across headings are told as one stretch, and the text goes on in the first section", () => {
  const [typed, stretched] = [vi.fn(), vi.fn()];
  const made = open(
    ["a", "b", "c"].map((id) => shown(id, textWith(`H${id}`, p(`${id}${id}${id}${id}${id} of ${id}`)))),
    { typed, stretched },
  );
  const { doc } = made.view.state;
  const from = (findSection(doc, "a")?.start ?? 0) + 1 + 4 + 1 + 5;
  const to = (findSection(doc, "c")?.start ?? 0) + 1 + 4 + 1 + 5;
  made.view.dispatch(made.view.state.tr.delete(from, to));
  expect(texts(made)).toEqual(["Haaaaaa of c"]);
  expect(typed).not.toHaveBeenCalled();
  expect(stretched).toHaveBeenCalledExactlyOnceWith(
    {
      name: "replace-stretch",
      sections: ["a", "b", "c"],
      keptFrom: 6,
      texts: [textWith("Ha", p("aaaaa of c"))],
    },
    doc.content.content,
  );
});

test("at the head of a text Backspace joins the section above, at its end Delete the one below", () => {
  const join = vi.fn();
  const made = open([shown("a", textWith("Ink", p("text"))), shown("b", textWith("Oil", p("more")))], { join });
  for (const [at, key] of [
    [1, "Backspace"],
    [6, "Backspace"],
    [10, "Delete"],
  ] as const) {
    made.focusAt("b", { at }, false);
    expect(press(made, key)).toBe(true);
  }
  made.focusAt("b", { at: 7 }, false);
  press(made, "Backspace");
  press(made, "Delete");
  expect(join.mock.calls).toEqual([
    ["b", "above"],
    ["b", "above"],
    ["b", "below"],
  ]);
});

test("sections from the clipboard are other ones, at levels that fit the place", () => {
  const made = open([shown("a", textWith("Ink", p("text")))]);
  const copied = ["a", "b"].map((id, index) =>
    schema.node("section", { id, level: 4 + index }, [schema.node("heading"), schema.node("paragraph")]),
  );
  const kept = made.view.someProp("transformPasted")?.(
    new Slice(schema.node("doc", null, copied).content, 0, 0),
    made.view,
    false,
  );
  expect(kept?.content.content.map(({ attrs }) => attrs)).toEqual([
    { id: "made1", level: 2 },
    { id: "made2", level: 3 },
  ]);
});

test("a bookmark that is still where it was does not appear twice when it is pasted", () => {
  const made = open([shown("a", textWith("Ink", p("a", bookmark("aaaaaaaaaaaa"))))], {
    isBookmarkTaken: (id) => id === "bbbbbbbbbbbb",
  });
  const pasted = ["aaaaaaaaaaaa", "bbbbbbbbbbbb", "cccccccccccc"].map((id) => schema.nodeFromJSON(bookmark(id)));
  const kept = made.view.someProp("transformPasted")?.(
    new Slice(schema.nodes["paragraph"]!.create(null, [schema.text("x"), ...pasted]).content, 0, 0),
    made.view,
    false,
  );
  expect(kept?.content.toJSON()).toEqual([words("x"), bookmark("cccccccccccc")]);
});

test("the cursor goes to a bookmark, to the head of the text when it is gone, and to the end", () => {
  const made = open([shown("a", textWith("Ink", p("abc", bookmark("aaaaaaaaaaaa"), "d")))]);
  made.focusAt("a", { bookmark: "aaaaaaaaaaaa" }, false);
  expect(cursor(made)).toEqual(["a", 10]);
  made.focusAt("a", { bookmark: "zzzzzzzzzzzz" }, false);
  expect(cursor(made)).toEqual(["a", 1]);
  made.focusAt("a", { at: Number.MAX_SAFE_INTEGER }, false);
  expect(cursor(made)).toEqual(["a", 11]);
  expect(made.focusAt("zz", {}, false), "what is not shown is not gone to").toBe(false);
});

test("levels and numbers stand on the sections, and headings have their level for those who listen", () => {
  let number = "2.3";
  const made = open([shown("a", textWith("Ink", p("text"))), shown("o", textWith("", p("text")), false)], {
    lookOf: (id) => ({ ...look, level: id === "a" ? 3 : 0, number: id === "a" ? number : "" }),
  });
  const section = () => document.querySelector<HTMLElement>("[data-section=a]");
  expect(section()?.dataset["level"]).toBe("3");
  expect(section()?.style.getPropertyValue("--number")).toBe('"2.3"');
  expect(section()?.querySelector(".heading")?.getAttribute("aria-level")).toBe("3");
  expect(document.querySelector("[data-section=o] .heading")).toBeNull();
  number = "2.4";
  made.redraw();
  expect(section()?.style.getPropertyValue("--number")).toBe('"2.4"');
});

test("a section made here stands as deep as it was made until the outline knows it, and then as deep as that says", () => {
  let known: number | null = null;
  const made = open([shown("a", textWith("Ink and haste", p("text")))], {
    lookOf: (id) => ({ ...look, level: id === "a" ? 3 : known }),
  });
  made.focusAt("a", { at: 5 }, false);
  press(made, "Enter");
  const below = () => document.querySelector<HTMLElement>("[data-section=made1]")?.dataset["level"];
  expect(below()).toBe("3");
  known = 1;
  made.redraw();
  expect(below()).toBe("1");
});

test("links whose target is gone are marked, and again when it comes back", () => {
  const link = (href: string) => ({
    type: "text",
    text: href,
    marks: [{ type: "link", attrs: { href, title: null } }],
  });
  const broken = new Set(["section:abcdefghijkl"]);
  const made = open([shown("a", textWith("Ink", p(link("section:abcdefghijkl"), " ", link("https://example.org/"))))], {
    isBroken: (target) => broken.has(target),
  });
  const marked = () => [...document.querySelectorAll(".broken")].map((each) => each.textContent);
  expect(marked()).toEqual(["section:abcdefghijkl"]);
  made.view.dispatch(made.view.state.tr.insertText("x", 7));
  expect(marked()).toEqual(["section:abcdefghijkl"]);
  broken.clear();
  made.redraw();
  expect(marked()).toEqual([]);
});

test("a link is followed with Ctrl only, for a click in the text sets the cursor", () => {
  const follow = vi.fn();
  const marks = [{ type: "link", attrs: { href: "section:abcdefghijkl", title: null } }];
  const made = open([shown("a", textWith("Ink", p({ type: "text", text: "there", marks })))], { follow });
  const anchor = document.querySelector("a[data-target]");
  const click = (ctrlKey: boolean) => {
    const event = new MouseEvent("click", { ctrlKey, bubbles: true, cancelable: true });
    Object.defineProperty(event, "target", { value: anchor });
    return made.view.someProp("handleClickOn", (handle) =>
      handle.call(made.view, made.view, 6, made.view.state.doc, 0, event, true),
    );
  };
  click(false);
  expect(follow).not.toHaveBeenCalled();
  click(true);
  expect(follow).toHaveBeenCalledWith("section:abcdefghijkl");
});

test("a text that only passes by is drawn without an editor", () => {
  const place = document.createElement("div");
  place.append(drawn(textWith("", p("passes by")), false));
  expect(place.querySelector("[contenteditable]")).toBeNull();
  expect(place.textContent).toBe("passes by");
});

test("the notes of a section stand under it, lead to their place, and show their words where the cursor is", () => {
  const note = (...content: string[]): Json => ({ type: "footnote", content: p(...content).content ?? [] });
  const made = open([
    shown("a", textWith("Ink", p("one", note("first"), " two", note("second"), note()))),
    shown("b", textWith("Oil", p("no note"))),
  ]);
  const list = made.view.dom.querySelectorAll(".apparatus");
  expect([...list].map((each) => [...each.querySelectorAll("button")].map((button) => button.textContent))).toEqual([
    ["first", "second", "Empty note"],
  ]);
  list[0]?.querySelectorAll("button")[1]?.click();
  const { $head } = made.view.state.selection;
  expect([$head.parent.type.name, $head.parent.textContent, $head.parentOffset]).toEqual(["footnote", "second", 6]);
  expect([...made.view.dom.querySelectorAll(".footnote.open")].map((each) => each.textContent)).toEqual(["second"]);

  const closed = made.view.dom.querySelector(".footnote:not(.open)");
  closed?.dispatchEvent(new MouseEvent("mousedown", { bubbles: true, cancelable: true, button: 0 }));
  expect(made.view.state.selection.$head.parent.textContent).toBe("first");
  expect(made.view.state.selection.$head.parentOffset).toBe(5);
});

test("a cursor that is left behind is remembered, comes back at a key, and is told meanwhile", () => {
  const comeBack = vi.fn();
  const leftBehind = vi.fn();
  const a = shown("a", textWith("Ink", p("text")));
  const z = shown("z", textWith("Oil", p("more")));
  const made = open([a], { comeBack, leftBehind, isPartOfText: () => true });
  made.focusAt("a", { at: 8 }, false);
  made.show([z], () => false);
  expect(made.spot).toEqual({ id: "a", at: 8 });
  expect(made.held).toBeNull();
  expect(leftBehind).toHaveBeenCalledTimes(1);
  expect(made.view.dom.hasAttribute("data-left-behind")).toBe(true);

  press(made, "x");
  expect(comeBack).toHaveBeenCalledWith({ id: "a", at: 8 });
  expect(made.held).toEqual({ from: "a", to: "a" });
  made.show([a, z], () => false);
  made.focusAt("a", { at: 8 }, false);
  expect(cursor(made)).toEqual(["a", 8]);
  expect(made.view.dom.hasAttribute("data-left-behind")).toBe(false);
});

test("a cursor left behind is back when its section is, and gone with a section that is gone", () => {
  const a = shown("a", textWith("Ink", p("text")));
  const z = shown("z", textWith("Oil", p("more")));
  const made = open([a], { isPartOfText: () => true });
  made.focusAt("a", { at: 8 }, false);
  made.show([z], () => false);
  made.show([a, z], () => false);
  expect(cursor(made)).toEqual(["a", 8]);

  const other = open([a], { isPartOfText: () => false });
  other.focusAt("a", { at: 8 }, false);
  other.show([z], () => false);
  expect(cursor(other)[0]).toBe("z");
});

test("a heading that is a paragraph of the section above from now on keeps the cursor where it was in it", () => {
  for (const body of [[p("Body.")], []]) {
    const made = open([shown("a", textWith("Ink", p("Last words."))), shown("b", textWith("Haste", ...body))]);
    made.focusAt("b", { at: 4 }, false);
    const [, at] = cursor(made)!;
    made.show([shown("a", textWith("Ink", p("Last words."), p("Haste"), ...body))], () => false);
    const { $head } = made.view.state.selection;
    expect([$head.parent.textContent, $head.parentOffset]).toEqual(["Haste", at - 1]);
  }
});

test("what stands on the screen and is neither known nor being typed is shown anew, though what is known is as it was", () => {
  const known = [shown("a", textWith("Ink", p("text")))];
  const made = open(known);
  made.view.dispatch(
    made.view.state.tr.insertText("More ", 1 + made.view.state.doc.firstChild!.firstChild!.nodeSize + 1),
  );
  const words = () => made.view.state.doc.textContent;
  made.show(known, () => true);
  expect(words()).toContain("More ");
  made.show(known, () => false);
  expect(words()).toBe("Inktext");
});
