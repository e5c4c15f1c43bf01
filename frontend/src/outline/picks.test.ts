import { expect, test } from "vitest";
import { actedOn, pickedHeads, stretched, toggled } from "./picks";
import { visibleRows } from "./rows";
import { outlineOf } from "./sketch.test-helper";

const OUTLINE = outlineOf("1 a, 2 b, 3 c, 2 d, 1 e");
const positions = new Map(OUTLINE.ids.map((id, position) => [id, position]));
const headsOf = (...picked: string[]) =>
  pickedHeads(OUTLINE, positions, new Set(picked)).map((position) => OUTLINE.ids[position]);

test("of picked branches, those that stand in another picked one go with it", () => {
  expect(headsOf("c", "b")).toEqual(["b"]);
  expect(headsOf("d", "a", "c")).toEqual(["a"]);
  expect(headsOf("e", "d", "c")).toEqual(["c", "d", "e"]);
  expect(headsOf()).toEqual([]);
});

test("a command on a picked row is for all that is picked, on another row for that row", () => {
  const picked = new Set(["a", "d"]);
  expect(actedOn(picked, "d")).toEqual(["a", "d"]);
  expect(actedOn(picked, "e")).toEqual(["e"]);
});

test("picking adds, and takes away again, without touching what was picked before", () => {
  const picked = new Set(["a"]);
  expect([...toggled(picked, "b")]).toEqual(["a", "b"]);
  expect([...toggled(picked, "a")]).toEqual([]);
  expect([...picked]).toEqual(["a"]);
});

test("a range goes over the rows that are seen, whichever end was first", () => {
  const folded = visibleRows(OUTLINE, new Set(["b"]));
  expect(stretched(folded, "a", "d")).toEqual(["a", "b", "d"]);
  expect(stretched(folded, "d", "b")).toEqual(["b", "d"]);
  expect(stretched(folded, "e", "e")).toEqual(["e"]);
});
