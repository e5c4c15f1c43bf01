import { expect, type Page } from "@playwright/test";
import { allKept, exported, openDocument, pickRow, putCursor, storedOutline, test, cursorSection } from "./helpers";

const COAST = "# Coast\n\nThe lamp was lit at dusk and trimmed at midnight.\n\n# Logs\n\n## Gaps\n\n# Storms\n";

async function openKeys(page: Page) {
  await page.keyboard.press("Control+/");
  const dialog = page.getByRole("dialog", { name: "Keys" });
  await expect(dialog).toBeVisible();
  return dialog;
}

test.afterEach(async ({ request }) => {
  await request.put("/api/keys", { data: { keys: {} } });
});

test("a command’s keys are changed, hold after a reload and in another document, and go back to ours", async ({
  page,
}) => {
  const id = await openDocument(page, COAST);
  const dialog = await openKeys(page);
  await dialog.getByRole("searchbox").fill("promote");
  await dialog.getByRole("button", { name: "Keys of “Promote”: Ctrl Shift ←" }).click();
  await page.keyboard.press("Control+Alt+P");
  await expect(dialog.getByRole("status")).toHaveText("These keys are free.");
  await dialog.getByRole("button", { name: "Use them" }).click();
  await expect(dialog.getByRole("button", { name: "Keys of “Promote”: Ctrl Alt P" })).toBeVisible();
  await dialog.getByRole("button", { name: "Done" }).click();

  await pickRow(page, "Gaps");
  await page.keyboard.press("Control+Shift+ArrowLeft");
  await page.keyboard.press("Control+Alt+P");
  await expect.poll(() => storedOutline(page.request, id)).toEqual(["1 Coast", "1 Logs", "1 Gaps", "1 Storms"]);

  const other = await openDocument(page, COAST, "Other.md");
  await pickRow(page, "Gaps");
  await page.keyboard.press("Shift+F10");
  await expect(page.getByRole("menuitem", { name: "Promote Ctrl Alt P" })).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(page.getByRole("tree")).toBeFocused();
  await page.keyboard.press("Control+Alt+P");
  await expect.poll(() => storedOutline(page.request, other)).toContain("1 Gaps");

  const again = await openKeys(page);
  await again.getByRole("button", { name: "Back to our keys for “Promote”" }).click();
  await expect(again.getByRole("button", { name: "Keys of “Promote”: Ctrl Shift ←" })).toBeVisible();
  await expect(again.getByRole("button", { name: "All back to ours" })).toBeDisabled();
  await expect.poll(async () => (await page.request.get("/api/keys")).json()).toEqual({ keys: {} });
});

test("keys that another command has are taken only when the writer says so; the browser’s are refused", async ({
  page,
}) => {
  await openDocument(page, COAST);
  const dialog = await openKeys(page);
  await dialog.getByRole("searchbox").fill("nest under");
  await dialog.getByRole("button", { name: "Keys of “Nest under…”: none" }).click();
  await page.keyboard.press("Control+D");
  await expect(dialog.getByRole("status")).toHaveText(
    "These are the keys of “Duplicate”. Taken for “Nest under…”, they no longer do that.",
  );
  await page.keyboard.press("Control+Alt+ArrowUp");
  await expect(dialog.getByRole("status")).toHaveText("Screen readers keep these keys for themselves.");
  await expect(dialog.getByRole("button", { name: "Use them" })).toBeDisabled();
  await page.keyboard.press("Control+D");
  await dialog.getByRole("button", { name: "Take them" }).click();
  await dialog.getByRole("searchbox").fill("duplicate");
  await expect(dialog.getByRole("button", { name: "Keys of “Duplicate”: none" })).toBeVisible();
  await page.keyboard.press("Escape");
  await pickRow(page, "Gaps");
  await page.keyboard.press("Control+D");
  await expect(page.getByRole("dialog", { name: "Nest this branch under…" })).toBeVisible();
});

test("the dialog is worked from the keyboard alone, and the sheet lists the writer’s own keys", async ({ page }) => {
  await openDocument(page, COAST);
  const dialog = await openKeys(page);
  await page.keyboard.type("split here");
  await page.keyboard.press("Tab");
  await page.keyboard.press("Enter");
  await expect(dialog.getByRole("textbox", { name: "Press the keys for “Split here”" })).toBeFocused();
  await page.keyboard.press("F9");
  await page.keyboard.press("Tab");
  await page.keyboard.press("Tab");
  await page.keyboard.press("Enter");
  await expect(dialog.getByRole("button", { name: "Keys of “Split here”: F9" })).toBeVisible();
  const [sheet] = await Promise.all([
    page.waitForEvent("popup"),
    dialog.getByRole("button", { name: "A sheet to print" }).click(),
  ]);
  await expect(sheet.getByRole("heading", { name: "Keys" })).toBeVisible();
  await expect(sheet.locator("dl > div").filter({ hasText: "Split here" })).toHaveText("Split hereF9");
  await sheet.close();
});

test("what the server is given is checked, and a bad one changes nothing", async ({ page }) => {
  const put = async (keys: unknown) => (await page.request.put("/api/keys", { data: { keys } })).status();
  expect(await put({ nest: ["N"] })).toBe(200);
  expect(await put({ nest: "N" })).toBe(400);
  expect(await put({ nest: ["x".repeat(41)] })).toBe(400);
  expect(await put({ "../x": ["N"] })).toBe(400);
  expect(await put({ nest: ["1", "2", "3", "4", "5"] })).toBe(400);
  expect(await put(Object.fromEntries(Array.from({ length: 301 }, (_, at) => [`c${at}`, []])))).toBe(400);
  expect(await put(7)).toBe(400);
  expect(await (await page.request.get("/api/keys")).json()).toEqual({ keys: { nest: ["N"] } });
});

test("keys go from section to section, between outline and text, and between Write and Arrange", async ({ page }) => {
  await openDocument(page, COAST);
  await putCursor(page, "The lamp");
  await page.keyboard.press("Alt+PageDown");
  await expect.poll(() => cursorSection(page)).toBe("Logs");
  await page.keyboard.press("Alt+PageUp");
  await expect.poll(() => cursorSection(page)).toBe("Coast");
  await page.keyboard.press("F8");
  await expect(page.getByRole("tree")).toBeFocused();
  await page.keyboard.press("F8");
  await expect.poll(() => cursorSection(page)).toBe("Coast");
  await page.keyboard.press("Shift+F9");
  await expect(page.getByRole("treegrid")).toBeVisible();
  await page.keyboard.press("Shift+F9");
  await expect(page.getByRole("main", { name: "Style sheet" })).toBeVisible();
  await page.keyboard.press("Shift+F9");
  await expect(page.getByRole("tree")).toBeVisible();
});

test("the jump box does commands by their words", async ({ page }) => {
  await openDocument(page, COAST);
  await page.keyboard.press("Control+J");
  await page.keyboard.type("offcuts");
  await expect(page.getByRole("option", { name: "Offcuts", exact: true })).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("region", { name: "Offcuts" })).toBeVisible();
});

test("an input method’s own keys finish nothing", async ({ page }) => {
  const id = await openDocument(page, COAST);
  await pickRow(page, "Logs");
  await page.keyboard.press("F2");
  const heading = page.getByLabel("Heading", { exact: true });
  await heading.fill("とうだい");
  const compose = (key: string) =>
    heading.dispatchEvent("keydown", { key, isComposing: true, bubbles: true, cancelable: true });
  await compose("Enter");
  await compose("Escape");
  await expect(heading).toBeFocused();
  await heading.fill("灯台");
  await heading.press("Enter");
  await expect.poll(() => storedOutline(page.request, id)).toContain("1 灯台");
});

test("items of a list go up, down, in and out by keys, and the numbers follow", async ({ page }) => {
  const id = await openDocument(page, "# Rules\n\n1. wind\n2. glass\n   - mercury\n3. oil\n");
  const list = async () =>
    (await exported(page.request, id, "md")).split("\n").filter((line) => /wind|glass|mercury|oil/.test(line));
  await putCursor(page, "oil", ".manuscript li p");
  await page.keyboard.press("Alt+ArrowUp");
  await allKept(page);
  expect(await list()).toEqual(["1. wind", "2. oil", "3. glass", "   - mercury"]);
  await page.keyboard.type("!");
  await page.keyboard.press("Alt+ArrowUp");
  await page.keyboard.press("Alt+ArrowUp");
  await allKept(page);
  expect((await list())[0]).toMatch(/^1\. (!oil|oil!)$/);
  await page.keyboard.press("Alt+ArrowDown");
  await page.keyboard.press("Tab");
  await allKept(page);
  await expect.poll(list).toEqual(["1. wind", expect.stringMatching(/^ {3}1\. /), "2. glass", "   - mercury"]);
  await page.keyboard.press("Shift+Tab");
  await expect.poll(list).toEqual(["1. wind", expect.stringMatching(/^2\. /), "3. glass", "   - mercury"]);
  await putCursor(page, "glass", ".manuscript li p");
  await page.keyboard.press("Alt+ArrowUp");
  await expect.poll(list).toEqual(["1. wind", "2. glass", "   - mercury", expect.stringMatching(/^3\. /)]);
});

test("the commands for selected words are named, cover neither them nor the lines beside them, and are reached by a key", async ({
  page,
}) => {
  await openDocument(page, "# Coast\n\nFirst line.\n\nSecond line.\n\nThird line.\n\nFourth line.\n\nFifth line.\n");
  await page.getByText("Fourth line.").click();
  await page.keyboard.press("Home");
  await page.keyboard.press("Shift+End");
  const bar = page.getByRole("toolbar", { name: "Selected words" });
  await expect(bar).toBeVisible();
  const box = (await bar.boundingBox())!;
  for (const words of ["Third line.", "Fourth line.", "Fifth line."]) {
    const line = (await page.getByText(words).boundingBox())!;
    expect(line.y >= box.y + box.height || line.y + line.height <= box.y, words).toBe(true);
  }
  await page.keyboard.press("Alt+F10");
  await expect(bar.getByRole("button").first()).toBeFocused();
  await expect(page.getByText(/^Emphasis \(Ctrl I\)$/)).toBeVisible();
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("Enter");
  await expect(page.locator(".manuscript strong")).toHaveText("Fourth line.");
  await page.keyboard.press("Alt+F10");
  await page.keyboard.press("Escape");
  await page.keyboard.type("New");
  await expect(page.locator(".manuscript strong")).toHaveText("New");
  await page.keyboard.press("Alt+F10");
  await expect(page.getByRole("menuitem").first()).toBeVisible();
});
