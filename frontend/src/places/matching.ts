/** How well words fit a text; the smaller, the better. */
export const FIT = { whole: 0, start: 1, wordStarts: 2, inside: 3, loose: 4 } as const;
export type Fit = (typeof FIT)[keyof typeof FIT];

/** So long a word may have one letter wrong, and so long a one two. */
const ONE_SLIP = 4;
const TWO_SLIPS = 8;

/** A text as it is looked through: without capitals and accents. */
export type Matchable = { readonly folded: string; readonly words: readonly string[] };

export function matchable(text: string): Matchable {
  const folded = fold(text);
  return { folded, words: folded.split(/[^\p{L}\p{N}.]+/u).filter(Boolean) };
}

export function fold(text: string): string {
  return text.normalize("NFKD").replaceAll(/\p{M}/gu, "").toLowerCase().trim();
}

/** The words that are looked for, each of which must be there. */
export function wanted(words: string): Matchable {
  const folded = fold(words);
  return { folded, words: folded.split(/\s+/).filter(Boolean) };
}

/** How well the wanted words fit, in any order; null when they do not fit even with a letter wrong. */
export function fitOf({ folded, words: parts }: Matchable, text: Matchable): Fit | null {
  if (text.folded === folded) return FIT.whole;
  if (text.folded.startsWith(folded)) return FIT.start;
  if (parts.every((part) => text.words.some((word) => word.startsWith(part)))) return FIT.wordStarts;
  if (parts.every((part) => text.folded.includes(part))) return FIT.inside;
  return parts.every((part) => text.words.some((word) => startsNearly(word, part)) || text.folded.includes(part))
    ? FIT.loose
    : null;
}

/** Whether a word starts with the part but for a slip or two: a letter wrong, too many, missing, or two exchanged. */
function startsNearly(word: string, part: string): boolean {
  const slips = part.length >= TWO_SLIPS ? 2 : part.length >= ONE_SLIP ? 1 : 0;
  if (slips === 0 || word.length < part.length - slips) return false;
  // A slip in the first letter is rare; looking for it would cost most of the time.
  if (word[0] !== part[0] && word[0] !== part[1]) return false;
  return distance(part, word.slice(0, part.length + slips), slips) <= slips;
}

/** Letters to be changed so that the part becomes some beginning of the word; more than `most` is told as that. */
function distance(part: string, word: string, most: number): number {
  let [before, row]: [number[], number[]] = [[], Array.from({ length: word.length + 1 }, (_, at) => at)];
  for (let at = 1; at <= part.length; at++) {
    const next = [at];
    let least = at;
    for (let over = 1; over <= word.length; over++) {
      const isSame = part[at - 1] === word[over - 1];
      let cost = Math.min((row[over] ?? 0) + 1, (next[over - 1] ?? 0) + 1, (row[over - 1] ?? 0) + (isSame ? 0 : 1));
      const isExchanged = at > 1 && over > 1 && part[at - 1] === word[over - 2] && part[at - 2] === word[over - 1];
      if (isExchanged) cost = Math.min(cost, (before[over - 2] ?? 0) + 1);
      next.push(cost);
      least = Math.min(least, cost);
    }
    if (least > most) return most + 1;
    [before, row] = [row, next];
  }
  return Math.min(...row);
}
