import { expect, it } from "vitest";
import { fieldSign, FIELD_WORDS, toParts, toText, type RunningField } from "./running-text";

it("writes fields among words, and reads them back", () => {
  const parts = ["Page ", { field: "page" as const }, " of ", { field: "pages" as const }];
  expect(toText(parts)).toBe("Page ‹page› of ‹last page number›");
  expect(toParts(toText(parts))).toEqual(parts);
  for (const field of Object.keys(FIELD_WORDS) as RunningField[])
    expect(toParts(fieldSign(field))).toEqual([{ field }]);
});

it("takes what names no field as words", () => {
  expect(toParts("‹nothing› ‹page")).toEqual(["‹nothing›", " ‹page"]);
  expect(toText(undefined)).toBe("");
  expect(toParts("")).toEqual([]);
});
