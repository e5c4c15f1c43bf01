import { expect, type Page } from "@playwright/test";
import { allKept, exported, openDocument, pickRow, putCursor, test, chooseCommand } from "./helpers";

test("a calculation is worked out in place, exactly, and goes into the file with its result", async ({ page }) => {
  const id = await openDocument(page, "# Chance\n\nWays to choose.\n");
  await putCursor(page, "Ways to choose.");
  await page.getByRole("button", { name: "Commands for this paragraph" }).click();
  await chooseCommand(page, "Calculation");
  await page.keyboard.type("20!/(3!·17!");
  await expect(page.getByText("The calculation breaks off")).toBeVisible();
  await page.keyboard.type(")");
  await expect(page.getByText("= 1140")).toBeVisible();
  await page.keyboard.press("Enter");
  await page.keyboard.type("And so on.");
  await allKept(page);
  await page.reload();
  await expect(page.getByText("= 1140")).toBeVisible();
  expect(await exported(page.request, id, "md")).toContain("```calculation\n20!/(3!·17!)\n= 1140\n```\n\nAnd so on.");
});

test("separators and page breaks are seen, and each goes by a click and a key", async ({ page }) => {
  const id = await openDocument(page, '# Coast\n\nOne.\n\n---\n\nTwo.\n\n<div class="page-break"></div>\n\nThree.\n');
  const text = async () => (await exported(page.request, id, "md")).split("# Coast\n\n")[1]?.trim();
  const [separator, pageBreak] = [page.locator(".manuscript hr"), page.locator(".manuscript .page-break")];
  await separator.click();
  await page.keyboard.press("Delete");
  await expect(separator).toHaveCount(0);
  await page.keyboard.type("And ");
  await allKept(page);
  await expect.poll(text).toBe('One.\n\nAnd Two.\n\n<div class="page-break"></div>\n\nThree.');
  await pageBreak.click();
  await page.keyboard.press("Backspace");
  await expect(pageBreak).toHaveCount(0);
  await expect.poll(text).toBe("One.\n\nAnd Two.\n\nThree.");
});

test("a reference to a place says its number anew after the place is moved", async ({ page }) => {
  const id = await openDocument(page, "# Coast\n\nSee \n\n# Gaps\n\n# Storms\n");
  await putCursor(page, "See");
  await page.keyboard.press("End");
  await page.getByRole("button", { name: "Commands for this paragraph" }).click();
  await chooseCommand(page, "Refer to a place…");
  await page.getByLabel("its number").check();
  await page.getByLabel("A heading, a bookmark, a figure or a table").fill("storms");
  await page.keyboard.press("Enter");
  await expect(page.locator(".cross-reference")).toHaveText("3");
  await allKept(page);
  await pickRow(page, "Storms");
  await page.keyboard.press("Control+Shift+ArrowUp");
  await expect(page.locator(".cross-reference")).toHaveText("2");
  await page.keyboard.press("Delete");
  await expect(page.locator(".cross-reference.broken")).toHaveText("a place that is gone");
  await page.keyboard.press("Control+z");
  await expect(page.locator(".cross-reference")).toHaveText("2");
  expect(await exported(page.request, id, "html")).toMatch(/data-shows="number" href="#sec-storms">2<\/a>/);
});

test.describe("a file dropped on the desk becomes a document", () => {
  test("also while the list is still on its way", async ({ page }) => {
    let requests = 0;
    await page.route("**/api/documents", async (route) => {
      const nth = requests++;
      const answer = await route.fetch();
      // Asked for before the drop, answered after it.
      if (nth === 0) await new Promise((resolve) => setTimeout(resolve, 2500));
      await route.fulfill({ response: answer });
    });
    await page.goto("/");
    await isShownAfterDrop(page, `Dropped early ${Date.now()}`);
    await page.unrouteAll({ behavior: "wait" });
  });

  test("also on a machine that has no other network", async ({ page }) => {
    await page.goto("/");
    await page.evaluate(() => window.dispatchEvent(new Event("offline")));
    await isShownAfterDrop(page, `Dropped offline ${Date.now()}`);
  });
});

async function isShownAfterDrop(page: Page, name: string): Promise<void> {
  const transfer = await page.evaluateHandle((named) => {
    const data = new DataTransfer();
    data.items.add(new File(["# Dropped\n\nfrom a folder\n"], `${named}.md`));
    return data;
  }, name);
  await page.dispatchEvent("main", "drop", { dataTransfer: transfer });
  await expect(page.getByRole("dialog")).toContainText("1 section and 3 words.");
  await page.getByRole("button", { name: "Stay at the desk" }).click();
  await expect(page.getByRole("link", { name })).toBeVisible();
}

test("a formula is written as source, drawn, changed, and kept as it is in every file", async ({ page }) => {
  const id = await openDocument(page, "# Tides\n\nThe height is\n\nLast.\n");
  await putCursor(page, "The height is");
  await page.keyboard.press("End");
  await page.keyboard.type(" ");
  await page.keyboard.press("Control+j");
  await page.keyboard.type("formula");
  await page.keyboard.press("Enter");
  const source = page.getByLabel("The formula in TeX or MathML");
  await source.fill("\\frac{a}{");
  await expect(page.locator("#formula-problem")).toContainText("end of input");
  await source.fill("\\frac{a}{b}");
  await expect(page.locator(".formula-preview mfrac")).toBeVisible();
  await page.keyboard.press("Control+Enter");
  await page.keyboard.type(" metres.");
  await expect(page.locator(".manuscript .formula mfrac")).toBeVisible();

  await page.locator(".manuscript .formula").dblclick();
  await source.fill(
    '<math xmlns="http://www.w3.org/1998/Math/MathML" onclick="x()"><mi href="y">h</mi><script>z</script></math>',
  );
  await page.getByLabel("on a line of its own").check();
  await page.getByRole("button", { name: "Keep the formula" }).click();
  await expect(page.locator(".manuscript .formula-block mi")).toHaveText("h");
  await page.keyboard.type("And ");
  await allKept(page);
  await page.reload();
  await expect(page.locator(".manuscript .formula-block mi")).toHaveText("h");
  const html = await exported(page.request, id, "html");
  expect(html).toMatch(/<div class="math display"><math xmlns="[^"]+" display="block"><mi>h<\/mi>/);
  expect(html).not.toMatch(/onclick|<script>z/);

  await page.locator(".manuscript .formula-block").click();
  await page.keyboard.press("Enter");
  await source.fill("x_1");
  await page.getByLabel("on a line of its own").check();
  await page.keyboard.press("Tab");
  await page.getByRole("button", { name: "Keep the formula" }).click();
  await allKept(page);
  await expect.poll(() => exported(page.request, id, "md")).toContain("$$\nx_1\n$$");
});

test("merged cells, lists in letters and struck words of a file stay what they are while the text is written", async ({
  page,
}) => {
  const id = await openDocument(
    page,
    '# A\n\n<table><tr><th>Station</th><th colspan="2">Readings</th></tr><tr><td rowspan="2">Thole</td><td>6</td><td>1013</td></tr><tr><td>18</td><td>1009</td></tr></table>\n\n<ol type="i"><li>first</li></ol>\n\nNot ~~this~~.\n',
  );
  await page.locator(".manuscript td", { hasText: "1013" }).click();
  await page.keyboard.press("End");
  await page.keyboard.type(" hPa");
  await page.keyboard.press("Control+j");
  await page.keyboard.type("row below");
  await page.keyboard.press("Enter");
  await page.keyboard.type("12");
  await putCursor(page, "Not this.");
  await page.keyboard.press("End");
  await page.keyboard.type(" More.");
  await allKept(page);
  const html = await exported(page.request, id, "html");
  expect(html).toContain('<th colspan="2">Readings</th>');
  expect(html).toMatch(
    /<td rowspan="3">Thole<\/td><td>6<\/td><td>1013 hPa<\/td><\/tr>\s*<tr><td>12<\/td><td><\/td><\/tr>/,
  );
  expect(html).toMatch(/<ol type="i">\s*<li>/);
  expect(html).toContain("<s>this</s>. More.");
});

test("filler is marked, not counted, and a finding until it is written over", async ({ page }) => {
  const id = await openDocument(page, "# Chance\n\nWays to choose.\n");
  await putCursor(page, "Ways to choose.");
  await page.getByRole("button", { name: "Commands for this paragraph" }).click();
  await chooseCommand(page, "Filler");
  await page.getByRole("spinbutton").fill("2");
  await page.keyboard.press("Enter");
  const filler = page.locator(".manuscript .filler");
  await expect(filler).toHaveCount(2);
  await allKept(page);
  await expect(page.getByText("all changes kept · 3 words")).toBeVisible();
  await page.keyboard.press("Control+j");
  await page.keyboard.type("check the structure");
  await page.keyboard.press("Enter");
  const check = page.getByRole("region", { name: "Check" });
  await expect(check.getByText("2 paragraphs here are filler.")).toBeVisible();

  // The cursor stands at the end of the last one; what is written there makes it text.
  await page.locator(".manuscript").focus();
  await page.keyboard.type(" Indeed.");
  await expect(filler).toHaveCount(1);
  await allKept(page);
  await expect(check.getByText("One paragraph here is filler.")).toBeVisible();
  expect(await exported(page.request, id, "md")).toContain("adipisci velit. Indeed.");
});
