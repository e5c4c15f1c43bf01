import type { Operation } from "../../api/client";
import type { Session } from "../../document/session";
import { APPENDIX, branchEnd, flagsAt, LEFT_OUT_OF_CONTENTS, UNNUMBERED } from "../../outline/outline";
import { actedOn, pickedHeads } from "../../outline/picks";
import type { Row } from "../../outline/rows";
import type { MenuEntry } from "../../parts/menu";
import { ask } from "../asking";

type Named = "promote" | "demote" | "move-up" | "move-down" | "delete" | "duplicate" | "set-aside";

/** Does one thing to branches; answers the section that the outline’s focus is to stay on. */
export async function onBranches(session: Session, sections: string[], focus: string, name: Named): Promise<string> {
  const { outline, positions } = session.state;
  const heads = pickedHeads(outline, positions, new Set(sections));
  const last = heads.at(-1) ?? 0;
  const after = outline.ids[branchEnd(outline, last)] ?? outline.ids[(heads[0] ?? 0) - 1];
  const answer = await session.perform({ name, sections });
  const isGone = answer.kind === "applied" && (name === "delete" || name === "set-aside");
  return isGone ? (after ?? focus) : focus;
}

/** Inserts an empty section and goes to its heading, ready to be written. */
export async function insertSection(session: Session, row: Row, landing: "before" | "after" | "inside"): Promise<string | null> {
  const answer = await session.perform({ name: "insert", landing, target: row.id });
  if (answer.kind !== "applied") return null;
  const made = answer.outcome.order.at(-1)?.inserted.ids[0] ?? null;
  if (landing === "inside") session.setFolded(row.id, false);
  return made;
}

/** Commands for a row, or for all that is picked when the row is among it. */
export function rowCommands(session: Session, row: Row, rename: () => void): MenuEntry[] {
  const sections = actedOn(session.state.picked, row.id);
  const flags = flagsAt(session.state.outline, row.position);
  const branch = (label: string, keys: string, name: Named): MenuEntry => ({ label, keys, run: () => void onBranches(session, sections, row.id, name) });
  const alone = (label: string, name: "promote" | "demote"): MenuEntry => ({ label, run: () => void session.perform({ name, sections, extent: "heading-only" }) });
  const noted = (label: string, note: Partial<Operation>): MenuEntry => ({ label, run: () => void session.perform({ name: "describe-section", sections, ...note }) });
  const away: MenuEntry[] = ["line", branch("Set aside", "", "set-aside"), { label: "Delete", keys: "Delete", tone: "loss", run: () => void onBranches(session, sections, row.id, "delete") }];
  const insert = (label: string, keys: string, landing: "before" | "after" | "inside"): MenuEntry => ({
    label,
    ...(keys ? { keys } : {}),
    run: () => void insertSection(session, row, landing).then((made) => made && session.goTo({ section: made, position: 1 })),
  });
  if (row.level === 0) return [insert("Insert a section after", "Ctrl Enter", "after"), { label: "Split by rule…", run: () => ask({ kind: "split", section: row.id }) }, ...away];
  const arrange: MenuEntry[] = [
    branch("Promote", "Ctrl Shift ←", "promote"),
    branch("Demote", "Ctrl Shift →", "demote"),
    alone("Promote the heading only", "promote"),
    alone("Demote the heading only", "demote"),
    branch("Move up", "Ctrl Shift ↑", "move-up"),
    branch("Move down", "Ctrl Shift ↓", "move-down"),
    { label: "Nest under…", run: () => ask({ kind: "nest", sections }) },
    "line",
  ];
  const note: MenuEntry[] = [
    { label: "Marker…", run: () => ask({ kind: "marker", sections }) },
    noted((flags & UNNUMBERED) !== 0 ? "Number it" : "Leave it unnumbered", { numbered: (flags & UNNUMBERED) !== 0 }),
    noted((flags & LEFT_OUT_OF_CONTENTS) !== 0 ? "Take it into the contents" : "Leave it out of the contents", { inContents: (flags & LEFT_OUT_OF_CONTENTS) !== 0 }),
    noted((flags & APPENDIX) !== 0 ? "Number it as a chapter" : "Number it as an appendix", { appendix: (flags & APPENDIX) === 0 }),
  ];
  if (sections.length > 1) return [...arrange, branch("Duplicate", "Ctrl D", "duplicate"), ...note, ...away];
  return [
    { label: "Rename", keys: "F2", run: rename },
    "line",
    ...arrange,
    insert("Insert before", "", "before"),
    insert("Insert after", "Ctrl Enter", "after"),
    insert("Insert inside", "Ctrl Shift Enter", "inside"),
    branch("Duplicate", "Ctrl D", "duplicate"),
    "line",
    { label: "Work on this branch only", run: () => session.setScope(row.id) },
    { label: "Write this branch to Markdown", keys: ".md", run: () => void session.writeToFile("md", row.id) },
    { label: "Write this branch to a web page", keys: ".html", run: () => void session.writeToFile("html", row.id) },
    ...note,
    "line",
    { label: "Import a file here…", run: () => ask({ kind: "import", target: row.id, landing: "inside" }) },
    { label: "Split by rule…", run: () => ask({ kind: "split", section: row.id }) },
    { label: "Make it a paragraph of the section above", run: () => void session.perform({ name: "join", section: row.id, heading: "paragraph" }) },
    ...away,
  ];
}
