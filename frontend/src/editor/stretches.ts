import type { Node as TextNode } from "@tiptap/pm/model";
import { Plugin, type Transaction } from "@tiptap/pm/state";
import { Decoration } from "@tiptap/pm/view";
import { inEachSection } from "./decorations";

// A bookmark names the place where it stands, or a stretch: up to the end that bears its id, further on in the same
// section. The core has the same rule (`NamedStretches`).

type Named = { name: string; from: number; to: number };

/** The stretches of a section, and the ends in it that end nothing. */
function stretchesIn(section: TextNode, start: number): { named: Named[]; loose: number[] } {
  const begun = new Map<string, { name: string; after: number }>();
  const named: Named[] = [];
  const loose: number[] = [];
  section.descendants((node, offset) => {
    const at = start + 1 + offset;
    const id = String(node.attrs["id"] ?? "");
    if (node.type.name === "bookmark") begun.set(id, { name: String(node.attrs["name"]), after: at + 1 });
    else if (node.type.name === "bookmarkEnd") {
      const beginning = begun.get(id);
      if (beginning && at > beginning.after) named.push({ name: beginning.name, from: beginning.after, to: at });
      else loose.push(at);
      begun.delete(id);
    }
  });
  return { named, loose };
}

/** The words of a stretch are drawn as named. */
export function namedStretches(): Plugin {
  return inEachSection((section, start) =>
    stretchesIn(section, start).named.map(({ name, from, to }) =>
      Decoration.inline(from, to, { class: "named-stretch", title: `“${name}”` }),
    ),
  );
}

/** An end goes with its bookmark, and with the words between them. */
export function noLooseEnds(isShowing: (transaction: Transaction) => boolean): Plugin {
  return new Plugin({
    appendTransaction: (transactions, before, state) => {
      if (!transactions.some(({ docChanged }) => docChanged) || transactions.some(isShowing)) return null;
      const old = new Set(before.doc.content.content);
      const loose: number[] = [];
      state.doc.forEach((section, start) => {
        if (!old.has(section)) loose.push(...stretchesIn(section, start).loose);
      });
      if (loose.length === 0) return null;
      const tr = state.tr;
      for (const at of loose.toReversed()) tr.delete(at, at + 1);
      return tr;
    },
  });
}
