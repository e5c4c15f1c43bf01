/** How well words fit a text; the smaller, the better. */
export const FIT = { whole: 0, start: 1, wordStarts: 2, inside: 3, loose: 4 } as const;
export type Fit = (typeof FIT)[keyof typeof FIT];

/** So long a word may have one letter wrong, and so long a one two. */
const ONE_SLIP = 4;
const TWO_SLIPS = 8;

/** A text as it is looked through: without capitals and accents. */
export type Matchable = { readonly folded: string; readonly words: readonly string[] };

/** Its words are told apart when they are first asked for: most texts are never looked at so closely. */
export function matchable(text: string): Matchable {
  let words: readonly string[] | null = null;
  const folded = fold(text);
  return {
    folded,
    get words() {
      return (words ??= folded.split(/[^\p{L}\p{N}.]+/u).filter(Boolean));
    },
  };
}

// Most headings are plain letters, which need no taking apart.
// oxlint-disable-next-line no-control-regex
const PLAIN = /^[\u0000-\u007f]*$/;

export function fold(text: string): string {
  const plain = PLAIN.test(text) ? text : text.normalize("NFKD").replaceAll(/\p{M}/gu, "");
  return plain.toLowerCase().trim();
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
  // A slip in the first letter is rare; looking for it would cost most of the time.
  const mayBe = slips > 0 && word.length >= part.length - slips && (word[0] === part[0] || word[0] === part[1]);
  return mayBe && goesOn(part, 0, word, 0, slips);
}

/** Whether the part from `at` on is how the word goes on from `over`, but for so many slips. */
function goesOn(part: string, at: number, word: string, over: number, slips: number): boolean {
  while (at < part.length && part[at] === word[over]) (at++, over++);
  if (at >= part.length) return true;
  if (slips === 0) return false;
  return (
    goesOn(part, at + 1, word, over + 1, slips - 1) ||
    goesOn(part, at + 1, word, over, slips - 1) ||
    (over < word.length && goesOn(part, at, word, over + 1, slips - 1)) ||
    (part[at] === word[over + 1] && part[at + 1] === word[over] && goesOn(part, at + 2, word, over + 2, slips - 1))
  );
}
