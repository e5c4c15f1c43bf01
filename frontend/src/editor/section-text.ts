import { Node as TextNode } from "@tiptap/pm/model";
import type { SectionText } from "../api/client";
import { isSparse, schema } from "./schema";

/** A section's stored text as the editor holds it; a body without blocks gets a paragraph to write in. */
export function sectionNode(id: string, text: Pick<SectionText, "heading" | "body">, hasHeading: boolean): TextNode {
  const body = text.body as unknown[];
  return TextNode.fromJSON(schema, {
    type: hasHeading ? "section" : "opening",
    attrs: { id },
    content: [
      ...(hasHeading ? [{ type: "heading", content: text.heading }] : []),
      ...(body.length > 0 ? body : [{ type: "paragraph" }]),
    ],
  });
}

/** The way back: what the editor holds of a section as it is stored. */
export function textOf(section: TextNode): Pick<SectionText, "heading" | "body"> {
  const heading = headingOf(section);
  const blocks = section.content.content.slice(heading ? 1 : 0);
  const isBlank = blocks.length === 1 && blocks[0]?.type.name === "paragraph" && blocks[0].content.size === 0;
  return {
    heading: heading
      ? heading.content.content.map((child) => asStored(child.toJSON() as Stored) as Record<string, never>)
      : [],
    body: isBlank ? [] : blocks.map((block) => asStored(block.toJSON() as Stored) as Record<string, never>),
  };
}

type Stored = { type?: string; attrs?: Record<string, unknown>; content?: Stored[] };

/** What few parts have is not written of the others. */
function asStored({ attrs, content, ...node }: Stored): Stored {
  const kept =
    attrs &&
    Object.fromEntries(
      Object.entries(attrs).filter(([name, value]) => value !== null || !isSparse(node.type ?? "", name)),
    );
  return {
    ...node,
    ...(kept && Object.keys(kept).length > 0 ? { attrs: kept } : {}),
    ...(content ? { content: content.map(asStored) } : {}),
  };
}

export function headingOf(section: TextNode): TextNode | null {
  return section.firstChild?.type.name === "heading" ? section.firstChild : null;
}

/** A position within a section turned into its body's own, which begins after the heading. */
export function bodyPosition(section: TextNode, at: number): number {
  return at - (headingOf(section)?.nodeSize ?? 0);
}
