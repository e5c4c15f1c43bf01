import { expect, type Page } from "@playwright/test";
import { exported, openDocument, pickRow, putCursor, row, storedOutline, test, chooseCommand } from "./helpers";

const TEXT = "# Alpha\n\nOne.\n\n## Beta\n\nTwo words here.\n\n### Gamma\n\nThree.\n\n## Delta\n\nFour.\n\n# Epsilon\n";
const OUTLINE = ["1 Alpha", "2 Beta", "3 Gamma", "2 Delta", "1 Epsilon"];

/** Goes down the open menu, and into each group of it, until the command is reached, and chooses that. */
async function chosenByKeys(page: Page, command: string): Promise<boolean> {
  const reached = () =>
    page.evaluate(() => ({
      words: document.activeElement?.textContent ?? "",
      isGroup: document.activeElement?.getAttribute("aria-haspopup") === "menu",
    }));
  for (let last = ""; ;) {
    const { words, isGroup } = await reached();
    if (words.startsWith(command)) return page.keyboard.press("Enter").then(() => true);
    if (words === last) return false;
    last = words;
    if (isGroup) {
      await page.keyboard.press("ArrowRight");
      await expect.poll(async () => (await reached()).words).not.toBe(words);
      if (await chosenByKeys(page, command)) return true;
      await page.keyboard.press("ArrowLeft");
      await expect.poll(async () => (await reached()).words).toBe(words);
    }
    await page.keyboard.press("ArrowDown");
    // The focus moves a moment after the key.
    for (let wait = 0; wait < 10 && (await reached()).words === last; wait++) await page.waitForTimeout(15);
  }
}

/** The two ways to a row’s commands: the hand alone, and the keys alone. */
const WAYS = {
  "by mouse": async (page: Page, heading: string, command: string) => {
    await row(page, heading).hover();
    // The sign is for the hand; a screen reader has the row’s own menu key.
    await row(page, heading).locator("button[aria-hidden=true]").click();
    await chooseCommand(page, new RegExp(`^${command}`));
  },
  "by keyboard": async (page: Page, heading: string, command: string) => {
    await pickRow(page, heading);
    await page.keyboard.press("Shift+F10");
    await expect(page.getByRole("menu")).toBeVisible();
    await expect(page.getByRole("menuitem").first()).toBeFocused();
    expect(await chosenByKeys(page, command)).toBe(true);
  },
};

type Case = { command: string; on: string; after: string[]; finish?: (page: Page) => Promise<void> };

const write = (words: string) => async (page: Page) => {
  await page.keyboard.type(words);
  await page.keyboard.press("Enter");
};

const CASES: Case[] = [
  { command: "Promote", on: "Beta", after: ["1 Alpha", "1 Beta", "2 Gamma", "2 Delta", "1 Epsilon"] },
  { command: "Demote", on: "Delta", after: ["1 Alpha", "2 Beta", "3 Gamma", "3 Delta", "1 Epsilon"] },
  { command: "Promote the heading only", on: "Beta", after: ["1 Alpha", "1 Beta", "3 Gamma", "2 Delta", "1 Epsilon"] },
  { command: "Demote the heading only", on: "Beta", after: ["1 Alpha", "3 Beta", "3 Gamma", "2 Delta", "1 Epsilon"] },
  { command: "Move up", on: "Delta", after: ["1 Alpha", "2 Delta", "2 Beta", "3 Gamma", "1 Epsilon"] },
  { command: "Move down", on: "Beta", after: ["1 Alpha", "2 Delta", "2 Beta", "3 Gamma", "1 Epsilon"] },
  {
    command: "Nest under…",
    on: "Delta",
    after: ["1 Alpha", "2 Beta", "3 Gamma", "1 Epsilon", "2 Delta"],
    finish: write("epsilon"),
  },
  { command: "Insert before", on: "Delta", after: ["1 Alpha", "2 Beta", "3 Gamma", "2", "2 Delta", "1 Epsilon"] },
  { command: "Insert after", on: "Beta", after: ["1 Alpha", "2 Beta", "3 Gamma", "2", "2 Delta", "1 Epsilon"] },
  { command: "Insert inside", on: "Delta", after: ["1 Alpha", "2 Beta", "3 Gamma", "2 Delta", "3", "1 Epsilon"] },
  {
    command: "Duplicate",
    on: "Beta",
    after: ["1 Alpha", "2 Beta", "3 Gamma", "2 Beta", "3 Gamma", "2 Delta", "1 Epsilon"],
  },
  {
    command: "Rename",
    on: "Delta",
    after: ["1 Alpha", "2 Beta", "3 Gamma", "2 Zeta", "1 Epsilon"],
    finish: write("Zeta"),
  },
  {
    command: "Make it a paragraph of the section above",
    on: "Gamma",
    after: ["1 Alpha", "2 Beta", "2 Delta", "1 Epsilon"],
  },
  { command: "Set aside", on: "Beta", after: ["1 Alpha", "2 Delta", "1 Epsilon"] },
  { command: "Delete", on: "Alpha", after: ["1 Epsilon"] },
];

for (const [way, run] of Object.entries(WAYS)) {
  test.describe(way, () => {
    for (const { command, on, after, finish } of CASES) {
      test(`${command}: done, undone and done again`, async ({ page }) => {
        const id = await openDocument(page, TEXT);
        const stored = () => storedOutline(page.request, id);
        await run(page, on, command);
        await finish?.(page);
        await expect.poll(stored).toEqual(after);
        await page.getByRole("tree").focus();
        await page.keyboard.press("Control+z");
        await expect.poll(stored).toEqual(OUTLINE);
        await page.keyboard.press("Control+Shift+Z");
        await expect.poll(stored).toEqual(after);
      });
    }

    test("numbers, contents and markers of a section", async ({ page }) => {
      const id = await openDocument(page, TEXT);
      await run(page, "Alpha", "Leave it unnumbered");
      await expect(row(page, "Epsilon")).toHaveAccessibleName(/^1, Epsilon/);
      await run(page, "Epsilon", "Number it as an appendix");
      await expect(row(page, "Epsilon")).toHaveAccessibleName(/^Appendix A, Epsilon/);
      await run(page, "Epsilon", "Leave it out of the contents");
      await expect(page.getByText("Changed the place in the contents of “Epsilon”.")).toBeVisible();
      await run(page, "Delta", "Marker…");
      await page.keyboard.type("leaf");
      await page.keyboard.press("Enter");
      await expect(row(page, "Delta")).toHaveAccessibleName(/leaf marker/);
      const { outline } = (await (await page.request.get(`/api/documents/${id}`)).json()) as {
        outline: { flags: string };
      };
      expect(outline.flags).toBe("10006");
    });
  });
}

test.describe("the text’s own commands", () => {
  const byHand = async (page: Page, command: string) => {
    await page.getByRole("button", { name: "Commands for this paragraph" }).click();
    await chooseCommand(page, new RegExp(`^${command}`));
  };
  const TEXTS: { name: string; cursor: string; line?: string; hand: string; keys: string; after: string[] }[] = [
    {
      name: "split",
      cursor: "Two words here.",
      hand: "Split here",
      keys: "Control+Alt+Enter",
      after: ["1 Alpha", "2 Beta", "2", "3 Gamma", "2 Delta", "1 Epsilon"],
    },
    {
      name: "a heading of level 4",
      cursor: "Four.",
      hand: "Heading, level 4",
      keys: "Control+Alt+4",
      after: ["1 Alpha", "2 Beta", "3 Gamma", "2 Delta", "4 Four.", "1 Epsilon"],
    },
    {
      name: "a paragraph again",
      cursor: "Delta",
      line: ".manuscript .heading",
      hand: "Paragraph",
      keys: "Control+Alt+0",
      after: ["1 Alpha", "2 Beta", "3 Gamma", "1 Epsilon"],
    },
    {
      name: "join",
      cursor: "Gamma",
      line: ".manuscript .heading",
      hand: "Join with the section above",
      keys: "Control+Alt+Backspace",
      after: ["1 Alpha", "2 Beta", "2 Delta", "1 Epsilon"],
    },
  ];
  for (const { name, cursor, line, hand, keys, after } of TEXTS) {
    for (const way of ["by mouse", "by keyboard"]) {
      test(`${name}, ${way}`, async ({ page }) => {
        const id = await openDocument(page, TEXT);
        const text = await exported(page.request, id, "md");
        await putCursor(page, cursor, line);
        await (way === "by mouse" ? byHand(page, hand) : page.keyboard.press(keys));
        await expect.poll(() => storedOutline(page.request, id)).toEqual(after);
        await page.getByRole("button", { name: "Undo" }).click();
        await expect.poll(() => exported(page.request, id, "md")).toBe(text);
      });
    }
  }
});

test("undo and redo walk one line of history, from either of two windows and after a reload", async ({
  page,
  context,
}) => {
  const id = await openDocument(page, TEXT);
  const stored = () => storedOutline(page.request, id);
  const other = await context.newPage();
  await other.goto(`/documents/${id}`);
  await expect(other.getByRole("treeitem")).toHaveCount(5);
  await pickRow(page, "Beta");
  await page.keyboard.press("Control+Shift+ArrowLeft");
  await expect.poll(stored).toContain("1 Beta");
  await pickRow(page, "Delta");
  await page.keyboard.press("Delete");
  await expect.poll(stored).toHaveLength(4);
  await expect(other.getByRole("treeitem")).toHaveCount(4);
  await other.getByRole("tree").focus();
  await other.keyboard.press("Control+z");
  await expect.poll(stored).toHaveLength(5);
  await expect(page.getByRole("treeitem")).toHaveCount(5);
  await page.reload();
  await page.getByRole("tree").focus();
  await page.keyboard.press("Control+z");
  await expect.poll(stored).toEqual(OUTLINE);
  await expect(row(other, "Beta")).toHaveAttribute("aria-level", "2");
  await other.keyboard.press("Control+y");
  await expect.poll(stored).toContain("1 Beta");
  await expect(row(page, "Beta")).toHaveAttribute("aria-level", "1");
  await page.keyboard.press("Control+y");
  await expect.poll(stored).toHaveLength(4);
});
