import { expect, test } from "vitest";
import { deepestLevel, foldsTo, nextOverview } from "./overview";
import { visibleRows } from "./rows";
import { outlineOf } from "./sketch.test-helper";

const OUTLINE = outlineOf("0 o, 1 a, 2 b, 3 c, 1 d, 3 e, 4 f");
const seenAt = (level: number) => visibleRows(OUTLINE, new Set(foldsTo(OUTLINE, level))).map((row) => row.id);

test("levels 1 to n are seen, and nothing deeper", () => {
  expect(seenAt(1)).toEqual(["o", "a", "d"]);
  expect(seenAt(2)).toEqual(["o", "a", "b", "d", "e"]);
  expect(seenAt(3)).toEqual(["o", "a", "b", "c", "d", "e"]);
  expect(seenAt(9)).toEqual([...OUTLINE.ids]);
});

test("one key goes from level 1 through all levels to the whole, and around again", () => {
  let folded = new Set<string>();
  const seen: number[] = [];
  for (let press = 0; press < 6; press++) {
    const level = nextOverview(OUTLINE, folded);
    folded = new Set(foldsTo(OUTLINE, level));
    seen.push(level);
  }
  expect(seen).toEqual([1, 2, 3, 4, 1, 2]);
});

test("levels that no heading has are passed over", () => {
  const outline = outlineOf("1 a, 3 b, 5 c, 5 d, 3 e");
  let folded = new Set<string>();
  const seen: number[] = [];
  for (let press = 0; press < 4; press++) {
    const level = nextOverview(outline, folded);
    folded = new Set(foldsTo(outline, level));
    seen.push(level);
  }
  expect(seen).toEqual([1, 3, 5, 1]);
});

test("folds made by hand are left for the first overview", () => {
  expect(nextOverview(OUTLINE, new Set(["b"]))).toBe(1);
});

test("the deepest level is known of an empty outline too", () => {
  expect(deepestLevel(OUTLINE)).toBe(4);
  expect(deepestLevel({ ids: [], levels: "", flags: "" })).toBe(1);
});
