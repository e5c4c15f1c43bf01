import { levels } from "../generated/body-schema.json";

/** The levels a heading can have, the highest first. */
export const LEVELS: readonly number[] = levels;

/** The order and levels of a document's sections, as the server told them; nothing here decides a rule of the job. */
export type Outline = { readonly ids: readonly string[]; readonly levels: string; readonly flags: string };

export type OrderEdit = { at: number; removed: number; inserted: { ids: string[]; levels: string; flags: string } };

export const UNNUMBERED = 1;
export const LEFT_OUT_OF_CONTENTS = 2;
export const APPENDIX = 4;

export function levelAt(outline: Outline, position: number): number {
  return outline.levels.charCodeAt(position) - 48;
}

export function flagsAt(outline: Outline, position: number): number {
  return Number.parseInt(outline.flags[position] ?? "0", 16);
}

/** The position after the last section of the branch that starts here. Nothing is under the opening. */
export function branchEnd(outline: Outline, position: number): number {
  const level = levelAt(outline, position) || 10;
  let end = position + 1;
  while (end < outline.ids.length && levelAt(outline, end) > level) end++;
  return end;
}

export function parentOf(outline: Outline, position: number): number | null {
  const level = levelAt(outline, position);
  for (let earlier = position - 1; earlier >= 0; earlier--) {
    const above = levelAt(outline, earlier);
    if (above < level && above > 0) return earlier;
  }
  return null;
}

/** From the top down to the section itself. */
export function pathTo(outline: Outline, position: number): number[] {
  const path = [position];
  for (let parent = parentOf(outline, position); parent !== null; parent = parentOf(outline, parent))
    path.unshift(parent);
  return path;
}

export function edited(outline: Outline, edits: readonly OrderEdit[]): Outline {
  let ids = outline.ids;
  let { levels, flags } = outline;
  for (const { at, removed, inserted } of edits) {
    ids = [...ids.slice(0, at), ...inserted.ids, ...ids.slice(at + removed)];
    levels = levels.slice(0, at) + inserted.levels + levels.slice(at + removed);
    flags = flags.slice(0, at) + inserted.flags + flags.slice(at + removed);
  }
  return { ids, levels, flags };
}
