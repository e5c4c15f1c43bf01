/** Sheets by what is printed on them: “iv, 3–7”; or a sentence that says why not. */
export function sheetsIn(words: string, printed: readonly string[]): number[] | string {
  const labels = printed.map((label) => label.toLowerCase());
  const sheets = new Set<number>();
  for (const part of words.toLowerCase().split(/[,;]/)) {
    const [first = "", last = first, ...more] = part.split(/[-–—]/).map((label) => label.trim());
    if (first === "" && last === "" && more.length === 0) continue;
    if (more.length > 0) return `“${part.trim()}” is not a page and not two with a dash between.`;
    const from = labels.indexOf(first);
    const to = labels.indexOf(last, Math.max(0, from));
    if (from < 0 || !first) return noPage(first);
    if (!labels.includes(last) || !last) return noPage(last);
    if (to < 0) return `Page ${last} comes before page ${first}.`;
    for (let sheet = from; sheet <= to; sheet++) sheets.add(sheet + 1);
  }
  return sheets.size > 0 ? [...sheets].toSorted((a, b) => a - b) : "Say which pages, such as 3–7.";
}

function noPage(label: string): string {
  return label === "" ? "A dash wants a page before it and one behind it." : `There is no page “${label}”.`;
}
