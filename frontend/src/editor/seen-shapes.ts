/** Whether something is said of a paragraph or a heading, or of words, which can say less and say it otherwise. */
export type ShapeOf = "paragraphs" | "words";

const seen = new Map<string, { of: ShapeOf; said: string }>();
const watching = new Set<() => void>();
let all: readonly { of: ShapeOf; said: string }[] = [];

/** What is said by hand and has been drawn: it needs a rule. Only what we know is taken over from what is pasted. */
export function seeShape(of: ShapeOf, said: string): void {
  const key = `${of} ${said}`;
  if (seen.has(key)) return;
  seen.set(key, { of, said });
  all = [...seen.values()];
  watching.forEach((told) => told());
}

export function isSeen(of: ShapeOf, said: string): boolean {
  return seen.has(`${of} ${said}`);
}

export function seenShapes(): readonly { of: ShapeOf; said: string }[] {
  return all;
}

/** @returns what ends it */
export function watchShapes(told: () => void): () => void {
  watching.add(told);
  return () => void watching.delete(told);
}
