import type { Operation, SectionText } from "../api/client";

/** What was typed in one section and is not yet acknowledged. */
export type Draft = {
  section: string;
  /** The revision whose text the typing began on. */
  baseRevision: number;
  /** Worked out when it is sent, not at every keystroke. */
  text: () => Words;
  headingChanged: boolean;
  bodyChanged: boolean;
};

export type Words = Pick<SectionText, "heading" | "body">;
type KeptDraft = Omit<Draft, "text"> & Words;

export function operationOf(draft: Draft, words: Words): Operation {
  const rename: Operation = { name: "rename", section: draft.section, heading: words.heading };
  const replace: Operation = { name: "replace-body", section: draft.section, body: words.body };
  if (draft.headingChanged && draft.bodyChanged) return { name: "batch", operations: [rename, replace] };
  return draft.headingChanged ? rename : replace;
}

/** A copy in the browser, in case the window is closed before the server could be reached. */
export const keptDrafts = {
  keep(document: string, drafts: Iterable<Draft>): void {
    const list = [...drafts].map(({ text, ...draft }): KeptDraft => ({ ...draft, ...text() }));
    try {
      if (list.length === 0) localStorage.removeItem(keyOf(document));
      else localStorage.setItem(keyOf(document), JSON.stringify(list));
    } catch {
      // A full or forbidden store takes nothing from the writer: the drafts are in memory and on their way.
    }
  },
  read(document: string): Draft[] {
    try {
      const kept: unknown = JSON.parse(localStorage.getItem(keyOf(document)) ?? "[]");
      return Array.isArray(kept) ? (kept as KeptDraft[]).map(({ heading, body, ...draft }) => ({ ...draft, text: () => ({ heading, body }) })) : [];
    } catch {
      return [];
    }
  },
};

function keyOf(document: string): string {
  return `stemmata:drafts:${document}`;
}
