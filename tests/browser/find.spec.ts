import { expect, type Page } from "@playwright/test";
import { allKept, exported, openDocument, pickRow, putCursor, row, test } from "./helpers";

const LAMPS = Array.from(
  { length: 60 },
  (_, at) =>
    `# Watch ${at + 1}\n\n${at % 7 === 3 ? "The **la**mp went out." : "Nothing of note."} ${"The glass fell. ".repeat(12)}\n\n`,
).join("");

const field = (page: Page) => page.getByRole("searchbox", { name: /^Find/ });
const status = (page: Page) => page.getByRole("region", { name: "Find" }).getByRole("status");

/** The words that the cursor has selected, once the text has the keys. */
const selected = (page: Page) =>
  page.evaluate(() =>
    document.activeElement?.classList.contains("manuscript") ? (document.getSelection()?.toString() ?? "") : null,
  );

test("a word in nine places, far outside the window: gone through, replaced here and there, then all; one undo each", async ({
  page,
}) => {
  const id = await openDocument(page, LAMPS);
  await putCursor(page, "Nothing of note.");
  await page.keyboard.press("Control+f");
  await expect(field(page)).toBeFocused();
  await page.keyboard.type("LAMP");
  await expect(status(page)).toHaveText("9 places in 9 sections");
  await expect(row(page, "Watch 4").first()).toHaveAccessibleName(/1 place found/);

  for (let place = 1; place <= 8; place++) {
    await page.keyboard.press("Enter");
    await expect(status(page)).toHaveText(`Place ${place} of 9`);
    await expect(page.locator(".manuscript .now-found").first()).toHaveText(/la/);
  }
  await expect(page.locator(".manuscript .now-found").first()).toBeInViewport();
  await expect(page.locator(".manuscript .now-found").first()).toHaveText(/la/);
  await page.keyboard.press("Shift+Enter");
  await expect(status(page)).toHaveText("Place 7 of 9");
  await expect(field(page)).toBeFocused();

  // Escape leads to the place, with the words selected; the keys go on from there.
  await page.keyboard.press("Escape");
  await expect.poll(() => selected(page)).toBe("lamp");
  await page.keyboard.press("F3");
  await expect(status(page)).toHaveText("Place 8 of 9");

  await page.getByLabel("Replace with").fill("light");
  // Each of them, from the place on, and around the end.
  for (const told of ["Place 8 of 8", "Place 1 of 7", "Place 1 of 6"]) {
    await page.getByRole("button", { name: "Replace", exact: true }).click();
    await expect(status(page)).toHaveText(told);
  }
  await page.getByRole("button", { name: "All 6" }).click();
  await expect(status(page)).toHaveText("Nothing like that is in it.");
  await allKept(page);
  const written = await exported(page.request, id, "md");
  expect(written.match(/The \*\*light\*\* went out/g)).toHaveLength(9);

  await page.locator(".manuscript").focus();
  await page.keyboard.press("Control+z");
  await expect(status(page)).toHaveText(/6 places/);
  for (const back of [7, 8, 9]) {
    await page.keyboard.press("Control+z");
    await expect(status(page)).toHaveText(new RegExp(`${back}( places|$)`));
  }
  expect(await exported(page.request, id, "md")).not.toContain("light");
});

test("in the picked sections alone", async ({ page }) => {
  const id = await openDocument(page, "# A\n\none lamp\n\n# B\n\ntwo lamps\n\n# C\n\na lamp\n");
  await pickRow(page, "B");
  await page.keyboard.press("Space");
  await page.keyboard.press("Control+f");
  await page.keyboard.type("lamp");
  await expect(status(page)).toHaveText("3 places in 3 sections");
  await page.getByLabel("Replace with").fill("light");
  await page.getByRole("button", { name: "In 1 picked section" }).click();
  await expect(status(page)).toHaveText("2 places in 2 sections");
  expect(await exported(page.request, id, "md")).toContain("one lamp\n\n# B\n\ntwo lights\n\n# C\n\na lamp");
});

test("replacing all with nothing asks first, and tells how many", async ({ page }) => {
  const id = await openDocument(page, LAMPS);
  const before = await exported(page.request, id, "md");
  await page.keyboard.press("Control+f");
  await page.keyboard.type("lamp");
  await expect(status(page)).toHaveText("9 places in 9 sections");
  await page.getByRole("button", { name: "All 9" }).click();
  const asked = page.getByRole("alert").filter({ hasText: "9 places of “lamp” would be deleted" });
  await expect(asked).toBeVisible();
  expect(await exported(page.request, id, "md")).toBe(before);
  await asked.getByRole("button", { name: "Keep them" }).click();
  await expect(asked).toBeHidden();
  await page.getByRole("button", { name: "All 9" }).click();
  await asked.getByRole("button", { name: "Delete all 9" }).click();
  await expect(status(page)).toHaveText("Nothing like that is in it.");
  await allKept(page);
});

test("how exactly: words in any order, an exact phrase, a pattern; what is none is said", async ({ page }) => {
  await openDocument(page, "# Zoë\n\nThe lamp of Zoë. Of the lamp, at 6:05.\n\nOil of Zoe.\n");
  await page.keyboard.press("Control+f");
  await page.keyboard.type("of lamp");
  await expect(status(page)).toHaveText("4 places in 1 section");
  await expect(page.getByText("Several words in any order are not replaced")).toBeVisible();
  await page.getByText("Exact phrase", { exact: true }).click();
  await expect(status(page)).toHaveText("Nothing like that is in it.");
  await field(page).fill("zoe");
  await expect(status(page)).toHaveText("3 places in 1 section");
  await page.getByLabel("Accents matter").check();
  await expect(status(page)).toHaveText("1 place in 1 section");
  await page.getByText("Pattern", { exact: true }).click();
  await field(page).fill("(\\d+:");
  await expect(status(page)).toHaveText("That is no regular expression: something in it does not fit together.");
  await field(page).fill("(\\d+):(\\d+)");
  await expect(status(page)).toHaveText("1 place in 1 section");
  await page.getByLabel("Replace with").fill("$1.$2");
  await page.getByRole("button", { name: /^All/ }).click();
  await expect(page.locator(".manuscript p").first()).toContainText("at 6.05.");
});

test("a place deep in a long section is shown, while the field keeps the keys", async ({ page }) => {
  const lines = Array.from({ length: 40 }, (_, at) => `Line ${at} of it. ${"The glass fell. ".repeat(8)}`);
  await openDocument(page, `# A\n\n${lines.join("\n\n")}\n\nThe lamp, at last.\n\n# B\n\nEnd.\n`);
  await page.keyboard.press("Control+f");
  await page.keyboard.type("lamp");
  await expect(status(page)).toHaveText("1 place in 1 section");
  await page.keyboard.press("Enter");
  await expect(page.locator(".manuscript .now-found")).toBeInViewport();
  await expect(field(page)).toBeFocused();
});

test("what is found follows what is typed, also in another window", async ({ page, context }) => {
  const id = await openDocument(page, "# A\n\none lamp\n\n# B\n\nnothing\n");
  await page.keyboard.press("Control+f");
  await page.keyboard.type("lamp");
  await expect(status(page)).toHaveText("1 place in 1 section");
  await putCursor(page, "nothing");
  await page.keyboard.press("End");
  await page.keyboard.type(" but a lamp");
  await expect(status(page)).toHaveText("2 places in 2 sections");
  await expect(page.locator(".manuscript .found")).toHaveText(["lamp", "lamp"]);

  const other = await context.newPage();
  await other.goto(`/documents/${id}`);
  await putCursor(other, "one lamp");
  await other.keyboard.press("End");
  await other.keyboard.type(" and a lamp");
  await allKept(other);
  await expect(status(page)).toHaveText("3 places in 2 sections");
});

test("a word is found in all documents from the Desk, and its place is gone to", async ({ page }) => {
  const marker = `lodestar${Date.now()}`;
  const first = await openDocument(page, `# Bearings\n\nNothing.\n\n# Sun\n\nThe ${marker}, and the ${marker}.\n`);
  const second = await openDocument(page, `# Log\n\n${"The glass fell. ".repeat(300)}\n\nNo ${marker}.\n`);
  await page.goto("/");
  await page.getByRole("searchbox", { name: "Find in all documents" }).waitFor();
  await page.keyboard.press("Control+f");
  await page.keyboard.type(marker.toUpperCase());
  const found = page.getByRole("main");
  await expect(found.getByRole("status").filter({ hasText: /^In/ })).toHaveText("In 2 documents");
  await expect(found.locator(`a[href^="/documents/${second}"]`).first()).toBeVisible();
  await expect(found.getByText("2 places")).toBeVisible();

  // The place is gone to with the words selected; the next key goes on from there.
  await found.locator(`a[href^="/documents/${first}"]`, { hasText: "Sun" }).click();
  await expect.poll(() => selected(page)).toBe(marker);
  await expect(status(page)).toHaveText("Place 1 of 2");
  const bar = await page.getByRole("toolbar", { name: "Selected words" }).boundingBox();
  const drawer = await page.getByRole("region", { name: "Find" }).boundingBox();
  expect(bar!.x + bar!.width).toBeLessThan(drawer!.x);
  await page.keyboard.press("F3");
  await expect(status(page)).toHaveText("Place 2 of 2");

  await page.goto("/");
  await page.getByRole("searchbox", { name: "Find in all documents" }).fill(`${marker} nowhere`);
  await expect(found.getByText("No document has that.")).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(found.locator(`a[href="/documents/${first}"]`)).toBeVisible();
});

test("where what is put in holds the words again, the next place comes after it; a click on a place leads into the text", async ({
  page,
}) => {
  const id = await openDocument(page, "# A\n\nA lamp, a lamp and a lamp.\n");
  await page.getByRole("button", { name: "Find", exact: true }).click();
  await field(page).fill("lamp");
  await page.getByRole("region", { name: "Find" }).getByRole("listitem").getByRole("button").first().click();
  await expect.poll(() => selected(page)).toBe("lamp");
  await page.getByLabel("Replace with").fill("lamplight");
  for (const told of ["Place 2 of 3", "Place 3 of 3", "Place 1 of 3"]) {
    await page.getByRole("button", { name: "Replace", exact: true }).click();
    await expect(status(page)).toHaveText(told);
  }
  await allKept(page);
  expect(await exported(page.request, id, "md")).toContain("A lamplight, a lamplight and a lamplight.");

  // The next letter goes where the click led.
  await page.getByRole("region", { name: "Find" }).getByRole("listitem").getByRole("button").nth(1).click();
  await expect.poll(() => selected(page)).toBe("lamp");
  await page.keyboard.type("moon");
  await allKept(page);
  expect(await exported(page.request, id, "md")).toContain("A lamplight, a moonlight and a lamplight.");
});

test("a minute offline while replacing: told truly, and done once", async ({ page, context }) => {
  const id = await openDocument(page, LAMPS);
  await page.getByRole("button", { name: "Find", exact: true }).click();
  await field(page).fill("lamp");
  await expect(status(page)).toHaveText("9 places in 9 sections");
  await page.getByLabel("Replace with").fill("light");
  await context.setOffline(true);
  await page.getByRole("button", { name: "All 9" }).click();
  await expect(page.getByText("Whether this was done shows here as soon as it answers.")).toBeVisible();
  await expect(page.getByText("Not done:")).toBeHidden();
  await context.setOffline(false);
  await expect(page.getByText("Stemmata answers again; the last command did not reach it.")).toBeVisible({
    timeout: 20_000,
  });
  await page.getByRole("button", { name: "All 9" }).click();
  await expect(status(page)).toHaveText("Nothing like that is in it.");
  expect((await exported(page.request, id, "md")).match(/The \*\*light\*\* went out/g)).toHaveLength(9);
});

test("places behind all that are told are marked where they are on the screen", async ({ page }) => {
  const watches = Array.from({ length: 130 }, (_, nth) => `# Watch ${nth}\n\n${"The lamp was lit. ".repeat(100)}\n`);
  await openDocument(page, watches.join("\n"));
  await page.keyboard.press("Control+f");
  await page.keyboard.type("lamp");
  await expect(status(page)).toHaveText(/12,000/, { timeout: 20_000 });
  await page.keyboard.press("Escape");
  await page.keyboard.press("Control+j");
  await page.getByRole("combobox").fill("Watch 129");
  await page.keyboard.press("Enter");
  const last = page.locator(".manuscript .section-text", { hasText: "Watch 129" });
  await expect(last.locator(".found")).toHaveCount(100);
});

test("Enter before the answer has come leads to a place of the words that were typed", async ({ page }) => {
  await openDocument(page, "# A\n\nThe lake.\n\n# B\n\nThe lamp.\n\n# C\n\nThe lantern.\n");
  await page.route(/\/find$/, async (route) => {
    if (route.request().postData()?.includes('"lan')) await new Promise((resolve) => setTimeout(resolve, 1500));
    await route.continue();
  });
  await page.keyboard.press("Control+f");
  await page.keyboard.type("la");
  await expect(status(page)).toHaveText("3 places in 3 sections");
  await page.keyboard.type("nt");
  await page.keyboard.press("Enter");
  await expect(page.locator(".manuscript .now-found")).toHaveText("lant");
  await expect(field(page)).toBeFocused();
});
