import { describe, expect, test } from "vitest";
import { branchEnd, edited, parentOf, pathTo } from "./outline";
import { visibleRows } from "./rows";
import { outlineOf } from "./sketch.test-helper";

describe("visibleRows", () => {
  const outline = outlineOf("1 a, 2 b, 3 c, 2 d, 1 e");

  test("a folded branch hides what is deeper and nothing else", () => {
    expect(visibleRows(outline, new Set(["b"])).map((row) => row.id)).toEqual(["a", "b", "d", "e"]);
    expect(visibleRows(outline, new Set(["a"])).map((row) => row.id)).toEqual(["a", "e"]);
  });

  test("each row tells its place among its siblings", () => {
    expect(visibleRows(outline, new Set()).map((row) => `${row.positionInSet}/${row.setSize}`)).toEqual(["1/2", "1/2", "1/1", "2/2", "2/2"]);
  });

  test("a stem runs on as long as a later branch hangs on it", () => {
    expect(visibleRows(outline, new Set()).map((row) => row.stems.toSorted().join(""))).toEqual(["1", "12", "1", "1", ""]);
  });
});

describe("outline", () => {
  test("branches, parents and paths follow from the levels", () => {
    const outline = outlineOf("0 o, 1 a, 3 b, 2 c");
    expect(branchEnd(outline, 1)).toBe(4);
    expect([0, 1, 2, 3].map((at) => parentOf(outline, at))).toEqual([null, null, 1, 1]);
    expect(pathTo(outline, 3)).toEqual([1, 3]);
  });

  test("edits are applied in turn", () => {
    const moved = edited(outlineOf("1 a, 1 b, 2 c"), [
      { at: 1, removed: 2, inserted: { ids: [], levels: "", flags: "" } },
      { at: 0, removed: 0, inserted: { ids: ["b", "c"], levels: "12", flags: "00" } },
    ]);
    expect(moved).toEqual(outlineOf("1 b, 2 c, 1 a"));
  });
});
