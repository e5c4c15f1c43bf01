// @vitest-environment jsdom
import { expect, test } from "vitest";
import { startIn, wordAt } from "./reading";

// “3.2. Reading aloud of brass” with a number that is not written, and a note of two words within.
const line = {
  words: "The lamp was lit. Of brass. It burned.",
  isInHeading: false,
  stretches: [
    [0, 1, 17],
    [18, 21, 9],
    [27, 33, 11],
  ],
};

test("a word that is spoken is found in the text, also in a note and after it", () => {
  expect(wordAt(line, 4, "en")).toEqual({ from: 5, to: 9 });
  expect(wordAt(line, 21, "en")).toEqual({ from: 24, to: 29 });
  expect(wordAt(line, 31, "en")).toEqual({ from: 37, to: 43 });
  expect(wordAt({ words: "3.2. Lamps", stretches: [[5, 0, 5]] }, 0, "en")).toBeNull();
});

test("reading begins at a place of the text", () => {
  expect(startIn(line, 5)).toBe(4);
  expect(startIn(line, 0)).toBe(0);
  expect(startIn(line, 19)).toBe(18);
  expect(startIn(line, 60)).toBeNull();
  expect(startIn({ ...line, isInHeading: true }, 0)).toBeNull();
});
