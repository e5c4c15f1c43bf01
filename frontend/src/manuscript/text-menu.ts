import type { Session } from "../document/session";
import * as commands from "../editor/commands";
import type { TextCommand } from "../keys/commands";
import { keysShown, labelled } from "../keys/keys";
import { LEVELS } from "../outline/outline";
import type { MenuEntry } from "../parts/menu";
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
      whole,
    ];
  }
  const isSelected = !view.state.selection.empty;
  const code: MenuEntry = {
    label: "Code",
    run: () => {
      commands.toggleCodeBlock(view.state, view.dispatch, view);
      view.focus();
    },
  };
  const item: MenuEntry = {
    label: "List item",
    entries: (["item-up", "item-down", "item-in", "item-out"] as const).map(command),
  };
  return [
    ...(isSelected
      ? [...(["emphasis", "strong", "link", "set-words-aside"] as const).map(command), "line" as const]
      : []),
    headings,
    { label: "Turn into", entries: [...(["quotation", "list", "numbered-list"] as const).map(command), code] },
    {
      label: "Insert",
      entries: [
        ...(["footnote", "reference", "bookmark", "calculation"] as const).map(command),
        "line",
        ...(["separator", "page-break", "contents-here"] as const).map(command),
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
