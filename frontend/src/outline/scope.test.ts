import { describe, expect, it } from "vitest";
import type { Outline } from "./outline";
import { alongside, isInScope, runsOf, withMade, type Scope } from "./scope";

// A 1, B 2, C 3, D 2, E 1, F 2, G 1
const outlineOf = (ids: string, levels: string): Outline => ({ ids: [...ids], levels, flags: "0".repeat(ids.length) });
const positionsOf = ({ ids }: Outline) => new Map(ids.map((id, at) => [id, at]));
const outline = outlineOf("ABCDEFG", "1232121");
const positions = positionsOf(outline);
const branch = (...heads: string[]): Scope => ({ heads, extent: "branch" });
const own = (...heads: string[]): Scope => ({ heads, extent: "heading-only" });

describe("the part that is worked on", () => {
  // The same cases as the core's ScopeTest.
  it.each([
    [branch("A"), [[0, 4]]],
    [
      branch("B", "E"),
      [
        [1, 3],
        [4, 6],
      ],
    ],
    [
      branch("E", "B"),
      [
        [1, 3],
        [4, 6],
      ],
    ],
    [branch("A", "C"), [[0, 4]]],
    [branch("A", "E"), [[0, 6]]],
    [own("A"), [[0, 1]]],
    [
      own("B", "D"),
      [
        [1, 2],
        [3, 4],
      ],
    ],
    [branch("Z", "G"), [[6, 7]]],
    [branch("Z"), []],
  ])("%j", (scope, runs) => expect(runsOf(outline, positions, scope)).toEqual(runs));

  it("holds a section, or the whole holds it", () => {
    expect(isInScope(outline, positions, branch("B"), "C")).toBe(true);
    expect(isInScope(outline, positions, own("B"), "C")).toBe(false);
    expect(isInScope(outline, positions, null, "C")).toBe(true);
    expect(isInScope(outline, positions, branch("B"), "gone")).toBe(false);
  });

  it("moves along to the next part and the one before", () => {
    expect(alongside(outline, positions, branch("B"), 1)).toEqual(branch("D"));
    expect(alongside(outline, positions, branch("D"), 1)).toEqual(branch("E"));
    expect(alongside(outline, positions, branch("D"), -1)).toEqual(branch("B"));
    expect(alongside(outline, positions, branch("E"), -1)).toEqual(branch("A"));
    expect(alongside(outline, positions, branch("B"), -1)).toEqual(branch("A"));
    expect(alongside(outline, positions, own("B"), 1)).toEqual(own("C"));
    expect(alongside(outline, positions, branch("G"), 1)).toBeNull();
    expect(alongside(outline, positions, own("A"), -1)).toBeNull();
  });

  it("takes in what is made beside it, and nothing else", () => {
    const after = outlineOf("ABCxDyEFG", "123121121");
    expect(withMade(own("C"), positions, after, positionsOf(after))).toEqual(own("C", "x"));
    expect(withMade(branch("B"), positions, after, positionsOf(after)).heads).toEqual(["B", "x"]);
    expect(withMade(branch("G"), positions, after, positionsOf(after)).heads).toEqual(["G"]);
  });
});
