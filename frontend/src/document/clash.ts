import type { Operation, SectionText } from "../api/client";
import { plainHeading, type Draft } from "./drafts";
import { sameText } from "./same-text";

/** A section whose typing met another window’s: both texts wait for the writer’s choice. */
export type Clash = { section: string; mine: SectionText; theirs: SectionText };

/** A clash that waits for the writer, with the draft it came of. */
export type Waiting = Clash & { draft: Draft };

/** What it takes to go on with one text, or with both; null for theirs, which is kept already. */
export function settling({ section, mine, theirs }: Clash, choice: "mine" | "theirs" | "both"): Operation | null {
  if (choice === "theirs") return null;
  const isRenamed = !sameText(mine.heading, theirs.heading);
  const replace = (body: unknown[]): Operation => ({
    name: "replace-body",
    section,
    body: body as Record<string, never>[],
  });
  if (choice === "mine") {
    return isRenamed
      ? { name: "batch", operations: [{ name: "rename", section, heading: mine.heading }, replace(mine.body)] }
      : replace(mine.body);
  }
  // A section has one heading; the other stands where its text begins.
  const heading =
    isRenamed && plainHeading(mine) !== ""
      ? [{ type: "paragraph", content: [{ type: "text", text: plainHeading(mine), marks: [{ type: "strong" }] }] }]
      : [];
  return replace([...theirs.body, ...heading, ...mine.body]);
}
