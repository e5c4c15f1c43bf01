import type { EditorView } from "@tiptap/pm/view";
import { setParagraphKind, toggleWordKind, wordKindAt } from "../editor/kinds";
import type { MenuEntry } from "../parts/menu";
import { openDialog } from "../window/open-dialog";
import { openLook } from "./look-reach";
import { inShort } from "./properties";
import { useShownSheet } from "./shown-sheet";

/** Kinds of the writer’s own that the paragraph with the cursor, or the selected words, can be of, each in its own look. */
export function kindMenu(view: EditorView): MenuEntry[] {
  const kinds = useShownSheet.getState().sheet?.kinds ?? [];
  const own = (of: "paragraphs" | "words") => kinds.filter((kind) => kind.isOwn && kind.of === of);
  const body = kinds.find(({ name }) => name === "body");
  const paragraphs: MenuEntry = {
    label: "Kind of paragraph",
    entries: [
      {
        label: "Body text",
        look: inShort(body?.look ?? {}),
        run: () => void setParagraphKind(null)(view.state, view.dispatch),
      },
      ...own("paragraphs").map(({ name, label, look }) => ({
        label,
        look: inShort(look),
        run: () => void setParagraphKind(name)(view.state, view.dispatch),
      })),
      "line",
      { label: "A new kind of paragraph…", run: () => openDialog({ kind: "new-kind", of: "paragraphs" }) },
    ],
  };
  const words: MenuEntry = {
    label: "Kind of words",
    entries: [
      ...own("words").map(({ name, label, look }) => ({
        label: wordKindAt(view.state) === name ? `No longer “${label}”` : label,
        look: inShort(look),
        run: () => void toggleWordKind(name)(view.state, view.dispatch),
      })),
      ...(own("words").length > 0 ? (["line"] as const) : []),
      { label: "A new kind of words…", run: () => openDialog({ kind: "new-kind", of: "words" }) },
    ],
  };
  return [
    paragraphs,
    words,
    {
      label: view.state.selection.empty ? "Shape this one by hand" : "Shape these words by hand",
      also: "look font size colour alignment this one only",
      run: () => openLook(view.state.selection.empty ? "one" : "words"),
    },
    { label: "Look of this kind of text", also: "style font size colour", run: () => openLook("kind") },
  ];
}
