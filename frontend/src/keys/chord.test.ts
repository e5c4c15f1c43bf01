import { expect, test } from "vitest";
import { chordOf, shown, writes, type KeyPress } from "./chord";

const press = (key: string, also: Partial<KeyPress> = {}) => chordOf({ key, ctrlKey: false, metaKey: false, shiftKey: false, altKey: false, ...also });

test("keys are named in one order, whatever was held first", () => {
  expect(press("ArrowUp", { shiftKey: true, ctrlKey: true })).toBe("Ctrl+Shift+ArrowUp");
  expect(press("k", { altKey: true, ctrlKey: true })).toBe("Ctrl+Alt+K");
  expect(press("F2")).toBe("F2");
  expect(press(" ", { ctrlKey: true })).toBe("Ctrl+Space");
});

test("a Mac’s command key counts as Ctrl", () => {
  expect(press("z", { metaKey: true })).toBe("Ctrl+Z");
});

test("keys that are only held, or begin a character, are no chord yet", () => {
  for (const key of ["Control", "Shift", "Alt", "Meta", "AltGraph", "Dead", "CapsLock", "Process"]) expect(press(key)).toBeNull();
});

test("a character of the keyboard’s third level is written, not taken for Ctrl and Alt", () => {
  expect(press("@", { ctrlKey: true, altKey: true, getModifierState: (state) => state === "AltGraph" })).toBeNull();
});

test("a sign says by itself that Shift was held", () => {
  expect(press("?", { shiftKey: true })).toBe("?");
  expect(press("+", { shiftKey: true, ctrlKey: true })).toBe("Ctrl++");
});

test("the key counts, not what Alt or Shift make of it", () => {
  expect(press("∂", { altKey: true, code: "KeyD" })).toBe("Alt+D");
  expect(press("!", { ctrlKey: true, shiftKey: true, code: "Digit1" })).toBe("Ctrl+Shift+1");
});

test("keys are shown as they are labelled", () => {
  expect(shown("Ctrl+Shift+ArrowUp")).toBe("Ctrl Shift ↑");
  expect(shown("Ctrl++")).toBe("Ctrl +");
  expect(shown("Escape")).toBe("Esc");
});

test("some keys would write into the text by themselves", () => {
  for (const chord of ["A", "Shift+A", "?", "Space", "ß"]) expect(writes(chord)).toBe(true);
  for (const chord of ["Ctrl+A", "F2", "Enter", "ArrowUp", "Alt+1"]) expect(writes(chord)).toBe(false);
});
