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
export type Candidate = { key: string; matchable: Matchable; also: Matchable | null } & (
  { choice: LinkChoice } | { command: Offered }
);

const MOST_SHOWN = 60;

export function placeCandidates(choices: readonly LinkChoice[]): Candidate[] {
  return choices.map((choice) => ({
    key: choice.target || `caption-${choice.caption?.section}-${choice.caption?.index}`,
    matchable: matchable(choice.words),
    also: choice.number === "" ? null : matchable(`${choice.number} ${choice.words}`),
    choice,
  }));
}

export function commandCandidates(commands: readonly Offered[]): Candidate[] {
  return commands.map((command) => ({
    key: `command-${command.key.replaceAll(" ", "-")}`,
    matchable: matchable(command.label),
    also: matchable(`${command.group} ${command.label} ${command.also}`),
    command,
  }));
}

/** Those that fit the words, the best first; of equal ones places come before commands, each in their own order. */
export function fitting(candidates: readonly Candidate[], words: string): Candidate[] {
  const looked = wanted(words);
  if (looked.folded === "") return candidates.filter((each) => "choice" in each).slice(0, MOST_SHOWN);
  return candidates
    .flatMap((candidate) => {
      const own = fitOf(looked, candidate.matchable);
      const other = candidate.also && (own ?? 1) > 0 ? fitOf(looked, candidate.also) : null;
      const fit = Math.min(own ?? Infinity, other ?? Infinity);
      return fit === Infinity ? [] : [{ candidate, fit }];
    })
    .toSorted((one, another) => one.fit - another.fit)
    .slice(0, MOST_SHOWN)
    .map(({ candidate }) => candidate);
}
