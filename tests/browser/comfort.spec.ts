import { expect, type Page } from "@playwright/test";
import { allKept, expectClean, exported, openDocument, putCursor, test } from "./helpers";

const LINES = Array.from({ length: 40 }, (_, at) => `Line ${at + 1} of the log. The glass fell slowly.`);
const LOG = `# Log\n\n${LINES.join("\n\n")}\n`;

/** How far down the text’s window the cursor stands, as a share of its height. */
const cursorHeight = (page: Page) =>
  page.evaluate(() => {
    const range = document.getSelection()!.getRangeAt(0);
    const caret = range.getBoundingClientRect();
    // In an empty line there is nothing to measure but the line.
    const at = caret.height > 0 ? caret : (range.startContainer as Element).getBoundingClientRect();
    const box = document.querySelector(".manuscript")!.closest(".overflow-auto")!.getBoundingClientRect();
    return ((at.top + at.bottom) / 2 - box.top) / box.height;
  });
const panel = (page: Page) => page.getByRole("dialog", { name: "How the text looks" });
const openPanel = (page: Page) => page.getByRole("button", { name: "How the text looks" }).click();

test("the typed line is held at the height that the writer picks, through typing, Enter and the arrows", async ({
  page,
}) => {
  const id = await openDocument(page, LOG);
  await openPanel(page);
  await panel(page).getByRole("checkbox", { name: "Hold the typed line at one height" }).check();
  await panel(page).getByRole("slider", { name: "Its height" }).fill("0.4");
  await page.keyboard.press("Escape");
  await putCursor(page, "Line 12 of the log.");
  await page.keyboard.press("End");
  for (const key of ["x", "Enter", "y", "ArrowUp", "ArrowUp", "ArrowDown"]) {
    await page.keyboard.press(key);
    await expect.poll(() => cursorHeight(page).then((share) => Math.abs(share - 0.4))).toBeLessThan(0.03);
  }
  // At the very beginning and the very end, too.
  await page.keyboard.press("Control+End");
  await page.keyboard.type("z");
  await expect.poll(() => cursorHeight(page).then((share) => Math.abs(share - 0.4))).toBeLessThan(0.03);
  await page.keyboard.press("Control+Home");
  await page.keyboard.press("ArrowDown");
  await page.keyboard.type("z");
  await expect.poll(() => cursorHeight(page).then((share) => Math.abs(share - 0.4))).toBeLessThan(0.05);
  // A click moves nothing under the hand.
  const before = await page.locator(".manuscript p").nth(3).boundingBox();
  await page.locator(".manuscript p").nth(3).click();
  expect((await page.locator(".manuscript p").nth(3).boundingBox())!.y).toBeCloseTo(before!.y, 0);
  await allKept(page);
  expect(await exported(page.request, id, "md")).toContain("slowly.z");
});

test("the paragraph or the sentence is set off; all else can be hidden, and the cursor stays", async ({ page }) => {
  const id = await openDocument(page, LOG);
  const colour = (words: string) =>
    page.evaluate((words) => {
      const walker = document.createTreeWalker(document.querySelector(".manuscript")!, NodeFilter.SHOW_TEXT);
      while (walker.nextNode())
        if (walker.currentNode.textContent!.includes(words))
          return getComputedStyle(walker.currentNode.parentElement!).color;
      return "";
    }, words);
  await putCursor(page, "Line 3 of the log.");
  await page.keyboard.press("Home");
  const ink = await colour("Line 3 of");
  await openPanel(page);
  await panel(page).getByText("Paragraph", { exact: true }).click();
  await page.keyboard.press("Escape");
  await expect.poll(() => colour("Line 4 of")).not.toBe(ink);
  expect(await colour("Line 3 of")).toBe(ink);
  await openPanel(page);
  await panel(page).getByText("Sentence", { exact: true }).click();
  await page.keyboard.press("Escape");
  await expect.poll(() => colour("The glass fell slowly.")).not.toBe(ink);
  expect(await colour("Line 3 of the log.")).toBe(ink);

  await page.keyboard.press("Shift+F7");
  await expect(page.getByRole("tree")).toBeHidden();
  await expect(page.getByRole("banner")).toBeHidden();
  await page.keyboard.type("Here: ");
  await page.keyboard.press("Shift+F7");
  await expect(page.getByRole("tree")).toBeVisible();
  await page.keyboard.type("so ");
  await allKept(page);
  expect(await exported(page.request, id, "md")).toContain("Here: so Line 3");
});

test("size, lines, measure, letters and light change at once and last; typed signs are the language’s", async ({
  page,
}) => {
  const id = await openDocument(page, LOG);
  await openPanel(page);
  await panel(page).getByRole("slider", { name: "Size" }).fill("22");
  await panel(page).getByRole("slider", { name: "Line spacing" }).fill("2");
  await panel(page).getByText("Distinct", { exact: true }).click();
  await panel(page).getByText("High contrast", { exact: true }).click();
  const look = () =>
    page
      .locator(".manuscript p")
      .first()
      .evaluate((line) => {
        const { fontSize, lineHeight, fontFamily, color } = getComputedStyle(line);
        return [fontSize, lineHeight, fontFamily.includes("Hyperlegible"), color];
      });
  const wanted = ["22px", "44px", true, "rgb(0, 0, 0)"];
  await expect.poll(look).toEqual(wanted);
  await page.reload();
  await expect(page.getByRole("treeitem").first()).toBeVisible();
  expect(await look()).toEqual(wanted);

  await putCursor(page, "Line 1 of the log.");
  await page.keyboard.press("End");
  await page.keyboard.type(` "So it's -- so."`);
  await allKept(page);
  expect(await exported(page.request, id, "md")).toContain("“So it’s — so.”");
  await page.keyboard.type(` "`);
  await page.keyboard.press("Backspace");
  await page.keyboard.type("x");
  await allKept(page);
  expect(await exported(page.request, id, "md")).toContain(`“So it’s — so.” "x`);
});

test("signs that nobody sees are shown on wish, take no room, and are not there for a reader of the screen", async ({
  page,
}) => {
  const id = await openDocument(page, "# Gales\n\nIn No.\u00a07 the wind rose.\\\nThen it fell.\n\nAnother.\n");
  const places = () =>
    page.evaluate(() =>
      [...document.querySelectorAll(".manuscript p")].map((each) => {
        const { top, height, width } = each.getBoundingClientRect();
        return [top, height, width];
      }),
    );
  // The look of the document has come in, and its letters.
  await expect
    .poll(() =>
      page
        .locator(".manuscript p")
        .last()
        .evaluate((each) => getComputedStyle(each).textIndent),
    )
    .not.toBe("0px");
  await page.evaluate(() => document.fonts.ready.then(() => undefined));
  await expect.poll(async () => JSON.stringify(await places()) === JSON.stringify(await places())).toBe(true);
  const before = await places();
  await page.getByRole("button", { name: "How the text looks" }).click();
  await page.getByRole("checkbox", { name: "Show paragraph ends" }).check();
  await expect(page.locator(".manuscript .sign")).toHaveCount(2);
  await expect(page.locator(".manuscript p.ends")).toHaveCount(2);
  expect(await places()).toEqual(before);
  await expectClean(page);
  await page.keyboard.press("Escape");
  await page.reload();
  await expect(page.locator(".manuscript .sign")).toHaveCount(2);
  await putCursor(page, "Another.");
  await page.keyboard.press("End");
  await page.keyboard.type(" Calm.");
  await expect
    .poll(() => exported(page.request, id, "md"))
    .toContain("In No.&nbsp;7 the wind rose.\\\nThen it fell.\n\nAnother. Calm.");
});
