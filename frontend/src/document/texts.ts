import type { StoreApi } from "zustand/vanilla";
import { api, read, UNREACHABLE, type SectionText } from "../api/client";
import type { Messages } from "./messages";
import { withTexts, type DocumentState } from "./state";

const AT_ONCE = 40;
/** Texts that stay here when they are out of sight. */
export const STAYING = 400;
/** After an answer that did not come (milliseconds). */
const RETRY = 3000;

/** Reads the texts of sections as they are wanted. */
export class Texts {
  private wanted = new Set<string>();
  private timer: number | undefined;

  private tidying: number | undefined;
  /** Sections that have been looked at, those of now last. */
  private readonly seen = new Set<string>();

  constructor(
    private readonly store: StoreApi<DocumentState>,
    private readonly messages: Messages,
    /** Whether words are typed in a section that are not acknowledged; they build on the text that is here. */
    private readonly isTypedIn: (section: string) => boolean,
  ) {}

  /** What is in sight or near it: it is read, and when there are many, what was in sight long ago is let go. */
  look(sections: readonly string[]): void {
    for (const section of sections) {
      this.seen.delete(section);
      this.seen.add(section);
      this.want(section);
    }
    // Not at each step, for it is the whole map that is written anew; nor while what is looked at is being shown.
    if (this.store.getState().texts.size > 2 * STAYING + sections.length)
      this.tidying ??= window.setTimeout(() => this.evict(STAYING + sections.length), 0);
  }

  private evict(staying: number): void {
    this.tidying = undefined;
    const { texts, outdated } = this.store.getState();
    for (const section of [...this.seen].slice(0, -staying)) this.seen.delete(section);
    const stays = (section: string) => this.seen.has(section) || this.isTypedIn(section);
    this.store.setState({
      texts: new Map([...texts].filter(([section]) => stays(section))),
      outdated: new Set([...outdated].filter(stays)),
    });
  }

  /** Asks for a section's text; texts asked for in the same moment come together. */
  private want(section: string): void {
    const { texts, outdated } = this.store.getState();
    if (texts.has(section) && !outdated.has(section)) return;
    this.wanted.add(section);
    this.timer ??= window.setTimeout(() => void this.readWanted(), 0);
  }

  async readAgain(section: string): Promise<void> {
    this.take(await this.read([section]));
  }

  /** How a section reads now on the server; null when that cannot be known just now. */
  async newest(section: string): Promise<SectionText | null> {
    return this.read([section]).then(
      ([text]) => text ?? null,
      () => null,
    );
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
