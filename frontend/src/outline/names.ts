/** What sections are called whose heading has no words, by id, as the core says. */
export type Names = ReadonlyMap<string, string>;

/** What a section is called: its heading, or what stands for one. */
export function nameOf(id: string, heading: string, names: Names): string {
  return heading.trim() === "" ? (names.get(id) ?? "") : heading;
}

/** Number and name in one line, neither of them twice. */
export function labelOf(name: string, number: string): string {
  return name === number ? name : [number, name].filter(Boolean).join(" ");
}
