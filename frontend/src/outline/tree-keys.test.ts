import { expect, test } from "vitest";
import { treeIntent } from "./tree-keys";

const key = (name: string, held: Partial<Record<"ctrlKey" | "shiftKey" | "altKey" | "metaKey", boolean>> = {}) =>
  treeIntent({ key: name, ctrlKey: false, shiftKey: false, altKey: false, metaKey: false, ...held });

test("the arrows go about, and with Ctrl and Shift take the branch along the same way", () => {
  expect(key("ArrowUp")).toEqual({ kind: "go", to: "previous" });
  expect(key("ArrowUp", { ctrlKey: true, shiftKey: true })).toEqual({ kind: "operation", name: "move-up" });
  expect(key("ArrowLeft", { ctrlKey: true, shiftKey: true })).toEqual({ kind: "operation", name: "promote" });
});

test("letters find, and keys of the browser and of screen readers are left alone", () => {
  expect(key("g")).toEqual({ kind: "find", letter: "g" });
  expect(key("ArrowLeft", { altKey: true })).toBeNull();
  expect(key("f", { ctrlKey: true })).toBeNull();
  expect(key("Tab")).toBeNull();
});

test("Shift with an arrow picks a range, the space bar one row, and figures choose an overview", () => {
  expect(key("ArrowDown", { shiftKey: true })).toEqual({ kind: "stretch", to: "next" });
  expect(key(" ")).toEqual({ kind: "pick", what: "this" });
  expect(key("Escape")).toEqual({ kind: "pick", what: "none" });
  expect(key("3")).toEqual({ kind: "levels", upTo: 3 });
});
