import { expect } from "@playwright/test";
import { readFileSync } from "node:fs";
import { exported, importText, pickRow, row, storedOutline, test, chooseCommand } from "./helpers";

// The text of the CommonMark specification 0.31.2, from the npm package commonmark-spec: a real long document by others.
const SPEC = readFileSync("node_modules/commonmark-spec/spec.txt");

/** Every letter of a file, without blanks and without the signs of markup that a round trip may write otherwise. */
function letters(text: string): string {
  return text.replace(/[^\p{L}\p{N}]/gu, "");
}

function firstDifference(a: string, b: string): string | null {
  if (a === b) return null;
  let at = 0;
  while (a[at] === b[at]) at++;
  return `${a.slice(at - 30, at + 40)} ≠ ${b.slice(at - 30, at + 40)}`;
}

test("a real long document: imported, reorganised, linked, given contents, exported, and read again", async ({
  page,
}) => {
  await page.goto("/");
  await page.locator("input[type=file]").setInputFiles({ name: "spec.md", mimeType: "text/markdown", buffer: SPEC });
  await page.getByRole("button", { name: "Open it" }).click();
  await expect(row(page, "Preliminaries")).toBeVisible();
  const id = page.url().split("/").at(-1) ?? "";
  const stored = () => storedOutline(page.request, id);
  const before = await stored();
  expect(before.slice(0, 5)).toEqual([
    "1 Introduction",
    "2 What is Markdown?",
    "2 Why is a spec needed?",
    "2 About this document",
    "1 Preliminaries",
  ]);

  // Three branches are moved, one section promoted, one split.
  await pickRow(page, "Preliminaries");
  await page.keyboard.press("Control+Shift+ArrowUp");
  await expect.poll(async () => (await stored())[0]).toBe("1 Preliminaries");
  await pickRow(page, "Tabs");
  await page.keyboard.press("Control+Shift+ArrowDown");
  await pickRow(page, "Precedence");
  await page.keyboard.press("Control+Shift+ArrowDown");
  await pickRow(page, "About this document");
  await page.keyboard.press("Control+Shift+ArrowLeft");
  await expect.poll(async () => (await stored()).includes("1 About this document")).toBe(true);
  await row(page, "Insecure characters").click();
  await page.getByText("For security reasons, the Unicode character").click({ position: { x: 4, y: 8 } });
  await page.keyboard.press("Home");
  for (let step = 0; step < 22; step++) await page.keyboard.press("Shift+ArrowRight");
  await page.getByRole("button", { name: /Split here/ }).click();
  await expect(row(page, "For security reasons")).toBeVisible();

  // A place is named; two links are set, one to it, one to a heading; both are followed, and the way back is taken.
  await row(page, "Why is a spec needed?").click();
  await page
    .getByText("John Gruber's", { exact: false })
    .first()
    .click({ position: { x: 4, y: 8 } });
  await page.keyboard.press("Home");
  await page.getByRole("button", { name: "Commands for this paragraph" }).click();
  await chooseCommand(page, "Bookmark here…");
  await page.getByRole("dialog").getByRole("textbox").fill("two words");
  await expect(page.getByRole("dialog").getByRole("textbox")).toHaveValue("two_words");
  await page.getByRole("dialog").getByRole("textbox").fill("half:place");
  await page.getByRole("button", { name: "Set the bookmark" }).click();
  await expect(page.getByRole("alert")).toContainText("letter");
  await page.getByRole("dialog").getByRole("textbox").fill("gruber_place");
  await page.getByRole("button", { name: "Set the bookmark" }).click();
  await expect(page.getByRole("dialog")).toHaveCount(0);
  await expect(page.locator(".bookmark", { hasText: "gruber_place" })).toBeVisible();

  const link = async (section: string, words: string, place: string) => {
    await row(page, section).click();
    await page
      .locator(".manuscript")
      .getByText(words)
      .first()
      .click({ position: { x: 4, y: 8 } });
    await page.keyboard.press("Home");
    for (let step = 0; step < 8; step++) await page.keyboard.press("Shift+ArrowRight");
    await page.getByRole("button", { name: "Link…" }).click();
    await page.getByRole("combobox").fill(place);
    await page.keyboard.press("Enter");
    // Its hint may be left empty.
    await expect(page.getByRole("dialog").getByText("It leads to")).toBeVisible();
    await page.keyboard.press("Enter");
    await expect(page.getByText("all changes kept")).toBeVisible();
  };
  await link("About this document", "This document attempts to specify", "gruber_place");
  await link("Characters and lines", "Any sequence of", "Thematic breaks");
  await row(page, "About this document").click();
  await page
    .locator('a[data-target^="bookmark:"]')
    .first()
    .click({ modifiers: ["ControlOrMeta"] });
  await expect(row(page, "Why is a spec needed?")).toHaveAttribute("aria-current", "location");
  await page.keyboard.press("Control+[");
  await expect(row(page, "About this document")).toHaveAttribute("aria-current", "location");
  await row(page, "Characters and lines").click();
  await page
    .locator('a[data-target^="section:"]')
    .first()
    .click({ modifiers: ["ControlOrMeta"] });
  await expect(row(page, "Thematic breaks")).toHaveAttribute("aria-current", "location");

  // Contents are made, fall behind a rename, say so, and are refreshed.
  await row(page, "What is Markdown?").click();
  await page.getByRole("button", { name: "Contents" }).click();
  await page.getByRole("button", { name: "Make contents…" }).click();
  await page.getByRole("button", { name: "Make the contents" }).click();
  await expect(
    page.getByRole("navigation", { name: "Contents" }).getByRole("link", { name: /Thematic breaks/ }),
  ).toBeAttached();
  await pickRow(page, "Tabs");
  await page.keyboard.press("F2");
  await page.keyboard.type("Tabs and blanks");
  await page.keyboard.press("Enter");
  await expect(page.getByText(/Behind the document/)).toBeVisible();
  await page.getByRole("button", { name: "Update the contents" }).click();
  await expect(page.getByText(/Behind the document/)).toHaveCount(0);

  // Out and in again: the same outline, links that arrive, and not a letter lost.
  const outline = await stored();
  const markdown = await exported(page.request, id, "md");
  for (const format of ["md", "html"] as const) {
    const file = await exported(page.request, id, format);
    const again = await importText(page.request, file, `again.${format}`);
    expect(await storedOutline(page.request, again)).toEqual(outline);
    const places = (await (await page.request.get(`/api/documents/${again}/places`)).json()) as {
      bookmarks: { name: string }[];
      links: { words: string; broken: boolean }[];
    };
    expect(places.bookmarks.map((bookmark) => bookmark.name)).toEqual(["gruber_place"]);
    expect(places.links.filter((each) => each.broken)).toEqual([]);
    expect(places.links.length).toBeGreaterThanOrEqual(2);
    expect(firstDifference(letters(markdown), letters(await exported(page.request, again, "md"))), format).toBeNull();
  }
});
