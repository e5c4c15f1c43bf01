import { expect } from "@playwright/test";
import { COMMANDS, type AnywhereCommand } from "../../frontend/src/keys/commands";
import { openDocument, putCursor, test } from "./helpers";

// Every command that works anywhere, by its keys or else from the jump box, with the cursor in the text: the letter after
// it, or after what it opened has been left, stands where the cursor was or where the command led.

const SIGN = "§";
const TEXT = "# Lamps\n\nAlpha beta.\n\n# Oil\n\nGamma delta.\n\n# Gas\n\nLate words.\n";

type After =
  /** In the same place, at once. */
  | "here"
  /** In the same place, once what it opened has been left with Escape. */
  | "here after Escape"
  /** In the same place, after F8 has led back from the outline. */
  | "here after F8"
  /** In the heading of that section. */
  | `heading of ${string}`;

// Printing leaves the window, and the style sheet is a face of its own, without the text.
const AFTER: Record<Exclude<AnywhereCommand, "print" | "looks">, After> = {
  jump: "here after Escape",
  undo: "here",
  redo: "here",
  "trail-back": "here",
  "trail-forward": "here",
  "to-writing": "here",
  "previous-section": "heading of Lamps",
  "next-section": "heading of Gas",
  "parent-section": "here",
  "first-child": "here",
  "outline-or-text": "here after F8",
  strata: "here after Escape",
  "other-face": "here",
  "read-aloud": "here",
  "pause-reading": "here",
  quiet: "here",
  "full-screen": "here",
  "hold-line": "here",
  "set-off": "here",
  "keep-now": "here",
  keys: "here after Escape",
  "scope-branch": "here",
  "scope-own-text": "here",
  "scope-next": "here",
  "scope-previous": "here",
  "whole-document": "here",
  find: "here after Escape",
  "find-next": "here",
  "find-previous": "here",
  links: "here",
  reminders: "here",
  ideas: "here",
  contents: "here",
  pages: "here",
  look: "here",
  counts: "here",
  offcuts: "here",
  history: "here",
  check: "here",
  "likely-headings": "here after Escape",
};

for (const [command, after] of Object.entries(AFTER) as [keyof typeof AFTER, After][]) {
  test(`${command}: the next letter is ${after}`, async ({ page }) => {
    await openDocument(page, TEXT);
    await putCursor(page, "Gamma delta.");
    await page.keyboard.press("Home");
    for (let step = 0; step < 3; step++) await page.keyboard.press("ArrowRight");
    const { words, keys } = COMMANDS.anywhere[command] as { words: string; keys: readonly string[] };
    const [chord] = keys;
    if (chord) await page.keyboard.press(chord.replace("Ctrl", "Control"));
    else {
      await page.keyboard.press("Control+j");
      await page.keyboard.type(words);
      await page.keyboard.press("Enter");
    }
    if (command === "other-face") {
      await expect(page.getByRole("treegrid")).toBeVisible();
      await page.keyboard.press("Shift+F9");
      await expect(page.getByRole("main", { name: "Style sheet" })).toBeVisible();
      await page.keyboard.press("Shift+F9");
      await expect(page.getByRole("main", { name: "Proof" })).toBeVisible();
      await page.keyboard.press("Shift+F9");
      await expect(page.locator(".manuscript p").first()).toBeVisible();
    }
    if (after === "here after Escape") {
      await expect
        .poll(() => page.evaluate(() => document.activeElement?.closest("[role=dialog], section, nav") !== null))
        .toBe(true);
      await page.keyboard.press("Escape");
    }
    if (after === "here after F8") await page.keyboard.press("F8");
    await expect.poll(() => page.evaluate(() => document.activeElement?.className ?? "")).toContain("manuscript");
    await page.keyboard.type(SIGN);
    if (after.startsWith("heading of ")) {
      const heading = after.replace("heading of ", "");
      await expect(page.locator(".manuscript .heading", { hasText: SIGN })).toHaveText(`${SIGN}${heading}`);
    } else await expect(page.locator(".manuscript p", { hasText: SIGN })).toHaveText(`Gam${SIGN}ma delta.`);
  });
}
