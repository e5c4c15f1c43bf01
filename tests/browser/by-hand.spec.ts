import { expect, type Page } from "@playwright/test";
import { expectClean, exported, openDocument, putCursor, row, test } from "./helpers";

const TEXT = `# Coast

The first paragraph of the coast is here.

A second one.

## Lights

Words about the lights.

## Bells

Words about bells.
`;

const LEVEL_2 = '.section-text[data-level="2"] > .heading';

type Kept = { body: { attrs?: { shape?: string }; content?: { text: string }[] }[] };

/** Does what the jump box offers for some words. */
async function command(page: Page, words: string): Promise<void> {
  await page.keyboard.press("Control+j");
  await page.keyboard.type(words);
  await expect(page.getByRole("option").first()).toBeVisible();
  await page.keyboard.press("Enter");
}

async function tool(page: Page, name: string): Promise<void> {
  await page.getByRole("navigation", { name: "Tools" }).getByRole("button", { name, exact: true }).click();
}

const idOf = (page: Page): string => /documents\/(\w+)/.exec(page.url())![1]!;

/** What the server keeps: the looks of headings by their words, and of paragraphs by their first ones. */
async function keptShapes(page: Page): Promise<Record<string, string>> {
  const id = idOf(page);
  const skeleton = (await (await page.request.get(`/api/documents/${id}`)).json()) as {
    sections: { id: string; heading: string; shape: string }[];
  };
  const shapes: Record<string, string> = {};
  for (const { id: section, heading, shape } of skeleton.sections) {
    if (shape !== "") shapes[heading] = shape;
    const answer = await page.request.get(`/api/documents/${id}/texts?sections=${section}`);
    for (const text of (await answer.json()) as Kept[]) {
      for (const block of text.body) {
        const words = (block.content ?? []).map((part) => part.text).join("");
        if (block.attrs?.shape) shapes[words.slice(0, 9)] = block.attrs.shape;
      }
    }
  }
  return shapes;
}

async function styleOf(page: Page, selector: string, property: string): Promise<string[]> {
  return page.evaluate(
    ([elements, name]) =>
      [...document.querySelectorAll(elements!)].map((each) => getComputedStyle(each).getPropertyValue(name!)),
    [selector, property],
  );
}

test("one heading is shaped by hand, all of its level follow it, and undo brings both back", async ({ page }) => {
  await openDocument(page, TEXT);
  await putCursor(page, "Lights", ".manuscript .heading");
  await command(page, "Shape this one by hand");
  const panel = page.getByRole("region", { name: "Look of this heading" });
  await expect(panel.getByRole("status")).toHaveText("Changes this heading only. Nothing is said by hand yet.");
  await panel.getByRole("textbox", { name: "Colour", exact: true }).fill("#AA1166");
  await page.keyboard.press("Enter");
  await panel.getByRole("combobox", { name: "Slant" }).click();
  await page.getByRole("option", { name: "Italic" }).click();
  await expect.poll(() => keptShapes(page)).toEqual({ Lights: "slant:italic;colour:#aa1166" });
  await expect.poll(() => styleOf(page, LEVEL_2, "color")).toEqual(["rgb(170, 17, 102)", "rgb(34, 48, 43)"]);
  await expect(panel.getByRole("status")).toHaveText("Changes this heading only. What stands in bold is said by hand.");
  await expectClean(page);

  await panel.getByRole("button", { name: "Make all 2 places of “Heading 2” so" }).click();
  await expect.poll(() => keptShapes(page)).toEqual({});
  await expect.poll(() => styleOf(page, LEVEL_2, "color")).toEqual(["rgb(170, 17, 102)", "rgb(170, 17, 102)"]);
  await expect.poll(() => styleOf(page, LEVEL_2, "font-style")).toEqual(["italic", "italic"]);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect.poll(() => keptShapes(page)).toEqual({ Lights: "slant:italic;colour:#aa1166" });
  await expect.poll(() => styleOf(page, LEVEL_2, "font-style")).toEqual(["italic", "normal"]);
  await page.reload();
  await expect.poll(() => styleOf(page, LEVEL_2, "font-style")).toEqual(["italic", "normal"]);
});

test("a paragraph and some words are shaped by hand, stay so after a reload and in files, and are brought back", async ({
  page,
}) => {
  await openDocument(page, TEXT);
  await putCursor(page, "A second one");
  await command(page, "Shape this one by hand");
  const panel = page.getByRole("region", { name: "Look of this paragraph" });
  await panel.getByRole("combobox", { name: "Alignment" }).click();
  await page.getByRole("option", { name: "Centred" }).click();
  await panel.getByRole("textbox", { name: "Size" }).fill("14 pt");
  await page.keyboard.press("Enter");
  await expect.poll(() => keptShapes(page)).toEqual({ "A second ": "size:14pt;alignment:centred" });
  const paragraph = ".section-text p[data-shape]";
  await expect.poll(() => styleOf(page, paragraph, "text-align")).toEqual(["center"]);
  // What cannot be is told in a sentence, and nothing changes.
  await panel.getByRole("textbox", { name: "Size" }).fill("very large");
  await page.keyboard.press("Enter");
  await expect(page.getByText("“size” cannot be “very large”: it can be from 4pt to 144pt.")).toBeVisible();
  await expect.poll(() => keptShapes(page)).toEqual({ "A second ": "size:14pt;alignment:centred" });

  // Enter goes on in that look, and in an empty line leads back to that of the kind.
  await putCursor(page, "A second one");
  await page.keyboard.press("End");
  await page.keyboard.type(" On.");
  await page.keyboard.press("Enter");
  await page.keyboard.type("Verse.");
  await page.keyboard.press("Enter");
  await page.keyboard.press("Enter");
  await page.keyboard.type("Plain.");
  const shaped = { "A second ": "size:14pt;alignment:centred", "Verse.": "size:14pt;alignment:centred" };
  await expect.poll(() => keptShapes(page)).toEqual(shaped);
  await expect(page.getByText("Plain.", { exact: true })).toHaveCSS("text-align", "justify");
  await page.reload();
  await expect.poll(() => styleOf(page, paragraph, "text-align")).toEqual(["center", "center"]);
  expect(await keptShapes(page)).toEqual(shaped);
  expect(await exported(page.request, idOf(page), "html")).toContain("text-align:center");

  await page.keyboard.press("Control+Home");
  await putCursor(page, "Words about the lights.");
  await page.keyboard.press("Home");
  await page.keyboard.press("Control+Shift+ArrowRight");
  await command(page, "Shape these words by hand");
  const words = page.getByRole("region", { name: "Look of these words" });
  await words.getByRole("textbox", { name: "Colour", exact: true }).fill("#004488");
  await page.keyboard.press("Enter");
  await expect.poll(() => styleOf(page, "[data-word-shape]", "color")).toEqual(["rgb(0, 68, 136)"]);

  // All is found by the check, and one mend brings it all back.
  await tool(page, "Check");
  const check = page.getByRole("region", { name: "Check" });
  await expect(check.getByText("One place here is shaped by hand")).toHaveCount(1);
  await expect(check.getByText("2 places here are shaped by hand")).toHaveCount(1);
  await page.getByRole("button", { name: "Bring back all that is by hand" }).click();
  await expect.poll(() => keptShapes(page)).toEqual({});
  await expect(page.locator("[data-shape], [data-word-shape]")).toHaveCount(0);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.locator("[data-shape], [data-word-shape]")).toHaveCount(3);
});

test("picked headings are shaped together; what is shaped by hand is marked on wish and no line moves", async ({
  page,
}) => {
  await openDocument(page, TEXT);
  await row(page, "Lights").click();
  await row(page, "Bells").click({ modifiers: ["Control"] });
  await tool(page, "Look");
  await page.getByRole("radio", { name: "2 picked headings" }).click();
  const panel = page.getByRole("region", { name: "Look of the 2 picked headings" });
  await panel.getByRole("combobox", { name: "Capitals" }).click();
  await page.getByRole("option", { name: "All capitals", exact: true }).click();
  await expect.poll(() => keptShapes(page)).toEqual({ Lights: "capitals:all", Bells: "capitals:all" });
  await expect.poll(() => styleOf(page, LEVEL_2, "text-transform")).toEqual(["uppercase", "uppercase"]);

  const places = async () =>
    page.evaluate(() =>
      [...document.querySelectorAll(".manuscript p, .manuscript .heading")].map(
        (each) => each.getBoundingClientRect().top,
      ),
    );
  const before = await places();
  await page.getByRole("button", { name: "How the text looks" }).click();
  await page.getByText("Mark what is shaped by hand").click();
  await expect.poll(() => styleOf(page, LEVEL_2, "outline-style")).toEqual(["dotted", "dotted"]);
  expect(await places()).toEqual(before);
  await page.keyboard.press("Escape");
  await panel.getByRole("button", { name: "Bring back to its kind" }).click();
  await expect.poll(() => keptShapes(page)).toEqual({});
});

test("what is said and left at once is said of the place it was said of, and two things in a row are both kept", async ({
  page,
}) => {
  await openDocument(page, TEXT);
  await putCursor(page, "A second one");
  await command(page, "Shape this one by hand");
  const panel = page.getByRole("region", { name: "Look of this paragraph" });
  // An answer that takes its time: the writer does not wait for it.
  await page.route("**/style-sheet/shape*", async (route) => {
    await new Promise((done) => setTimeout(done, 600));
    await route.continue();
  });
  await panel.getByRole("textbox", { name: "Size" }).fill("15pt");
  await page.keyboard.press("Tab");
  await panel.getByRole("textbox", { name: "Line spacing" }).fill("2");
  await page.locator(".manuscript p", { hasText: "Words about bells." }).click();
  await expect.poll(() => keptShapes(page)).toEqual({ "A second ": "size:15pt;lineHeight:2" });
  await expect(page.locator("[data-shape]")).toHaveCount(1);
  // The fields are those of the paragraph that the cursor is in now.
  await expect(panel.getByRole("textbox", { name: "Size" })).toHaveValue("10pt");
  await expect(panel.getByRole("status")).toHaveText("Changes this paragraph only. Nothing is said by hand yet.");
});
