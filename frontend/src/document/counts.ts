import type { StoreApi } from "zustand/vanilla";
import { api, read } from "../api/client";
import type { DocumentState } from "./state";

/** They come after the change is on the screen, once for changes that follow close on each other (milliseconds). */
const AFTER = 40;

/** Numbers, names and word counts: what the server computes from the whole outline. */
export class Counts {
  private timer: number | undefined;

  constructor(private readonly store: StoreApi<DocumentState>) {}

  readSoon(): void {
    window.clearTimeout(this.timer);
    this.timer = window.setTimeout(() => void this.read(), AFTER);
  }

  async read(): Promise<void> {
    try {
      const path = { id: this.store.getState().id };
      const counts = await read(api.GET("/api/documents/{id}/counts", { params: { path } }));
      // Those of an outline that has changed since would number the wrong sections.
      if (counts.numbers.length !== this.store.getState().outline.ids.length) return;
      this.store.setState({
        numbers: counts.numbers,
        names: new Map(Object.entries(counts.names)),
        branchWords: counts.branchWords,
        words: counts.words,
        staleContents: new Set(counts.staleContents),
        overTarget: new Set(counts.overTarget),
        firstNotes: new Map(Object.entries(counts.firstNotes)),
        captions: new Map(Object.entries(counts.captions)),
        namedCaptions: new Map(Object.entries(counts.namedCaptions)),
        captionNumbering: counts.captionNumbering,
        markerWords: counts.markerWords,
        readingSpeed: counts.readingSpeed,
      });
    } catch {
      // They are read again with the next change; meanwhile those shown are the last known.
    }
  }
}
