import { fetchPages } from "../document/fetch-pages";
import type { Session } from "../document/session";
import { openOnce, type Pdf } from "../proof/pdf";

/** Sections that fill a few pages. */
const SECTIONS = 6;

/**
 * The pages of a section and the next ones; null when they cannot be set.
 *
 * @param look that of a house style; of the document without
 */
export async function partPages(session: Session, section: string | null, look?: string): Promise<Pdf | null> {
  const { id, outline } = session.state;
  const from = Math.max(0, outline.ids.indexOf(section ?? ""));
  const query = new URLSearchParams({
    sections: outline.ids.slice(from, from + SECTIONS).join(","),
    extent: "heading-only",
    ...(look === undefined ? {} : { look }),
  });
  const answer = await fetchPages(`/api/documents/${id}/pages.pdf?${query.toString()}`);
  return answer?.ok ? openOnce(await answer.arrayBuffer()) : null;
}

/** @param width of the drawing (pixels) */
export async function drawnPage(pdf: Pdf, number: number, width: number): Promise<HTMLCanvasElement> {
  const page = await pdf.getPage(number);
  const viewport = page.getViewport({ scale: width / page.getViewport({ scale: 1 }).width });
  const canvas = document.createElement("canvas");
  canvas.width = viewport.width;
  canvas.height = viewport.height;
  canvas.className = "w-full border border-line shadow-sm";
  canvas.setAttribute("role", "img");
  await page.render({ canvas, viewport }).promise;
  return canvas;
}

/** Letters that tell a page from others. */
const TELLING = 24;
const MOST_PAGES = 12;

/** The first page with some words on it, which may be broken there; the first of all when none has them. */
export async function pageWith(pdf: Pdf, words: string): Promise<number> {
  const bare = (text: string) => text.replace(/[^\p{L}\p{N}]/gu, "").toLowerCase();
  const wanted = bare(words).slice(0, TELLING);
  for (let number = 1; number <= Math.min(MOST_PAGES, pdf.numPages) && wanted !== ""; number += 1) {
    const { items } = await (await pdf.getPage(number)).getTextContent();
    if (bare(items.map((item) => ("str" in item ? item.str : "")).join("")).includes(wanted)) return number;
  }
  return 1;
}
