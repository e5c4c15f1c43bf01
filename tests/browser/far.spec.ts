import { expect, type Page } from "@playwright/test";
import { allKept, exported, openDocument, putCursor, test } from "./helpers";

// Text far out of the window: the cursor is left behind there, and nothing that is done to it is done anywhere else.

const SECTIONS = 300;
const BOX = "main .overflow-auto";

async function openLong(page: Page): Promise<string> {
  const text = Array.from(
    { length: SECTIONS },
    (_, at) => `# Watch ${at + 1}\n\nEntry ${at + 1} begins. ${"The glass fell again. ".repeat(30)}\n\n`,
  ).join("");
  return openDocument(page, text);
}

/** As the bar beside the text does it, at one pull. */
async function scrollTo(page: Page, share: number): Promise<void> {
  // After a key the browser tells of the cursor’s new place up to a frame later, and the editor scrolls there; no hand is as quick.
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
  await expect(async () => {
    await page.evaluate(
      ([box, part]) => {
        const scroller = document.querySelector(box);
        if (scroller) scroller.scrollTop = scroller.scrollHeight * part;
      },
      [BOX, share] as const,
    );
    await expect(page.getByText("Entry 2 begins")).not.toBeInViewport();
    expect(await sectionsInSight(page)).not.toEqual([]);
  }).toPass();
}

/** At the head of the text of the second section. */
async function putCursorAtStart(page: Page): Promise<void> {
  await putCursor(page, "Entry 2 begins");
  await page.locator(".manuscript p", { hasText: "Entry 2 begins" }).click({ position: { x: 30, y: 12 } });
  await page.keyboard.press("Home");
}

const sectionsInSight = (page: Page) =>
  page.evaluate((box) => {
    const { top = 0, bottom = 0 } = document.querySelector(box)?.getBoundingClientRect() ?? {};
    return [...document.querySelectorAll(".manuscript .heading")]
      .filter((each) => each.getBoundingClientRect().top > top && each.getBoundingClientRect().bottom < bottom)
      .map((each) => each.textContent);
  }, BOX);

test("a letter goes to the cursor, however far the window was moved from it", async ({ page }) => {
  const id = await openLong(page);
  await putCursorAtStart(page);
  await scrollTo(page, 0.6);
  await expect(page.getByText("Entry 2 begins")).toHaveCount(0);
  await page.keyboard.type("XY");
  await expect(page.getByText("XYEntry 2 begins")).toBeInViewport();
  await page.keyboard.press("Backspace");
  await scrollTo(page, 0.9);
  await page.keyboard.press("ArrowRight");
  await page.keyboard.type("Z");
  await expect(page.getByText("XEZntry 2 begins")).toBeInViewport();
  await allKept(page);
  const written = await exported(page.request, id, "md");
  expect(written.match(/[XYZ]/g)).toEqual(["X", "Z"]);
});

test("a click elsewhere puts the cursor there", async ({ page }) => {
  const id = await openLong(page);
  await putCursorAtStart(page);
  await scrollTo(page, 0.6);
  const heading = (await sectionsInSight(page))[0] ?? "";
  await page.locator(".manuscript .heading", { hasText: heading }).first().click();
  await page.keyboard.press("End");
  await page.keyboard.type("XY");
  await allKept(page);
  expect(await exported(page.request, id, "md")).toContain(`# ${heading}XY\n`);
});

test("selected words that were left behind are typed over there", async ({ page }) => {
  const id = await openLong(page);
  await putCursorAtStart(page);
  await page.keyboard.press("Control+Shift+ArrowRight");
  await scrollTo(page, 0.7);
  await page.keyboard.type("Line");
  await expect(page.getByText("Line 2 begins")).toBeInViewport();
  await allKept(page);
  expect(await exported(page.request, id, "md")).toContain("Line 2 begins");
});

test("a click with Shift selects from the cursor that was left behind", async ({ page }) => {
  const id = await openLong(page);
  await putCursorAtStart(page);
  await scrollTo(page, 0.2);
  const heading = (await sectionsInSight(page))[0] ?? "";
  const last = Number(heading.replace("Watch ", ""));
  expect(last).toBeGreaterThan(30);
  const line = page.getByText(`Entry ${last} begins.`);
  await line.click({ modifiers: ["Shift"], position: { x: 1, y: 12 } });
  await expect
    .poll(() =>
      page.evaluate(
        () =>
          document
            .getSelection()
            ?.toString()
            .match(/Entry \d+ begins/g)?.length ?? 0,
      ),
    )
    .toBe(last - 2);
  await page.keyboard.press("Delete");
  await expect(page.getByText(`Entry ${last} begins.`)).toBeInViewport();
  await allKept(page);
  expect((await exported(page.request, id, "md")).match(/^# /gm)).toHaveLength(SECTIONS - last + 2);
  await page.keyboard.press("Control+z");
  await allKept(page);
  await expect.poll(async () => (await exported(page.request, id, "md")).match(/^# /gm)?.length).toBe(SECTIONS);
});

test("what was left behind is not kept in the page", async ({ page }) => {
  await openLong(page);
  await putCursorAtStart(page);
  for (let share = 0.02; share < 0.5; share += 0.02) await scrollTo(page, share);
  expect(await page.locator(".manuscript .section-text").count()).toBeLessThan(60);
});

test("keys pressed right after a jump wait for the text that is gone to", async ({ page }) => {
  const id = await openLong(page);
  await page.route("**/texts?*", async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 900));
    await route.continue();
  });
  await page.keyboard.press("Control+j");
  await expect(page.getByRole("dialog", { name: "Jump to" })).toBeVisible();
  await page.keyboard.type("Watch 250");
  await page.keyboard.press("Enter");
  await page.keyboard.type("Now ");
  await expect.poll(() => exported(page.request, id, "md")).toContain("# Now Watch 250");
});
