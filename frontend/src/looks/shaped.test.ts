import { expect, test } from "vitest";
import { saidIn, saying, shapeInWords } from "./shaped";

test("what is said by hand is read, added to and taken away", () => {
  expect(saidIn("size:14pt;ruleAbove:0.5pt #8a948e")).toEqual({ size: "14pt", ruleAbove: "0.5pt #8a948e" });
  expect(saidIn("")).toEqual({});
  expect(saying("", "size", "14 pt")).toBe("size:14 pt");
  expect(saying("size:14pt;slant:italic", "slant", null)).toBe("size:14pt");
  expect(saying("size:14pt", "size", "9pt;slant:italic")).toBe("size:9pt slant:italic");
});

test("what is said by hand is told in words", () => {
  expect(shapeInWords("size:14pt;underline:yes;alignment:centred;keepWithNext:no")).toBe(
    "Size 14pt, Underlined, Alignment Centred, Stays with what follows no",
  );
});
