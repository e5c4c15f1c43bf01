import type { Node as TextNode } from "@tiptap/pm/model";
import { Plugin } from "@tiptap/pm/state";
import { Decoration, DecorationSet } from "@tiptap/pm/view";
import { levelOf } from "./places";
import { seeShape } from "./seen-shapes";

/** What a section shows of the outline; none of it is part of its text. */
export type SectionLook = {
  /** 0 for the opening; null for a section that the outline does not know yet. */
  level: number | null;
  number: string;
  name: string;
  /** Whether the number stands for a heading without words. */
  isNamed: boolean;
  isPicked: boolean;
  isFolded: boolean;
  /** The number of its first footnote. */
  firstNote: number;
  /** What its pictures and tables are called, in order; empty for those without a number. */
  captions: readonly string[];
  /** Words under a heading whose text is folded, in words. */
  folded: string;
  /** What is said by hand of the look of its heading. */
  shape: string;
};

/** A transaction after which all is drawn anew. */
export const REDRAW = "redraw";

/** Levels, numbers, folds and picks, as they stand in the outline. */
export function sectionLooks(host: { lookOf(section: string): SectionLook; unfold(section: string): void }): Plugin {
  return inEachSection((section, start) => {
    const id = String(section.attrs["id"]);
    const look = host.lookOf(id);
    const level = levelOf(section, host);
    const whole = Decoration.node(start, start + section.nodeSize, {
      class: [look.isFolded ? "folded" : "", look.isPicked ? "picked" : ""].filter(Boolean).join(" "),
      style: `--number: ${JSON.stringify(look.number)}; --notes-above: ${look.firstNote - 1}`,
      "data-level": String(section.type.name === "opening" ? 0 : level),
      ...(look.isNamed ? { "data-named": "" } : {}),
      ...(look.number === "" ? { "data-unnumbered": "" } : {}),
    });
    if (section.type.name !== "section") return [whole];
    const underHeading = start + 1 + (section.firstChild?.nodeSize ?? 0);
    const heading = Decoration.node(start + 1, underHeading, {
      role: "heading",
      "aria-level": String(level),
      ...(look.shape === "" ? {} : { "data-shape": look.shape }),
    });
    if (look.shape !== "") seeShape("paragraphs", look.shape);
    if (!look.isFolded) return [whole, heading];
    const unfold = Decoration.widget(underHeading, () => unfoldButton(look, () => host.unfold(id)), {
      key: `unfold ${id} ${look.folded}`,
      side: -1,
      ignoreSelection: true,
      stopEvent: () => true,
    });
    return [whole, heading, unfold];
  });
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

/** The sentence with the cursor (UAX #29, as the browser implements it), for those who have only it stay clear. */
export function currentSentence(language: () => string): Plugin {
  let segments: { language: string; by: Intl.Segmenter } | null = null;
  return new Plugin({
    props: {
      decorations: (state) => {
        if (document.documentElement.dataset["setOff"] !== "sentence") return null;
        const { $head, empty } = state.selection;
        if (!empty || !$head.parent.isTextblock || $head.depth < 2 || $head.node(2).type.name === "heading")
          return null;
        const now = language();
        if (segments?.language !== now)
          segments = { language: now, by: new Intl.Segmenter(now, { granularity: "sentence" }) };
        const text = $head.parent.textBetween(0, $head.parent.content.size, undefined, "\ufffc");
        const sentence = segments.by
          .segment(text)
          .containing(Math.max(0, Math.min($head.parentOffset, text.length) - 1));
        if (!sentence) return null;
        const from = $head.start() + sentence.index;
        const to = from + sentence.segment.length;
        return DecorationSet.create(state.doc, [Decoration.inline(from, to, { class: "sentence-now" })]);
      },
    },
  });
}

/** Links that lead nowhere. */
export function linkStates(isBroken: (target: string) => boolean): Plugin {
  return inEachSection((section, start) =>
    partsOf(section, start).flatMap(({ node, at }) => {
      const target = node.marks.find((mark) => mark.type.name === "link")?.attrs["href"];
      if (typeof target !== "string" || !isBroken(target)) return [];
      const title = "This link leads nowhere: its target is gone.";
      return [Decoration.inline(at, at + node.nodeSize, { class: "broken", title })];
    }),
  );
}

/** “Figure 3” and the like, before the words of captions. */
export function captionLabels(labelsOf: (section: string) => readonly string[]): Plugin {
  return inEachSection((section, start) => {
    const labels = labelsOf(String(section.attrs["id"]));
    return partsOf(section, start)
      .filter(({ node }) => node.type.name === "figure" || node.type.name === "table")
      .flatMap(({ node, at }, index) => {
        const label = labels[index] ?? "";
        return label === ""
          ? []
          : [Decoration.node(at, at + node.nodeSize, { style: `--label: ${JSON.stringify(`${label}. `)}` })];
      });
  });
}

/** All parts of a section, the outer before the inner, with their places in the whole text. */
export function partsOf(section: TextNode, start: number): { node: TextNode; at: number }[] {
  const parts: { node: TextNode; at: number }[] = [];
  section.descendants((node, position) => void parts.push({ node, at: start + 1 + position }));
  return parts;
}

/** Decorations of sections and of parts in them, found anew in the sections that changed and in no others. */
export function inEachSection(inSection: (section: TextNode, start: number) => Decoration[]): Plugin {
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
        const places = new Map<TextNode, number>();
        transaction.before.forEach((section, offset) => void places.set(section, offset));
        let next = set.map(transaction.mapping, transaction.doc);
        transaction.doc.forEach((section, offset) => {
          // The same section put in again has lost what was drawn on it.
          const was = places.get(section);
          const now = was === undefined ? null : transaction.mapping.mapResult(was + 1);
          if (now && !now.deletedAcross && now.pos === offset + 1) return;
          // Those that only touch it are its neighbours'.
          next = next
            .remove(next.find(offset + 1, offset + section.nodeSize - 1))
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
