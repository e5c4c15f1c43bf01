import { expect, test } from "vitest";
import type { ChangesSince, Skeleton, WriteOutcome } from "../api/client";
import { sectionLabel, sectionName } from "./section-name";
import { facts, skeletonOf, titleBlock } from "./server.test-helper";
import { opened, withChanges, withOutcome, withTexts } from "./state";

const text = (id: string, revision = 1) => ({ id, heading: [], body: [], revision });
const skeleton: Skeleton = { ...skeletonOf(["a", "b", "c"], "122"), resumeSection: "b", resumePosition: 4 };
const outcome: WriteOutcome = {
  previousRevision: 3,
  revision: 4,
  outlineRevision: 4,
  order: [],
  changed: [],
  texts: [],
  removed: [],
  titleBlock: null,
  label: "",
  notices: [],
  outdated: [],
};
const changes: ChangesSince = { revision: 9, outlineRevision: 2, titleBlock, outline: null, changed: [] };

test("an outcome moves sections and keeps what it does not touch", () => {
  const state = opened(skeleton);
  const next = {
    ...state,
    ...withOutcome(state, {
      ...outcome,
      order: [
        { at: 1, removed: 1, inserted: { ids: [], levels: "", flags: "" } },
        { at: 2, removed: 0, inserted: { ids: ["b"], levels: "3", flags: "0" } },
      ],
      changed: [{ ...facts("c", 4), heading: "new" }],
    }),
  };
  expect(next.outline).toEqual({ ids: ["a", "c", "b"], levels: "123", flags: "000" });
  expect(next.positions.get("b")).toBe(2);
  expect(next.facts.get("c")?.heading).toBe("new");
});

test("others’ changes make old texts outdated until they are read again, but never what is being typed", () => {
  const state = {
    ...opened(skeleton),
    texts: new Map([
      ["a", text("a")],
      ["b", text("b")],
      ["c", text("c", 8)],
    ]),
  };
  const next = withChanges(
    state,
    { ...changes, changed: [facts("a", 7), facts("b", 8), facts("c", 8)] },
    new Set(["b"]),
  );
  expect([...(next.outdated ?? [])]).toEqual(["a"]);
  expect(next.texts).toBeUndefined();
  expect(next.revision).toBe(9);

  const read = withTexts({ ...state, ...next }, [text("a", 7)]);
  expect(read.outdated.size).toBe(0);
  expect(read.texts.get("a")).toEqual(text("a", 7));
});

test("a section is called by its heading, else by what the core says", () => {
  const state = opened({
    ...skeleton,
    outline: { ...skeleton.outline, levels: "012" },
    sections: [facts("a"), facts("b"), facts("c")].map((each) => ({ ...each, heading: each.id === "c" ? "Gaps" : "" })),
  });
  expect(["a", "b", "c", "gone"].map((id) => sectionName(state, id))).toEqual(["", "", "Gaps", ""]);
  const numbered = {
    ...state,
    numbers: ["", "Chapter 4", "4.1"],
    names: new Map(Object.entries({ a: "Opening", b: "Chapter 4" })),
  };
  expect(["a", "b", "c"].map((id) => sectionLabel(numbered, id))).toEqual(["Opening", "Chapter 4", "4.1 Gaps"]);
});
