import type { Pdf } from "./pdf";

/** Words that were found, with those around them. */
export type FoundWords = { before: string; words: string; after: string };
/** A stretch of a page, in letters without blanks and hyphens, which are the typesetter’s. */
export type Mark = { sheet: number; from: number; length: number };

/** How much of the words around is looked at: as much as there is, so that the right one of many places is found. */
const AROUND = [40, 16, 6, 0];

export const bare = (text: string): string =>
  text
    .normalize("NFKC")
    .replace(/[\s\p{Z}\p{Cf}\p{Pd}]+/gu, "")
    .toLowerCase();

/** Where words stand among the letters of some pages. */
export function findOn(pages: readonly { sheet: number; letters: string }[], found: FoundWords): Mark | null {
  const [before, words, after] = [bare(found.before), bare(found.words), bare(found.after)];
  if (words === "") return null;
  for (const around of AROUND) {
    const lead = around === 0 ? "" : before.slice(-around);
    const looked = lead + words + after.slice(0, around);
    for (const { sheet, letters } of pages) {
      const at = letters.indexOf(looked);
      if (at >= 0) return { sheet, from: at + lead.length, length: words.length };
    }
  }
  return null;
}

/** The letters of some pages of a file. */
export async function lettersOf(pdf: Pdf, first: number, last: number) {
  const pages: { sheet: number; letters: string }[] = [];
  for (let sheet = first; sheet <= Math.min(last, pdf.numPages); sheet++) {
    const { items } = await (await pdf.getPage(sheet)).getTextContent();
    pages.push({ sheet, letters: bare(items.map((item) => ("str" in item ? item.str : "")).join(" ")) });
  }
  return pages;
}

/** That stretch among the words that lie over a drawn page. */
export function rangeOf(layer: Node, { from, length }: Mark): Range | null {
  const range = document.createRange();
  const walk = document.createTreeWalker(layer, NodeFilter.SHOW_TEXT);
  let at = 0;
  let hasBegun = false;
  for (let node = walk.nextNode(); node; node = walk.nextNode()) {
    let offset = 0;
    for (const sign of node.nodeValue ?? "") {
      const letters = bare(sign).length;
      if (letters > 0 && !hasBegun && at + letters > from) {
        range.setStart(node, offset);
        hasBegun = true;
      }
      at += letters;
      offset += sign.length;
      if (hasBegun && at >= from + length) {
        range.setEnd(node, offset);
        return range;
      }
    }
  }
  return null;
}
