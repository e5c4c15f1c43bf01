import { expect, type Page } from "@playwright/test";
import { COMMANDS, type OutlineCommand } from "../../frontend/src/keys/commands";
import { allKept, chooseCommand, exported, openDocument, pickRow, row, test } from "./helpers";

// Every command of the outline, by its keys or else from the row's menu, and whose the next letter is.

const SIGN = "§";
const TEXT =
  "# Alpha\n\nOne.\n\n## Beta\n\nTwo words here.\n\n### Gamma\n\nThree.\n\n## Delta\n\nFour.\n\n# Epsilon\n\nFive.\n";

/** Where the keys are afterwards: still the outline's, in the new heading, in a field of the outline, or in a dialog. */
type Landing = "outline" | "heading" | "field" | "dialog";

const LANDINGS: Record<Exclude<OutlineCommand, `show-${number}`>, Landing> = {
  rename: "field",
  promote: "outline",
  demote: "outline",
  "move-up": "outline",
  "move-down": "outline",
  "promote-heading": "outline",
  "demote-heading": "outline",
  nest: "dialog",
  "insert-before": "heading",
  "insert-after": "field",
  "insert-inside": "field",
  duplicate: "outline",
  copy: "outline",
  "to-document": "dialog",
  "keep-standing": "outline",
  marker: "dialog",
  target: "dialog",
  "set-aside": "outline",
  delete: "outline",
  "fold-text": "outline",
  scope: "outline",
  "scope-own": "outline",
  pick: "outline",
  "pick-all": "outline",
  filter: "field",
  "next-overview": "outline",
  "show-all": "outline",
};

async function run(page: Page, command: keyof typeof LANDINGS): Promise<void> {
  const { words, keys } = COMMANDS.outline[command] as { words: string; keys: readonly string[] };
  await pickRow(page, "Beta");
  const [chord] = keys;
  if (chord) return page.keyboard.press(chord.replace("Ctrl", "Control"));
  await row(page, "Beta").hover();
  await row(page, "Beta").locator("button[aria-hidden=true]").click();
  await chooseCommand(page, new RegExp(`^${words.replace(/[.…]/g, ".")}`));
}

const focused = (page: Page) =>
  page.evaluate(() => {
    const element = document.activeElement;
    const active = document.getElementById(element?.getAttribute("aria-activedescendant") ?? "");
    return {
      place: element?.closest("[role=dialog]")
        ? "dialog"
        : element?.closest(".manuscript")
          ? "heading"
          : element instanceof HTMLInputElement
            ? "field"
            : element?.getAttribute("role") === "tree"
              ? "outline"
              : (element?.outerHTML.slice(0, 200) ?? ""),
      active: active?.id.replace("row-", "") ?? "",
    };
  });

for (const [command, landing] of Object.entries(LANDINGS) as [keyof typeof LANDINGS, Landing][]) {
  test(`${command}: the next letter is the ${landing}’s`, async ({ page }) => {
    const id = await openDocument(page, TEXT);
    const rows = await page.getByRole("treeitem").count();
    await run(page, command);
    // What is gone is not where the keys are.
    if (command === "delete") await expect.poll(() => page.getByRole("treeitem").count()).toBeLessThan(rows);
    await expect.poll(async () => (await focused(page)).place).toBe(landing);
    await page.keyboard.type("x");
    if (landing === "heading") {
      await page.keyboard.press("Backspace");
      await page.keyboard.type(SIGN);
      await expect(page.locator(".manuscript .heading", { hasText: SIGN })).toHaveText(SIGN);
      return;
    }
    if (landing !== "outline") await page.keyboard.press("Escape");
    // However it ended, the keys are the outline's again, and no letter of them is in the text.
    await expect.poll(async () => (await focused(page)).place).toBe("outline");
    const { active } = await focused(page);
    await page.keyboard.press("F8");
    await page.keyboard.type(SIGN);
    await expect(page.locator(`.manuscript [data-section="${active}"]`)).toContainText(SIGN);
    await allKept(page);
    await expect.poll(() => exported(page.request, id, "md")).toContain(SIGN);
    expect(await exported(page.request, id, "md")).not.toContain("x");
  });
}
