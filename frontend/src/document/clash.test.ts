import { expect, test } from "vitest";
import { commonEnds, merging, sharedBy } from "./clash";
import { textOf } from "./server.test-helper";

const paragraphs = (words: string) => ({
  heading: [{ type: "text", text: "H" }] as never[],
  body: [...words].map((word) => ({ type: "paragraph", content: [{ type: "text", text: word }] })) as never[],
});

test("what is typed travels with what it began on, and a choice with the text that was seen", () => {
  const [began, mine, seen] = [paragraphs("a"), paragraphs("b"), textOf("s", "c", 4)];
  expect(merging({ section: "s", began }, mine)).toEqual({ name: "merge-text", section: "s", began, mine });
  expect(merging({ section: "s", began }, mine, { seen, preference: "both" })).toEqual({
    name: "merge-text",
    section: "s",
    began,
    mine,
    seen: { heading: seen.heading, body: seen.body },
    preference: "both",
  });
});

test.each([
  ["abcd", "abxcd", 2, 2],
  ["aa", "aaa", 2, 0],
  ["", "ab", 0, 0],
  ["ab", "ab", 2, 0],
])("the ends that %j and %j share are counted once", (one, other, head, tail) => {
  expect(commonEnds([...one], [...other])).toEqual({ head, tail });
});

test("two texts whose beginning nobody knows certainly began on what they share", () => {
  expect(sharedBy(paragraphs("abxd"), paragraphs("abyzd"))).toEqual(paragraphs("abd"));
  const renamed = { ...paragraphs("a"), heading: [] };
  expect(sharedBy(paragraphs("a"), renamed).heading).toEqual([]);
});
