import { expect, type APIRequestContext, type Page } from "@playwright/test";

// The text as the screen shows it beside the text as the server holds it.

type Part = { type: string; text?: string; content?: Part[] };

/** The words of each line of a text, as they are kept. */
function linesOf(parts: readonly Part[]): string[] {
  const words = (part: Part): string => part.text ?? (part.content ?? []).map(words).join("");
  return parts.flatMap((part) =>
    ["paragraph", "codeBlock", "calculation", "caption", "tableCell", "figure"].includes(part.type)
      ? [words(part)]
      : linesOf(part.content ?? []),
  );
}

export async function keptText(request: APIRequestContext, id: string): Promise<string[][]> {
  const { outline } = (await (await request.get(`/api/documents/${id}`)).json()) as {
    outline: { ids: string[]; levels: string };
  };
  const texts = (await (await request.get(`/api/documents/${id}/texts?sections=${outline.ids.join(",")}`)).json()) as {
    id: string;
    heading: Part[];
    body: Part[];
  }[];
  return outline.ids.map((section, position) => {
    const text = texts.find((each) => each.id === section);
    const heading = (text?.heading ?? []).map(({ text: words }) => words ?? "").join("");
    const lines = linesOf(text?.body ?? []);
    return [`${outline.levels[position]} ${heading.trim()}`, ...(lines.length > 0 ? lines : [""])];
  });
}

export async function shownText(page: Page): Promise<string[][]> {
  return page.locator(".section-text").evaluateAll((sections) =>
    sections.map((section) => [
      // A heading is kept without blanks at its ends.
      `${section.getAttribute("data-level")} ${section.querySelector(".heading")?.textContent?.trim() ?? ""}`,
      ...[...section.querySelectorAll("p, pre, figcaption, td, th")].map((line) => line.textContent ?? ""),
    ]),
  );
}

/** At rest the screen shows what the server holds, and goes on doing so after a reload. */
export async function shownIsKept(page: Page, id: string, after = ""): Promise<string[][]> {
  await expect(async () => {
    await expect(page.getByText("all changes kept")).toBeVisible();
    expect(await shownText(page), after).toEqual(await keptText(page.request, id));
  }).toPass({ timeout: 10_000 });
  return keptText(page.request, id);
}

/** A linear congruential generator with the multiplier of Numerical Recipes (from memory), so that a run can be repeated. */
export function randomOf(seed: number): (below: number) => number {
  let state = seed;
  return (below) => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return Math.floor((state / 2 ** 32) * below);
  };
}
