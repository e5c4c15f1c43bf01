import { expect, type Page } from "@playwright/test";
import { importText, putCursor, shownOutline, storedOutline, test } from "./helpers";
import { keptText, randomOf, shownText } from "./shown-and-kept";

const MOVING = ["ArrowDown", "ArrowDown", "ArrowUp", "Shift+ArrowDown", "Home", "End", "Escape"];
const CHANGING = [
  "Control+Shift+ArrowUp",
  "Control+Shift+ArrowDown",
  "Control+Shift+ArrowLeft",
  "Control+Shift+ArrowRight",
  "Delete",
  "Control+d",
];
const KEYS = [...MOVING, ...CHANGING, "Control+z", "Control+z", "Control+Shift+z"];

// More of them: SEEDS=1,2,3 npx playwright test random
for (const seed of (process.env["SEEDS"] ?? "8").split(",").map(Number)) {
  test(`keys at random in two windows leave both with the outline that is kept (seed ${seed})`, async ({
    page,
    context,
  }) => {
    const next = randomOf(seed);
    const id = await importText(
      page.request,
      Array.from({ length: 14 }, (_, nth) => `${"#".repeat(1 + next(3))} S${nth}\n`).join("\n"),
    );
    const windows = [page, await context.newPage()];
    for (const each of windows) {
      // High enough for all rows to be drawn.
      await each.setViewportSize({ width: 1280, height: 3000 });
      await each.goto(`/documents/${id}`);
      await each.getByRole("treeitem").first().waitFor();
    }
    const pressed: string[] = [];
    for (let step = 0; step < 50; step++) {
      const which = next(2);
      const key = KEYS[next(KEYS.length)] ?? "Escape";
      pressed.push(`${which} ${key}`);
      await windows[which]?.getByRole("tree").focus();
      await windows[which]?.keyboard.press(key);
      if (next(10) === 0) await page.waitForTimeout(next(800));
    }
    for (const each of windows) {
      await each.bringToFront();
      await expect(each.getByText("all changes kept")).toBeVisible();
      await expect(
        async () => expect(await shownOutline(each)).toEqual(await storedOutline(page.request, id)),
        pressed.join("\n"),
      ).toPass({ timeout: 15_000 });
    }
    const kept = await storedOutline(page.request, id);
    await page.reload();
    await expect.poll(() => shownOutline(page)).toEqual(kept);
  });
}

const WRITING = ["a", "b", " ", ".", "x", "Enter", "Enter", "Backspace", "Backspace", "Delete", "Shift+Enter"];
const GOING = ["ArrowLeft", "ArrowRight", "ArrowUp", "ArrowDown", "Home", "End", "Control+Home", "Control+End"];
const SELECTING = ["Shift+ArrowRight", "Shift+ArrowDown", "Shift+ArrowDown", "Shift+ArrowUp", "Shift+End", "Control+a"];
const TURNING = ["Control+i", "Control+b", "Control+Alt+1", "Control+Alt+2", "Control+Alt+0", "Alt+ArrowUp"];
const IN_TEXT = [
  ...WRITING,
  ...WRITING,
  ...WRITING,
  ...GOING,
  ...SELECTING,
  ...TURNING,
  "Control+z",
  "Control+Shift+z",
];

/** What no one may ever be told: that something typed cannot be kept. Filled as the page is used. */
function refusals(page: Page): string[] {
  const found: string[] = [];
  page.on("response", async (response) => {
    const isWriting = /"name":"(?:replace|rename|batch|join)/.test(response.request().postData() ?? "");
    if (response.status() >= 400 && response.status() !== 409 && isWriting) found.push(await response.text());
  });
  return found;
}

for (const seed of (process.env["SEEDS"] ?? "3").split(",").map(Number)) {
  test(`keys at random in the text: what is shown is what is kept (seed ${seed})`, async ({ page }) => {
    test.slow();
    const next = randomOf(seed * 977);
    const id = await importText(
      page.request,
      "Words before.\n\n# Coast\n\nAlpha beta.\n\nGamma.\n\n## Vane\n\n- one\n- two\n\n# Log\n\n> quoted\n\nLast words.\n",
    );
    await page.setViewportSize({ width: 1280, height: 2400 });
    await page.goto(`/documents/${id}`);
    await putCursor(page, "Alpha beta.");
    const pressed: string[] = [];
    const refused = refusals(page);
    for (let step = 0; step < 160; step++) {
      const key = IN_TEXT[next(IN_TEXT.length)] ?? "a";
      pressed.push(key);
      await page.keyboard.press(key);
      if (next(12) === 0) await page.waitForTimeout(next(900));
      // A question is answered as who does not read it would.
      if (await page.getByRole("dialog").count()) await page.keyboard.press("Escape");
      if (!(await page.evaluate(() => document.activeElement?.classList.contains("manuscript")))) {
        await page.locator(".manuscript :is(p, .heading)").first().click();
      }
    }
    await expect(page.getByText("all changes kept")).toBeVisible();
    await expect(
      async () => expect(await shownText(page)).toEqual(await keptText(page.request, id)),
      pressed.join(" "),
    ).toPass({ timeout: 10_000 });
    expect(refused, pressed.join(" ")).toEqual([]);
    const kept = await keptText(page.request, id);
    await page.reload();
    await expect.poll(() => shownText(page)).toEqual(kept);
  });
}

const APART = IN_TEXT.filter((key) => key !== "Control+a" && key !== "Alt+ArrowUp");

/** A clash is answered by keeping both texts; answers whether there was one. */
async function answered(page: Page): Promise<boolean> {
  const both = page.getByRole("button", { name: "Keep both, one after the other" });
  if ((await both.count()) === 0) return false;
  // What is asked about may be settled by what comes in meanwhile; then there is nothing to answer.
  return both.click({ timeout: 3000 }).then(
    () => true,
    async (failure: unknown) => {
      if ((await both.count()) > 0) throw failure;
      return false;
    },
  );
}

for (const seed of (process.env["SEEDS"] ?? "9").split(",").map(Number)) {
  test(`keys at random in the text of two windows: both end with what is kept (seed ${seed})`, async ({
    page,
    context,
  }) => {
    test.slow();
    const next = randomOf(seed * 977);
    const id = await importText(
      page.request,
      "Words before.\n\n# Coast\n\nAlpha beta.\n\nGamma.\n\n# Log\n\n> quoted\n\nLast words.\n\n# Four\n\nText four.\n",
    );
    const windows = [page, await context.newPage()];
    for (const [index, each] of windows.entries()) {
      await each.setViewportSize({ width: 1280, height: 2400 });
      await each.goto(`/documents/${id}`);
      await each
        .locator(".manuscript p")
        .nth(index * 4)
        .click();
    }
    for (let step = 0; step < 80; step++) {
      const each = windows[next(2)] ?? page;
      await each.bringToFront();
      await answered(each);
      if (!(await each.evaluate(() => document.activeElement?.classList.contains("manuscript")))) {
        await each.locator(".manuscript :is(p, .heading)").first().click();
      }
      await each.keyboard.press(APART[next(APART.length)] ?? "a");
      if (next(12) === 0) await each.waitForTimeout(next(900));
    }
    await expect(async () => {
      for (const each of windows) {
        await each.bringToFront();
        expect(await answered(each)).toBe(false);
        await expect(each.getByText("all changes kept")).toBeVisible({ timeout: 3000 });
        expect(await shownText(each)).toEqual(await keptText(page.request, id));
      }
    }).toPass({ timeout: 40_000 });
  });
}
