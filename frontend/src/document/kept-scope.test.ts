// @vitest-environment jsdom
import { afterEach, expect, test, vi } from "vitest";
import { keepScope, keptScope } from "./kept-scope";

const scope = { heads: ["a", "b"], extent: "branch" } as const;

afterEach(() => {
  vi.restoreAllMocks();
  window.localStorage.clear();
});

test("each document has the part of its own that was worked on last", () => {
  expect(keptScope("one")).toBeNull();
  keepScope("one", scope);
  keepScope("two", { heads: [], extent: "heading-only" });
  expect([keptScope("one"), keptScope("two"), keptScope("three")]).toEqual([
    scope,
    { heads: [], extent: "heading-only" },
    null,
  ]);
  keepScope("one", null);
  expect([keptScope("one"), keptScope("two")?.extent]).toEqual([null, "heading-only"]);
});

test.each([
  "{",
  "null",
  "7",
  '"a"',
  "{}",
  '{"heads":["a"]}',
  '{"extent":"branch"}',
  '{"heads":"a","extent":"branch"}',
  '{"heads":["a",7],"extent":"branch"}',
  '{"heads":["a"],"extent":"all"}',
])("%s is no part of a document", (kept) => {
  window.localStorage.setItem("stemmata:scope:one", kept);
  expect(keptScope("one")).toBeNull();
});

test("a browser that keeps nothing is borne with", () => {
  const refuse = () => {
    throw new Error("no room");
  };
  vi.spyOn(Storage.prototype, "setItem").mockImplementation(refuse);
  vi.spyOn(Storage.prototype, "getItem").mockImplementation(refuse);
  keepScope("one", scope);
  expect(keptScope("one")).toBeNull();
});
