import { branchEnd, levelAt, parentOf, type Outline } from "./outline";
import type { DropPlace } from "./drop";

/** A stretch of the strip: one section’s branch, in proportion to its words. */
export type Stratum = { id: string; position: number; level: number; left: number; width: number; empty: boolean };

/** Sections without words still take a little room, so that what is empty can be seen. */
const LEAST_WORDS = 12;

export const STRATA_ROWS = 4;

/** The part of the document that the strip shows: all of it, or one branch with its levels counted from the first row. */
export type Window = { from: number; to: number; above: number };

export function windowOn(outline: Outline, section: number | null): Window {
  if (section === null) return { from: 0, to: outline.ids.length, above: 0 };
  return { from: section, to: branchEnd(outline, section), above: Math.max(0, levelAt(outline, section) - 1) };
}

/** Words, with the room that empty sections take, before each section of a window; the last is all of them. */
function startsOf(words: readonly number[], { from, to }: Window): number[] {
  const starts = [0];
  for (let position = from; position < to; position++)
    starts.push((starts[position - from] ?? 0) + Math.max(LEAST_WORDS, words[position] ?? 0));
  return starts;
}

/** Where on the strip some sections begin, each pixel once. */
export function ticks(
  positions: Iterable<number>,
  words: readonly number[],
  width: number,
  window: Window,
): readonly number[] {
  const starts = startsOf(words, window);
  const total = starts.at(-1) ?? 0;
  const places = new Set<number>();
  for (const position of positions) {
    if (position < window.from || position >= window.to || total === 0) continue;
    const middle = ((starts[position - window.from] ?? 0) + (starts[position - window.from + 1] ?? 0)) / 2;
    places.add(Math.round((middle * width) / total));
  }
  return [...places];
}

/**
 * Lays the document out from left to right.
 *
 * @param words own words of each section, in order
 * @param leastWidth pixels; narrower stretches are left out, for nobody could see or hit them
 */
export function strata(
  outline: Outline,
  words: readonly number[],
  width: number,
  leastWidth = 2,
  window: Window = windowOn(outline, null),
): Stratum[] {
  const starts = startsOf(words, window);
  const total = starts[window.to - window.from] ?? 0;
  if (total === 0) return [];
  const scale = width / total;
  const found: Stratum[] = [];
  const open: Stratum[] = [];
  const close = (level: number, end: number) => {
    for (let last = open[open.length - 1]; last && last.level >= level; last = open[open.length - 1]) {
      open.pop();
      last.width = (starts[end - window.from] ?? total) * scale - last.left;
    }
  };
  for (let position = window.from; position < window.to; position++) {
    const level = Math.max(1, levelAt(outline, position) - window.above);
    close(level, position);
    const stratum = {
      id: outline.ids[position] ?? "",
      position,
      level,
      left: (starts[position - window.from] ?? 0) * scale,
      width: 0,
      empty: (words[position] ?? 0) === 0,
    };
    found.push(stratum);
    open.push(stratum);
  }
  close(0, window.to);
  return found
    .filter((each) => each.level <= STRATA_ROWS && each.width >= leastWidth)
    .map((each) => ({ ...each, empty: each.empty && isWhole(outline, each.position) }));
}

/** A part whose text stands in its sections is not empty. */
function isWhole(outline: Outline, position: number): boolean {
  return position + 1 >= outline.ids.length || levelAt(outline, position + 1) <= levelAt(outline, position);
}

/** From one stretch to the next by the arrows: to its neighbours in its row, up to what it stands in, down to what stands in it. */
export function neighbour(
  found: readonly Stratum[],
  from: Stratum,
  to: "left" | "right" | "up" | "down",
): Stratum | undefined {
  const middle = from.left + from.width / 2;
  const inRow = (level: number) => found.filter((each) => each.level === level);
  switch (to) {
    case "left":
      return inRow(from.level).findLast((each) => each.left < from.left);
    case "right":
      return inRow(from.level).find((each) => each.left > from.left);
    case "up":
      return found.findLast(
        (each) => each.level < from.level && each.left <= middle && each.left + each.width >= middle,
      );
    case "down":
      return found.find(
        (each) => each.level > from.level && each.left >= from.left && each.left < from.left + from.width,
      );
  }
}

/**
 * Where a branch let go over the strip lands: in the row under the pointer, before or after the stretch there, or inside the
 * stretch above when the row is empty.
 *
 * @param row 1 to 4, as drawn
 * @param x pixels from the left of the strip
 */
export function strataDrop(
  outline: Outline,
  found: readonly Stratum[],
  x: number,
  row: number,
): (DropPlace & { left: number }) | null {
  const holds = (each: Stratum) => x >= each.left && x <= each.left + each.width;
  const at =
    found.findLast((each) => each.level === row && holds(each)) ??
    found.findLast((each) => each.level < row && holds(each));
  if (!at || levelAt(outline, at.position) === 0) return null;
  const level = levelAt(outline, at.position);
  if (at.level < row)
    return { gap: at.position, level: level + 1, landing: "inside", target: at.id, left: at.left + at.width };
  const isBefore = x < at.left + at.width / 2;
  return {
    gap: at.position + (isBefore ? 0 : 1),
    level,
    landing: isBefore ? "before" : "after",
    target: at.id,
    left: isBefore ? at.left : at.left + at.width,
  };
}

/** One step out of a branch: to the one that it stands in, or to the whole document. */
export function outOf(outline: Outline, position: number): string | null {
  const parent = parentOf(outline, position);
  return parent === null ? null : (outline.ids[parent] ?? null);
}
