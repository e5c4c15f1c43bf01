import { expect, test } from "vitest";
import { counted, readingTime, since, wholeNumber } from "./words";

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

test("a whole number is read as people write it, and nothing else is", () => {
  expect(["1200", "1,200", "1 200", " 12,000,000 ", "0"].map(wholeNumber)).toEqual([1200, 1200, 1200, 12_000_000, 0]);
  expect(["", "-3", "1.5", "many", "1,20"].map(wholeNumber)).toEqual([null, null, null, null, null]);
});
