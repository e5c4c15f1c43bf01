import { expect, test } from "vitest";
import { beginOf, endOf } from "./found-line";

test("what stands around a place is cut where it is long, behind at a whole word", () => {
  expect(beginOf("the end of what stands before", 10)).toBe("…s before");
  expect(beginOf("short", 10)).toBe("short");
  expect(endOf("and what stands behind it", 16)).toBe("and what…");
  expect(endOf("short", 10)).toBe("short");
});
