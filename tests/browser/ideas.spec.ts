import { expect } from "@playwright/test";
import { allKept, chooseCommand, exported, openDocument, putCursor, test } from "./helpers";

const TEXT = "# Lamps\n\nThe lamp was lit at dusk.\n\n# Oil\n\nIt burned.\n";

test("ideas and the question stand beside the text, go into it and come from it, and are in no file and no count", async ({
  page,
}) => {
  const id = await openDocument(page, TEXT);
  await page.getByRole("button", { name: "Ideas", exact: true }).click();
  const drawer = page.getByRole("region", { name: "Ideas", exact: true });
  await drawer.getByLabel("Question of the document").fill("Who lit it?");
  await page.keyboard.press("Enter");
  await drawer.getByLabel("An idea").fill("It might have been gas.");
  await page.keyboard.press("Enter");
  await expect(drawer.getByRole("list", { name: "Ideas" }).getByRole("listitem")).toHaveCount(1);
  await expect(drawer.getByLabel("An idea")).toHaveValue("");
  await drawer.getByLabel("Idea", { exact: true }).fill("It might have been oil.");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("banner").getByRole("status")).toContainText("8 words");
  let markdown = await exported(page.request, id, "md");
  expect(markdown).not.toContain("might");
  expect(markdown).not.toContain("Who lit it?");

  // After a reload as well; then into the text, where the cursor is.
  await page.reload();
  await page.getByRole("button", { name: "Ideas", exact: true }).click();
  await putCursor(page, "It burned.");
  await page.keyboard.press("End");
  await drawer.getByRole("button", { name: "Put at the cursor" }).click();
  await expect(drawer.getByText("None yet.")).toBeVisible();
  await allKept(page);
  markdown = await exported(page.request, id, "md");
  expect(markdown).toMatch(/It burned\.\s*It might have been oil\./);

  // And from the text, with one undo.
  await putCursor(page, "The lamp was lit");
  await page.keyboard.press("Home");
  await page.keyboard.press("Shift+End");
  await page.keyboard.press("Shift+F10");
  await chooseCommand(page, "Send the selected words to the ideas");
  await expect(drawer.getByLabel("Idea", { exact: true })).toHaveValue("The lamp was lit at dusk.");
  expect(await exported(page.request, id, "md")).not.toContain("dusk");
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(drawer.getByText("None yet.")).toBeVisible();
  expect(await exported(page.request, id, "md")).toContain("The lamp was lit at dusk.");

  // One that is given up lies among the offcuts.
  await drawer.getByLabel("An idea").fill("Candles?");
  await page.keyboard.press("Enter");
  await drawer.getByRole("button", { name: "Give it up" }).click();
  await page.getByRole("button", { name: "Offcuts", exact: true }).click();
  await expect(page.getByRole("region", { name: "Offcuts" })).toContainText("Candles?");
});
