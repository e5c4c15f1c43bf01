import { expect, type Page } from "@playwright/test";
import {
  allKept,
  exported,
  openDocument,
  pickRow,
  putCursor,
  row,
  storedOutline,
  test,
  cursorSection,
  chooseCommand,
} from "./helpers";

const THREE =
  "# Alpha\n\nFirst words.\n\n## Beta\n\nSecond words.\n\n## Gamma\n\nThird words.\n\n# Delta\n\nLast words.\n";

test.describe("the text", () => {
  test("typing is kept by itself, survives a reload, and is undone after it", async ({ page }) => {
    const id = await openDocument(page, THREE);
    await page.getByText("First words.").click();
    await page.keyboard.press("End");
    await page.keyboard.type(" And some more.");
    await allKept(page);
    await page.reload();
    await expect(page.getByText("First words. And some more.")).toBeVisible();
    await page.getByText("Second words.").click();
    await page.keyboard.press("Control+z");
    await expect(page.getByText("First words.", { exact: true })).toBeVisible();
    await page.keyboard.press("Control+y");
    await expect(page.getByText("First words. And some more.")).toBeVisible();
    expect(await exported(page.request, id, "md")).toContain("First words. And some more.");
  });

  test("a line becomes a heading and a paragraph again with only the cursor in it", async ({ page }) => {
    const id = await openDocument(page, THREE);
    await page.getByText("Second words.").click();
    await page.keyboard.press("End");
    await page.keyboard.press("Control+Alt+3");
    await expect(row(page, "Second words.")).toHaveAttribute("aria-level", "3");
    expect(await storedOutline(page.request, id)).toEqual([
      "1 Alpha",
      "2 Beta",
      "3 Second words.",
      "2 Gamma",
      "1 Delta",
    ]);
    await expect.poll(() => cursorSection(page)).toBe("Second words.");
    await page.keyboard.press("Control+Alt+2");
    await expect(row(page, "Second words.")).toHaveAttribute("aria-level", "2");
    await page.keyboard.press("Control+Alt+0");
    await expect(row(page, "Second words.")).toHaveCount(0);
    expect(await storedOutline(page.request, id)).toEqual(["1 Alpha", "2 Beta", "2 Gamma", "1 Delta"]);
    // The cursor is where it was, at the end of the line.
    await page.keyboard.type(" And on.");
    await expect(page.getByText("Second words. And on.", { exact: true })).toBeVisible();
  });

  test("a section is split at the cursor, and at selected words, which become the heading", async ({ page }) => {
    const id = await openDocument(page, "# One\n\nSome words here Wind by eye and the rest.\n");
    await putCursor(page, "Some words here");
    await page.keyboard.press("Home");
    for (let step = 0; step < 16; step++) await page.keyboard.press("ArrowRight");
    for (let step = 0; step < 11; step++) await page.keyboard.press("Shift+ArrowRight");
    await page.getByRole("button", { name: /Split here/ }).click();
    await expect(row(page, "Wind by eye")).toBeVisible();
    expect(await storedOutline(page.request, id)).toEqual(["1 One", "1 Wind by eye"]);
    expect(await exported(page.request, id, "md")).toContain("# Wind by eye\n\nand the rest.");
    await expect.poll(() => cursorSection(page)).toBe("Wind by eye");
    await expect(async () => {
      await page.getByText("and the rest.").click();
      // The editor marks the paragraph it takes the cursor to be in.
      await expect(page.locator(".manuscript:focus .now")).toHaveText("and the rest.", { timeout: 500 });
    }).toPass({ timeout: 8_000 });
    await page.keyboard.press("Control+Alt+Enter");
    await expect(page.getByRole("treeitem")).toHaveCount(3);
  });

  test("emphasis, strong, lists and quotations are set from the keyboard and the paragraph’s menu", async ({
    page,
  }) => {
    const id = await openDocument(page, "# One\n\nplain\n");
    await page.getByText("plain").click();
    await page.keyboard.press("End");
    await page.keyboard.type(" ");
    await page.keyboard.press("Control+i");
    await page.keyboard.type("leaning");
    await page.keyboard.press("Control+i");
    await page.keyboard.type(" ");
    await page.keyboard.press("Control+b");
    await page.keyboard.type("stout");
    await page.keyboard.press("Enter");
    await page.keyboard.type("- an item");
    await page.keyboard.press("Enter");
    await page.keyboard.type("another");
    await page.keyboard.press("Tab");
    await allKept(page);
    expect(await exported(page.request, id, "md")).toContain("plain *leaning* **stout**\n\n- an item\n\n  - another");
    await page.keyboard.press("Enter");
    await page.keyboard.press("Enter");
    await page.keyboard.press("Enter");
    await page.keyboard.type("said");
    await page.getByRole("button", { name: "Commands for this paragraph" }).click();
    await chooseCommand(page, "Quotation");
    await allKept(page);
    expect(await exported(page.request, id, "html")).toContain("<blockquote>");
  });

  test("nothing typed waits for the network, and nothing is lost while it is away", async ({ page, context }) => {
    const id = await openDocument(page, THREE);
    await page.getByText("First words.").click();
    await page.keyboard.press("End");
    await context.setOffline(true);
    await page.keyboard.type(" Written in the dark.");
    await expect(page.getByText("First words. Written in the dark.")).toBeVisible();
    await expect(page.getByText("not sent yet; trying again")).toBeVisible();
    await context.setOffline(false);
    await allKept(page);
    expect(await exported(page.request, id, "md")).toContain("Written in the dark.");
  });
});

test("a late answer does not take the cursor from where the writer has put it since", async ({ page }) => {
  const id = await openDocument(page, "# One\n\nFirst words.\n\nSecond words.\n");
  await page.route("**/operations", async (route) => {
    await new Promise((done) => setTimeout(done, 1500));
    await route.continue();
  });
  await putCursor(page, "Second words.");
  await page.keyboard.press("Control+Alt+2");
  await page.getByText("First words.").click();
  await expect.poll(() => storedOutline(page.request, id)).toEqual(["1 One", "2 Second words."]);
  await expect(row(page, "Second words.")).toBeVisible();
  await page.waitForTimeout(300);
  await expect(page.locator(".manuscript:focus")).toContainText("First words.");
});

test.describe("the outline", () => {
  test("every operation by keyboard", async ({ page }) => {
    const id = await openDocument(page, THREE);
    const stored = () => storedOutline(page.request, id);
    await pickRow(page, "Gamma");
    await page.keyboard.press("Control+Shift+ArrowLeft");
    await expect.poll(stored).toEqual(["1 Alpha", "2 Beta", "1 Gamma", "1 Delta"]);
    await page.keyboard.press("Control+Shift+ArrowRight");
    await expect.poll(stored).toEqual(["1 Alpha", "2 Beta", "2 Gamma", "1 Delta"]);
    await page.keyboard.press("Control+Shift+ArrowUp");
    await expect.poll(stored).toEqual(["1 Alpha", "2 Gamma", "2 Beta", "1 Delta"]);
    await page.keyboard.press("Control+Shift+ArrowDown");
    await expect.poll(stored).toEqual(["1 Alpha", "2 Beta", "2 Gamma", "1 Delta"]);
    await page.keyboard.press("F2");
    await page.keyboard.type("Epsilon");
    await page.keyboard.press("Enter");
    await expect.poll(stored).toEqual(["1 Alpha", "2 Beta", "2 Epsilon", "1 Delta"]);
    await page.keyboard.press("Control+d");
    await expect.poll(stored).toEqual(["1 Alpha", "2 Beta", "2 Epsilon", "2 Epsilon", "1 Delta"]);
    await expect(page.getByRole("treeitem")).toHaveCount(5);
    await page.keyboard.press("Delete");
    await expect.poll(stored).toEqual(["1 Alpha", "2 Beta", "2 Epsilon", "1 Delta"]);
    await expect(page.getByRole("treeitem")).toHaveCount(4);
    await page.keyboard.press("Control+Enter");
    await expect(page.getByRole("textbox", { name: "Heading", exact: true })).toBeFocused();
    await page.keyboard.type("Zeta");
    await page.keyboard.press("Enter");
    await expect.poll(async () => (await stored()).includes("2 Zeta")).toBe(true);
    await page.keyboard.press("Home");
    await page.keyboard.press("ArrowLeft");
    await expect(row(page, "Alpha")).toHaveAttribute("aria-expanded", "false");
    await expect(page.getByRole("treeitem")).toHaveCount(2);
    await page.keyboard.press("ArrowRight");
    await expect(row(page, "Alpha")).toHaveAttribute("aria-expanded", "true");
    await page.keyboard.press("Control+z");
    await expect.poll(async () => (await stored()).includes("2 Zeta")).toBe(false);
  });

  test("what is deleted lies among the offcuts and comes back", async ({ page }) => {
    const id = await openDocument(page, THREE);
    await pickRow(page, "Alpha");
    await page.keyboard.press("Delete");
    await expect.poll(() => storedOutline(page.request, id)).toEqual(["1 Delta"]);
    await page.getByRole("button", { name: "Offcuts" }).click();
    await expect(page.getByText("3 sections, 6 words · stood first")).toBeVisible();
    await page.getByRole("button", { name: "Bring back" }).click();
    await expect(page.getByRole("textbox", { name: "Manuscript" })).toBeFocused();
    await expect.poll(() => storedOutline(page.request, id)).toEqual(["1 Alpha", "2 Beta", "2 Gamma", "1 Delta"]);
  });

  test.describe("a branch held at the edge of a long outline scrolls it along", () => {
    const dragFar = async (page: Page) => {
      const id = await openDocument(page, Array.from({ length: 120 }, (_each, nth) => `# Watch ${nth}\n`).join("\n"));
      const tree = page.getByRole("tree");
      const from = await row(page, "Watch 1").first().boundingBox();
      const box = await tree.boundingBox();
      if (!from || !box) throw new Error("Nothing is drawn.");
      await page.mouse.move(from.x + 90, from.y + 12);
      await page.mouse.down();
      await page.mouse.move(from.x + 92, from.y + 60, { steps: 5 });
      const edge = box.y + box.height - 6;
      await page.mouse.move(from.x + 92, edge, { steps: 5 });
      await expect
        .poll(async () => {
          // A hand that holds still trembles a little.
          await page.mouse.move(from.x + 91, edge - 1);
          await page.mouse.move(from.x + 92, edge);
          return tree.evaluate((element) => element.scrollTop);
        })
        .toBeGreaterThan(1200);
      await page.mouse.move(from.x + 92, box.y + box.height / 2, { steps: 4 });
      return id;
    };

    test("and lands far from where it was lifted", async ({ page }) => {
      const id = await dragFar(page);
      await page.mouse.up();
      await expect
        .poll(async () => (await storedOutline(page.request, id)).findIndex((line) => line.endsWith(" Watch 1")))
        .toBeGreaterThan(40);
      expect(await storedOutline(page.request, id)).toHaveLength(120);
    });

    test("and is let go by Escape, though the row that was lifted is far out of sight", async ({ page }) => {
      const id = await dragFar(page);
      await expect(page.getByText(/^becomes /)).toBeVisible();
      await page.keyboard.press("Escape");
      await page.mouse.up();
      await expect(page.getByText(/^becomes /)).toBeHidden();
      await expect(page.locator("[role=treeitem].opacity-40")).toHaveCount(0);
      expect((await storedOutline(page.request, id))[1]).toBe("1 Watch 1");
    });
  });

  test("a branch is dragged to another place and level, drawn before the drop", async ({ page }) => {
    const id = await openDocument(page, THREE);
    const from = await row(page, "Delta").boundingBox();
    const to = await row(page, "Beta").boundingBox();
    if (!from || !to) throw new Error("The rows are not drawn.");
    await page.mouse.move(from.x + 90, from.y + 13);
    await page.mouse.down();
    await page.mouse.move(to.x + 60, to.y + 20, { steps: 6 });
    await page.mouse.move(from.x + 112, to.y + to.height, { steps: 6 });
    await expect(page.getByText("becomes 1.2, level 2, under “Alpha”")).toBeVisible();
    await page.mouse.up();
    await expect.poll(() => storedOutline(page.request, id)).toEqual(["1 Alpha", "2 Beta", "2 Delta", "2 Gamma"]);
  });

  test("a chapter dragged straight down between folded chapters stays a chapter", async ({ page }) => {
    const id = await openDocument(page, "# Alpha\n\n## A\n\n# Beta\n\n## B\n\n# Gamma\n\n## C\n\n# Delta\n\n## D\n");
    for (const heading of ["Alpha", "Beta", "Gamma", "Delta"]) {
      await pickRow(page, heading);
      await page.keyboard.press("ArrowLeft");
    }
    const from = await row(page, "Alpha").boundingBox();
    const to = await row(page, "Gamma").boundingBox();
    if (!from || !to) throw new Error("The rows are not drawn.");
    for (const at of [60, 220]) {
      await page.mouse.move(from.x + at, from.y + 13);
      await page.mouse.down();
      await page.mouse.move(from.x + at + 3, from.y + 40, { steps: 4 });
      await page.mouse.move(from.x + at - 9, to.y + to.height, { steps: 6 });
      await expect(page.getByText("becomes 3, level 1")).toBeVisible();
      await page.mouse.up();
      await expect
        .poll(async () => (await storedOutline(page.request, id)).filter((line) => line.startsWith("1")))
        .toEqual(["1 Beta", "1 Gamma", "1 Alpha", "1 Delta"]);
      await page.keyboard.press("Control+z");
      await expect
        .poll(async () => (await storedOutline(page.request, id)).filter((line) => line.startsWith("1")))
        .toEqual(["1 Alpha", "1 Beta", "1 Gamma", "1 Delta"]);
    }
  });

  test("a refusal is one sentence, and nothing changes", async ({ page }) => {
    const id = await openDocument(page, THREE);
    await pickRow(page, "Alpha");
    await page.keyboard.press("Control+Shift+ArrowLeft");
    await expect(page.getByText("“Alpha” is at level 1 already; there is no higher level.")).toBeVisible();
    expect(await storedOutline(page.request, id)).toEqual(["1 Alpha", "2 Beta", "2 Gamma", "1 Delta"]);
  });
});

test("two windows: writes to different sections are merged, to the same one offered side by side", async ({
  page,
  context,
}) => {
  const id = await openDocument(page, THREE);
  const other = await context.newPage();
  await other.goto(`/documents/${id}`);
  await other.getByText("Last words.").click();
  await other.keyboard.press("End");
  await other.keyboard.type(" From the second window.");
  await allKept(other);
  await expect(page.getByText("Last words. From the second window.")).toBeVisible();

  await page.route("**/changes?*", (route) => route.abort());
  await other.getByText("Second words.").click();
  await other.keyboard.press("End");
  await other.keyboard.type(" Theirs.");
  await allKept(other);
  await page.getByText("Second words.").click();
  await page.keyboard.press("End");
  await page.keyboard.type(" Mine.");
  await page.waitForTimeout(1200);
  await page.unroute("**/changes?*");
  const choice = page.getByRole("region", { name: "Two texts of one section" });
  await expect(choice).toContainText("Second words. Theirs.");
  await expect(choice).toContainText("Second words. Mine.");
  await page.getByRole("button", { name: "Keep both" }).click();
  await expect.poll(() => exported(page.request, id, "md")).toContain("Second words. Theirs.\n\nSecond words. Mine.");
});

test("the cursor stays where it is while another window writes in the same section, and typing goes on from there", async ({
  page,
  context,
}) => {
  const id = await openDocument(page, THREE);
  await putCursor(page, "Second words.");
  await page.keyboard.press("End");
  const other = await context.newPage();
  await other.goto(`/documents/${id}`);
  await putCursor(other, "Second words.");
  await other.keyboard.press("End");
  await other.keyboard.type(" Theirs.");
  await allKept(other);
  await page.bringToFront();
  await expect(page.locator(".manuscript:focus")).toContainText("Second words. Theirs.");
  await page.keyboard.type(" Mine.");
  await allKept(page);
  await expect(page.getByRole("dialog")).toBeHidden();
  expect(await exported(page.request, id, "md")).toContain("Second words. Mine. Theirs.");
});

test("contents that were refreshed from their notice leave the keys to the text", async ({ page }) => {
  await openDocument(page, "# Coast\n\nAlpha.\n\n# Gales\n\nBeta.\n");
  await putCursor(page, "Alpha.");
  await page.getByRole("button", { name: "Contents", exact: true }).click();
  await page.getByRole("button", { name: "Make contents…" }).click();
  await page.getByRole("dialog").getByRole("button", { name: "Make the contents" }).click();
  const refresh = page.locator(".manuscript").getByRole("button", { name: "Refresh" });
  await pickRow(page, "Gales");
  await page.keyboard.press("Control+Shift+ArrowUp");
  await refresh.click();
  await expect(refresh).toHaveCount(0);
  await expect(page.getByRole("textbox", { name: "Manuscript" })).toBeFocused();
});
