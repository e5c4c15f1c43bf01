import { describe, expect, test } from "vitest";
import { branchEnd, edited, parentOf, pathTo } from "./outline";
import { foldsTo, nextOverview } from "./overview";
import { pickedHeads, stretched, toggled } from "./picks";
import { isFiltering, NO_FILTER, narrowedRows, visibleRows, type RowFilter } from "./rows";
import { outlineOf } from "./sketch.test-helper";

describe("visibleRows", () => {
  const outline = outlineOf("1 a, 2 b, 3 c, 2 d, 1 e");

  test("a folded branch hides what is deeper and nothing else", () => {
    expect(visibleRows(outline, new Set(["b"])).map((row) => row.id)).toEqual(["a", "b", "d", "e"]);
    expect(visibleRows(outline, new Set(["a"])).map((row) => row.id)).toEqual(["a", "e"]);
  });

  test("each row tells its place among its siblings", () => {
    expect(visibleRows(outline, new Set()).map((row) => `${row.positionInSet}/${row.setSize}`)).toEqual([
      "1/2",
      "1/2",
      "1/1",
      "2/2",
      "2/2",
    ]);
  });

  test("the opening is nobody’s parent", () => {
    const [opening, first] = visibleRows(outlineOf("0 o, 1 a, 2 b"), new Set());
    expect([opening, first].map((row) => `${row?.positionInSet}/${row?.setSize}`)).toEqual(["1/2", "2/2"]);
    expect(first?.parentLevel).toBe(0);
    expect([opening?.hasInside, first?.hasInside]).toEqual([false, true]);
  });

  test("a stem runs on as long as a later branch hangs on it", () => {
    expect(visibleRows(outline, new Set()).map((row) => row.stems.toSorted().join(""))).toEqual([
      "1",
      "12",
      "1",
      "1",
      "",
    ]);
  });
});

describe("outline", () => {
  test("branches, parents and paths follow from the levels", () => {
    const outline = outlineOf("0 o, 1 a, 3 b, 2 c");
    expect(branchEnd(outline, 1)).toBe(4);
    expect(branchEnd(outline, 0)).toBe(1);
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

const words = (words: string): RowFilter => ({ words, stage: null });
const rowFacts = (id: string) => ({ words: id, stage: id.includes("again") ? "drafted" : "" });

describe("narrowedRows", () => {
  test("narrows to a stage of writing, with the headings above", () => {
    const outline = outlineOf("1 Logs, 2 Gaps, 2 Gaps again, 1 Lamps");
    expect(isFiltering(NO_FILTER)).toBe(false);
    expect(narrowedRows(outline, { words: "", stage: "drafted" }, rowFacts).map((row) => row.id)).toEqual([
      "Logs",
      "Gaps again",
    ]);
    expect(narrowedRows(outline, { words: "gaps", stage: "" }, rowFacts).map((row) => row.id)).toEqual([
      "Logs",
      "Gaps",
    ]);
  });

  const outline = outlineOf("1 coast, 2 lights, 3 gaps, 2 storms, 1 Gaps again");

  test("what is looked for is shown with the headings above it, at its own place in the document", () => {
    const rows = narrowedRows(outline, words("gap"), rowFacts);
    expect(rows.map((row) => [row.id, row.position, row.level])).toEqual([
      ["coast", 0, 1],
      ["lights", 1, 2],
      ["gaps", 2, 3],
      ["Gaps again", 4, 1],
    ]);
    expect(narrowedRows(outline, words("gap again"), rowFacts).map((row) => row.id)).toEqual(["Gaps again"]);
    expect(narrowedRows(outline, words("fog"), rowFacts)).toEqual([]);
  });
});

describe("picks", () => {
  const outline = outlineOf("1 a, 2 b, 3 c, 2 d, 1 e");
  const positions = new Map(outline.ids.map((id, position) => [id, position]));

  test("a branch picked with something inside it counts once", () => {
    expect(pickedHeads(outline, positions, new Set(["e", "c", "b"]))).toEqual([1, 4]);
  });

  test("a range runs either way, and leaves out what a fold hides", () => {
    const rows = visibleRows(outline, new Set(["b"]));
    expect(stretched(rows, "d", "a")).toEqual(["a", "b", "d"]);
    expect(toggled(toggled(new Set(), "a"), "a").size).toBe(0);
  });
});

describe("overviews", () => {
  test("one key goes from level 1 deeper and deeper to everything, and begins again", () => {
    const outline = outlineOf("1 a, 2 b, 3 c, 2 d, 1 e");
    const seen: number[] = [];
    let folded: ReadonlySet<string> = new Set();
    for (let press = 0; press < 4; press++) {
      const level = nextOverview(outline, folded);
      seen.push(level);
      folded = new Set(foldsTo(outline, level));
    }
    expect(seen).toEqual([1, 2, 3, 1]);
  });
});
