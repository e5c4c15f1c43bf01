import { expect, test } from "vitest";
import { ALL_COMMANDS, clash, commandAt, keysOf, objection, readOwnKeys, withKeys } from "./bindings";
import { chordOf, shown, writes } from "./chord";

const press = (
  key: string,
  held: Partial<Record<"ctrlKey" | "shiftKey" | "altKey" | "metaKey", boolean>> = {},
  code = "",
) => chordOf({ key, code, ctrlKey: false, shiftKey: false, altKey: false, metaKey: false, ...held });
const command = (id: string) => {
  const found = ALL_COMMANDS.find((each) => each.id === id);
  if (!found) throw new Error(id);
  return found;
};

test("keys have one name whatever keyboard they come from", () => {
  expect(press("ArrowUp", { ctrlKey: true, shiftKey: true })).toBe("Ctrl+Shift+ArrowUp");
  expect(press("z", { metaKey: true })).toBe("Ctrl+Z");
  expect(press("Z", { ctrlKey: true, shiftKey: true }, "KeyZ")).toBe("Ctrl+Shift+Z");
  expect(press("“", { ctrlKey: true, altKey: true }, "Digit2")).toBe("Ctrl+Alt+2");
  expect(press("1", { ctrlKey: true, altKey: true }, "Numpad1")).toBe("Ctrl+Alt+1");
  expect(press("/", { shiftKey: true })).toBe("/");
  expect(press(" ")).toBe("Space");
  expect(press("Shift", { shiftKey: true })).toBeNull();
});

test("a character that needs the third level of a keyboard is written, not taken for a command", () => {
  expect(
    chordOf({
      key: "²",
      code: "Digit2",
      ctrlKey: true,
      altKey: true,
      shiftKey: false,
      metaKey: false,
      getModifierState: (key) => key === "AltGraph",
    }),
  ).toBeNull();
});

test("chords are shown as the keys are labelled", () => {
  expect(shown("Ctrl+Shift+ArrowLeft")).toBe("Ctrl Shift ←");
  expect(shown("Ctrl++")).toBe("Ctrl +");
  expect(shown("+")).toBe("+");
  expect([writes("a"), writes("Shift+A"), writes("Space"), writes("Ctrl+A"), writes("F2")]).toEqual([
    true,
    true,
    true,
    false,
    false,
  ]);
});

test("our own keys clash with none of each other, and none is the browser’s, the system’s or a screen reader’s", () => {
  for (const each of ALL_COMMANDS) {
    for (const chord of each.ours) {
      const other = clash({}, each, chord);
      expect(other, `${each.id} and ${other?.id} both have ${chord}`).toBeNull();
      expect(objection(each, chord), `${each.id}: ${chord}`).toBeNull();
    }
  }
  expect(new Set(ALL_COMMANDS.map(({ id }) => id)).size).toBe(ALL_COMMANDS.length);
});

test("the four arrows with the same keys held promote, demote and move", () => {
  const held = (id: string) => command(id).ours.map((chord) => chord.replace(/Arrow\w+$/, ""));
  expect(["promote", "demote", "move-up", "move-down"].flatMap(held)).toEqual(
    Array.from({ length: 4 }, () => "Ctrl+Shift+"),
  );
});

test("keys taken from another command leave it, and going back to ours leaves nothing behind", () => {
  const own = withKeys({}, command("nest"), ["Ctrl+D"]);
  expect(own).toEqual({ nest: ["Ctrl+D"], duplicate: [] });
  expect(commandAt(own, "outline", "Ctrl+D")).toBe("nest");
  expect(keysOf(own, command("duplicate"))).toEqual([]);
  expect(withKeys(own, command("duplicate"), ["Ctrl+D"])).toEqual({});
});

test("the same keys may mean one thing in the text and another in the outline, but not what works anywhere", () => {
  expect(clash({}, command("select-section"), "Ctrl+D")).toBeNull();
  expect(clash({}, command("split"), "Ctrl+J")?.id).toBe("jump");
  expect(clash({}, command("jump"), "Ctrl+Alt+Enter")?.id).toBe("split");
});

test("keys that cannot be had are refused in a sentence", () => {
  expect(objection(command("split"), "Ctrl+T")).toMatch(/browser/);
  expect(objection(command("split"), "Ctrl+Alt+ArrowUp")).toMatch(/[Ss]creen readers/);
  expect(objection(command("split"), "q")).toMatch(/writes/);
  expect(objection(command("split"), "Enter")).toMatch(/always/);
  expect(objection(command("nest"), "n")).toBeNull();
});

test("what was kept is read with care: unknown commands and what are no keys are left out", () => {
  expect(readOwnKeys({ nest: ["N", 3], gone: ["X"], split: "Ctrl+Q", jump: ["Ctrl+J"] })).toEqual({ nest: ["N"] });
  expect(readOwnKeys(null)).toEqual({});
  expect(readOwnKeys([1])).toEqual({});
});
