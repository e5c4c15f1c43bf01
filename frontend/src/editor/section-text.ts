import { Node as TextNode } from "@tiptap/pm/model";
import type { SectionText } from "../api/client";
import { schema } from "./schema";

/** A section's stored text as the editor holds it; a body without blocks gets a paragraph to write in. */
export function docOf(text: Pick<SectionText, "heading" | "body">, hasHeading: boolean): TextNode {
  const body = text.body as unknown[];
  return TextNode.fromJSON(schema, {
    type: "doc",
    content: [
      ...(hasHeading ? [{ type: "heading", content: text.heading }] : []),
      ...(body.length > 0 ? body : [{ type: "paragraph" }]),
    ],
  });
}

/** The way back: what the editor holds as it is stored. */
export function textOf(doc: TextNode): Pick<SectionText, "heading" | "body"> {
  const heading = headingOf(doc);
  const blocks = childrenOf(doc).slice(heading ? 1 : 0);
  const isBlank = blocks.length === 1 && blocks[0]?.type.name === "paragraph" && blocks[0].content.size === 0;
  return {
    heading: heading ? childrenOf(heading).map((child) => child.toJSON() as Record<string, never>) : [],
    body: isBlank ? [] : blocks.map((block) => asStored(block.toJSON() as Stored) as Record<string, never>),
  };
}

type Stored = { attrs?: Record<string, unknown>; content?: Stored[] };

/** A paragraph that never stood out in a file says nothing of its look. */
function asStored({ attrs, content, ...node }: Stored): Stored {
  const kept =
    attrs && Object.fromEntries(Object.entries(attrs).filter(([name, value]) => !(name === "look" && value === null)));
  return {
    ...node,
    ...(kept && Object.keys(kept).length > 0 ? { attrs: kept } : {}),
    ...(content ? { content: content.map(asStored) } : {}),
  };
}

export function headingOf(doc: TextNode): TextNode | null {
  return doc.firstChild?.type.name === "heading" ? doc.firstChild : null;
}

/** The editor's position turned into the body's own, which begins after the heading. */
export function bodyPosition(doc: TextNode, position: number): number {
  return position - (headingOf(doc)?.nodeSize ?? 0);
}

function childrenOf(node: TextNode): TextNode[] {
  return node.content.content.slice();
}
