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

/** A hand that goes straight down wavers by so much. */
const WAVER = 14;

/** The level that a branch is moved to by a hand that went so far to the right; straight down it keeps its own. */
export function levelAfter(level: number, right: number): number {
  return Math.abs(right) <= WAVER ? level : levelAtX(nodeX(level) + right);
}

/** The level that a horizontal place stands for. */
function levelAtX(x: number): number {
  let level = 1;
  while (level < LEVELS.length && nodeX(level + 1) - 10 <= x) level++;
  return level;
}
