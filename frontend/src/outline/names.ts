/** The words a section is found by: its heading, or its number where that says something, as “Chapter 4” does; a plain 4 does not. */
export function wordsOf(heading: string, number: string): string {
  return heading !== "" ? heading : /\p{L}/u.test(number) ? number : "";
}

/** What stands for a section where its heading would. */
export function nameOf(heading: string, number: string, isOpening: boolean): string {
  return (isOpening ? heading || "Opening" : wordsOf(heading, number)) || "No heading yet";
}

/** Number and name in one line, neither of them twice. */
export function labelOf(heading: string, number: string, isOpening: boolean): string {
  const name = nameOf(heading, number, isOpening);
  return name === number ? number : [number, name].filter(Boolean).join(" ");
}
