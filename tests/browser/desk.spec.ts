import { expect } from "@playwright/test";
import { importText, test, chooseCommand } from "./helpers";

test("a document is begun, renamed, taken off the desk and put back", async ({ page }) => {
  await page.goto("/");
  await page.getByRole("button", { name: "New document" }).click();
  await page.keyboard.type("The lamp oil");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: "The lamp oil" })).toBeVisible();
  await page.goto("/");
  await page.getByRole("button", { name: "Commands for The lamp oil" }).click();
  await chooseCommand(page, "Rename…");
  await page.getByLabel("Title").fill("The frozen oil");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("link", { name: "The frozen oil" })).toBeVisible();
  await page.getByRole("button", { name: "Commands for The frozen oil" }).click();
  await chooseCommand(page, "Take off the desk");
  await expect(page.getByRole("link", { name: "The frozen oil" })).toHaveCount(0);
  await page.getByRole("button", { name: "Put it back" }).click();
  await expect(page.getByRole("link", { name: "The frozen oil" })).toBeVisible();
});

const BAD: [string, string, Buffer, RegExp][] = [
  ["no bytes at all", "empty.md", Buffer.alloc(0), /The file is empty/],
  ["not Markdown", "picture.md", Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 1, 2, 3]), /not text/],
  ["broken UTF-8", "latin.md", Buffer.from("# Caf\n\n\xe9", "latin1"), /line 3/],
  ["an unknown kind", "thing.xyz", Buffer.from("x"), /not in a format/],
];

for (const [name, file, buffer, sentence] of BAD) {
  test(`importing ${name} says so in one sentence and changes nothing`, async ({ page }) => {
    await page.goto("/");
    const before = ((await (await page.request.get("/api/documents")).json()) as unknown[]).length;
    await page.locator("input[type=file]").setInputFiles({ name: file, mimeType: "text/markdown", buffer });
    await expect(page.getByText(sentence)).toBeVisible();
    expect(((await (await page.request.get("/api/documents")).json()) as unknown[]).length).toBe(before);
  });
}

test("200 megabytes, unknown ids, stale revisions and broken JSON are refused in words", async ({ request }) => {
  const id = await importText(request, "# A\n\nb\n");
  const post = (path: string, data: string | Buffer) =>
    request.post(path, { data, headers: { "Content-Type": "application/json" } });
  const large = await request.post("/api/documents/import?name=big.md", {
    data: Buffer.alloc(200 * 1024 * 1024, "a"),
    timeout: 60_000,
  });
  const answers = [
    [large, 413],
    [await request.get("/api/documents/nosuchdocume"), 404],
    [await post(`/api/documents/${id}/operations`, "{"), 400],
    [
      await post(
        `/api/documents/${id}/operations`,
        '{"baseRevision":1,"operation":{"name":"promote","sections":["zzzzzzzzzzzz"]}}',
      ),
      422,
    ],
    [
      await post(
        `/api/documents/${id}/operations`,
        '{"baseRevision":99,"operation":{"name":"promote","sections":["zzzzzzzzzzzz"]}}',
      ),
      409,
    ],
    [await post(`/api/documents/${id}/operations`, '{"baseRevision":1,"operation":{"name":"explode"}}'), 422],
    [await request.get("/api/nowhere"), 404],
  ] as const;
  for (const [answer, status] of answers) {
    expect(answer.status()).toBe(status);
    expect(answer.headers()["content-type"]).toContain("application/problem+json");
    const problem = (await answer.json()) as { detail: string };
    expect(problem.detail).toMatch(/^[\p{Lu}“].*\.$/u);
    expect(problem.detail).not.toMatch(/\.php|Exception|#\d/);
  }
});
