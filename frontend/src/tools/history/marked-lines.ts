import type { WordMark } from "../../api/client";

/** A paragraph of a compared text, in pieces that stayed, went or came. */
export type MarkedLine = readonly WordMark[];

/** Paragraphs to be shown, and runs of them in which nothing changed. */
export type Stretch = { same: boolean; lines: readonly MarkedLine[] };

/** A run of unchanged paragraphs shorter than this is not worth folding. */
const LEAST_FOLDED = 3;

export function markedLines(marks: readonly WordMark[]): MarkedLine[] {
  const lines: WordMark[][] = [[]];
  for (const { kind, text } of marks) {
    text.split("\n").forEach((piece, index) => {
      if (index > 0) lines.push([]);
      if (piece !== "") lines.at(-1)?.push({ kind, text: piece });
    });
  }
  return lines.filter((line) => line.length > 0);
}

/** What changed stays in sight with a paragraph on either side of it; long runs of what stayed are put together. */
export function stretches(lines: readonly MarkedLine[]): Stretch[] {
  const isNear = lines.map((_line, index) => lines.slice(Math.max(0, index - 1), index + 2).some(isChanged));
  const found: { same: boolean; lines: MarkedLine[] }[] = [];
  lines.forEach((line, index) => {
    const same = !isNear[index];
    const last = found.at(-1);
    if (last?.same === same) last.lines.push(line);
    else found.push({ same, lines: [line] });
  });
  return found.map((each) => ({ ...each, same: each.same && each.lines.length >= LEAST_FOLDED }));
}

function isChanged(line: MarkedLine): boolean {
  return line.some(({ kind }) => kind !== "same");
}
