import type { Node as TextNode } from "@tiptap/pm/model";
import { EditorState, NodeSelection, TextSelection, type Selection } from "@tiptap/pm/state";
import { expect, test } from "vitest";
import { COMMANDS } from "./commands.test-helper";
import { cell, item, note, p, row, words, type Json } from "./editor.test-helper";
import { schema } from "./schema";
import { sectionNode } from "./section-text";

// What every command does at every kind of place, in one file to be read through: commands-at-places.txt. After a change
// that is meant, look at what differs and take it over with `vitest run -u`.

const BODY: Json[] = [
  p("Alpha ", words("bold", "strong"), note("noted"), " omega"),
  p(),
  {
    type: "bulletList",
    content: [item(p("one")), item(p("two"), { type: "bulletList", content: [item(p("inner"))] })],
  },
  { type: "orderedList", attrs: { start: 4 }, content: [item(p("four")), item(p())] },
  { type: "quotation", content: [p("quoted"), p()] },
  { type: "codeBlock", attrs: { language: null }, content: [words("code")] },
  { type: "figure", attrs: { src: "a.png", alt: "" }, content: [words("figured")] },
  {
    type: "table",
    content: [{ type: "caption", content: [words("named")] }, row(cell("a"), cell("b")), row(cell("c"), cell())],
  },
  { type: "calculation", attrs: { source: "1+1", result: "2" } },
  p("last"),
];
// Each place is the first letter of these words, or what is put between the signs.
const PLACES = "Heading|Alpha|bold|noted|one|two|inner|four|quoted|code|figured|named|a|c|last".split("|");

/** A node and what is in it, with the selection between ⟨ and ⟩. */
function written(node: TextNode, selection: Selection, start: number): string {
  const sign = (at: number) =>
    (at === selection.from ? "⟨" : "") + (at === selection.to && !(selection instanceof NodeSelection) ? "⟩" : "");
  if (node.isText) {
    const letters = [...(node.text ?? "")].map((letter, at) => (at === 0 ? "" : sign(start + at)) + letter).join("");
    const marks = node.marks.map((mark) => mark.type.name).join("+");
    return marks ? `${marks}“${letters}”` : letters;
  }
  const shown = Object.entries(node.attrs).filter(([, value]) => value !== null && value !== "" && value !== false);
  const attributes = shown.map(([name, value]) => ` ${name}=${String(value)}`).join("");
  if (node.isLeaf) return `<${node.type.name}${attributes}>`;
  let inner = "";
  node.forEach((child, offset) => {
    const at = start + 1 + offset;
    const isChosen = selection instanceof NodeSelection && selection.from === at;
    inner += (isChosen || child.isInline ? sign(at) : "") + written(child, selection, at);
  });
  return `${node.type.name}${attributes}(${inner}${node.inlineContent ? sign(start + 1 + node.content.size) : ""})`;
}

function blocksOf(state: EditorState): string[] {
  const lines: string[] = [];
  state.doc.forEach((section, at) => {
    lines.push(`section ${String(section.attrs["id"])}`);
    section.forEach((part, offset) => {
      lines.push(written(part, state.selection, at + 1 + offset));
    });
  });
  return lines.flatMap((line) =>
    line.startsWith("body(") ? line.slice(5, -1).split(/(?<=\))(?=[a-z]+[ (])/) : [line],
  );
}

function placeOf(doc: TextNode, start: string): number {
  let found = -1;
  doc.descendants((node, at) => {
    if (found < 0 && node.isText && (node.text ?? "").trimStart().startsWith(start)) found = at;
  });
  return found;
}

function outcomeAt(select: (doc: TextNode) => Selection): string {
  const doc = schema.node("doc", null, [
    sectionNode("a", { heading: [words("Heading")], body: BODY } as never, true),
    sectionNode("b", { heading: [words("Next")], body: [p("after")] } as never, true),
  ]);
  const state = EditorState.create({ doc, selection: select(doc) });
  const before = blocksOf(state);
  return Object.entries(COMMANDS)
    .map(([name, command]) => {
      let next = state;
      if (!command(state, (tr) => (next = state.apply(tr)))) return `${name}: -`;
      next.doc.check();
      const left = before.filter((line) => !blocksOf(next).includes(line)).length;
      return [`${name}: ${left} changed`, ...blocksOf(next).filter((line) => !before.includes(line))].join("\n    ");
    })
    .join("\n");
}

test("every command at every kind of place", async () => {
  const parts = PLACES.flatMap((place) => {
    const at = (doc: TextNode) => placeOf(doc, place);
    const end = (doc: TextNode) => at(doc) + place.length;
    return [
      `== ‹${place}\n${outcomeAt((doc) => TextSelection.create(doc, at(doc)))}`,
      `== ${place}›\n${outcomeAt((doc) => TextSelection.create(doc, end(doc)))}`,
      `== ‹${place}›\n${outcomeAt((doc) => TextSelection.create(doc, at(doc), end(doc)))}`,
    ];
  });
  const empty = (above: string) => (doc: TextNode) =>
    TextSelection.near(doc.resolve(placeOf(doc, above) + above.length + 2));
  parts.push(
    `== below “ omega”\n${outcomeAt(empty(" omega".trimStart()))}`,
    `== below “four”\n${outcomeAt(empty("four"))}`,
    `== below “quoted”\n${outcomeAt(empty("quoted"))}`,
    `== four to quoted\n${outcomeAt((doc) => TextSelection.create(doc, placeOf(doc, "four") + 1, placeOf(doc, "quoted") + 2))}`,
    `== last to Next\n${outcomeAt((doc) => TextSelection.create(doc, placeOf(doc, "last") + 2, placeOf(doc, "Next") + 2))}`,
  );
  for (const chosen of ["figure", "table", "tableRow", "tableCell", "listItem", "calculation", "footnote"]) {
    const selected = (doc: TextNode) => {
      let found = -1;
      doc.descendants((node, at) => void (found < 0 && node.type.name === chosen && (found = at)));
      return NodeSelection.create(doc, found);
    };
    parts.push(`== a ${chosen} chosen as a whole\n${outcomeAt(selected)}`);
  }
  await expect(`${parts.join("\n\n")}\n`).toMatchFileSnapshot("./commands-at-places.txt");
});
