/** A section’s number, and whether the document’s numbers stand for headings without words. */
export type Numbered = { number: string; names: boolean };

/** The words a section is found by: its heading, or the number that stands for it. */
export function wordsOf(heading: string, { number, names }: Numbered): string {
  return heading !== "" ? heading : names ? number : "";
}

/** What stands for a section where its heading would. */
export function nameOf(heading: string, numbered: Numbered, isOpening: boolean): string {
  return (isOpening ? heading || "Opening" : wordsOf(heading, numbered)) || "No heading yet";
}

/** Number and name in one line, neither of them twice. */
export function labelOf(heading: string, numbered: Numbered, isOpening: boolean): string {
  const name = nameOf(heading, numbered, isOpening);
  return name === numbered.number ? name : [numbered.number, name].filter(Boolean).join(" ");
}
