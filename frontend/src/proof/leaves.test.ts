import { describe, expect, it } from "vitest";
import { inOrder, leafed, openedAt, spotAt, pagesShown } from "./leaves";

describe("the pages as they lie", () => {
  it("shows the first page alone on the right, then pairs", () => {
    expect(openedAt(1, 5, "spread")).toEqual([1]);
    expect(openedAt(2, 5, "spread")).toEqual([2, 3]);
    expect(openedAt(3, 5, "spread")).toEqual([2, 3]);
    expect(openedAt(4, 4, "spread")).toEqual([4]);
    expect(openedAt(3, 5, "one")).toEqual([3]);
  });

  it("leafs by what is seen together, and stops at the ends", () => {
    expect(leafed(1, 1, 5, "spread")).toBe(2);
    expect(leafed(2, 1, 5, "spread")).toBe(4);
    expect(leafed(5, 1, 5, "spread")).toBe(5);
    expect(leafed(3, -1, 5, "spread")).toBe(1);
    expect(leafed(1, -1, 5, "one")).toBe(1);
    expect(leafed(3, 1, 5, "one")).toBe(4);
    expect(leafed(1, 1, 0, "one")).toBe(1);
  });

  it("finds what stands at a height", () => {
    const spots = inOrder([
      { name: "c", sheet: 2, down: 40 },
      { name: "a", sheet: 1, down: 50 },
      { name: "b", sheet: 1, down: 90 },
    ]);
    expect(spots.map((spot) => spot.name)).toEqual(["a", "b", "c"]);
    expect(spotAt(spots, 1, 49)).toBeNull();
    expect(spotAt(spots, 1, 50)?.name).toBe("a");
    expect(spotAt(spots, 1, 400)?.name).toBe("b");
    expect(spotAt(spots, 2, 10)?.name).toBe("b");
    expect(spotAt(spots, 9, 0)?.name).toBe("c");
  });
});

it("pages are told with the last number of their kind, as the page prints it", () => {
  const labels = ["", "", "i", "ii", "", "1", "2", "3"];
  expect(pagesShown(labels, [1])).toBe("Sheet 1, without a number");
  expect(pagesShown(labels, [2, 3])).toBe("Pages without a number and i of ii");
  expect(pagesShown(labels, [4, 5])).toBe("Pages ii and without a number of ii");
  expect(pagesShown(labels, [7])).toBe("Page 2 of 3");
  expect(pagesShown(labels, [6, 7])).toBe("Pages 1 and 2 of 3");
});
