import { expect, type Page } from "@playwright/test";
import { expectFits, SIZES } from "./fits";
import { chooseCommand, openDocument, pickRow, putCursor, row, test } from "./helpers";

const TEXT = `# Coast

Alpha beta gamma.

## Lights

Oil first.

| Station | Lamps |
| ------- | ----- |
| Thole | 40 |

# Log

Last words.
`;

async function byJumpBox(page: Page, command: string): Promise<void> {
  await page.keyboard.press("Control+j");
  await expect(page.getByRole("option").first()).toBeVisible();
  await page.keyboard.type(command);
  await expect(page.getByRole("option").first()).toContainText(command);
  await page.keyboard.press("Enter");
}

const IN_TEXT = [
  "Link…",
  "Picture…",
  "Table…",
  "Formula…",
  "Bookmark here…",
  "Reminder here…",
  "Refer to a place…",
  "Contents here…",
  "Filler…",
  "Standing text…",
];

test("every dialog that the text asks with fits its window", async ({ page }) => {
  test.slow();
  await openDocument(page, TEXT);
  for (const command of IN_TEXT) {
    await putCursor(page, "Alpha beta");
    await byJumpBox(page, command);
    await expectFits(page, page.getByRole("dialog"), command);
    await page.keyboard.press("Escape");
    await expect(page.getByRole("dialog")).toHaveCount(0);
  }
});

test("the dialogs of the document and of branches fit", async ({ page }) => {
  test.slow();
  await openDocument(page, TEXT);
  for (const command of ["Keys…", "Review likely headings…"]) {
    await putCursor(page, "Alpha beta");
    await byJumpBox(page, command);
    await expectFits(page, page.getByRole("dialog"), command);
    await page.keyboard.press("Escape");
    await expect(page.getByRole("dialog")).toHaveCount(0);
  }
  for (const command of [/^Nest under/, /^Split by rule/, /^To another document/]) {
    await pickRow(page, "Lights");
    await page.keyboard.press("Shift+F10");
    await chooseCommand(page, command);
    await expectFits(page, page.getByRole("dialog"), String(command));
    await page.keyboard.press("Escape");
    await expect(page.getByRole("dialog")).toHaveCount(0);
  }
});

test("menus fit, and what is below their edge can be had", async ({ page }) => {
  await openDocument(page, TEXT);
  for (const size of SIZES) {
    await page.setViewportSize(size);
    if (size.width >= 1024) {
      await row(page, "Lights").click({ button: "right" });
      await expectFits(page, page.getByRole("menu"), "the row’s menu", [size]);
      await page.keyboard.press("Escape");
    }
    await page.locator(".manuscript p").first().click({ button: "right" });
    await expectFits(page, page.getByRole("menu"), "the text’s menu", [size]);
    await page.keyboard.press("Escape");
    await page.getByRole("button", { name: "This document" }).click();
    await expectFits(page, page.getByRole("menu"), "the document’s menu", [size]);
    await page.keyboard.press("Escape");
  }
});

test("every drawer fits", async ({ page }) => {
  test.slow();
  await openDocument(page, TEXT);
  const tools = await page.getByRole("navigation", { name: "Tools" }).getByRole("button").allTextContents();
  expect(tools.length).toBeGreaterThan(8);
  for (const tool of tools) {
    await page.getByRole("navigation", { name: "Tools" }).getByRole("button", { name: tool, exact: true }).click();
    await expectFits(page, page.getByRole("region", { name: tool, exact: true }), tool);
    await page.getByRole("navigation", { name: "Tools" }).getByRole("button", { name: tool, exact: true }).click();
  }
});
