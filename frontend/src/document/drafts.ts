import type { Operation, SectionText } from "../api/client";

/** What was typed in one section and is not yet acknowledged. */
export type Draft = {
  section: string;
  /** The revision whose text the typing began on. */
  baseRevision: number;
  /** The text that the typing began on, as far as this window knows it. */
  began?: Words | undefined;
  /** Worked out when it is sent, not at every keystroke. */
  text: () => Words;
  headingChanged: boolean;
  bodyChanged: boolean;
};

export type Words = Pick<SectionText, "heading" | "body">;
type KeptDraft = Omit<Draft, "text" | "began"> & Words;

export function operationOf(draft: Draft, words: Words): Operation {
  const rename: Operation = { name: "rename", section: draft.section, heading: words.heading };
  const replace: Operation = { name: "replace-body", section: draft.section, body: words.body };
  if (draft.headingChanged && draft.bodyChanged) return { name: "batch", operations: [rename, replace] };
  return draft.headingChanged ? rename : replace;
}

/** What a heading says, without its form. */
export function plainHeading({ heading }: Words): string {
  return (heading as { text?: string }[]).map(({ text }) => text ?? "").join("");
}

/**
 * A copy in the browser, in case the window is closed before the server could be reached. Other windows on the document
 * keep theirs in the same place, so each takes away only what it has put there.
 */
export class KeptDrafts {
  private readonly own = new Set<string>();

  constructor(private readonly document: string) {}

  keep(drafts: Iterable<Draft>): void {
    const mine = [...drafts];
    try {
      const kept = [
        ...this.others(),
        ...mine.map(({ text, began: _began, ...draft }): KeptDraft => ({ ...draft, ...text() })),
      ];
      if (kept.length === 0) localStorage.removeItem(this.key);
      else localStorage.setItem(this.key, JSON.stringify(kept));
    } catch {
      // A full or forbidden store takes nothing from the writer: the drafts are in memory and on their way.
    }
    this.own.clear();
    for (const { section } of mine) this.own.add(section);
  }

  /** All that is kept; from now on it is for this window to see to. */
  adopt(): Draft[] {
    const kept = this.read();
    for (const { section } of kept) this.own.add(section);
    return kept.map(({ heading, body, ...draft }) => ({ ...draft, text: () => ({ heading, body }) }));
  }

  private others(): KeptDraft[] {
    return this.read().filter(({ section }) => !this.own.has(section));
  }

  private read(): KeptDraft[] {
    try {
      const kept: unknown = JSON.parse(localStorage.getItem(this.key) ?? "[]");
      return Array.isArray(kept) ? (kept as KeptDraft[]) : [];
    } catch {
      return [];
    }
  }

  private get key(): string {
    return `stemmata:drafts:${this.document}`;
  }
}
