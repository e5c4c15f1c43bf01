/** A heading without words is called by its number where that says something, as “Chapter 4” does; a plain 4 does not. */
export function nameOf(heading: string, number: string, isOpening: boolean): string {
  if (heading !== "") return heading;
  if (isOpening) return "Opening";
  return /\p{L}/u.test(number) ? number : "No heading yet";
}

/** Number and name in one line, neither of them twice. */
export function labelOf(heading: string, number: string, isOpening: boolean): string {
  const name = nameOf(heading, number, isOpening);
  return name === number ? number : [number, name].filter(Boolean).join(" ");
}
