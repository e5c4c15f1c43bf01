// @vitest-environment jsdom
import { expect, test } from "vitest";
import { bare, findOn, rangeOf } from "./found-on-page";

const pages = [
  { sheet: 4, letters: bare("The lamp was lit. The lamp was seen from the north-") },
  { sheet: 5, letters: bare("west. The lamp went out at ſeven.") },
];

test("the place among others is known by the words around it", () => {
  const found = { before: "seen from the northwest. The ", words: "lamp", after: " went out" };
  expect(findOn(pages, found)).toEqual({ sheet: 5, from: bare("west. The ").length, length: 4 });
  expect(findOn(pages, { before: "", words: "The Lamp", after: " was seen" })).toMatchObject({ sheet: 4, from: 14 });
});

test("words that the typesetter broke are found, those that are not there are not", () => {
  expect(
    findOn([{ sheet: 1, letters: bare("a tem-\npera\u00adture of") }], { before: "", words: "temperature", after: "" }),
  ).toEqual({ sheet: 1, from: 1, length: 11 });
  expect(findOn(pages, { before: "the ", words: "lantern", after: "" })).toBeNull();
  expect(findOn(pages, { before: "the ", words: " ", after: "" })).toBeNull();
});

test("a stretch goes on over the lines of a page", () => {
  const layer = document.createElement("div");
  layer.innerHTML = "<span>a tem-</span><br><span>perature of 😀 oil</span>";
  const range = rangeOf(layer, { sheet: 1, from: 1, length: 11 });
  expect(range?.toString()).toBe("tem-perature");
  expect(rangeOf(layer, { sheet: 1, from: 16, length: 3 })?.toString()).toBe("oil");
  expect(rangeOf(layer, { sheet: 1, from: 16, length: 30 })).toBeNull();
});
