// @vitest-environment jsdom
import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { withoutDrafts } from "./drafts.test-helper";
import { KeptDrafts, operationOf, plainHeading, type Draft } from "./drafts";

const words = { heading: [{ type: "text", text: "H" }], body: [{ type: "paragraph" }] } as unknown as ReturnType<
  Draft["text"]
>;
const draft = (section: string, also: Partial<Draft> = {}): Draft => ({
  section,
  baseRevision: 3,
  text: () => words,
  headingChanged: false,
  bodyChanged: true,
  ...also,
});

beforeEach(withoutDrafts);
afterEach(() => vi.restoreAllMocks());

test("only what was typed in is written", () => {
  expect(operationOf(draft("a"), words)).toEqual({ name: "replace-body", section: "a", body: words.body });
  expect(operationOf(draft("a", { headingChanged: true, bodyChanged: false }), words)).toEqual({
    name: "rename",
    section: "a",
    heading: words.heading,
  });
  expect(operationOf(draft("a", { headingChanged: true }), words)).toMatchObject({
    name: "batch",
    operations: [{ name: "rename" }, { name: "replace-body" }],
  });
});

test("a heading is told without its form", () => {
  expect(
    plainHeading({
      heading: [
        { type: "text", text: "The " },
        { type: "text", text: "log", marks: [{ type: "emphasis" }] },
      ] as never[],
      body: [],
    }),
  ).toBe("The log");
});

const keeper = (document: string) => new KeptDrafts(document, () => undefined);

test("drafts are kept by document, read back whole, and let go when there are none", async () => {
  const one = keeper("one");
  await one.keep([draft("a"), draft("b", { baseRevision: 9 })]);
  await keeper("two").keep([draft("c")]);
  const kept = await keeper("one").adopt();
  expect(kept.map(({ section, baseRevision, text }) => [section, baseRevision, text()])).toEqual([
    ["a", 3, words],
    ["b", 9, words],
  ]);
  await one.keep([]);
  expect(await keeper("one").adopt()).toEqual([]);
  expect(await keeper("two").adopt()).toHaveLength(1);
});

test("a window takes away only what it has put there, or has taken over", async () => {
  const [first, second] = [keeper("one"), keeper("one")];
  await first.keep([draft("a")]);
  await second.keep([draft("b")]);
  await second.keep([]);
  expect((await keeper("one").adopt()).map(({ section }) => section)).toEqual(["a"]);
  await second.keep([draft("a", { baseRevision: 5 })]);
  expect((await keeper("one").adopt()).map(({ baseRevision }) => baseRevision)).toEqual([3, 5]);
  const heir = keeper("one");
  await heir.adopt();
  await heir.keep([]);
  expect(await keeper("one").adopt()).toEqual([]);
});

test("two drafts of one section are both kept, in their order", async () => {
  await keeper("one").keep([draft("a", { headingChanged: true }), draft("a")]);
  expect((await keeper("one").adopt()).map(({ headingChanged }) => headingChanged)).toEqual([true, false]);
});

test("what an earlier version kept is taken over; what cannot be read is no reason to fail", async () => {
  localStorage.setItem("stemmata:drafts:one", JSON.stringify([{ section: "a", baseRevision: 7, ...words }]));
  const heir = keeper("one");
  const taken = await heir.adopt();
  expect(taken.map(({ section, text }) => [section, text()])).toEqual([["a", words]]);
  expect(localStorage.getItem("stemmata:drafts:one")).not.toBeNull();
  await heir.keep(taken);
  expect(localStorage.getItem("stemmata:drafts:one")).toBeNull();
  await heir.keep([]);
  for (const kept of ["{", "null", '"words"', "{}", "17"]) {
    localStorage.setItem("stemmata:drafts:one", kept);
    expect(await keeper("one").adopt()).toEqual([]);
  }
});

test("a browser that keeps nothing takes nothing from the writer, who is told once", async () => {
  vi.spyOn(IDBFactory.prototype, "open").mockImplementation(() => {
    throw new DOMException("forbidden", "SecurityError");
  });
  vi.resetModules();
  const { KeptDrafts: Refused } = await import("./drafts");
  const told = vi.fn();
  const kept = new Refused("one", told);
  await kept.keep([draft("a")]);
  await kept.keep([draft("b")]);
  expect(await kept.adopt()).toEqual([]);
  expect(told).toHaveBeenCalledTimes(1);
});

test("last words of several windows are all there, also those that the browser had no copy of yet, and once", async () => {
  const said = (text: string) => ({
    ...words,
    body: [{ type: "paragraph", content: [{ type: "text", text }] }] as never[],
  });
  keeper("one").handOver([draft("a", { text: () => said("first") })]);
  keeper("one").handOver([draft("a", { text: () => said("second") })]);
  keeper("one").handOver([]);
  keeper("two").handOver([draft("c")]);
  const kept = await keeper("one").adopt();
  expect(kept.map(({ section, text }) => [section, text().body])).toEqual(
    expect.arrayContaining([
      ["a", said("first").body],
      ["a", said("second").body],
    ]),
  );
  expect(kept).toHaveLength(2);
  expect(await keeper("one").adopt()).toEqual([]);
});

test("what a window put down when it closed stands in place of its last copy, and of no other window’s", async () => {
  const closing = keeper("one");
  await closing.keep([draft("a"), draft("b")]);
  const later = { ...words, body: [{ type: "paragraph", content: [{ type: "text", text: "later" }] }] as never[] };
  closing.handOver([draft("a", { text: () => later, unanswered: [words] })]);
  const other = keeper("one");
  await other.keep([draft("a")]);
  const kept = await keeper("one").adopt();
  expect(kept.map(({ section, text }) => [section, text()])).toEqual(
    expect.arrayContaining([
      ["a", later],
      ["b", words],
      ["a", words],
    ]),
  );
  expect(kept).toHaveLength(3);
  expect(
    kept.find(({ text }) => text().body === later.body || JSON.stringify(text()).includes("later"))?.unanswered,
  ).toEqual([words]);
  // Only once: whoever has adopted them goes on from there.
  expect((await keeper("one").adopt()).every(({ text }) => !JSON.stringify(text()).includes("later"))).toBe(true);
});
