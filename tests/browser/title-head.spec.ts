import { expect, type Page } from "@playwright/test";
import { allKept, openDocument, storedTitle, test } from "./helpers";

const head = (page: Page) => page.getByRole("group", { name: "Head of the text" });
const line = (page: Page, name: string) => head(page).getByRole("textbox", { name, exact: true });

test.describe("the head of the text", () => {
  test("title, subtitle and lines are written where they are read, by keys, and the text goes on below", async ({
    page,
  }) => {
    const id = await openDocument(page, "Some words.\n\n# Lamps\n\nOil.\n");
    await line(page, "Title").click();
    await page.keyboard.press("Control+a");
    await page.keyboard.type("The Log");
    await page.keyboard.press("Enter");
    await expect(line(page, "Subtitle")).toBeFocused();
    await page.keyboard.type("Of seven stations");
    await page.keyboard.press("ArrowDown");
    await page.keyboard.type("Ines Corvale");
    await page.keyboard.press("Enter");
    await page.keyboard.type("A draft");
    await page.keyboard.press("Enter");
    await page.keyboard.type("Not for print");
    await page.keyboard.press("ArrowDown");
    await page.keyboard.type("March");
    await page.keyboard.press("Enter");
    // The next letter goes into the text.
    await expect(page.locator(".manuscript:focus")).toHaveCount(1);
    await page.keyboard.press("Control+Home");
    await page.keyboard.type("X");
    // Keys that wait for a command are not yet words: what is on the screen is what is kept.
    await expect(page.locator(".manuscript")).toContainText("XSome words.");
    await allKept(page);
    await expect
      .poll(() => storedTitle(page.request, id))
      .toMatchObject({ title: "The Log", subtitle: "Of seven stations", author: "Ines Corvale", date: "March" });
    await page.reload();
    await expect(line(page, "More lines of the title page")).toHaveValue("A draft\nNot for print");
    await expect(page.locator(".manuscript")).toContainText("XSome words.");
    await expect(page.getByRole("button", { name: "The Log" })).toBeVisible();
  });

  test("what is typed is undone there, survives a reload in the middle, and another window sees it", async ({
    page,
    context,
  }) => {
    const id = await openDocument(page, "# Lamps\n\nOil.\n");
    const other = await context.newPage();
    await other.goto(`/documents/${id}`);
    await line(page, "Title").fill("Lamps and oil");
    await page.keyboard.press("Tab");
    await expect(line(other, "Title")).toHaveValue("Lamps and oil");
    await line(page, "Title").focus();
    await page.keyboard.press("Control+z");
    await expect(line(page, "Title")).toHaveValue("Test");
    await page.keyboard.press("Control+Shift+z");
    await expect(line(page, "Title")).toHaveValue("Lamps and oil");
    await line(page, "Subtitle").fill("Begun");
    await page.getByRole("link", { name: "Arrange" }).click();
    await expect.poll(() => storedTitle(page.request, id)).toMatchObject({ subtitle: "Begun" });
  });

  test("it is not there while a branch is worked on alone", async ({ page }) => {
    await openDocument(page, "# Lamps\n\nOil.\n\n# Gales\n\nWind.\n");
    await expect(head(page)).toHaveCount(1);
    await page.getByRole("treeitem", { name: /Gales/ }).click();
    await page.keyboard.press("Control+j");
    await page.getByRole("combobox").fill("Work on this branch only");
    await page.keyboard.press("Enter");
    await expect(head(page)).toHaveCount(0);
  });
});
