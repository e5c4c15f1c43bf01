import { describe, expect, it } from "vitest";
import { commandCandidates, fitting, placeCandidates, type Candidate, type Offered } from "./offering";
import type { LinkChoice } from "./places";

const heading = (number: string, words: string): LinkChoice => ({
  target: `section:${number}`,
  words,
  number,
  level: 1,
  kind: "heading",
});
const command = (label: string, also = ""): Offered => ({
  key: label,
  label,
  also,
  group: "",
  keys: "",
  run: () => undefined,
});
const CANDIDATES = [
  ...placeCandidates([heading("1", "The undone work"), heading("2", "Gauges"), heading("2.1", "Printing gauges")]),
  ...commandCandidates([command("Undo", "take back"), command("Print the document…", "paper"), command("Keys…")]),
];
const labels = (found: readonly Candidate[]) =>
  found.map((each) => ("choice" in each ? each.choice.words : each.command.label));

describe("what the jump box offers", () => {
  it("the best first, and of equal ones the places", () => {
    expect(labels(fitting(CANDIDATES, "undo"))).toEqual(["Undo", "The undone work"]);
    expect(labels(fitting(CANDIDATES, "print"))).toEqual(["Printing gauges", "Print the document…"]);
  });

  it("numbers, other words for a command, and words with a slip", () => {
    expect(labels(fitting(CANDIDATES, "2.1"))).toEqual(["Printing gauges"]);
    expect(labels(fitting(CANDIDATES, "take"))).toEqual(["Undo"]);
    expect(labels(fitting(CANDIDATES, "guages"))).toEqual(["Gauges", "Printing gauges"]);
  });

  it("all places, and no command, while nothing is asked for", () => {
    expect(labels(fitting(CANDIDATES, " "))).toEqual(["The undone work", "Gauges", "Printing gauges"]);
  });
});
