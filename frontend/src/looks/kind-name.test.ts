import { expect, test } from "vitest";
import { kindNameOf } from "./kind-name";

test("a kind is named by its words, in letters that every file can hold, and never as another", () => {
  expect(kindNameOf("Epigraph", [])).toBe("epigraph");
  expect(kindNameOf("Ship’s name", [])).toBe("ship-s-name");
  expect(kindNameOf("Überschrift 2!", [])).toBe("uberschrift-2");
  expect(kindNameOf("1. Regel", [])).toBe("regel");
  expect(kindNameOf("手紙", [])).toBe("kind");
  expect(kindNameOf("Verse", [{ name: "verse" }, { name: "verse-2" }])).toBe("verse-3");
  expect(kindNameOf("a".repeat(60), []).length).toBeLessThanOrEqual(40);
});
