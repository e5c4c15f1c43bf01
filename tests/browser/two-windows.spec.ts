import { expect, type BrowserContext, type Page } from "@playwright/test";
import { allKept, expectClean, exported, openDocument, putCursor, test } from "./helpers";

const TEXT = "# Coast\n\nAlpha beta.\n\nGamma delta.\n\n# Log\n\nLast words.\n";

/** A second window of the same writer, in a browser session of its own so that it alone can be without the network. */
async function secondWindow(page: Page, context: BrowserContext): Promise<Page> {
  const other = await (await context.browser()!.newContext({ baseURL: new URL(page.url()).origin })).newPage();
  await other.goto(page.url());
  await expect(other.getByRole("treeitem").first()).toBeVisible();
  return other;
}

/** A document in two windows, the other of which is without the network. */
async function withOneOffline(page: Page, context: BrowserContext): Promise<{ id: string; other: Page }> {
  const id = await openDocument(page, TEXT);
  const other = await secondWindow(page, context);
  await other.context().setOffline(true);
  return { id, other };
}

const choice = (page: Page) => page.getByRole("region", { name: "Two texts of one section" });

async function typeAtEndOf(page: Page, words: string, typed: string): Promise<void> {
  await putCursor(page, words);
  await page.keyboard.press("End");
  await page.keyboard.type(typed);
}

/** Both windows show what is kept, and nothing waits. */
async function bothShow(pages: readonly Page[], id: string, lines: readonly string[]): Promise<void> {
  for (const each of pages) {
    await expect(each.locator(".manuscript").first().locator("p")).toHaveText(lines);
    await allKept(each);
  }
  const kept = await exported(pages[0]!.request, id, "md");
  for (const line of lines) expect(kept).toContain(line);
}

test("paragraphs written in two windows, one of them offline, are put together without asking", async ({
  page,
  context,
}) => {
  const { id, other } = await withOneOffline(page, context);
  await typeAtEndOf(other, "Gamma delta.", " Epsilon.");
  await typeAtEndOf(page, "Alpha beta.", " More of it.");
  await allKept(page);
  await other.context().setOffline(false);
  await bothShow([page, other], id, ["Alpha beta. More of it.", "Gamma delta. Epsilon.", "Last words."]);
  await expect(choice(other)).toHaveCount(0);
});

test("the same words in two windows: one writes on while the choice stands, and both keeps all of it", async ({
  page,
  context,
}) => {
  const { id, other } = await withOneOffline(page, context);
  await typeAtEndOf(other, "Alpha beta.", " From B.");
  await typeAtEndOf(page, "Alpha beta.", " From A.");
  await allKept(page);
  await other.context().setOffline(false);
  await expect(choice(other)).toBeVisible();
  // Only the words that differ are marked.
  const marked = (side: string) =>
    other.evaluate((name) => [...(CSS.highlights.get(name) ?? [])].map((range) => range.toString()), `differs-${side}`);
  await expect.poll(() => marked("mine")).toEqual(["B."]);
  await expect.poll(() => marked("theirs")).toEqual(["A."]);
  // Keys go where they were meant while it comes up; and A goes on, and is told the truth.
  await other.keyboard.type(" Still B.");
  await page.keyboard.type(" Later A.");
  await allKept(page);
  await expect(choice(other).getByRole("group", { name: /Mine/ })).toContainText("From B. Still B.");
  await expect(other.getByRole("status").filter({ hasText: "two texts wait" })).toBeVisible();
  await choice(other).getByRole("button", { name: "Keep both" }).click();
  await expect(choice(other)).toHaveCount(0);
  await bothShow([page, other], id, [
    "Alpha beta. From A. Later A.",
    "Alpha beta. From B. Still B.",
    "Gamma delta.",
    "Last words.",
  ]);
  // One step, and undone as one.
  await other.locator(".manuscript p").first().click();
  await other.keyboard.press("Control+z");
  await bothShow([other, page], id, ["Alpha beta. From A. Later A.", "Gamma delta.", "Last words."]);
});

test("words that give way lie among the offcuts, and the keys stay in the text", async ({ page, context }) => {
  const { id, other } = await withOneOffline(page, context);
  await typeAtEndOf(other, "Alpha beta.", " From B.");
  await typeAtEndOf(page, "Alpha beta.", " From A.");
  await allKept(page);
  await other.context().setOffline(false);
  await expect(choice(other)).toBeVisible();
  // By keys alone: the jump box leads there.
  await other.keyboard.press("Control+j");
  await other.keyboard.type("choose between");
  await other.keyboard.press("Enter");
  await expect(choice(other).getByRole("button", { name: "Keep theirs" })).toBeFocused();
  await expectClean(other);
  await other.keyboard.press("Enter");
  await bothShow([page, other], id, ["Alpha beta. From A.", "Gamma delta.", "Last words."]);
  const offcuts = (await (await page.request.get(`/api/documents/${id}/offcuts`)).json()) as { name: string }[];
  expect(offcuts.map(({ name }) => name.trim())).toEqual(["From B."]);
  await other.keyboard.type("!");
  await expect(other.locator(".manuscript p").first()).toContainText("!");
});

test("a heading split at the moment in which words of another window came in takes none of them away", async ({
  page,
  context,
}) => {
  const { id, other } = await withOneOffline(page, context);
  await other.context().setOffline(false);
  // This window does not hear of the other one before it sends what it typed.
  await other.route("**/changes*", (route) => route.abort());
  await putCursor(other, "Alpha beta.");
  await typeAtEndOf(page, "Gamma delta.", " From A.");
  await allKept(page);
  await other.locator(".manuscript .heading").first().click();
  await other.keyboard.press("Home");
  await other.keyboard.type("Front ");
  await other.keyboard.press("Enter");
  await expect(other.getByText("Do it once more.")).toBeVisible();
  await other.unroute("**/changes*");
  await bothShow([page, other], id, ["Alpha beta.", "Gamma delta. From A.", "Last words."]);
  await expect(other.locator(".manuscript .heading").first()).toContainText("Front");
  await other.locator(".manuscript .heading").first().click();
  await other.keyboard.press("Home");
  for (let letters = 0; letters < 6; letters++) await other.keyboard.press("ArrowRight");
  await other.keyboard.press("Enter");
  await expect(other.locator(".manuscript .heading")).toHaveCount(3);
  await bothShow([page, other], id, ["", "Alpha beta.", "Gamma delta. From A.", "Last words."]);
});

test("words written over several sections that another window changed meanwhile are not lost", async ({
  page,
  context,
}) => {
  const { id, other } = await withOneOffline(page, context);
  await putCursor(other, "Alpha beta.");
  await other.keyboard.press("Home");
  for (let lines = 0; lines < 3; lines++) await other.keyboard.press("Shift+ArrowDown");
  await other.keyboard.press("Shift+End");
  await other.keyboard.type("Written over it all.");
  await typeAtEndOf(page, "Last words.", " And more.");
  await allKept(page);
  await other.context().setOffline(false);
  await expect(other.getByText("What you wrote lies among the ideas.")).toBeVisible({ timeout: 20_000 });
  await bothShow([page, other], id, ["Alpha beta.", "Gamma delta.", "Last words. And more."]);
  await other.getByRole("button", { name: "Ideas" }).click();
  await expect(other.getByRole("region", { name: "Ideas" })).toContainText("Written over it all.");
});

test("a heading that was written and split while another window took its section away is not lost", async ({
  page,
  context,
}) => {
  const { id, other } = await withOneOffline(page, context);
  await other.locator(".manuscript .heading").first().click();
  await other.keyboard.press("Home");
  await other.keyboard.type("Front ");
  await other.keyboard.press("Enter");
  await page.locator(".manuscript .heading").first().click();
  await page.keyboard.press("Home");
  await page.keyboard.press("Backspace");
  await allKept(page);
  await other.context().setOffline(false);
  await expect(async () => {
    const kept = await Promise.all(
      [`/api/documents/${id}/ideas`, `/api/documents/${id}/export?format=md`].map(async (path) =>
        (await page.request.get(path)).text(),
      ),
    );
    expect(kept.join("\n")).toContain("Front");
  }).toPass({ timeout: 20_000 });
});
