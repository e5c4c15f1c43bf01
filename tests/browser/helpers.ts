import AxeBuilder from "@axe-core/playwright";
import { spawn } from "node:child_process";
import { createServer } from "node:net";
import { expect, test as base, type APIRequestContext, type Page, type Locator } from "@playwright/test";

/** Every test fails when the page threw an error on the way, whatever it looked like. Each worker serves a database of its own. */
export const test = base.extend<{ noErrors: void }, { server: string }>({
  server: [
    // oxlint-disable-next-line no-empty-pattern
    async ({}, provide, { workerIndex }) => {
      const { address, stop } = await served(await freePort(), `var/browser-test-${workerIndex}`);
      await provide(address);
      stop();
    },
    { scope: "worker", timeout: 60_000 },
  ],
  baseURL: async ({ server }, provide) => provide(server),
  noErrors: [
    async ({ page }, provide) => {
      const errors: string[] = [];
      page.on("pageerror", (error) => errors.push(error.message));
      await provide();
      expect(errors).toEqual([]);
    },
    { auto: true },
  ],
});

/** A port that nobody holds. */
export async function freePort(): Promise<number> {
  return new Promise((resolve) => {
    const server = createServer().listen(0, "127.0.0.1", () => {
      const address = server.address();
      server.close(() => resolve(typeof address === "object" && address ? address.port : 0));
    });
  });
}

/** Serves a folder of data; one that is kept goes on with the database that is there. */
export async function served(
  port: number,
  data: string,
  isKept = false,
): Promise<{ address: string; stop: () => void }> {
  // A group of its own: the server’s workers outlive it otherwise.
  const server = spawn("bash", ["tests/browser/serve", String(port), data, ...(isKept ? ["keep"] : [])], {
    detached: true,
    stdio: "ignore",
  });
  const address = `http://127.0.0.1:${port}`;
  const answers = () =>
    fetch(`${address}/api/ping`).then(
      (answer) => answer.ok,
      () => false,
    );
  await expect.poll(answers, { timeout: 60_000 }).toBe(true);
  return { address, stop: () => process.kill(-(server.pid ?? 0), "SIGKILL") };
}

/** Puts a Markdown text on the desk and opens it. */
export async function openDocument(page: Page, markdown: string, name = "Test.md"): Promise<string> {
  const id = await importText(page.request, markdown, name);
  await page.goto(`/documents/${id}`);
  await expect(page.getByRole("treeitem").first()).toBeVisible();
  return id;
}

export async function importText(
  request: APIRequestContext,
  markdown: string | Buffer,
  name = "Test.md",
): Promise<string> {
  const answer = await request.post(`/api/documents/import?name=${encodeURIComponent(name)}`, {
    data: markdown,
    headers: { "Content-Type": "application/octet-stream" },
  });
  expect(answer.status(), await answer.text()).toBe(201);
  return ((await answer.json()) as { id: string }).id;
}

/** The outline as the server has it: “1 One”, “2 Two”. */
export async function storedOutline(request: APIRequestContext, id: string): Promise<string[]> {
  const skeleton = (await (await request.get(`/api/documents/${id}`)).json()) as {
    outline: { levels: string };
    sections: { heading: string }[];
  };
  return skeleton.sections.map((section, position) => `${skeleton.outline.levels[position]} ${section.heading}`.trim());
}

/** What stands on the title page, as it is kept. */
export async function storedTitle(request: APIRequestContext, id: string): Promise<Record<string, unknown>> {
  const skeleton = (await (await request.get(`/api/documents/${id}`)).json()) as {
    titleBlock: Record<string, unknown>;
  };
  return skeleton.titleBlock;
}

/** The file of pages; asked for until it is made. */
export async function pagesFile(request: APIRequestContext, id: string, query = ""): Promise<Buffer> {
  for (;;) {
    const answer = await request.get(`/api/documents/${id}/pages.pdf${query}`);
    if (answer.status() === 202) {
      await new Promise((resolve) => setTimeout(resolve, 200));
      continue;
    }
    expect(answer.status()).toBe(200);
    return answer.body();
  }
}

export async function exported(request: APIRequestContext, id: string, format: "md" | "html"): Promise<string> {
  return (await request.get(`/api/documents/${id}/export?format=${format}`)).text();
}

export function row(page: Page, heading: string) {
  return page.getByRole("treeitem").filter({ hasText: heading });
}

/** The outline as it is drawn. */
export async function shownOutline(page: Page): Promise<string[]> {
  return page
    .getByRole("treeitem")
    .evaluateAll((rows) =>
      rows
        .toSorted((a, b) => a.getBoundingClientRect().top - b.getBoundingClientRect().top)
        .map(
          (each) =>
            `${each.getAttribute("aria-level")} ${(each.querySelector("[title]:not([aria-hidden])") ?? each).getAttribute("title") ?? ""}`,
        ),
    );
}

/** Chooses a row with a click, which leaves the keys with the outline. */
export async function pickRow(page: Page, heading: string): Promise<void> {
  const tree = page.getByRole("tree");
  await row(page, heading).click();
  await expect(tree).toBeFocused();
}

/** Puts the cursor into the line with these words, when the text around it has settled. */
export async function putCursor(page: Page, words: string, line = ".manuscript p"): Promise<void> {
  const place = page.locator(line, { hasText: words }).first();
  await expect(async () => {
    await place.click();
    const at = await page.evaluate(() => {
      const node = document.getSelection()?.anchorNode;
      // Behind a part that is no text, the cursor stands in the line itself.
      const element = node instanceof Element ? node : node?.parentElement;
      return element?.closest("p, h2, li, pre")?.textContent ?? "";
    });
    expect(at).toContain(words);
  }).toPass();
}

/** The heading of the section that the cursor is in, while the text has the keys. */
export async function cursorSection(page: Page): Promise<string | null> {
  return page.evaluate(() => {
    const at = document.getSelection()?.focusNode;
    const section = (at instanceof Element ? at : at?.parentElement)?.closest(".section-text");
    const hasKeys = document.activeElement?.classList.contains("manuscript") ?? false;
    return hasKeys ? (section?.querySelector(".heading")?.textContent ?? "") : null;
  });
}

/** Chooses a command of the open menu, in whichever group of it the command stands. */
export async function chooseCommand(page: Page, name: string | RegExp): Promise<void> {
  const item = page.getByRole("menuitem", { name }).first();
  await expect(page.getByRole("menuitem").first()).toBeVisible();
  const groups = page.locator("[role=menuitem][aria-haspopup=menu]");
  for (let group = 0; (await item.count()) === 0 && group < (await groups.count()); group++) {
    await groups.nth(group).focus();
    await page.keyboard.press("ArrowRight");
    await expect(groups.nth(group)).toHaveAttribute("data-state", "open");
    if ((await item.count()) > 0) break;
    await page.keyboard.press("ArrowLeft");
    await expect(groups.nth(group)).toHaveAttribute("data-state", "closed");
  }
  await item.click();
}

/** Chooses one of a few values as a hand does: opens the list, and clicks. */
export async function choose(select: Locator, option: string | RegExp): Promise<void> {
  await select.click();
  await select
    .page()
    .getByRole("option", { name: option, exact: typeof option === "string" })
    .click();
}

export async function allKept(page: Page): Promise<void> {
  await expect(page.getByText("all changes kept")).toBeVisible();
}

/**
 * Axe finds nothing. In other themes than by day nothing but the colours is other. Parts that were looked at before, as they
 * are now, need not be looked at again. The words over a printed page have no looks: they lie unseen on its picture.
 */
export async function expectClean(
  page: Page,
  theme: "day" | "night" | "contrast" = "day",
  ...seen: string[]
): Promise<void> {
  const axe = [".proof-words span", ...seen].reduce((each, part) => each.exclude(part), new AxeBuilder({ page }));
  const { violations } = await (
    theme === "day" ? axe : axe.withRules(["color-contrast", "link-in-text-block"])
  ).analyze();
  expect(
    violations.map((each) => `${each.id}: ${each.nodes.map((node) => node.html.slice(0, 120)).join(" | ")}`),
  ).toEqual([]);
}
