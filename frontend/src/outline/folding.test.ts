import { expect, test } from "vitest";
import { unfoldedSections } from "./folding";
import { outlineOf } from "./sketch.test-helper";

test("a folded heading stays in the manuscript, the rest of its branch does not", () => {
  const outline = outlineOf("1 a, 2 b, 3 c, 2 d, 1 e");
  const [a, b, c, d, e] = outline.ids as [string, string, string, string, string];
  expect(unfoldedSections(outline, 0, 5, new Set())).toBe(outline.ids);
  expect(unfoldedSections(outline, 0, 5, new Set([b]))).toEqual([a, b, d, e]);
  expect(unfoldedSections(outline, 0, 5, new Set([a, b]))).toEqual([a, e]);
  expect(unfoldedSections(outline, 1, 3, new Set([c]))).toEqual([b, c]);
  expect(unfoldedSections(outline, 1, 4, new Set([b, "gone"]))).toEqual([b, d]);
});
