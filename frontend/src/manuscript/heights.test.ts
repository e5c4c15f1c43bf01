import { expect, test } from "vitest";
import { Heights, rangeAhead, rangeAround } from "./heights";

const ids = Array.from({ length: 100 }, (_none, index) => `s${index}`);
const heights = () => new Heights(() => 100);

test("a height is guessed until it is measured, and what lies below moves with it", () => {
  const made = heights();
  expect([made.top(ids, 0), made.top(ids, 3), made.top(ids, 100), made.indexAt(ids, 250)]).toEqual([0, 300, 10_000, 2]);
  expect(made.measure("s1", 300)).toBe(true);
  expect(made.measure("s1", 300.2), "less than can be seen").toBe(false);
  expect([made.top(ids, 3), made.indexAt(ids, 250), made.indexAt(ids, 400)]).toEqual([500, 1, 2]);
  made.forget(["s1"]);
  expect(made.top(ids, 3)).toBe(300);
});

test("what lies outside is its nearer end", () => {
  expect([heights().indexAt(ids, -50), heights().indexAt(ids, 99_999), heights().indexAt([], 10)]).toEqual([0, 99, 0]);
});

test("the sections near the window are shown", () => {
  const range = rangeAround(heights(), ids, { from: 0, to: 0 }, { top: 5000, height: 500 }, null);
  expect(range).toEqual({ from: 35, to: 71 });
  expect(rangeAround(heights(), [], range, { top: 0, height: 500 }, null)).toEqual({ from: 0, to: 0 });
});

test("while nothing is missing nothing changes; then what is near is added and what is far goes", () => {
  const shown = { from: 35, to: 71 };
  expect(rangeAround(heights(), ids, shown, { top: 5300, height: 500 }, null)).toBe(shown);
  expect(rangeAround(heights(), ids, shown, { top: 6200, height: 500 }, null)).toEqual({ from: 35, to: 83 });
  expect(rangeAround(heights(), ids, shown, { top: 8000, height: 500 }, null).from).toBe(45);
  expect(rangeAround(heights(), ids, shown, { top: 100, height: 500 }, null), "back").toEqual({ from: 0, to: 42 });
  expect(rangeAround(heights(), ids, { from: 90, to: 99 }, { top: 100, height: 500 }, null), "a jump").toEqual({
    from: 0,
    to: 22,
  });
});

test("texts are read ahead of what is shown", () => {
  expect(rangeAhead(heights(), ids, { top: 5000, height: 500 })).toEqual({ from: 5, to: 100 });
});

test("a selection that reaches out of the window is shown whole, a cursor left behind is not waited for", () => {
  const shown = { from: 44, to: 62 };
  const at = { top: 8000, height: 500 };
  expect(rangeAround(heights(), ids, shown, at, { from: 45, to: 80 }).from).toBe(45);
  expect(rangeAround(heights(), ids, { from: 70, to: 90 }, at, { from: 2, to: 4 }).from).toBeGreaterThan(60);
});
