import type { LikelyHeading, LookGroup, Operation } from "../../api/client";

/** What the writer says of one line: the level it is to have, 0 for the title, or null for no heading. */
export type Choices = ReadonlyMap<string, number | null>;

export function keyOf(line: Pick<LikelyHeading, "section" | "block">): string {
  return `${line.section} ${line.block}`;
}

/** As suggested. */
export function firstChoices(groups: readonly LookGroup[]): Choices {
  return new Map(groups.flatMap((group) => group.lines.map((line) => [keyOf(line), line.level] as const)));
}

/** One word for a whole group; lines that were spoken for one by one follow it too. */
export function withGroup(choices: Choices, group: LookGroup, level: number | null): Choices {
  return new Map([...choices, ...group.lines.map((line) => [keyOf(line), level] as const)]);
}

export function withLine(choices: Choices, line: LikelyHeading, level: number | null): Choices {
  return new Map([...choices, [keyOf(line), level] as const]);
}

/** What most lines of the group are to be. */
export function levelOfGroup(choices: Choices, group: LookGroup): number | null | "mixed" {
  const levels = new Set(group.lines.map((line) => choices.get(keyOf(line)) ?? null));
  return levels.size === 1 ? ([...levels][0] ?? null) : "mixed";
}

/** The operation that does what was chosen; the title last, for it takes a paragraph away. Null when nothing is chosen. */
export function operationFor(groups: readonly LookGroup[], choices: Choices): Operation | null {
  const lines = groups.flatMap((group) => group.lines);
  const levelOf = (line: LikelyHeading) => choices.get(keyOf(line)) ?? null;
  const headings = lines.flatMap((line) => {
    const level = levelOf(line);
    return level !== null && level > 0 ? [{ section: line.section, block: line.block, level }] : [];
  });
  const title = lines.find((line) => levelOf(line) === 0);
  const operations: Operation[] = [
    ...(headings.length > 0 ? [{ name: "make-headings" as const, lines: headings }] : []),
    ...(title
      ? [{ name: "take-as-title" as const, section: title.section, block: title.block, part: "title" as const }]
      : []),
  ];
  return operations.length === 0
    ? null
    : operations.length === 1
      ? (operations[0] ?? null)
      : { name: "batch", operations };
}
