import { execFileSync } from "node:child_process";
import { readFileSync } from "node:fs";
import { expect, type APIRequestContext, type Page } from "@playwright/test";
import { allKept, chooseCommand, expectClean, openDocument, pickRow, row, test, pagesFile } from "./helpers";

const DEMO = readFileSync("demo/the-keepers-weather.md", "utf8");
const sentences = (count: number, about: string) =>
  Array.from({ length: count }, (_, index) => `The ${about} was read and written down for the ${index}th time.`).join(
    " ",
  );
const BOOK = [
  "---\ntitle: The Log\nauthor: Ines Corvale\n---\n",
  '# Preface <a id="sec-preface" class="unnumbered"></a>\n\nBefore it all.\n',
  ...[
    ["Lamps", "Lamp"],
    ["Gales", "Gale"],
    ["Glasses", "Glass"],
  ].map(
    ([many, one]) =>
      `# ${many}\n\n${sentences(40, "lamp")}\n\n## ${one} by day\n\n${sentences(40, "gale")}\n\n## ${one} by night\n\n${sentences(30, "glass")}\n`,
  ),
].join("\n");

const proof = (page: Page) => page.getByRole("main", { name: "Proof" });
const sheets = (page: Page) => proof(page).locator("[data-sheet] .proof-words");
const status = (page: Page) => proof(page).getByRole("status").first();

async function toProof(page: Page): Promise<void> {
  await page.getByRole("link", { name: "Proof" }).click();
  await expect(sheets(page).locator("span").first()).toBeAttached({ timeout: 20_000 });
}

/** The lines of the document’s own file, as poppler reads them. */
async function printed(request: APIRequestContext, id: string, query = ""): Promise<string> {
  const input = await pagesFile(request, id, query);
  return execFileSync("pdftotext", ["-layout", "-enc", "UTF-8", "-", "-"], { input }).toString();
}

/** What the outline says of the page of a section. */
async function pageOf(page: Page, heading: string): Promise<string> {
  const label = (await row(page, heading).first().getAttribute("aria-label")) ?? "";
  return /, page ([^,]+)/.exec(label)?.[1] ?? "";
}

test.describe("Proof", () => {
  test("opens where the writer is; leafs by key; a click on a line leads to its text, and back", async ({ page }) => {
    await openDocument(page, BOOK);
    await pickRow(page, "Gale by day");
    await toProof(page);
    await expect(sheets(page).filter({ hasText: "Gale by day" })).toHaveCount(1);
    await expect.poll(() => pageOf(page, "Gale by day")).toMatch(/^\d+$/);
    await expect(status(page)).toContainText(await pageOf(page, "Gale by day"));

    await page.getByRole("region", { name: "Printed pages" }).focus();
    await page.keyboard.press("Home");
    await expect(sheets(page).filter({ hasText: "Ines Corvale" })).toHaveCount(1);
    await page.keyboard.press("ArrowRight");
    await expect(sheets(page).filter({ hasText: "Before it all." })).toHaveCount(1);
    await page.keyboard.press("End");
    await expect(status(page)).toContainText(/and|Page \d+ of/);
    await page.keyboard.press("PageUp");

    await page.getByRole("treeitem", { name: /Gale by day/ }).click();
    await sheets(page).locator("span", { hasText: "written down" }).first().click();
    await expect(page).toHaveURL(/\/documents\/\w+$/);
    // The next letter goes where the line was.
    await expect(page.locator(".manuscript:focus")).toHaveCount(1);
    await page.keyboard.type("X");
    await expect(page.locator(".manuscript p", { hasText: "X" })).toContainText(/was read/);
    await allKept(page);
    await toProof(page);
    await expect(sheets(page).filter({ hasText: "X" })).not.toHaveCount(0);
  });

  test("page numbers stand in the outline when wished, and follow a change", async ({ page }) => {
    await openDocument(page, BOOK);
    await page.getByTitle("Page numbers in place of words").click();
    await expect.poll(() => pageOf(page, "Glass by night")).toMatch(/^\d+$/);
    const before = Number(await pageOf(page, "Glass by night"));
    await pickRow(page, "Lamps");
    await page.keyboard.press("Delete");
    await expect.poll(async () => Number(await pageOf(page, "Glass by night"))).toBeLessThan(before);
    await page.keyboard.press("Control+z");
    await expect.poll(async () => Number(await pageOf(page, "Glass by night"))).toBe(before);
    await page.reload();
    await expect.poll(async () => Number(await pageOf(page, "Glass by night"))).toBe(before);
  });

  test("contents with dots and pages, on a page of their own: one line reworded, one left out, one for a bookmark; three sections move; refreshed", async ({
    page,
  }) => {
    const id = await openDocument(page, `${BOOK}\n# Wick <a id="the_wick" class="bookmark"></a>\n\nAbout the wick.\n`);
    await pickRow(page, "Preface");
    await page.getByRole("button", { name: "Contents", exact: true }).click();
    const drawer = page.getByRole("region", { name: "Contents", exact: true });
    await drawer.getByRole("button", { name: "Make contents…" }).click();
    await page.getByRole("dialog").getByRole("button", { name: "Make the contents" }).click();
    await expect(page.locator(".manuscript nav[aria-label=Contents]")).toBeVisible();
    await drawer.getByText("How they look").click();
    await drawer.getByLabel("On a page of their own").click();
    await drawer.getByText("Lines", { exact: true }).click();
    const line = drawer.getByLabel("Words of the line for “Lamp by day”");
    await line.fill("Of lamps");
    await line.press("Enter");
    await drawer.getByLabel("“Lamp by night” stands in the contents").click();
    await drawer.getByLabel("Bookmark to add a line for").click();
    await page.getByRole("option", { name: "the_wick" }).click();
    await drawer.getByRole("button", { name: "Add a line" }).click();
    await expect(drawer.getByRole("combobox", { name: "Bookmark to add a line for" })).toBeFocused();
    await expect(drawer.getByText("By your hand: 3 lines")).toBeVisible();

    for (const heading of ["Glasses", "Gale by night", "Lamp by day"]) {
      await pickRow(page, heading);
      await page.keyboard.press("Control+Shift+ArrowUp");
    }
    await expect(drawer.getByText(/Behind the document: \d+ lines change/)).toBeVisible();
    await drawer.getByRole("button", { name: "Update the contents" }).click();
    await expect(drawer.getByText(/Behind the document/)).toHaveCount(0);
    await expect(drawer.getByText("By your hand: 3 lines")).toBeVisible();

    // Every number is the page that is printed, and the hand work is there.
    const text = await printed(page.request, id);
    const lines = [...text.matchAll(/^\s*(\S.*?)\s*(?:\. ){4,}\.?\s*([ivx]+|\d+)$/gm)].map((match) => [
      match[1],
      match[2],
    ]);
    expect(lines.map(([words]) => words?.replace(/^[\d.]+ /, ""))).toEqual(
      expect.arrayContaining(["Of lamps", "the wick", "Glasses", "Gale by night"]),
    );
    expect(text).not.toMatch(/Lamp by night\s*\. \. \./);
    const byLabel = new Map(text.split("\f").map((each) => [each.trim().split("\n").at(-1)?.trim(), each]));
    for (const [words = "", label] of lines.filter(([words]) => !/Of lamps|the wick/.test(words ?? "")))
      expect(byLabel.get(label)).toMatch(new RegExp(words.replace(/ +/, " +")));

    // Undone at once, each by itself.
    await page.keyboard.press("Control+z");
    await expect(drawer.getByText(/Behind the document/)).toBeVisible();
  });

  test("a line of contents is changed on the page, where it is marked when it is behind", async ({ page }) => {
    await openDocument(page, `# Preface {-}\n\nBefore it all.\n\n# Lamps\n\nOf lamps.\n\n# Gales\n\nOf gales.\n`);
    await page.locator(".manuscript p", { hasText: "Before it all." }).click();
    await page.keyboard.press("Control+j");
    await page.getByRole("combobox").fill("table of contents here");
    await page.keyboard.press("Enter");
    await page.getByRole("dialog").getByRole("button", { name: "Make the contents" }).click();
    await expect(page.locator(".manuscript nav[aria-label=Contents]")).toBeVisible();
    await toProof(page);
    const line = (words: RegExp) => proof(page).getByRole("button", { name: words });
    const words = page.getByRole("textbox", { name: /Words of the line/ });

    // The words of a line lead to the page that it names.
    await sheets(page)
      .locator("span", { hasText: /^Gales$/ })
      .first()
      .click();
    const shown = proof(page).locator("[data-sheet][aria-current=page]").first();
    await expect(shown).toHaveAttribute("aria-label", `Page ${await pageOf(page, "Gales")}`);
    await expect(page).toHaveURL(/\/proof$/);
    await pickRow(page, "Preface");

    // By mouse: what was typed is kept by a click beside it.
    await line(/Change the line “Lamps”/).click();
    await words.fill("Of all the lamps");
    await page.mouse.click(640, 640);
    await expect(words).toHaveCount(0);
    await expect(line(/Change the line “Of all the lamps”, by hand/)).toBeVisible();

    // By keys, from line to line; no page is leafed.
    await line(/Change the line “Preface”/).focus();
    await page.keyboard.press("End");
    await expect(line(/Change the line “Gales”/)).toBeFocused();
    await page.keyboard.press("Enter");
    await expect(words).toBeFocused();
    await page.keyboard.type("Of gales");
    await page.keyboard.press("Enter");
    await expect(line(/Change the line “Of gales”, by hand/)).toBeFocused();

    await pickRow(page, "Preface");
    await page.keyboard.press("F2");
    await page.keyboard.type("Foreword");
    await page.keyboard.press("Enter");
    await expect(proof(page).getByText("In “Contents” 1 line is behind the document.")).toBeVisible();
    await line(/Change the line “Preface”, behind the document/).click();
    await expect(page.getByText("“Preface” is now “Foreword”")).toBeVisible();
    await page.getByRole("button", { name: "Bring up to date" }).first().click();
    await expect(proof(page).getByText(/behind the document/)).toHaveCount(0);
    await expect(line(/Change the line “Foreword”/)).toBeAttached();

    await line(/Change the line “Of gales”/).click();
    await page.getByRole("button", { name: "How they look…" }).click();
    const settings = page.getByRole("dialog", { name: "How “Contents” look" });
    await expect(settings.getByLabel("Title")).toBeFocused();
    await settings.getByLabel("On a shade").click();
    await expect(settings.getByLabel("On a shade")).toBeChecked();
    await page.keyboard.press("Escape");
    await expect(settings).toHaveCount(0);
    await line(/Change the line “Of gales”/).click();
    await page.getByRole("button", { name: "Leave out" }).click();
    await expect(line(/Of gales/)).toHaveCount(0);
    await page.keyboard.press("Control+z");
    await expect(line(/Of gales/)).toBeAttached();
  });

  test("contents are set up where they stand: in the text, and on the page, which is followed", async ({ page }) => {
    const id = await openDocument(page, BOOK);
    await page.locator(".manuscript p", { hasText: "Before it all." }).click();
    await page.keyboard.press("Control+j");
    await page.getByRole("combobox").fill("table of contents here");
    await page.keyboard.press("Enter");
    await page.getByRole("dialog").getByRole("button", { name: "Make the contents" }).click();
    const block = page.locator(".manuscript nav[data-contents]");
    await expect(block.getByRole("link")).toHaveCount(10);

    await block.getByRole("button", { name: "Change these contents" }).click();
    const panel = page.getByRole("dialog", { name: /^How “.*” look$/ });
    await panel.getByRole("button", { name: "Level 2" }).click();
    await expect(block.getByRole("link")).toHaveCount(4);
    await panel.getByLabel("Title").fill("What stands where");
    await page.keyboard.press("Enter");
    await expect(panel.getByLabel("Title")).toBeFocused();
    await panel.getByLabel("With the numbers of the headings").click();
    await expect(block).toHaveAttribute("aria-label", "What stands where");
    await expect(block.getByRole("link")).toHaveText(["Preface", "Lamps", "Gales", "Glasses"]);
    await panel.getByText("Lines", { exact: true }).click();
    const words = panel.getByLabel("Words of the line for “Gales”");
    await words.fill("Of gales");
    await page.keyboard.press("Enter");
    await expect(words).toBeFocused();
    await expect(block.getByRole("link", { name: "Of gales" })).toBeVisible();
    await page.keyboard.press("Control+z");
    await words.fill("");
    await page.keyboard.press("Enter");
    await expect(words).toHaveValue("Gales");
    await words.fill("Of gales");
    await panel.getByRole("button", { name: "Done" }).click();
    await expect(panel).toHaveCount(0);
    await expect(block.getByRole("link", { name: "Of gales" })).toBeVisible();
    // The cursor is in the text again, where it was.
    await page.keyboard.type("Once. ");
    await expect(page.locator(".manuscript")).toContainText("Once.");

    await toProof(page);
    await pickRow(page, "Preface");
    const shown = proof(page).locator("[data-sheet][aria-current=page]").first();
    await expect(sheets(page).filter({ hasText: "What stands where" })).toHaveCount(1);
    await proof(page).getByRole("button", { name: "How “What stands where” look" }).focus();
    await page.keyboard.press("Enter");
    const before = await shown.getAttribute("aria-label");
    await panel.getByLabel("On a page of their own").click();
    await expect(shown).not.toHaveAttribute("aria-label", before ?? "", { timeout: 15_000 });
    await expect(sheets(page).filter({ hasText: "What stands where" })).toHaveCount(1);
    await panel.getByLabel("Title").fill("Where it stands");
    // By a click beside it, and what was typed is kept.
    await page.mouse.click(322, 400);
    await expect(panel).toHaveCount(0);
    await expect(sheets(page).filter({ hasText: "Where it stands" })).toHaveCount(1, { timeout: 15_000 });
    expect(await printed(page.request, id)).toMatch(/^[\f ]*Where it stands\n+ *Preface(?: ?\.)+ *i+\n+ *Lamps/m);
  });

  test("a line of a list of pictures leads to the page of its picture, also before the list is brought up to date", async ({
    page,
  }) => {
    const picture = `<figure><img src="data:image/png;base64,iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAQAAAC1HAwCAAAAC0lEQVR42mNk+A8AAQUBAScY42YAAAAASUVORK5CYII=" alt=""><figcaption>A lamp by night</figcaption></figure>`;
    await openDocument(page, `# List\n\nHere.\n\n# Lamps\n\nOf lamps.\n\n${sentences(150, "lamp")}\n\n${picture}\n`);
    await pickRow(page, "List");
    await page.getByRole("button", { name: "Contents", exact: true }).click();
    const drawer = page.getByRole("region", { name: "Contents", exact: true });
    await drawer.getByRole("button", { name: "Make contents…" }).click();
    await page.getByRole("dialog").getByRole("button", { name: "Make the contents" }).click();
    await drawer.getByText("How they look").click();
    await drawer.getByLabel("Made of").click();
    await page.getByRole("option", { name: "the pictures" }).click();
    await expect(page.locator(".manuscript nav[data-contents]").getByRole("link")).toHaveText([/A lamp by night/]);

    // A table before it shifts the count in the section, and not the page.
    await page.locator(".manuscript p", { hasText: "Of lamps." }).click();
    await page.keyboard.press("Control+j");
    await page.getByRole("combobox").fill("grid rows");
    await page.keyboard.press("Enter");
    await page.getByRole("button", { name: "Insert the table" }).click();
    await expect(page.locator(".manuscript table")).toBeVisible();
    await allKept(page);
    await toProof(page);
    await pickRow(page, "List");
    const line = sheets(page).locator("span", { hasText: "A lamp by night" }).first();
    await line.click();
    const shown = proof(page).locator("[data-sheet][aria-current=page]").first();
    await expect(shown).not.toHaveAttribute("aria-label", `Page ${await pageOf(page, "Lamps")}`);
    const label = ((await shown.getAttribute("aria-label")) ?? "").replace("Page ", "");
    await expect(shown.locator(".proof-words")).toContainText("A lamp by night");
    await drawer.getByText("Lines", { exact: true }).click();
    await expect(
      drawer.getByRole("listitem").filter({ has: page.getByLabel(/“A lamp by night” stands/) }),
    ).toContainText(label);
  });

  test("some pages are printed by the numbers on them, and written as a file", async ({ page }) => {
    await openDocument(page, BOOK);
    await toProof(page);
    await page.evaluate(() => {
      const made = URL.createObjectURL.bind(URL);
      URL.createObjectURL = (blob: Blob) => (Object.assign(window, { printedBlob: blob }), made(blob));
    });
    const bytes = () =>
      page.evaluate(async () => {
        const { printedBlob } = window as unknown as { printedBlob?: Blob };
        return printedBlob ? [...new Uint8Array(await printedBlob.arrayBuffer())] : [];
      });
    await proof(page).getByRole("button", { name: "Print…" }).click();
    const panel = page.getByRole("dialog", { name: "Print" });
    await panel.getByRole("radio", { name: "Some pages" }).click();
    await panel.getByRole("button", { name: "Print", exact: true }).click();
    await expect(panel.getByRole("alert")).toHaveText("Say which pages, such as 3–7.");
    await panel.getByLabel("Which, by their numbers").fill("99");
    await panel.getByRole("button", { name: "Print", exact: true }).click();
    await expect(panel.getByRole("alert")).toHaveText("There is no page “99”.");
    await expect(panel.getByLabel("Which, by their numbers")).toHaveValue("99");
    await panel.getByLabel("Which, by their numbers").fill("2–3, 5");
    await page.keyboard.press("Enter");
    await expect(panel).toHaveCount(0);
    await expect(page.locator("iframe[data-printed]")).toBeAttached();
    const text = execFileSync("pdftotext", ["-layout", "-", "-"], { input: Buffer.from(await bytes()) }).toString();
    const pages = text.split("\f").slice(0, -1);
    expect(pages.map((each) => each.trim().split("\n").at(-1)?.trim())).toEqual(["2", "3", "5"]);

    await proof(page).getByRole("button", { name: "Print…" }).click();
    await panel.getByRole("radio", { name: "The pages shown" }).click();
    const [file] = await Promise.all([
      page.waitForEvent("download"),
      panel.getByRole("button", { name: "As a PDF" }).click(),
    ]);
    expect(file.suggestedFilename()).toBe("The Log.pdf");
    expect(execFileSync("pdfinfo", [await file.path()]).toString()).toMatch(/Pages: +2\n/);
  });

  test("a file that did not come is asked for again, and shown", async ({ page }) => {
    await openDocument(page, BOOK);
    let requests = 0;
    await page.route(/pages\.pdf/, (route) => (requests++ === 0 ? route.abort() : route.continue()));
    await page.getByRole("link", { name: "Proof" }).click();
    await expect(proof(page).getByText("The pages cannot be had just now.")).toBeVisible();
    await expect(sheets(page).locator("span").first()).toBeAttached({ timeout: 20_000 });
    expect(requests).toBe(2);
    await expect(proof(page).getByText("The pages cannot be had just now.")).toHaveCount(0);
  });

  test("a title page, headers that differ, roman front matter, chapters on the right; what is refused is not kept", async ({
    page,
  }) => {
    const id = await openDocument(page, BOOK);
    await toProof(page);
    await page.getByRole("button", { name: "Pages", exact: true }).click();
    const drawer = page.getByRole("region", { name: "Pages", exact: true });
    await drawer.getByRole("radio", { name: /Report/ }).click();
    await expect(drawer.getByRole("radio", { name: /Report/ })).toBeChecked();
    // By keys: one of them is a stop for Tab, and the arrows go on from it. The key is held until the choice shows,
    // for one let go of in no time, as no hand does, comes before the focus that it moves.
    await page.keyboard.down("ArrowUp");
    await expect(drawer.getByRole("radio", { name: /Academic/ })).toBeChecked();
    await page.keyboard.up("ArrowUp");
    await page.keyboard.down("ArrowDown");
    await expect(drawer.getByRole("radio", { name: /Report/ })).toBeChecked();
    await page.keyboard.up("ArrowDown");
    await expect(drawer.getByRole("radio", { name: /Report/ })).toBeFocused();
    await drawer.getByLabel("Paper").click();
    await page.getByRole("option", { name: /A5/ }).click();
    await expect(drawer.getByLabel("Paper")).toContainText("A5");
    await drawer.getByLabel("Printed on both sides").click();
    await expect(drawer.getByLabel("Printed on both sides")).toBeChecked();
    await drawer.getByLabel("A section of level 1 begins").click();
    await page.getByRole("option", { name: "on a right-hand page" }).click();
    await expect(drawer.getByLabel("A section of level 1 begins")).toContainText("right-hand");
    await drawer.getByLabel(/is numbered i, ii, iii/).click();
    const lines = drawer.getByLabel("Lines under the author, one each");
    await lines.fill("A draft\nNot for print");
    await lines.blur();
    await drawer.getByLabel(/^Top/).fill("190");
    await drawer.getByLabel(/^Top/).press("Enter");
    await expect(page.getByText("Each margin must be from 5 to 80 millimetres.")).toBeVisible();
    await expect(drawer.getByLabel(/^Top/)).not.toHaveValue("190");
    await drawer.getByLabel(/^Top/).fill("24");
    await drawer.getByLabel(/^Top/).press("Enter");

    // On the page itself.
    await page.getByRole("treeitem", { name: /Gale by night.*page 7/ }).click();
    await page.getByRole("button", { name: "Edit the footer of page 7" }).click();
    const onPage = proof(page).getByRole("region", { name: /Footer.*on the page/ });
    const field = onPage.getByRole("textbox").first();
    await field.fill("Draft, ");
    await onPage
      .getByRole("button", { name: /Put a page number/ })
      .first()
      .click();
    await page.getByRole("menuitem", { name: "Date" }).click();
    await expect(field).toHaveValue("Draft, ‹date›");
    await page.keyboard.press("Escape");
    await expect(onPage).toHaveCount(0);

    await expect.poll(() => printed(page.request, id)).toContain("Draft,");
    const pages = (await printed(page.request, id)).split("\f").slice(0, -1);
    expect(pages[0]).toMatch(/The Log[\s\S]*Ines Corvale[\s\S]*A draft[\s\S]*Not for print/);
    const bottom = (each: string) => each.trimEnd().split("\n").at(-1)?.trim() ?? "";
    const at = (words: RegExp) => pages.findIndex((each, index) => index > 0 && words.test(each)) + 1;
    for (const chapter of [/^ *1 +Lamps$/m, /^ *2 +Gales$/m, /^ *3 +Glasses$/m]) expect(at(chapter) % 2).toBe(1);
    expect(bottom(pages[at(/Before it all/) - 1] ?? "")).toMatch(/^Draft, +iii$/);
    expect(bottom(pages[at(/^ *1 +Lamps$/m) - 1] ?? "")).toMatch(/ 1$/);
    // The pages left empty so that a chapter begins on the right bear nothing.
    expect(pages.filter((each) => each.trim() === "").length).toBeGreaterThan(0);
  });

  test("by keys alone: a header is opened, written in and left, and no page is leafed meanwhile", async ({ page }) => {
    await openDocument(page, BOOK);
    await pickRow(page, "Gale by day");
    await toProof(page);
    const shown = proof(page).locator("[data-sheet][aria-current=page]").first();
    const before = (await shown.getAttribute("aria-label")) ?? "";
    await proof(page)
      .getByRole("button", { name: /Edit the header of/ })
      .first()
      .focus();
    await page.keyboard.press("Enter");
    const field = page.getByLabel(/Header.*, at the start/).first();
    await expect(field).toBeFocused();
    await page.keyboard.type("Draf");
    for (const key of ["ArrowLeft", "ArrowRight", "Home", "End"]) await page.keyboard.press(key);
    await page.keyboard.type("t");
    await expect(field).toHaveValue(/Draft$/);
    await page.keyboard.press("Enter");
    await page.keyboard.press("Escape");
    await expect(field).toHaveCount(0);
    await expect(page.getByRole("region", { name: "Printed pages" })).toBeFocused();
    await expect(shown).toHaveAttribute("aria-label", before);
    await expect(sheets(page).filter({ hasText: "Draft" }).first()).toBeAttached({ timeout: 15_000 });
    await page.keyboard.press("ArrowRight");
    await expect(shown).not.toHaveAttribute("aria-label", before);
  });

  test("the Desk tells how many pages a document has, and follows its changes", async ({ page }) => {
    const id = await openDocument(page, BOOK);
    await page.goto("/");
    const row = page.getByRole("listitem").filter({ has: page.locator(`a[href="/documents/${id}"]`) });
    await expect(row).toContainText(/\d+ pages/, { timeout: 20_000 });
    const before = Number((await row.textContent())?.match(/(\d+) pages/)?.[1]);
    await page.goto(`/documents/${id}`);
    await pickRow(page, "Glasses");
    await page.keyboard.press("Delete");
    await allKept(page);
    await page.goto("/");
    await expect(row).toContainText(`${before - 4} pages`, { timeout: 20_000 });
  });

  test("when the service is killed, writing goes on and the pages come again", async ({ page }) => {
    await openDocument(page, BOOK);
    await page.getByTitle("Page numbers in place of words").click();
    await expect.poll(() => pageOf(page, "Glass by night")).toMatch(/^\d+$/);
    const before = await pageOf(page, "Glass by night");
    // Those of other tests at this moment come again as well.
    execFileSync("bash", ["-c", "pkill -9 -f 'Engine/(service|worker).mjs' || true"]);
    await page.locator(".manuscript p", { hasText: "Before it all." }).click();
    await page.keyboard.press("End");
    await page.keyboard.type(" And more.");
    await allKept(page);
    await expect(page.locator(".manuscript p", { hasText: "Before it all. And more." })).toBeVisible();
    await expect.poll(() => pageOf(page, "Glass by night"), { timeout: 20_000 }).toBe(before);
  });

  test("a page is gone to by its number, and a branch is printed with its own numbers", async ({ page }) => {
    const id = await openDocument(page, BOOK);
    await page.keyboard.press("Control+j");
    await page.getByRole("combobox").fill("p 3");
    await expect(page.getByRole("option", { name: /^Page 3/ })).toBeVisible({ timeout: 15_000 });
    await page.keyboard.press("Enter");
    await expect(page.getByRole("dialog")).toHaveCount(0);

    await pickRow(page, "Gales");
    const request = page.waitForRequest(/pages\.pdf\?sections=/);
    await page.keyboard.press("Shift+F10");
    await chooseCommand(page, "Print this branch…");
    const query = new URL((await request).url()).search;
    const text = await printed(page.request, id, query);
    expect(text).toMatch(/2 +Gales\n[\s\S]*2\.1 +Gale by day/);
    expect(text).not.toContain("Glasses");
  });

  test("a file says when the structure keeps it from being PDF/UA-1, and which place does", async ({ page }) => {
    await openDocument(page, "# One\n\nWords.\n\n### Deep\n\nMore words.\n");
    await page.getByRole("button", { name: "Export" }).click();
    const [file] = await Promise.all([
      page.waitForEvent("download"),
      page.getByRole("menuitem", { name: /PDF/ }).click(),
    ]);
    expect(file.suggestedFilename()).toBe("Test.pdf");
    const path = await file.path();
    expect(execFileSync("pdftotext", [path, "-"]).toString()).toContain("1.1 Deep");
    await expect(page.getByText("Not done")).toHaveCount(0);
    await expect(
      page.getByText(
        "Written as a PDF that is not yet PDF/UA-1, for everyone to read. " +
          "“Deep”: Level 3 follows level 1; level 2 is skipped.",
      ),
    ).toBeVisible();
    await page.getByRole("button", { name: "Show the place" }).click();
    await expect(row(page, "Deep").first()).toHaveAttribute("aria-current", /.+/);
    await pickRow(page, "Deep");
    await page.keyboard.press("Control+Shift+ArrowLeft");
    await page.getByRole("button", { name: "Pages", exact: true }).last().click();
    const [second] = await Promise.all([
      page.waitForEvent("download"),
      page.getByRole("button", { name: "Accessible (PDF/UA)" }).click(),
    ]);
    expect(execFileSync("pdfinfo", [await second.path()]).toString()).toMatch(/Tagged: +yes/);
    await expect(page.getByText("Written as a PDF that is not yet")).toHaveCount(0);
  });

  test("a picture without a description keeps a file from PDF/UA-1, and a branch’s file bears its name", async ({
    page,
  }) => {
    const picture = Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>').toString("base64");
    await openDocument(page, `# One\n\n## Oil\n\n![](data:image/svg+xml;base64,${picture})\n`);
    await pickRow(page, "Oil");
    await page.keyboard.press("Shift+F10");
    const file = page.waitForEvent("download");
    await chooseCommand(page, "Write this branch to PDF");
    expect((await file).suggestedFilename()).toBe("Oil.pdf");
    await expect(page.getByText(/“Oil”: A picture here has no description/)).toBeVisible();
  });

  test("Find goes to the page of each place and marks the words there", async ({ page }) => {
    await openDocument(page, BOOK);
    await toProof(page);
    await page.keyboard.press("Control+f");
    await page.getByRole("searchbox", { name: "Find" }).fill("31th");
    await expect(page.getByText("6 places")).toBeVisible();
    // What is marked, with the line before it on the page.
    const marked = () =>
      page.evaluate(() =>
        [...(CSS.highlights.get("found-on-page") ?? [])].map((range) => {
          const whole = document.createRange();
          whole.setStart(range.startContainer.parentElement!.closest(".proof-words")!, 0);
          whole.setEnd(range.endContainer, range.endOffset);
          return whole.toString().replace(/\s+/g, " ").slice(-58);
        }),
      );
    for (const [heading, about] of [
      ["Lamps", "lamp"],
      ["Lamp by day", "gale"],
      ["Gales", "lamp"],
      ["Gale by day", "gale"],
    ] as const) {
      await page.keyboard.press("Enter");
      await expect(row(page, heading).first()).toHaveAttribute("aria-current", /.+/);
      await expect.poll(marked).toEqual([expect.stringMatching(new RegExp(`${about} ?was .*the ?31th$`))]);
    }
  });

  test("a margin is refused in words, has its number again, and is undone where it was typed", async ({ page }) => {
    await openDocument(page, BOOK);
    await page.getByRole("button", { name: "Pages", exact: true }).last().click();
    const top = page.getByRole("textbox", { name: "Top" });
    const first = await top.inputValue();
    await top.fill("200");
    await top.press("Enter");
    await expect(page.getByText("from 5 to 80")).toBeVisible();
    await expect(top).toHaveValue(first);
    await expect(top).toBeFocused();
    await top.fill("25,4");
    await top.press("Enter");
    await expect(top).toHaveValue("25.4");
    // All of it is seen.
    expect(await top.evaluate((field) => field.scrollWidth <= field.clientWidth)).toBe(true);
    await page.keyboard.press("Control+z");
    await expect(top).toHaveValue(first);
    await page.keyboard.press("Control+Shift+z");
    await expect(top).toHaveValue("25.4");
    await top.fill("wide");
    await top.press("Tab");
    await expect(page.getByText("“wide” is no number. Top stays at 25.4.")).toBeVisible();
    await expect(top).toHaveValue("25.4");
  });

  test("a reference says its page, and follows it", async ({ page }) => {
    await openDocument(page, BOOK);
    await page.locator(".manuscript p", { hasText: "Before it all." }).click();
    await page.keyboard.press("End");
    await page.keyboard.press("Control+j");
    await page.getByRole("combobox").fill("refer to");
    await page.keyboard.press("Enter");
    const dialog = page.getByRole("dialog");
    await dialog.getByLabel("its page").check();
    await dialog.getByRole("combobox").fill("Glass by night");
    await dialog.getByRole("combobox").press("Enter");
    await expect(page.locator(".manuscript .cross-reference")).toHaveText(/^page\s\d+$/, { timeout: 15_000 });
  });

  for (const theme of ["day", "night"] as const) {
    test(`axe finds nothing in Proof, with its pages, contents and headers, by ${theme}`, async ({ page }) => {
      await page.addInitScript(
        (chosen) => localStorage.setItem("stemmata:comfort", JSON.stringify({ theme: chosen })),
        theme,
      );
      await openDocument(page, DEMO);
      await toProof(page);
      await expectClean(page, theme);
      await page.getByRole("button", { name: "Pages", exact: true }).click();
      await expect(page.getByText("Headers and footers")).toBeAttached();
      await expectClean(page, theme, "[role=tree]");
      await page
        .getByRole("navigation", { name: "Tools" })
        .getByRole("button", { name: "Contents", exact: true })
        .click();
      await page.waitForTimeout(300);
      await expectClean(page, theme, "[role=tree]");
      await page
        .getByRole("button", { name: /Edit the header of/ })
        .first()
        .click();
      await expectClean(page, theme, "[role=tree]");
      await page.keyboard.press("Escape");
      await proof(page).getByRole("button", { name: "Print…" }).click();
      await page.getByRole("radio", { name: "Some pages" }).click();
      await expectClean(page, theme, "[role=tree]");
      await page.keyboard.press("Escape");
      await pickRow(page, "Contents");
      await proof(page)
        .getByRole("button", { name: /^How “.*” look$/ })
        .click();
      await page.waitForTimeout(300);
      await expectClean(page, theme, "[role=tree]");
      await page.keyboard.press("Escape");
      await page.getByRole("radio", { name: "Many" }).click();
      await page.waitForTimeout(500);
      await expectClean(page, theme);
    });
  }
});
