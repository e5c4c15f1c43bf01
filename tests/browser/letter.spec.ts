import { expect, type Page } from "@playwright/test";
import { COMMANDS, type TextCommand } from "../../frontend/src/keys/commands";
import { choose, exported, openDocument, putCursor, test } from "./helpers";

/** Every command of the text, and where the next letter must stand: the kind of line, and the line. */
/** A letter that is on the keyboard, so that a key is pressed for it, and in none of the texts. */
const SIGN = "Q";

type Landing = {
  line: string;
  words: string;
  dialog?: boolean;
  /** Headings there are when it is done. */ headings?: number;
};

const HERE: Landing = { line: "p", words: `Gam${SIGN}ma delta.` };
const ASKS: Landing = { ...HERE, dialog: true };
const HEADING: Landing = { line: ".heading", words: `Gam${SIGN}ma delta.` };

const IN_TEXT: Partial<Record<TextCommand, Landing>> = {
  "heading-1": HEADING,
  "heading-2": HEADING,
  "heading-3": HEADING,
  "heading-4": HEADING,
  "heading-5": HEADING,
  "heading-6": HEADING,
  "heading-7": HEADING,
  "heading-8": HEADING,
  "heading-9": HEADING,
  split: { line: ".heading", words: SIGN, headings: 3 },
  join: HERE,
  "fold-section": { line: ".heading", words: `Oil${SIGN}` },
  emphasis: { line: "p:has(em)", words: `Gam${SIGN}ma delta.` },
  strong: { line: "p:has(strong)", words: `Gam${SIGN}ma delta.` },
  struck: { line: "p:has(s)", words: `Gam${SIGN}ma delta.` },
  superscript: { line: "p:has(sup)", words: `Gam${SIGN}ma delta.` },
  subscript: { line: "p:has(sub)", words: `Gam${SIGN}ma delta.` },
  code: { line: "p:has(code)", words: `Gam${SIGN}ma delta.` },
  "code-block": { line: "pre", words: `Gam${SIGN}ma delta.` },
  quotation: { line: "blockquote p", words: `Gam${SIGN}ma delta.` },
  list: { line: "ul li p", words: `Gam${SIGN}ma delta.` },
  "numbered-list": { line: "ol li p", words: `Gam${SIGN}ma delta.` },
  footnote: { line: ".footnote", words: SIGN },
  separator: { line: "p", words: `${SIGN}ma delta.` },
  "page-break": { line: "p", words: `${SIGN}ma delta.` },
  calculation: { line: ".calculation code", words: SIGN },
  formula: ASKS,
  picture: ASKS,
  table: ASKS,
  link: ASKS,
  bookmark: ASKS,
  reference: ASKS,
  reminder: ASKS,
  standing: ASKS,
  "contents-here": ASKS,
  filler: ASKS,
};

const CELL = (words: string): Landing => ({ line: "td, th", words });

/** The cursor stands at the end of “40”, in the second row and the second column. */
const IN_TABLE: Partial<Record<TextCommand, Landing>> = {
  "row-above": CELL(SIGN),
  "row-below": CELL(SIGN),
  "row-up": CELL(`40${SIGN}`),
  "row-down": CELL(`40${SIGN}`),
  "remove-row": CELL(`80${SIGN}`),
  "column-before": CELL(SIGN),
  "column-after": CELL(SIGN),
  "column-back": CELL(`40${SIGN}`),
  "column-on": CELL(`40${SIGN}`),
  "remove-column": CELL(`Thole${SIGN}`),
  "header-row": CELL(`40${SIGN}`),
  "header-column": CELL(`40${SIGN}`),
  "align-left": CELL(`40${SIGN}`),
  "align-center": CELL(`40${SIGN}`),
  "align-right": CELL(`40${SIGN}`),
  "remove-table": { line: "p", words: SIGN },
};

/** Asked for by keys alone, or with words selected; they have tests of their own. */
const ELSEWHERE: TextCommand[] = [
  "paragraph",
  "select-section",
  "item-up",
  "item-down",
  "item-in",
  "item-out",
  "set-words-aside",
  "words-to-ideas",
  "words-to-standing",
  "words-tools",
  // With cells selected, or in one that spans several: tables.spec.ts
  "merge-cells",
  "landscape-table",
  "split-cell",
];

const TEXT = "# Lamps\n\nAlpha beta.\n\n# Oil\n\nGamma delta.\n\nLast words.\n";
const TABLE = "# Oil\n\nBefore.\n\n| Harbour | Lamps |\n| --- | --- |\n| Thole | 40 |\n| Aust | 80 |\n\nAfter.\n";

async function command(page: Page, id: TextCommand): Promise<void> {
  const { words } = COMMANDS.text[id];
  await page.keyboard.press("Control+J");
  await page.keyboard.type(words);
  await page
    .getByRole("option")
    .filter({ has: page.getByText(words, { exact: true }) })
    .first()
    .click();
}

async function writes(page: Page, id: TextCommand, { line, words, dialog, headings }: Landing): Promise<void> {
  await command(page, id);
  if (dialog) {
    await expect(page.getByRole("dialog")).toBeVisible();
    await page.keyboard.press("Escape");
  }
  await expect(page.getByRole("dialog")).toHaveCount(0);
  // What the server does comes back in its own time; until then the writer sees the place as it was.
  if (headings) await expect(page.locator(".manuscript .heading")).toHaveCount(headings);
  const before = line.replace(/:has.*$/, "");
  await expect(
    page
      .locator(`.manuscript :is(${before})`)
      .filter({ hasText: wordsBefore(words) })
      .first(),
  ).toBeVisible();
  await expect(page.getByText("all changes kept")).toBeVisible();
  await page.keyboard.type(SIGN);
  const found = page.locator(`.manuscript :is(${line})`).filter({ hasText: SIGN });
  await expect.soft(found.last(), id).toHaveText(words);
}

const wordsBefore = (words: string) => words.replace(SIGN, "");

const groups = <T>(all: T[], size: number) =>
  Array.from({ length: Math.ceil(all.length / size) }, (_, group) => all.slice(group * size, (group + 1) * size));

test.describe("the letter after a command stands where the command was", () => {
  for (const group of groups(Object.entries(IN_TEXT) as [TextCommand, Landing][], 8)) {
    test(group.map(([id]) => id).join(", "), async ({ page }) => {
      test.slow();
      for (const [id, landing] of group) {
        await openDocument(page, TEXT);
        await putCursor(page, "Gamma delta.");
        await page.keyboard.press("Home");
        for (let step = 0; step < 3; step++) await page.keyboard.press("ArrowRight");
        await writes(page, id, landing);
      }
    });
  }

  for (const group of groups(Object.entries(IN_TABLE) as [TextCommand, Landing][], 8)) {
    test(group.map(([id]) => id).join(", "), async ({ page }) => {
      test.slow();
      for (const [id, landing] of group) {
        await openDocument(page, TABLE);
        await page.locator(".manuscript td", { hasText: "40" }).click();
        await page.keyboard.press("End");
        await writes(page, id, landing);
      }
    });
  }

  for (const id of ["separator", "page-break"] as const) {
    test(`${id} at the end of a section: the heading below stays as it is`, async ({ page }) => {
      const document = await openDocument(page, TEXT);
      await putCursor(page, "Alpha beta.");
      await page.keyboard.press("End");
      await command(page, id);
      await page.keyboard.type(`${SIGN} went on`);
      await expect
        .poll(() => exported(page.request, document, "md"))
        .toMatch(new RegExp(`# Lamps[^]*Alpha beta\\.[^]*\n${SIGN} went on\n\n# Oil\n`));
    });
  }

  test("no command is left out", () => {
    const tried = [...Object.keys(IN_TEXT), ...Object.keys(IN_TABLE), ...ELSEWHERE];
    expect(tried.toSorted()).toEqual(Object.keys(COMMANDS.text).toSorted());
  });
});

test("a table is made, filled by the Tab key, and kept", async ({ page }) => {
  const id = await openDocument(page, TEXT);
  await putCursor(page, "Last words.");
  await command(page, "table");
  await page.getByLabel("Rows", { exact: true }).fill("2");
  await page.getByLabel("Columns", { exact: true }).fill("2");
  await page.getByRole("button", { name: "Insert the table" }).click();
  await expect(page.locator(".manuscript table")).toBeVisible();
  for (const words of ["Harbour", "Lamps", "Thole", "40", "Aust"]) {
    await page.keyboard.type(words);
    await page.keyboard.press("Tab");
  }
  await page.keyboard.type("80");
  await page.keyboard.press("Enter");
  await page.keyboard.type("Below it.");
  await expect
    .poll(() => exported(page.request, id, "md"))
    .toContain("| Harbour | Lamps |\n| --- | --- |\n| Thole | 40 |\n| Aust | 80 |\n\nBelow it.");
});

test("cells from a spreadsheet become a table", async ({ page }) => {
  const id = await openDocument(page, TEXT);
  await putCursor(page, "Last words.");
  await page.keyboard.press("End");
  await page.evaluate(() => {
    const data = new DataTransfer();
    data.setData("text/plain", "Harbour\tLamps\r\nThole\t40\r\n");
    document
      .querySelector(".manuscript")
      ?.dispatchEvent(new ClipboardEvent("paste", { clipboardData: data, bubbles: true, cancelable: true }));
  });
  await expect.poll(() => exported(page.request, id, "html")).toMatch(/<td>Thole<\/td>\s*<td>40<\/td>/);
});

test.describe("pictures", () => {
  // A red point, 1 by 1 pixel (PNG, ISO/IEC 15948).
  const PNG = Buffer.from(
    "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mP8z8Dwn4EIAAAoJAUBZVyoBQAAAABJRU5ErkJggg==",
    "base64",
  );

  test("a picture is chosen, described and kept with the document", async ({ page }) => {
    const id = await openDocument(page, TEXT);
    await putCursor(page, "Last words.");
    await command(page, "picture");
    const chooser = page.waitForEvent("filechooser");
    await page.getByRole("button", { name: "Choose a picture…" }).click();
    await (await chooser).setFiles({ name: "lamp.png", mimeType: "image/png", buffer: PNG });
    await page.getByLabel("Description").fill("A lamp");
    await page.getByLabel("Caption").fill("Thole, 1895");
    await page.getByRole("button", { name: "Insert the picture" }).click();
    await expect(page.getByRole("img", { name: "A lamp" })).toBeVisible();
    await page.keyboard.type("Under it.");
    const html =
      /<figure><img src="data:image\/png;base64,[^"]+" alt="A lamp"\s*\/?><figcaption><span class="caption-number">Figure 1\. <\/span>Thole, 1895/;
    await expect.poll(() => exported(page.request, id, "html")).toMatch(html);
    await expect.poll(() => exported(page.request, id, "md")).toContain("Under it.");
    await page.reload();
    await expect(page.getByRole("img", { name: "A lamp" })).toHaveJSProperty("naturalWidth", 1);
  });

  test("what is no picture is refused in the dialog, and nothing changes", async ({ page }) => {
    const id = await openDocument(page, TEXT);
    await putCursor(page, "Last words.");
    await command(page, "picture");
    const chooser = page.waitForEvent("filechooser");
    await page.getByRole("button", { name: "Choose a picture…" }).click();
    await (await chooser).setFiles({ name: "lamp.png", mimeType: "image/png", buffer: Buffer.from("no picture") });
    await page.getByText("It only decorates").click();
    await page.getByRole("button", { name: "Insert the picture" }).click();
    await expect(page.getByRole("alert")).toContainText("This file is no picture that a browser shows");
    await page.keyboard.press("Escape");
    expect(await exported(page.request, id, "md")).not.toContain("img");
  });

  /** Lets files go over a place, as a hand does. */
  async function drop(page: Page, at: string, name: string, type: string, base64: string): Promise<void> {
    await page.evaluate(
      ({ at, name, type, base64 }) => {
        const place = document.querySelector(at);
        if (!place) throw new Error(`Nothing is ${at}.`);
        const { left, top } = place.getBoundingClientRect();
        const data = new DataTransfer();
        data.items.add(new File([Uint8Array.from(atob(base64), (sign) => sign.charCodeAt(0))], name, { type }));
        for (const kind of ["dragenter", "dragover", "drop"]) {
          const init = { dataTransfer: data, clientX: left + 8, clientY: top + 8, bubbles: true, cancelable: true };
          const isFree = place.dispatchEvent(new DragEvent(kind, init));
          if (isFree && kind !== "dragenter") throw new Error(`The browser would take ${kind} itself.`);
        }
      },
      { at, name, type, base64 },
    );
  }

  test("a picture is dropped into the text; other files are refused in words wherever they are dropped", async ({
    page,
  }) => {
    await openDocument(page, TEXT);
    await putCursor(page, "Gamma delta.");
    await drop(page, ".manuscript p:last-of-type", "notes.pdf", "application/pdf", "JVBERg==");
    await expect(page.getByText("“notes.pdf” is no picture.")).toBeVisible();
    await drop(page, "[role=tree]", "notes.pdf", "application/pdf", "JVBERg==");
    await expect(page.getByText("A picture can be dropped into the text.")).toBeVisible();
    await drop(page, ".manuscript p:last-of-type", "lamp.png", "image/png", PNG.toString("base64"));
    await page.getByLabel("Description").fill("A lamp");
    await page.getByRole("button", { name: "Insert the picture" }).click();
    await expect(page.getByRole("img", { name: "A lamp" })).toBeVisible();
  });
});

test.describe("footnotes", () => {
  const note = async (page: Page) => {
    const id = await openDocument(page, TEXT);
    await putCursor(page, "Last words.");
    await page.keyboard.press("End");
    await command(page, "footnote");
    await expect(page.locator(".manuscript .footnote")).toBeVisible();
    await page.keyboard.type("As told in 1895");
    return id;
  };
  const WAYS_OUT = [["ArrowRight"], ["Enter"], ["Escape"], ["End"]];
  for (const keys of WAYS_OUT) {
    test(`${keys.join(", ")} leads out of a note`, async ({ page }) => {
      const id = await note(page);
      for (const key of keys) await page.keyboard.press(key);
      await page.keyboard.type(" More.");
      await expect
        .poll(() => exported(page.request, id, "md"))
        .toMatch(/Last words\.\[\^1\] More\.\n[^]*: As told in 1895\n/);
    });
  }

  test("rubbing out goes letter by letter, and never takes a note that is not seen to go", async ({ page }) => {
    const id = await note(page);
    await page.keyboard.press("Enter");
    await page.keyboard.press("Backspace");
    await expect(page.locator(".manuscript .footnote.ProseMirror-selectednode")).toHaveText("As told in 1895");
    await page.keyboard.press("ArrowRight");
    await page.keyboard.press("ArrowLeft");
    for (let letter = 0; letter < "As told in 1895".length; letter++) await page.keyboard.press("Backspace");
    await page.keyboard.type("Anew");
    await expect.poll(() => exported(page.request, id, "md")).toMatch(/Last words\.\[\^1\]\n[^]*: Anew\n/);
  });

  test("what was undone leaves the cursor where it was", async ({ page }) => {
    const id = await note(page);
    await expect(page.getByText("all changes kept")).toBeVisible();
    await page.keyboard.press("Control+Z");
    await expect(page.locator(".manuscript .footnote")).toHaveCount(0);
    await page.keyboard.type("!");
    await expect.poll(() => exported(page.request, id, "md")).toContain("Last words.!");
  });
});

test("words dragged to another section go there in one step, and come back in one", async ({ page }) => {
  const id = await openDocument(page, TEXT);
  const middleOf = (words: string) =>
    page.evaluate((sought) => {
      const walker = document.createTreeWalker(
        document.querySelector(".manuscript") ?? document.body,
        NodeFilter.SHOW_TEXT,
      );
      for (let node = walker.nextNode(); node; node = walker.nextNode()) {
        const at = (node.textContent ?? "").indexOf(sought);
        if (at < 0) continue;
        const range = document.createRange();
        range.setStart(node, at);
        range.setEnd(node, at + sought.length);
        const { left, top, width, height } = range.getBoundingClientRect();
        return { x: left + width / 2, y: top + height / 2 };
      }
      throw new Error(`“${sought}” is not shown.`);
    }, words);
  // The look of the text may come in after its words, and moves them.
  let before = "";
  await expect
    .poll(
      async () => {
        const now = JSON.stringify([await middleOf("beta"), await middleOf(" delta")]);
        const isSettled = now === before;
        before = now;
        return isSettled;
      },
      { intervals: [300] },
    )
    .toBe(true);
  const [from, to] = [await middleOf("beta"), await middleOf(" delta")];
  await page.mouse.dblclick(from.x, from.y);
  await expect.poll(() => page.evaluate(() => document.getSelection()?.toString())).toBe("beta");
  // A third press within half a second would be a click on the whole paragraph.
  await page.waitForTimeout(700);
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(from.x + 12, from.y + 12, { steps: 3 });
  await page.mouse.move(to.x, to.y, { steps: 6 });
  await page.mouse.up();
  const words = () => exported(page.request, id, "md");
  await expect.poll(words).toMatch(/Alpha \.?[^]*beta[^]*Last words/);
  await expect.poll(words).not.toContain("Alpha beta");
  await expect(page.getByText("all changes kept")).toBeVisible();
  await page.keyboard.press("Control+Z");
  await expect.poll(words).toContain("Alpha beta.");
  expect((await words()).match(/beta/g)).toHaveLength(1);
});

test("title, author and language are set in one place, reach the editor and the files, and are refused in words", async ({
  page,
}) => {
  const id = await openDocument(page, TEXT);
  await page.keyboard.press("Control+J");
  await page.keyboard.type("author");
  await page.keyboard.press("Enter");
  const dialog = page.getByRole("dialog");
  await dialog.getByLabel("Title", { exact: true }).fill("The Keepers’ Lamps");
  await dialog.getByLabel("Author, or authors").fill("Ines Thole");
  await choose(page.getByRole("combobox", { name: "Language" }), "Another, by its tag…");
  await page.getByLabel("Its tag").fill("nonsense words");
  await page.getByRole("button", { name: "Keep this" }).click();
  await expect(page.getByRole("alert")).toContainText("A language is named by its tag");
  await choose(page.getByRole("combobox", { name: "Language" }), "Arabic · ar");
  await page.getByRole("button", { name: "Keep this" }).click();
  await expect(page.getByRole("heading", { name: "The Keepers’ Lamps" })).toBeVisible();
  await expect(page.locator(".manuscript")).toHaveAttribute("lang", "ar");
  expect(await exported(page.request, id, "html")).toMatch(/<html lang="ar" dir="rtl">[^]*content="Ines Thole"/);
});
