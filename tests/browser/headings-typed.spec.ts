import { expect } from "@playwright/test";
import { openDocument, pickRow, putCursor, row, storedOutline, test } from "./helpers";
import { keptText, shownIsKept } from "./shown-and-kept";

test("Enter inside a heading and Backspace cancel each other", async ({ page }) => {
  const id = await openDocument(page, "# Lighthouse\n\nAlpha.\n");
  const before = await shownIsKept(page, id);
  await page.locator(".manuscript .heading").first().click();
  await page.keyboard.press("Home");
  for (let key = 0; key < 5; key++) await page.keyboard.press("ArrowRight");
  await page.keyboard.press("Enter");
  await expect.poll(() => storedOutline(page.request, id)).toEqual(["1 Light", "1 house"]);
  await shownIsKept(page, id);
  await page.keyboard.press("Backspace");
  await expect.poll(() => keptText(page.request, id)).toEqual(before);
  await shownIsKept(page, id);
  await page.keyboard.type("-");
  await expect.poll(() => storedOutline(page.request, id)).toEqual(["1 Light-house"]);
});

test("signs at a line’s head begin a heading, and do not when that is switched off", async ({ page }) => {
  const id = await openDocument(page, "# One\n\nAlpha.\n\nBeta.\n");
  await putCursor(page, "Alpha.");
  await page.keyboard.press("End");
  await page.keyboard.press("Enter");
  await page.keyboard.type("## Lamps");
  await page.keyboard.press("Enter");
  await page.keyboard.type("Oil.");
  await expect
    .poll(() => keptText(page.request, id))
    .toEqual([
      ["1 One", "Alpha."],
      ["2 Lamps", "Oil.", "Beta."],
    ]);
  await shownIsKept(page, id);
  await page.getByRole("button", { name: "How the text looks" }).click();
  await page.getByText("Signs at a line’s head make lists and headings").click();
  await page.keyboard.press("Escape");
  await putCursor(page, "Beta.");
  await page.keyboard.press("End");
  await page.keyboard.press("Enter");
  await page.keyboard.type("# none");
  await expect.poll(async () => (await keptText(page.request, id))[1]).toEqual(["2 Lamps", "Oil.", "Beta.", "# none"]);
  await shownIsKept(page, id);
});

test("a row that is demoted under a folded one is seen, and keeps the keys", async ({ page }) => {
  const id = await openDocument(page, "# Coast\n\n## Inlet\n\n# Log\n\nWords.\n");
  await pickRow(page, "Coast");
  await page.keyboard.press("ArrowLeft");
  await expect(row(page, "Inlet")).toHaveCount(0);
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("Control+Shift+ArrowRight");
  await expect.poll(() => storedOutline(page.request, id)).toEqual(["1 Coast", "2 Inlet", "2 Log"]);
  await expect(row(page, "Log")).toBeVisible();
  await page.keyboard.press("Control+Shift+ArrowLeft");
  await expect.poll(() => storedOutline(page.request, id)).toEqual(["1 Coast", "2 Inlet", "1 Log"]);
});
