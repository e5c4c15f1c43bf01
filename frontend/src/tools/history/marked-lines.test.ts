import { expect, test } from "vitest";
import { markedLines, stretches } from "./marked-lines";

const same = (text: string) => ({ kind: "same", text }) as const;
const gone = (text: string) => ({ kind: "gone", text }) as const;
const came = (text: string) => ({ kind: "new", text }) as const;

test("marks that run over paragraphs are cut at their ends", () => {
  expect(
    markedLines([same("Coast\nThe lamp "), gone("was lit.\nNobody"), came("burned.\nThey"), same(" slept.\n")]),
  ).toEqual([
    [same("Coast")],
    [same("The lamp "), gone("was lit.")],
    [gone("Nobody"), came("burned.")],
    [came("They"), same(" slept.")],
  ]);
});

test("a text without changes, and one without words", () => {
  expect(markedLines([same("one\n\ntwo")])).toEqual([[same("one")], [same("two")]]);
  expect(stretches(markedLines([]))).toEqual([]);
});

test("long runs of what stayed are put together, a paragraph beside each change stays in sight", () => {
  const lines = markedLines([same("a\nb\nc\nd\ne\n"), came("new\n"), same("f\ng\nh\n"), gone("old\n"), same("i\n")]);
  expect(stretches(lines).map(({ same: isSame, lines: run }) => [isSame, run.length])).toEqual([
    [true, 4],
    [false, 3],
    [false, 1],
    [false, 3],
  ]);
});
