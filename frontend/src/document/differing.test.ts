import { expect, test } from "vitest";
import { differing } from "./differing";

const marked = (own: string, other: string) => differing(own, other).map(({ from, to }) => own.slice(from, to));

test("words that only one of two texts has are told, the others are not", () => {
  expect(marked("The lamp was lit at seven.", "The lamp went out at seven.")).toEqual(["was lit"]);
  expect(marked("The lamp went out at seven.", "The lamp was lit at seven.")).toEqual(["went out"]);
  expect(marked("a b c d e f", "a x c d y f")).toEqual(["b", "e"]);
  expect(marked("same words", "same words")).toEqual([]);
  expect(marked("", "some words")).toEqual([]);
  expect(marked("all of it", "")).toEqual(["all of it"]);
});

test("whatever is told, the rest of both is the same", () => {
  const words = ["lamp", "oil", "gale", "log"];
  let seed = 7;
  const random = (most: number) => (seed = (seed * 1103515245 + 12345) % 2147483648) % most;
  for (let times = 0; times < 500; times++) {
    const text = () => Array.from({ length: random(12) }, () => words[random(4)]).join(" ");
    const rest = (own: string, other: string) => {
      let left = own;
      for (const { from, to } of differing(own, other).toReversed()) left = left.slice(0, from) + left.slice(to);
      return left.split(/\s+/).filter((word) => word !== "");
    };
    const [one, other] = [text(), text()];
    expect(rest(one, other)).toEqual(rest(other, one));
  }
});
