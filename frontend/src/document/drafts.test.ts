// @vitest-environment jsdom
import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { KeptDrafts, operationOf, plainHeading, type Draft } from "./drafts";

const words = { heading: [{ type: "text", text: "H" }], body: [{ type: "paragraph" }] } as unknown as ReturnType<
  Draft["text"]
>;
const draft = (section: string, also: Partial<Draft> = {}): Draft => ({
  section,
  baseRevision: 3,
  text: () => words,
  headingChanged: false,
  bodyChanged: true,
  ...also,
});

beforeEach(() => localStorage.clear());
afterEach(() => vi.restoreAllMocks());

test("only what was typed in is written", () => {
  expect(operationOf(draft("a"), words)).toEqual({ name: "replace-body", section: "a", body: words.body });
  expect(operationOf(draft("a", { headingChanged: true, bodyChanged: false }), words)).toEqual({
    name: "rename",
    section: "a",
    heading: words.heading,
  });
  expect(operationOf(draft("a", { headingChanged: true }), words)).toMatchObject({
    name: "batch",
    operations: [{ name: "rename" }, { name: "replace-body" }],
  });
});

test("a heading is told without its form", () => {
  expect(
    plainHeading({
      heading: [
        { type: "text", text: "The " },
        { type: "text", text: "log", marks: [{ type: "emphasis" }] },
      ] as never[],
      body: [],
    }),
  ).toBe("The log");
});

test("drafts are kept by document, read back whole, and let go when there are none", () => {
  const one = new KeptDrafts("one");
  one.keep([draft("a"), draft("b", { baseRevision: 9 })]);
  new KeptDrafts("two").keep([draft("c")]);
  expect(
    new KeptDrafts("one").adopt().map(({ section, baseRevision, text }) => [section, baseRevision, text()]),
  ).toEqual([
    ["a", 3, words],
    ["b", 9, words],
  ]);
  one.keep([]);
  expect(new KeptDrafts("one").adopt()).toEqual([]);
  expect(new KeptDrafts("two").adopt()).toHaveLength(1);
});

test("a window takes away only what it has put there, or has taken over", () => {
  const [first, second] = [new KeptDrafts("one"), new KeptDrafts("one")];
  first.keep([draft("a")]);
  second.keep([draft("b")]);
  second.keep([]);
  expect(new KeptDrafts("one").adopt().map(({ section }) => section)).toEqual(["a"]);
  second.keep([draft("a", { baseRevision: 5 })]);
  expect(new KeptDrafts("one").adopt().map(({ baseRevision }) => baseRevision)).toEqual([3, 5]);
  const heir = new KeptDrafts("one");
  heir.adopt();
  heir.keep([]);
  expect(new KeptDrafts("one").adopt()).toEqual([]);
});

test("what the browser kept and cannot be read is no reason to fail", () => {
  for (const kept of ["{", "null", '"words"', "{}", "17"]) {
    localStorage.setItem("stemmata:drafts:one", kept);
    expect(new KeptDrafts("one").adopt()).toEqual([]);
  }
});

test("a store that is full or forbidden takes nothing from the writer", () => {
  vi.spyOn(Storage.prototype, "setItem").mockImplementation(() => {
    throw new DOMException("full", "QuotaExceededError");
  });
  expect(() => new KeptDrafts("one").keep([draft("a")])).not.toThrow();
  vi.spyOn(Storage.prototype, "getItem").mockImplementation(() => {
    throw new DOMException("forbidden", "SecurityError");
  });
  expect(new KeptDrafts("one").adopt()).toEqual([]);
});
