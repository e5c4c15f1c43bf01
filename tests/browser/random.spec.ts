import { expect } from "@playwright/test";
import { importText, shownOutline, storedOutline, test } from "./helpers";

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

/** A linear congruential generator with the multiplier of Numerical Recipes (from memory), so that a run can be repeated. */
function chance(seed: number): (below: number) => number {
  let state = seed;
  return (below) => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return Math.floor((state / 2 ** 32) * below);
  };
}

// More of them: SEEDS=1,2,3 npx playwright test random
for (const seed of (process.env["SEEDS"] ?? "8").split(",").map(Number)) {
  test(`keys at random in two windows leave both with the outline that is kept (seed ${seed})`, async ({
    page,
    context,
  }) => {
    const next = chance(seed);
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
