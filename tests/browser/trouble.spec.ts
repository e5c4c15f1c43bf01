import { expect, type Page } from "@playwright/test";
import {
  allKept,
  exported,
  freePort,
  importText,
  openDocument,
  pickRow,
  putCursor,
  row,
  served,
  storedOutline,
  test,
} from "./helpers";

const COAST = "# Coast\n\n## Lights\n\nOil.\n\n## Fog\n\nBells.\n\n# Logs\n\n## Gaps\n\n# Storms\n";
const BEFORE = ["1 Coast", "2 Lights", "2 Fog", "1 Logs", "2 Gaps", "1 Storms"];
const AFTER = ["1 Storms", "1 Coast", "2 Lights", "2 Fog", "1 Logs", "2 Gaps"];

/** Takes the branch by the hand, up to the place before the first row, and holds it there. */
async function hold(page: Page, heading: string): Promise<void> {
  const from = await row(page, heading).boundingBox();
  const first = await page.getByRole("treeitem").first().boundingBox();
  if (!from || !first) throw new Error("The rows are not drawn.");
  await page.mouse.move(from.x + 90, from.y + 13);
  await page.mouse.down();
  await page.mouse.move(first.x + 60, first.y + 30, { steps: 8 });
  await page.mouse.move(first.x + 40, first.y + 3, { steps: 4 });
}

test("another window moves the same branch in the middle of a drag: nothing is lost, nothing is doubled", async ({
  page,
  context,
}) => {
  const id = await openDocument(page, COAST);
  const other = await context.newPage();
  await other.goto(`/documents/${id}`);
  await hold(page, "Storms");
  await pickRow(other, "Logs");
  await other.keyboard.press("Control+Shift+ArrowUp");
  await expect
    .poll(() => storedOutline(page.request, id))
    .toEqual(["1 Logs", "2 Gaps", "1 Coast", "2 Lights", "2 Fog", "1 Storms"]);
  await page.bringToFront();
  await page.mouse.up();
  // Either the drag met the older outline and was refused with the newer one, or it was carried out on the newer one.
  await expect.poll(async () => (await storedOutline(page.request, id)).toSorted()).toEqual(BEFORE.toSorted());
  await expect(page.getByRole("treeitem")).toHaveCount(6);
  await expect(async () => {
    const stored = await storedOutline(page.request, id);
    const shown = await page.getByRole("treeitem").locator(".row-heading").allTextContents();
    expect(shown).toEqual(stored.map((line) => line.slice(2)));
  }).toPass({ timeout: 8000 });
});

test("another window deletes the branch that is held: the drop is refused in a sentence", async ({ page }) => {
  const id = await openDocument(page, COAST);
  await page.route("**/changes?*", (route) => route.abort());
  const section = (await row(page, "Storms").getAttribute("id"))?.slice(4) ?? "";
  await hold(page, "Storms");
  const { revision } = (await (await page.request.get(`/api/documents/${id}`)).json()) as { revision: number };
  expect(
    (
      await page.request.post(`/api/documents/${id}/operations`, {
        data: { baseRevision: revision, operation: { name: "delete", sections: [section] } },
      })
    ).status(),
  ).toBe(200);
  await page.mouse.up();
  await expect(page.getByText("Another window has changed this part of the document since")).toBeVisible();
  await expect(row(page, "Storms")).toHaveCount(0);
  expect(await storedOutline(page.request, id)).toEqual(BEFORE.slice(0, 5));
});

test("on a slow network a drag and the keys after it are done once each, in their order", async ({ page }) => {
  const id = await openDocument(page, COAST);
  await page.route("**/operations", async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 1200));
    await route.continue();
  });
  await hold(page, "Storms");
  await page.mouse.up();
  await page.getByRole("tree").focus();
  await page.keyboard.press("Home");
  await page.keyboard.press("Control+D");
  await page.keyboard.press("Control+Shift+ArrowDown");
  await expect.poll(() => storedOutline(page.request, id), { timeout: 15_000 }).toHaveLength(9);
  await page.waitForTimeout(2000);
  expect(await storedOutline(page.request, id)).toHaveLength(9);
  expect((await storedOutline(page.request, id)).filter((line) => line === "1 Storms")).toHaveLength(1);
});

test("an answer that never came is not a change undone: what was done shows, and is not done twice", async ({
  page,
}) => {
  const id = await openDocument(page, COAST);
  await page.route("**/operations", async (route) => {
    await route.fetch();
    await route.abort();
  });
  await hold(page, "Storms");
  await page.mouse.up();
  await expect(page.getByText("Whether this was done shows here as soon as it answers.")).toBeVisible();
  await page.unroute("**/operations");
  await expect
    .poll(() => page.getByRole("treeitem").locator(".row-heading").allTextContents())
    .toEqual(AFTER.map((line) => line.slice(2)));
  await expect(page.getByText("Stemmata answers again. This is the document as it is now.")).toBeVisible();
  expect(await storedOutline(page.request, id)).toEqual(AFTER);
  await page.getByRole("tree").focus();
  await page.keyboard.press("Control+z");
  await expect.poll(() => storedOutline(page.request, id)).toEqual(BEFORE);
});

test("words not yet sent are still there when their section has been out of sight, and go on from there", async ({
  page,
  context,
}) => {
  const long = "The keeper read the glass and wrote it down. ".repeat(60);
  const id = await openDocument(
    page,
    Array.from({ length: 30 }, (_, nth) => `# S${nth}\n\nWords of ${nth}. ${long}\n`).join("\n"),
  );
  await putCursor(page, "Words of 0.");
  await context.setOffline(true);
  await page.keyboard.press("Control+Home");
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("Home");
  await page.keyboard.type("Unsent. ");
  await expect(page.getByText("not sent yet; trying again")).toBeVisible();
  await row(page, "S29").click();
  await expect(page.getByText("Unsent.")).not.toBeInViewport();
  await row(page, "S0").click();
  await putCursor(page, "Unsent. Words of 0.");
  await page.keyboard.press("Control+Home");
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("Home");
  await page.keyboard.type("Still ");
  await context.setOffline(false);
  await allKept(page);
  expect(await exported(page.request, id, "md")).toContain("Still Unsent. Words of 0.");
});

test.describe("a server that is killed", () => {
  const data = "var/browser-test-killed";
  let server: Awaited<ReturnType<typeof served>>;
  let port: number;

  test.use({
    // oxlint-disable-next-line no-empty-pattern
    baseURL: async ({}, provide) => {
      port = await freePort();
      server = await served(port, data);
      await provide(server.address);
      server.stop();
    },
  });

  test("in the middle of a drag loses nothing: the drop waits for the writer, what was typed comes through", async ({
    page,
    request,
  }) => {
    const id = await importText(request, COAST);
    await page.goto(`/documents/${id}`);
    await pickRow(page, "Lights");
    await page.locator(".manuscript p", { hasText: "Oil." }).click();
    await page.keyboard.press("End");
    await hold(page, "Storms");
    server.stop();
    await page.mouse.up();
    await expect(page.getByText("Stemmata cannot be reached just now.")).toBeVisible();
    await expect(page.getByRole("treeitem")).toHaveCount(6);
    await page.locator(".manuscript p", { hasText: "Oil." }).click();
    await page.keyboard.press("End");
    await page.keyboard.type(" And wick.");
    await expect(page.getByText("not sent yet; trying again")).toBeVisible();

    server = await served(port, data, true);
    await expect(page.getByText("all changes kept")).toBeVisible({ timeout: 15_000 });
    expect(await storedOutline(request, id)).toEqual(BEFORE);
    await hold(page, "Storms");
    await page.mouse.up();
    await expect.poll(() => storedOutline(request, id)).toEqual(AFTER);
    expect(await (await request.get(`/api/documents/${id}/export?format=md`)).text()).toContain("Oil. And wick.");
  });
});

test("a late answer does not take the keys of the outline back to the row that the command was for", async ({
  page,
}) => {
  const id = await openDocument(page, "# One\n\na\n\n# Two\n\nb\n\n## Three\n\nc\n\n# Four\n\nd\n");
  await page.route("**/operations", async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 700));
    await route.continue();
  });
  await pickRow(page, "One");
  await page.keyboard.press("Control+Shift+ArrowDown");
  await row(page, "Three").click();
  await page.waitForTimeout(1200);
  await page.keyboard.press("Control+Shift+ArrowLeft");
  await expect.poll(() => storedOutline(page.request, id)).toEqual(["1 Two", "1 Three", "1 One", "1 Four"]);
});

test("reloaded while words are on their way and more are typed: all are there, and nobody is asked about them", async ({
  page,
}) => {
  const id = await openDocument(page, "# One\n\nAlpha\n");
  let isFirst = true;
  await page.route("**/operations", async (route) => {
    if (!isFirst) return route.continue();
    isFirst = false;
    // Kept, but its answer never comes.
    await route.fetch();
  });
  await page.locator(".manuscript p", { hasText: "Alpha" }).click();
  await page.keyboard.press("End");
  await page.keyboard.type(" beta");
  // As much of it as was typed without a pause.
  await expect.poll(() => exported(page.request, id, "md")).toContain("Alpha b");
  await page.keyboard.type(" gamma");
  await page.waitForTimeout(400);
  // Nothing that is handed over at the last moment comes through.
  await page.route("**/operations", (route) => route.abort());
  await page.evaluate(() => (window.fetch = () => new Promise(() => undefined)));
  await page.unrouteAll({ behavior: "ignoreErrors" });
  await page.reload();
  await expect(page.locator(".manuscript p", { hasText: "Alpha beta gamma" })).toBeVisible();
  await expect.poll(() => exported(page.request, id, "md")).toContain("Alpha beta gamma");
  await expect(page.getByRole("dialog")).toHaveCount(0);
});
