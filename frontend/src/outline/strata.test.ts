import { expect, test } from "vitest";
import { outlineOf } from "./sketch.test-helper";
import { strata } from "./strata";

test("branches share the width by their words, and hold what is under them", () => {
  const found = strata(outlineOf("1 a, 2 b, 1 c"), [100, 200, 300], 600);
  expect(found.map(({ id, left, width }) => ({ id, left, width }))).toEqual([
    { id: "a", left: 0, width: 300 },
    { id: "b", left: 100, width: 200 },
    { id: "c", left: 300, width: 300 },
  ]);
});

test("a section without words keeps a little room and is told apart, a part whose text stands below is not empty", () => {
  const found = strata(outlineOf("1 a, 2 b, 1 c"), [0, 500, 0], 600);
  expect(found.map((each) => each.empty)).toEqual([false, false, true]);
  expect(found[2]?.width).toBeGreaterThan(5);
});

test("stretches too narrow to see are left out", () => {
  expect(strata(outlineOf("1 a, 1 b"), [1_000_000, 12], 500).map((each) => each.id)).toEqual(["a"]);
});
