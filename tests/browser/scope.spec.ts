import { expect, type Page } from "@playwright/test";
import {
  allKept,
  chooseCommand,
  exported,
  openDocument,
  pickRow,
  putCursor,
  row,
  storedOutline,
  test,
} from "./helpers";

const BOOK = [
  "# Coast\n\nThe lamp was lit.\n",
  "## Ardrell\n\nThe glass fell.\n",
  "### Mole\n\nOf granite.\n",
  "## Vane\n\nIt turned.\n",
  "# Barometers\n\nOf brass.\n",
  "## Damp\n\nIt was wet.\n",
].join("\n");

const bar = (page: Page) => page.getByRole("region", { name: "What is shown" });
const sections = (page: Page) =>
  page.locator(".manuscript [data-section]").evaluateAll((all) => all.map((each) => each.textContent?.slice(0, 8)));

async function pickTwo(page: Page): Promise<void> {
  await pickRow(page, "Ardrell");
  await page.keyboard.press("Space");
  await page.keyboard.press("End");
  await page.keyboard.press("ArrowUp");
  await page.keyboard.press("Space");
}

test("two picked branches are one text: shown, written in, counted, found in, and kept over a reload", async ({
  page,
}) => {
  const id = await openDocument(page, BOOK);
  await pickTwo(page);
  await row(page, "Ardrell").hover();
  await row(page, "Ardrell").locator("button[aria-hidden=true]").click();
  await chooseCommand(page, /^Work on this branch only/);
  await expect(bar(page)).toContainText("2 branches");
  await expect(bar(page)).toContainText("10 of 16 words");
  expect(await sections(page)).toEqual(
    ["Ardrell", "Mole", "Barometers", "Damp"].map((each) => expect.stringContaining(each.slice(0, 4))),
  );

  // From one into the other by the arrow keys alone.
  await putCursor(page, "Of granite.");
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("End");
  await page.keyboard.type(" Two.");
  await allKept(page);
  expect(await exported(page.request, id, "md")).toContain("Of brass. Two.");

  await page.keyboard.press("Control+f");
  await page.keyboard.type("wet");
  await expect(page.getByRole("region", { name: "Find" }).getByRole("status")).toHaveText(/^1 place/);
  await page.keyboard.press("Escape");

  await page.reload();
  await expect(bar(page)).toContainText("2 branches");
  await expect.poll(() => sections(page).then((all) => all.length)).toBe(4);
  await bar(page).getByRole("button", { name: "Show all" }).click();
  await expect(bar(page)).toBeHidden();
  await expect.poll(() => sections(page).then((all) => all.length)).toBe(6);
});

test("nothing that is not shown is written over: not by joining, not by deleting from one branch into another", async ({
  page,
}) => {
  const id = await openDocument(page, BOOK);
  const before = await storedOutline(page.request, id);
  await pickTwo(page);
  await page.keyboard.press("F4");
  await putCursor(page, "Barometers", ".manuscript h2");
  await page.keyboard.press("Home");
  await page.keyboard.press("Backspace");
  await expect(page.getByText("stands next to it and is not shown; nothing was joined.")).toBeVisible();
  await putCursor(page, "Of granite.");
  await page.keyboard.press("Home");
  await page.keyboard.press("Shift+ArrowDown");
  await page.keyboard.press("Shift+ArrowDown");
  await page.keyboard.press("Delete");
  await expect(
    page.getByText("Other sections stand between these in the document; nothing was changed."),
  ).toBeVisible();
  await expect(page.locator(".manuscript")).toContainText("Of granite.");
  await page.keyboard.press("ArrowRight");
  expect(await storedOutline(page.request, id)).toEqual(before);
  expect(await exported(page.request, id, "md")).toContain("Of granite.");
});

test("by keys: the branch, its own text, on to the next part and back; a jump outside is offered", async ({ page }) => {
  const id = await openDocument(page, BOOK);
  await putCursor(page, "The glass fell.");
  await page.keyboard.press("F4");
  await expect(bar(page)).toContainText("1.1 Ardrell");
  await expect.poll(() => sections(page).then((all) => all.length)).toBe(2);
  await page.keyboard.type(" Slowly.");
  await allKept(page);
  expect(await exported(page.request, id, "md")).toContain("The glass fell. Slowly.");

  await page.keyboard.press("Control+Alt+PageDown");
  await expect(bar(page)).toContainText("1.2 Vane");
  await page.keyboard.press("Control+Alt+PageUp");
  await expect(bar(page)).toContainText("1.1 Ardrell");
  await page.keyboard.press("Alt+PageDown");
  await page.keyboard.press("Alt+PageDown");
  await expect(bar(page)).toContainText("1.2 Vane");

  await page.keyboard.press("Shift+F4");
  await expect(bar(page)).toContainText("Only the text of");
  await page.keyboard.press("Control+j");
  await page.keyboard.type("Damp");
  await page.keyboard.press("Enter");
  await expect(page.getByText("2.1 Damp lies outside of what is shown.")).toBeVisible();
  await expect(bar(page)).toBeVisible();
  await page.getByRole("button", { name: "Show all and go there" }).click();
  await expect(bar(page)).toBeHidden();
  await expect(row(page, "Damp")).toHaveAttribute("aria-current", "location");
  await page.keyboard.type("Very ");
  await allKept(page);
  expect(await exported(page.request, id, "md")).toContain("## Very Damp");
});

test("what is made beside it belongs to it, and what is shown is what is written", async ({ page }) => {
  const id = await openDocument(page, BOOK);
  await putCursor(page, "Of granite.");
  await page.keyboard.press("Shift+F4");
  await page.keyboard.press("End");
  await page.keyboard.press("Control+Alt+Enter");
  await page.keyboard.type("New one");
  await allKept(page);
  await expect(bar(page)).toContainText("2 sections");
  await expect.poll(() => sections(page).then((all) => all.length)).toBe(2);
  await bar(page).getByRole("button", { name: "Write or print what is shown" }).click();
  const download = page.waitForEvent("download");
  await chooseCommand(page, /^Write it to Markdown/);
  const path = await (await download).path();
  const { readFile } = await import("node:fs/promises");
  const markdown = await readFile(path, "utf8");
  expect(markdown).toContain("Of granite.");
  expect(markdown).toContain("New one");
  expect(markdown).not.toContain("It turned.");
  // Undone, it is one section again.
  await page.keyboard.press("Escape");
  await putCursor(page, "Of granite.");
  await page.keyboard.press("Control+z");
  await page.keyboard.press("Control+z");
  await expect(bar(page)).toContainText("1.1.1 Mole");
  expect(id).not.toBe("");
});
