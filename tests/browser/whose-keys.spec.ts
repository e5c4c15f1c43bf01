import { expect, type Page } from "@playwright/test";
import { openDocument, pickRow, putCursor, row, test } from "./helpers";
import { keptText, shownIsKept } from "./shown-and-kept";

const TEXT = "# Coast\n\nAlpha.\n\n# Log\n\nBeta.\n\n# Storms\n\nGamma.\n";

const inText = (page: Page) => page.evaluate(() => document.activeElement?.classList.contains("manuscript") === true);

test("a row that is clicked again keeps the keys, and Delete is the row’s", async ({ page }) => {
  const id = await openDocument(page, TEXT);
  await pickRow(page, "Log");
  await page.waitForTimeout(400);
  await row(page, "Log").click();
  await page.waitForTimeout(400);
  await expect(page.getByRole("tree")).toBeFocused();
  await page.keyboard.press("Delete");
  await expect
    .poll(() => keptText(page.request, id))
    .toEqual([
      ["1 Coast", "Alpha."],
      ["1 Storms", "Gamma."],
    ]);
  await shownIsKept(page, id);
});

test("with Ctrl the row that was chosen before is picked as well", async ({ page }) => {
  await openDocument(page, TEXT);
  await pickRow(page, "Coast");
  await row(page, "Storms").click({ modifiers: ["Control"] });
  await expect(page.getByRole("treeitem", { selected: true })).toHaveCount(2);
  await row(page, "Coast").click({ modifiers: ["Control"] });
  await expect(page.getByRole("treeitem", { selected: true })).toHaveCount(1);
});

test("Tab in a paragraph leaves the keys there and says what it is for", async ({ page }) => {
  const id = await openDocument(page, TEXT);
  await putCursor(page, "Beta.");
  await page.keyboard.press("End");
  await page.keyboard.press("Tab");
  await page.keyboard.type(" She went out.");
  await expect(page.getByText("Tab is for lists and tables.")).toBeVisible();
  expect((await shownIsKept(page, id))[1]).toEqual(["1 Log", "Beta. She went out."]);
  await page.keyboard.press("F8");
  await expect(page.getByRole("tree")).toBeFocused();
});

test("after a command of the document’s menu, and after a reload, the next letter goes where one was writing", async ({
  page,
}) => {
  const id = await openDocument(page, TEXT);
  await putCursor(page, "Beta.");
  await page.keyboard.press("End");
  await page.getByRole("button", { name: "This document" }).click();
  await page
    .getByRole("menuitem", { name: /Show the whole|Number|Duplicate|Keep a milestone|Keys/ })
    .first()
    .focus();
  await page.keyboard.press("Escape");
  await putCursor(page, "Beta.");
  await page.keyboard.press("End");
  await page.keyboard.type(" One.");
  await shownIsKept(page, id);
  // Where one is writing is kept when the text is left.
  await page.getByRole("button", { name: "Find", exact: true }).click();
  await expect(page.locator("#find-words")).toBeFocused();
  await page.keyboard.type("gamma");
  await expect(page.locator("#find-words")).toHaveValue("gamma");
  await page.reload();
  await expect.poll(() => inText(page)).toBe(true);
  await page.keyboard.type(" Two.");
  await expect.poll(async () => (await keptText(page.request, id))[1]).toEqual(["1 Log", "Beta. One. Two."]);
  await shownIsKept(page, id);
});
