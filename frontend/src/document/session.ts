import { createStore, type StoreApi } from "zustand/vanilla";
import { api, read, type Reading, type Skeleton } from "../api/client";
import { Changes } from "./changes";
import { Counts } from "./counts";
import { KeptDrafts } from "./drafts";
import { Files } from "./files";
import { keepScope, keptScope } from "./kept-scope";
import { Messages } from "./messages";
import { Navigation } from "./navigation";
import { Pages } from "./pages";
import { opened, type DocumentState } from "./state";
import { Texts } from "./texts";
import { Turns } from "./turns";
import { Typing } from "./typing";
import { openedAt, type WindowState } from "./window-state";

const LOOK_FOR_OTHERS = 4000;

/** Closed with words yet unsent: they go on trying until their document is opened again, which then has those words from the browser. */
const lingering = new Map<string, Session>();

/** One open document: what is known of it, what the window shows of it, and every way to change either. Knows nothing of React. */
export class Session {
  readonly store: StoreApi<DocumentState>;
  readonly windowStore: StoreApi<WindowState>;
  readonly messages: Messages;
  readonly texts: Texts;
  readonly typing: Typing;
  readonly changes: Changes;
  readonly navigation: Navigation;
  readonly files: Files;
  readonly pages: Pages;
  private readonly counts: Counts;
  private readonly turns = new Turns();
  private readonly channel: BroadcastChannel;
  private readonly lookTimer: number;
  private released: Promise<void> | null = null;

  /** @param outdated told after each change what was read from the whole document and is no longer true */
  static async open(id: string, outdated: (readings: readonly Reading[]) => void = () => undefined): Promise<Session> {
    const skeleton = await read(api.GET("/api/documents/{id}", { params: { path: { id } } }));
    await lingering.get(id)?.release();
    return new Session(skeleton, outdated);
  }

  private constructor(skeleton: Skeleton, outdated: (readings: readonly Reading[]) => void) {
    const store = createStore(() => opened(skeleton));
    const turns = this.turns;
    this.store = store;
    const resume = skeleton.resumeSection;
    const place = resume === null ? null : { section: resume, position: skeleton.resumePosition };
    this.windowStore = createStore(() => openedAt(store.getState(), place, keptScope(skeleton.id)));
    this.messages = new Messages(this.windowStore);
    this.texts = new Texts(store, this.messages, (section) => this.typing.isIn(section));
    this.counts = new Counts(store);
    this.pages = new Pages(store);
    this.navigation = new Navigation(store, this.windowStore, this.messages);
    const kept = new KeptDrafts(skeleton.id, () =>
      this.messages.say(
        "This browser keeps nothing for Stemmata: what you type is safe once the line above says so, and not before.",
        "warning",
      ),
    );
    this.typing = new Typing({
      store,
      turns,
      messages: this.messages,
      texts: this.texts,
      kept,
      changes: () => this.changes,
    });
    this.changes = new Changes({
      store,
      window: this.windowStore,
      turns,
      messages: this.messages,
      counts: this.counts,
      sending: () => this.typing.sending(),
      merges: () => this.typing.merges,
      typing: () => this.typing.sections(),
      isAsked: (section) => this.typing.isAsked(section),
      outdated,
      made: (revision) => this.channel.postMessage(revision),
    });
    this.files = new Files(store, this.messages, this.flush, (section) => this.navigation.goTo({ section }));
    this.channel = new BroadcastChannel(`stemmata:${skeleton.id}`);
    this.channel.onmessage = () => void this.lookForOthers();
    this.lookTimer = window.setInterval(
      () => document.visibilityState === "visible" && void this.lookForOthers(),
      LOOK_FOR_OTHERS,
    );
    this.windowStore.subscribe(({ scope }, before) => scope !== before.scope && keepScope(skeleton.id, scope));
    window.addEventListener("pagehide", this.handOver);
    void this.typing.sendLeftBehind();
    void this.counts.read();
  }

  close(): void {
    window.clearInterval(this.lookTimer);
    window.removeEventListener("pagehide", this.handOver);
    // Open until the last words are sent, for other windows are told of them.
    this.channel.onmessage = null;
    lingering.set(this.state.id, this);
    void this.flush().then(() => (this.typing.sections().size === 0 ? this.release() : undefined));
  }

  /** The document as this window knows it. */
  get state(): DocumentState {
    return this.store.getState();
  }

  /** What the window shows of it. */
  get window(): WindowState {
    return this.windowStore.getState();
  }

  /** Sends what was typed; resolves when it is acknowledged or has been found impossible for now. */
  readonly flush = (): Promise<void> => this.typing.flush();

  /** Resolves when the browser has what is left unsent, so that whoever opens the document next finds it there. */
  private release(): Promise<void> {
    this.released ??= this.typing.close().then(() => {
      if (lingering.get(this.state.id) === this) lingering.delete(this.state.id);
      void this.turns.done().then(() => this.channel.close());
    });
    return this.released;
  }

  private async lookForOthers(): Promise<void> {
    await this.turns.take(() => this.changes.sync());
    await this.typing.lookAgain();
  }

  private readonly handOver = (): void => this.typing.handOver();
}
