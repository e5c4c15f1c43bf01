import { readFile } from "node:fs/promises";
import { expect, type Page } from "@playwright/test";
import {
  allKept,
  exported,
  openDocument,
  pickRow,
  putCursor,
  row,
  shownOutline,
  storedOutline,
  test,
  chooseCommand,
} from "./helpers";

const COAST = "# Coast\n\n## Lights\n\nOil.\n\n## Fog\n\nBells and more.\n\n# Logs\n\n## Gaps\n\n## Ink\n\n# Storms\n";

async function picked(page: Page): Promise<string[]> {
  return page.getByRole("treeitem", { selected: true }).locator(".row-heading").allTextContents();
}

test("the text in view stays in view when a long branch is moved from under it", async ({ page }) => {
  const long = (heading: string) => `# ${heading}\n\n${"The keeper read the glass and wrote it down. ".repeat(120)}\n`;
  const id = await openDocument(page, ["First", "Second", "Third", "Fourth"].map(long).join("\n"));
  await row(page, "Third").click();
  const third = page.locator(".section-text").filter({ has: page.getByRole("heading", { name: "Third" }) });
  await expect(third).toBeInViewport();
  await pickRow(page, "Third");
  await page.keyboard.press("Control+Shift+ArrowUp");
  await expect.poll(() => storedOutline(page.request, id)).toEqual(["1 First", "1 Third", "1 Second", "1 Fourth"]);
  await expect(third.getByRole("heading")).toBeInViewport();
  await page.keyboard.press("Control+z");
  await expect.poll(() => storedOutline(page.request, id)).toEqual(["1 First", "1 Second", "1 Third", "1 Fourth"]);
  await expect(third.getByRole("heading")).toBeInViewport();
});

test.describe("several picked sections", () => {
  test("are picked by hand, one by one and as a range, and promoted together", async ({ page }) => {
    const id = await openDocument(page, COAST);
    await row(page, "Fog").click({ modifiers: ["Control"] });
    await row(page, "Gaps").click({ modifiers: ["Control"] });
    expect(await picked(page)).toEqual(["Fog", "Gaps"]);
    const bar = page.getByRole("toolbar", { name: "Picked branches" });
    await expect(bar).toContainText("2 branches picked");
    await expect(bar).toContainText("3 words");
    await bar.getByRole("button", { name: "Promote" }).click();
    await expect(page.getByText("Promoted “Fog” and 1 more.")).toBeVisible();
    expect(await storedOutline(page.request, id)).toEqual([
      "1 Coast",
      "2 Lights",
      "1 Fog",
      "1 Logs",
      "1 Gaps",
      "2 Ink",
      "1 Storms",
    ]);
    await page.getByRole("button", { name: "Undo" }).click();
    await expect.poll(() => storedOutline(page.request, id)).toContain("2 Fog");
    await row(page, "Lights").click();
    await expect(bar).toBeHidden();
    await row(page, "Logs").click({ modifiers: ["Shift"] });
    expect(await picked(page)).toEqual(["Lights", "Fog", "Logs"]);
  });

  test("are picked and demoted, moved and cut out from the keyboard alone", async ({ page }) => {
    const id = await openDocument(page, COAST);
    await pickRow(page, "Lights");
    await page.keyboard.press("Shift+ArrowDown");
    expect(await picked(page)).toEqual(["Lights", "Fog"]);
    await page.keyboard.press("Control+Shift+ArrowLeft");
    await expect
      .poll(() => storedOutline(page.request, id))
      .toEqual(["1 Coast", "1 Lights", "1 Fog", "1 Logs", "2 Gaps", "2 Ink", "1 Storms"]);
    await page.keyboard.press("Control+Shift+ArrowUp");
    await expect
      .poll(() => storedOutline(page.request, id))
      .toEqual(["1 Lights", "1 Fog", "1 Coast", "1 Logs", "2 Gaps", "2 Ink", "1 Storms"]);
    await page.keyboard.press("Escape");
    expect(await picked(page)).toEqual([]);
    await page.keyboard.press("End");
    await page.keyboard.press(" ");
    await page.keyboard.press("Home");
    await page.keyboard.press(" ");
    expect((await picked(page)).toSorted()).toEqual(["Lights", "Storms"]);
    await page.keyboard.press("Delete");
    await expect.poll(() => storedOutline(page.request, id)).toEqual(["1 Fog", "1 Coast", "1 Logs", "2 Gaps", "2 Ink"]);
    await page.keyboard.press("Control+z");
    await expect.poll(() => storedOutline(page.request, id)).toHaveLength(7);
  });

  test("are dragged together, in the order they stood in", async ({ page }) => {
    const id = await openDocument(page, COAST);
    await row(page, "Gaps").click({ modifiers: ["Control"] });
    await row(page, "Lights").click({ modifiers: ["Control"] });
    const from = await row(page, "Lights").boundingBox();
    const to = await row(page, "Storms").boundingBox();
    if (!from || !to) throw new Error("The rows are not drawn.");
    await page.mouse.move(from.x + 90, from.y + 13);
    await page.mouse.down();
    await page.mouse.move(to.x + 60, to.y + 20, { steps: 6 });
    // Straight down from where it was lifted it keeps its level.
    await page.mouse.move(from.x + 92, to.y + to.height, { steps: 6 });
    await expect(page.getByText("under “Storms”")).toBeVisible();
    await page.mouse.up();
    await expect
      .poll(() => storedOutline(page.request, id))
      .toEqual(["1 Coast", "2 Fog", "1 Logs", "2 Ink", "1 Storms", "2 Lights", "2 Gaps"]);
  });

  test("are nested under a heading found by its words, and brought to the top level", async ({ page }) => {
    const id = await openDocument(page, COAST);
    await row(page, "Lights").click({ modifiers: ["Control"] });
    await row(page, "Storms").click({ modifiers: ["Control"] });
    await page.getByRole("button", { name: "Nest under…" }).click();
    await page.getByLabel("Some words of a heading").fill("ink");
    await page.keyboard.press("Enter");
    await expect
      .poll(() => storedOutline(page.request, id))
      .toEqual(["1 Coast", "2 Fog", "1 Logs", "2 Gaps", "2 Ink", "3 Lights", "3 Storms"]);
    await page.getByRole("button", { name: "Nest under…" }).click();
    await page.getByLabel("Some words of a heading").fill("top level");
    await page.keyboard.press("Enter");
    await expect
      .poll(() => storedOutline(page.request, id))
      .toEqual(["1 Coast", "2 Fog", "1 Logs", "2 Gaps", "2 Ink", "1 Lights", "1 Storms"]);
  });

  test("get a level, a marker and a target at once", async ({ page }) => {
    const id = await openDocument(page, COAST);
    await row(page, "Gaps").click({ modifiers: ["Control"] });
    await row(page, "Ink").click({ modifiers: ["Control"] });
    await page.getByRole("button", { name: "Set level…" }).click();
    await chooseCommand(page, "Level 3");
    await expect.poll(() => storedOutline(page.request, id)).toContain("3 Ink");
    await page.getByRole("button", { name: "Mark…" }).click();
    await chooseCommand(page, "Marker…");
    await page.getByLabel("Find a marker by name").fill("thorn");
    await page.keyboard.press("Enter");
    await expect(page.getByRole("treeitem", { name: /Gaps.*thorn marker/ })).toBeVisible();
    await page.getByRole("button", { name: "Mark…" }).click();
    await chooseCommand(page, "Target…");
    await page.getByLabel(/Words wanted in each/).fill("plenty");
    await page.keyboard.press("Enter");
    await expect(page.getByText("A target is a whole number of words")).toBeVisible();
    await page.getByRole("button", { name: "Mark…" }).click();
    await chooseCommand(page, "Target…");
    await page.getByLabel(/Words wanted in each/).fill("1,200");
    await page.keyboard.press("Enter");
    await expect
      .poll(async () =>
        (
          (await (await page.request.get(`/api/documents/${id}`)).json()) as { sections: { target: number | null }[] }
        ).sections.map((each) => each.target),
      )
      .toEqual([null, null, null, null, 1200, 1200, null]);
  });
});

test("the filter leaves matching headings with what stands above them, and overviews fold to a level", async ({
  page,
}) => {
  await openDocument(page, COAST);
  await pickRow(page, "Coast");
  await page.keyboard.press("/");
  await page.keyboard.type("gap");
  await expect.poll(() => shownOutline(page)).toEqual(["1 Logs", "2 Gaps"]);
  await page.keyboard.press("Escape");
  await expect.poll(() => shownOutline(page)).toHaveLength(7);
  await page.keyboard.press("1");
  await expect.poll(() => shownOutline(page)).toEqual(["1 Coast", "1 Logs", "1 Storms"]);
  await page.keyboard.press(".");
  await expect.poll(() => shownOutline(page)).toHaveLength(7);
  await page.keyboard.press(".");
  await expect.poll(() => shownOutline(page)).toHaveLength(3);
  await page.keyboard.press("0");
  await expect.poll(() => shownOutline(page)).toHaveLength(7);
});

test.describe("Arrange", () => {
  const cell = (page: Page, heading: string) => page.getByRole("row").filter({ hasText: heading });

  test("aims and targets are written in place by hand, and shown as words, bar, share and remark", async ({ page }) => {
    const id = await openDocument(page, COAST);
    await page.getByRole("link", { name: "Arrange" }).click();
    await cell(page, "Fog").hover();
    await page.getByLabel("Aim of Fog").fill("Why bells were trusted");
    await page.getByLabel("Target of Fog, in words").fill("2");
    await page.getByLabel("Target of Fog, in words").press("Enter");
    await expect(cell(page, "Fog")).toContainText("over target");
    await expect(cell(page, "Fog")).toContainText("75.0%");
    await expect(cell(page, "Gaps")).toContainText("no words");
    await cell(page, "Gaps").hover();
    await page.getByLabel("Target of Gaps, in words").fill("lots");
    await page.getByLabel("Target of Gaps, in words").press("Enter");
    await expect(page.getByText("no target was set")).toBeVisible();
    await expect(page.getByLabel("Target of Gaps, in words")).toHaveValue("");
    await page.reload();
    await expect(cell(page, "Fog")).toContainText("Why bells were trusted");
    await cell(page, "Fog").getByTitle("Fog").dblclick();
    await page.getByLabel("Heading", { exact: true }).fill("Thick weather");
    await page.keyboard.press("Enter");
    await expect.poll(() => storedOutline(page.request, id)).toContain("2 Thick weather");
  });

  test("the same keys pick, promote and undo; Tab reaches the fields of the row, and Enter its text", async ({
    page,
  }) => {
    const id = await openDocument(page, COAST);
    await page.goto(`/documents/${id}/arrange`);
    await page.getByRole("treegrid").focus();
    await page.keyboard.press("Home");
    await page.keyboard.press("ArrowDown");
    await page.keyboard.press("Shift+ArrowDown");
    await expect(page.getByRole("toolbar", { name: "Picked branches" })).toContainText("2 branches picked");
    await page.keyboard.press("Control+Shift+ArrowLeft");
    await expect
      .poll(() => storedOutline(page.request, id))
      .toEqual(["1 Coast", "1 Lights", "1 Fog", "1 Logs", "2 Gaps", "2 Ink", "1 Storms"]);
    await page.keyboard.press("Control+z");
    await expect.poll(() => storedOutline(page.request, id)).toContain("2 Lights");
    await page.keyboard.press("Tab");
    await page.keyboard.type("From oil to gas");
    await page.keyboard.press("Enter");
    await expect(page.getByRole("treegrid")).toBeFocused();
    await expect(page.getByLabel("Aim of Fog")).toHaveValue("From oil to gas");
    await page.keyboard.press("Enter");
    await expect(page.locator(".manuscript:focus")).toContainText("Fog");
  });

  test("a row is dragged to another place and level", async ({ page }) => {
    const id = await openDocument(page, COAST);
    await page.goto(`/documents/${id}/arrange`);
    const from = await cell(page, "Lights").boundingBox();
    const to = await cell(page, "Storms").boundingBox();
    if (!from || !to) throw new Error("The rows are not drawn.");
    await page.mouse.move(from.x + 90, from.y + 13);
    await page.mouse.down();
    await page.mouse.move(to.x + 60, to.y + 20, { steps: 6 });
    // Straight down from where it was lifted it keeps its level.
    await page.mouse.move(from.x + 92, to.y + to.height, { steps: 6 });
    await expect(page.getByText("becomes 3.1, level 2, under “Storms”")).toBeVisible();
    await page.mouse.up();
    await expect
      .poll(() => storedOutline(page.request, id))
      .toEqual(["1 Coast", "2 Fog", "1 Logs", "2 Gaps", "2 Ink", "1 Storms", "2 Lights"]);
  });
});

test.describe("offcuts", () => {
  const TEXT = "# Coast\n\nOil was dear and gas was new.\n\nSee [logs](#logs).\n\n# Logs\n\nEvery watch.\n";

  test("selected words are set aside, found again, and put at the cursor of another section", async ({ page }) => {
    const id = await openDocument(page, TEXT);
    await putCursor(page, "Oil was dear");
    await page.keyboard.press("Home");
    for (const _letter of "Oil was dear and") await page.keyboard.press("Shift+ArrowRight");
    await page.getByRole("button", { name: "Set these words aside" }).click();
    await expect(page.getByText("Set a passage of “Coast” aside.")).toBeVisible();
    expect(await exported(page.request, id, "md")).not.toContain("Oil was dear");
    await page.getByRole("button", { name: "Offcuts" }).click();
    await page.getByLabel("Search the offcuts").fill("fog");
    await expect(page.getByText("No offcut has these words.")).toBeVisible();
    await page.getByLabel("Search the offcuts").fill("DEAR oil");
    await expect(page.getByText("1 offcut", { exact: true })).toBeVisible();
    await putCursor(page, "Every watch");
    await page.keyboard.press("End");
    await page.getByRole("button", { name: "Put at the cursor" }).click();
    await expect.poll(() => exported(page.request, id, "md")).toContain("Every watch.\n\nOil was dear and");
    await expect(page.locator(".manuscript p", { hasText: "Oil was dear and" })).toBeVisible();
  });

  test("an offcut is read in full, and thrown away after one question; undo brings even that back", async ({
    page,
  }) => {
    const id = await openDocument(page, TEXT);
    const offcuts = async () =>
      ((await (await page.request.get(`/api/documents/${id}/offcuts`)).json()) as unknown[]).length;
    await pickRow(page, "Logs");
    await page.keyboard.press("Delete");
    await page.getByRole("button", { name: "Offcuts" }).click();
    await page.getByRole("button", { name: "Read", exact: true }).click();
    await expect(page.getByRole("region", { name: "Text of the offcut" })).toContainText("# Logs Every watch.");
    await page.getByRole("button", { name: "Throw away…" }).click();
    await page.getByRole("button", { name: "Keep it" }).click();
    expect(await offcuts()).toBe(1);
    await page.getByRole("button", { name: "Throw away…" }).click();
    await page.getByRole("button", { name: "Throw it away" }).click();
    await expect.poll(offcuts).toBe(0);
    await page.getByRole("button", { name: "Undo" }).click();
    await expect.poll(offcuts).toBe(1);
    await page.getByRole("button", { name: "Bring back" }).click();
    await expect.poll(() => exported(page.request, id, "md")).toMatch(/# Logs .*\n\nEvery watch\./);
    expect((await page.request.get(`/api/documents/${id}/offcuts/zzzzzzzzzzzz`)).status()).toBe(422);
  });
});

test("one branch is written to a file by itself", async ({ page }) => {
  const id = await openDocument(page, COAST);
  await pickRow(page, "Coast");
  await page.keyboard.press("Shift+F10");
  const [download] = await Promise.all([
    page.waitForEvent("download"),
    chooseCommand(page, "Write this branch to Markdown"),
  ]);
  expect(download.suggestedFilename()).toBe("Coast.md");
  const section = await page.getByRole("treeitem", { name: /Coast/ }).getAttribute("id");
  const branch = await (
    await page.request.get(`/api/documents/${id}/export?format=md&sections=${section?.slice(4)}`)
  ).text();
  expect(branch).toContain("# Coast\n\n## Lights\n\nOil.\n\n## Fog\n\nBells and more.\n");
  expect(branch).not.toContain("Logs");
  expect((await page.request.get(`/api/documents/${id}/export?format=md&sections=zzzzzzzzzzzz`)).status()).toBe(422);
});

test("the document and a branch are written as word-processor documents that can be read again", async ({ page }) => {
  await openDocument(page, COAST);
  const written = async (press: () => Promise<void>) => {
    const [download] = await Promise.all([page.waitForEvent("download"), press()]);
    const answer = await page.request.post(
      `/api/documents/import?name=${encodeURIComponent(download.suggestedFilename())}`,
      { data: await readFile(await download.path()) },
    );
    const { id: again } = (await answer.json()) as { id: string };
    return {
      name: download.suggestedFilename(),
      text: await (await page.request.get(`/api/documents/${again}/export?format=md`)).text(),
    };
  };
  const whole = await written(async () => {
    await page.getByRole("button", { name: "Export" }).click();
    await chooseCommand(page, "Word-processor document");
  });
  expect(whole.name).toMatch(/\.docx$/);
  expect(whole.text).toContain("# Logs");
  await pickRow(page, "Coast");
  await page.keyboard.press("Shift+F10");
  const branch = await written(() => chooseCommand(page, "Write this branch to a word-processor document"));
  expect(branch.name).toBe("Coast.docx");
  expect(branch.text).toContain("# Coast\n\n## Lights\n\nOil.\n\n## Fog\n\nBells and more.\n");
  expect(branch.text).not.toContain("Logs");
});

test.describe("history", () => {
  test("steps are told in words, compared with now, and one section or all of it is brought back", async ({ page }) => {
    const id = await openDocument(page, "# Coast\n\nThe lamp was lit at dusk.\n\n# Logs\n\n## Gaps\n");
    await putCursor(page, "The lamp was lit");
    await page.keyboard.press("End");
    await page.keyboard.type(" Nobody slept.");
    await allKept(page);
    await pickRow(page, "Gaps");
    await page.keyboard.press("Control+Shift+ArrowLeft");
    await expect(page.getByText("Promoted “Gaps”.")).toBeVisible();
    await page.getByRole("button", { name: "History" }).click();
    const drawer = page.getByRole("region", { name: "History" });
    await expect(drawer.getByRole("button", { name: "Earlier steps" })).toBeHidden();
    await drawer.getByRole("button", { name: /Wrote in “Coast”/ }).click();
    const differences = page.getByRole("list", { name: "Differences" });
    await expect(differences.getByRole("listitem")).toHaveText([/Coast.*reworded/, /Gaps.*promoted/]);
    await differences.getByRole("button", { name: "Show the words" }).click();
    await expect(differences.locator("ins")).toHaveText(" Nobody slept.");
    await differences.getByRole("button", { name: "Bring back the earlier words of this section" }).click();
    await expect.poll(() => exported(page.request, id, "md")).not.toContain("Nobody slept");
    expect(await storedOutline(page.request, id)).toEqual(["1 Coast", "1 Logs", "1 Gaps"]);
    await page.getByRole("button", { name: "Restore the earlier version" }).click();
    await expect.poll(() => storedOutline(page.request, id)).toEqual(["1 Coast", "1 Logs", "2 Gaps"]);
    await page.getByRole("button", { name: "Undo" }).click();
    await expect.poll(() => storedOutline(page.request, id)).toEqual(["1 Coast", "1 Logs", "1 Gaps"]);
    await expect(drawer).toContainText("(undone)");
    expect((await page.request.get(`/api/documents/${id}/history/comparison?from=999999`)).status()).toBe(422);
  });

  test("what differs in form or in notes alone is told too", async ({ page }) => {
    const id = await openDocument(page, "# Coast\n\nThe lamp.\n");
    await putCursor(page, "The lamp");
    await page.keyboard.press("Home");
    await page.keyboard.press("Shift+End");
    // A hand takes longer than the editor to see what is selected; these keys do not.
    await expect.poll(() => page.evaluate(() => document.getSelection()?.toString())).toBe("The lamp.");
    // The page is told of its selection with the next frame, the editor after it.
    await page.evaluate(
      () => new Promise((told) => requestAnimationFrame(() => requestAnimationFrame(() => setTimeout(told)))),
    );
    await page.keyboard.press("Control+b");
    await expect(page.locator(".manuscript strong")).toHaveText("The lamp.");
    await allKept(page);
    await page.goto(`/documents/${id}/arrange`);
    await page.getByRole("row").filter({ hasText: "Coast" }).hover();
    await page.getByLabel("Aim of Coast").fill("Where the lamp stood");
    await page.getByLabel("Aim of Coast").press("Enter");
    await page.getByRole("link", { name: "Write" }).click();
    await page.getByRole("button", { name: "History" }).click();
    await page
      .getByRole("region", { name: "History" })
      .getByRole("button", { name: /Wrote in “Coast”/ })
      .click();
    const differences = page.getByRole("list", { name: "Differences" });
    await expect(differences.getByRole("listitem")).toHaveText([/Coast.*reworded.*Aim:\s*Where the lamp stood/]);
    await differences.getByRole("button", { name: "Show the words" }).click();
    await expect(differences).toContainText("The words are the same; only their form differs");
    await expect(differences.locator(".font-text ins, .font-text del")).toHaveCount(0);
  });

  test("a long history is told in parts, each step once", async ({ page }) => {
    const id = await openDocument(page, "# Coast\n\nText.\n");
    let { revision } = (await (await page.request.get(`/api/documents/${id}`)).json()) as { revision: number };
    for (let step = 0; step < 305; step++) {
      const answer = await page.request.post(`/api/documents/${id}/operations`, {
        data: { baseRevision: revision, operation: { name: "describe-document", title: `Title ${step}` } },
      });
      ({ revision } = (await answer.json()) as { revision: number });
    }
    await page.getByRole("button", { name: "History" }).click();
    const drawer = page.getByRole("region", { name: "History" });
    const steps = drawer.getByRole("button", { name: /Named the document/ });
    await expect(steps).toHaveCount(300);
    await drawer.getByRole("button", { name: "Earlier steps" }).click();
    await expect(steps).toHaveCount(305);
    await expect(steps.last()).toContainText("“Title 0”");
    await expect(drawer.getByRole("button", { name: "Earlier steps" })).toBeHidden();
    // What is written meanwhile leaves it unfolded.
    await page.request.post(`/api/documents/${id}/operations`, {
      data: { baseRevision: revision, operation: { name: "describe-document", title: "One more" } },
    });
    await expect(steps.first()).toContainText("“One more”");
    await expect(steps).toHaveCount(306);
  });

  test("going back is refused when another window has written since, and nothing changes", async ({ page }) => {
    const id = await openDocument(page, "# Coast\n\nText.\n");
    const { revision } = (await (await page.request.get(`/api/documents/${id}`)).json()) as { revision: number };
    const rename = (heading: string, base: number) => ({
      data: { baseRevision: base, operation: { name: "insert", heading } },
    });
    expect((await page.request.post(`/api/documents/${id}/operations`, rename("One", revision))).status()).toBe(200);
    expect((await page.request.post(`/api/documents/${id}/operations`, rename("Two", revision + 1))).status()).toBe(
      200,
    );
    const {
      sittings: [[step]],
    } = (await (await page.request.get(`/api/documents/${id}/history`)).json()) as {
      sittings: [[{ previous: number }]];
    };
    const answer = await page.request.post(`/api/documents/${id}/history/return`, {
      data: { baseRevision: revision + 1, state: step.previous },
    });
    expect(answer.status()).toBe(409);
    expect(await storedOutline(page.request, id)).toEqual(["1 Coast", "1 One", "1 Two"]);
  });

  test("a state is named, compared with another past state, and a section that is gone is brought back from it", async ({
    page,
  }) => {
    const id = await openDocument(page, "# Coast\n\nThe lamp was lit.\n\n# Logs\n\nEvery watch.\n\n# Storms\n");
    await page.getByRole("button", { name: "History" }).click();
    const drawer = page.getByRole("region", { name: "History" });
    await drawer.getByRole("button", { name: "Name this state…" }).click();
    await page.getByLabel("What the text is like just now").fill("First full draft");
    await page.getByLabel("What the text is like just now").press("Enter");
    await expect(drawer.getByRole("list", { name: "Milestones" })).toContainText("First full draft");
    await pickRow(page, "Logs");
    await page.keyboard.press("Delete");
    await expect(page.getByText("Deleted “Logs”.")).toBeVisible();
    await pickRow(page, "Storms");
    await page.keyboard.press("Control+Shift+ArrowUp");
    await expect.poll(() => storedOutline(page.request, id)).toEqual(["1 Storms", "1 Coast"]);

    await drawer.getByRole("list", { name: "Milestones" }).getByRole("button").first().click();
    const differences = page.getByRole("list", { name: "Differences" });
    await expect(differences.getByRole("listitem")).toHaveText([/moved/, /Logs.*gone/]);
    // The state between the two: Logs is gone, Storms stands where it stood.
    await page.getByLabel("to", { exact: true }).click();
    await page.getByRole("option").nth(3).click();
    await expect(differences.getByRole("listitem")).toHaveText([/Logs.*gone/]);
    await differences.getByRole("button", { name: "Show the words" }).click();
    await expect(differences.locator("del")).toHaveText(["Logs", "Every watch."]);
    await differences.getByRole("button", { name: "Bring this section back" }).click();
    await expect.poll(() => storedOutline(page.request, id)).toEqual(["1 Storms", "1 Coast", "1 Logs"]);
    await page.keyboard.press("Escape");
    expect(await (await page.request.get(`/api/documents/${id}/offcuts`)).json()).toEqual([]);
    await page.getByRole("button", { name: "Undo" }).click();
    await expect.poll(() => storedOutline(page.request, id)).toEqual(["1 Storms", "1 Coast"]);

    await drawer.getByRole("button", { name: "Take the name “First full draft” away" }).click();
    await expect(drawer.getByRole("list", { name: "Milestones" })).toBeHidden();
  });
});

test("a section renamed in the outline reads so in the text at once", async ({ page }) => {
  await openDocument(page, COAST);
  await pickRow(page, "Fog");
  await page.keyboard.press("F2");
  await page.keyboard.type("Thick weather");
  await page.keyboard.press("Enter");
  await expect(page.locator(".manuscript .heading", { hasText: "Thick weather" })).toBeVisible();
  await putCursor(page, "Bells and more.");
  await page.keyboard.press("End");
  await page.keyboard.type(" Horns.");
  await allKept(page);
  await page.reload();
  await expect(page.locator(".manuscript .heading", { hasText: "Thick weather" })).toBeVisible();
});
