import type { StoreApi } from "zustand/vanilla";
import {
  api,
  read,
  sentenceOf,
  UNREACHABLE,
  write,
  type ChangesSince,
  type Conflict,
  type Operation,
  type PutIn,
  type Reading,
  type ReportLine,
  type Write,
  type WriteOutcome,
} from "../api/client";
import { FileConflict, sendFile } from "../api/send-file";
import type { Counts } from "./counts";
import type { Messages } from "./messages";
import { withChanges, withOutcome, type DocumentState } from "./state";
import type { Turns } from "./turns";
import { withoutGone, type WindowState } from "./window-state";

/** A change that takes longer says that it is under way (milliseconds). */
const MOMENT = 300;
/** What could not be sent is sent again (milliseconds). */
const AGAIN = 2000;

/** Who is told at once what became of a change, and asked before whether it rests on the texts as they are. */
type Told = { holds: () => boolean; sentence?: string; applied: (outcome: WriteOutcome) => void; failed: () => void };
/** So many looks a few seconds apart at an unchanged document tell that a command did not reach the server. */
const ENOUGH_LOOKS = 2;
/** All that is read from the whole document. */
const EVERY_READING: readonly Reading[] = ["places", "findings", "offcuts", "style-sheet"];

type Parts = {
  store: StoreApi<DocumentState>;
  window: StoreApi<WindowState>;
  turns: Turns;
  messages: Messages;
  counts: Counts;
  /** What has been typed so far, to be sent in the turn of what follows on it. */
  sending: () => () => Promise<void>;
  /** How often what was typed here was put together with words of another window, which the writer did not see before. */
  merges: () => number;
  /** Sections that are being typed in: what others say of their texts waits. */
  typing: () => ReadonlySet<string>;
  /** Whether two texts of a section wait for the writer’s choice. */
  isAsked: (section: string) => boolean;
  /** Told after each change what was read from the whole document and is no longer true. */
  outdated: (readings: readonly Reading[]) => void;
  /** Told of each revision that this window has made. */
  made: (revision: number) => void;
};

/** Whether it is done to a place in a text, and not to whole sections. */
const isByPlace = (operation: Operation): boolean =>
  ["from", "block", "blocks", "lines"].some((name) => name in operation);

/** Every way to change the document but typing, and what comes of a change. */
export class Changes {
  private waiting = 0;
  /** How often the document was the same since a command whose answer never came. */
  private looks = 0;
  /** How often changes of other windows have come in. */
  private takenOver = 0;

  constructor(private readonly parts: Parts) {}

  async perform(operation: Operation, { quiet = false }: { quiet?: boolean } = {}): Promise<Write> {
    if (this.isAskedAbout(operation)) return this.choiceFirst();
    const kept = operation.name === "delete" ? ". It is in Offcuts" : "";
    const told = isByPlace(operation) ? this.ifNothingIsMerged() : undefined;
    return this.answering(() => this.operated(operation, quiet ? null : ({ label }) => `${label}${kept}`, told));
  }

  /** What the screen shows already; what became of it is told before anything that follows has its turn. */
  async keep(operation: Operation, told: Told): Promise<Write> {
    return this.operated(operation, null, told, true);
  }

  /** Text from elsewhere that has headings, or paragraphs enough to look for some. */
  async paste(section: string, from: number, to: number, text: string, kind: "html" | "md"): Promise<Write> {
    if (this.parts.isAsked(section)) return this.choiceFirst();
    return this.answering(() =>
      this.written(
        (baseRevision) =>
          api.POST("/api/documents/{id}/paste", {
            ...this.path,
            body: { baseRevision, section, from, to, text, kind },
          }),
        ({ label }) => label,
        true,
        this.ifNothingIsMerged(),
      ),
    );
  }

  async undo(): Promise<Write> {
    return this.answering(() =>
      this.written(
        (baseRevision) => api.POST("/api/documents/{id}/undo", { ...this.path, body: { baseRevision } }),
        ({ label }) => `Undone: ${label}`,
        false,
        this.ifNobodyElseWrote("Another window changed the document at that moment; nothing was undone."),
      ),
    );
  }

  async redo(): Promise<Write> {
    return this.answering(() =>
      this.written(
        (baseRevision) => api.POST("/api/documents/{id}/redo", { ...this.path, body: { baseRevision } }),
        ({ label }) => `Redone: ${label}`,
        false,
        this.ifNobodyElseWrote("Another window changed the document at that moment; nothing was redone."),
      ),
    );
  }

  /** The whole document, or one section of it, as it read after a step of the history; 0 is the beginning. */
  async goBackTo(state: number, section?: string): Promise<Write> {
    return this.written(
      (baseRevision) =>
        api.POST("/api/documents/{id}/history/return", {
          ...this.path,
          body: { baseRevision, state, ...(section === undefined ? {} : { section }) },
        }),
      ({ label }) => label,
    );
  }

  /** Copies or moves branches to a place in another document, and says where they are to be found. */
  async transfer(
    sections: string[],
    other: { id: string; title: string },
    place: { landing: "before" | "after" | "inside"; target?: string },
    moves: boolean,
  ): Promise<void> {
    const { messages } = this.parts;
    const sending = this.parts.sending();
    await this.inTurn(async () => {
      await sending();
      const body = { baseRevision: this.revision, sections, other: other.id, ...place, moves };
      const answer = await api.POST("/api/documents/{id}/transfer", { ...this.path, body }).catch(() => null);
      if (answer?.response.status === 409) this.takeOver((answer.error as unknown as Conflict).changes);
      if (!answer?.data) return messages.say(answer ? sentenceOf(answer.error) : UNREACHABLE, "warning");
      const { here, section, notice } = answer.data;
      if (here) await this.accept(here);
      const done = `${moves ? "Moved" : "Copied"} to “${other.title || "Untitled"}”.`;
      messages.offer([done, notice].filter(Boolean).join(" "), "Go there", () =>
        window.location.assign(`/documents/${other.id}?at=${section}`),
      );
    });
  }

  /** Puts standing text into the document, at a place in its outline. */
  async takeStanding(
    standing: { id: string; revision: number; sections: string[]; title: string },
    place: { landing: "before" | "after" | "inside"; target?: string },
  ): Promise<string | null> {
    const { messages } = this.parts;
    const sending = this.parts.sending();
    return this.inTurn(async () => {
      await sending();
      const answer = await api
        .POST("/api/documents/{id}/transfer", {
          params: { path: { id: standing.id } },
          body: {
            baseRevision: standing.revision,
            sections: standing.sections,
            other: this.parts.store.getState().id,
            ...place,
            moves: false,
          },
        })
        .catch(() => null);
      if (!answer?.data) {
        messages.say(answer ? sentenceOf(answer.error) : UNREACHABLE, "warning");
        return null;
      }
      await this.sync();
      const { notice, section } = answer.data;
      messages.say(
        [`“${standing.title || "Untitled"}” stands here now.`, notice].filter(Boolean).join(" "),
        "said",
        true,
      );
      return section;
    });
  }

  /** Reads a file into the document; answers what became of the file, or throws one sentence. */
  async putIn(
    file: File,
    landing: "before" | "after" | "inside",
    target: string,
    leave?: AbortSignal,
  ): Promise<ReportLine[]> {
    const sending = this.parts.sending();
    return this.inTurn(async () => {
      await sending();
      const baseRevision = String(this.revision);
      const query = new URLSearchParams({ name: file.name, baseRevision, landing, target });
      const cancelled = "The import was cancelled; the document is as it was.";
      const address = `/api/documents/${this.parts.store.getState().id}/import?${query}`;
      const { outcome, report } = await sendFile<PutIn>(address, file, { leave, cancelled }).catch(
        (failure: unknown) => {
          if (failure instanceof FileConflict) this.takeOver(failure.conflict.changes);
          throw failure;
        },
      );
      await this.accept(outcome);
      this.parts.messages.say(`${outcome.label}.`, "said", true);
      return report;
    });
  }

  /** All that an answer changes is shown at once, for each showing costs a frame. */
  async accept(outcome: WriteOutcome): Promise<void> {
    const isNext = outcome.previousRevision === this.revision || outcome.revision === this.revision;
    this.show((state) => ({ ...withOutcome(state, outcome), ...(isNext ? { revision: outcome.revision } : {}) }), true);
    if (!isNext) await this.sync();
    this.parts.made(outcome.revision);
    this.parts.counts.readSoon();
    this.parts.outdated(outcome.outdated);
  }

  /** What other windows have changed since this one last heard of them. */
  async sync(): Promise<void> {
    const since = this.revision;
    try {
      const params = { ...this.path.params, query: { since } };
      const changes = await read(api.GET("/api/documents/{id}/changes", { params }));
      if (changes.revision !== since) this.takeOver(changes);
      this.readOlder();
      this.settleDoubt(changes.revision !== since);
    } catch {
      // Asked again a few seconds later.
    }
  }

  /** No text is shown for long that is older than what is known of its section, whatever came between. */
  private readOlder(): void {
    const { store } = this.parts;
    const { texts, facts, outdated } = store.getState();
    const typing = this.parts.typing();
    const older = [...texts.values()].filter(
      ({ id, revision }) => revision < (facts.get(id)?.revision ?? 0) && !typing.has(id) && !outdated.has(id),
    );
    if (older.length > 0) store.setState({ outdated: new Set([...outdated, ...older.map(({ id }) => id)]) });
  }

  /** A command whose answer never came may still be at work when the server is asked; asked once more, it is known. */
  private settleDoubt(isChanged: boolean): void {
    const { messages, window } = this.parts;
    if (window.getState().message?.tone !== "unsure") this.looks = 0;
    else if (isChanged) messages.say("Stemmata answers again. This is the document as it is now.");
    else if (++this.looks === ENOUGH_LOOKS)
      messages.say("Stemmata answers again; the last command did not reach it.", "warning");
  }

  takeOver(changes: ChangesSince): void {
    this.takenOver++;
    this.show((state) => withChanges(state, changes, this.parts.typing()));
    this.parts.counts.readSoon();
    this.parts.outdated(EVERY_READING);
  }

  /** A change, or what must not meet one, in its turn; one that takes longer than a moment says so. */
  inTurn<T>(work: () => Promise<T>): Promise<T> {
    const { store, turns } = this.parts;
    return turns.take(async () => {
      const timer = window.setTimeout(() => store.setState({ isWorking: true }), MOMENT);
      try {
        return await work();
      } finally {
        window.clearTimeout(timer);
        if (store.getState().isWorking) store.setState({ isWorking: false });
      }
    });
  }

  /** What is done to a text at a place in it needs one text, and not two. */
  private isAskedAbout(operation: Operation): boolean {
    if (operation.name === "batch")
      return (operation.operations as Operation[]).some((each) => this.isAskedAbout(each));
    if (operation.name === "make-headings") return operation.lines.some(({ section }) => this.parts.isAsked(section));
    return "section" in operation && operation.section !== undefined && this.parts.isAsked(operation.section);
  }

  private choiceFirst(): Write {
    const sentence = "Two windows changed the same words there. Say first which are to stand.";
    this.parts.messages.say(sentence, "warning");
    return { kind: "refused", sentence, reason: "same-words" };
  }

  private get revision(): number {
    return this.parts.store.getState().revision;
  }

  private get path() {
    return { params: { path: { id: this.parts.store.getState().id } } };
  }

  /** The document as it is now, and the window without what is gone from it. */
  private show(change: (state: DocumentState) => Partial<DocumentState>, isOwn = false): void {
    const { store, window } = this.parts;
    const before = store.getState();
    const after = { ...before, ...change(before) };
    if (after.outline !== before.outline) window.setState((shown) => withoutGone(shown, before, after, isOwn));
    store.setState(after);
  }

  private operated(
    operation: Operation,
    label: ((outcome: WriteOutcome) => string) | null,
    told?: Partial<Told>,
    isShown = false,
  ): Promise<Write> {
    return this.written(
      (baseRevision) => api.POST("/api/documents/{id}/operations", { ...this.path, body: { baseRevision, operation } }),
      label,
      true,
      told,
      isShown,
    );
  }

  /** The last step is not the one that the writer meant once somebody else has made another. */
  private ifNobodyElseWrote(sentence: string): Partial<Told> {
    const before = this.takenOver;
    return { holds: () => this.takenOver === before, sentence };
  }

  /** A place in a text is another one when words of another window have come in before it. */
  private ifNothingIsMerged(): Partial<Told> {
    const before = this.parts.merges();
    return { holds: () => this.parts.merges() === before };
  }

  /** From the moment a command is given until what came of it is known; of several, until the last. Keys wait for it. */
  async answering<T>(work: () => Promise<T>): Promise<T> {
    const { store } = this.parts;
    this.waiting++;
    if (!store.getState().isAnswering) store.setState({ isAnswering: true });
    try {
      return await work();
    } finally {
      this.waiting--;
      if (this.waiting === 0) store.setState({ isAnswering: false });
    }
  }

  private async written(
    send: (baseRevision: number) => Parameters<typeof write>[0],
    label: ((outcome: WriteOutcome) => string) | null,
    canUndo = true,
    told?: Partial<Told>,
    isShown = false,
  ): Promise<Write> {
    const sending = this.parts.sending();
    return this.inTurn(async () => {
      await sending();
      if (told?.holds?.() === false) {
        const sentence = told.sentence ?? "Another window wrote in the same text at that moment. Do it once more.";
        this.parts.messages.say(sentence, "warning");
        told.failed?.();
        return { kind: "refused", sentence, reason: "same-words" };
      }
      // It rests on what the writer saw, however long it takes to be sent.
      const seen = this.revision;
      let answer = await write(send(seen));
      // What the screen shows already is not taken back because nobody answers: what is written next rests on it.
      while (isShown && answer.kind === "unreachable" && !answer.isBroken) {
        this.parts.messages.say(
          answer.sentence ?? "Stemmata cannot be reached just now. What you wrote is kept as soon as it answers.",
          "unsure",
        );
        await new Promise((resolve) => window.setTimeout(resolve, AGAIN));
        answer = await write(send(seen));
      }
      await this.answered(answer, label, canUndo);
      if (answer.kind === "applied") told?.applied?.(answer.outcome);
      else told?.failed?.();
      return answer;
    });
  }

  private async answered(
    answer: Write,
    label: ((outcome: WriteOutcome) => string) | null,
    canUndo: boolean,
  ): Promise<void> {
    const { messages } = this.parts;
    switch (answer.kind) {
      case "applied": {
        const notices = answer.outcome.notices.map(({ sentence }) => sentence);
        if (label) messages.say([`${label(answer.outcome)}.`, ...notices].join(" "), "said", canUndo);
        return this.accept(answer.outcome);
      }
      case "stale":
        this.takeOver(answer.conflict.changes);
        return messages.say(answer.conflict.detail, "warning");
      case "refused":
        return messages.say(answer.sentence, "warning");
      case "unreachable":
        return messages.say(
          answer.sentence ??
            "Stemmata cannot be reached just now. Whether this was done shows here as soon as it answers.",
          answer.sentence === undefined ? "unsure" : "warning",
        );
      default:
        return answer satisfies never;
    }
  }
}
