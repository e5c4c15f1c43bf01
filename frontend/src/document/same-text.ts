/** Whether two texts say the same, whatever the order in which their fields were written. */
export function sameText(a: unknown, b: unknown): boolean {
  return JSON.stringify(a, sorted) === JSON.stringify(b, sorted);
}

function sorted(_key: string, value: unknown): unknown {
  if (typeof value !== "object" || value === null || Array.isArray(value)) return value;
  return Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)));
}
