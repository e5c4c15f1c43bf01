import { bench, describe } from "vitest";
import { fitting, placeCandidates } from "./offering";

const WORDS = "lamp barometer granite coast keeper weather glass mole Ardrell vane harbour logs readings damp".split(
  " ",
);
const HEADINGS = Array.from({ length: 10_000 }, (_, at) => ({
  target: `section:${at}`,
  words: Array.from({ length: 6 }, (_each, word) => WORDS[(at * 7 + word * 5 + (at >> 3)) % WORDS.length]).join(" "),
  number: `${at % 20}.${at % 7}.${at}`,
  level: 2,
  kind: "heading" as const,
}));

/** What the jump box lists at a key among 10,000 headings. */
describe("jump list of 10,000 headings", () => {
  bench("when the box opens", () => void placeCandidates(HEADINGS));
  const candidates = placeCandidates(HEADINGS);
  for (const words of ["b", "barometer", "baromter wether", "3.2"])
    bench(`for “${words}”`, () => void fitting(candidates, words));
});
