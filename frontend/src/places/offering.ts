import { fitOf, matchable, wanted, type Matchable } from "./matching";
import type { LinkChoice } from "./places";

/** A command as it is offered by its words: those on the menu it stands in, or others that mean it. */
export type Offered = {
  key: string;
  label: string;
  /** The menu it stands in; empty for one that stands in no group. */
  group: string;
  keys: string;
  also: string;
  run: () => void;
};

/** What can be chosen from: a place or a command, with all that it is found by. */
export type Candidate = { key: string; matchable: Matchable; also: () => Matchable | null } & (
  { choice: LinkChoice } | { command: Offered }
);

const MOST_SHOWN = 60;

function once<T>(make: () => T): () => T {
  let made: { value: T } | null = null;
  return () => (made ??= { value: make() }).value;
}

export function placeCandidates(choices: readonly LinkChoice[]): Candidate[] {
  return choices.map((choice) => ({
    key: choice.target || `caption-${choice.caption?.section}-${choice.caption?.index}`,
    matchable: matchable(choice.words),
    also: once(() => (choice.number === "" ? null : matchable(`${choice.number} ${choice.words}`))),
    choice,
  }));
}

export function commandCandidates(commands: readonly Offered[]): Candidate[] {
  return commands.map((command) => ({
    key: `command-${command.key.replaceAll(" ", "-")}`,
    matchable: matchable(command.label),
    also: once(() => matchable(`${command.group} ${command.label} ${command.also}`)),
    command,
  }));
}

/** Those that fit the words, the best first; of equal ones places come before commands, each in their own order. */
export function fitting(candidates: readonly Candidate[], words: string): Candidate[] {
  const looked = wanted(words);
  if (looked.folded === "") return candidates.filter((each) => "choice" in each).slice(0, MOST_SHOWN);
  // A place is looked for by its number when there is a figure, or a letter by itself.
  const mayBeNumber = /\d|\s[a-z]\b/.test(looked.folded);
  return candidates
    .flatMap((candidate) => {
      const own = fitOf(looked, candidate.matchable);
      const isAlso = (own ?? 1) > 0 && ("command" in candidate || mayBeNumber);
      const also = isAlso ? candidate.also() : null;
      const other = also && fitOf(looked, also);
      const fit = Math.min(own ?? Infinity, other ?? Infinity);
      return fit === Infinity ? [] : [{ candidate, fit }];
    })
    .toSorted((one, another) => one.fit - another.fit)
    .slice(0, MOST_SHOWN)
    .map(({ candidate }) => candidate);
}
