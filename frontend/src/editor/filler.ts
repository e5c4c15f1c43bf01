import type { Command, Plugin } from "@tiptap/pm/state";
import { Decoration } from "@tiptap/pm/view";
import { filler } from "../generated/body-schema.json";
import { inEachSection, partsOf } from "./decorations";
import { blockAt, near } from "./places";
import { nodeType, schema } from "./schema";

export const MOST_FILLER = 50;

/** So many paragraphs of filler under the one with the cursor, which stands after them; an empty one gives way. */
export function insertFiller(count: number): Command {
  return (state, dispatch) => {
    const block = blockAt(state.selection.$from);
    if (!block) return false;
    const isEmpty = block.node.type.name === "paragraph" && block.node.content.size === 0;
    const made = Array.from({ length: count }, (_, index) =>
      nodeType("paragraph").create(null, schema.text(filler[index % filler.length] ?? "")),
    );
    const at = isEmpty ? block.from : block.to;
    const tr = state.tr.replaceWith(at, block.to, made);
    const end = made.reduce((sum, each) => sum + each.nodeSize, at);
    dispatch?.(tr.setSelection(near(tr.doc, end - 1)).scrollIntoView());
    return true;
  };
}

/** Paragraphs that say nothing but filler; whoever writes into one makes it text. */
export function fillerMarks(): Plugin {
  const words = new Set<string>(filler);
  return inEachSection((section, start) =>
    partsOf(section, start).flatMap(({ node, at }) =>
      node.type.name === "paragraph" && words.has(node.textContent)
        ? [Decoration.node(at, at + node.nodeSize, { class: "filler", lang: "la", spellcheck: "false" })]
        : [],
    ),
  );
}
