/** Longer texts are compared at their ends only: what lies between is told to differ as a whole. */
const MOST_WORDS = 500;

type Word = { word: string; from: number; to: number };

const wordsOf = (text: string): Word[] =>
  [...text.matchAll(/[^\s]+/gu)].map(({ 0: word, index }) => ({ word, from: index, to: index + word.length }));

/** The stretches of a text whose words are not in another one, in order (offsets in UTF-16). */
export function differing(own: string, other: string): { from: number; to: number }[] {
  const [mine, theirs] = [wordsOf(own), wordsOf(other)];
  let head = 0;
  while (head < mine.length && head < theirs.length && mine[head]!.word === theirs[head]!.word) head++;
  let tail = 0;
  while (tail < Math.min(mine.length, theirs.length) - head && mine.at(-1 - tail)!.word === theirs.at(-1 - tail)!.word)
    tail++;
  const [between, against] = [mine.slice(head, mine.length - tail), theirs.slice(head, theirs.length - tail)];
  const kept = between.length > MOST_WORDS || against.length > MOST_WORDS ? new Set<Word>() : common(between, against);
  const stretches: { from: number; to: number }[] = [];
  let isOpen = false;
  for (const word of between) {
    const last = stretches.at(-1);
    if (kept.has(word)) isOpen = false;
    else if (isOpen && last) last.to = word.to;
    else {
      stretches.push({ from: word.from, to: word.to });
      isOpen = true;
    }
  }
  return stretches;
}

/** The words of the one that are in the other in the same order: as many as there can be. */
function common(one: readonly Word[], other: readonly Word[]): Set<Word> {
  const lengths = Array.from({ length: one.length + 1 }, () => new Uint16Array(other.length + 1));
  for (let at = one.length - 1; at >= 0; at--)
    for (let beside = other.length - 1; beside >= 0; beside--)
      lengths[at]![beside] =
        one[at]!.word === other[beside]!.word
          ? lengths[at + 1]![beside + 1]! + 1
          : Math.max(lengths[at + 1]![beside]!, lengths[at]![beside + 1]!);
  const kept = new Set<Word>();
  for (let at = 0, beside = 0; at < one.length && beside < other.length;) {
    if (one[at]!.word === other[beside]!.word) {
      kept.add(one[at]!);
      at++;
      beside++;
    } else if (lengths[at + 1]![beside]! >= lengths[at]![beside + 1]!) at++;
    else beside++;
  }
  return kept;
}
