import { expect, type CDPSession, type Page } from "@playwright/test";
import { allKept, exported, openDocument, putCursor, test } from "./helpers";

/** What input methods for Japanese and Korean send: each step is the text that is being composed. */
const SEQUENCES = {
  Japanese: { steps: ["t", "と", "とう", "とうd", "とうだ", "とうだい", "灯台"], text: "灯台" },
  Korean: { steps: ["ㄷ", "드", "등", "등ㄷ", "등대"], text: "등대" },
};

async function compose(ime: CDPSession, steps: readonly string[], between: (step: number) => Promise<void>) {
  for (const [step, text] of steps.entries()) {
    await ime.send("Input.imeSetComposition", { text, selectionStart: text.length, selectionEnd: text.length });
    await between(step);
  }
}

async function writtenElsewhere(page: Page, after: string, words: string): Promise<void> {
  await putCursor(page, after);
  await page.keyboard.press("End");
  await page.keyboard.type(words);
  await allKept(page);
}

for (const [language, { steps, text }] of Object.entries(SEQUENCES)) {
  test(`${language} is composed to its end while another window writes in the same document`, async ({
    page,
    context,
  }) => {
    test.slow();
    const id = await openDocument(page, "# Coast\n\nThe lamp.\n\n# Vane\n\nIt turns.\n");
    const other = await context.newPage();
    await other.goto(`/documents/${id}`);
    await expect(other.locator(".manuscript p").first()).toBeVisible();
    await page.bringToFront();
    await putCursor(page, "The lamp.");
    await page.keyboard.press("End");
    await page.keyboard.type(" ");
    const ime = await context.newCDPSession(page);
    await compose(ime, steps, async (step) => {
      if (step !== 2) return;
      await other.bringToFront();
      await writtenElsewhere(other, "It turns.", " North.");
      await page.bringToFront();
      // The other window is heard of, and what was typed before is acknowledged, in the middle of the word.
      await page.waitForTimeout(1500);
    });
    await ime.send("Input.insertText", { text });
    await page.keyboard.type("!");
    await expect(page.locator(".manuscript p").first()).toHaveText(`The lamp. ${text}!`);
    await expect(page.locator(".manuscript p").last()).toHaveText("It turns. North.");
    await allKept(page);
    expect(await exported(page.request, id, "md")).toMatch(
      new RegExp(`The lamp\\. ${text}!\n\n# Vane[^]*It turns\\. North\\.`),
    );
  });

  test(`${language} is composed over a selection and given up again`, async ({ page, context }) => {
    const id = await openDocument(page, "# Coast\n\nThe lamp is lit.\n");
    await putCursor(page, "The lamp");
    await page.keyboard.press("Home");
    for (let step = 0; step < 4; step++) await page.keyboard.press("ArrowRight");
    for (let step = 0; step < 4; step++) await page.keyboard.press("Shift+ArrowRight");
    const ime = await context.newCDPSession(page);
    await compose(ime, steps.slice(0, 3), () => Promise.resolve());
    await ime.send("Input.imeSetComposition", { text: "", selectionStart: 0, selectionEnd: 0 });
    await page.keyboard.type("gate");
    await expect(page.locator(".manuscript p")).toHaveText("The gate is lit.");
    await allKept(page);
    expect(await exported(page.request, id, "md")).toContain("The gate is lit.");
  });
}
