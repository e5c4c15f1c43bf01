import { expect, test } from "vitest";
import { branchEnd, edited, flagsAt, parentOf, pathTo, type Outline, type OrderEdit } from "./outline";
import { outlineOf } from "./sketch.test-helper";

const COAST = outlineOf("0 o, 1 a, 2 b, 3 c, 2 d, 1 e, 3 f");

test("a branch goes on to the first section that is not deeper; nothing is under the opening", () => {
  expect(COAST.ids.map((_id, position) => branchEnd(COAST, position))).toEqual([1, 5, 4, 4, 5, 7, 7]);
});

test("a parent is the nearest earlier section of a smaller level, never the opening", () => {
  expect(COAST.ids.map((_id, position) => parentOf(COAST, position))).toEqual([null, null, 1, 2, 1, null, 5]);
});

test("the path leads from the top down to the section", () => {
  expect(pathTo(COAST, 3).map((position) => COAST.ids[position])).toEqual(["a", "b", "c"]);
  expect(pathTo(COAST, 6).map((position) => COAST.ids[position])).toEqual(["e", "f"]);
});

test("flags are one hexadecimal digit each", () => {
  expect([0, 1, 2].map((position) => flagsAt({ ids: ["a", "b", "c"], levels: "111", flags: "0a7" }, position))).toEqual(
    [0, 10, 7],
  );
});

test("edits are applied in turn, each to what the one before has left", () => {
  const nothing = { ids: [], levels: "", flags: "" };
  const moved = edited(COAST, [
    { at: 1, removed: 4, inserted: nothing },
    { at: 3, removed: 0, inserted: { ids: ["a", "b", "c", "d"], levels: "4565", flags: "0000" } },
  ]);
  expect(moved).toEqual(outlineOf("0 o, 1 e, 3 f, 4 a, 5 b, 6 c, 5 d"));
});

test("edits turned round lead back, over many random ones", () => {
  // A small generator with a fixed seed, so that a failing run can be repeated (Park and Miller 1988, from memory).
  let seed = 7;
  const random = (most: number) => (seed = (seed * 48271) % 2147483647) % (most + 1);
  let outline: Outline = COAST;
  for (let round = 0; round < 300; round++) {
    const at = random(outline.ids.length);
    const removed = Math.min(random(3), outline.ids.length - at);
    const ids = Array.from({ length: random(3) }, (_each, nth) => `n${round}.${nth}`);
    const edit: OrderEdit = {
      at,
      removed,
      inserted: { ids, levels: ids.map(() => 1 + random(8)).join(""), flags: "0".repeat(ids.length) },
    };
    const taken = {
      ids: outline.ids.slice(at, at + removed),
      levels: outline.levels.slice(at, at + removed),
      flags: outline.flags.slice(at, at + removed),
    };
    const next = edited(outline, [edit]);
    expect(next.ids.length).toBe(next.levels.length);
    expect(edited(next, [{ at, removed: ids.length, inserted: taken }])).toEqual(outline);
    outline = next;
  }
});
