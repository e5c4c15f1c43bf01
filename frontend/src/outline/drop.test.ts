import { describe, expect, test } from "vitest";
import { dropPlace } from "./drop";
import { visibleRows } from "./rows";
import { outlineOf } from "./sketch.test-helper";

describe("dropPlace", () => {
  const outline = outlineOf("1 a, 2 b, 3 c, 1 d");
  const rows = visibleRows(outline, new Set());
  const at = (gap: number, wanted: number) => {
    const place = dropPlace(outline, rows, gap, wanted);
    return place && `${place.level} ${place.landing} ${place.target}`;
  };

  test("the level follows the pointer as far as the neighbours allow", () => {
    expect([1, 2, 3, 4, 5].map((wanted) => at(3, wanted))).toEqual([
      "1 before d",
      "2 after b",
      "3 after c",
      "4 inside c",
      "4 inside c",
    ]);
  });

  test("nothing falls under a branch unasked: the row below keeps its level’s place", () => {
    expect([1, 2, 3].map((wanted) => at(2, wanted))).toEqual(["3 before c", "3 before c", "3 before c"]);
  });

  test("before the first row", () => expect(at(0, 3)).toBe("1 before a"));

  test("nothing lands before the opening", () => {
    const withOpening = outlineOf("0 opening, 1 a");
    expect(dropPlace(withOpening, visibleRows(withOpening, new Set()), 0, 1)).toBeNull();
    expect(dropPlace(withOpening, visibleRows(withOpening, new Set()), 1, 1)).toMatchObject({
      landing: "before",
      target: "a",
    });
  });
});
