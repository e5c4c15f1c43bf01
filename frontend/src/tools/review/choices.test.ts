import { describe, expect, it } from "vitest";
import type { LikelyHeading, LookGroup } from "../../api/client";
import { firstChoices, keyOf, levelOfGroup, operationFor, withGroup, withLine } from "./choices";

const line = (block: number, level: number): LikelyHeading => ({
  section: "sectionxxxxx",
  block,
  text: `Line ${block}`,
  level,
  confidence: 0.9,
  reasons: ["all bold"],
});
const group = (lines: LikelyHeading[]): LookGroup => ({
  look: "bold",
  level: lines[0]?.level ?? 1,
  confidence: 0.9,
  lines,
});

const title = group([line(0, 0)]);
const chapters = group([line(1, 1), line(5, 1)]);
const parts = group([line(2, 2)]);
const groups = [title, chapters, parts];

describe("what is chosen of likely headings", () => {
  it("begins with what is suggested", () => {
    expect(firstChoices(groups).get(keyOf(line(2, 2)))).toBe(2);
    expect(levelOfGroup(firstChoices(groups), chapters)).toBe(1);
  });

  it("is said for a whole group at once, and for one line in it", () => {
    const whole = withGroup(firstChoices(groups), chapters, 3);
    expect(levelOfGroup(whole, chapters)).toBe(3);
    const one = withLine(whole, line(5, 1), null);
    expect(levelOfGroup(one, chapters)).toBe("mixed");
  });

  it("becomes one step, the title last", () => {
    expect(operationFor(groups, withLine(firstChoices(groups), line(5, 1), null))).toEqual({
      name: "batch",
      operations: [
        {
          name: "make-headings",
          lines: [
            { section: "sectionxxxxx", block: 1, level: 1 },
            { section: "sectionxxxxx", block: 2, level: 2 },
          ],
        },
        { name: "take-as-title", section: "sectionxxxxx", block: 0, part: "title" },
      ],
    });
  });

  it("is nothing when everything is rejected", () => {
    let none = firstChoices(groups);
    for (const each of groups) none = withGroup(none, each, null);
    expect(operationFor(groups, none)).toBeNull();
  });
});
