import { createStore, type StoreApi } from "zustand/vanilla";
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
  type ReportLine,
  type SectionText,
  type Write,
  type WriteOutcome,
} from "../api/client";
import { FileConflict, sendFile } from "../api/send-file";
import type { operations } from "../generated/api";
import { settling, type Waiting } from "./clash";
import { KeptDrafts, operationOf, plainHeading, type Draft, type Words } from "./drafts";
import { pathTo } from "../outline/outline";
import { sameText } from "./same-text";
import { opened, withChanges, withOutcome, withTexts, type DocumentState, type Message, type Place } from "./state";

/** Typing is handed over after this pause, or at the latest after the second figure (milliseconds). */
const PAUSE = 500;
const LATEST = 2500;
const RETRY = 3000;
const LOOK_FOR_OTHERS = 4000;
const TEXTS_AT_ONCE = 40;
const FIGURES_AFTER = 40;
const MOMENT = 300;

export type Typed = Pick<Draft, "text" | "headingChanged" | "bodyChanged">;

/** Closed with words yet unsent: they go on trying until their document is opened again, which then has those words from the browser. */
const lingering = new Map<string, Session>();

export type FileFormat = operations["exportDocument"]["parameters"]["query"]["format"];

/** One open document: its state, and every way to change it. Knows nothing of React. */
export class Session {
  readonly store: StoreApi<DocumentState>;
  private readonly drafts = new Map<string, Draft>();
  private readonly keptDrafts: KeptDrafts;
  /** Sections written in two windows, in turn; until the writer has chosen, the browser keeps what was typed here. */
  private clashes: Waiting[] = [];
  /** Writes go out one after the other, each on the revision the last one made. */
  private queue: Promise<unknown> = Promise.resolve();
  private pauseTimer: number | undefined;
  private firstTyped = 0;
  private readonly channel: BroadcastChannel;
  private readonly lookTimer: number;
  private wantedTexts = new Set<string>();
  private textsTimer: number | undefined;
  private figuresTimer: number | undefined;
  private keys = 1;

  static async open(id: string): Promise<Session> {
    const skeleton = await read(api.GET("/api/documents/{id}", { params: { path: { id } } }));
    lingering.get(id)?.release();
    return new Session(opened(skeleton));
  }

  private constructor(state: DocumentState) {
    this.store = createStore(() => state);
    this.channel = new BroadcastChannel(`stemmata:${state.id}`);
    this.channel.onmessage = () => void this.lookForOthers();
    this.lookTimer = window.setInterval(
      () => document.visibilityState === "visible" && void this.lookForOthers(),
      LOOK_FOR_OTHERS,
    );
    window.addEventListener("pagehide", this.handOver);
    this.keptDrafts = new KeptDrafts(state.id);
    void this.sendLeftBehind(this.keptDrafts.adopt());
    void this.readFigures();
  }

  close(): void {
    window.clearInterval(this.lookTimer);
    window.removeEventListener("pagehide", this.handOver);
    // Open until the last words are sent, for other windows are told of them.
    this.channel.onmessage = null;
    lingering.set(this.state.id, this);
    void this.flush().then(() => this.drafts.size === 0 && this.release());
  }

  private release(): void {
    window.clearTimeout(this.pauseTimer);
    this.drafts.clear();
    void this.queue.then(() => this.channel.close());
    if (lingering.get(this.state.id) === this) lingering.delete(this.state.id);
  }

  get state(): DocumentState {
    return this.store.getState();
  }

  private get path() {
    return { params: { path: { id: this.state.id } } };
  }

  // ---- reading ----

  /** Asks for a section's text; texts asked for in the same moment come together. */
  wantText(section: string): void {
    if (this.state.texts.has(section) && !this.state.outdated.has(section)) return;
    this.wantedTexts.add(section);
    this.textsTimer ??= window.setTimeout(() => void this.readTexts(), 0);
  }

  private async readTexts(): Promise<void> {
    this.textsTimer = undefined;
    const wanted = [...this.wantedTexts].slice(-TEXTS_AT_ONCE);
    this.wantedTexts.clear();
    try {
      this.takeTexts(await this.textsOf(wanted));
    } catch (failure) {
      this.say(failure instanceof Error ? failure.message : UNREACHABLE, "warning");
      window.setTimeout(() => wanted.forEach((id) => this.wantText(id)), RETRY);
    }
  }

  async readTextAgain(section: string): Promise<void> {
    this.takeTexts(await this.textsOf([section]));
  }

  private textsOf(sections: readonly string[]): Promise<SectionText[]> {
    return read(
      api.GET("/api/documents/{id}/texts", {
        params: { ...this.path.params, query: { sections: sections.join(",") } },
      }),
    );
  }

  /** What an answer says that was overtaken by a change on its way is asked for again: nobody may go on from it. */
  private takeTexts(texts: readonly SectionText[]): void {
    const { facts } = this.state;
    const isOvertaken = ({ id, revision }: SectionText) => revision < (facts.get(id)?.revision ?? 0);
    this.store.setState((state) =>
      withTexts(
        state,
        texts.filter((text) => !isOvertaken(text)),
      ),
    );
    for (const { id } of texts.filter(isOvertaken)) this.wantText(id);
  }

  private async readFigures(): Promise<void> {
    try {
      const figures = await read(api.GET("/api/documents/{id}/figures", this.path));
      // Figures of an outline that has changed since would number the wrong sections.
      if (figures.numbers.length !== this.state.outline.ids.length) return;
      this.store.setState({
        numbers: figures.numbers,
        names: new Map(Object.entries(figures.names)),
        branchWords: figures.branchWords,
        words: figures.words,
        staleContents: new Set(figures.staleContents),
        overTarget: new Set(figures.overTarget),
        readingSpeed: figures.readingSpeed,
      });
    } catch {
      // Numbers are read again with the next change; meanwhile those shown are the last known.
    }
  }

  // ---- typing ----

  typed(section: string, typed: Typed): void {
    const known = this.drafts.get(section);
    const text = this.state.texts.get(section);
    // A text may have been read before or after the last change that this window knows of.
    const readAt =
      text && (this.state.outdated.has(section) ? text.revision : Math.max(this.state.revision, text.revision));
    this.drafts.set(section, {
      section,
      baseRevision: known?.baseRevision ?? readAt ?? this.state.revision,
      began: known ? known.began : text,
      text: typed.text,
      headingChanged: typed.headingChanged || (known?.headingChanged ?? false),
      bodyChanged: typed.bodyChanged || (known?.bodyChanged ?? false),
    });
    if (this.state.saving === "kept") this.store.setState({ saving: "keeping" });
    const now = Date.now();
    if (this.pauseTimer === undefined) this.firstTyped = now;
    window.clearTimeout(this.pauseTimer);
    this.pauseTimer = window.setTimeout(
      () => void this.flush(),
      Math.max(0, Math.min(PAUSE, this.firstTyped + LATEST - now)),
    );
  }

  /** The text as the writer left it here, acknowledged or not; undefined when it has not been read yet. */
  textNow(section: string): SectionText | undefined {
    const kept = this.state.texts.get(section);
    return kept && { ...kept, ...this.drafts.get(section)?.text() };
  }

  isTyping(section: string): boolean {
    return this.drafts.has(section);
  }

  /** What windows that are closed could not send; of two drafts of one section the second may clash with the first. */
  private async sendLeftBehind(left: readonly Draft[]): Promise<void> {
    const later = left.filter((draft, index) => left.findIndex(({ section }) => section === draft.section) < index);
    for (const draft of left) if (!later.includes(draft)) this.drafts.set(draft.section, draft);
    if (left.length > 0) await this.flush();
    for (const draft of later) {
      this.drafts.set(draft.section, draft);
      await this.flush();
    }
  }

  private keepDrafts(): void {
    this.keptDrafts.keep(
      new Map([...this.clashes.map(({ draft }) => [draft.section, draft] as const), ...this.drafts]).values(),
    );
  }

  /** Sends what was typed; resolves when it is acknowledged or has been found impossible for now. */
  flush(): Promise<void> {
    window.clearTimeout(this.pauseTimer);
    this.pauseTimer = undefined;
    this.keepDrafts();
    return this.inTurn(async () => {
      const waiting = Array.from(this.drafts.values());
      for (const draft of waiting) await this.sendDraft(draft);
      const saving = this.drafts.size === 0 ? "kept" : "unsent";
      if (this.state.saving !== saving) this.store.setState({ saving });
      this.keepDrafts();
    });
  }

  private async sendDraft(draft: Draft): Promise<void> {
    const words = draft.text();
    const answer = await write(
      api.POST("/api/documents/{id}/operations", {
        ...this.path,
        body: { baseRevision: draft.baseRevision, operation: operationOf(draft, words) },
      }),
    );
    switch (answer.kind) {
      case "applied":
        return this.draftKept(draft, words, answer.outcome);
      case "stale":
        return this.draftClashed(draft, words, answer.conflict);
      case "refused":
        return this.keepElsewhere(draft, words, answer.sentence);
      case "unreachable":
        if (answer.sentence) this.say(answer.sentence, "warning");
        return this.sendLater();
      default:
        return answer satisfies never;
    }
  }

  private sendLater(): void {
    this.pauseTimer ??= window.setTimeout(() => void this.flush(), RETRY);
  }

  private async draftKept(draft: Draft, words: Words, outcome: WriteOutcome): Promise<void> {
    const now = this.drafts.get(draft.section);
    if (now === draft) this.drafts.delete(draft.section);
    // What was typed meanwhile builds on what has just been kept.
    else if (now) this.drafts.set(draft.section, { ...now, baseRevision: outcome.revision, began: words });
    this.store.setState((state) => withTexts(state, [{ id: draft.section, ...words, revision: outcome.revision }]));
    await this.accept(outcome);
  }

  private async draftClashed(draft: Draft, words: Words, conflict: Conflict): Promise<void> {
    const theirs = conflict.texts.find((each) => each.id === draft.section);
    if (theirs && draft.began && sameText([theirs.heading, theirs.body], [draft.began.heading, draft.began.body])) {
      // Something else about the section was changed, its aim for instance.
      this.takeOver(conflict.changes);
      const again = { ...(this.drafts.get(draft.section) ?? draft), baseRevision: conflict.changes.revision };
      this.drafts.set(draft.section, again);
      return this.sendDraft(again);
    }
    if (theirs) this.drafts.delete(draft.section);
    this.takeOver(conflict.changes);
    if (!theirs) return this.keepElsewhere(draft, words, conflict.detail);
    const mine = { id: draft.section, ...words, revision: draft.baseRevision };
    if (!sameText([mine.heading, mine.body], [theirs.heading, theirs.body])) {
      this.askAbout([
        ...this.clashes,
        { section: draft.section, mine, theirs, draft: { ...draft, text: () => words } },
      ]);
    }
  }

  private askAbout(clashes: Waiting[]): void {
    this.clashes = clashes;
    this.store.setState({ clash: clashes[0] ?? null });
  }

  /** The section is gone from the outline, cut out in another window: what was typed becomes a section at the end. */
  private async keepElsewhere(draft: Draft, words: Words, sentence: string): Promise<void> {
    await this.sync();
    // Refused for what it says: it stays unsent, and is tried again with what is typed next.
    if (this.state.positions.has(draft.section)) return this.say(sentence, "warning");
    const path = this.path;
    const heading = `Kept from “${plainHeading(words) || "a section"}”`;
    const made = await write(
      api.POST("/api/documents/{id}/operations", {
        ...path,
        body: { baseRevision: this.state.revision, operation: { name: "insert", heading } },
      }),
    );
    const section = made.kind === "applied" ? made.outcome.order.at(-1)?.inserted.ids[0] : undefined;
    if (made.kind !== "applied" || section === undefined) return this.sendLater();
    await this.accept(made.outcome);
    // From here on it is the new section's draft, should the server be lost in between.
    if (this.drafts.get(draft.section) === draft) this.drafts.delete(draft.section);
    const moved = {
      ...draft,
      section,
      baseRevision: made.outcome.revision,
      headingChanged: false,
      bodyChanged: true,
      text: () => words,
    };
    this.drafts.set(section, moved);
    await this.sendDraft(moved);
    this.say(
      `The section you were writing in was cut out in another window; what you typed is kept at the end as “${heading}”.`,
      "warning",
    );
  }

  /** The writer has looked at both texts and says which to go on with. */
  async settleClash(choice: "mine" | "theirs" | "both"): Promise<void> {
    const [clash, ...others] = this.clashes;
    if (!clash) return;
    this.askAbout(others);
    const operation = settling(clash, choice);
    const answer = operation === null ? null : await this.perform(operation, { quiet: true });
    if (answer?.kind === "refused")
      await this.inTurn(() => this.keepElsewhere(clash.draft, clash.mine, answer.sentence));
    else if (answer?.kind === "stale")
      this.askAbout([
        { ...clash, theirs: answer.conflict.texts.find(({ id }) => id === clash.section) ?? clash.theirs },
        ...this.clashes,
      ]);
    else if (answer?.kind === "unreachable") this.askAbout([clash, ...this.clashes]);
    else if (operation === null) this.store.setState((state) => withTexts(state, [clash.theirs]));
    else await this.readTextAgain(clash.section);
    this.keepDrafts();
  }

  // ---- every other change ----

  async perform(operation: Operation, { quiet = false }: { quiet?: boolean } = {}): Promise<Write> {
    await this.flush();
    return this.changing(async () => {
      const answer = await write(
        api.POST("/api/documents/{id}/operations", {
          ...this.path,
          body: { baseRevision: this.state.revision, operation },
        }),
      );
      return this.answered(answer, quiet ? null : (outcome) => outcome.label);
    });
  }

  /** Text from elsewhere that has headings, or paragraphs enough to look for some. */
  async paste(section: string, from: number, to: number, html: string): Promise<Write> {
    await this.flush();
    return this.changing(async () => {
      const body = { baseRevision: this.state.revision, section, from, to, html };
      return this.answered(
        await write(api.POST("/api/documents/{id}/paste", { ...this.path, body })),
        (outcome) => outcome.label,
      );
    });
  }

  /** Copies or moves branches to a place in another document, and says where they are to be found. */
  async transfer(
    sections: string[],
    other: { id: string; title: string },
    place: { landing: "before" | "after" | "inside"; target?: string },
    moves: boolean,
  ): Promise<void> {
    await this.flush();
    await this.changing(async () => {
      const body = { baseRevision: this.state.revision, sections, other: other.id, ...place, moves };
      const answer = await api.POST("/api/documents/{id}/transfer", { ...this.path, body }).catch(() => null);
      if (answer?.response.status === 409) this.takeOver((answer.error as unknown as Conflict).changes);
      if (!answer?.data) return this.say(answer ? sentenceOf(answer.error) : UNREACHABLE, "warning");
      const { here, section, notice } = answer.data;
      if (here) await this.accept(here);
      const done = `${moves ? "Moved" : "Copied"} to “${other.title || "Untitled"}”.`;
      this.offer([done, notice].filter(Boolean).join(" "), "Go there", () =>
        window.location.assign(`/documents/${other.id}?at=${section}`),
      );
    });
  }

  /** Reads a file into the document; answers what became of the file, or throws one sentence. */
  async putIn(
    file: File,
    landing: "before" | "after" | "inside",
    target: string,
    leave?: AbortSignal,
  ): Promise<ReportLine[]> {
    await this.flush();
    return this.changing(async () => {
      const query = new URLSearchParams({
        name: file.name,
        baseRevision: String(this.state.revision),
        landing,
        target,
      });
      const cancelled = "The import was cancelled; the document is as it was.";
      const { outcome, report } = await sendFile<PutIn>(`/api/documents/${this.state.id}/import?${query}`, file, {
        leave,
        cancelled,
      }).catch((failure: unknown) => {
        if (failure instanceof FileConflict) this.takeOver(failure.conflict.changes);
        throw failure;
      });
      await this.accept(outcome);
      this.say(`${outcome.label}.`, "said", true);
      return report;
    });
  }

  /** The whole document, or one branch of it, as a file. */
  async writeToFile(format: FileFormat, section?: string): Promise<void> {
    await this.flush();
    const query = new URLSearchParams({ format, ...(section === undefined ? {} : { section }) });
    window.location.assign(`/api/documents/${this.state.id}/export?${query}`);
  }

  /** How many links would lead nowhere in a file of the document or of one branch; nothing but their words is left of them there. */
  async deadLinks(section?: string): Promise<number> {
    await this.flush();
    const query = section === undefined ? {} : { section };
    const found = await read(
      api.GET("/api/documents/{id}/dead-links", { params: { ...this.path.params, query } }),
    ).catch(() => ({ count: 0 }));
    return found.count;
  }

  /** The whole document, or one branch of it, as the browser prints it. */
  async print(section?: string): Promise<void> {
    await this.flush();
    const query = new URLSearchParams({ format: "html", ...(section === undefined ? {} : { section }) });
    const answer = await fetch(`/api/documents/${this.state.id}/export?${query}`).catch(() => null);
    if (!answer?.ok) return this.say(UNREACHABLE, "warning");
    const page = document.createElement("iframe");
    page.hidden = true;
    page.title = "What is printed";
    page.srcdoc = await answer.text();
    page.addEventListener("load", () => {
      page.contentWindow?.addEventListener("afterprint", () => page.remove());
      page.contentWindow?.print();
    });
    document.body.append(page);
  }

  async keepAsStarter(name: string): Promise<void> {
    const answer = await read(api.POST("/api/documents/{id}/starter", { ...this.path, body: { name } })).catch(
      (failure: unknown) => failure,
    );
    if (answer instanceof Error) this.say(answer.message, "warning");
    else this.say(`“${name}” is among the starters now.`);
  }

  async undo(): Promise<Write> {
    await this.flush();
    return this.changing(async () =>
      this.answered(
        await write(
          api.POST("/api/documents/{id}/undo", { ...this.path, body: { baseRevision: this.state.revision } }),
        ),
        (outcome) => `Undone: ${outcome.label}`,
        false,
      ),
    );
  }

  async redo(): Promise<Write> {
    await this.flush();
    return this.changing(async () =>
      this.answered(
        await write(
          api.POST("/api/documents/{id}/redo", { ...this.path, body: { baseRevision: this.state.revision } }),
        ),
        (outcome) => `Done again: ${outcome.label}`,
        false,
      ),
    );
  }

  /** The whole document, or one section of it, as it read after a step of the history; 0 is the beginning. */
  async goBackTo(state: number, section?: string): Promise<Write> {
    await this.flush();
    return this.changing(async () => {
      const body = { baseRevision: this.state.revision, state, ...(section === undefined ? {} : { section }) };
      return this.answered(
        await write(api.POST("/api/documents/{id}/history/return", { ...this.path, body })),
        (outcome) => outcome.label,
      );
    });
  }

  private async answered(
    answer: Write,
    label: ((outcome: WriteOutcome) => string) | null,
    canUndo = true,
  ): Promise<Write> {
    switch (answer.kind) {
      case "applied":
        await this.accept(
          answer.outcome,
          label
            ? {
                message: this.message(
                  [`${label(answer.outcome)}.`, ...answer.outcome.notices.map((notice) => notice.sentence)].join(" "),
                  "said",
                  canUndo,
                ),
              }
            : {},
        );
        break;
      case "stale":
        this.takeOver(answer.conflict.changes);
        this.say(answer.conflict.detail, "warning");
        break;
      case "refused":
        this.say(answer.sentence, "warning");
        break;
      case "unreachable":
        this.say(
          answer.sentence ??
            "Stemmata cannot be reached just now. Whether this was done shows here as soon as it answers.",
          "warning",
        );
        break;
      default:
        answer satisfies never;
    }
    return answer;
  }

  /** All that an answer changes is shown at once, for each showing costs a frame. */
  private async accept(outcome: WriteOutcome, also: Partial<DocumentState> = {}): Promise<void> {
    const isNext = outcome.previousRevision === this.state.revision || outcome.revision === this.state.revision;
    this.store.setState((state) => ({
      ...withOutcome(state, outcome),
      ...(isNext ? { revision: outcome.revision } : {}),
      ...also,
    }));
    if (!isNext) await this.sync();
    this.channel.postMessage(outcome.revision);
    this.wantFigures();
  }

  /** Numbers and counts come after the change is on the screen, once for changes that follow close on each other. */
  private wantFigures(): void {
    window.clearTimeout(this.figuresTimer);
    this.figuresTimer = window.setTimeout(() => void this.readFigures(), FIGURES_AFTER);
  }

  // ---- other windows ----

  private async lookForOthers(): Promise<void> {
    await this.inTurn(() => this.sync());
  }

  private async sync(): Promise<void> {
    const since = this.state.revision;
    try {
      const changes = await read(
        api.GET("/api/documents/{id}/changes", { params: { ...this.path.params, query: { since } } }),
      );
      if (changes.revision !== since) this.takeOver(changes);
    } catch {
      // Asked again a few seconds later.
    }
  }

  private takeOver(changes: ChangesSince): void {
    this.store.setState((state) => withChanges(state, changes, new Set(this.drafts.keys())));
    this.wantFigures();
  }

  // ---- going about ----

  /** Goes to a place and remembers where from. */
  goTo(place: Place, { focus = true, remember = true }: { focus?: boolean; remember?: boolean } = {}): void {
    this.store.setState((state) => {
      const outside = state.scope !== null && !this.isInScope(place.section, state);
      const foldedTexts = withoutFoldsOver(state, place);
      return {
        current: place.section,
        ...(outside ? { scope: null } : {}),
        ...(foldedTexts === state.foldedTexts ? {} : { foldedTexts }),
        request: { ...place, key: ++this.keys, focus },
        ...(remember && state.current !== null && state.current !== place.section
          ? { trail: extended(state, { section: state.current }) }
          : {}),
      };
    });
  }

  /** A request is answered once; a section that scrolls away and back must not take the focus again. */
  requestMet(key: number): void {
    if (this.state.request?.key === key) this.store.setState({ request: null });
  }

  /** Whoever points at a place in the text goes there, and not to where a command that was on its way would have gone. */
  dropRequest(): void {
    if (this.state.request) this.store.setState({ request: null });
  }

  goBack(): void {
    const { trail, current } = this.state;
    const place = trail.places[trail.at - 1];
    if (!place) return;
    const places =
      trail.at === trail.places.length && current !== null ? [...trail.places, { section: current }] : trail.places;
    this.store.setState({ trail: { places, at: trail.at - 1 } });
    this.goTo(place, { remember: false });
  }

  goForward(): void {
    const { trail } = this.state;
    const place = trail.places[trail.at + 1];
    if (!place) return;
    this.store.setState({ trail: { ...trail, at: trail.at + 1 } });
    this.goTo(place, { remember: false });
  }

  private isInScope(section: string, state: DocumentState): boolean {
    const from = state.positions.get(state.scope ?? "") ?? 0;
    const at = state.positions.get(section) ?? -1;
    let end = from + 1;
    while (end < state.outline.ids.length && (state.outline.levels[end] ?? "0") > (state.outline.levels[from] ?? "0"))
      end++;
    return at >= from && at < end;
  }

  setCurrent(section: string): void {
    if (this.state.current !== section) this.store.setState({ current: section });
  }

  setScope(section: string | null): void {
    this.store.setState({ scope: section, ...(section === null ? {} : { current: section }) });
  }

  setFolded(section: string, folded: boolean): void {
    this.store.setState((state) => {
      const next = new Set(state.folded);
      if (folded) next.add(section);
      else next.delete(section);
      return { folded: next };
    });
  }

  setFoldedAll(sections: Iterable<string>): void {
    this.store.setState({ folded: new Set(sections) });
  }

  foldTexts(sections: Iterable<string>, folded: boolean): void {
    this.store.setState((state) => {
      const next = new Set(state.foldedTexts);
      for (const section of sections) {
        if (folded) next.add(section);
        else next.delete(section);
      }
      return { foldedTexts: next };
    });
  }

  pick(sections: Iterable<string>): void {
    this.store.setState({ picked: new Set(sections) });
  }

  keepResumePoint(section: string, position: number): void {
    void api
      .PUT("/api/documents/{id}/resume-point", { ...this.path, body: { section, position } })
      .catch(() => undefined);
  }

  say(sentence: string, tone: "said" | "warning" = "said", canUndo = false): void {
    this.store.setState({ message: this.message(sentence, tone, canUndo) });
  }

  private message(sentence: string, tone: Message["tone"], canUndo: boolean): Message {
    return { key: ++this.keys, tone, sentence, canUndo };
  }

  /** Says something, and offers what to do about it. */
  offer(sentence: string, label: string, run: () => void): void {
    this.store.setState({
      message: { key: ++this.keys, tone: "said", sentence, canUndo: false, offer: { label, run } },
    });
  }

  dismissMessage(): void {
    this.store.setState({ message: null });
  }

  /** A window about to close sends what it can; what does not get through waits in the browser's store. */
  private readonly handOver = (): void => {
    this.keepDrafts();
    for (const draft of this.drafts.values()) {
      void fetch(`/api/documents/${this.state.id}/operations`, {
        method: "POST",
        keepalive: true,
        headers: { "Content-Type": "application/json" },
        body: JSON.stringify({ baseRevision: draft.baseRevision, operation: operationOf(draft, draft.text()) }),
      }).catch(() => undefined);
    }
  };

  /** A change, or what must not meet one, in its turn; one that takes longer than a moment says so. */
  changing<T>(work: () => Promise<T>): Promise<T> {
    return this.inTurn(async () => {
      const timer = window.setTimeout(() => this.store.setState({ isWorking: true }), MOMENT);
      try {
        return await work();
      } finally {
        window.clearTimeout(timer);
        if (this.state.isWorking) this.store.setState({ isWorking: false });
      }
    });
  }

  private inTurn<T>(work: () => Promise<T>): Promise<T> {
    const turn = this.queue.then(work, work);
    this.queue = turn.catch(() => undefined);
    return turn;
  }
}

/** A place that is gone to is never left hidden under a folded heading. */
function withoutFoldsOver(state: DocumentState, place: Place): ReadonlySet<string> {
  if (state.foldedTexts.size === 0) return state.foldedTexts;
  const position = state.positions.get(place.section);
  if (position === undefined) return state.foldedTexts;
  const above = pathTo(state.outline, position).map((each) => state.outline.ids[each] ?? "");
  const opened = above.filter((each) => state.foldedTexts.has(each) && each !== place.section);
  if (opened.length === 0) return state.foldedTexts;
  return new Set([...state.foldedTexts].filter((each) => !opened.includes(each)));
}

function extended(state: DocumentState, place: Place): DocumentState["trail"] {
  const places = [...state.trail.places.slice(0, state.trail.at), place];
  return { places, at: places.length };
}
