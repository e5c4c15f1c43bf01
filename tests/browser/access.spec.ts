import { expect } from "@playwright/test";
import { readFileSync } from "node:fs";
import { expectClean, importText, openDocument, test, chooseCommand } from "./helpers";

const DEMO = readFileSync("demo/the-keepers-weather.md", "utf8");

for (const theme of ["day", "night", "contrast"] as const) {
  test(`axe finds nothing on the Desk, on Write and on Arrange by ${theme}`, async ({ page }) => {
    await page.addInitScript(
      (chosen) => localStorage.setItem("stemmata:comfort", JSON.stringify({ theme: chosen })),
      theme,
    );
    await importText(page.request, DEMO);
    await page.goto("/");
    await expect(page.getByRole("link", { name: "The Keepers’ Weather" }).first()).toBeVisible();
    await expectClean(page, theme);
    await openDocument(page, DEMO);
    await page.getByRole("treeitem", { name: /What a log is/ }).click();
    await page.waitForTimeout(600);
    await expectClean(page, theme);
    await page.getByRole("button", { name: "Links" }).click();
    await expect(page.getByRole("button", { name: /watch_rule/ }).first()).toBeVisible();
    await expectClean(page, theme, ".manuscript", "[role=tree]");
    await page.keyboard.press("Control+f");
    await page.keyboard.type("barometer");
    await expect(page.locator(".manuscript .found").first()).toBeVisible();
    await page.keyboard.press("Enter");
    await expect(page.locator(".manuscript .now-found").first()).toBeVisible();
    await expectClean(page, theme, "[role=tree]");
    await page.keyboard.press("Control+j");
    await expect(page.getByRole("dialog")).toBeVisible();
    await expectClean(page, theme, ".manuscript", "[role=tree]");
    await page.keyboard.press("Escape");
    await page.getByRole("link", { name: "Arrange" }).click();
    await page.getByRole("treegrid").focus();
    await page.keyboard.press("Home");
    await page.keyboard.press("Shift+ArrowDown");
    await expect(page.getByRole("toolbar", { name: "Picked branches" })).toBeVisible();
    await page.waitForTimeout(400);
    await expectClean(page, theme);
    await page.getByRole("button", { name: "Mark…" }).click();
    await chooseCommand(page, "Marker…");
    await expect(page.getByRole("dialog")).toBeVisible();
    await expectClean(page, theme, "[role=treegrid]");
  });
}

for (const theme of ["day", "night"] as const) {
  test(`axe finds nothing on reminders, ideas, counts, the comfort panel, a part alone, a reading and standing text by ${theme}`, async ({
    page,
  }) => {
    await page.addInitScript(
      (chosen) => localStorage.setItem("stemmata:comfort", JSON.stringify({ theme: chosen })),
      theme,
    );
    await openDocument(page, "# Coast\n\nThe lamp was lit.\n\n## Vane\n\nIt turned.\n\n# Damp\n\nIt was wet.\n");
    await page.getByText("It turned.").click();
    await page.keyboard.press("Control+Alt+m");
    await page.keyboard.type("look it up");
    await expectClean(page, theme);
    await page.keyboard.press("Enter");
    await page.locator(".reminder").click();
    await expect(page.getByRole("group", { name: "Reminder" })).toBeVisible();
    for (const tool of ["Reminders", "Ideas", "Counts"]) {
      await page.getByRole("button", { name: tool, exact: true }).click();
      await page.waitForTimeout(500);
      await expectClean(page, theme);
    }
    await page.getByRole("button", { name: "How the text looks" }).click();
    await page.getByRole("checkbox", { name: "Hold the typed line at one height" }).check();
    await expectClean(page, theme);
    await page.keyboard.press("Escape");
    await page.keyboard.press("F4");
    await page.getByText("It turned.").click();
    await page.keyboard.press("Home");
    await page.keyboard.press("Alt+Shift+R");
    await page.keyboard.press("Alt+Shift+P");
    await expect(page.getByRole("region", { name: "Reading aloud" })).toBeVisible();
    await expectClean(page, theme);
    await page.keyboard.press("Alt+Shift+R");
    await page.getByRole("treeitem", { name: /Vane/ }).click();
    await page.keyboard.press("Shift+F10");
    await chooseCommand(page, "Keep as standing text");
    await expect(page.getByText("Kept as standing text")).toBeVisible();
    await page
      .getByRole("treeitem", { name: /Vane/ })
      .focus()
      .catch(() => undefined);
    await page.keyboard.press("Shift+F10");
    await chooseCommand(page, "Standing text here…");
    await expect(page.getByRole("list", { name: "Standing text" }).getByRole("button").first()).toBeVisible();
    await expectClean(page, theme);
    await page.goto("/");
    await expect(page.getByRole("region", { name: "Reminders" })).toBeVisible();
    await expect(page.getByRole("region", { name: "Standing text" })).toBeVisible();
    await expectClean(page, theme);
  });
}

test("each item of the outline tells its level, place, fold state and number", async ({ page }) => {
  await openDocument(page, "# A\n\n## B\n\n## C\n\n# D\n");
  const item = page.getByRole("treeitem", { name: /^1\.2, C/ });
  await expect(item).toHaveAttribute("aria-level", "2");
  await expect(item).toHaveAttribute("aria-posinset", "2");
  await expect(item).toHaveAttribute("aria-setsize", "2");
  await expect(page.getByRole("treeitem", { name: /^1, A/ })).toHaveAttribute("aria-expanded", "true");
});

test("axe finds nothing on the offcuts, on one being read, and on the history compared", async ({ page }) => {
  await openDocument(page, "# A\n\nSome words.\n\n## B\n\nMore words.\n");
  await page.getByRole("treeitem", { name: /B/ }).click();
  await page.keyboard.press("Delete");
  await page.getByRole("button", { name: "Offcuts" }).click();
  await expect(page.getByText("1 offcut", { exact: true })).toBeVisible();
  await expect(page.getByText("stood after “A”")).toBeVisible();
  await expectClean(page);
  await page.getByRole("button", { name: "Read", exact: true }).click();
  await expect(page.getByRole("region", { name: "Text of the offcut" })).toContainText("More words.");
  await page.getByRole("button", { name: "Throw away…" }).click();
  await expectClean(page);
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "History" }).click();
  await page.getByRole("button", { name: /Deleted “B”/ }).click();
  await expect(page.getByRole("list", { name: "Differences" })).toContainText("gone");
  await expectClean(page);
});

for (const theme of ["day", "night"] as const) {
  test(`axe finds nothing on the keys, their sheet, a strip looked into, a folded text and the way to another document by ${theme}`, async ({
    page,
  }) => {
    await page.addInitScript(
      (chosen) => localStorage.setItem("stemmata:comfort", JSON.stringify({ theme: chosen })),
      theme,
    );
    await importText(page.request, "# Other\n", "Other.md");
    await openDocument(page, "# A\n\nSome words.\n\n## B\n\nMore words.\n\n# C\n");
    await page.getByRole("treeitem", { name: /A/ }).click();
    await page.keyboard.press("Enter");
    await expect(page.locator(".manuscript:focus")).toBeVisible();
    await page.keyboard.press("Control+.");
    await page.keyboard.press("Shift+F8");
    await page.keyboard.press("+");
    await expect(page.getByRole("button", { name: "Unfold the text of A" })).toBeVisible();
    await expectClean(page, theme);
    await page.keyboard.press("Control+/");
    await page.getByRole("button", { name: /Keys of “Duplicate”/ }).click();
    await page.keyboard.press("Control+C");
    await expect(page.getByText("These are the keys of “Copy the branch”")).toBeVisible();
    await expectClean(page, theme);
    await page.keyboard.press("Escape");
    await page.keyboard.press("Escape");
    await page.getByRole("tree").focus();
    await page.keyboard.press("Shift+F10");
    await chooseCommand(page, "To another document…");
    await page.getByRole("dialog").getByRole("button", { name: /Other/ }).first().click();
    await expect(page.getByRole("option", { name: "Other" })).toBeVisible();
    await expectClean(page, theme);
    await page.goto("/keys");
    await expect(page.getByRole("heading", { name: "Keys" })).toBeVisible();
    await expectClean(page, theme);
  });
}

test.describe("a narrow window", () => {
  const LONG = "---\ntitle: An account of the lamps, the oil and the keepers of the northern coast\n---\n\n";
  // 1280 pixels at 200 % (WCAG 2.2, SC 1.4.10 asks for as little as 320 CSS pixels), and a phone.
  for (const width of [320, 390, 640]) {
    test(`${width} pixels: outline, tools and jump box lie over the text, and nothing is cut off`, async ({ page }) => {
      await page.setViewportSize({ width, height: 700 });
      await page.goto(
        `/documents/${await importText(page.request, `${LONG}# Lamps\n\nAlpha beta.\n\n# Oil\n\nGamma.\n`)}`,
      );
      await expect(page.locator(".manuscript")).toBeVisible();
      const isSideways = () => page.evaluate(() => document.documentElement.scrollWidth > window.innerWidth);
      expect(await isSideways()).toBe(false);
      // A long title gives way; what the header and the text hold is in sight.
      const cut = await page.evaluate(() =>
        [...document.querySelectorAll("header button, header a, .manuscript p")]
          .filter((each) => each.checkVisibility() && each.getBoundingClientRect().right > window.innerWidth + 20)
          .map((each) => each.outerHTML),
      );
      expect(cut).toEqual([]);
      const bar = page.getByRole("navigation", { name: "Beside the text" });
      await bar.getByRole("button", { name: "Outline" }).click();
      await page.getByRole("treeitem").filter({ hasText: "Oil" }).click();
      await expect(page.getByRole("tree")).toBeHidden();
      await page.keyboard.type("Whale ");
      await expect(page.locator(".manuscript p").nth(1)).toHaveText("Whale Gamma.");
      await bar.getByRole("button", { name: "Tools" }).click();
      await page.getByRole("menuitem", { name: "Offcuts" }).click();
      await expect(page.getByRole("region", { name: "Offcuts" })).toBeVisible();
      expect(await isSideways()).toBe(false);
      await bar.getByRole("button", { name: "Jump to…" }).click();
      await page.keyboard.type("Lamps");
      await page.keyboard.press("Enter");
      await expect(page.getByRole("region", { name: "Offcuts" })).toBeHidden();
      await page.keyboard.press("Shift+F9");
      await expect(page.getByRole("treegrid")).toBeVisible();
      const scrolling = () =>
        page.evaluate(() =>
          [...document.querySelectorAll("main, main *")]
            .filter((each) => each.scrollWidth > each.clientWidth && getComputedStyle(each).overflowX === "auto")
            .map((each) => each.outerHTML.slice(0, 100)),
        );
      expect(await isSideways()).toBe(false);
      expect(await scrolling()).toEqual([]);
      await page.goto("/");
      await expect(page.getByRole("heading", { name: "Desk" })).toBeVisible();
      expect(await isSideways()).toBe(false);
    });
  }

  test("a window made narrower and wide again shows the same words", async ({ page }) => {
    // Contents are one block, which takes several turns of the wheel.
    await openDocument(page, DEMO.slice(DEMO.indexOf("# Preface")));
    const first = () =>
      page.evaluate(() => {
        const line = (document.querySelector("main")?.getBoundingClientRect().top ?? 0) + 80;
        const lines = [...document.querySelectorAll(".manuscript :is(p, .heading)")];
        return lines.find((each) => each.getBoundingClientRect().bottom > line)?.textContent ?? "";
      });
    await page.getByRole("main").hover();
    for (let turn = 0; turn < 6; turn++) {
      const before = await first();
      await page.mouse.wheel(0, 400);
      await expect.poll(first).not.toBe(before);
    }
    // The text that was read on the way has come to stand still.
    let words = await first();
    await expect(async () => expect(words).toBe((words = await first()))).toPass({ intervals: [300] });
    await page.setViewportSize({ width: 390, height: 800 });
    await expect.poll(first).toBe(words);
    await page.setViewportSize({ width: 1280, height: 800 });
    await expect.poll(first).toBe(words);
  });
});

test("to a screen reader the manuscript is one text box with headings of their levels, lists, tables and notes in it", async ({
  page,
  context,
}) => {
  await openDocument(
    page,
    "# Coast\n\nThe mole[^a] stands; see [Vane](#vane).\n\n| Hour | hPa |\n| --- | --- |\n| 6 | 1013 |\n\n## Vane\n\n- an item\n\n> Quoted.\n\n[^a]: Of granite.\n",
  );
  await expect(page.locator(".manuscript .heading").last()).toBeVisible();
  type Node = {
    nodeId: string;
    ignored: boolean;
    role?: Said;
    name?: Said;
    properties?: Property[];
    childIds?: string[];
  };
  type Said = { value: unknown };
  type Property = { name: string; value: Said };
  const ax = await context.newCDPSession(page);
  const tree = async () => {
    const { nodes } = (await ax.send("Accessibility.getFullAXTree")) as { nodes: Node[] };
    const byId = new Map(nodes.map((node) => [node.nodeId, node]));
    const shown = new Set([
      "heading",
      "note",
      "link",
      "table",
      "caption",
      "columnheader",
      "cell",
      "list",
      "blockquote",
      "button",
    ]);
    const lines: string[] = [];
    const go = (node: Node) => {
      const role = String(node.role?.value ?? "");
      const level = node.properties?.find(({ name }) => name === "level")?.value.value;
      if (!node.ignored && shown.has(role))
        lines.push(
          [role, role === "heading" ? level : "", String(node.name?.value ?? "").trim()].filter(Boolean).join(" "),
        );
      for (const id of node.childIds ?? []) if (byId.has(id)) go(byId.get(id)!);
    };
    const boxes = nodes.filter((node) => node.role?.value === "textbox" && node.name?.value === "Manuscript");
    boxes.forEach(go);
    return { boxes: boxes.length, lines };
  };
  await expect.poll(async () => (await tree()).boxes).toBe(1);
  await expect
    .poll(async () => (await tree()).lines)
    .toEqual([
      "heading 1 1 Coast",
      "note",
      "link Vane",
      "table",
      "caption",
      "columnheader Hour",
      "columnheader hPa",
      "cell 6",
      "cell 1013",
      "list Footnotes of this section",
      "button Of granite.",
      "heading 2 1.1 Vane",
      "list",
      "blockquote",
    ]);
});
