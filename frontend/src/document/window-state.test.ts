import { expect, test } from "vitest";
import type { Scope } from "../outline/scope";
import { skeletonOf } from "./server.test-helper";
import { opened, withOutcome } from "./state";
import { openedAt, withoutGone, type WindowState } from "./window-state";

const document = opened(skeletonOf(["a", "b", "c"], "122"));
const gone = {
  previousRevision: 3,
  revision: 4,
  outlineRevision: 4,
  order: [{ at: 1, removed: 1, inserted: { ids: [], levels: "", flags: "" } }],
  changed: [],
  texts: [],
  removed: ["b"],
  titleBlock: null,
  label: "",
  notices: [],
  outdated: [],
};

function afterTheSecondIsGone(window: Partial<WindowState>) {
  return withoutGone({ ...openedAt(document, null), ...window }, document, {
    ...document,
    ...withOutcome(document, gone),
  });
}

const only = (...heads: string[]): Scope => ({ heads, extent: "branch" });

test("a document opens where writing stopped, without taking the focus", () => {
  expect(openedAt(document, { section: "b", position: 4 })).toMatchObject({
    current: "b",
    request: { section: "b", position: 4, focus: false },
  });
  expect(openedAt(document, { section: "gone" })).toMatchObject({ current: "a", request: null });
  expect(openedAt(document, null)).toMatchObject({ current: "a", request: null });
});

test("what is picked and gone is not picked any more", () => {
  expect([...afterTheSecondIsGone({ picked: new Set(["b", "c"]) }).picked]).toEqual(["c"]);
  const picked = new Set(["a", "c"]);
  expect(afterTheSecondIsGone({ picked }).picked).toBe(picked);
});

test("when the current section goes, its place is taken by the one that stands there", () => {
  expect(afterTheSecondIsGone({ current: "b", scope: only("b") })).toMatchObject({ current: "c", scope: null });
  expect(afterTheSecondIsGone({ current: "a", scope: only("a") })).toMatchObject({ current: "a", scope: only("a") });
});
