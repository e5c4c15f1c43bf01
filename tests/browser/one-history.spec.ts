import { expect, type Page } from "@playwright/test";
import { openDocument, putCursor, test } from "./helpers";
import { keptText, shownIsKept } from "./shown-and-kept";

const SENTENCES = ["The gale came up at four. ", "Nobody slept. ", "The lamp held"];

async function lineOf(page: Page, id: string): Promise<string | undefined> {
  return (await keptText(page.request, id))[0]?.[1];
}

test("undo takes sentence by sentence, also words just typed, and redo brings all of them back", async ({ page }) => {
  const id = await openDocument(page, "# Log\n\nIt began.\n");
  await putCursor(page, "It began.");
  await page.keyboard.press("End");
  await page.keyboard.type(" " + SENTENCES.join(""), { delay: 15 });
  // Within a moment of the last letter.
  await page.keyboard.press("Control+z");
  await expect.poll(() => lineOf(page, id)).toBe(`It began. ${SENTENCES.slice(0, 2).join("")}`);
  await shownIsKept(page, id);
  await page.keyboard.press("Control+z");
  await expect.poll(() => lineOf(page, id)).toBe(`It began. ${SENTENCES[0]}`);
  await page.waitForTimeout(1200);
  await page.keyboard.press("Control+y");
  await page.keyboard.press("Control+y");
  await expect.poll(() => lineOf(page, id)).toBe(`It began. ${SENTENCES.join("")}`);
  await shownIsKept(page, id);
  for (let step = 0; step < 3; step++) await page.keyboard.press("Control+z");
  await expect.poll(() => lineOf(page, id)).toBe("It began.");
  // The next letter goes where the writer was.
  await page.keyboard.type("!");
  await expect.poll(() => lineOf(page, id)).toMatch(/^It began\.\s?!$/);
  await shownIsKept(page, id);
});

test("what cannot be sent is undone and redone all the same", async ({ page, context }) => {
  const id = await openDocument(page, "# Log\n\nIt began.\n");
  await putCursor(page, "It began.");
  await page.keyboard.press("End");
  await context.setOffline(true);
  await page.keyboard.type(" Offline");
  await expect(page.getByText("not sent yet")).toBeVisible();
  await page.keyboard.press("Control+z");
  await expect(page.locator(".manuscript p").first()).toHaveText("It began.");
  await page.keyboard.press("Control+y");
  await expect(page.locator(".manuscript p").first()).toHaveText("It began. Offline");
  await context.setOffline(false);
  await expect.poll(() => lineOf(page, id)).toBe("It began. Offline");
});

test("words of several sections set aside are one offcut, and come back letter by letter", async ({ page }) => {
  const id = await openDocument(page, "# A\n\nfor sixpence\n\n## B\n\nBells\n\n# C\n\nmore words\n");
  const before = await shownIsKept(page, id);
  await putCursor(page, "for sixpence");
  await page.evaluate(() => {
    const [from, , to] = [...document.querySelectorAll(".manuscript p")].map((line) => line.firstChild!);
    document.getSelection()!.setBaseAndExtent(from!, 6, to!, 2);
  });
  await page
    .locator(".manuscript p")
    .first()
    .click({ button: "right", position: { x: 80, y: 10 } });
  await page
    .getByRole("menuitem", { name: /Set .*aside/ })
    .first()
    .click();
  await expect.poll(() => keptText(page.request, id)).toEqual([["1 A", "for sire words"]]);
  await shownIsKept(page, id);
  const offcuts = (await (await page.request.get(`/api/documents/${id}/offcuts`)).json()) as unknown[];
  expect(offcuts).toHaveLength(1);
  await page.getByRole("button", { name: "Offcuts" }).click();
  await page
    .getByRole("button", { name: /Bring back/ })
    .first()
    .click();
  await expect.poll(() => keptText(page.request, id)).toEqual(before);
  await shownIsKept(page, id);
});
