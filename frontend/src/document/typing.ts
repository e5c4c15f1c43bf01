import type { StoreApi } from "zustand/vanilla";
import { api, write, type Conflict, type SectionText, type WriteOutcome } from "../api/client";
import type { Changes } from "./changes";
import { merging, sharedBy, type Choice } from "./clash";
import { operationOf, plainHeading, sentAs, type Draft, type KeptDrafts, type Words } from "./drafts";
import type { Messages } from "./messages";
import { sameText } from "./same-text";
import type { DocumentState } from "./state";
import type { Texts } from "./texts";
import type { Turns } from "./turns";

/** Typing is handed over after this pause, or at the latest after the second one (milliseconds). */
const PAUSE = 500;
const LATEST = 2500;
/** After an answer that did not come (milliseconds). */
const RETRY = 3000;
/** The browser has a copy after this much typing, whatever becomes of the window (milliseconds). */
const COPY = 200;

export type Typed = Pick<Draft, "text" | "headingChanged" | "bodyChanged">;

type Parts = {
  store: StoreApi<DocumentState>;
  turns: Turns;
  messages: Messages;
  texts: Texts;
  kept: KeptDrafts;
  changes: () => Changes;
};

/** What is typed and not yet acknowledged: when it is sent, and what becomes of it when another window wrote as well. */
export class Typing {
  private readonly drafts = new Map<string, Draft>();
  /** What stands on the server where another window changed the same words, by section; until the writer has chosen, what is typed here stays a draft. */
  private readonly clashes = new Map<string, SectionText>();
  /** Left behind by other windows, for sections that a draft before them is about. */
  private later: Draft[] = [];
  private pauseTimer: number | undefined;
  private copyTimer: number | undefined;
  private firstTyped = 0;
  private isOver = false;
  /** Whether something could not be sent the last time it was tried. */
  private isHeldUp = false;
  /** How often what was typed here was put together with what another window wrote. */
  merges = 0;
  /** Texts that are acknowledged, by what makes them. */
  private readonly sent = new WeakSet<Draft["text"]>();

  constructor(private readonly parts: Parts) {}

  typed(section: string, typed: Typed): void {
    const { state } = this;
    const known = this.drafts.get(section);
    const text = state.texts.get(section);
    // A text may have been read before or after the last change that this window knows of.
    const readAt = text && (state.outdated.has(section) ? text.revision : Math.max(state.revision, text.revision));
    this.drafts.set(section, {
      section,
      baseRevision: known?.baseRevision ?? readAt ?? state.revision,
      began: known ? known.began : text,
      unanswered: known?.unanswered,
      text: typed.text,
      headingChanged: typed.headingChanged || (known?.headingChanged ?? false),
      bodyChanged: typed.bodyChanged || (known?.bodyChanged ?? false),
    });
    if (state.saving === "kept") this.parts.store.setState({ saving: "keeping" });
    const now = Date.now();
    if (this.pauseTimer === undefined) this.firstTyped = now;
    window.clearTimeout(this.pauseTimer);
    const pause = Math.max(0, Math.min(PAUSE, this.firstTyped + LATEST - now));
    this.pauseTimer = window.setTimeout(() => void this.flush(), pause);
    this.copyTimer ??= window.setTimeout(() => void this.keepCopy(), COPY);
  }

  /** The text as the writer left it here, acknowledged or not; undefined when it has neither been written in nor read yet. */
  textNow(section: string): SectionText | undefined {
    const [kept, draft] = [this.state.texts.get(section), this.drafts.get(section)];
    return draft ? { id: section, revision: kept?.revision ?? draft.baseRevision, ...draft.text() } : kept;
  }

  /** What is being typed in these sections builds on a revision that this window has made of them. */
  buildOn(sections: readonly string[], revision: number): void {
    for (const section of sections) {
      const draft = this.drafts.get(section);
      if (draft) this.drafts.set(section, { ...draft, baseRevision: Math.max(draft.baseRevision, revision) });
    }
  }

  /** What was typed in a section is kept no longer: it could not be, or gave way to what another window wrote. */
  forget(section: string): void {
    this.drafts.delete(section);
    this.clashes.delete(section);
    const { texts, facts, outdated } = this.state;
    const known = texts.get(section);
    // The screen has what was typed for the text that is known; as another object that is drawn once more.
    if (known) this.parts.store.setState({ texts: new Map(texts).set(section, { ...known }) });
    // What others changed in it was left alone for as long as it was typed in.
    if ((known?.revision ?? 0) < (facts.get(section)?.revision ?? 0))
      this.parts.store.setState({ outdated: new Set([...outdated, section]) });
  }

  /** Whether nobody but this window has changed a text since it read so. */
  isStill(section: string, read: (text: SectionText) => boolean): boolean {
    const { texts, facts, outdated } = this.state;
    const draft = this.drafts.get(section);
    if (draft) return (facts.get(section)?.revision ?? 0) <= draft.baseRevision;
    const kept = texts.get(section);
    return kept !== undefined && !outdated.has(section) && read(kept);
  }

  isIn(section: string): boolean {
    return this.drafts.has(section);
  }

  /** Sections with words that are not yet acknowledged. */
  sections(): ReadonlySet<string> {
    return new Set(this.drafts.keys());
  }

  /** Sends what was typed; resolves when it is acknowledged or has been found impossible for now. */
  flush(): Promise<void> {
    return this.parts.turns.take(this.sending());
  }

  /**
   * What has been typed up to now, to be sent in the turn of whatever follows on it: words typed later rest on that, and
   * must not come to the server before it.
   */
  sending(): () => Promise<void> {
    window.clearTimeout(this.pauseTimer);
    this.pauseTimer = undefined;
    if (this.drafts.size > 0) void this.keepCopy();
    const typed = Array.from(this.drafts.values());
    return async () => {
      this.isHeldUp = false;
      for (const draft of typed) {
        const now = this.drafts.get(draft.section);
        // An earlier turn may have sent it, or found that it can be kept nowhere.
        if (now && !this.sent.has(draft.text))
          await this.send({ ...draft, baseRevision: now.baseRevision, began: now.began });
      }
      this.tell();
    };
  }

  /** What was typed while the answer was on its way is sent with the next pause. */
  private tell(): void {
    const isAsked = this.drafts.size > 0 && [...this.drafts.keys()].every((section) => this.clashes.has(section));
    const saving = this.drafts.size === 0 ? "kept" : this.isHeldUp ? "unsent" : isAsked ? "asked" : "keeping";
    if (this.state.saving !== saving) this.parts.store.setState({ saving });
    const [clash] = this.clashes;
    const shown = clash ? { section: clash[0], theirs: clash[1] } : null;
    const { clash: before } = this.state;
    if (shown?.section !== before?.section || shown?.theirs !== before?.theirs)
      this.parts.store.setState({ clash: shown });
    void this.keepCopy();
  }

  /** What windows that are closed could not send; of two drafts of one section the second may clash with the first. */
  async sendLeftBehind(): Promise<void> {
    const left = await this.parts.kept.adopt();
    // Closed meanwhile: they stay where they are for whoever opens the document next.
    if (this.isOver) return;
    for (const draft of left) {
      if (this.drafts.has(draft.section)) this.later.push(draft);
      else this.drafts.set(draft.section, draft);
    }
    if (left.length > 0) await this.flush();
    for (let draft = this.later[0]; draft; draft = this.later[0]) {
      // Whoever types meanwhile in the same section is acknowledged first.
      if (this.drafts.has(draft.section)) await this.flush();
      if (this.drafts.has(draft.section)) return;
      this.later = this.later.slice(1);
      this.drafts.set(draft.section, draft);
      await this.flush();
    }
  }

  /** A window about to close sends what it can; what does not get through waits in the browser's store. */
  handOver(): void {
    this.parts.kept.handOver(Array.from(this.drafts.values(), (draft) => sentAs(draft, draft.text())));
    void this.keepCopy();
    for (const draft of this.drafts.values()) {
      void fetch(`/api/documents/${this.state.id}/operations`, {
        method: "POST",
        keepalive: true,
        headers: { "Content-Type": "application/json" },
        body: JSON.stringify({ baseRevision: draft.baseRevision, operation: operationOf(draft, draft.text()) }),
      }).catch(() => undefined);
    }
  }

  /** Whoever opens the document next sees to all that is left; resolves when the browser has it. */
  async close(): Promise<void> {
    window.clearTimeout(this.pauseTimer);
    const copied = this.keepCopy();
    this.isOver = true;
    this.drafts.clear();
    this.later = [];
    await copied;
  }

  /** The writer has looked at both texts and says which words to go on with; all others are put together. */
  settleClash(section: string, preference: Choice): Promise<void> {
    return this.parts.turns.take(async () => {
      const [draft, seen] = [this.drafts.get(section), this.clashes.get(section)];
      if (!draft || !seen) return;
      this.isHeldUp = false;
      await this.merge(draft, draft.text(), { seen, preference });
      this.tell();
    });
  }

  /** Whether the writer is asked about two texts of a section. */
  isAsked(section: string): boolean {
    return this.clashes.has(section);
  }

  /** The other window may have written on, or taken back what it wrote. */
  async lookAgain(): Promise<void> {
    const isOlder = ([section, { revision }]: [string, SectionText]) =>
      (this.state.facts.get(section)?.revision ?? 0) > revision;
    if ([...this.clashes].some(isOlder)) await this.flush();
  }

  private get state(): DocumentState {
    return this.parts.store.getState();
  }

  private keepCopy(): Promise<void> {
    window.clearTimeout(this.copyTimer);
    this.copyTimer = undefined;
    return this.parts.kept.keep([...this.drafts.values(), ...this.later]);
  }

  private async send(draft: Draft): Promise<void> {
    const words = draft.text();
    const now = this.drafts.get(draft.section);
    if (now) this.drafts.set(draft.section, sentAs(now, words));
    void this.keepCopy();
    if (this.clashes.has(draft.section)) return this.merge(draft, words);
    const body = { baseRevision: draft.baseRevision, operation: operationOf(draft, words) };
    const answer = await write(
      api.POST("/api/documents/{id}/operations", { params: { path: { id: this.state.id } }, body }),
    );
    switch (answer.kind) {
      case "applied":
        return this.acknowledged(draft, words, answer.outcome);
      case "stale":
        return this.clashed(draft, words, answer.conflict);
      case "refused":
        return this.keepElsewhere(draft, words, answer.sentence);
      case "unreachable":
        if (answer.sentence) this.parts.messages.say(answer.sentence, "warning");
        return this.sendLater();
      default:
        return answer satisfies never;
    }
  }

  private sendLater(): void {
    this.isHeldUp = true;
    this.pauseTimer ??= window.setTimeout(() => void this.flush(), RETRY);
  }

  private async acknowledged(draft: Draft, words: Words, outcome: WriteOutcome): Promise<void> {
    const now = this.drafts.get(draft.section);
    this.sent.add(draft.text);
    if (now?.text === draft.text) this.drafts.delete(draft.section);
    // What was typed meanwhile builds on what has just been kept.
    else if (now)
      this.drafts.set(draft.section, { ...now, baseRevision: outcome.revision, began: words, unanswered: undefined });
    this.parts.texts.keep([{ ...words, id: draft.section, revision: outcome.revision }]);
    await this.parts.changes().accept(outcome);
  }

  private async clashed(draft: Draft, words: Words, conflict: Conflict): Promise<void> {
    const changes = this.parts.changes();
    const theirs = conflict.texts.find((each) => each.id === draft.section);
    const now = this.drafts.get(draft.section) ?? draft;
    if (theirs && sameText([theirs.heading, theirs.body], [words.heading, words.body])) {
      // It had come through before, and its answer was lost; what was typed since builds on it.
      this.sent.add(draft.text);
      changes.takeOver(conflict.changes);
      if (now.text === draft.text) {
        this.drafts.delete(draft.section);
        // What a closed window had handed over is shown here for the first time.
        return this.parts.texts.keep([theirs]);
      }
      const rest = { ...now, baseRevision: conflict.changes.revision, began: words, unanswered: undefined };
      this.drafts.set(draft.section, rest);
      return this.send(rest);
    }
    const own = [draft.began, ...(now.unanswered ?? [])];
    if (theirs && own.some((each) => each && sameText([theirs.heading, theirs.body], [each.heading, each.body]))) {
      // Something else about the section was changed, its aim for instance; or a window that was closed had sent this much.
      changes.takeOver(conflict.changes);
      const again = { ...(this.drafts.get(draft.section) ?? draft), baseRevision: conflict.changes.revision };
      this.drafts.set(draft.section, again);
      return this.send(again);
    }
    changes.takeOver(conflict.changes);
    if (!theirs) return this.keepElsewhere(draft, words, conflict.detail);
    const met = { ...draft, began: draft.began ?? sharedBy(words, theirs) };
    this.drafts.set(draft.section, { ...now, began: met.began });
    return this.merge(met, words);
  }

  /** Puts what was typed here together with what another window wrote, as that is at this moment. */
  private async merge(draft: Draft, words: Words, chosen?: { seen: SectionText; preference: Choice }): Promise<void> {
    const { section } = draft;
    const body = { baseRevision: this.state.revision, operation: merging(draft, words, chosen) };
    const answer = await write(
      api.POST("/api/documents/{id}/operations", { params: { path: { id: this.state.id } }, body }),
    );
    if (answer.kind === "applied") return this.merged(draft, words, answer.outcome);
    if (answer.kind !== "refused") return this.sendLater();
    if (answer.reason !== "same-words") return this.keepElsewhere(draft, words, answer.sentence);
    const theirs = await this.parts.texts.newest(section);
    if (!theirs) return this.sendLater();
    if (chosen)
      this.parts.messages.say(
        "The other window has changed the same words once more; here is how they read now.",
        "warning",
      );
    this.clashes.set(section, theirs);
  }

  /** Both texts are one now. What was typed meanwhile still builds on the words that were sent, and meets it with the next pause. */
  private async merged(draft: Draft, words: Words, outcome: WriteOutcome): Promise<void> {
    const now = this.drafts.get(draft.section);
    this.merges++;
    this.sent.add(draft.text);
    this.clashes.delete(draft.section);
    if (now && now.text !== draft.text) this.drafts.set(draft.section, { ...now, began: words, unanswered: undefined });
    // The text may be just what the other window made of it, and come with no change of this window's own.
    else if (outcome.texts.every(({ id }) => id !== draft.section)) this.forget(draft.section);
    else this.drafts.delete(draft.section);
    await this.parts.changes().accept(outcome);
  }

  /** The section is gone from the outline, cut out in another window: what was typed becomes a section at the end. */
  private async keepElsewhere(draft: Draft, words: Words, sentence: string): Promise<void> {
    const { messages } = this.parts;
    const changes = this.parts.changes();
    await changes.sync();
    // Refused for what it says: it stays unsent, and is tried again with what is typed next.
    if (this.state.positions.has(draft.section)) {
      this.isHeldUp = true;
      return messages.say(sentence, "warning");
    }
    const heading = `Kept from “${plainHeading(words) || "a section"}”`;
    const body = { baseRevision: this.state.revision, operation: { name: "insert" as const, heading } };
    const made = await write(
      api.POST("/api/documents/{id}/operations", { params: { path: { id: this.state.id } }, body }),
    );
    const section = made.kind === "applied" ? made.outcome.order.at(-1)?.inserted.ids[0] : undefined;
    if (made.kind !== "applied" || section === undefined) return this.sendLater();
    await changes.accept(made.outcome);
    // Of a section that is gone nobody is asked.
    this.clashes.delete(draft.section);
    // From here on it is the new section's draft, should the server be lost in between.
    if (this.drafts.get(draft.section)?.text === draft.text) this.drafts.delete(draft.section);
    const moved = {
      ...draft,
      section,
      baseRevision: made.outcome.revision,
      headingChanged: false,
      bodyChanged: true,
      // It stands under the heading that the new section was given.
      text: () => ({ heading: [{ type: "text", text: heading } as never], body: words.body }),
    };
    this.drafts.set(section, moved);
    await this.send(moved);
    messages.say(
      `The section you were writing in was cut out in another window; what you typed is kept at the end as “${heading}”.`,
      "warning",
    );
  }
}
