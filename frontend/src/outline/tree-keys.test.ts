// @vitest-environment jsdom
import { afterEach, expect, test } from "vitest";
import { useKeys } from "../keys/keys";
import { treeIntent } from "./tree-keys";

const key = (name: string, held: Partial<Record<"ctrlKey" | "shiftKey" | "altKey" | "metaKey", boolean>> = {}) =>
  treeIntent({ key: name, ctrlKey: false, shiftKey: false, altKey: false, metaKey: false, ...held });

afterEach(() => useKeys.setState({ own: {} }));

test("the arrows go about, and with Ctrl and Shift take the branch along the same way", () => {
  expect(key("ArrowUp")).toEqual({ kind: "go", to: "previous" });
  expect(key("ArrowUp", { ctrlKey: true, shiftKey: true })).toEqual({ kind: "command", command: "move-up" });
  expect(key("ArrowLeft", { ctrlKey: true, shiftKey: true })).toEqual({ kind: "command", command: "promote" });
});

test("letters find, and keys of the browser and of screen readers are left alone", () => {
  expect(key("g")).toEqual({ kind: "find", letter: "g" });
  expect(key("ArrowLeft", { altKey: true })).toBeNull();
  expect(key("f", { ctrlKey: true })).toBeNull();
  expect(key("Tab")).toBeNull();
});

test("Shift with an arrow picks a range, the space bar one row, and digits choose an overview", () => {
  expect(key("ArrowDown", { shiftKey: true })).toEqual({ kind: "stretch", to: "next" });
  expect(key(" ")).toEqual({ kind: "command", command: "pick" });
  expect(key("Escape")).toEqual({ kind: "pick-none" });
  expect(key("3")).toEqual({ kind: "command", command: "show-3" });
});

test("the writer’s own keys hold instead of ours, and a letter given to a command finds no more", () => {
  useKeys.setState({ own: { nest: ["N"], promote: ["Ctrl+ArrowLeft"] } });
  expect(key("n")).toEqual({ kind: "command", command: "nest" });
  expect(key("ArrowLeft", { ctrlKey: true })).toEqual({ kind: "command", command: "promote" });
  expect(key("ArrowLeft", { ctrlKey: true, shiftKey: true })).toBeNull();
});
