import { expect, type Page } from "@playwright/test";
import { allKept, exported, openDocument, putCursor, row, test } from "./helpers";

const TEXT =
  "# Lamps\n\nThe lamp[^a] was lit. See [the log](https://example.org/log.html) and go on.\n\n# Oil\n\nIt burned.\n\n# Gas\n\nLate words.\n\n[^a]: Of brass.\n";

const spoken = (page: Page) => page.locator(".manuscript .spoken");
const bar = (page: Page) => page.getByRole("region", { name: "Reading aloud" });

/** All that has been marked from now on, a word each. */
async function listen(page: Page): Promise<() => Promise<string[]>> {
  await page.evaluate(() => {
    const heard: string[] = [];
    (window as unknown as { heard: string[] }).heard = heard;
    new MutationObserver(() => {
      const now = document.querySelector(".manuscript .spoken")?.textContent;
      if (now && heard.at(-1) !== now) heard.push(now);
    }).observe(document.querySelector(".manuscript")!, {
      subtree: true,
      childList: true,
      attributes: true,
      characterData: true,
    });
  });
  return () => page.evaluate(() => (window as unknown as { heard: string[] }).heard);
}

test("from the cursor to the end, each word marked as it is spoken, with the notes and without addresses", async ({
  page,
}) => {
  const id = await openDocument(page, TEXT);
  await putCursor(page, "The lamp");
  await page.keyboard.press("Home");
  await page.keyboard.press("Control+ArrowRight");
  const heard = await listen(page);
  await page.keyboard.press("Alt+Shift+R");
  await expect(bar(page)).toContainText("This browser has no voice: the words are marked in silence.");
  await bar(page).getByRole("slider").fill("3");
  await expect(bar(page)).toBeHidden({ timeout: 20_000 });
  const words = (await heard()).join(" ");
  expect(words).toContain("lamp was lit Of brass See the log and go on Oil It burned Gas Late words");
  await expect(row(page, "Gas")).toBeVisible();
  // The cursor never left.
  await page.keyboard.type("§");
  await allKept(page);
  expect(await exported(page.request, id, "md")).toMatch(/The§? ?§?lamp/);
});

test("paused, gone on with, without notes, to the end of the section, and stopped", async ({ page }) => {
  await openDocument(page, TEXT);
  await putCursor(page, "The lamp");
  await page.keyboard.press("Home");
  await page.keyboard.press("Alt+Shift+R");
  await expect(spoken(page)).toBeVisible();
  await bar(page).getByRole("button", { name: "Pause" }).click();
  const word = await spoken(page).textContent();
  await page.waitForTimeout(900);
  expect(await spoken(page).textContent()).toBe(word);
  const heard = await listen(page);
  await bar(page).getByRole("checkbox", { name: "On to the end of the document" }).uncheck();
  await bar(page).getByRole("checkbox", { name: "Notes" }).uncheck();
  await bar(page).getByRole("slider").fill("3");
  await expect(bar(page)).toBeHidden({ timeout: 15_000 });
  const words = (await heard()).join(" ");
  expect(words).toContain("was lit See the log");
  expect(words).not.toContain("brass");
  expect(words).not.toContain("burned");

  await page.keyboard.press("Alt+Shift+R");
  await expect(bar(page)).toBeVisible();
  await page.keyboard.press("Alt+Shift+R");
  await expect(bar(page)).toBeHidden();
  await expect(spoken(page)).toHaveCount(0);

  // Behind the last word there is nothing to be read, and that is said.
  await putCursor(page, "Late words.");
  await page.keyboard.press("Control+End");
  await page.keyboard.press("Alt+Shift+R");
  await expect(page.getByText("Nothing stands behind the cursor that could be read.")).toBeVisible();
});
