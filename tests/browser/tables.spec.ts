import { execFileSync } from "node:child_process";
import { expect, type Page } from "@playwright/test";
import { allKept, chooseCommand, exported, openDocument, putCursor, test, pagesFile, storedOutline } from "./helpers";
import { keptText, shownIsKept } from "./shown-and-kept";

const TABLE = `# Log

Before.

| No | North | East | South | West |
| -- | ----- | ---- | ----- | ---- |
| one | two | three | four | five |
| six | seven | eight | nine | ten |

After.
`;

async function command(page: Page, cell: string, name: string): Promise<void> {
  await page.locator(".manuscript :is(td, th)").filter({ hasText: cell }).first().click({ button: "right" });
  await chooseCommand(page, name);
}

/** Selects from one cell to another with the mouse held down. */
async function selectCells(page: Page, from: string, to: string): Promise<void> {
  const box = async (words: string) =>
    (await page.locator(".manuscript :is(td, th)", { hasText: words }).first().boundingBox())!;
  const [start, end] = [await box(from), await box(to)];
  await page.mouse.move(start.x + 4, start.y + start.height / 2);
  await page.mouse.down();
  await page.mouse.move(end.x + 14, end.y + end.height / 2, { steps: 6 });
  await page.mouse.up();
}

const COMMANDS = [
  ["three", "Column after"],
  ["three", "Column before"],
  ["three", "Move the column on"],
  ["three", "Move the column back"],
  ["three", "Remove the column"],
  ["three", "Row below"],
  ["three", "Row above"],
  ["three", "Move the row down"],
  ["three", "Remove the row"],
  ["three", "Align the column right"],
  ["three", "On a landscape page, or not"],
] as const;

test("every command of a table, undone: the screen shows what is kept, and the next letter changes nothing else", async ({
  page,
}) => {
  test.slow();
  const id = await openDocument(page, TABLE);
  const before = await shownIsKept(page, id);
  for (const [cell, name] of COMMANDS) {
    await command(page, cell, name);
    await shownIsKept(page, id, name);
    await page.keyboard.press("Control+z");
    await expect.poll(() => keptText(page.request, id), { message: `${name}, undone` }).toEqual(before);
    await shownIsKept(page, id, `${name}, undone`);
    await page.keyboard.type("q");
    const all = JSON.stringify(before);
    await expect
      .poll(async () => JSON.stringify(await keptText(page.request, id)).replace("q", ""), { message: name })
      .toHaveLength(all.length);
    await shownIsKept(page, id, `${name}, undone, and a letter`);
    await page.keyboard.press("Control+z");
    await expect.poll(() => keptText(page.request, id), { message: `${name}, a letter undone` }).toEqual(before);
  }
  await expect(page.locator(".manuscript").first()).not.toHaveAttribute("data-mended", /./);
});

test("Delete across cells empties them, Ctrl Z brings their words back, and a rectangle is merged and split", async ({
  page,
}) => {
  const id = await openDocument(page, TABLE);
  const before = await shownIsKept(page, id);
  await selectCells(page, "two", "eight");
  await expect(page.locator(".manuscript .cell-selected")).toHaveText(["two", "three", "seven", "eight"]);
  await page.keyboard.press("Delete");
  const emptied = await shownIsKept(page, id);
  expect(emptied[0]).toEqual(before[0]!.map((line) => (["two", "three", "seven", "eight"].includes(line) ? "" : line)));
  await page.keyboard.press("Control+z");
  await expect.poll(() => keptText(page.request, id)).toEqual(before);
  await shownIsKept(page, id);

  await selectCells(page, "two", "eight");
  await page.locator(".manuscript td", { hasText: "two" }).click({ button: "right" });
  await chooseCommand(page, "Merge the selected cells");
  await expect(page.locator(".manuscript td[colspan='2'][rowspan='2']")).toHaveText("two three seven eight");
  await shownIsKept(page, id);
  await command(page, "two three seven eight", "Split the merged cell");
  await expect(page.locator(".manuscript tr:not(.caption) td[colspan]")).toHaveCount(0);
  await shownIsKept(page, id);
  await page.reload();
  await expect(page.locator(".manuscript td", { hasText: "two three seven eight" })).toBeVisible();
});

test("a table is filled by Tab alone, and a selection that begins before it takes no cell away", async ({ page }) => {
  const id = await openDocument(page, TABLE);
  await page.locator(".manuscript td", { hasText: "ten" }).click();
  await page.keyboard.press("Tab");
  for (const words of ["11", "12", "13", "14", "15"]) {
    await page.keyboard.type(words);
    await page.keyboard.press("Tab");
  }
  expect((await shownIsKept(page, id))[0]!.filter((line) => /^1\d$/.test(line))).toHaveLength(5);
  await putCursor(page, "Before.");
  await page.keyboard.press("Home");
  await page.locator(".manuscript td", { hasText: "three" }).click({ modifiers: ["Shift"] });
  await page.keyboard.press("Delete");
  const kept = await shownIsKept(page, id);
  expect(kept[0]!.filter((line) => line === "four" || line === "After.")).toEqual(["four", "After."]);
});

test("rubbing out at the edge of a caption or a cell picks nothing beyond it", async ({ page }) => {
  const id = await openDocument(page, TABLE);
  const before = await shownIsKept(page, id);
  await page.locator(".manuscript .caption").click();
  await page.keyboard.press("End");
  await page.keyboard.press("Delete");
  await page.keyboard.type("!");
  await page.keyboard.press("Backspace");
  await page.locator(".manuscript th", { hasText: "No" }).first().click();
  await page.keyboard.press("Home");
  await page.keyboard.press("Backspace");
  await page.keyboard.type("?");
  await expect(page.locator(".manuscript th").first()).toHaveText("?No");
  await expect(page.locator(".manuscript .caption")).toHaveText("");
  await page.keyboard.press("Backspace");
  await expect.poll(() => keptText(page.request, id)).toEqual(before);
});

test("a table on a landscape page is one after a reload and in the file, and stands among the text again when undone", async ({
  page,
}) => {
  const id = await openDocument(page, TABLE);
  const isLandscape = async () =>
    (await exported(page.request, id, "html")).includes('<table style="page: landscape">');
  const shapes = async () => {
    const input = await pagesFile(page.request, id);
    const sizes = execFileSync("pdfinfo", ["-l", "99", "-"], { input }).toString();
    return [...sizes.matchAll(/size: +([\d.]+) x ([\d.]+)/g)].map(
      ([, width, height]) => Number(width) > Number(height),
    );
  };
  expect(await shapes()).not.toContain(true);
  await command(page, "three", "On a landscape page, or not");
  // The keys are where they were.
  await page.keyboard.type("q");
  await expect.poll(isLandscape).toBe(true);
  expect((await shapes()).filter(Boolean)).toHaveLength(1);
  await page.reload();
  await shownIsKept(page, id);
  await expect(page.locator(".manuscript table")).toContainText("q");
  await command(page, "four", "On a landscape page, or not");
  await expect.poll(isLandscape).toBe(false);
  await page.keyboard.press("Control+z");
  await expect.poll(isLandscape).toBe(true);
  await page.getByRole("link", { name: "Proof" }).click();
  // Whoever goes to the last page sees that there are pages.
  await expect(page.locator("[data-sheet]").first()).toBeAttached({ timeout: 20_000 });
  await page.getByRole("region", { name: "Printed pages" }).focus();
  await page.keyboard.press("End");
  const sheet = page.locator("[data-sheet]").filter({ hasText: "seven" }).first();
  await expect(sheet).toBeAttached({ timeout: 20_000 });
  await expect.poll(async () => (await sheet.boundingBox())!.width > (await sheet.boundingBox())!.height).toBe(true);
});

test("what is cut through a table or a caption, and put back where it was, is the text that was", async ({ page }) => {
  const id = await openDocument(
    page,
    "# Coast\n\nBefore it.\n\n| Station | Lamps |\n| --- | --- |\n| Thole | forty |\n| Hume | six |\n\nBetween.\n\n![A lamp](picture.png)\n\nThe end.\n",
  );
  await page.locator(".manuscript figcaption").click();
  await page.keyboard.type("Lamp of Thole");
  await allKept(page);
  const before = await exported(page.request, id, "md");
  const outline = await storedOutline(page.request, id);
  for (const [from, to] of [
    ["Before it.", "Thole"],
    ["Between.", "Lamp of Thole"],
    ["The end.", "Hume"],
  ] as const) {
    await putCursor(page, from);
    await page.keyboard.press("ArrowLeft");
    const words = page.locator(".manuscript :is(td, th, figcaption)", { hasText: to }).last();
    await words.click({ position: { x: 18, y: 12 }, modifiers: ["Shift"] });
    await page.keyboard.press("Control+x");
    await allKept(page);
    expect(await exported(page.request, id, "md")).not.toBe(before);
    await page.keyboard.press("Control+v");
    await expect(async () => expect(await exported(page.request, id, "md")).toBe(before)).toPass({ timeout: 8000 });
    expect(await storedOutline(page.request, id)).toEqual(outline);
    await shownIsKept(page, id);
  }
});
