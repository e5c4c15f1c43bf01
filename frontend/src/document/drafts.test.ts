// @vitest-environment jsdom
import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { keptDrafts, operationOf, type Draft } from "./drafts";

const words = { heading: [{ type: "text", text: "H" }], body: [{ type: "paragraph" }] } as unknown as ReturnType<Draft["text"]>;
const draft = (section: string, also: Partial<Draft> = {}): Draft => ({ section, baseRevision: 3, text: () => words, headingChanged: false, bodyChanged: true, ...also });

beforeEach(() => localStorage.clear());
afterEach(() => vi.restoreAllMocks());

test("only what was typed in is written", () => {
  expect(operationOf(draft("a"), words)).toEqual({ name: "replace-body", section: "a", body: words.body });
  expect(operationOf(draft("a", { headingChanged: true, bodyChanged: false }), words)).toEqual({ name: "rename", section: "a", heading: words.heading });
  expect(operationOf(draft("a", { headingChanged: true }), words)).toMatchObject({ name: "batch", operations: [{ name: "rename" }, { name: "replace-body" }] });
});

test("drafts are kept by document, read back whole, and let go when there are none", () => {
  keptDrafts.keep("one", [draft("a"), draft("b", { baseRevision: 9 })]);
  keptDrafts.keep("two", [draft("c")]);
  expect(keptDrafts.read("one").map(({ section, baseRevision, text }) => [section, baseRevision, text()])).toEqual([
    ["a", 3, words],
    ["b", 9, words],
  ]);
  keptDrafts.keep("one", []);
  expect(keptDrafts.read("one")).toEqual([]);
  expect(keptDrafts.read("two")).toHaveLength(1);
});

test("what the browser kept and cannot be read is no reason to fail", () => {
  for (const kept of ["{", "null", '"words"', "{}", "17"]) {
    localStorage.setItem("stemmata:drafts:one", kept);
    expect(keptDrafts.read("one")).toEqual([]);
  }
});

test("a store that is full or forbidden takes nothing from the writer", () => {
  vi.spyOn(Storage.prototype, "setItem").mockImplementation(() => {
    throw new DOMException("full", "QuotaExceededError");
  });
  expect(() => keptDrafts.keep("one", [draft("a")])).not.toThrow();
  vi.spyOn(Storage.prototype, "getItem").mockImplementation(() => {
    throw new DOMException("forbidden", "SecurityError");
  });
  expect(keptDrafts.read("one")).toEqual([]);
});
