import type { TitleBlock } from "../api/client";
import type { Session } from "../document/session";
import { labelled } from "../keys/keys";
import type { MenuEntry } from "../parts/menu";
import { openDialog, type OpenDialog } from "../window/open-dialog";

/** What can be done with the document as a whole. */
export function documentCommands(session: Session, titleBlock: TitleBlock): MenuEntry[] {
  // Asked when the command is chosen, for the place changes more often than this menu is drawn.
  const atPlace = (question: (section: string) => OpenDialog) => {
    const section = session.window.current ?? session.state.outline.ids[0];
    if (section !== undefined) openDialog(question(section));
  };
  return [
    {
      label: "Title, author, date, language…",
      also: "subtitle about document",
      run: () => openDialog({ kind: "about" }),
    },
    { label: "Review likely headings…", run: () => openDialog({ kind: "likely-headings" }) },
    { label: "Import a file here…", run: () => atPlace((target) => ({ kind: "import", target, landing: "after" })) },
    { label: "Split this section by rule…", run: () => atPlace((section) => ({ kind: "split", section })) },
    "line",
    ...(titleBlock.title
      ? [
          {
            label: "Turn the title into a paragraph",
            run: () => void session.changes.perform({ name: "put-title-in-text", part: "title" }),
          },
        ]
      : []),
    ...(titleBlock.subtitle
      ? [
          {
            label: "Turn the subtitle into a paragraph",
            run: () => void session.changes.perform({ name: "put-title-in-text", part: "subtitle" }),
          },
        ]
      : []),
    {
      label: "Number plainly: 1, 1.1, 1.1.1",
      run: () => void session.changes.perform({ name: "use-numbering", numbering: null }),
    },
    "line",
    { ...labelled("keys"), run: () => openDialog({ kind: "keys" }) },
    { ...labelled("print"), run: () => void session.files.print() },
    { label: "Keep this outline as a starter…", run: () => openDialog({ kind: "keep-starter" }) },
  ];
}
