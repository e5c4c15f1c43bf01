import type { Node as TextNode } from "@tiptap/pm/model";
import type { Plugin } from "@tiptap/pm/state";
import { Decoration } from "@tiptap/pm/view";
import { inEachSection, partsOf } from "./decorations";

/** How signs that nobody sees are drawn (the paragraph sign is common practice). */
const DRAWN: Record<string, string> = {
  "\u00a0": "°",
  "\u202f": "°",
  "\t": "→",
  "\u00ad": "-",
  "\u200b": "|",
};
const SIGNS = new RegExp(`[${Object.keys(DRAWN).join("")}]`, "gu");

/** Paragraph ends, line breaks, tabs and blanks that hold words together, drawn over the text; they take no room in it. */
export function invisibleSigns(areShown: () => boolean): Plugin {
  return inEachSection((section, start) =>
    areShown() ? partsOf(section, start).flatMap(({ node, at }) => signsOf(node, at)) : [],
  );
}

function signsOf(node: TextNode, at: number): Decoration[] {
  if (node.isText)
    return [...(node.text ?? "").matchAll(SIGNS)].map(({ 0: sign, index }) => drawn(at + index, DRAWN[sign] ?? ""));
  // Nothing can be drawn on a line break itself.
  if (node.type.name === "hardBreak") return [Decoration.widget(at, breakSign, { key: "break", side: -1 })];
  if (node.type.name !== "paragraph") return [];
  return [Decoration.node(at, at + node.nodeSize, { class: node.content.size > 0 ? "ends" : "ends blank" })];
}

function breakSign(): HTMLElement {
  const sign = document.createElement("span");
  sign.className = "sign";
  sign.dataset["sign"] = "↵";
  return sign;
}

function drawn(at: number, sign: string): Decoration {
  return Decoration.inline(at, at + 1, { class: "sign", "data-sign": sign });
}
