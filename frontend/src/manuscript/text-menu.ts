import type { Session } from "../document/session";
import * as commands from "../editor/commands";
import { CellSelection } from "../editor/cell-selection";
import { isInTable, isMergedCell } from "../editor/table";
import type { TextCommand } from "../keys/commands";
import { keysShown, labelled } from "../keys/keys";
import { LEVELS } from "../outline/outline";
import { kindMenu } from "../looks/kind-menu";
import type { MenuEntry } from "../parts/menu";
import { fromClipboard, ontoClipboard } from "./pasting";
import type { Spot } from "./spot";
import { joinWithAbove, makeHeading, runInText, takeAsTitle } from "./text-commands";

/** The commands that fit where the cursor is, or the words that are selected. */
export function textMenu(session: Session, spot: Omit<Spot, "key">): MenuEntry[] {
  const { section, view } = spot;
  const command = (id: TextCommand): MenuEntry => ({
    ...labelled(id),
    run: () => {
      runInText(session, section, view, id);
      view.focus();
    },
  });
  const isSelected = !view.state.selection.empty;
  const clipboard: MenuEntry[] = [
    ...(isSelected
      ? [
          { label: "Cut", keys: "Ctrl X", run: () => void ontoClipboard(view, "cut") },
          { label: "Copy", keys: "Ctrl C", run: () => void ontoClipboard(view, "copy") },
        ]
      : []),
    { label: "Paste", keys: "Ctrl V", run: () => void fromClipboard(session, view) },
    "line",
  ];
  const headings: MenuEntry = {
    label: commands.isInHeading(view.state) ? "Heading level" : "Make it a heading",
    entries: LEVELS.map((level) => ({
      label: `Heading, level ${level}`,
      keys: keysShown(`heading-${level as 1}`),
      run: () => void makeHeading(session, section, view, level),
    })),
  };
  const whole: MenuEntry = { label: "Section", entries: (["select-section", "fold-section"] as const).map(command) };
  if (commands.isInHeading(view.state)) {
    return [
      ...clipboard,
      headings,
      command("paragraph"),
      "line",
      command("join"),
      {
        label: "Join, and the heading goes to the offcuts",
        run: () => void joinWithAbove(session, section, view, "offcut"),
      },
      "line",
      command("bookmark"),
      command("reminder"),
      ...kindMenu(view).slice(-2),
      whole,
    ];
  }
  const turn: MenuEntry = {
    label: "Turn into",
    entries: (["quotation", "list", "numbered-list", "code-block"] as const).map(command),
  };
  const item: MenuEntry = {
    label: "List item",
    entries: (["item-up", "item-down", "item-in", "item-out"] as const).map(command),
  };
  const table: MenuEntry[] = [
    {
      label: "Rows",
      entries: (["row-above", "row-below", "row-up", "row-down", "header-row", "remove-row"] as const).map(command),
    },
    {
      label: "Columns",
      entries: [
        ...(["column-before", "column-after", "column-back", "column-on", "header-column"] as const).map(command),
        "line",
        ...(["align-left", "align-center", "align-right"] as const).map(command),
        "line",
        command("remove-column"),
      ],
    },
    ...(view.state.selection instanceof CellSelection && view.state.selection.within ? [command("merge-cells")] : []),
    ...(isMergedCell(view.state) ? [command("split-cell")] : []),
    command("landscape-table"),
    command("remove-table"),
    "line",
  ];
  return [
    ...clipboard,
    ...(isInTable(view.state) ? table : []),
    ...(isSelected
      ? [
          ...(
            [
              "emphasis",
              "strong",
              "struck",
              "superscript",
              "subscript",
              "code",
              "link",
              "words-to-ideas",
              "words-to-standing",
              "set-words-aside",
            ] as const
          ).map(command),
          "line" as const,
        ]
      : []),
    ...(isInTable(view.state) ? [] : [headings]),
    ...(isInTable(view.state) ? [] : [turn]),
    // Cells hold no paragraphs.
    ...kindMenu(view).slice(isInTable(view.state) ? 1 : 0),
    ...(isSelected
      ? []
      : [
          {
            label: "Letters and marks",
            entries: (["emphasis", "strong", "struck", "superscript", "subscript", "code"] as const).map(command),
          },
        ]),
    {
      label: "Insert",
      entries: [
        ...(["picture", ...(isInTable(view.state) ? [] : (["table"] as const)), "footnote"] as const).map(command),
        "line",
        ...(
          [
            ...(isSelected ? [] : (["link"] as const)),
            "reference",
            "bookmark",
            "reminder",
            "formula",
            "calculation",
          ] as const
        ).map(command),
        "line",
        ...(["separator", "page-break", "contents-here", "standing", "filler"] as const).map(command),
      ],
    },
    ...(commands.isInside(view.state, "listItem") ? [item] : []),
    "line",
    command("split"),
    command("join"),
    {
      label: "Title",
      entries: [
        { label: "Make it the title", run: () => void takeAsTitle(session, section, view, "title") },
        { label: "Make it the subtitle", run: () => void takeAsTitle(session, section, view, "subtitle") },
      ],
    },
    whole,
  ];
}
