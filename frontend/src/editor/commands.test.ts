import { EditorState, TextSelection, type Command } from "@tiptap/pm/state";
import { expect, test } from "vitest";
import * as commands from "./commands";
import * as runs from "./runs";
import { docOf, p, storedOf as textOf, words, type Json } from "./editor.test-helper";

const item = (...content: Json[]): Json => ({ type: "listItem", content });
const list = (...items: Json[]): Json => ({ type: "bulletList", content: items });
const numbered = (start: number, ...items: Json[]): Json => ({ type: "orderedList", attrs: { start }, content: items });

/** An editor over “Heading” and these blocks, with what stands between | and | selected; one | is the cursor. */
function over(...body: Json[]): EditorState {
  const doc = docOf({ heading: [words("Heading")], body } as never, true);
  const at: number[] = [];
  doc.descendants((node, position) => {
    if (node.isText) for (const found of (node.text ?? "").matchAll(/\|/g)) at.push(position + found.index);
  });
  let state = EditorState.create({ doc });
  const tr = state.tr;
  for (const position of at.toReversed()) tr.delete(position, position + 1);
  const [from = 0, to = from + 1] = at;
  tr.setSelection(TextSelection.create(tr.doc, from, to - 1));
  state = state.apply(tr);
  return state;
}

/** The body after a command, and where the cursor is: ‸ in its text. */
function after(
  state: EditorState,
  command: Command,
): { did: boolean; body: unknown; heading: unknown; state: EditorState } {
  let next = state;
  const did = command(state, (tr) => (next = state.apply(tr)));
  return { did, ...textOf(next.doc), state: next };
}

test("marks are put on and taken off the selected words", () => {
  const bold = after(over(p("a |lamp| lit")), commands.strong);
  expect(bold.body).toEqual([p("a ", words("lamp", "strong"), " lit")]);
  expect(after(bold.state, commands.strong).body).toEqual([p("a lamp lit")]);
  expect(after(over(p("a |lamp| lit")), commands.emphasis).body).toEqual([p("a ", words("lamp", "emphasis"), " lit")]);
  expect(after(over(p("a |lamp| lit")), commands.code).body).toEqual([p("a ", words("lamp", "code"), " lit")]);
});

test("Enter in an empty line goes out of a list or a quotation, and never out of a section", () => {
  const empty = (...body: Json[]) => after(over(...body), commands.leaveEmptyLine);
  expect(empty(p("one"), p("|"), p("two")).did).toBe(false);
  const quotation = (...content: Json[]): Json => ({ type: "quotation", content });
  expect(empty(quotation(p("one"), p("|")), p("two"))).toMatchObject({
    did: true,
    body: [quotation(p("one")), p(), p("two")],
  });
  expect(empty(quotation(p("one"), p("|"), p("two"))).body).toEqual([quotation(p("one")), quotation(p(), p("two"))]);
});

test("Enter at the end of a heading goes on under it; in its middle it begins a section of its own", () => {
  const doc = docOf({ heading: [words("Ink and haste")], body: [p("text")] } as never, true);
  const at = (position: number) => EditorState.create({ doc, selection: TextSelection.create(doc, position) });
  const begun = after(at(15), commands.enterFromHeading);
  expect(begun).toMatchObject({ did: true, heading: [words("Ink and haste")], body: [p(), p("text")] });
  expect(after(at(5), commands.enterFromHeading).did).toBe(false);
  const split = after(
    at(5),
    commands.splitHeading(
      () => "made",
      () => 3,
    ),
  );
  expect(split).toMatchObject({ heading: [words("Ink")], body: [] });
  const below = split.state.doc.child(1);
  expect([below.attrs, below.firstChild?.textContent, below.lastChild?.textContent]).toEqual([
    { id: "made", level: 3 },
    " and haste",
    "text",
  ]);
  expect(split.state.selection.$from.parent.textContent).toBe(" and haste");
  expect(after(over(p("te|xt")), commands.enterFromHeading).did).toBe(false);
});

test("a paragraph becomes a list, a quotation, code, and is one again", () => {
  for (const [toggle, made] of [
    [runs.toggleList("bulletList"), list(item(p("text")))],
    [runs.toggleList("orderedList"), numbered(1, item(p("text")))],
    [runs.toggleQuotation, { type: "quotation", content: [p("text")] }],
    [runs.toggleCodeBlock, { type: "codeBlock", attrs: { language: null }, content: [words("text")] }],
  ] as const) {
    const there = after(over(p("te|xt")), toggle);
    expect(there.body).toEqual([made]);
    expect(after(there.state, toggle).body).toEqual([p("text")]);
  }
});

test("an item goes in under the one above, and out again, with what is inside it", () => {
  const inside = after(over(list(item(p("one")), item(p("tw|o"), list(item(p("inner")))))), commands.sinkItem);
  expect(inside.body).toEqual([list(item(p("one"), list(item(p("two"), list(item(p("inner")))))))]);
  expect(after(inside.state, commands.liftItem).body).toEqual([
    list(item(p("one")), item(p("two"), list(item(p("inner"))))),
  ]);
  expect(after(over(list(item(p("on|e")))), commands.sinkItem).did, "the first of all has nothing to go under").toBe(
    false,
  );
});

test("an item goes up and down past its neighbours, and the cursor with it", () => {
  const state = over(numbered(3, item(p("one")), item(p("tw|o"), list(item(p("inner")))), item(p("three"))));
  const up = after(state, commands.moveItem("up"));
  expect(up.body).toEqual([numbered(3, item(p("two"), list(item(p("inner")))), item(p("one")), item(p("three")))]);
  expect(up.state.selection.$from.parent.textContent).toBe("two");
  const down = after(state, commands.moveItem("down"));
  expect(down.body).toEqual([numbered(3, item(p("one")), item(p("three")), item(p("two"), list(item(p("inner")))))]);
  expect(after(down.state, commands.moveItem("up")).body, "up is the way back from down").toEqual(
    textOf(state.doc).body,
  );
});

test("at the end of its list an item stays, and the key does nothing else", () => {
  const first = over(list(item(p("on|e")), item(p("two"))));
  expect(after(first, commands.moveItem("up"))).toMatchObject({
    did: true,
    body: [list(item(p("one")), item(p("two")))],
  });
  expect(after(over(p("no li|st")), commands.moveItem("up")).did).toBe(false);
});

test("an inner item moves within its own list", () => {
  const state = over(list(item(p("one"), list(item(p("a")), item(p("|b")))), item(p("two"))));
  expect(after(state, commands.moveItem("up")).body).toEqual([
    list(item(p("one"), list(item(p("b")), item(p("a")))), item(p("two"))),
  ]);
});

test("a break goes into a line, not into a heading or code", () => {
  expect(after(over(p("a|b")), commands.hardBreak).body).toEqual([p("a", { type: "hardBreak" }, "b")]);
  expect(
    after(over({ type: "codeBlock", attrs: { language: null }, content: [words("a|b")] }), commands.hardBreak).did,
  ).toBe(false);
  const doc = docOf({ heading: [words("H")], body: [] } as never, true);
  expect(after(EditorState.create({ doc, selection: TextSelection.create(doc, 2) }), commands.hardBreak).did).toBe(
    false,
  );
});

test("a calculation takes the selected words, and Enter leaves it", () => {
  const made = after(over(p("is |2+3| five"), p("next")), commands.insertCalculation);
  expect(made.body).toEqual([p("is 2+3 five"), { type: "calculation", content: [words("2+3")] }, p("next")]);
  expect(commands.isInside(made.state, "calculation")).toBe(true);
  expect(after(made.state, commands.leaveCalculation).body).toEqual([
    p("is 2+3 five"),
    { type: "calculation", content: [words("2+3")] },
    p(),
    p("next"),
  ]);
});

test("a footnote opens where the cursor is, to be written in", () => {
  const made = after(over(p("a lamp|")), commands.insertFootnote());
  expect(made.body).toEqual([p("a lamp", { type: "footnote" })]);
  expect(made.state.selection.$from.parent.type.name).toBe("footnote");
});

test("a link is put on the selected words, changed and taken away; it needs words", () => {
  const link = (href: string) => ({
    type: "text",
    marks: [{ type: "link", attrs: { href, title: null } }],
    text: "lamp",
  });
  const linked = after(over(p("a |lamp|")), commands.setLink("https://example.org/"));
  expect(linked.body).toEqual([p("a ", link("https://example.org/"))]);
  expect(after(linked.state, commands.setLink("section:abcdefghijkl")).body).toEqual([
    p("a ", link("section:abcdefghijkl")),
  ]);
  expect(after(linked.state, commands.setLink(null)).body).toEqual([p("a lamp")]);
  expect(after(over(p("a |lamp")), commands.setLink("https://example.org/")).did).toBe(false);
});

test("a bookmark and a cross-reference stand in the line", () => {
  const bookmark = { id: "abcdefghijkl", name: "here" };
  expect(after(over(p("a |lamp")), commands.insertBookmark(bookmark)).body).toEqual([
    p("a ", { type: "bookmark", attrs: bookmark }, "lamp"),
  ]);
  const reference = { href: "section:abcdefghijkl", shows: "number" };
  expect(after(over(p("see |")), commands.insertCrossReference(reference)).body).toEqual([
    p("see ", { type: "crossReference", attrs: reference }),
  ]);
});

test("breaks of page and scene are blocks of their own, and stand under a heading, not in it", () => {
  expect(after(over(p("a|b")), commands.insertBlock("pageBreak")).body).toEqual([
    p("a"),
    { type: "pageBreak" },
    p("b"),
  ]);
  const doc = docOf({ heading: [words("H")], body: [p("t")] } as never, true);
  expect(
    after(EditorState.create({ doc, selection: TextSelection.create(doc, 2) }), commands.insertBlock("separator")),
  ).toMatchObject({ did: true, heading: [words("H")], body: [{ type: "separator" }, p("t")] });
});

test("the picked lines are those with words, counted without the heading", () => {
  expect(commands.pickedBlocks(over(p("|one"), p(), p("two"), list(item(p("three|")))))).toEqual([
    { section: "s", blocks: [0, 2, 3] },
  ]);
  expect(commands.pickedBlocks(over(p("one"), p("|two"))), "with nothing selected, the line of the cursor").toEqual([
    { section: "s", blocks: [1] },
  ]);
  expect(commands.currentBlock(over(p("one"), p("|two")))).toBe(1);
  const doc = docOf({ heading: [words("H")], body: [p("t")] } as never, true);
  expect(commands.currentBlock(EditorState.create({ doc, selection: TextSelection.create(doc, 2) }))).toBeNull();
});

test("the block of the cursor is counted without the heading, and none in the heading itself", () => {
  const first = over(p("|one"), p("two"));
  expect(commands.currentBlock(first)).toBe(0);
  expect(commands.isInside(first, "paragraph")).toBe(true);
  expect(commands.isInside(first, "section")).toBe(true);
  expect(commands.isInside(first, "bulletList")).toBe(false);
});
