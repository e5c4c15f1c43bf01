import { expect, test } from "vitest";
import { labelOf, nameOf } from "./names";

const names = new Map([
  ["a", "Opening"],
  ["b", "Chapter 4"],
  ["c", "No heading yet"],
]);

test("a section is called by its heading, and by what the core says in place of one", () => {
  expect([
    nameOf("b", "Gaps", names),
    nameOf("b", "", names),
    nameOf("c", " ", names),
    nameOf("new", "", names),
  ]).toEqual(["Gaps", "Chapter 4", "No heading yet", ""]);
});

test("number and name stand in one line, neither of them twice", () => {
  expect([
    labelOf("Gaps", "2.3"),
    labelOf("Preface", ""),
    labelOf("Chapter 4", "Chapter 4"),
    labelOf("No heading yet", "2.3"),
  ]).toEqual(["2.3 Gaps", "Preface", "Chapter 4", "2.3 No heading yet"]);
});
