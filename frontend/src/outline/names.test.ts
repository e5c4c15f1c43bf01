import { expect, test } from "vitest";
import { labelOf, nameOf, wordsOf } from "./names";

const counted = (number: string) => ({ number, names: false });
const naming = (number: string) => ({ number, names: true });

test("a heading is called by its words", () => {
  expect([nameOf("Gaps", counted("2.3"), false), labelOf("Gaps", counted("2.3"), false), labelOf("Preface", naming(""), false)]).toEqual(["Gaps", "2.3 Gaps", "Preface"]);
});

test("a number that names stands for a heading without words", () => {
  for (const number of ["Chapter 4", "IV", "Appendix B"]) expect([nameOf("", naming(number), false), labelOf("", naming(number), false)]).toEqual([number, number]);
});

test("a number that only counts does not", () => {
  expect([nameOf("", counted("2.3"), false), labelOf("", counted("2.3"), false), labelOf("", naming(""), false)]).toEqual(["No heading yet", "2.3 No heading yet", "No heading yet"]);
});

test("the opening has no heading to miss", () => {
  expect(labelOf("", naming(""), true)).toBe("Opening");
});

test("a section is found by what it is called, unless it is called nothing", () => {
  expect([wordsOf("Gaps", naming("Chapter 2")), wordsOf("", naming("Chapter 4")), wordsOf("", counted("2.3")), wordsOf("", naming(""))]).toEqual(["Gaps", "Chapter 4", "", ""]);
});
