import { expect } from "@playwright/test";
import { allKept, chooseCommand, exported, importText, openDocument, pickRow, putCursor, row, test } from "./helpers";

const PICTURE =
  '<figure><img src="data:image/png;base64,iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAQAAAC1HAwCAAAAC0lEQVR42mNk+A8AAQUBAScY42YAAAAASUVORK5CYII=" alt="The sea"><figcaption>The sea at the mole</figcaption></figure>';
const SOURCE = [
  "# Coast\n\nThe lamp[^a] was lit. See [Vane](#vane).\n",
  `## Vane <a id="vane"></a>\n\nIt turned.\n\n${PICTURE}\n`,
  "# Damp\n\nPlain words to be kept.\n",
  "[^a]: Of brass.\n",
].join("\n");

test("a branch is kept standing and put into another document, with its figures, notes and links, again and again", async ({
  page,
}) => {
  const other = await importText(page.request, "# First\n\nHere.\n\n# Second\n\nThere.\n", "Other.md");
  await openDocument(page, SOURCE);
  await pickRow(page, "Coast");
  await page.keyboard.press("Shift+F10");
  await chooseCommand(page, "Keep as standing text");
  await expect(page.getByText("Kept as standing text")).toBeVisible();

  await page.goto(`/documents/${other}`);
  await pickRow(page, "First");
  await page.keyboard.press("Shift+F10");
  await chooseCommand(page, "Standing text here…");
  await page.getByRole("list", { name: "Standing text" }).getByRole("button", { name: /Coast/ }).click();
  await expect(row(page, "Vane")).toBeVisible();
  const markdown = await exported(page.request, other, "md");
  expect(markdown).toMatch(/# First[\s\S]*# Coast[\s\S]*## Vane[\s\S]*# Second/);
  expect(markdown).toContain("[^1]: Of brass.");
  expect(markdown).toContain("The sea at the mole");
  await page.getByRole("button", { name: "Check", exact: true }).click();
  await expect(page.getByRole("region", { name: "Check" })).not.toContainText("leads nowhere");
  // The link leads to the copy beside it.
  await page.locator(".manuscript a", { hasText: "Vane" }).click({ modifiers: ["Control"] });
  await expect(row(page, "Vane")).toHaveAttribute("aria-current", "location");

  // Once more, under a heading; undone it is gone.
  await pickRow(page, "Second");
  await page.keyboard.press("Shift+F10");
  await chooseCommand(page, "Standing text here…");
  await page.getByRole("radio", { name: /^Under/ }).check();
  await page.getByRole("list", { name: "Standing text" }).getByRole("button", { name: /Coast/ }).click();
  await expect(page.getByRole("treeitem", { name: /Coast/ })).toHaveCount(2);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("treeitem", { name: /Coast/ })).toHaveCount(1);
});

test("selected words are kept and put at a cursor; a whole document is copied on the Desk", async ({ page }) => {
  const id = await openDocument(page, SOURCE, "Logs.md");
  await putCursor(page, "Plain words to be kept.");
  await page.keyboard.press("Home");
  await page.keyboard.press("Control+Shift+ArrowRight");
  await page.keyboard.press("Control+Shift+ArrowRight");
  await page.keyboard.press("Shift+F10");
  await chooseCommand(page, "Keep the selected words as standing text");
  await expect(page.getByText("Kept as standing text")).toBeVisible();
  await putCursor(page, "It turned.");
  await page.keyboard.press("End");
  await page.keyboard.press("Control+j");
  await page.keyboard.type("Standing text");
  await page.keyboard.press("Enter");
  await page
    .getByRole("list", { name: "Standing text" })
    .getByRole("button", { name: /Plain words/ })
    .click();
  await page.keyboard.type("!");
  await allKept(page);
  expect(await exported(page.request, id, "md")).toMatch(/It turned\.Plain words ?!/);

  await page.goto("/");
  const standing = page.getByRole("region", { name: "Standing text" });
  await expect(standing.getByRole("link", { name: /Plain words/ }).first()).toBeVisible();
  await expect(page.getByRole("main").getByRole("link", { name: "Logs", exact: true })).toHaveCount(1);
  await page.getByRole("button", { name: "Commands for Logs" }).click({ force: true });
  await page.getByRole("menuitem", { name: "Copy the whole document" }).click();
  await page.getByRole("link", { name: "Copy of Logs" }).first().click();
  await expect(row(page, "Vane")).toBeVisible();
  const copy = page.url().split("/").at(-1)!;
  const body = (text: string) => text.replace(/^---[\s\S]*?---/, "").replace(/id="[^"]*"|#[a-z0-9-]+\)/g, "");
  expect(body(await exported(page.request, copy, "md"))).toBe(body(await exported(page.request, id, "md")));
});
