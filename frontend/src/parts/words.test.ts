import { expect, test } from "vitest";
import { counted, lasting, readingTime, shortDay, since, wholeNumber } from "./words";

test("numbers and plurals", () => {
  expect([counted(1, "word"), counted(20418, "word"), counted(0, "entry", "entries")]).toEqual([
    "1 word",
    "20,418 words",
    "0 entries",
  ]);
});

test("times gone by", () => {
  const now = 1_800_000_000_000;
  const before = (seconds: number) => since(now / 1000 - seconds, now);
  expect([before(5), before(60), before(7200), before(100_000)]).toEqual([
    "just now",
    "1 minute ago",
    "2 hours ago",
    "yesterday",
  ]);
});

test("reading time in seconds, minutes and both, at the speed given", () => {
  expect([readingTime(238, 238), readingTime(312, 238), readingTime(23_800, 238)]).toEqual([
    "1 min to read",
    "1 min 19 s to read",
    "100 min to read",
  ]);
});

test("what lasts long is told in hours, a day by its date", () => {
  expect([40, 260, 2040, 7199, 7200, 252_060].map(lasting)).toEqual([
    "40 s",
    "4 min 20 s",
    "34 min",
    "119 min",
    "2 h 0 min",
    "70 h 1 min",
  ]);
  expect(shortDay("2026-11-29")).toBe("29 Nov");
});

test("a whole number is read as people write it, and nothing else is", () => {
  expect(["1200", "1,200", "1 200", " 12,000,000 ", "0"].map(wholeNumber)).toEqual([1200, 1200, 1200, 12_000_000, 0]);
  expect(["", "-3", "1.5", "many", "1,20"].map(wholeNumber)).toEqual([null, null, null, null, null]);
});
