import { expect } from "@playwright/test";
import { exported, importText, openDocument, test, choose, chooseCommand } from "./helpers";

test("what is off the desk is listed, put back, and thrown away for good only after a question", async ({ page }) => {
  for (const title of ["Kept page", "Lost page", "Other page"]) {
    const id = await importText(page.request, `# ${title}\n\nwords\n`, `${title}.md`);
    await page.request.delete(`/api/documents/${id}`);
  }
  await page.goto("/");
  await page.getByText(/^Off the desk: \d+ documents?$/).click();
  await page.getByRole("button", { name: "Put “Kept page” back" }).click();
  await expect(page.getByRole("link", { name: "Kept page" })).toBeVisible();
  await page.getByRole("button", { name: "Throw “Lost page” away…" }).click();
  await expect(page.getByText("This cannot be undone.")).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(page.getByRole("button", { name: "Throw “Lost page” away…" })).toBeFocused();
  await page.keyboard.press("Enter");
  await page.getByRole("button", { name: "Throw it away for good" }).click();
  await expect(page.getByText("“Lost page” is gone for good.")).toBeVisible();
  await expect(page.getByText(/^Off the desk: \d+ documents?$/)).toBeFocused();
  await expect(page.getByRole("button", { name: "Throw “Lost page” away…" })).toHaveCount(0);
  expect(await (await page.request.get("/api/removed-documents")).text()).not.toContain("Lost page");
});

test("a range of levels that makes no sense keeps the dialog and what was entered", async ({ page }) => {
  await openDocument(page, "# Coast\n\nThe lamp.\n\n## Lights\n");
  await page.getByRole("navigation", { name: "Tools" }).getByRole("button", { name: "Contents" }).click();
  await page.getByRole("button", { name: "Make contents…" }).click();
  const dialog = page.getByRole("dialog");
  await dialog.getByLabel("Title").fill("What is here");
  await choose(dialog.getByLabel("From level"), "3");
  await choose(dialog.getByLabel("to level"), "1");
  await dialog.getByRole("button", { name: "Make the contents" }).click();
  await expect(dialog.getByRole("alert")).toContainText("level");
  await expect(dialog.getByLabel("Title")).toHaveValue("What is here");
  await choose(dialog.getByLabel("to level"), "4");
  await dialog.getByRole("button", { name: "Make the contents" }).click();
  await expect(dialog).toHaveCount(0);
});

test("links that lead nowhere are told of before a file is written", async ({ page }) => {
  const id = await openDocument(page, "# Coast\n\nSee [the tables](#tables).\n\n## Tables\n\nwords\n");
  const skeleton = (await (await page.request.get(`/api/documents/${id}`)).json()) as {
    revision: number;
    outline: { ids: string[] };
  };
  await page.request.post(`/api/documents/${id}/operations`, {
    data: { baseRevision: skeleton.revision, operation: { name: "delete", sections: [skeleton.outline.ids[1]] } },
  });
  await page.reload();
  await page.getByRole("button", { name: "Export" }).click();
  await chooseCommand(page, "Markdown");
  await expect(page.getByRole("dialog")).toContainText("One link will lead nowhere");
  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: "Write the file" }).click();
  await download;
  expect(await exported(page.request, id, "md")).toContain("See the tables.");
});

test("an import that takes a while can be cancelled, and nothing is on the desk", async ({ page }) => {
  await page.goto("/");
  const text = Array.from({ length: 30_000 }, (_, at) => `## Part ${at}\n\nSome words of it.\n`).join("\n");
  await page
    .locator("input[type=file]")
    .setInputFiles({ name: "A long one.md", mimeType: "text/markdown", buffer: Buffer.from(text) });
  await expect(page.getByText("Reading “A long one.md”…")).toBeVisible();
  await page.getByRole("button", { name: "Cancel" }).click();
  await expect(page.getByText("The import was cancelled; nothing was put on the desk.")).toBeVisible();
  await expect(page.getByRole("link", { name: "A long one" })).toHaveCount(0);
});

test("the rule by which old steps are kept is read and set in the history", async ({ page }) => {
  const id = await openDocument(page, "# Coast\n\nThe lamp.\n");
  const { revision, outline } = (await (await page.request.get(`/api/documents/${id}`)).json()) as {
    revision: number;
    outline: { ids: string[] };
  };
  await page.request.post(`/api/documents/${id}/operations`, {
    data: { baseRevision: revision, operation: { name: "rename", section: outline.ids[0], heading: "Shore" } },
  });
  await page.reload();
  await page.getByRole("navigation", { name: "Tools" }).getByRole("button", { name: "History" }).click();
  const rule = page.getByLabel(/Old steps/);
  await expect(rule).toHaveText("Keep every step for ever");
  await choose(rule, /12 weeks/);
  await expect(page.getByText("The rule is kept. No step was old enough for it yet.")).toBeVisible();
  await page.reload();
  await page.getByRole("navigation", { name: "Tools" }).getByRole("button", { name: "History" }).click();
  await expect(page.getByLabel(/Old steps/)).toHaveText(/12 weeks/);
});

test("a damaged text is shown as such, and the rest can be written on", async ({ page }) => {
  const id = await openDocument(page, "# Coast\n\nThe lamp.\n\n# Logs\n\nEvery watch.\n");
  const { outline } = (await (await page.request.get(`/api/documents/${id}`)).json()) as { outline: { ids: string[] } };
  await page.route(`**/api/documents/${id}*`, async (route) => {
    const answer = await route.fetch();
    const skeleton = (await answer.json()) as { texts: { id: string; body: unknown }[] };
    for (const text of skeleton.texts)
      if (text.id === outline.ids[1])
        text.body = [{ type: "unreadable", content: [{ type: "text", text: "[{broken" }] }];
    await route.fulfill({ response: answer, json: skeleton });
  });
  await page.reload();
  await expect(page.locator(".unreadable")).toContainText("The text of this section is damaged and cannot be read.");
  await expect(page.locator(".unreadable pre")).toHaveText("[{broken");
  await page.locator(".manuscript p", { hasText: "The lamp." }).click();
  await page.keyboard.press("End");
  await page.keyboard.type(" It burns.");
  await expect.poll(() => exported(page.request, id, "md")).toContain("The lamp. It burns.");
});

test("an import into a document can be cancelled, and the document is as it was", async ({ page }) => {
  const id = await openDocument(page, "# Coast\n\nThe lamp.\n");
  await page.getByRole("button", { name: "This document" }).click();
  await chooseCommand(page, "Import a file here…");
  const text = Array.from({ length: 30_000 }, (_, at) => `## Part ${at}\n\nSome words of it.\n`).join("\n");
  await page
    .getByRole("dialog")
    .locator("input[type=file]")
    .setInputFiles({ name: "A long one.md", mimeType: "text/markdown", buffer: Buffer.from(text) });
  await page.getByRole("dialog").getByRole("button", { name: "Cancel" }).click();
  await expect(page.getByText("The import was cancelled; the document is as it was.")).toBeVisible();
  await page.keyboard.press("Escape");
  // Long enough for a reading that went on to have been stored.
  await expect
    .poll(
      async () => ((await (await page.request.get(`/api/documents/${id}`)).json()) as { revision: number }).revision,
      { intervals: [3000] },
    )
    .toBe(1);
});
