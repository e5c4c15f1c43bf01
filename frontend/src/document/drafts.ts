import { createStore, delMany, entries, setMany } from "idb-keyval";
import type { Operation, SectionText } from "../api/client";
import { sameText } from "./same-text";

/** What was typed in one section and is not yet acknowledged. */
export type Draft = {
  section: string;
  /** The revision whose text the typing began on. */
  baseRevision: number;
  /** The text that the typing began on, as far as this window knows it. */
  began?: Words | undefined;
  /** What was sent of it without an answer yet, the last ones last; when the server has any of it, it is this window’s own. */
  unanswered?: readonly Words[] | undefined;
  /** Worked out when it is sent, not at every keystroke. */
  text: () => Words;
  headingChanged: boolean;
  bodyChanged: boolean;
};

export type Words = Pick<SectionText, "heading" | "body">;
type KeptDraft = Omit<Draft, "text"> & Words & { document: string };

/** An answer that is lost may be lost again: all that the server could have come to know counts, within reason. */
const UNANSWERED = 8;

export function sentAs(draft: Draft, words: Words): Draft {
  const before = draft.unanswered ?? [];
  const last = before.at(-1);
  if (last && sameText([last.heading, last.body], [words.heading, words.body])) return draft;
  return { ...draft, unanswered: [...before, words].slice(-UNANSWERED) };
}

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
 * A copy in the browser (IndexedDB), in case the window is closed before the server could be reached. Other windows on
 * the document keep theirs in the same place, each under keys of its own, and none writes another's.
 */
export class KeptDrafts {
  /** Keys of what this window has put there, or has taken over. */
  private own: ReadonlySet<string> = new Set();
  /** One after the other, so that what is kept last stands last. */
  private writing: Promise<unknown> = Promise.resolve();
  private readonly window = crypto.getRandomValues(new Uint32Array(2)).join("-");
  private hasWarned = false;
  private hasEarlier = false;

  constructor(
    private readonly document: string,
    /** Told once when the browser refuses to keep anything. */
    private readonly refused: () => void,
  ) {}

  /** Takes the place of all that this window kept before; resolves when the browser has it. */
  keep(drafts: Iterable<Draft>): Promise<void> {
    const kept = [...drafts].map(({ text, ...draft }, index): [string, KeptDraft] => [
      // In the order in which they are to be sent.
      [this.document, this.window, String(index).padStart(6, "0")].join(" "),
      { ...draft, ...text(), document: this.document },
    ]);
    const keys = new Set(kept.map(([key]) => key));
    const gone = [...this.own].filter((key) => !keys.has(key));
    this.own = keys;
    if (kept.length === 0 && gone.length === 0 && !this.hasEarlier) return Promise.resolve();
    return this.inTurn(async () => {
      if (kept.length > 0) await setMany(kept, store());
      if (gone.length > 0) await delMany(gone, store());
      if (this.hasEarlier) localStorage.removeItem(this.earlierKey);
      this.hasEarlier = false;
    });
  }

  /**
   * The last words of a window that closes, put down at once: the browser's own store takes a moment that may not be left.
   * What is handed over to the server then is no older than what the next window finds.
   */
  handOver(drafts: Iterable<Draft>): void {
    const last = [...drafts].map(({ text, ...draft }) => ({ ...draft, ...text(), document: this.document }));
    try {
      if (last.length === 0) localStorage.removeItem(`${this.lastWordsKey}:${this.window}`);
      else
        localStorage.setItem(
          `${this.lastWordsKey}:${this.window}`,
          JSON.stringify({ window: this.window, drafts: last }),
        );
    } catch {
      // The copy that was kept before it has all but these.
    }
  }

  /** All that is kept; from now on it is for this window to see to. */
  async adopt(): Promise<Draft[]> {
    const found: [string, KeptDraft][] = [];
    const last = this.lastWords();
    await this.inTurn(async () => {
      for (const [key, kept] of await entries<string, KeptDraft>(store())) {
        if (kept?.document !== this.document) continue;
        const words = `${key.split(" ")[1]} ${kept.section}`;
        found.push([key, last.get(words) ?? kept]);
        last.delete(words);
      }
    });
    // Typed in the last moment, before the browser had a copy.
    const alone = [...last.values()];
    this.own = new Set([...this.own, ...found.map(([key]) => key)]);
    return [...found.map(([, draft]) => draft), ...alone, ...this.keptByEarlierVersions()]
      .map(({ heading, body, document: _document, ...draft }) => ({ ...draft, text: () => ({ heading, body }) }))
      .sort((one, other) => one.baseRevision - other.baseRevision);
  }

  /** What windows had put down when they closed, by the name of each and the section. */
  private lastWords(): Map<string, KeptDraft> {
    const words = new Map<string, KeptDraft>();
    try {
      for (const key of Object.keys(localStorage)) {
        if (key !== this.lastWordsKey && !key.startsWith(`${this.lastWordsKey}:`)) continue;
        const last = JSON.parse(localStorage.getItem(key) ?? "null") as { window: string; drafts: KeptDraft[] } | null;
        localStorage.removeItem(key);
        for (const draft of last?.drafts ?? []) words.set(`${last?.window} ${draft.section}`, draft);
      }
    } catch {
      // What cannot be read is what no window of ours has written.
    }
    return words;
  }

  private get lastWordsKey(): string {
    return `stemmata:last-words:${this.document}`;
  }

  /** Until 29 November 2026 drafts were kept in another store; what still lies there is seen to here. */
  private keptByEarlierVersions(): KeptDraft[] {
    try {
      const kept: unknown = JSON.parse(localStorage.getItem(this.earlierKey) ?? "[]");
      this.hasEarlier = true;
      return Array.isArray(kept) ? (kept as KeptDraft[]) : [];
    } catch {
      return [];
    }
  }

  private get earlierKey(): string {
    return `stemmata:drafts:${this.document}`;
  }

  /** A full or forbidden store takes nothing from the writer: the drafts are in memory and on their way. */
  private inTurn(work: () => Promise<void>): Promise<void> {
    const turn = this.writing.then(work).catch(() => {
      if (!this.hasWarned) this.refused();
      this.hasWarned = true;
    });
    this.writing = turn;
    return turn;
  }
}

function store() {
  return (kept ??= createStore("stemmata", "drafts"));
}
let kept: ReturnType<typeof createStore> | undefined;
