/**
 * Marks words without changing what is drawn (CSS Custom Highlight API); a browser that does not know that shows them
 * plainly. Answers what takes the marks away.
 */
export function highlight(name: string, ranges: readonly Range[]): () => void {
  if (!("highlights" in CSS) || ranges.length === 0) return () => undefined;
  CSS.highlights.set(name, new Highlight(...ranges));
  return () => void CSS.highlights.delete(name);
}
