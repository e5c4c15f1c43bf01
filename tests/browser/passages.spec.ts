import { expect, type Page } from "@playwright/test";
import { exported, openDocument, putCursor, storedOutline, test } from "./helpers";
import { keptText, shownIsKept } from "./shown-and-kept";

const TEXT = `# Coast

Alpha beta.

## Lights

Oil[^1] first.

| Station | Lamps |
| ------- | ----- |
| Thole | 40 |

Second of lights.

## Fog

Bells ring.

# Log

Last words.

[^1]: Colza.
`;

test.beforeEach(({ context }) => context.grantPermissions(["clipboard-read", "clipboard-write"]));

/** Selects from behind some words to before others. */
async function select(page: Page, after: string, before: string): Promise<void> {
  await putCursor(page, after);
  await page.evaluate(
    ([start, end]) => {
      const find = (words: string) => {
        const walker = document.createTreeWalker(document.querySelector(".manuscript")!, NodeFilter.SHOW_TEXT);
        for (let node = walker.nextNode(); node; node = walker.nextNode()) {
          const at = node.textContent!.indexOf(words);
          if (at >= 0) return { node, at };
        }
        throw new Error(words);
      };
      const [from, to] = [find(start!), find(end!)];
      document.getSelection()!.setBaseAndExtent(from.node, from.at + start!.length, to.node, to.at);
    },
    [after, before],
  );
  await page.waitForTimeout(100);
}

test("sections cut and pasted elsewhere are themselves: aim, stage, bookmark, table and note, and undo", async ({
  page,
}) => {
  const id = await openDocument(page, TEXT);
  const skeleton = async () =>
    (await (await page.request.get(`/api/documents/${id}`)).json()) as {
      revision: number;
      outline: { ids: string[] };
      sections: { id: string; heading: string; aim: string; stage: string }[];
    };
  const { revision, outline } = await skeleton();
  const lights = outline.ids[1]!;
  await page.request.post(`/api/documents/${id}/operations`, {
    data: {
      baseRevision: revision,
      operation: { name: "describe-section", sections: [lights], aim: "Count the lamps", stage: "drafted" },
    },
  });
  await page.reload();
  const before = await shownIsKept(page, id);
  const file = await exported(page.request, id, "md");
  await select(page, "Alpha ", "ring.");
  await page.keyboard.press("Control+x");
  await expect.poll(() => storedOutline(page.request, id)).toEqual(["1 Coast", "1 Log"]);
  await shownIsKept(page, id);
  await page.keyboard.press("Control+v");
  await expect.poll(() => keptText(page.request, id)).toEqual(before);
  await shownIsKept(page, id);
  const now = await skeleton();
  expect(now.outline.ids.slice(0, 3)).toEqual(outline.ids.slice(0, 3));
  expect(now.sections[1]).toMatchObject({ id: lights, aim: "Count the lamps", stage: "drafted" });
  expect(await exported(page.request, id, "md")).toBe(file);
  const offcuts = (await (await page.request.get(`/api/documents/${id}/offcuts`)).json()) as unknown[];
  expect(offcuts).toEqual([]);
  await page.keyboard.press("Control+z");
  await expect.poll(() => storedOutline(page.request, id)).toEqual(["1 Coast", "1 Log"]);
  await page.keyboard.press("Control+z");
  await expect.poll(() => keptText(page.request, id)).toEqual(before);
  await shownIsKept(page, id);
});

test("a passage with a table and a note is copied, pasted here, and in another document", async ({ page }) => {
  const other = await openDocument(page, "# Elsewhere\n\nHere it goes.\n", "Other.md");
  const id = await openDocument(page, TEXT);
  await select(page, "Oil", "lights.");
  await page.keyboard.press("Control+c");
  await putCursor(page, "Last words.");
  await page.keyboard.press("End");
  await page.keyboard.press("Control+v");
  await shownIsKept(page, id);
  await expect(page.locator(".manuscript table")).toHaveCount(2);
  await expect(page.locator(".manuscript .footnote")).toHaveCount(2);
  await page.goto(`/documents/${other}`);
  await putCursor(page, "Here it goes.");
  await page.keyboard.press("End");
  await page.keyboard.press("Control+v");
  await page.keyboard.type("!");
  await shownIsKept(page, other);
  const kept = await exported(page.request, other, "md");
  expect(kept).toContain("| Thole | 40 |");
  expect(kept).toContain("Colza.");
  expect(kept).toContain("Second of !");
});

test("Ctrl A in a section, copied and pasted, is a section again", async ({ page }) => {
  const id = await openDocument(page, TEXT);
  await putCursor(page, "Bells ring.");
  await page.keyboard.press("Control+a");
  await page.keyboard.press("Control+c");
  await putCursor(page, "Last words.");
  await page.keyboard.press("End");
  await page.keyboard.press("Control+v");
  await expect.poll(() => storedOutline(page.request, id)).toEqual(["1 Coast", "2 Lights", "2 Fog", "1 Log", "1 Fog"]);
  await shownIsKept(page, id);
});

test("what is copied is good HTML for other programs", async ({ page }) => {
  await openDocument(page, TEXT);
  await select(page, "Oil", "lights.");
  await page.keyboard.press("Control+c");
  const html = await page.evaluate(async () => {
    const [item] = await navigator.clipboard.read();
    return (await item!.getType("text/html")).text();
  });
  expect(html).toMatch(/<table[^>]*>.*<t[hd][^>]*>(?:<[^>]*>)*Station/s);
  expect(html).toContain("<sup");
  expect(html).toMatch(/<p[^>]*>1 Colza\./);
  expect(html).not.toContain("data-pm-slice");
});
