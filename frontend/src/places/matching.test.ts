import { describe, expect, it } from "vitest";
import { FIT, fitOf, matchable, wanted } from "./matching";

const fits = (words: string, text: string) => fitOf(wanted(words), matchable(text));

describe("how well words fit a heading", () => {
  it.each([
    ["the lamp room", "The Lamp Room", FIT.whole],
    ["lamp", "Lamp oil and wicks", FIT.start],
    ["room lamp", "The Lamp Room", FIT.wordStarts],
    ["3.2", "3.2 Gauges", FIT.start],
    ["olwe", "Ólwen", FIT.start],
    ["amp", "The Lamp Room", FIT.inside],
    ["3.2", "Table 13.2", FIT.inside],
  ])("“%s” in “%s”", (words, text, fit) => expect(fits(words, text)).toBe(fit));

  it.each([
    ["baromter", "The barometer of Vane"],
    ["barometre", "The barometer of Vane"],
    ["brometer", "The barometer of Vane"],
    ["abrometer", "The barometer of Vane"],
    ["lmap room", "The Lamp Room"],
    ["keper", "The Keepers' Weather"],
  ])("a slip: “%s” still finds “%s”", (words, text) => expect(fits(words, text)).toBe(FIT.loose));

  it.each([
    ["lam", "The Limp Room"],
    ["barge", "The barometer of Vane"],
    ["lamp oil", "The Lamp Room"],
    ["weather", "The Lamp Room"],
  ])("“%s” is not “%s”", (words, text) => expect(fits(words, text)).toBeNull());
});
