import { createStore, type StoreApi } from "zustand/vanilla";
import { api, read, type Finding, type PageSpot } from "../api/client";
import { untilAskedAgain } from "./fetch-pages";
import type { DocumentState } from "./state";

/** Pages come after a pause in the changes, and one asking after the other (milliseconds). */
const PAUSE = 300;
/** Milliseconds for a word, on a machine of today. */
const GUESSED_PACE = 0.12;
/** After an answer that did not come. */
const RETRY = 5000;

export type PageState = {
  /** Of the document, whose pages these are; 0 before any are known. */
  revision: number;
  /** What is printed on each sheet; empty for one without a number. */
  labels: readonly string[];
  sections: ReadonlyMap<string, PageSpot>;
  bookmarks: ReadonlyMap<string, PageSpot>;
  /** By the id of the section, a colon and the index of the block. */
  blocks: ReadonlyMap<string, PageSpot>;
  /** Captions, by the id of the section and which of its captions. */
  captions: ReadonlyMap<string, PageSpot>;
  /** Lines of contents, by the id of the section, which of its contents, and the key of the line. */
  lines: ReadonlyMap<string, PageSpot>;
  /** Where contents begin, by the id of the section and which of its contents. */
  contents: ReadonlyMap<string, PageSpot>;
  /** What pages cannot show as it was meant. */
  findings: readonly Finding[];
  /** Whether the document has changed since these pages were made. */
  isBehind: boolean;
  /**
   * When newer ones were asked for, how long they may take by what the last ones took, and their place in the line of
   * documents that wait for theirs (0 when they are being made); null while none are asked for.
   */
  wait: { since: number; expected: number; place: number } | null;
  /** Why there are no newer ones, in a sentence. */
  failure: string | null;
  /** What stands before the number of a page in a text of this language. */
  pageWord: string;
};

const NONE: PageState = {
  revision: 0,
  labels: [],
  sections: new Map(),
  bookmarks: new Map(),
  blocks: new Map(),
  captions: new Map(),
  lines: new Map(),
  contents: new Map(),
  findings: [],
  isBehind: true,
  wait: null,
  failure: null,
  pageWord: "page",
};

/** Where stands what a line of contents leads to: a section, a bookmark or a caption. */
export function spotOf({ sections, bookmarks, captions }: PageState, target: string): PageSpot | undefined {
  return sections.get(target) ?? bookmarks.get(target) ?? captions.get(target);
}

/** On which pages everything stands: asked for in the background while anything shows it, and never waited for. */
export class Pages {
  readonly store: StoreApi<PageState> = createStore(() => NONE);
  private wanted = 0;
  private timer: number | undefined;
  private isAsking = false;
  /** How long the last pages took (milliseconds); before any, a guess by the words of the document. */
  private took: number | null = null;

  constructor(private readonly document: StoreApi<DocumentState>) {
    document.subscribe(({ revision }, before) => {
      if (revision === before.revision) return;
      this.store.setState({ isBehind: true });
      if (this.wanted > 0) this.readSoon(PAUSE);
    });
  }

  /** From now on pages are shown. Answers what ends that. */
  want(): () => void {
    this.wanted++;
    if (this.store.getState().isBehind) this.readSoon(0);
    return () => {
      this.wanted--;
    };
  }

  private readSoon(after: number): void {
    window.clearTimeout(this.timer);
    this.timer = window.setTimeout(() => void this.read(), after);
  }

  private async read(): Promise<void> {
    if (this.isAsking) return;
    this.isAsking = true;
    const since = Date.now();
    const expected = this.took ?? this.document.getState().words * GUESSED_PACE;
    this.store.setState({ wait: { since, expected, place: 0 } });
    try {
      const params = { path: { id: this.document.getState().id }, query: { blocks: "yes" as const } };
      let pages = await read(api.GET("/api/documents/{id}/pages", { params }));
      // They take long, or others come first.
      while ("place" in pages) {
        this.store.setState({ wait: { since, expected, place: pages.place } });
        await untilAskedAgain(pages.place);
        pages = await read(api.GET("/api/documents/{id}/pages", { params }));
      }
      this.store.setState({
        revision: pages.revision,
        labels: pages.labels,
        sections: new Map(Object.entries(pages.sections)),
        bookmarks: new Map(Object.entries(pages.bookmarks)),
        blocks: new Map(Object.entries(pages.blocks)),
        captions: new Map(Object.entries(pages.captions)),
        lines: new Map(Object.entries(pages.lines)),
        contents: new Map(Object.entries(pages.contents)),
        findings: pages.findings,
        isBehind: pages.revision < this.document.getState().revision,
        failure: null,
        pageWord: pages.pageWord,
      });
      this.took = Date.now() - since;
    } catch (failure) {
      this.store.setState({ failure: failure instanceof Error ? failure.message : "There are no pages now." });
    } finally {
      this.isAsking = false;
      this.store.setState({ wait: null });
    }
    const { isBehind, failure } = this.store.getState();
    if (this.wanted > 0 && isBehind) this.readSoon(failure === null ? PAUSE : RETRY);
  }
}
