import { expect, type Page } from "@playwright/test";
import { allKept, chooseCommand, exported, openDocument, pickRow, putCursor, row, test } from "./helpers";

/** Does what the jump box offers for some words. */
async function command(page: Page, words: string): Promise<void> {
  await page.keyboard.press("Control+j");
  await page.keyboard.type(words);
  await expect(page.getByRole("option").first()).toBeVisible();
  await page.keyboard.press("Enter");
}

const sea =
  '<figure><img src="data:image/png;base64,iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAQAAAC1HAwCAAAAC0lEQVR42mNk+A8AAQUBAScY42YAAAAASUVORK5CYII=" alt="The sea"><figcaption>The sea at the mole</figcaption></figure>';
const readings = "<table><caption>Readings of the day</caption><tr><td>6</td><td>1013</td></tr></table>";

test.describe("footnotes", () => {
  const text =
    "# Coast\n\nThe mole[^a] and the lamp[^b] stand.\n\n# Vane\n\nIt turns[^c] north.\n\n[^a]: Of granite.\n[^b]: Lit in *June*.\n[^c]: A vane.\n";

  test("show their number in the text and their words under the section, in one count", async ({ page }) => {
    await openDocument(page, text);
    const lists = page.locator(".apparatus");
    await expect(lists.first().getByRole("listitem")).toHaveText(["Of granite.", "Lit in June."]);
    await expect(lists.last()).toHaveAttribute("start", "3");
    const numberIn = (note: number) =>
      page
        .locator(".footnote")
        .nth(note)
        .evaluate((each) => getComputedStyle(each.closest(".section-text")!).counterReset);
    await expect.poll(() => numberIn(2)).toBe("note 2");

    await pickRow(page, "Vane");
    await page.keyboard.press("Control+Shift+ArrowUp");
    await expect(lists.first().getByRole("listitem")).toHaveText(["A vane."]);
    await expect(lists.last()).toHaveAttribute("start", "2");
  });

  test("are written in where their number is clicked, and the text goes on after them", async ({ page }) => {
    const id = await openDocument(page, text);
    const note = page.locator(".footnote").nth(1);
    await expect(note).not.toHaveClass(/open/);
    const box = (await note.boundingBox())!;
    await page.mouse.click(box.x + box.width / 2, box.y - 7);
    await expect(note).toHaveClass(/open/);
    await page.keyboard.type(" And in July.");
    await page.keyboard.press("Escape");
    await page.keyboard.type(" now");
    await expect(note).not.toHaveClass(/open/);
    await page.getByRole("button", { name: "Of granite." }).click();
    await page.keyboard.type(" Grey.");
    await expect(page.locator(".apparatus").first().getByRole("listitem").first()).toHaveText("Of granite. Grey.");
    await allKept(page);
    const markdown = await exported(page.request, id, "md");
    expect(markdown).toContain("The mole[^1] and the lamp[^2] now stand.");
    expect(markdown).toContain("[^1]: Of granite. Grey.");
    expect(markdown).toContain("[^2]: Lit in *June*. And in July.");
  });
});

test("pictures and tables are counted, and a reference to one follows it", async ({ page }) => {
  const id = await openDocument(page, `# Coast\n\n${sea}\n\n# Vane\n\n${readings}\n\n${sea}\n\nEnd.\n`);
  await putCursor(page, "End.");
  await page.keyboard.press("End");
  await page.keyboard.type(" See ");
  await command(page, "refer to");
  await page.getByLabel("A heading, a bookmark, a figure or a table").fill("figure 2");
  await page.keyboard.press("Enter");
  const reference = page.locator(".cross-reference");
  await expect(reference).toHaveText("Figure 2");
  await page.keyboard.type(".");
  await expect(page.locator(".manuscript p").last()).toHaveText("End. See Figure 2.");

  await pickRow(page, "Vane");
  await page.keyboard.press("Control+Shift+ArrowUp");
  await expect(reference).toHaveText("Figure 1");
  await allKept(page);
  const html = await exported(page.request, id, "html");
  expect(html).toContain('<caption><span class="caption-number">Table 1. </span>Readings of the day</caption>');
  expect(html).toMatch(/data-shows="number" href="#The_sea_at_the_mole">Figure 1<\/a>/);

  await reference.hover();
  await page.getByRole("button", { name: "Change…" }).click();
  await page.getByLabel("both").check();
  await page.getByLabel("A heading, a bookmark, a figure or a table").fill("readings");
  await page.keyboard.press("Enter");
  await expect(reference).toHaveText("Table 1 Readings of the day");

  await page.keyboard.press("Control+j");
  await page.keyboard.type("readings");
  await page.getByRole("option").filter({ hasText: "Table 1" }).click();
  await page.keyboard.type("All ");
  await expect(page.locator(".manuscript .caption")).toHaveText(/^All .*Readings of the day$/);
});

test("a bookmark is renamed, taken away after a question, and named again: links follow", async ({ page }) => {
  const id = await openDocument(page, "# Coast\n\nThe mole stands here.\n\n# Vane\n\nSee\n");
  await putCursor(page, "The mole");
  await page.keyboard.press("Home");
  await command(page, "bookmark here");
  await page.getByRole("dialog").getByRole("textbox").fill("mole");
  await page.keyboard.press("Enter");
  const flag = page.locator(".manuscript .bookmark");
  await expect(flag).toHaveText("mole");

  await putCursor(page, "See");
  await page.keyboard.press("End");
  await page.keyboard.type(" ");
  await page.keyboard.press("Control+k");
  await page.getByLabel("The words of the link").fill("the mole");
  await page.getByLabel("A heading, a bookmark, a figure or a table").fill("mole");
  await page.keyboard.press("Enter");
  // The dialog stays for its hint.
  await expect(page.getByRole("dialog").getByText("It leads to mole.")).toBeVisible();
  await page.getByLabel("A hint").fill("where boats lie");
  await page.keyboard.press("Enter");
  await page.keyboard.type(" first");
  await expect(page.locator(".manuscript p").last()).toHaveText("See the mole first");
  await allKept(page);

  await flag.hover();
  await expect(page.getByText("Links in 1 section lead here.")).toBeVisible();
  await page.getByRole("button", { name: "Rename…" }).click();
  await page.getByRole("dialog").getByRole("textbox").fill("north_mole");
  await page.keyboard.press("Enter");
  await expect(flag).toHaveText("north_mole");
  await page.keyboard.type("Old ");
  await expect(flag).toHaveText("north_mole");
  await page.locator(".manuscript a[data-target]").hover();
  await expect(page.getByText("“north_mole”, in 1 Coast")).toBeVisible();

  await flag.hover();
  await page.getByRole("button", { name: "Take the bookmark away" }).click();
  await page.getByRole("button", { name: "Take it away" }).click();
  await expect(flag).toHaveCount(0);
  await expect(page.locator(".broken")).toHaveText("the mole");
  await allKept(page);

  await putCursor(page, "See");
  await page.keyboard.press("Home");
  await command(page, "bookmark here");
  await page.getByRole("dialog").getByRole("textbox").fill("north_mole");
  await page.keyboard.press("Enter");
  await expect(flag).toHaveText("north_mole");
  await expect(page.locator(".broken")).toHaveCount(0);
  expect(await exported(page.request, id, "md")).toContain("[the mole](<#north_mole>)");
});

test("a letter typed on a bookmark that was clicked does not take its place", async ({ page }) => {
  await openDocument(page, '# Coast\n\nThe <a id="mole" class="bookmark"></a>mole stands.\n');
  await page.locator(".manuscript .bookmark").click();
  await page.keyboard.type("old ");
  await expect(page.locator(".manuscript .bookmark")).toHaveText("mole");
  await expect(page.locator(".manuscript p").first()).toHaveText("The moleold mole stands.");
  await expect(row(page, "Coast")).toBeVisible();
});

test("the way back leads to the very spot that was left", async ({ page }) => {
  await openDocument(page, "# Coast\n\nOne line here.\n\nAnother line stands.\n\n# Vane\n\nIt turns.\n");
  await putCursor(page, "Another line");
  await page.keyboard.press("Home");
  for (let step = 0; step < 7; step++) await page.keyboard.press("ArrowRight");
  await page.keyboard.press("Control+j");
  await page.keyboard.type("vane");
  await page.keyboard.press("Enter");
  await page.keyboard.type("North ");
  await expect(page.locator(".manuscript .heading").last()).toHaveText("North Vane");
  await page.keyboard.press("Control+[");
  await page.keyboard.type("§");
  await expect(page.locator(".manuscript p").nth(1)).toHaveText("Another§ line stands.");
});

test("a file is kept with the document, and the link to it downloads it", async ({ page }) => {
  await openDocument(page, "# Log\n\nSee\n");
  await putCursor(page, "See");
  await page.keyboard.press("End");
  await page.keyboard.type(" ");
  await page.keyboard.press("Control+k");
  const field = page.getByRole("dialog").locator("input[type=file]");
  await field.setInputFiles({ name: "run.exe", mimeType: "application/octet-stream", buffer: Buffer.from("MZ") });
  await expect(page.getByText("Files of this kind are not kept")).toBeVisible();
  await field.setInputFiles({ name: "The log.csv", mimeType: "text/csv", buffer: Buffer.from("hour,hPa\n6,1013\n") });
  await expect(page.getByText("It leads to The log.csv.")).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(page.locator(".manuscript a")).toHaveText("The log.csv");
  await page.keyboard.type(" now");
  await expect(page.locator(".manuscript p")).toHaveText("See The log.csv now");
  await allKept(page);
  await page.locator(".manuscript a").hover();
  await expect(page.getByText("The log.csv, kept with the document")).toBeVisible();
  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: "Open", exact: true }).click();
  expect((await download).suggestedFilename()).toBe("The log.csv");

  // It does not go into what is written, which is told before.
  await page.getByRole("button", { name: "Export" }).click();
  await chooseCommand(page, "Web page");
  await expect(page.getByRole("dialog")).toContainText("One kept file stays here");
  await expect(page.getByRole("dialog")).toContainText("The log.csv");
  const written = page.waitForEvent("download");
  await page.getByRole("button", { name: "Write the file" }).click();
  await written;
  await expect(page.getByRole("dialog")).toHaveCount(0);
});

test("selected words are named; the name goes with them, and its end with it", async ({ page }) => {
  const id = await openDocument(page, "# Coast\n\nThe old mole stands.\n\nIt was built twice.\n\n# Vane\n\nSee\n");
  await putCursor(page, "The old mole");
  await page.keyboard.press("Home");
  for (let step = 0; step < 4; step++) await page.keyboard.press("ArrowRight");
  await page.keyboard.press("Shift+ArrowDown");
  await page.keyboard.press("Shift+End");
  await page.getByRole("button", { name: /^Bookmark here/ }).click();
  await expect(page.getByRole("dialog")).toContainText("Name these words");
  await page.getByRole("dialog").getByRole("textbox").fill("mole");
  await page.keyboard.press("Enter");
  await expect(page.getByText("“mole” is bookmarked.")).toBeVisible();
  // Writing goes on behind the words, once they have their name.
  await page.keyboard.type(" Q");
  await expect(page.getByText("It was built twice. Q")).toBeVisible();
  await page.keyboard.press("Backspace");
  await page.keyboard.press("Backspace");
  const named = page.locator(".manuscript .named-stretch");
  await expect(named).toHaveText(["old mole stands.", "It was built twice."]);
  await allKept(page);
  expect(await exported(page.request, id, "md")).toContain(
    'The <a id="mole"></a>old mole stands.\n\nIt was built twice.<a class="bookmark-end" data-of="mole"></a>',
  );

  // Words written within are named too; without the bookmark there is no end of it.
  await putCursor(page, "It was built");
  await page.keyboard.press("Home");
  await page.keyboard.type("And ");
  await expect(named.last()).toHaveText("And It was built twice.");
  // What is written and what is taken away in the same moment are one step.
  await allKept(page);
  await page.locator(".manuscript .bookmark").hover();
  await page.getByRole("button", { name: "Take the bookmark away" }).click();
  await expect(named).toHaveCount(0);
  await expect(page.locator(".bookmark-end")).toHaveCount(0);
  await allKept(page);
  await expect.poll(() => exported(page.request, id, "md")).not.toContain("bookmark-end");
  await page.keyboard.press("Control+z");
  await expect(named).toHaveText(["old mole stands.", "And It was built twice."]);
});

test("figures and tables go without numbers where the writer wants none", async ({ page }) => {
  const id = await openDocument(page, `# Coast\n\n${sea}\n`);
  const caption = () => page.locator("figcaption").evaluate((each) => getComputedStyle(each, "::before").content);
  await expect.poll(caption).toBe('"Figure 1. "');
  await page.keyboard.press("Control+j");
  await page.keyboard.type("about document");
  await page.keyboard.press("Enter");
  await page.getByLabel("Pictures and tables with words under or over them").click();
  await page.getByRole("option", { name: "bear no numbers" }).click();
  await page.getByRole("button", { name: "Keep this" }).click();
  await expect.poll(caption).not.toContain("Figure");
  expect(await exported(page.request, id, "html")).toContain("<figcaption>The sea at the mole</figcaption>");
  await page.keyboard.press("Control+z");
  await expect.poll(caption).toBe('"Figure 1. "');
});

test("links to the web, mail and files stand among the links, and lead where they say", async ({ page, context }) => {
  await openDocument(
    page,
    "# Lamps\n\nSee [the act](https://example.org/act?x=1), or [ask](mailto:ines@example.org).\n\n# Gales\n\nIn [the log](log.txt).\n",
  );
  await page.getByRole("button", { name: "Links" }).click();
  const drawer = page.getByRole("region", { name: "Links" });
  await expect(drawer.getByRole("button", { name: /^the act/ })).toContainText("https://example.org/act?x=1");
  await expect(drawer.getByRole("button", { name: /^ask/ })).toContainText("ines@example.org");
  await expect(drawer.getByRole("button", { name: /^the log/ })).toContainText("log.txt");
  await drawer.getByRole("button", { name: "2", exact: true }).click();
  await expect(page.getByRole("treeitem", { name: /Gales/ })).toHaveAttribute("aria-current", "location");
  const asked = context.waitForEvent("request", (each) => each.url().includes("example.org/act"));
  await drawer.getByRole("button", { name: /^the act/ }).click();
  expect((await asked).url()).toBe("https://example.org/act?x=1");
});
