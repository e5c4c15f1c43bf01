import { createElement } from "react";
import { FORMATS } from "../files/formats";
import { writeToFile } from "../files/write-to-file";
import type { OperationNamed } from "../api/client";
import type { Session } from "../document/session";
import type { OutlineCommand } from "../keys/commands";
import { labelled } from "../keys/keys";
import { APPENDIX, flagsAt, LEFT_OUT_OF_CONTENTS, LEVELS, UNNUMBERED } from "../outline/outline";
import { actedOn } from "../outline/picks";
import type { Row } from "../outline/rows";
import type { MenuEntry } from "../parts/menu";
import { STAGE_WORDS, STAGES, StageSign, type StageName } from "../parts/stage";
import { openDialog } from "../window/open-dialog";
import { copyBranches } from "../files/copying";

type Named = "promote" | "demote" | "move-up" | "move-down" | "delete" | "duplicate" | "set-aside";

/** Does one thing to branches; answers the section that the outline’s focus is to stay on. */
export async function onBranches(session: Session, sections: string[], focus: string, name: Named): Promise<string> {
  const answer = await session.changes.perform({ name, sections });
  if (answer.kind !== "applied" || (name !== "delete" && name !== "set-aside")) return focus;
  // What stands now where the first of them stood; the outline may have changed on the way there.
  const { ids } = session.state.outline;
  const at = answer.outcome.order[0]?.at ?? 0;
  return ids[at] ?? ids[at - 1] ?? focus;
}

/** Inserts an empty section; answers its id. */
export async function insertSection(
  session: Session,
  section: string,
  landing: "before" | "after" | "inside",
): Promise<string | null> {
  const answer = await session.changes.perform({ name: "insert", landing, target: section });
  if (answer.kind !== "applied") return null;
  const made = answer.outcome.order.at(-1)?.inserted.ids[0] ?? null;
  if (landing === "inside") session.navigation.setFolded(section, false);
  return made;
}

/** Commands that act on a row, or on all that is picked when the row is among it. */
export type BranchCommand = Extract<
  OutlineCommand,
  | Named
  | "promote-heading"
  | "demote-heading"
  | "nest"
  | "marker"
  | "target"
  | "scope"
  | "scope-own"
  | "fold-text"
  | "copy"
  | "to-document"
  | "keep-standing"
>;

/** Answers the section that the outline’s focus is to stay on. */
export async function runOnBranch(session: Session, section: string, command: BranchCommand): Promise<string> {
  const next = await run(session, section, command);
  session.navigation.unfoldTo(next);
  return next;
}

async function run(session: Session, section: string, command: BranchCommand): Promise<string> {
  const sections = actedOn(session.window.picked, section);
  switch (command) {
    case "promote-heading":
    case "demote-heading":
      await session.changes.perform({
        name: command === "promote-heading" ? "promote" : "demote",
        sections,
        extent: "heading-only",
      });
      return section;
    case "nest":
    case "marker":
    case "target":
    case "to-document":
      openDialog({ kind: command, sections });
      return section;
    case "keep-standing":
      await session.files.keepStanding({ sections: sections.join(",") });
      return section;
    case "scope":
    case "scope-own":
      session.navigation.setScope(
        { heads: sections, extent: command === "scope" ? "branch" : "heading-only" },
        { focus: false },
      );
      return section;
    case "fold-text":
      session.navigation.foldTexts(sections, !session.window.foldedTexts.has(section));
      return section;
    case "copy":
      await copyBranches(session, sections);
      return section;
    default:
      return onBranches(session, sections, section, command);
  }
}

/** How far sections have come, for all of them at once. */
export function stageEntries(session: Session, sections: string[]): MenuEntry[] {
  const set = (stage: StageName | "") => void session.changes.perform({ name: "describe-section", sections, stage });
  return [
    ...STAGES.map((stage) => ({
      label: STAGE_WORDS[stage],
      sign: createElement(StageSign, { name: stage }),
      also: "stage status progress",
      run: () => set(stage),
    })),
    "line",
    { label: "At no stage", run: () => set("") },
  ];
}

/** The menu of a row. */
export function rowCommands(
  session: Session,
  row: Pick<Row, "id" | "position" | "level">,
  rename: () => void,
): MenuEntry[] {
  const sections = actedOn(session.window.picked, row.id);
  const flags = flagsAt(session.state.outline, row.position);
  const command = (id: BranchCommand): MenuEntry => ({
    ...labelled(id),
    ...(id === "delete" ? { tone: "loss" as const } : {}),
    run: () => void runOnBranch(session, row.id, id),
  });
  const noted = (label: string, note: Partial<OperationNamed<"describe-section">>): MenuEntry => ({
    label,
    run: () => void session.changes.perform({ ...note, name: "describe-section", sections }),
  });
  const insert = (landing: "before" | "after" | "inside"): MenuEntry => ({
    ...labelled(`insert-${landing}`),
    run: () =>
      void insertSection(session, row.id, landing).then(
        (made) => made && session.navigation.goTo({ section: made, position: 1 }),
      ),
  });
  const split: MenuEntry = { label: "Split by rule…", run: () => openDialog({ kind: "split", section: row.id }) };
  const level = (at: number): MenuEntry => ({
    label: `Level ${at}`,
    run: () => void session.changes.perform({ name: "set-level", sections, level: at }),
  });
  const away: MenuEntry[] = ["line", command("set-aside"), command("delete")];
  if (row.level === 0) return [insert("after"), split, ...away];
  const move: MenuEntry[] = [
    ...(["promote", "demote", "move-up", "move-down"] as const).map(command),
    command("nest"),
    { label: "Set level", entries: LEVELS.map(level) },
    { label: "The heading only", entries: (["promote-heading", "demote-heading"] as const).map(command) },
    "line",
  ];
  const files: MenuEntry = {
    label: "Copy, write or print",
    entries: [
      command("copy"),
      command("to-document"),
      command("keep-standing"),
      ...(sections.length > 1
        ? []
        : [
            ...FORMATS.map(({ format, inSentence }) => ({
              label: `Write this branch to ${inSentence}`,
              keys: `.${format}`,
              run: () => void writeToFile(session, format, { heads: [row.id], extent: "branch" }),
            })),
            {
              label: "Print this branch…",
              run: () => void session.files.print({ heads: [row.id], extent: "branch" }),
            },
            {
              label: "Print it with its page numbers…",
              run: () => void session.files.print({ heads: [row.id], extent: "branch" }, true),
            },
          ]),
    ],
  };
  const numbers: MenuEntry = {
    label: "Number and contents",
    entries: [
      noted((flags & UNNUMBERED) !== 0 ? "Number it" : "Leave it unnumbered", { numbered: (flags & UNNUMBERED) !== 0 }),
      noted((flags & LEFT_OUT_OF_CONTENTS) !== 0 ? "Take it into the contents" : "Leave it out of the contents", {
        inContents: (flags & LEFT_OUT_OF_CONTENTS) !== 0,
      }),
      noted((flags & APPENDIX) !== 0 ? "Number it as a chapter" : "Number it as an appendix", {
        appendix: (flags & APPENDIX) === 0,
      }),
    ],
  };
  const notes: MenuEntry[] = [
    { label: "Stage", entries: stageEntries(session, sections) },
    command("marker"),
    command("target"),
    numbers,
  ];
  if (sections.length > 1)
    return [
      ...move,
      command("duplicate"),
      { label: "Show and fold", entries: [command("scope"), command("scope-own"), command("fold-text")] },
      files,
      ...notes,
      ...away,
    ];
  return [
    { ...labelled("rename"), run: rename },
    "line",
    ...move,
    {
      label: "Insert",
      entries: [
        insert("before"),
        insert("after"),
        insert("inside"),
        "line",
        { label: "Standing text here…", run: () => openDialog({ kind: "standing", target: row.id }) },
        { label: "Import a file here…", run: () => openDialog({ kind: "import", target: row.id, landing: "inside" }) },
      ],
    },
    command("duplicate"),
    {
      label: "Split or join",
      entries: [
        split,
        {
          label: "Make it a paragraph of the section above",
          run: () => void session.changes.perform({ name: "join", section: row.id, heading: "paragraph" }),
        },
      ],
    },
    { label: "Show and fold", entries: [command("scope"), command("scope-own"), command("fold-text")] },
    files,
    ...notes,
    ...away,
  ];
}
