import type { Node as TextNode } from "@tiptap/pm/model";
import { schema } from "./schema";
import { sectionNode, textOf } from "./section-text";

export type Json = { type: string; text?: string; attrs?: unknown; content?: Json[]; marks?: unknown[] };

export const words = (text: string, ...marks: string[]): Json => ({
  type: "text",
  text,
  ...(marks.length > 0 ? { marks: marks.map((type) => ({ type })) } : {}),
});
export const p = (...content: (string | Json)[]): Json => ({
  type: "paragraph",
  ...(content.length > 0 ? { content: content.map((each) => (typeof each === "string" ? words(each) : each)) } : {}),
});
export const item = (...content: Json[]): Json => ({ type: "listItem", content });
export const cell = (...content: (string | Json)[]): Json => ({
  type: "tableCell",
  attrs: { header: false, align: null },
  content: p(...content).content ?? [],
});
export const row = (...content: Json[]): Json => ({ type: "tableRow", content });
export const note = (...content: (string | Json)[]): Json => ({
  type: "footnote",
  content: p(...content).content ?? [],
});
export const textWith = (heading: string, ...body: Json[]) =>
  ({ heading: heading === "" ? [] : [words(heading)], body }) as never;

/** A text of one section called “s”. */
export function docOf(text: Parameters<typeof sectionNode>[1], hasHeading: boolean): TextNode {
  return schema.node("doc", null, [sectionNode("s", text, hasHeading)]);
}

/** Sections by their ids, each with its heading and paragraphs. */
export function docWith(sections: Record<string, readonly [string, ...string[]]>): TextNode {
  return schema.node(
    "doc",
    null,
    Object.entries(sections).map(([id, [heading, ...paragraphs]]) =>
      sectionNode(id, textWith(heading, ...paragraphs.map((each) => p(each))), true),
    ),
  );
}

/** What the first section would be stored as. */
export const storedOf = (doc: TextNode) => textOf(doc.child(0));
