/** A name for a kind, of the words that it is called by: letters, digits and hyphens, and none that is taken. */
export function kindNameOf(label: string, taken: readonly { name: string }[]): string {
  const plain = label
    .normalize("NFKD")
    .replace(/\p{M}+/gu, "")
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^[^a-z]+|-+$/g, "")
    .slice(0, 32)
    .replace(/-+$/, "");
  const base = plain || "kind";
  const isTaken = (name: string) => taken.some((each) => each.name === name);
  for (let count = 1; ; count += 1) {
    const name = count === 1 ? base : `${base}-${count}`;
    if (!isTaken(name)) return name;
  }
}
