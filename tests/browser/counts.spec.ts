import { expect, type Page } from "@playwright/test";
import { allKept, openDocument, pickRow, putCursor, test } from "./helpers";

const BOOK = "# Coast\n\nThe lamp was lit. It burned!\n\n## Ardrell\n\nThe glass fell.\n\n# Vane\n\nIt turned.\n";

const counts = (page: Page) => page.locator("dl[aria-label=Counts]");
const count = (page: Page, label: string) =>
  counts(page).locator("div").filter({ hasText: label }).first().locator("dd");
const open = (page: Page) => page.getByRole("button", { name: "Counts", exact: true }).click();

test("counts of what is selected, of a section, its branch, what is shown and the whole", async ({ page }) => {
  await openDocument(page, BOOK);
  await putCursor(page, "The lamp was lit.");
  await open(page);
  await expect(count(page, "Words")).toHaveText("9");
  await page.getByRole("radio", { name: "The text of this section" }).check();
  await expect(count(page, "Words")).toHaveText("6");
  await expect(count(page, "Sentences")).toHaveText("2");
  await expect(count(page, "Paragraphs")).toHaveText("1");
  await expect(count(page, "Characters")).toHaveText("28");
  await expect(count(page, "Characters without blanks")).toHaveText("23");
  await page.getByRole("radio", { name: "The whole document" }).check();
  await expect(count(page, "Words")).toHaveText("11");
  await expect(count(page, "Sentences")).toHaveText("4");

  // As one writes.
  await putCursor(page, "It turned.");
  await page.keyboard.press("End");
  await page.keyboard.type(" Twice.");
  await expect(count(page, "Words")).toHaveText("12");

  await page.keyboard.press("Home");
  await page.keyboard.press("Shift+Control+ArrowRight");
  await page.keyboard.press("Shift+Control+ArrowRight");
  await expect(page.getByRole("radio", { name: "What is selected" })).toBeChecked();
  await expect(count(page, "Words")).toHaveText("2");
  await page.keyboard.press("ArrowLeft");

  await pickRow(page, "Ardrell");
  await page.keyboard.press("F4");
  await page.getByRole("radio", { name: "What is shown" }).check();
  await expect(count(page, "Words")).toHaveText("3");
});

test("a sitting, its goal, a day to be finished by, and targets spread over the chapters", async ({ page }) => {
  await openDocument(page, BOOK);
  await open(page);
  const plan = page.getByRole("region", { name: "What is planned" });
  await plan.getByLabel("Words wanted in a sitting").fill("4");
  await page.keyboard.press("Enter");
  await putCursor(page, "It turned.");
  await page.keyboard.press("End");
  await page.keyboard.type(" Twice a day");
  await allKept(page);
  await expect(plan).toContainText("3 words of 4");
  await expect(plan.getByRole("meter", { name: "This sitting against its goal" })).toHaveAttribute(
    "aria-valuenow",
    "3",
  );

  await plan.getByLabel("Words wanted in all").fill("214");
  await page.keyboard.press("Enter");
  const day = new Date();
  day.setDate(day.getDate() + 9);
  const local = new Intl.DateTimeFormat("sv-SE").format(day);
  await plan.getByLabel("To be finished on").fill(local);
  await plan.getByLabel("Words wanted in a sitting").focus();
  await expect(plan.getByRole("status")).toHaveText("10 days left: 20 words a day.");

  await plan.getByRole("button", { name: "Spread it over the chapters" }).click();
  await expect(page.getByText("Spread the target over the chapters.")).toBeVisible();
  await expect(page.getByLabel("Notes on this section")).toBeHidden();
  await page.getByRole("button", { name: "Close Counts" }).click();
  await expect(page.getByLabel("Notes on this section")).toContainText("of 107");
  // Every part of the plan is undone like anything else.
  for (let step = 0; step < 3; step++) await page.keyboard.press("Control+z");
  await open(page);
  await expect(plan.getByLabel("To be finished on")).toHaveValue("");
});
