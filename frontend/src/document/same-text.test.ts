import { expect, test } from "vitest";
import { operationOf, type Draft } from "./drafts";
import { sameText } from "./same-text";

test("texts are the same whatever the order of their fields", () => {
  expect(
    sameText(
      [{ type: "text", text: "x", marks: [{ type: "strong" }] }],
      [{ type: "text", marks: [{ type: "strong" }], text: "x" }],
    ),
  ).toBe(true);
  expect(sameText([{ type: "text", text: "x" }], [{ type: "text", text: "y" }])).toBe(false);
});

test("a draft sends what was changed and nothing else", () => {
  const words = { heading: [], body: [] };
  const draft: Draft = { section: "a", baseRevision: 1, text: () => words, headingChanged: false, bodyChanged: true };
  expect(operationOf(draft, words).name).toBe("replace-body");
  expect(operationOf({ ...draft, headingChanged: true, bodyChanged: false }, words).name).toBe("rename");
  expect(operationOf({ ...draft, headingChanged: true }, words)).toMatchObject({
    name: "batch",
    operations: [{ name: "rename" }, { name: "replace-body" }],
  });
});
