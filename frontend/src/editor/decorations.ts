import type { Node as TextNode } from "@tiptap/pm/model";
import { Plugin, type EditorState, type Transaction } from "@tiptap/pm/state";
import { Decoration, DecorationSet } from "@tiptap/pm/view";

/** What a section shows of the outline; none of it is part of its text. */
export type SectionLook = {
  level: number;
  number: string;
  name: string;
  /** Whether the number stands for a heading without words. */
  isNamed: boolean;
  isPicked: boolean;
  isFolded: boolean;
  /** Words under a heading whose text is folded, in words. */
  folded: string;
};

/** A transaction after which all is drawn anew. */
export const REDRAW = "redraw";

/** Levels, numbers, folds and picks, as they stand in the outline. */
export function sectionLooks(host: { lookOf(section: string): SectionLook; unfold(section: string): void }): Plugin {
  const find = (doc: TextNode) => {
    const found: Decoration[] = [];
    doc.forEach((section, offset) => {
      const id = String(section.attrs["id"]);
      const look = host.lookOf(id);
      const level = Number(section.attrs["level"]) || look.level;
      found.push(
        Decoration.node(offset, offset + section.nodeSize, {
          class: [look.isFolded ? "folded" : "", look.isPicked ? "picked" : ""].filter(Boolean).join(" "),
          style: `--number: ${JSON.stringify(look.number)}`,
          "data-level": String(section.type.name === "opening" ? 0 : level),
          ...(look.isNamed ? { "data-named": "" } : {}),
          ...(look.number === "" ? { "data-unnumbered": "" } : {}),
        }),
      );
      if (section.type.name !== "section") return;
      const heading = section.firstChild?.nodeSize ?? 0;
      found.push(Decoration.node(offset + 1, offset + 1 + heading, { role: "heading", "aria-level": String(level) }));
      if (look.isFolded) {
        found.push(
          Decoration.widget(offset + 1 + heading, () => unfoldButton(look, () => host.unfold(id)), {
            key: `unfold ${id} ${look.folded}`,
            side: -1,
            ignoreSelection: true,
            stopEvent: () => true,
          }),
        );
      }
    });
    return DecorationSet.create(doc, found);
  };
  return kept(find, (before, after) => before.childCount !== after.childCount || !sameSections(before, after));
}

export function currentLine(): Plugin {
  return new Plugin({
    props: {
      decorations: (state) => {
        const { $head, empty } = state.selection;
        if (!empty || $head.depth < 2 || $head.node(2).type.name === "heading") return null;
        return DecorationSet.create(state.doc, [Decoration.node($head.before(2), $head.after(2), { class: "now" })]);
      },
    },
  });
}

/** Links that lead nowhere. */
export function linkStates(isBroken: (target: string) => boolean): Plugin {
  return inEachSection((node, at) => {
    const target = node.marks.find((mark) => mark.type.name === "link")?.attrs["href"];
    if (typeof target !== "string" || !isBroken(target)) return [];
    const title = "This link leads nowhere: its target is gone.";
    return [Decoration.inline(at, at + node.nodeSize, { class: "broken", title })];
  });
}

/**
 * The two edges of each footnote. Browsers take the end of a run of words and the place after it for one place; with an
 * edge between them the cursor can stand on either side.
 */
export function noteEdges(): Plugin {
  return inEachSection((node, at) =>
    node.type.name === "footnote"
      ? [
          Decoration.widget(at, edge, { key: "edge before", side: 1, ignoreSelection: true }),
          Decoration.widget(at + node.nodeSize, edge, { key: "edge after", side: -1, ignoreSelection: true }),
        ]
      : [],
  );
}

function edge(): HTMLElement {
  const element = document.createElement("img");
  element.alt = "";
  element.className = "note-edge";
  return element;
}

/** Decorations of single parts, found anew in the sections that changed and in no others. */
function inEachSection(decorate: (node: TextNode, at: number) => Decoration[]): Plugin {
  const inSection = (section: TextNode, offset: number) => {
    const found: Decoration[] = [];
    section.descendants((node, position) => void found.push(...decorate(node, offset + 1 + position)));
    return found;
  };
  const all = (doc: TextNode) => {
    const found: Decoration[] = [];
    doc.forEach((section, offset) => void found.push(...inSection(section, offset)));
    return DecorationSet.create(doc, found);
  };
  return new Plugin<DecorationSet>({
    state: {
      init: (_config, state) => all(state.doc),
      apply: (transaction, set) => {
        if (transaction.getMeta(REDRAW)) return all(transaction.doc);
        if (!transaction.docChanged) return set;
        const old = new Set(transaction.before.content.content);
        let next = set.map(transaction.mapping, transaction.doc);
        transaction.doc.forEach((section, offset) => {
          if (old.has(section)) return;
          next = next
            .remove(next.find(offset, offset + section.nodeSize))
            .add(transaction.doc, inSection(section, offset));
        });
        return next;
      },
    },
    props: {
      decorations(state) {
        return this.getState(state);
      },
    },
  });
}

/** Decorations that are moved along with the text, and found anew when they may be others. */
function kept(
  find: (doc: TextNode) => DecorationSet,
  areOthers: (before: TextNode, after: TextNode) => boolean,
): Plugin<DecorationSet> {
  return new Plugin<DecorationSet>({
    state: {
      init: (_config, state: EditorState) => find(state.doc),
      apply: (transaction: Transaction, set) => {
        if (transaction.getMeta(REDRAW) || areOthers(transaction.before, transaction.doc)) return find(transaction.doc);
        return transaction.docChanged ? set.map(transaction.mapping, transaction.doc) : set;
      },
    },
    props: {
      decorations(state) {
        return this.getState(state);
      },
    },
  });
}

function sameSections(before: TextNode, after: TextNode): boolean {
  return after.content.content.every((section, index) => section.attrs["id"] === before.maybeChild(index)?.attrs["id"]);
}

function unfoldButton({ folded, name }: SectionLook, unfold: () => void): HTMLElement {
  const button = document.createElement("button");
  button.type = "button";
  button.contentEditable = "false";
  button.className = "unfold";
  button.textContent = `… ${folded} folded`;
  button.setAttribute("aria-expanded", "false");
  button.setAttribute("aria-label", `Unfold the text of ${name}`);
  button.addEventListener("mousedown", (event) => event.preventDefault());
  button.addEventListener("click", unfold);
  return button;
}
