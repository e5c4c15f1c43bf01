import { expect, test } from "vitest";
import { labelOf, nameOf, wordsOf } from "./names";

test("a heading is called by its words", () => {
  expect([nameOf("Gaps", "2.3", false), labelOf("Gaps", "2.3", false), labelOf("Preface", "", false)]).toEqual(["Gaps", "2.3 Gaps", "Preface"]);
});

test("a number with words stands for a heading that has none", () => {
  for (const number of ["Chapter 4", "IV", "Appendix B"]) expect([nameOf("", number, false), labelOf("", number, false)]).toEqual([number, number]);
});

test("a number alone does not", () => {
  expect([nameOf("", "2.3", false), labelOf("", "2.3", false), labelOf("", "", false)]).toEqual(["No heading yet", "2.3 No heading yet", "No heading yet"]);
});

test("the opening has no heading to miss", () => {
  expect(labelOf("", "", true)).toBe("Opening");
});

test("a section is found by what it is called, unless it is called nothing", () => {
  expect([wordsOf("Gaps", "2.3"), wordsOf("", "Chapter 4"), wordsOf("", "2.3"), wordsOf("", "")]).toEqual(["Gaps", "Chapter 4", "", ""]);
});
