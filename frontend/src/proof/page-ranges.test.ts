import { expect, test } from "vitest";
import { sheetsIn } from "./page-ranges";

const LABELS = ["", "i", "ii", "iii", "1", "2", "3", "", "1", "2"];

test("pages are asked for by what is printed on them, alone and as far as another", () => {
  expect(sheetsIn("2", LABELS)).toEqual([6]);
  expect(sheetsIn(" 3, ii ; ii ", LABELS)).toEqual([3, 7]);
  expect(sheetsIn("iii–2", LABELS)).toEqual([4, 5, 6]);
  expect(sheetsIn("III", LABELS)).toEqual([4]);
  expect(sheetsIn("1-3,", LABELS)).toEqual([5, 6, 7]);
});

test("where numbers begin anew, a dash goes to the next page of that number", () => {
  expect(sheetsIn("3 – 1", LABELS)).toEqual([7, 8, 9]);
});

test("what names no pages is refused in a sentence", () => {
  expect(sheetsIn("", LABELS)).toBe("Say which pages, such as 3–7.");
  expect(sheetsIn("40", LABELS)).toBe("There is no page “40”.");
  expect(sheetsIn("1–40", LABELS)).toBe("There is no page “40”.");
  expect(sheetsIn("3–ii", LABELS)).toBe("Page ii comes before page 3.");
  expect(sheetsIn("–2", LABELS)).toBe("A dash wants a page before it and one behind it.");
  expect(sheetsIn("1–2–3", LABELS)).toBe("“1–2–3” is not a page and not two with a dash between.");
});
