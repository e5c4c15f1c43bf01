import type { StoreApi } from "zustand/vanilla";
import { api, read, UNREACHABLE, type SectionText } from "../api/client";
import type { Messages } from "./messages";
import { withTexts, type DocumentState } from "./state";

const AT_ONCE = 40;
/** After an answer that did not come (milliseconds). */
const RETRY = 3000;

/** Reads the texts of sections as they are wanted. */
export class Texts {
  private wanted = new Set<string>();
  private timer: number | undefined;

  constructor(
    private readonly store: StoreApi<DocumentState>,
    private readonly messages: Messages,
  ) {}

  /** Asks for a section's text; texts asked for in the same moment come together. */
  want(section: string): void {
    const { texts, outdated } = this.store.getState();
    if (texts.has(section) && !outdated.has(section)) return;
    this.wanted.add(section);
    this.timer ??= window.setTimeout(() => void this.readWanted(), 0);
  }

  async readAgain(section: string): Promise<void> {
    this.take(await this.read([section]));
  }

  /** Takes over texts as they are known to be kept. */
  keep(texts: readonly SectionText[]): void {
    this.store.setState((state) => withTexts(state, texts));
  }

  private async readWanted(): Promise<void> {
    this.timer = undefined;
    const wanted = [...this.wanted].slice(-AT_ONCE);
    this.wanted.clear();
    try {
      this.take(await this.read(wanted));
    } catch (failure) {
      this.messages.say(failure instanceof Error ? failure.message : UNREACHABLE, "warning");
      window.setTimeout(() => wanted.forEach((id) => this.want(id)), RETRY);
    }
  }

  private read(sections: readonly string[]): Promise<SectionText[]> {
    const params = { path: { id: this.store.getState().id }, query: { sections: sections.join(",") } };
    return read(api.GET("/api/documents/{id}/texts", { params }));
  }

  /** What an answer says that was overtaken by a change on its way is asked for again: nobody may go on from it. */
  private take(texts: readonly SectionText[]): void {
    const { facts } = this.store.getState();
    const isOvertaken = ({ id, revision }: SectionText) => revision < (facts.get(id)?.revision ?? 0);
    this.keep(texts.filter((text) => !isOvertaken(text)));
    for (const { id } of texts.filter(isOvertaken)) this.want(id);
  }
}
