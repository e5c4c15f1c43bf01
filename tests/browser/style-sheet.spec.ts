import { expect, type Page } from "@playwright/test";
import { expectFits } from "./fits";
import { chooseCommand, expectClean, exported, openDocument, putCursor, row, test } from "./helpers";

const TEXT = `# Coast

The first paragraph of the coast is here.

A second one follows it, about the Fidelity under sail.

## Lights

Words about the lights.

## Bells

Words about bells.
`;

/** What Chromium makes of an element, and what the server says of the same kind: the screen is compared with it, not with itself. */
async function styleOf(page: Page, selector: string, property: string): Promise<string> {
  return page.evaluate(
    ([element, name]) => getComputedStyle(document.querySelector(element!)!).getPropertyValue(name!),
    [selector, property],
  );
}

async function keptLook(page: Page, kind: string): Promise<Record<string, string>> {
  const id = /documents\/(\w+)/.exec(page.url())![1]!;
  const answer = await page.request.get(`/api/documents/${id}/style-sheet`);
  const { kinds } = (await answer.json()) as { kinds: { name: string; look: Record<string, string> }[] };
  return kinds.find(({ name }) => name === kind)!.look;
}

const HEADING = '.section-text[data-level="2"] > .heading';

test("one kind is shaped in the style sheet by mouse, and every heading of it follows, in the text and in the file", async ({
  page,
}) => {
  await openDocument(page, TEXT);
  await page.getByRole("link", { name: "Looks" }).click();
  await page.getByRole("button", { name: "Heading 2", exact: true }).click();
  await expectClean(page);
  const panel = page.getByRole("region", { name: "Look of Heading 2" });
  await expect(panel.getByRole("status")).toHaveText("Changes all 2 places of this kind.");
  await panel.getByRole("textbox", { name: "Colour", exact: true }).fill("#aa1166");
  await page.keyboard.press("Enter");
  await panel.getByRole("combobox", { name: "Slant" }).click();
  await page.getByRole("option", { name: "Italic" }).click();
  await panel.getByRole("textbox", { name: "Size" }).fill("20pt");
  await page.keyboard.press("Enter");
  await expect
    .poll(() => keptLook(page, "heading-2"))
    .toMatchObject({ colour: "#aa1166", slant: "italic", size: "20pt" });

  await page.getByRole("link", { name: "Write" }).click();
  await expect(page.locator(HEADING)).toHaveCount(2);
  await expect.poll(() => styleOf(page, HEADING, "color")).toBe("rgb(170, 17, 102)");
  await expect.poll(() => styleOf(page, HEADING, "font-style")).toBe("italic");
  // Relative to the size that the reader has chosen: 20 points where the body has 10.
  await expect.poll(() => styleOf(page, HEADING, "font-size")).toBe("33px");
  const id = /documents\/(\w+)/.exec(page.url())![1]!;
  const html = await (await page.request.get(`/api/documents/${id}/export?format=html`)).text();
  expect(html).toMatch(/h2\{[^}]*color:#aa1166/);

  // A refusal is one sentence, and nothing changes.
  await page.getByRole("link", { name: "Looks" }).click();
  await page.getByRole("button", { name: "Heading 2", exact: true }).click();
  await panel.getByRole("textbox", { name: "Size" }).fill("23px");
  await page.keyboard.press("Enter");
  await expect(page.getByText("“size” of “heading-2” cannot be “23px”")).toBeVisible();
  expect((await keptLook(page, "heading-2"))["size"]).toBe("20pt");

  // Each change is undone, last first.
  await page.getByRole("button", { name: "Heading 2", exact: true }).focus();
  for (let step = 0; step < 3; step += 1) await page.keyboard.press("Control+z");
  await expect.poll(() => keptLook(page, "heading-2")).toMatchObject({ colour: "ink", slant: "upright" });
});

test("by keys, from the text: the look of the kind at the cursor, and a kind of the writer’s own", async ({ page }) => {
  await openDocument(page, TEXT);
  await putCursor(page, "The first paragraph");
  await page.keyboard.press("Control+j");
  await page.keyboard.type("Look of this kind");
  await page.keyboard.press("Enter");
  const first = page.getByRole("region", { name: "Look of First paragraph" });
  await expect(first).toBeVisible();
  await putCursor(page, "A second one");
  await expect(page.getByRole("region", { name: "Look of Body text" })).toBeVisible();
  await page.keyboard.press("Control+j");
  await page.keyboard.type("A new kind of paragraph");
  await page.keyboard.press("Enter");
  await page.keyboard.type("Epigraph");
  await page.keyboard.press("Enter");
  const own = page.getByRole("region", { name: "Look of Epigraph" });
  await expect(own.getByRole("status")).toHaveText("Changes the one place of this kind.");
  await own.getByRole("textbox", { name: "Ground", exact: true }).fill("#f3e8d8");
  await page.keyboard.press("Enter");
  await expect.poll(() => styleOf(page, ".manuscript p.kind-epigraph", "background-color")).toBe("rgb(243, 232, 216)");

  // What is typed after it is of its kind; the menu shows the kind in its own look, and body text is had back.
  await page.reload();
  await expect(page.locator(".manuscript p.kind-epigraph")).toContainText("A second one");
  await putCursor(page, "A second one");
  await page.getByRole("button", { name: "Commands for this paragraph" }).click();
  await page.getByRole("menuitem", { name: "Kind of paragraph" }).click();
  await page.getByRole("menuitem", { name: "Body text" }).click();
  await expect(page.locator(".manuscript p.kind-epigraph")).toHaveCount(0);
  await page.keyboard.press("Control+z");
  await expect(page.locator(".manuscript p.kind-epigraph")).toHaveCount(1);
});

test("another look is seen on the writer’s own pages before it is chosen, and is undone at once", async ({ page }) => {
  test.slow();
  await openDocument(page, TEXT);
  await page.getByRole("link", { name: "Looks" }).click();
  await page.getByRole("button", { name: "Another look…" }).click();
  const dialog = page.getByRole("dialog", { name: "The look of the whole document" });
  await dialog.getByRole("radio", { name: /Large print/ }).click();
  await expect(dialog.getByRole("img", { name: "Page 1 in this look" })).toBeVisible({ timeout: 40_000 });
  await expectFits(page, dialog, "the house styles");
  await dialog.getByRole("button", { name: "Give the document this look" }).click();
  await expect(dialog).toHaveCount(0);
  await expect(page.getByRole("heading", { name: "Large print" })).toBeVisible();
  expect((await keptLook(page, "body"))["size"]).toBe("18pt");
  await page.getByRole("button", { name: "Body text", exact: true }).focus();
  await page.keyboard.press("Control+z");
  await expect(page.getByRole("heading", { name: "Reading" })).toBeVisible();
});

test("a look is kept as a house style, found in another document, renamed and taken away", async ({ page }) => {
  await openDocument(page, TEXT);
  await page.getByRole("link", { name: "Looks" }).click();
  await page.getByRole("button", { name: "Body text", exact: true }).click();
  await page.getByRole("combobox", { name: "Typeface" }).click();
  await page.getByRole("option", { name: /EB Garamond/ }).click();
  await expect(page.getByRole("heading", { name: "Reading, changed" })).toBeVisible();
  await page.getByRole("button", { name: "Keep or share" }).click();
  await page.getByRole("menuitem", { name: "Keep as a house style…" }).click();
  await page.getByRole("textbox", { name: "Name" }).fill("Ours");
  await page.keyboard.press("Enter");
  await expect(page.getByText("Kept as the house style “Ours”")).toBeVisible();

  await openDocument(page, TEXT);
  await page.getByRole("link", { name: "Looks" }).click();
  await page.getByRole("button", { name: "Another look…" }).click();
  const dialog = page.getByRole("dialog", { name: "The look of the whole document" });
  await dialog.getByRole("radio", { name: /Ours/ }).first().click();
  await dialog.getByRole("button", { name: "Give the document this look" }).click();
  await expect(page.getByRole("heading", { name: "Ours" })).toBeVisible();
  expect((await keptLook(page, "body"))["face"]).toBe("EB Garamond");
  await page.getByRole("button", { name: "Another look…" }).click();
  await dialog.getByRole("radio", { name: /Ours/ }).first().click();
  await dialog.getByRole("button", { name: "Remove" }).click();
  await expect(dialog.getByRole("radio", { name: /Ours/ })).toHaveCount(0);
});

test("words of a kind of their own, and the reader’s own letters set the sheet aside", async ({ page }) => {
  await openDocument(page, TEXT);
  await row(page, "Coast").click();
  await page.locator(".manuscript p", { hasText: "Fidelity" }).dblclick({ position: { x: 5, y: 8 } });
  await page.getByRole("button", { name: "Commands for this paragraph" }).click();
  await chooseCommand(page, "A new kind of words…");
  await expectFits(page, page.getByRole("dialog"), "a new kind");
  await page.getByRole("dialog").getByRole("textbox").fill("Ship’s name");
  await page.keyboard.press("Enter");
  await expect(page.locator(".manuscript span.kind-ship-s-name")).toHaveCount(1);
  expect(await styleOf(page, ".manuscript .section-text > p", "text-align")).toBe("justify");
  await page.getByRole("button", { name: "How the text looks" }).click();
  await page.getByText("Plain", { exact: true }).click();
  await expect.poll(() => styleOf(page, ".manuscript .section-text > p", "text-align")).toBe("start");
  expect(await styleOf(page, ".manuscript", "font-family")).toContain("Figtree");
});

test("all places of a kind are found from the sheet, and made of another kind at once, and back", async ({ page }) => {
  const id = await openDocument(
    page,
    "# Coast\n\n> The first said.\n\nBetween.\n\n## Lights\n\nOf lights.\n\n> The second said.\n>\n> And went on.\n",
  );
  const html = () => exported(page.request, id, "html");
  await page.getByRole("link", { name: "Looks" }).click();
  await page.getByRole("button", { name: "Block quotation", exact: true }).click();
  const panel = page.getByRole("region", { name: "Look of Block quotation" });
  await panel.getByText("Where it is").click();
  await expect(panel.getByRole("listitem")).toHaveText([
    /Coast\s*The first said\./,
    /Lights\s*The second said\./,
    /Lights\s*And went on\./,
  ]);
  await expectClean(page);
  await panel.getByRole("button", { name: /And went on/ }).click();
  await expect(page).toHaveURL(new RegExp(`/documents/${id}$`));
  await page.keyboard.press("End");
  await page.keyboard.type(" Still.");
  await expect(page.locator(".manuscript blockquote p").last()).toHaveText("And went on. Still.");

  await page.getByRole("navigation", { name: "Tools" }).getByRole("button", { name: "Look", exact: true }).click();
  await panel.getByText("Where it is").click();
  await expect(panel.getByRole("listitem")).toHaveCount(3);
  await panel.getByRole("combobox", { name: "Make all 3 places of this kind" }).click();
  await page.getByRole("option", { name: "Body text" }).click();
  await expect(page.locator(".manuscript blockquote")).toHaveCount(0);
  await expect.poll(html).not.toContain("<blockquote");
  expect(await html()).toContain("<p>And went on. Still.</p>");
  await page.locator(".manuscript p", { hasText: "Between." }).click();
  await page.keyboard.press("Control+z");
  await expect(page.locator(".manuscript blockquote")).toHaveCount(2);
  await expect.poll(html).toContain("<blockquote");
});

test("each face of a document is there again when it is loaded anew", async ({ page }) => {
  await openDocument(page, TEXT);
  const faces = page.getByRole("navigation", { name: "Faces of the document" }).getByRole("link");
  const names = await faces.allTextContents();
  expect(names).toEqual(["Write", "Arrange", "Looks", "Proof"]);
  for (const name of names) {
    await page.getByRole("link", { name, exact: true }).click();
    await page.reload();
    await expect(page.getByRole("link", { name, exact: true })).toHaveAttribute("aria-current", "page");
  }
});

test("beside the sheet stands the page, which is set anew with each change", async ({ page }) => {
  await openDocument(page, TEXT);
  await page.getByRole("link", { name: "Looks" }).click();
  await page.getByRole("button", { name: "Heading 2", exact: true }).click();
  const drawn = page.getByRole("region", { name: "On the page" }).getByRole("img", { name: "A page with “Heading 2”" });
  const isRed = () =>
    drawn.evaluate((canvas: HTMLCanvasElement) => {
      const { data } = canvas.getContext("2d")!.getImageData(0, 0, canvas.width, canvas.height);
      return data.some((red, at) => at % 4 === 0 && red > 170 && data[at + 1]! < 30 && data[at + 2]! < 30);
    });
  await expect(drawn).toBeVisible({ timeout: 15_000 });
  expect(await isRed()).toBe(false);
  await page.getByRole("textbox", { name: "Colour", exact: true }).fill("#bb0000");
  await page.keyboard.press("Enter");
  await expect.poll(isRed, { timeout: 15_000 }).toBe(true);
  await expectClean(page);
  // What a file cannot hold of it is told.
  await page.getByRole("link", { name: "Write" }).click();
  await page.getByRole("button", { name: "Export" }).click();
  const download = page.waitForEvent("download");
  await chooseCommand(page, "Markdown");
  await download;
  await expect(page.getByText("the style sheet is not in it")).toBeVisible();
});

test("where sources are quoted, a long quotation in the text is found, set off and brought back by one undo", async ({
  page,
}) => {
  const words = Array.from({ length: 120 }, (_, at) => `log${at}`).join(" ");
  const id = await openDocument(page, `# Sources\n\nHe wrote: “${words}” Then he slept.\n`);
  await page.getByRole("link", { name: "Looks" }).click();
  await page.getByRole("button", { name: "Another look…" }).click();
  await page.getByRole("radio", { name: /^Academic/ }).click();
  await page.getByRole("button", { name: "Give the document this look" }).click();
  await page.getByRole("link", { name: "Write" }).click();
  await page.getByRole("navigation", { name: "Tools" }).getByRole("button", { name: "Check", exact: true }).click();
  const check = page.getByRole("region", { name: "Check" });
  await expect(check).toContainText("A quotation of 120 words stands within the text");
  await check.getByRole("button", { name: "Set it off" }).click();
  await expect(page.locator(".manuscript blockquote")).toHaveText(words);
  await expect(check).not.toContainText("A quotation of 120 words");
  const html = await exported(page.request, id, "html");
  expect(html).toContain(`<p>He wrote:</p>\n<blockquote>\n<p>${words}</p>\n</blockquote>\n<p>Then he slept.</p>`);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.locator(".manuscript blockquote")).toHaveCount(0);
  await expect(page.locator(".manuscript p").first()).toContainText(`“${words}” Then`);
});

test("every file of a face that the styles name is shipped", async ({ page }) => {
  await openDocument(page, TEXT);
  const files = await page.evaluate(() =>
    [...document.styleSheets]
      .flatMap((sheet) => [...sheet.cssRules].map((rule) => ({ rule, base: sheet.href ?? location.href })))
      .filter(({ rule }) => rule instanceof CSSFontFaceRule)
      .flatMap(({ rule, base }) =>
        [...rule.cssText.matchAll(/url\("([^"]+)"\)/g)].map((found) => new URL(found[1]!, base).href),
      )
      .filter((address) => !address.startsWith("data:")),
  );
  expect(files.length).toBeGreaterThan(20);
  for (const file of new Set(files)) expect((await page.request.get(file)).status(), file).toBe(200);
});
