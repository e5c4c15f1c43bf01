import { expect, type Page } from "@playwright/test";
import { expectFits, SIZES } from "./fits";
import { chooseCommand, openDocument, pickRow, putCursor, row, test } from "./helpers";

const TEXT = `# Coast

Alpha beta gamma.

## Lights

Oil first.

| Station | Lamps |
| ------- | ----- |
| Thole | 40 |

# Log

Last words.
`;

async function byJumpBox(page: Page, command: string): Promise<void> {
  await page.keyboard.press("Control+j");
  await expect(page.getByRole("option").first()).toBeVisible();
  await page.keyboard.type(command);
  await expect(page.getByRole("option").first()).toContainText(command);
  await page.keyboard.press("Enter");
}

const IN_TEXT = [
  "Link…",
  "Picture…",
  "Table…",
  "Formula…",
  "Bookmark here…",
  "Reminder here…",
  "Refer to a place…",
  "Contents here…",
  "Filler…",
  "Standing text…",
];

test("every dialog that the text asks with fits its window", async ({ page }) => {
  test.slow();
  await openDocument(page, TEXT);
  for (const command of IN_TEXT) {
    await putCursor(page, "Alpha beta");
    await byJumpBox(page, command);
    await expectFits(page, page.getByRole("dialog"), command);
    await page.keyboard.press("Escape");
    await expect(page.getByRole("dialog")).toHaveCount(0);
  }
});

test("the dialogs of the document and of branches fit", async ({ page }) => {
  test.slow();
  await openDocument(page, TEXT);
  for (const command of ["Keys…", "Review likely headings…"]) {
    await putCursor(page, "Alpha beta");
    await byJumpBox(page, command);
    await expectFits(page, page.getByRole("dialog"), command);
    await page.keyboard.press("Escape");
    await expect(page.getByRole("dialog")).toHaveCount(0);
  }
  for (const command of [/^Nest under/, /^Split by rule/, /^To another document/]) {
    await pickRow(page, "Lights");
    await page.keyboard.press("Shift+F10");
    await chooseCommand(page, command);
    await expectFits(page, page.getByRole("dialog"), String(command));
    await page.keyboard.press("Escape");
    await expect(page.getByRole("dialog")).toHaveCount(0);
  }
});

test("menus fit, and what is below their edge can be had", async ({ page }) => {
  await openDocument(page, TEXT);
  for (const size of SIZES) {
    await page.setViewportSize(size);
    if (size.width >= 1024) {
      await row(page, "Lights").click({ button: "right" });
      await expectFits(page, page.getByRole("menu"), "the row’s menu", [size]);
      await page.keyboard.press("Escape");
    }
    await page.locator(".manuscript p").first().click({ button: "right" });
    await expectFits(page, page.getByRole("menu"), "the text’s menu", [size]);
    await page.keyboard.press("Escape");
    await page.getByRole("button", { name: "This document" }).click();
    await expectFits(page, page.getByRole("menu"), "the document’s menu", [size]);
    await page.keyboard.press("Escape");
  }
});

test("every drawer fits", async ({ page }) => {
  test.slow();
  await openDocument(page, TEXT);
  const tools = await page.getByRole("navigation", { name: "Tools" }).getByRole("button").allTextContents();
  expect(tools.length).toBeGreaterThan(8);
  for (const tool of tools) {
    await page.getByRole("navigation", { name: "Tools" }).getByRole("button", { name: tool, exact: true }).click();
    await expectFits(page, page.getByRole("region", { name: tool, exact: true }), tool);
    await page.getByRole("navigation", { name: "Tools" }).getByRole("button", { name: tool, exact: true }).click();
  }
});

test("the dialogs and menus of the Desk fit", async ({ page }) => {
  test.slow();
  await openDocument(page, TEXT);
  await page.goto("/");
  await page.getByRole("button", { name: "New document" }).click();
  await expectFits(page, page.getByRole("dialog"), "a new document");
  await page.keyboard.press("Escape");
  for (const size of SIZES) {
    await page.setViewportSize(size);
    await page
      .getByRole("button", { name: /^Commands for / })
      .first()
      .click();
    await expectFits(page, page.getByRole("menu"), "a document’s menu on the Desk", [size]);
    await page.keyboard.press("Escape");
  }
});

test("cards in the text fit", async ({ page }) => {
  await openDocument(page, `${TEXT}\nSee [the lights](#lights) and [far](https://example.org/).\n`);
  for (const size of SIZES) {
    await page.setViewportSize(size);
    for (const link of await page.locator(".manuscript a").all()) {
      await link.scrollIntoViewIfNeeded();
      await link.hover();
      await expectFits(page, page.getByRole("group", { name: /link/i }), "a link’s card", [size]);
      await page.mouse.move(2, 2);
      await expect(page.getByRole("group", { name: /link/i })).toHaveCount(0);
    }
  }
});

test("what is asked over pages fits, and no message covers their buttons", async ({ page }) => {
  test.slow();
  await openDocument(page, TEXT);
  await page.getByRole("link", { name: "Proof" }).click();
  await expect(page.locator("[data-sheet] .proof-words span").first()).toBeAttached({ timeout: 20_000 });
  await page.getByRole("button", { name: "Print…" }).click();
  const print = page.getByRole("dialog", { name: "Print" });
  await print.getByText("Some pages").click();
  await expectFits(page, print, "which pages are printed");
  await page.keyboard.press("Escape");
  await page
    .getByRole("button", { name: /^Edit the footer of/ })
    .first()
    .click();
  const footer = page.getByRole("region", { name: /on the page$/ });
  await expectFits(page, footer, "a footer on its page");
  await page.keyboard.press("Escape");
  await page.setViewportSize(SIZES[0]!);
  await page.getByRole("button", { name: "Pages", exact: true }).last().click();
  await page.getByRole("textbox", { name: "Top" }).fill("3");
  await page.keyboard.press("Enter");
  const message = page.getByText("Each margin must be from 5 to 80 millimetres.");
  await expect(message).toBeVisible();
  for (const name of ["Print…", "Spread"]) {
    const button = page.getByRole("button", { name }).or(page.getByRole("radio", { name })).first();
    await expect(button).toBeVisible();
    expect(
      await button.evaluate((element) => {
        const { left, top, width, height } = element.getBoundingClientRect();
        return element.contains(document.elementFromPoint(left + width / 2, top + height / 2));
      }),
      name,
    ).toBe(true);
  }
});
