import { Node as TextNode } from "@tiptap/pm/model";
import { expect, test } from "vitest";
import table from "../generated/body-schema.json";
import { schema } from "./schema";
import { bodyPosition, sectionNode, textOf } from "./section-text";

const BODY = [
  {
    type: "paragraph",
    content: [
      { type: "text", text: "See " },
      { type: "text", marks: [{ type: "link", attrs: { href: "section:abcdefghijkl", title: null } }], text: "two" },
    ],
  },
  {
    type: "orderedList",
    attrs: { start: 3 },
    content: [{ type: "listItem", content: [{ type: "paragraph", content: [{ type: "text", text: "x" }] }] }],
  },
];

test("the editor knows every part of the core’s table, with the same content", () => {
  for (const [name, rule] of Object.entries(table.nodes)) {
    expect(schema.nodes[name]?.spec.content ?? null, name).toBe(rule.content);
    expect(schema.nodes[name]?.spec.group ?? null, name).toBe(rule.group);
  }
  expect(Object.keys(schema.marks)).toEqual(Object.keys(table.marks));
});

test("a stored text goes into the editor and comes out the same", () => {
  const text = { heading: [{ type: "text", text: "One" }], body: BODY } as never;
  expect(textOf(sectionNode("s", text, true))).toEqual({ heading: [{ type: "text", text: "One" }], body: BODY });
});

test("an empty body gets a paragraph to write in, which is not stored", () => {
  const doc = sectionNode("s", { heading: [], body: [] }, true);
  expect(doc.childCount).toBe(2);
  expect(textOf(doc).body).toEqual([]);
});

test("body positions begin after the heading", () => {
  const doc = sectionNode("s", { heading: [{ type: "text", text: "One" }], body: BODY } as never, true);
  expect(bodyPosition(doc, 5)).toBe(0);
  expect(bodyPosition(sectionNode("s", { heading: [], body: BODY } as never, false), 5)).toBe(5);
});

test("a script in a link is no link", () => {
  expect(() =>
    TextNode.fromJSON(schema, {
      type: "paragraph",
      content: [{ type: "text", text: "x", marks: [{ type: "script" }] }],
    }),
  ).toThrow();
});
