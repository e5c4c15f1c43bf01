import { expect, type Page } from "@playwright/test";
import { allKept, exported, openDocument, pickRow, putCursor, test, chooseCommand } from "./helpers";

test("a calculation is worked out in place, exactly, and goes into the file with its result", async ({ page }) => {
  const id = await openDocument(page, "# Chance\n\nWays to choose.\n");
  await putCursor(page, "Ways to choose.");
  await page.getByRole("button", { name: "Commands for this paragraph" }).click();
  await chooseCommand(page, "Calculation");
  await page.keyboard.type("20!/(3!·17!");
  await expect(page.getByText("The calculation breaks off")).toBeVisible();
  await page.keyboard.type(")");
  await expect(page.getByText("= 1140")).toBeVisible();
  await page.keyboard.press("Enter");
  await page.keyboard.type("And so on.");
  await allKept(page);
  await page.reload();
  await expect(page.getByText("= 1140")).toBeVisible();
  expect(await exported(page.request, id, "md")).toContain("```calculation\n20!/(3!·17!)\n= 1140\n```\n\nAnd so on.");
});

test("a reference to a place says its number anew after the place is moved", async ({ page }) => {
  const id = await openDocument(page, "# Coast\n\nSee \n\n# Gaps\n\n# Storms\n");
  await putCursor(page, "See");
  await page.keyboard.press("End");
  await page.getByRole("button", { name: "Commands for this paragraph" }).click();
  await chooseCommand(page, "Refer to a place…");
  await page.getByLabel("its number").check();
  await page.getByLabel("A heading, a bookmark, a figure or a table").fill("storms");
  await page.keyboard.press("Enter");
  await expect(page.locator(".cross-reference")).toHaveText("3");
  await allKept(page);
  await pickRow(page, "Storms");
  await page.keyboard.press("Control+Shift+ArrowUp");
  await expect(page.locator(".cross-reference")).toHaveText("2");
  await page.keyboard.press("Delete");
  await expect(page.locator(".cross-reference.broken")).toHaveText("a place that is gone");
  await page.keyboard.press("Control+z");
  await expect(page.locator(".cross-reference")).toHaveText("2");
  expect(await exported(page.request, id, "html")).toMatch(/data-shows="number" href="#sec-storms">2<\/a>/);
});

test.describe("a file dropped on the desk becomes a document", () => {
  test("also while the list is still on its way", async ({ page }) => {
    let asked = 0;
    await page.route("**/api/documents", async (route) => {
      const nth = asked++;
      const answer = await route.fetch();
      // Asked for before the drop, answered after it.
      if (nth === 0) await new Promise((resolve) => setTimeout(resolve, 2500));
      await route.fulfill({ response: answer });
    });
    await page.goto("/");
    await isShownAfterDrop(page, `Dropped early ${Date.now()}`);
  });

  test("also on a machine that has no other network", async ({ page }) => {
    await page.goto("/");
    await page.evaluate(() => window.dispatchEvent(new Event("offline")));
    await isShownAfterDrop(page, `Dropped offline ${Date.now()}`);
  });
});

async function isShownAfterDrop(page: Page, name: string): Promise<void> {
  const transfer = await page.evaluateHandle((named) => {
    const data = new DataTransfer();
    data.items.add(new File(["# Dropped\n\nfrom a folder\n"], `${named}.md`));
    return data;
  }, name);
  await page.dispatchEvent("main", "drop", { dataTransfer: transfer });
  await expect(page.getByRole("dialog")).toContainText("1 section and 3 words.");
  await page.getByRole("button", { name: "Stay at the desk" }).click();
  await expect(page.getByRole("link", { name })).toBeVisible();
}
