import type { Node as TextNode } from "@tiptap/pm/model";
import { NodeSelection, Plugin, TextSelection, type EditorState } from "@tiptap/pm/state";
import { Decoration, DecorationSet, type EditorView } from "@tiptap/pm/view";
import { inEachSection, partsOf } from "./decorations";
import { findSection } from "./places";

/**
 * Footnotes on the screen. In the text a note shows its number, and its words where the cursor is in it; under each
 * section stand all of its notes, as they will at the foot of the page. Neither is part of the text.
 */
export function footnotes(firstNoteOf: (section: string) => number): Plugin[] {
  return [noteEdges(), openNote(), apparatus(firstNoteOf)];
}

/** The notes of a section in order. */
export function notesOf(section: TextNode, start: number): { node: TextNode; at: number }[] {
  return partsOf(section, start).filter(({ node }) => node.type.name === "footnote");
}

/**
 * The two edges of each footnote. Browsers take the end of a run of words and the place after it for one place; with an
 * edge between them the cursor can stand on either side.
 */
function noteEdges(): Plugin {
  return inEachSection((section, start) =>
    notesOf(section, start).flatMap(({ node, at }) => [
      Decoration.widget(at, edge, { key: "edge before", side: 1, ignoreSelection: true }),
      Decoration.widget(at + node.nodeSize, edge, { key: "edge after", side: -1, ignoreSelection: true }),
    ]),
  );
}

function edge(): HTMLElement {
  const element = document.createElement("img");
  element.alt = "";
  element.className = "note-edge";
  return element;
}

/** The note that is being read or written shows its words. */
function openNote(): Plugin {
  return new Plugin({
    props: {
      decorations: (state) => {
        const at = noteAt(state);
        const node = at === null ? null : state.doc.nodeAt(at);
        return at === null || !node
          ? null
          : DecorationSet.create(state.doc, [Decoration.node(at, at + node.nodeSize, { class: "open" })]);
      },
      // Where exactly the hand was on the number says nothing of a place among the words.
      handleDOMEvents: {
        mousedown: (view, event) => {
          const closed = event.target instanceof Element ? event.target.closest(".footnote:not(.open)") : null;
          if (!closed || event.button !== 0 || event.shiftKey) return false;
          event.preventDefault();
          intoNote(view, view.state.doc.resolve(view.posAtDOM(closed, 0)).before());
          return true;
        },
      },
    },
  });
}

function noteAt({ selection }: EditorState): number | null {
  const { $head } = selection;
  if (selection instanceof NodeSelection && selection.node.type.name === "footnote") return selection.from;
  return $head.parent.type.name === "footnote" ? $head.before() : null;
}

/** Puts the cursor at the end of a note. */
function intoNote(view: EditorView, at: number): void {
  const size = view.state.doc.nodeAt(at)?.content.size ?? 0;
  view.dispatch(view.state.tr.setSelection(TextSelection.create(view.state.doc, at + 1 + size)).scrollIntoView());
  view.focus();
}

/** All notes of a section under it; a click or Enter on one goes to its place in the text. */
function apparatus(firstNoteOf: (section: string) => number): Plugin {
  return inEachSection((section, start) => {
    const notes = notesOf(section, start);
    if (notes.length === 0) return [];
    const id = String(section.attrs["id"]);
    const first = firstNoteOf(id);
    const words = notes.map(({ node }) => node.textContent);
    return [
      Decoration.widget(
        start + section.nodeSize - 1,
        (view) =>
          notesList(first, words, (index) => {
            const place = findSection(view.state.doc, id);
            const note = place && notesOf(place.node, place.start)[index];
            if (note) intoNote(view, note.at);
          }),
        { key: `notes ${id} ${first} ${words.join("\n")}`, side: 1, ignoreSelection: true, stopEvent: () => true },
      ),
    ];
  });
}

function notesList(first: number, words: readonly string[], goTo: (index: number) => void): HTMLElement {
  const list = document.createElement("ol");
  list.className = "apparatus";
  list.contentEditable = "false";
  list.setAttribute("aria-label", "Footnotes of this section");
  list.start = first;
  words.forEach((note, index) => {
    const item = document.createElement("li");
    const button = document.createElement("button");
    button.type = "button";
    button.textContent = note || "Empty note";
    button.title = "Go to this note in the text";
    button.addEventListener("mousedown", (event) => event.preventDefault());
    button.addEventListener("click", () => goTo(index));
    item.append(button);
    list.append(item);
  });
  return list;
}
