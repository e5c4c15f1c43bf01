/** Targets are aimed at, not met to the word: a tenth more is still on target. */
const LEEWAY = 1.1;

export function isOverTarget(words: number, target: number | null): boolean {
  return target !== null && words > target * LEEWAY;
}
