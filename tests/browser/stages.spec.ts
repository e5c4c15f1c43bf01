import { expect } from "@playwright/test";
import { chooseCommand, openDocument, pickRow, row, test } from "./helpers";

const BOOK =
  "# Coast\n\nThe lamp was lit.\n\n## Ardrell\n\nThe glass fell.\n\n# Vane\n\nIt turned.\n\n# Damp\n\nIt was wet.\n";

test("stages are set for one or many, shown by a sign, filtered in outline and Arrange, and shared out on the Desk", async ({
  page,
}) => {
  const id = await openDocument(page, BOOK);
  await pickRow(page, "Ardrell");
  await page.keyboard.press("Shift+F10");
  await chooseCommand(page, "Drafted");
  await expect(page.getByRole("treeitem", { name: /Ardrell, 3 words, drafted/ })).toBeVisible();

  // With Ctrl the row chosen before would be picked as well.
  await row(page, "Vane").click();
  await row(page, "Damp").click({ modifiers: ["Control"] });
  await page.getByRole("button", { name: "Mark…" }).click();
  await chooseCommand(page, "Settled");
  await expect(page.getByRole("treeitem", { name: /Vane, 2 words, settled/ })).toBeVisible();
  await page.keyboard.press("Escape");

  await page.getByRole("button", { name: "Show only one stage" }).click();
  await chooseCommand(page, "Drafted");
  await expect(page.getByRole("treeitem")).toHaveCount(2);
  await expect(row(page, "Coast")).toBeVisible();
  await page.getByRole("button", { name: "Show all headings" }).click();
  await expect(page.getByRole("treeitem")).toHaveCount(4);

  await page.getByRole("link", { name: "Arrange" }).click();
  const table = page.getByRole("treegrid");
  await table.getByRole("row", { name: /Vane/ }).hover();
  await table.getByRole("button", { name: "Stage of Vane: settled" }).click();
  await chooseCommand(page, "Revised");
  await expect(table.getByRole("button", { name: "Stage of Vane: revised" })).toBeVisible();
  await page.getByRole("button", { name: "Show only one stage" }).click();
  await chooseCommand(page, "Settled");
  await expect(table.getByRole("row")).toHaveCount(2);
  await page.getByRole("button", { name: "Show all headings" }).click();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(table.getByRole("button", { name: "Stage of Vane: settled" })).toBeVisible();

  await page.goto("/");
  await expect(
    page
      .getByRole("listitem")
      .filter({ has: page.locator(`a[href="/documents/${id}"]`) })
      .getByRole("img", { name: "drafted 25%, settled 42%" }),
  ).toBeVisible();
});

test("a marker is called by what it stands for, in its dialog, in the rows and after a reload", async ({ page }) => {
  await openDocument(page, "# Lamps\n\nOil.\n\n# Gales\n\nWind.\n");
  await pickRow(page, "Gales");
  await page.keyboard.press("Control+j");
  await page.getByRole("combobox").fill("Marker…");
  await page.keyboard.press("Enter");
  const dialog = page.getByRole("dialog");
  await dialog.getByLabel("What thorn stands for").fill("ask the archive");
  await dialog.getByLabel("What thorn stands for").press("Enter");
  await dialog.getByRole("button", { name: /ask the archive/i }).click();
  await expect(row(page, "Gales").first()).toHaveAccessibleName(/ask the archive/);
  await page.reload();
  await expect(row(page, "Gales").first()).toHaveAccessibleName(/ask the archive/);
  await expect(row(page, "Gales").first().locator("svg title")).toHaveText("ask the archive");
});
