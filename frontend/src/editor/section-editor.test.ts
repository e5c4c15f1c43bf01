// @vitest-environment jsdom
import { Slice } from "@tiptap/pm/model";
import { TextSelection } from "@tiptap/pm/state";
import { afterEach, expect, test, vi } from "vitest";
import { schema } from "./schema";
import { drawn, SectionEditor, type SectionEditorHost } from "./section-editor";
import { textOf } from "./section-text";

const words = (text: string) => ({ type: "text", text });
const p = (...content: unknown[]) => ({ type: "paragraph", ...(content.length > 0 ? { content } : {}) });
const textWith = (heading: string, ...body: unknown[]) =>
  ({ heading: heading === "" ? [] : [words(heading)], body }) as never;
const bookmark = (id: string) => ({ type: "bookmark", attrs: { id, name: "here" } });

// Nothing is laid out here, so a line of text lies nowhere.
Range.prototype.getClientRects = () => [] as unknown as DOMRectList;
Range.prototype.getBoundingClientRect = () => ({
  x: 0,
  y: 0,
  width: 0,
  height: 0,
  top: 0,
  right: 0,
  bottom: 0,
  left: 0,
  toJSON: () => ({}),
});

let editor: SectionEditor | undefined;
afterEach(() => (editor?.destroy(), (editor = undefined), document.body.replaceChildren()));

const plain = () => ({ dom: document.createElement("span") });

function open(text: never, host: Partial<SectionEditorHost> = {}, hasHeading = true): SectionEditor {
  const around: SectionEditorHost = {
    typed: vi.fn(),
    focused: vi.fn(),
    left: vi.fn(),
    selected: vi.fn(),
    follow: vi.fn(),
    isBroken: () => false,
    isBookmarkTaken: () => false,
    leave: () => false,
    views: { contents: plain, crossReference: plain, calculation: plain },
    key: () => false,
    paste: () => false,
    ...host,
  };
  return (editor = new SectionEditor(document.body, text, hasHeading, around, "Text"));
}

/** Types at a place, as far as the editor is concerned. */
const typeAt = ({ view }: SectionEditor, position: number, typed: string) =>
  view.dispatch(view.state.tr.insertText(typed, position));

test("what was typed is told, and whether it was the heading, the text, or both", () => {
  const typed = vi.fn();
  const made = open(textWith("Ink", p(words("text"))), { typed });
  typeAt(made, 1, "x");
  expect(typed).toHaveBeenLastCalledWith(made.view.state.doc, { heading: true, body: false });
  typeAt(made, made.view.state.doc.content.size - 1, "y");
  expect(typed).toHaveBeenLastCalledWith(made.view.state.doc, { heading: false, body: true });
  expect(textOf(made.view.state.doc)).toEqual(textWith("xInk", p(words("texty"))));
});

test("moving the cursor is no typing", () => {
  const typed = vi.fn();
  const selected = vi.fn();
  const { view } = open(textWith("Ink", p(words("text"))), { typed, selected });
  view.dispatch(view.state.tr.setSelection(TextSelection.create(view.state.doc, 6)));
  expect(typed).not.toHaveBeenCalled();
  expect(selected).toHaveBeenCalledTimes(1);
});

test("the heading goes by a command of the outline, never by rubbing out", () => {
  const typed = vi.fn();
  const { view } = open(textWith("Ink", p(words("text"))), { typed });
  view.dispatch(view.state.tr.delete(0, 5));
  view.dispatch(view.state.tr.delete(0, view.state.doc.content.size));
  expect(view.state.doc.firstChild?.type.name).toBe("heading");
  expect(typed.mock.calls.every(([doc]) => doc.firstChild.type.name === "heading")).toBe(true);
});

test("an opening has no heading and gets none", () => {
  const { view } = open(textWith("", p(words("text"))), {}, false);
  view.dispatch(view.state.tr.insert(0, schema.nodes["heading"]!.create()));
  expect(textOf(view.state.doc)).toEqual(textWith("", p(words("text"))));
});

test("another text is shown with the cursor where it was, or as near as can be", () => {
  const made = open(textWith("Ink", p(words("a long text"))));
  made.focus(12);
  made.replace(textWith("Ink", p(words("a longer text"))));
  expect(made.view.state.selection.anchor).toBe(12);
  made.replace(textWith("Ink", p(words("ab"))));
  expect(made.view.state.selection.anchor).toBe(8);
  const { state } = made.view;
  made.replace(textWith("Ink", p(words("ab"))));
  expect(made.view.state, "the same text changes nothing").toBe(state);
});

test("showing another text is not told as typing", () => {
  const typed = vi.fn();
  open(textWith("Ink", p(words("text"))), { typed }).replace(textWith("Ink", p(words("other"))));
  expect(typed).not.toHaveBeenCalled();
});

test("a bookmark that is still where it was does not appear twice when it is pasted", () => {
  const made = open(textWith("Ink", p(words("a"), bookmark("aaaaaaaaaaaa"))), {
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

test("the cursor goes to a bookmark, and to the head of the text when it is gone", () => {
  const made = open(textWith("Ink", p(words("abc"), bookmark("aaaaaaaaaaaa"), words("d"))));
  made.focusBookmark("aaaaaaaaaaaa");
  expect(made.view.state.selection.anchor).toBe(10);
  made.focusBookmark("zzzzzzzzzzzz");
  expect(made.view.state.selection.anchor).toBe(1);
  made.focusAtEnd();
  expect(made.view.state.selection.anchor).toBe(11);
});

test("links whose target is gone are marked, and again when it comes back", () => {
  const link = (href: string) => ({
    type: "text",
    text: href,
    marks: [{ type: "link", attrs: { href, title: null } }],
  });
  const broken = new Set(["section:abcdefghijkl"]);
  const made = open(textWith("Ink", p(link("section:abcdefghijkl"), words(" "), link("https://example.org/"))), {
    isBroken: (target) => broken.has(target),
  });
  const marked = () => [...document.querySelectorAll(".broken")].map((each) => each.textContent);
  expect(marked()).toEqual(["section:abcdefghijkl"]);
  broken.clear();
  made.redraw();
  expect(marked()).toEqual([]);
});

test("a link is followed with Ctrl only, for a click in the text sets the cursor", () => {
  const follow = vi.fn();
  const made = open(
    textWith(
      "Ink",
      p({
        type: "text",
        text: "there",
        marks: [{ type: "link", attrs: { href: "section:abcdefghijkl", title: null } }],
      }),
    ),
    { follow },
  );
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

test("the label follows the heading, and a text that only passes by is drawn without an editor", () => {
  const made = open(textWith("Ink", p(words("text"))));
  made.relabel("Inks");
  expect(made.view.dom.getAttribute("aria-label")).toBe("Inks");
  const place = document.createElement("div");
  place.append(drawn(textWith("", p(words("passes by"))), false));
  expect(place.querySelector("[contenteditable]")).toBeNull();
  expect(place.textContent).toBe("passes by");
});
