import { expect, type Page } from "@playwright/test";
import { allKept, exported, openDocument, putCursor, row, test } from "./helpers";

const BOOK = [
  "# Coast\n\nThe lamp was lit at dusk.\n",
  "## Ardrell\n\nThe glass fell.\n",
  "### Mole\n\nOf granite.\n",
  "# Barometers\n\nA barometer of brass stood in the lamp room.\n",
].join("\n");

const box = (page: Page) => page.getByRole("dialog", { name: "Jump to" });
const jump = async (page: Page, words: string) => {
  await page.keyboard.press("Control+j");
  await page.keyboard.type(words);
};

test.describe("the jump box", () => {
  test("finds headings by words with a slip and tells where they stand, and words of the text after them", async ({
    page,
  }) => {
    const id = await openDocument(page, BOOK);
    await jump(page, "baromter");
    await expect(box(page).getByRole("option").first()).toContainText("Barometers");
    await page.keyboard.press("Control+a");
    await page.keyboard.type("mole");
    await expect(box(page).getByRole("option").first()).toContainText("1 Coast / 1.1 Ardrell");
    await page.keyboard.press("Control+a");
    await page.keyboard.type("lamp");
    const inText = box(page).getByRole("option").filter({ hasText: "lamp room" });
    await expect(inText).toBeVisible();
    await inText.click();
    // The word itself is selected, ready to be written over.
    await page.keyboard.type("store");
    await allKept(page);
    expect(await exported(page.request, id, "md")).toContain("stood in the store room.");
  });

  test("offers the places that the writer came from", async ({ page }) => {
    await openDocument(page, BOOK);
    await jump(page, "Barometers");
    await page.keyboard.press("Enter");
    await jump(page, "Ardrell");
    await page.keyboard.press("Enter");
    await page.keyboard.press("Control+j");
    const first = box(page).getByRole("option").first();
    await expect(first).toContainText("Barometers");
    await expect(first).toContainText("lately");
    await page.keyboard.press("Enter");
    await expect(row(page, "Barometers")).toHaveAttribute("aria-current", "location");
  });
});

test("the trail leads back to the very spot, also when words came before it, by keys and by the side of the mouse", async ({
  page,
}) => {
  const id = await openDocument(page, BOOK);
  await putCursor(page, "The lamp was lit at dusk.");
  await page.keyboard.press("End");
  for (let step = 0; step < 5; step++) await page.keyboard.press("ArrowLeft");
  await jump(page, "Barometers");
  await page.keyboard.press("Enter");
  await page
    .locator(".manuscript")
    .getByText("The lamp was")
    .click({ position: { x: 2, y: 8 } });
  await page.keyboard.press("Home");
  await page.keyboard.type("At last! ");
  await page.keyboard.press("Control+[");
  await page.keyboard.type("d");
  await allKept(page);
  expect(await exported(page.request, id, "md")).toContain("At last! The lamp was lit at ddusk.");

  // A side button of the mouse goes along the trail; the browser stays where it is.
  await jump(page, "Mole");
  await page.keyboard.press("Enter");
  const mouse = await page.context().newCDPSession(page);
  const press = async (button: "back" | "forward") => {
    for (const type of ["mousePressed", "mouseReleased"] as const)
      await mouse.send("Input.dispatchMouseEvent", { type, x: 640, y: 500, button, clickCount: 1 });
  };
  await press("back");
  await expect(row(page, "Coast")).toHaveAttribute("aria-current", "location");
  await press("forward");
  await expect(row(page, "Mole")).toHaveAttribute("aria-current", "location");
  expect(page.url()).toContain(`/documents/${id}`);
});

test("keys lead to the heading above, to the first under it, and back to where something was written", async ({
  page,
}) => {
  const id = await openDocument(page, BOOK);
  await putCursor(page, "Of granite.");
  await page.keyboard.press("End");
  await page.keyboard.type(" Grey");
  await page.keyboard.press("Alt+Shift+ArrowUp");
  await expect(row(page, "Ardrell")).toHaveAttribute("aria-current", "location");
  await page.keyboard.press("Alt+Shift+ArrowUp");
  await expect(row(page, "Coast")).toHaveAttribute("aria-current", "location");
  await page.keyboard.press("Alt+Shift+ArrowDown");
  await expect(row(page, "Ardrell")).toHaveAttribute("aria-current", "location");
  await page.keyboard.press("F9");
  await page.keyboard.type(" stone.");
  await allKept(page);
  expect(await exported(page.request, id, "md")).toContain("Of granite. Grey stone.");

  // Also after the window was closed.
  await putCursor(page, "The glass fell.");
  await page.keyboard.type("Slowly");
  await allKept(page);
  await row(page, "Barometers").click();
  await page.reload();
  await expect(row(page, "Coast")).toBeVisible();
  await page.keyboard.press("F9");
  await expect(row(page, "Ardrell")).toHaveAttribute("aria-current", "location");
});

test.describe("a reminder", () => {
  test("stays with its words, is settled in the drawer or beside the text, and is in no file", async ({ page }) => {
    const id = await openDocument(page, BOOK);
    await putCursor(page, "The glass fell.");
    await page.keyboard.press("End");
    await page.keyboard.press("Control+Alt+m");
    await page.keyboard.type("still to add the table of 1890");
    await page.keyboard.press("Enter");
    await page.keyboard.type(" Then it rose.");
    await allKept(page);
    await expect(page.getByRole("img", { name: "Reminder: still to add the table of 1890" })).toBeVisible();
    await expect(page.getByLabel("Notes on this section").getByText("still to add")).toBeVisible();
    const markdown = await exported(page.request, id, "md");
    expect(markdown).toContain("The glass fell. Then it rose.");
    expect(markdown).not.toContain("1890");
    await expect(page.getByRole("banner").getByRole("status")).toContainText("23 words");

    // On the desk, and from there to the place.
    await page.goto("/");
    await page.getByRole("link", { name: "still to add the table of 1890" }).click();
    await expect(row(page, "Ardrell")).toHaveAttribute("aria-current", "location");
    await page.getByRole("button", { name: "Reminders", exact: true }).click();
    const drawer = page.getByRole("region", { name: "Reminders" });
    await drawer.getByRole("checkbox").click();
    await expect(drawer.getByText("All of them are settled.")).toBeVisible();
    await expect(page.locator(".reminder.settled")).toBeVisible();
    await page.getByRole("button", { name: "Undo" }).click();
    await expect(page.locator(".reminder:not(.settled)")).toBeVisible();
    await page.goto("/");
    await expect(page.getByRole("link", { name: "still to add the table of 1890" })).toBeVisible();
  });

  test("is read, changed and taken away where it stands", async ({ page }) => {
    await openDocument(page, BOOK);
    await putCursor(page, "Of granite.");
    await page.keyboard.press("Control+Alt+m");
    await page.keyboard.type("ask");
    await page.keyboard.press("Enter");
    await page.locator(".reminder").click();
    const card = page.getByRole("group", { name: "Reminder" });
    await expect(card).toContainText("ask");
    await card.getByRole("button", { name: "Change…" }).click();
    await page.keyboard.press("End");
    await page.keyboard.type(" the keeper");
    await page.keyboard.press("Enter");
    await page.locator(".reminder").click();
    await expect(card).toContainText("ask the keeper");
    await card.getByRole("button", { name: "Take it away" }).click();
    await expect(page.locator(".reminder")).toHaveCount(0);
    await page.keyboard.press("Control+z");
    await expect(page.locator(".reminder")).toHaveCount(1);
  });
});
