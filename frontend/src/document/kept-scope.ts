import type { Scope } from "../outline/scope";

/** What was worked on last in a document, kept by the browser: nothing of it is part of the document. */
const keyOf = (document: string) => `stemmata:scope:${document}`;

export function keptScope(document: string): Scope | null {
  try {
    const kept: unknown = JSON.parse(window.localStorage.getItem(keyOf(document)) ?? "null");
    return isScope(kept) ? kept : null;
  } catch {
    // A browser that keeps nothing, or another's words under our name.
    return null;
  }
}

export function keepScope(document: string, scope: Scope | null): void {
  try {
    if (scope === null) window.localStorage.removeItem(keyOf(document));
    else window.localStorage.setItem(keyOf(document), JSON.stringify(scope));
  } catch {
    // It is not shown again after a reload; nothing else is lost.
  }
}

function isScope(kept: unknown): kept is Scope {
  if (typeof kept !== "object" || kept === null || !("heads" in kept) || !("extent" in kept)) return false;
  const { heads, extent } = kept;
  return (
    Array.isArray(heads) &&
    heads.every((head) => typeof head === "string") &&
    (extent === "branch" || extent === "heading-only")
  );
}
