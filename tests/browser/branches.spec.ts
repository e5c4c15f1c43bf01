import { expect, type Page } from "@playwright/test";
import {
  allKept,
  exported,
  importText,
  openDocument,
  pickRow,
  putCursor,
  row,
  storedOutline,
  test,
  cursorSection,
  chooseCommand,
} from "./helpers";

const COAST =
  "# Coast\n\nThe lamp was lit.\n\n## Lights\n\nOil and wick.\n\n## Fog\n\nBells.\n\n# Logs\n\nEvery watch.\n\n## Gaps\n\n# Storms\n\nThree in a week.\n";

const section = (page: Page, heading: string) =>
  page.locator(".section-text").filter({ has: page.locator(".heading", { hasText: heading }) });

test.describe("to another document", () => {
  test("a branch is copied to a chosen place; links inside it follow, one that leads out is a finding there", async ({
    page,
  }) => {
    const other = await importText(page.request, "# Handbook\n\nText.\n\n## Rules\n\n### Old\n", "Handbook.md");
    const id = await openDocument(
      page,
      "# Coast\n\n## Lights\n\nSee [the fog](#fog) and [the logs](#logs).\n\n## Fog\n\nBells.\n\n# Logs\n",
    );
    await pickRow(page, "Coast");
    await page.keyboard.press("Shift+F10");
    await chooseCommand(page, "To another document…");
    const dialog = page.getByRole("dialog");
    await dialog
      .getByRole("button", { name: /Handbook/ })
      .first()
      .click();
    await dialog.getByRole("combobox").fill("rules");
    await page.keyboard.press("Enter");
    await expect(page.getByText(/Copied to “Handbook”\. One link leads to what stayed behind/)).toBeVisible();
    expect(await storedOutline(page.request, other)).toEqual([
      "1 Handbook",
      "2 Rules",
      "3 Old",
      "3 Coast",
      "4 Lights",
      "4 Fog",
    ]);
    expect(await storedOutline(page.request, id)).toEqual(["1 Coast", "2 Lights", "2 Fog", "1 Logs"]);
    await page.getByRole("button", { name: "Go there" }).click();
    await expect(page.getByRole("treeitem", { name: /Coast/ })).toBeVisible();
    await expect(page.locator(".manuscript .broken")).toHaveText("the logs");
    await page.getByText("the fog").click({ modifiers: ["Control"] });
    await expect(page.getByRole("treeitem", { name: /Fog/ })).toHaveAttribute("aria-current", "location");
    await page.getByRole("button", { name: "Check", exact: true }).click();
    await expect(page.getByRole("region", { name: "Check" })).toContainText("the logs");
  });

  test("a branch is put before or after a heading there, at its level", async ({ page }) => {
    const other = await importText(page.request, "# Handbook\n\n## Rules\n\n## Tables\n", "Order of things.md");
    await openDocument(page, COAST);
    for (const [where, heading, after] of [
      ["Before it", "tables", ["1 Handbook", "2 Rules", "2 Fog", "2 Tables"]],
      ["After it", "handbook", ["1 Handbook", "2 Rules", "2 Fog", "2 Tables", "1 Fog"]],
    ] as const) {
      await pickRow(page, "Fog");
      await page.keyboard.press("Shift+F10");
      await chooseCommand(page, "To another document…");
      const dialog = page.getByRole("dialog");
      await dialog
        .getByRole("button", { name: /Order of things|Handbook/ })
        .first()
        .click();
      await dialog.getByLabel(where).check();
      await dialog.getByRole("combobox").fill(heading);
      await page.keyboard.press("Enter");
      await expect.poll(() => storedOutline(page.request, other)).toEqual(after);
    }
  });

  test("several branches are moved by keys alone; they stay among the offcuts here, and undo brings them back", async ({
    page,
  }) => {
    const other = await importText(page.request, "# Keepers\n", "Keepers of the coast.md");
    const id = await openDocument(page, COAST);
    await pickRow(page, "Fog");
    await page.keyboard.press(" ");
    await page.keyboard.press("ArrowDown");
    await page.keyboard.press(" ");
    await page.keyboard.press("Shift+F10");
    await expect(page.getByRole("menuitem").first()).toBeFocused();
    await page.keyboard.type("Copy, write");
    await page.keyboard.press("ArrowRight");
    await expect(page.getByRole("menuitem", { name: "Copy the branch" })).toBeFocused();
    await page.keyboard.type("To another");
    await expect(page.getByRole("menuitem", { name: "To another document…" })).toBeFocused();
    await page.keyboard.press("Enter");
    await page.getByLabel("Move it there").check();
    await page
      .getByRole("dialog")
      .getByRole("button", { name: /Keepers of the coast/ })
      .first()
      .focus();
    await page.keyboard.press("Enter");
    await page.getByRole("combobox").fill("end");
    await page.keyboard.press("Enter");
    await expect(page.getByText("Moved to “Keepers of the coast”.")).toBeVisible();
    expect(await storedOutline(page.request, other)).toEqual(["1 Keepers", "1 Fog", "1 Logs", "2 Gaps"]);
    expect(await storedOutline(page.request, id)).toEqual(["1 Coast", "2 Lights", "1 Storms"]);
    expect(await (await page.request.get(`/api/documents/${id}/offcuts`)).json()).toHaveLength(2);
    await page.getByRole("tree").focus();
    await page.keyboard.press("Control+z");
    await expect
      .poll(() => storedOutline(page.request, id))
      .toEqual(["1 Coast", "2 Lights", "2 Fog", "1 Logs", "2 Gaps", "1 Storms"]);
  });
});

test("what cannot be copied whole is not copied, and the reason is said", async ({ page, context }) => {
  await context.grantPermissions(["clipboard-read", "clipboard-write"]);
  await openDocument(page, "# Coast\n\nText.\n\n# Logs\n");
  await page.evaluate(() => navigator.clipboard.writeText("before"));
  await page.route("**/export?*", (route) => route.fulfill({ status: 404, json: {} }));
  await pickRow(page, "Coast");
  await page.keyboard.press("Control+c");
  await expect(page.getByText("What was to be copied is not there any more; nothing was copied.")).toBeVisible();
  await page.unroute("**/export?*");
  await page.route("**/export?*", (route) => route.abort());
  await page.keyboard.press("Control+c");
  await expect(page.getByText("Stemmata cannot be reached just now.")).toBeVisible();
  expect(await page.evaluate(() => navigator.clipboard.readText())).toBe("before");
});

test("a branch is copied as headings and text, and pasted as sections into another document", async ({
  page,
  context,
}) => {
  await context.grantPermissions(["clipboard-read", "clipboard-write"]);
  await openDocument(page, COAST);
  await pickRow(page, "Coast");
  await page.keyboard.press("Control+C");
  await expect(page.getByText("1 branch copied, headings and text.")).toBeVisible();
  expect(await page.evaluate(() => navigator.clipboard.readText())).toContain(
    "# Coast\n\nThe lamp was lit.\n\n## Lights\n\nOil and wick.\n",
  );
  const id = await openDocument(page, "# Notes\n\nBefore.\n", "Notes.md");
  await putCursor(page, "Before.");
  await page.keyboard.press("End");
  await page.keyboard.press("Control+V");
  await expect.poll(() => storedOutline(page.request, id)).toEqual(["1 Notes", "2 Coast", "3 Lights", "3 Fog"]);
});

test("a heading is selected with its whole text, then its branch, which lights up in the manuscript", async ({
  page,
}) => {
  await openDocument(page, COAST);
  await putCursor(page, "The lamp");
  await page.keyboard.press("Control+A");
  expect(await page.evaluate(() => document.getSelection()?.toString())).toMatch(/Coast\s+The lamp was lit\./);
  await page.keyboard.press("Control+A");
  await expect(page.getByRole("toolbar", { name: "Picked branches" })).toContainText("1 branch picked");
  await expect(page.locator(".section-text.picked")).toHaveCount(3);
  await page.getByRole("toolbar", { name: "Picked branches" }).getByRole("button", { name: "Pick nothing" }).click();
  await expect(page.locator(".section-text.picked")).toHaveCount(0);
});

test("the text is folded under its heading by keys and by hand, and what is gone to is never left hidden", async ({
  page,
}) => {
  await openDocument(page, COAST);
  await putCursor(page, "Coast", ".manuscript .heading");
  await page.keyboard.press("Control+.");
  await expect(page.getByText("The lamp was lit.")).toBeHidden();
  await expect(section(page, "Fog")).toBeHidden();
  const unfold = page.getByRole("button", { name: "Unfold the text of Coast" });
  await expect(unfold).toHaveText("… 8 words folded");
  await row(page, "Fog").click();
  await expect(section(page, "Fog").getByText("Bells.")).toBeVisible();
  await expect(page.getByText("The lamp was lit.")).toBeVisible();
  await section(page, "Logs").hover();
  await page.getByTitle("Fold the text under Logs").click();
  await expect(page.getByText("Every watch.")).toBeHidden();
  await page.getByRole("button", { name: "Unfold the text of Logs" }).click();
  await expect(page.getByText("Every watch.")).toBeVisible();
  await pickRow(page, "Coast");
  await page.keyboard.press("-");
  await expect(unfold).toBeVisible();
  await putCursor(page, "Coast", ".manuscript .heading");
  await page.keyboard.press("End");
  await page.keyboard.press("Enter");
  await expect(page.getByText("The lamp was lit.")).toBeVisible();
});

test.describe("Strata", () => {
  const stretch = (page: Page, heading: string) =>
    page.getByRole("navigation", { name: "Strata" }).getByRole("button", { name: new RegExp(heading) });

  test("a branch is dragged to another place, which is drawn and told before it is let go", async ({ page }) => {
    const id = await openDocument(page, COAST);
    const from = await stretch(page, "Storms").boundingBox();
    const to = await stretch(page, "Coast").boundingBox();
    if (!from || !to) throw new Error("The stretches are not drawn.");
    await page.mouse.move(from.x + 20, from.y + 8);
    await page.mouse.down();
    await page.mouse.move(to.x + 30, to.y + 12, { steps: 8 });
    await page.mouse.move(to.x + 20, to.y + 10, { steps: 3 });
    await expect(page.getByRole("navigation", { name: "Strata" }).getByRole("status")).toContainText("level 1");
    expect(await storedOutline(page.request, id)).toHaveLength(6);
    await page.mouse.up();
    await expect
      .poll(() => storedOutline(page.request, id))
      .toEqual(["1 Storms", "1 Coast", "2 Lights", "2 Fog", "1 Logs", "2 Gaps"]);
  });

  test("a drag from the outline may end in the strip, and Escape leaves everything as it was", async ({ page }) => {
    const id = await openDocument(page, COAST);
    const from = await row(page, "Gaps").boundingBox();
    const to = await stretch(page, "Coast").boundingBox();
    if (!from || !to) throw new Error("Nothing is drawn.");
    const drag = async () => {
      await page.mouse.move(from.x + 90, from.y + 12);
      await page.mouse.down();
      await page.mouse.move(from.x + 110, from.y - 60, { steps: 6 });
      await page.mouse.move(to.x + to.width - 24, to.y + 34, { steps: 8 });
      await page.mouse.move(to.x + to.width - 20, to.y + 32, { steps: 3 });
      await expect(page.getByRole("navigation", { name: "Strata" }).getByRole("status")).toContainText("level 2");
    };
    await drag();
    await expect(row(page, "Gaps")).toHaveCSS("opacity", "0.4");
    await expect(row(page, "Logs")).toHaveCSS("opacity", "1");
    await page.keyboard.press("Escape");
    await page.mouse.up();
    await expect(row(page, "Gaps")).toHaveCSS("opacity", "1");
    expect(await storedOutline(page.request, id)).toEqual([
      "1 Coast",
      "2 Lights",
      "2 Fog",
      "1 Logs",
      "2 Gaps",
      "1 Storms",
    ]);
    await drag();
    await page.mouse.up();
    await expect
      .poll(() => storedOutline(page.request, id))
      .toEqual(["1 Coast", "2 Lights", "2 Fog", "2 Gaps", "1 Logs", "1 Storms"]);
  });

  test("is reached, gone through, looked into and acted on by keys", async ({ page }) => {
    const id = await openDocument(page, COAST);
    await page.keyboard.press("Shift+F8");
    await expect(stretch(page, "Coast")).toBeFocused();
    await page.keyboard.press("ArrowDown");
    await expect(stretch(page, "Lights")).toBeFocused();
    await page.keyboard.press("ArrowRight");
    await expect(stretch(page, "Fog")).toBeFocused();
    await page.keyboard.press("ArrowUp");
    await page.keyboard.press("ArrowRight");
    await expect(stretch(page, "Logs")).toBeFocused();
    await expect(stretch(page, "Gaps")).toHaveAccessibleName(/level 2.*no words/);
    await page.keyboard.press("+");
    await expect(stretch(page, "Storms")).toHaveCount(0);
    await expect(stretch(page, "Logs")).toBeFocused();
    await page.keyboard.press("-");
    await expect(stretch(page, "Storms")).toBeVisible();
    await page.keyboard.press("Control+Shift+ArrowUp");
    await expect
      .poll(() => storedOutline(page.request, id))
      .toEqual(["1 Logs", "2 Gaps", "1 Coast", "2 Lights", "2 Fog", "1 Storms"]);
    await expect(stretch(page, "Logs")).toBeFocused();
    await page.keyboard.press("Delete");
    await expect.poll(() => storedOutline(page.request, id)).toEqual(["1 Coast", "2 Lights", "2 Fog", "1 Storms"]);
    await expect(stretch(page, "Logs")).toHaveCount(0);
    await expect(stretch(page, "Coast")).toBeFocused();
    await page.keyboard.press("End");
    await page.keyboard.press("Enter");
    await expect.poll(() => cursorSection(page)).toBe("Storms");
  });

  test("double-click looks into a branch, the button comes out again", async ({ page }) => {
    await openDocument(page, COAST);
    await stretch(page, "Coast").dblclick();
    await expect(stretch(page, "Logs")).toHaveCount(0);
    await page.getByRole("button", { name: "Look at the whole document" }).click();
    await expect(stretch(page, "Logs")).toBeVisible();
  });
});

test("a folded branch opens while another waits over it, and takes it in", async ({ page }) => {
  const id = await openDocument(page, COAST);
  await pickRow(page, "Coast");
  await page.keyboard.press("ArrowLeft");
  await expect(row(page, "Lights")).toHaveCount(0);
  const from = await row(page, "Storms").boundingBox();
  const over = await row(page, "Coast").boundingBox();
  if (!from || !over) throw new Error("The rows are not drawn.");
  await page.mouse.move(from.x + 90, from.y + 13);
  await page.mouse.down();
  await page.mouse.move(over.x + 90, over.y + 20, { steps: 8 });
  await page.mouse.move(over.x + 92, over.y + 16, { steps: 2 });
  await expect(row(page, "Lights")).toBeVisible();
  const lights = await row(page, "Lights").boundingBox();
  if (!lights) throw new Error("The branch did not open.");
  await page.mouse.move(lights.x + 70, lights.y + 3, { steps: 5 });
  await page.mouse.move(lights.x + 66, lights.y + 2, { steps: 2 });
  await expect(page.getByRole("status").filter({ hasText: "level 2" })).toBeVisible();
  await page.mouse.up();
  await expect
    .poll(() => storedOutline(page.request, id))
    .toEqual(["1 Coast", "2 Storms", "2 Lights", "2 Fog", "1 Logs", "2 Gaps"]);
  await allKept(page);
  expect(await exported(page.request, id, "md")).toContain("## Storms");
});
