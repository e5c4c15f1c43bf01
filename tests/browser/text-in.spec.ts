import { expect, type Page } from "@playwright/test";
import {
  allKept,
  exported,
  importText,
  openDocument,
  pickRow,
  putCursor,
  row,
  shownOutline,
  storedOutline,
  test,
  choose,
  chooseCommand,
} from "./helpers";

const TEXT = "Nobody wrote down why the lamp went out, but three of them wrote down when it did.";
const FALSE_HEADINGS = `<html><body><p style="font-size:20pt"><b>The oil</b></p><p>${TEXT}</p><p><b>Colza</b></p><p>${TEXT}</p><p><b>Paraffin</b></p><p>${TEXT}</p><p style="font-size:20pt"><b>The men</b></p><p>${TEXT}</p><p><b>Do not trust this.</b></p><p>${TEXT}</p></body></html>`;

async function importOnDesk(page: Page, name: string, buffer: Buffer): Promise<void> {
  await page.goto("/");
  await page.locator("input[type=file]").setInputFiles({ name, mimeType: "application/octet-stream", buffer });
  await expect(page.getByRole("dialog")).toContainText("is on the desk");
}

test("false headings of an imported file are reviewed by groups, and become the outline that was shown", async ({
  page,
}) => {
  await importOnDesk(page, "lamps.html", Buffer.from(FALSE_HEADINGS));
  await expect(page.getByRole("dialog")).toContainText("4 lines look like headings and are none yet.");
  await page.getByRole("button", { name: /^Review / }).click();
  const preview = page.getByRole("group", { name: "The outline as it would become" });
  await expect(preview.getByRole("listitem")).toHaveText([
    "1The oil, new",
    "1.1Colza, new",
    "1.2Paraffin, new",
    "2The men, new",
  ]);
  await choose(page.getByLabel("What “Paraffin” is"), "no heading");
  await expect(preview.getByRole("listitem")).toHaveCount(3);
  await choose(page.getByLabel("What lines that are 168 % of the text’s size, bold are"), "level 2");
  await expect(preview.getByRole("listitem").first()).toHaveText("1The oil, new");
  await choose(page.getByLabel("What lines that are 168 % of the text’s size, bold are"), "level 1");
  await page.getByRole("button", { name: "Make 3 headings" }).click();
  await expect(page.getByRole("dialog")).toHaveCount(0);
  expect(await shownOutline(page)).toEqual(["1 The oil", "2 Colza", "1 The men"]);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("treeitem")).toHaveCount(1);
});

test("an import report says what was changed and lost, and leads to the place", async ({ page }) => {
  const html = `<html><body><h1>1 Oil</h1><p>a <a href="#nowhere">link</a> and a <a href="javascript:alert(1)">trick</a></p><h1>2 Men</h1><p>b<script>alert(2)</script></p></body></html>`;
  await importOnDesk(page, "report.html", Buffer.from(html));
  const dialog = page.getByRole("dialog");
  await expect(dialog.getByRole("region", { name: "Please look at" })).toContainText(
    "A link leads to a place that is nowhere in the file.",
  );
  await expect(dialog.getByRole("region", { name: "Could not be kept" })).toContainText("only its words were kept");
  await expect(dialog.getByRole("region", { name: "Changed" })).toContainText(
    "The numbers of 2 headings were taken off their words",
  );
  await expect(dialog.getByRole("region", { name: "Changed" })).toContainText("A script was left out.");
  await expect(dialog.getByRole("region", { name: "Kept", exact: true })).toContainText("2 headings");
  await dialog.getByRole("link", { name: "#nowhere" }).click();
  await expect(page.locator("[role=treeitem][aria-current]")).toContainText("Oil");
});

test("a line flagged in the margin becomes a heading with one click", async ({ page }) => {
  const id = await openDocument(page, `# Glass\n\n**A broken glass, 1895**\n\n${TEXT}\n`);
  await expect(page.getByText("“A broken glass, 1895” looks like a heading but is bold text.")).toBeVisible();
  await page.getByRole("button", { name: "Make it level 2" }).click();
  await expect.poll(() => storedOutline(page.request, id)).toEqual(["1 Glass", "2 A broken glass, 1895"]);
  await expect(page.getByText("looks like a heading")).toHaveCount(0);
});

test("several selected lines, and all items of a list, become headings at once", async ({ page }) => {
  const id = await openDocument(
    page,
    "# Start\n\nFirst line\n\nSecond line\n\n- an item\n  - an inner one\n- another\n",
  );
  const outline = () => storedOutline(page.request, id);
  await putCursor(page, "First line");
  await page.keyboard.press("Home");
  await page.keyboard.press("Shift+ArrowDown");
  await page.keyboard.press("Shift+End");
  await page.getByRole("button", { name: "Make these lines headings" }).click();
  await chooseCommand(page, "Headings, level 2");
  await expect.poll(outline).toEqual(["1 Start", "2 First line", "2 Second line"]);
  await putCursor(page, "an item", ".manuscript li p");
  await page.keyboard.press("Control+Alt+3");
  await expect
    .poll(outline)
    .toEqual(["1 Start", "2 First line", "2 Second line", "3 an item", "4 an inner one", "3 another"]);
  await putCursor(page, "another", ".manuscript .heading");
  await page.keyboard.press("Control+Alt+0");
  await expect.poll(outline).toEqual(["1 Start", "2 First line", "2 Second line", "3 an item", "4 an inner one"]);
  expect(await exported(page.request, id, "md")).toContain("another");
});

test("a paragraph becomes the title, what was there before goes to the offcuts, and back", async ({ page }) => {
  const id = await openDocument(page, "The frozen oil\n\n# One\n\ntext\n", "scan.md");
  await putCursor(page, "The frozen oil");
  await page.getByRole("button", { name: "Commands for this paragraph" }).click();
  await chooseCommand(page, "Make it the title");
  await expect(page.getByRole("heading", { name: "The frozen oil" })).toBeVisible();
  await expect.poll(() => storedOutline(page.request, id)).toEqual(["1 One"]);
  await page.getByRole("navigation", { name: "Tools" }).getByRole("button", { name: "Offcuts" }).click();
  await expect(page.getByRole("region", { name: "Offcuts" })).toContainText("Scan");
  await page.getByRole("button", { name: "This document" }).click();
  await chooseCommand(page, "Turn the title into a paragraph");
  await expect.poll(() => storedOutline(page.request, id)).toEqual(["0", "1 One"]);
  expect(await exported(page.request, id, "md")).toContain("The frozen oil");
  // Without a title the document is called by its first heading, here and on the desk.
  await expect(page.getByRole("banner").getByRole("button", { name: "One" })).toBeVisible();
  await page.goto("/");
  await expect(page.getByRole("link", { name: "One" }).first()).toBeVisible();
});

test("a long text is split by rule, after a look at what would come of it", async ({ page }) => {
  const chapters = [1, 2, 3].map((number) => `Chapter ${number}\n\n${TEXT}\n\n${TEXT}\n`).join("\n");
  const id = await openDocument(page, `Before it all.\n\n${chapters}`, "book.md");
  await page.getByRole("button", { name: "This document" }).click();
  await chooseCommand(page, "Split this section by rule…");
  const made = page.getByRole("list", { name: "New sections" }).getByRole("listitem");
  await expect(made).toHaveCount(3);
  await expect(made.first()).toContainText("Nobody wrote down why");
  await page.getByLabel("Separators").check();
  await expect(page.getByText("Nothing in this text is such a place to split at.")).toBeVisible();
  await page.getByLabel("Chapter lines").check();
  await page.getByRole("button", { name: "Split into 4 sections" }).click();
  await expect.poll(() => storedOutline(page.request, id)).toEqual(["0", "1 Chapter 1", "1 Chapter 2", "1 Chapter 3"]);
  expect(await exported(page.request, id, "md")).toContain("Before it all.");
});

test("text pasted from a web page keeps its headings, under the section it is pasted into", async ({ page }) => {
  const id = await openDocument(page, "# Start\n\nBefore.\n\nAfter.\n");
  await paste(page, "Before.", "<h2>Oil</h2><p>First.</p><h3>Colza</h3><p>Second <i>words</i>.</p>");
  await expect.poll(() => storedOutline(page.request, id)).toEqual(["1 Start", "2 Oil", "3 Colza"]);
  const text = await exported(page.request, id, "md");
  expect(text).toContain("Before.\n\n## Oil\n\nFirst.\n\n### Colza\n\nSecond *words*.\n\nAfter.");
  await page.getByRole("button", { name: "Undo" }).click();
  await expect.poll(() => storedOutline(page.request, id)).toEqual(["1 Start"]);
});

test("text pasted without headings offers the lines that look like some", async ({ page }) => {
  await openDocument(page, "# Start\n\nBefore.\n");
  await paste(page, "Before.", `<p><b>Colza</b></p><p>${TEXT}</p><p><b>Paraffin</b></p><p>${TEXT}</p>`);
  await expect(page.getByText("2 lines of what was pasted look like headings.")).toBeVisible();
  await page.getByRole("button", { name: "Review", exact: true }).click();
  await expect(page.getByRole("button", { name: "Make 2 headings" })).toBeVisible();
});

test("a plain text is pasted as it is, and read as Markdown when that is wanted", async ({ page }) => {
  const id = await openDocument(page, "# Lamps\n\nBefore.\n");
  await paste(page, "Before.", "\n## Oil\n\n- *colza*\n- whale\n", "text/plain");
  await expect(page.locator(".manuscript p").first()).toContainText("Before.");
  await expect(page.locator(".manuscript")).toContainText("## Oil");
  await page.getByRole("button", { name: "Read its signs as headings and lists" }).click();
  await expect(page.locator(".manuscript .heading").last()).toHaveText("Oil");
  await expect(page.locator(".manuscript li em")).toHaveText("colza");
  await allKept(page);
  expect(await exported(page.request, id, "md")).toMatch(/# Lamps\n\nBefore\.\n\n## Oil\n\n- \*colza\*\n- whale\n/);
});

async function paste(page: Page, after: string, pasted: string, kind = "text/html"): Promise<void> {
  await putCursor(page, after);
  await page.keyboard.press("End");
  await page.locator(".manuscript:focus").evaluate(
    (editor, [words, type]) => {
      const data = new DataTransfer();
      data.setData(type, words);
      editor.dispatchEvent(new ClipboardEvent("paste", { clipboardData: data, bubbles: true, cancelable: true }));
    },
    [pasted, kind] as const,
  );
}

test("a file is imported into a document, its levels fitted to the place", async ({ page }) => {
  const id = await openDocument(page, "# One\n\n## Two\n\n# Three\n");
  await pickRow(page, "Two");
  await page.keyboard.press("Shift+F10");
  await chooseCommand(page, "Import a file here…");
  await page
    .getByRole("dialog")
    .locator("input[type=file]")
    .setInputFiles({
      name: "more.md",
      mimeType: "text/markdown",
      buffer: Buffer.from("# Alpha\n\n## Beta\n\n# Gamma\n"),
    });
  await expect(page.getByRole("dialog")).toContainText("The file is in the document");
  await page.getByRole("button", { name: "Go on writing" }).click();
  await expect
    .poll(() => storedOutline(page.request, id))
    .toEqual(["1 One", "2 Two", "3 More", "4 Alpha", "5 Beta", "4 Gamma", "1 Three"]);
});

test("a starter gives outline, aims and required parts; its outline is kept as a starter of one’s own", async ({
  page,
}) => {
  await page.goto("/");
  await page.getByRole("button", { name: "New document" }).click();
  await page.getByLabel("Its title; it can be changed at any time").fill("Can a log be trusted?");
  await page.getByLabel("Research paper").check();
  await expect(page.getByRole("region", { name: "Outline of Research paper" })).toContainText("First argument");
  await page.getByRole("button", { name: "Begin" }).click();
  await expect(row(page, "First argument")).toHaveAccessibleName(/^1, First argument/);
  await expect(row(page, "Question and claim")).toHaveAccessibleName(/^0, Question and claim/);
  await row(page, "Rebuttal").click();
  await expect(page.getByLabel("Aim of this section")).toHaveValue(
    "Why the claim stands all the same, or what is left of it.",
  );
  await page.getByRole("navigation", { name: "Tools" }).getByRole("button", { name: "Check" }).click();
  await expect(page.getByRole("region", { name: "Check" })).toContainText("The part “Rebuttal” has no text yet.");
  await pickRow(page, "Rebuttal");
  await page.keyboard.press("Delete");
  await expect(page.getByRole("region", { name: "Check" })).toContainText("The part “Rebuttal” is missing.");
  await page.getByRole("button", { name: "This document" }).click();
  await chooseCommand(page, "Keep this outline as a starter…");
  await page.getByRole("dialog").getByRole("textbox").fill("My paper");
  await page.keyboard.press("Enter");
  await expect(page.getByText("“My paper” is among the starters now.")).toBeVisible();
  await page.goto("/");
  await page.getByRole("button", { name: "New document" }).click();
  await page.getByLabel("My paper", { exact: true }).check();
  await expect(page.getByRole("region", { name: "Outline of My paper" })).toContainText("Counter-argument");
  await page.getByRole("button", { name: "Take the starter My paper away" }).click();
  await expect(page.getByLabel("My paper", { exact: true })).toHaveCount(0);
});

test("a numbered book keeps its own numbers, also after a move, and in the file that is written", async ({ page }) => {
  const id = await importText(
    page.request,
    "# Part I: Dawn\n\n## Chapter 1: Oil\n\n## Chapter 2: Men\n\n# Part II: Dusk\n\n## Chapter 3: Loss\n",
    "book.md",
  );
  await page.goto(`/documents/${id}`);
  await expect(row(page, "Loss")).toHaveAccessibleName(/^Chapter 3, Loss/);
  await pickRow(page, "Men");
  await page.keyboard.press("Control+Shift+ArrowUp");
  await expect(row(page, "Men")).toHaveAccessibleName(/^Chapter 1, Men/);
  expect(await exported(page.request, id, "md")).toContain("## Chapter 1 Men\n\n## Chapter 2 Oil");
});

test("chapters that have only a number are called by it, and miss no heading", async ({ page }) => {
  const id = await openDocument(page, "# Chapter 1\n\nIt was dark.\n\n# Chapter 2\n\nIt was light.\n", "Novel.md");
  await expect(page.getByRole("treeitem", { name: "Chapter 2, 3 words" })).toBeVisible();
  await expect(page.getByText("No heading yet")).toBeHidden();
  await expect(page.getByRole("navigation", { name: "Path to the current section" })).toHaveText("Chapter 1");
  await page.keyboard.press("Control+j");
  await page.keyboard.type("chapter 2");
  await expect(page.getByRole("option")).toHaveText(["Chapter 2"]);
  await page.keyboard.press("Escape");
  await page.getByPlaceholder("Words of a heading").fill("chapter 2");
  await expect(page.getByRole("treeitem")).toHaveCount(1);
  await page.keyboard.press("Escape");
  await pickRow(page, "Chapter 2");
  await page.keyboard.press("Control+Shift+ArrowUp");
  await expect(page.getByText("Moved “Chapter 2” up.")).toBeVisible();
  expect(await exported(page.request, id, "md")).toContain(
    "# Chapter 1\n\nIt was light.\n\n# Chapter 2\n\nIt was dark.",
  );
  await page.keyboard.press("F2");
  await page.getByLabel("Heading", { exact: true }).fill("The lamp");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("treeitem", { name: "Chapter 1, The lamp, 3 words" })).toBeVisible();
});

test("the menu of the text cuts, copies and pastes", async ({ page, context }) => {
  await context.grantPermissions(["clipboard-read", "clipboard-write"]);
  const id = await openDocument(page, "# Lamps\n\nOne two.\n\nLast.\n");
  await putCursor(page, "One two.");
  await page.keyboard.press("Home");
  for (let step = 0; step < 4; step++) await page.keyboard.press("Shift+ArrowRight");
  await page.getByText("One two.").click({ button: "right", position: { x: 12, y: 10 } });
  await chooseCommand(page, "Cut");
  await expect(page.locator(".manuscript p").first()).toHaveText("two.");
  await putCursor(page, "Last.");
  await page.keyboard.press("End");
  await page.getByText("Last.").click({ button: "right" });
  await chooseCommand(page, "Paste");
  await expect(page.locator(".manuscript p").last()).toHaveText(/One/);
  await page.keyboard.type("!");
  await allKept(page);
  expect(await exported(page.request, id, "md")).toMatch(/two\.\n\n.*One !?/);
});
