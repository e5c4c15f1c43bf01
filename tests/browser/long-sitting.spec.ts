import { expect, type Page } from "@playwright/test";
import { allKept, exported, openDocument, putCursor, test } from "./helpers";

// A sitting in a document of 2,000 sections and 200,000 words, in two picked branches of it, in comfort, with a second
// window, a minute offline and a reload: the words are all there, the counts are right, and the place is found again.

const SECTIONS = 2000;
const LOG = Array.from(
  { length: SECTIONS },
  (_, at) => `# Watch ${at + 1}\n\nEntry ${at + 1} begins. ${"The glass fell again. ".repeat(24)}\n\n`,
).join("");

const bar = (page: Page) => page.getByRole("region", { name: "What is shown" });
const jumpAndDo = async (page: Page, words: string) => {
  await page.keyboard.press("Control+j");
  await expect(page.getByRole("dialog", { name: "Jump to" })).toBeVisible();
  await page.keyboard.type(words);
  await expect(page.getByRole("option").first()).toBeVisible();
  await page.keyboard.press("Enter");
};

test("written in two picked branches far apart, with the line held, all else hidden, read aloud, offline and beside another window", async ({
  page,
  context,
}) => {
  const id = await openDocument(page, LOG);
  await page.getByRole("treeitem").nth(2).click();
  await expect(page.getByRole("tree")).toBeFocused();
  await page.keyboard.press("Space");
  await page.keyboard.press("End");
  await page.keyboard.press("Space");
  await page.keyboard.press("F4");
  await expect(bar(page)).toContainText("2 branches");
  await expect(bar(page)).toContainText("198 of 198,000 words");
  await jumpAndDo(page, "Hold the typed line");
  await putCursor(page, "Entry 3 begins");
  await page.keyboard.press("Control+End");
  await expect(page.locator(".manuscript")).toContainText("Entry 2000 begins");
  await page.keyboard.press("Shift+F7");
  await page.keyboard.type(" Late words.");
  await expect.poll(() => exported(page.request, id, "md")).toContain("Late words.");

  // Another window writes elsewhere; this one goes offline meanwhile, and goes on writing.
  const other = await context.newPage();
  await other.goto(`/documents/${id}`);
  await expect(other.getByRole("treeitem").first()).toBeVisible();
  await other.getByRole("button", { name: "Show all" }).click();
  await page.bringToFront();
  await context.setOffline(true);
  await page.keyboard.type(" And later ones.");
  // With all else hidden, what is not kept is told in the corner.
  await expect(page.getByRole("status").filter({ hasText: "not sent yet" })).toBeVisible();
  await context.setOffline(false);
  await other.bringToFront();
  await putCursor(other, "Entry 1 begins");
  await other.keyboard.press("Home");
  await other.keyboard.type("Elsewhere. ");
  await allKept(other);
  await page.bringToFront();
  await page.keyboard.type(" Last.");
  await page.keyboard.press("Shift+F7");
  await allKept(page);
  const markdown = await exported(page.request, id, "md");
  expect(markdown).toContain("Late words. And later ones. Last.");
  expect(markdown).toContain("Elsewhere. ");
  await expect(page.getByRole("banner").getByRole("status")).toContainText("198,007 words");

  // Read aloud from here, with the word in sight; then tomorrow, the place is found again.
  await page.keyboard.press("Control+Home");
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("Home");
  await page.keyboard.press("Alt+Shift+R");
  await expect(page.locator(".manuscript .spoken")).toBeInViewport();
  await page.keyboard.press("Alt+Shift+R");
  await page.reload();
  await expect(page.locator(".manuscript p").first()).toBeVisible();
  // Keys pressed before the text there has been read wait for it.
  await jumpAndDo(page, "Watch 2000");
  await page.keyboard.press("Control+End");
  await page.keyboard.type("!");
  await expect.poll(() => exported(page.request, id, "md")).toContain("Last.!");
  await page.keyboard.press("Control+Home");
  await page.keyboard.press("F9");
  await page.keyboard.type("!");
  await expect.poll(() => exported(page.request, id, "md")).toContain("Last.!!");
});
