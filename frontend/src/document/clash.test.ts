import { expect, test } from "vitest";
import { settling } from "./clash";
import { textOf } from "./server.test-helper";

const headed = (words: string, heading: string) => ({
  ...textOf("a", words),
  heading: (heading === "" ? [] : [{ type: "text", text: heading }]) as never[],
});

test("mine takes the place of theirs, with its heading when that differs", () => {
  expect(settling({ section: "a", mine: headed("x", "A"), theirs: headed("y", "A") }, "mine")).toMatchObject({
    name: "replace-body",
  });
  expect(settling({ section: "a", mine: headed("x", "B"), theirs: headed("y", "A") }, "mine")).toMatchObject({
    name: "batch",
    operations: [{ name: "rename" }, { name: "replace-body" }],
  });
});

test("theirs is kept already", () => {
  expect(settling({ section: "a", mine: headed("x", "A"), theirs: headed("y", "A") }, "theirs")).toBeNull();
});

test("of both, the heading that has no place begins the second text; one without words begins nothing", () => {
  const both = (mine: string) => settling({ section: "a", mine: headed("x", mine), theirs: headed("y", "A") }, "both");
  const texts = (operation: ReturnType<typeof both>) =>
    operation?.name === "replace-body"
      ? (operation.body ?? []).map((block) => JSON.stringify(block).match(/"text":"([^"]*)"/)?.[1])
      : [];
  expect(texts(both("B"))).toEqual(["y", "B", "x"]);
  expect(texts(both("A"))).toEqual(["y", "x"]);
  expect(texts(both(""))).toEqual(["y", "x"]);
});
