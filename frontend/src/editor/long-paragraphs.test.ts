import { expect, test } from "vitest";
import { endsOf, LONGEST } from "./long-paragraphs";
import { schema } from "./schema";

const sentences = Array.from({ length: 9000 }, (_, index) => `The lamp was read for the ${index}th time. `).join("");
const paragraph = (text: string) => schema.nodes["paragraph"]!.create(null, schema.text(text));
const stretches = (text: string) => {
  const ends = endsOf(paragraph(text));
  return ends.map((end, index) => text.slice(ends[index - 1] ?? 0, end));
};

test("a long paragraph is divided at sentences, and all of it is in a stretch", () => {
  const found = stretches(sentences);
  expect(sentences.length).toBeGreaterThan(LONGEST);
  expect(found.join("")).toBe(sentences);
  for (const each of found.slice(0, -1)) {
    expect(each).toMatch(/^The lamp .* time\. $/s);
    expect(each.length).toBeGreaterThan(6_000);
    expect(each.length).toBeLessThan(10_000);
  }
});

test("a letter leaves the stretches as they are but its own and those whose end it pushes on", () => {
  const before = stretches(sentences);
  const at = 100_003;
  const after = stretches(`${sentences.slice(0, at)}x${sentences.slice(at)}`);
  expect(after).toHaveLength(before.length);
  expect(after.filter((each, index) => each !== before[index]).length).toBeLessThanOrEqual(4);
});

test("where no sentence ends, words do; where no word ends, letters do", () => {
  const words = "lamp ".repeat(30_000);
  expect(stretches(words).join("")).toBe(words);
  for (const each of stretches(words).slice(0, -1)) expect(each).toMatch(/^lamp .*lamp $/);
  const letters = "x".repeat(100_000);
  expect(stretches(letters).join("")).toBe(letters);
  expect(stretches(letters).length).toBeGreaterThan(5);
});
