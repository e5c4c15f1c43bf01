import { LEVELS } from "../outline/outline";

export const ROW_HEIGHT = 27;

/** Room above the first row. */
export const PADDING = 8;

const FULL_STEPS = 5;

/** Where the node of a level stands, in pixels from the left of the outline; deep levels move closer together. */
export function nodeX(level: number): number {
  const steps = Math.max(0, level - 1);
  return 24 + Math.min(steps, FULL_STEPS) * 20 + Math.max(0, steps - FULL_STEPS) * 9;
}

/** The level that a horizontal place stands for. */
export function levelAtX(x: number): number {
  let level = 1;
  while (level < LEVELS.length && nodeX(level + 1) - 10 <= x) level++;
  return level;
}
