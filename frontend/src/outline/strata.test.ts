import { expect, test } from "vitest";
import { outlineOf } from "./sketch.test-helper";
import { neighbour, outOf, strata, strataDrop, windowOn } from "./strata";

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

test("an empty section takes the room of a dozen words", () => {
  const [empty, full] = strata(outlineOf("1 a, 1 b"), [0, 108], 600);
  expect([empty?.width, full?.width]).toEqual([60, 540]);
});

test("stretches too narrow to see are left out", () => {
  expect(strata(outlineOf("1 a, 1 b"), [1_000_000, 12], 500).map((each) => each.id)).toEqual(["a"]);
});

test("a branch looked into takes the whole width, and its levels begin in the first row", () => {
  const outline = outlineOf("1 a, 2 b, 3 c, 3 d, 1 e");
  const found = strata(outline, [50, 0, 100, 300, 900], 400, 2, windowOn(outline, 1));
  expect(found.map(({ id, level }) => `${level} ${id}`)).toEqual(["1 b", "2 c", "2 d"]);
  expect([Math.round((found[0]?.left ?? 0) + (found[0]?.width ?? 0)), outOf(outline, 1), outOf(outline, 0)]).toEqual([
    400,
    "a",
    null,
  ]);
});

test("the arrows go to the neighbours in the row, up to what holds the stretch and down into it", () => {
  const found = strata(outlineOf("1 a, 2 b, 3 c, 2 d, 1 e, 2 f"), [100, 100, 100, 100, 100, 100], 600);
  const go = (id: string, to: Parameters<typeof neighbour>[2]) => {
    const from = found.find((each) => each.id === id);
    return from && neighbour(found, from, to)?.id;
  };
  expect([go("b", "right"), go("d", "right"), go("f", "left"), go("a", "left")]).toEqual(["d", "f", "d", undefined]);
  expect([go("c", "up"), go("d", "up"), go("a", "down"), go("b", "down"), go("f", "down")]).toEqual([
    "b",
    "a",
    "b",
    "c",
    undefined,
  ]);
});

test("a stretch whose middle is at the edge of another stands in that one", () => {
  const stretch = (id: string, level: number, left: number, width: number) =>
    ({ id, level, left, width }) as Parameters<typeof neighbour>[1];
  const [above, next] = [stretch("above", 1, 0, 100), stretch("next", 1, 120, 80)];
  const up = (left: number) => neighbour([above, next], stretch("from", 2, left, 40), "up")?.id;
  expect([up(-20), up(80), up(81), up(99), up(100), up(180), up(181)]).toEqual([
    "above",
    "above",
    undefined,
    undefined,
    "next",
    "next",
    undefined,
  ]);
  const down = (left: number) => neighbour([above, stretch("low", 2, left, 9)], above, "down")?.id;
  expect([down(0), down(99), down(100), down(-1)]).toEqual(["low", "low", undefined, undefined]);
});

test("a branch let go lands in the row under the pointer, before, after or inside", () => {
  const outline = outlineOf("1 a, 2 b, 1 c");
  const found = strata(outline, [100, 200, 300], 600);
  const at = (x: number, row: number) => {
    const place = strataDrop(outline, found, x, row);
    return place && `${place.landing} ${place.target} ${place.level}`;
  };
  expect([at(10, 1), at(290, 1), at(110, 2), at(290, 2)]).toEqual([
    "before a 1",
    "after a 1",
    "before b 2",
    "after b 2",
  ]);
  expect([at(50, 2), at(200, 3), at(500, 4)]).toEqual(["inside a 2", "inside b 3", "inside c 2"]);
  expect(at(700, 1)).toBeNull();
  expect(strataDrop(outlineOf("0 o, 1 a"), strata(outlineOf("0 o, 1 a"), [100, 100], 200), 10, 1)).toBeNull();
});
