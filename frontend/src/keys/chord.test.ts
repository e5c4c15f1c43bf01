import { expect, test } from "vitest";
import { chordOf, shown, writes, type KeyPress } from "./chord";

const press = (key: string, also: Partial<KeyPress> = {}) =>
  chordOf({ key, ctrlKey: false, metaKey: false, shiftKey: false, altKey: false, ...also });

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
  for (const key of ["Control", "Shift", "Alt", "Meta", "AltGraph", "Dead", "CapsLock", "Process"])
    expect(press(key)).toBeNull();
});

test("a character of the keyboard’s third level is written, not taken for Ctrl and Alt", () => {
  expect(press("@", { ctrlKey: true, altKey: true, getModifierState: (state) => state === "AltGraph" })).toBeNull();
});

test("keys that choose among an input method’s characters are its own", () => {
  for (const key of ["Enter", "Tab", "ArrowDown"]) expect(press(key, { isComposing: true })).toBeNull();
});

test("a sign says by itself that Shift was held", () => {
  expect(press("?", { shiftKey: true })).toBe("?");
  expect(press("+", { shiftKey: true, ctrlKey: true })).toBe("Ctrl++");
});

test("the key counts, not what Alt makes of it", () => {
  expect(press("∂", { altKey: true, code: "KeyD" })).toBe("Alt+D");
  expect(press("¡", { altKey: true, ctrlKey: true, code: "Digit1" })).toBe("Ctrl+Alt+1");
});

test("on keyboards of other countries the character counts, wherever it lies", () => {
  // German: Y and Z change places, and the stroke lies on the 7.
  expect(press("Z", { ctrlKey: true, shiftKey: true, code: "KeyY" })).toBe("Ctrl+Shift+Z");
  expect(press("/", { ctrlKey: true, shiftKey: true, code: "Digit7" })).toBe("Ctrl+/");
  // French: digits are written with Shift.
  expect(press("1", { shiftKey: true, code: "Digit1" })).toBe("1");
  expect(press("a", { ctrlKey: true, code: "KeyQ" })).toBe("Ctrl+A");
  // Turkish, where the small i has a capital of its own.
  expect(press("i", { ctrlKey: true, code: "Quote" })).toBe("Ctrl+I");
});

test("in other alphabets the key counts that would be the letter in ours", () => {
  expect(press("я", { ctrlKey: true, code: "KeyZ" })).toBe("Ctrl+Z");
  expect(press("Ζ", { ctrlKey: true, shiftKey: true, code: "KeyZ" })).toBe("Ctrl+Shift+Z");
  expect(press("я", { code: "KeyZ" })).toBe("Я");
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
