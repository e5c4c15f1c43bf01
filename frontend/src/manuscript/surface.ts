import { sectionName } from "../document/section-name";
import type { Session } from "../document/session";
import type { DocumentState } from "../document/state";
import type { WindowState } from "../document/window-state";
import { ManuscriptEditor, type ManuscriptHost, type ShownSection, type Spot } from "../editor/manuscript-editor";
import { unfoldedSections } from "../outline/folding";
import { branchEnd, levelAt } from "../outline/outline";
import { runsOf } from "../outline/scope";
import { useComfort } from "../parts/comfort";
import { comesTo } from "../parts/focus";
import { counted } from "../parts/words";
import { useReading } from "../speech/reading";
import type { FoundStretch } from "../editor/found";
import { lookThrough, useFind } from "../find/found";
import { Heights, MOST_HELD, rangeAhead, rangeAround, type Range } from "./heights";

/** Whether a heading among those that changed is shaped otherwise by hand. */
function shapesDiffer({ facts }: DocumentState, before: DocumentState): boolean {
  if (facts === before.facts) return false;
  for (const [id, section] of facts) if (section.shape !== (before.facts.get(id)?.shape ?? "")) return true;
  return false;
}

/** Room a section is given before its height is known: a line is about 11 words and 28 pixels high. */
const HEADING_HEIGHT = 74;
const WORD_HEIGHT = 28 / 10.5;
/** How long after a turn of the wheel a scroll still counts as the writer's own (milliseconds). */
const OWN_SCROLL = 250;
/** Keys do not wait for a server that does not answer (milliseconds). */
const PATIENCE = 2000;
/** Nor does a cursor that was left behind wait longer for its text (milliseconds). */
const TOO_LONG = 5000;
const PAUSE_OF_SCROLLING = 120;
/** A window that is not seen draws no frames; its keys wait no longer than this (milliseconds). */
const HIDDEN = 250;
/** Where the eye rests: the section that stands at this depth of the window is the current one while scrolling. */
const EYE = 90;

/**
 * The manuscript on the screen: which sections stand in the editor, where the window is on them, and what is gone to.
 * Only the sections near the window are in the page, so that typing costs the same in a document of four pages and of
 * four thousand (docs/decisions/0004). Knows nothing of React.
 */
export class Surface {
  readonly editor: ManuscriptEditor;
  private readonly heights: Heights;
  private ids: readonly string[] = [];
  private shown: Range = { from: 0, to: 0 };
  private stops: (() => void)[] = [];
  private frame = 0;
  private ownScroll = 0;
  private release: number | undefined;
  private looking: number | undefined;
  private pending = 0;
  /** Whether what is known is another than what is shown. */
  private isStale = true;
  /** Whether keys wait for a text that is gone to. */
  private isAwaiting = false;
  /** Whether the hand was at the text last, and not the keys. */
  private isPointing = false;
  private scrollTo: { id: string; below: number } | null = null;
  private readonly above = document.createElement("div");
  private readonly below = document.createElement("div");
  private readonly resizes: ResizeObserver;
  /** What stands in the window (its section, and where that begins and how high it is, in pixels), and how wide the window is. */
  private reading: { id: string; top: number; height: number; width: number } | null = null;

  /**
   * @param scroller the window on the text, @param place what is scrolled in it
   * @param moved    told whenever sections may stand elsewhere in it
   */
  constructor(
    private readonly session: Session,
    private readonly scroller: HTMLElement,
    place: HTMLElement,
    host: Omit<ManuscriptHost, "lookOf" | "foundIn" | "spokenIn" | "isPartOfText" | "comeBack">,
    private readonly moved: () => void,
  ) {
    this.heights = new Heights((id) => this.guess(id));
    this.editor = new ManuscriptEditor(
      place,
      {
        ...host,
        selected: (id) => {
          host.selected(id);
          this.holdLine();
        },
        lookOf: (id) => this.lookOf(id),
        foundIn: (id) => this.foundIn(id),
        spokenIn: (id) => {
          const { word } = useReading.getState();
          return word?.section === id && !session.typing.isIn(id) ? word : null;
        },
        isPartOfText: (id) => this.ids.includes(id),
        comeBack: (spot) => this.comeBack(spot),
      },
      "Manuscript",
    );
    this.editor.speak(session.state.titleBlock.language);
    place.prepend(this.above);
    place.append(this.below);
    this.resizes = new ResizeObserver(() => this.settle());
    this.resizes.observe(scroller);
    this.resizes.observe(this.editor.view.dom);
    this.listen(scroller, "scroll", () => this.soon());
    for (const own of ["wheel", "touchmove"]) this.listen(scroller, own, () => this.scrolledByHand());
    this.listen(scroller, "pointerdown", (event) => {
      this.isPointing = true;
      if (event.target === scroller) this.scrolledByHand();
    });
    this.listen(scroller, "keydown", () => (this.isPointing = false));
    let later = 0;
    this.stops.push(
      session.store.subscribe((state, before) => {
        if (state.outline !== before.outline) {
          // The outline is painted first; the text follows in the next frame.
          cancelAnimationFrame(later);
          later = requestAnimationFrame(() => window.setTimeout(() => this.take()));
        } else if (state.texts !== before.texts || state.outdated !== before.outdated) this.take();
        if (state.numbers !== before.numbers || state.names !== before.names || shapesDiffer(state, before))
          this.editor.redraw();
        this.editor.speak(state.titleBlock.language);
        if (state.isAnswering !== before.isAnswering) this.holdKeys(state.isAnswering);
        if (state.saving === "kept" && before.saving !== "kept") this.editor.handedOver();
      }),
      session.windowStore.subscribe((shown, before) => {
        if (shown.scope !== before.scope || shown.foldedTexts !== before.foldedTexts) this.take();
        if (shown.picked !== before.picked || shown.foldedTexts !== before.foldedTexts) this.editor.redraw();
        if (shown.request !== before.request && shown.request) this.meet(shown);
        else if (!shown.request && this.isAwaiting) {
          // Who has pointed elsewhere meanwhile goes there.
          this.isAwaiting = false;
          if (!session.state.isAnswering) this.editor.release();
        }
      }),
      useComfort.subscribe((now, before) => {
        const isOtherwise = (["face", "size", "leading", "measure"] as const).some(
          (each) => now[each] !== before[each],
        );
        if (isOtherwise) this.holding(() => (this.heights.forget(this.ids), this.measure()));
        if (now.line !== before.line) this.soon();
        if (now.setOff !== before.setOff || now.invisibles !== before.invisibles) this.editor.redraw();
      }),
      useReading.subscribe(({ word }, before) => {
        if (word !== before.word) this.showSpoken(word?.section ?? null);
      }),
      useFind.subscribe((shown, before) => {
        if (shown.hits !== before.hits || shown.at !== before.at || shown.besides !== before.besides)
          this.editor.redraw();
        if (shown.found !== before.found) this.lookSoon();
      }),
      () => cancelAnimationFrame(later),
    );
    this.take();
    this.meet(session.window);
  }

  destroy(): void {
    this.resizes.disconnect();
    for (const stop of this.stops) stop();
    cancelAnimationFrame(this.frame);
    window.clearTimeout(this.release);
    window.clearTimeout(this.looking);
    this.editor.destroy();
    this.above.remove();
    this.below.remove();
  }

  /** Writing has made sections come or go; until the outline has them, what is known is not shown over it. */
  async whileStretching(work: () => Promise<void>): Promise<void> {
    this.pending++;
    try {
      await work();
    } finally {
      this.pending--;
      this.take();
    }
  }

  /** Keys wait until what a command made is shown and gone to, which takes a frame or two after its answer. */
  private holdKeys(isAnswering: boolean): void {
    window.clearTimeout(this.release);
    if (isAnswering) {
      this.editor.hold();
      this.release = window.setTimeout(() => this.editor.release(), PATIENCE);
      return;
    }
    const release = () => {
      if (this.session.state.isAnswering) return;
      window.clearTimeout(this.release);
      this.release = window.setTimeout(() => this.editor.release());
    };
    this.release = window.setTimeout(release, HIDDEN);
    requestAnimationFrame(() => requestAnimationFrame(release));
  }

  /** Where a section stands within what is scrolled (pixels); null when it is not shown. */
  placeOf(id: string): { top: number; height: number } | null {
    const element = this.editor.sectionElement(id);
    return element && { top: this.topOf(element), height: element.offsetHeight };
  }

  /** The first section or the last, with the cursor at the very end of the text. */
  goToEnd(end: "first" | "last"): void {
    const section = end === "first" ? this.ids[0] : this.ids.at(-1);
    if (section === undefined) return;
    const position = end === "first" ? 1 : Number.MAX_SAFE_INTEGER;
    this.session.navigation.goTo({ section, position });
  }

  private listen(element: HTMLElement, name: string, heard: (event: Event) => unknown): void {
    const listener = (event: Event) => void heard(event);
    element.addEventListener(name, listener, { passive: true });
    this.stops.push(() => element.removeEventListener(name, listener));
  }

  /** The word that is spoken is marked, and in sight. */
  private showSpoken(section: string | null): void {
    this.editor.redraw();
    if (section === null) return;
    if (!this.editor.sectionElement(section))
      return this.session.navigation.goTo({ section }, { focus: false, remember: false });
    this.editor.view.dom.querySelector(".spoken")?.scrollIntoView({ block: "nearest" });
  }

  /** The line that is typed in stays at the height that the writer picked; where they point, nothing moves. */
  private holdLine(): void {
    const { line } = useComfort.getState();
    const { view } = this.editor;
    if (line === null || this.isPointing || !view.hasFocus() || this.editor.isReturning) return;
    const { top, bottom } = view.coordsAtPos(view.state.selection.head);
    const box = this.scroller.getBoundingClientRect();
    const by = (top + bottom) / 2 - (box.top + box.height * line);
    if (Math.abs(by) >= 1) this.scroller.scrollTop += by;
  }

  /** Who scrolls is no longer on the way to a place that was asked for. */
  private scrolledByHand(): void {
    this.ownScroll = Date.now();
    this.scrollTo = null;
    delete this.scroller.dataset["reading"];
  }

  private lookOf(id: string) {
    const { outline, positions, numbers, names, branchWords, firstNotes, captions, facts } = this.session.state;
    const { foldedTexts } = this.session.window;
    const position = positions.get(id) ?? -1;
    const number = numbers[position] ?? "";
    const isFolded = foldedTexts.has(id) && position >= 0 && levelAt(outline, position) > 0;
    return {
      level: position < 0 ? null : levelAt(outline, position),
      number,
      name: sectionName(this.session.state, id),
      isNamed: number !== "" && names.get(id) === number,
      firstNote: firstNotes.get(id) ?? 1,
      captions: captions.get(id) ?? [],
      isPicked: this.isPicked(position),
      isFolded,
      shape: facts.get(id)?.shape ?? "",
      folded: isFolded ? counted(branchWords[position] ?? 0, "word") : "",
    };
  }

  /** None where words are on their way: what was found stands elsewhere by now. */
  private foundIn(id: string): readonly (FoundStretch & { isNow: boolean })[] {
    const { hits, at, besides } = useFind.getState();
    if (hits.length === 0 || this.session.typing.isIn(id)) return [];
    const now = hits[at];
    const own = hits
      .filter((hit) => hit.section === id && hit.field !== "aim")
      .map((hit) => ({ ...hit, isNow: hit === now }));
    // The last of the hits may be followed by others in its section.
    const more = (besides.get(id) ?? [])
      .filter(
        (place) =>
          place.field !== "aim" && !own.some(({ from, field }) => from === place.from && field === place.field),
      )
      .map((place) => ({ ...place, isNow: false }));
    return [...own, ...more];
  }

  /** After a pause in scrolling, what is shown by then is looked through. */
  private lookSoon(): void {
    if (!useFind.getState().found?.isMore) return;
    window.clearTimeout(this.looking);
    this.looking = window.setTimeout(
      () => void lookThrough(this.session, this.ids.slice(this.shown.from, this.shown.to)),
      PAUSE_OF_SCROLLING,
    );
  }

  private isPicked(position: number): boolean {
    const { outline } = this.session.state;
    const { picked } = this.session.window;
    if (picked.size === 0 || position < 0) return false;
    for (const id of picked) {
      const head = this.session.state.positions.get(id) ?? -1;
      if (head >= 0 && position >= head && position < branchEnd(outline, head)) return true;
    }
    return false;
  }

  private guess(id: string): number {
    const words = this.session.window.foldedTexts.has(id) ? 0 : (this.session.state.facts.get(id)?.words ?? 0);
    return HEADING_HEIGHT + words * WORD_HEIGHT;
  }

  private idsIn(state: DocumentState, { scope, foldedTexts }: WindowState): readonly string[] {
    const { outline, positions } = state;
    const runs = scope === null ? [[0, outline.ids.length] as const] : runsOf(outline, positions, scope);
    const [first] = runs;
    return first && runs.length === 1
      ? unfoldedSections(outline, ...first, foldedTexts)
      : runs.flatMap((run) => [...unfoldedSections(outline, ...run, foldedTexts)]);
  }

  /** Takes over what is known of the document now. */
  private take(): void {
    if (this.pending > 0) return;
    this.isStale = true;
    const before = this.ids;
    this.ids = this.idsIn(this.session.state, this.session.window);
    if (before !== this.ids) {
      const first = before[this.shown.from];
      // The same sections as far as they are still there; what was shown is found again by one of them.
      const kept = before.slice(this.shown.from, this.shown.to).find((id) => this.ids.includes(id)) ?? first;
      const at = kept === undefined ? 0 : Math.max(0, this.ids.indexOf(kept));
      this.shown = { from: at, to: Math.min(this.ids.length, at + Math.max(1, this.shown.to - this.shown.from)) };
    }
    this.fit();
  }

  private soon(): void {
    if (this.frame) return;
    this.frame = requestAnimationFrame(() => {
      this.frame = 0;
      this.fit();
      this.follow();
      this.reading = this.readingPlace();
    });
  }

  private readingPlace(): Surface["reading"] {
    const anchor = this.scrollTo ? null : this.anchor();
    const id = anchor?.dataset["section"];
    if (!anchor || id === undefined) return null;
    const { top, height } = anchor.getBoundingClientRect();
    const box = this.scroller.getBoundingClientRect();
    return { id, top: top - box.top, height, width: this.scroller.clientWidth };
  }

  /** In a window of another width every line breaks elsewhere; the same words stand where the eye was. */
  private readOn(): void {
    const { reading } = this;
    const element =
      reading && reading.width !== this.scroller.clientWidth ? this.editor.sectionElement(reading.id) : null;
    if (!reading || !element) return;
    const { top, height } = element.getBoundingClientRect();
    const share = reading.top < 0 && reading.height > 0 ? height / reading.height : 1;
    this.scroller.scrollTop += top - this.scroller.getBoundingClientRect().top - reading.top * share;
  }

  /** Heights have come to be known, or the window is another; what stands in sight stays where it is. */
  private settle(): void {
    this.readOn();
    this.holding(() => this.measure());
    this.soon();
  }

  private fit(): void {
    const { scrollTop: top, clientHeight: height } = this.scroller;
    const selection = this.heldRange();
    const frame = { top: this.scrollTo ? this.heights.top(this.ids, this.ids.indexOf(this.scrollTo.id)) : top, height };
    const upcoming = rangeAhead(this.heights, this.ids, frame);
    const wanted = rangeAround(this.heights, this.ids, this.shown, frame, selection);
    const near = [upcoming, wanted, ...(this.editor.isReturning && selection ? [selection] : [])];
    this.session.texts.look([...new Set(near.flatMap(({ from, to }) => this.ids.slice(from, to)))]);
    const range = this.withTexts(wanted);
    const isSame = !this.isStale && range.from === this.shown.from && range.to === this.shown.to;
    if (!isSame) {
      this.isStale = false;
      this.holding(() => {
        this.showRange(range);
        this.measure();
      });
    }
    this.arrive();
  }

  /** The sections that the selection holds. */
  private heldRange(): Range | null {
    const { held } = this.editor;
    if (!held) return null;
    const [one, other] = [this.ids.indexOf(held.from), this.ids.indexOf(held.to)];
    return one < 0 || other < 0 ? null : { from: Math.min(one, other), to: Math.max(one, other) + 1 };
  }

  /** The window goes back to where the cursor was left; what was to be done there waits until it is shown. */
  private comeBack({ id, at }: Spot): void {
    const held = this.heldRange();
    if (held && held.to - held.from > MOST_HELD) {
      this.editor.stay();
      this.session.messages.say("That is more than can be selected here. Pick the sections in the outline.", "warning");
      return;
    }
    this.session.navigation.goTo({ section: id, position: at }, { remember: false });
    window.clearTimeout(this.release);
    this.release = window.setTimeout(() => {
      if (!this.editor.isReturning) return;
      this.editor.stay();
      this.session.messages.say("The text where the cursor is could not be read just now; try again.", "warning");
    }, TOO_LONG);
  }

  /** As far as the texts are there; the others are asked for, and shown when they come. */
  private withTexts({ from, to }: Range): Range {
    const { texts, outdated } = this.session.state;
    const middle = this.scrollTo
      ? this.ids.indexOf(this.scrollTo.id)
      : this.heights.indexAt(this.ids, this.scroller.scrollTop + 40);
    const start = Math.max(from, Math.min(middle, to - 1));
    const has = (index: number) => texts.has(this.ids[index] ?? "") || outdated.has(this.ids[index] ?? "");
    // Until the first of them is there, what is shown stays.
    if (start < from || !has(start)) return this.shown;
    let [first, last] = [start, start + 1];
    while (first > from && has(first - 1)) first--;
    while (last < to && has(last)) last++;
    return { from: first, to: last };
  }

  private showRange(range: Range): void {
    this.shown = range;
    const { outline, positions } = this.session.state;
    const sections: ShownSection[] = [];
    for (let index = range.from; index < range.to; index++) {
      const id = this.ids[index] ?? "";
      const text = this.session.typing.isIn(id) ? this.session.typing.textNow(id) : this.session.state.texts.get(id);
      const position = positions.get(id);
      if (text && position !== undefined) sections.push({ id, text, hasHeading: levelAt(outline, position) > 0 });
    }
    this.editor.show(sections, (id) => this.session.typing.isIn(id));
    this.lookSoon();
    this.space();
  }

  private space(): void {
    const end = this.heights.top(this.ids, this.ids.length);
    this.above.style.height = `${this.heights.top(this.ids, this.shown.from)}px`;
    this.below.style.height = `${end - this.heights.top(this.ids, this.shown.to)}px`;
    this.moved();
  }

  private measure(): void {
    let isNew = false;
    for (const child of this.editor.view.dom.children) {
      const id = (child as HTMLElement).dataset["section"];
      if (id !== undefined && this.heights.measure(id, (child as HTMLElement).offsetHeight)) isNew = true;
    }
    if (isNew) this.space();
    else this.moved();
  }

  /** What stands in the window stays there, whatever grows, comes or goes above it. */
  private holding(change: () => void): void {
    const anchor = this.scrollTo ? null : this.anchor();
    const before = anchor && anchor.getBoundingClientRect().top;
    const id = anchor?.dataset["section"];
    change();
    if (before === null || id === undefined) return;
    const element = anchor?.isConnected ? anchor : this.editor.sectionElement(id);
    if (!element) return;
    const by = element.getBoundingClientRect().top - before;
    if (Math.abs(by) >= 1) this.scroller.scrollTop += by;
  }

  /** The section with the cursor while that is in sight, else the first in sight. */
  private anchor(): HTMLElement | null {
    const box = this.scroller.getBoundingClientRect();
    const inSight = [...this.editor.view.dom.children].filter((child): child is HTMLElement => {
      const { top, bottom } = child.getBoundingClientRect();
      return child instanceof HTMLElement && bottom > box.top + 1 && top < box.bottom;
    });
    const current = inSight.find((section) => section.dataset["section"] === this.session.window.current);
    return current && current.getBoundingClientRect().top >= box.top ? current : (inSight[0] ?? null);
  }

  private topOf(element: HTMLElement): number {
    return element.getBoundingClientRect().top - this.scroller.getBoundingClientRect().top + this.scroller.scrollTop;
  }

  /** A place is asked for: shown, scrolled to and, where that is wanted, written on in. */
  private meet({ request }: WindowState): void {
    if (!request) return;
    if (request.focus) {
      comesTo(this.editor.view.dom);
      if (!this.editor.sectionElement(request.section)) this.awaitText();
    }
    this.scrollTo = { id: request.section, below: 0 };
    // The place may be one that has just been made.
    this.take();
  }

  /** Until the text is there that is gone to, keys wait for it: they are meant for that place and no other. */
  private awaitText(): void {
    this.isAwaiting = true;
    this.editor.hold();
    window.clearTimeout(this.release);
    this.release = window.setTimeout(() => {
      if (!this.isAwaiting) return;
      this.isAwaiting = false;
      // Whoever has pointed elsewhere waits for no text any more.
      if (!this.session.window.request) return this.session.state.isAnswering ? undefined : this.editor.release();
      this.editor.stay();
      this.session.messages.say("The text there could not be read just now; try again.", "warning");
    }, TOO_LONG);
  }

  private arrive(): void {
    const { request } = this.session.window;
    if (!this.scrollTo) return;
    const { id } = this.scrollTo;
    if (!this.ids.includes(id)) {
      // It may be on its way into the outline; a section that is gone is gone to no more.
      if (!this.session.state.positions.has(id)) return;
    }
    const element = this.editor.sectionElement(id);
    if (element && this.editor.isReturning && !this.isHeldShown()) return;
    if (!element) {
      // The window goes there at once; the text follows when it has been read.
      const index = this.ids.indexOf(id);
      if (index >= 0) this.scroller.scrollTop = this.heights.top(this.ids, index);
      this.scroller.dataset["reading"] = "";
      return;
    }
    this.scrollTo = null;
    delete this.scroller.dataset["reading"];
    const top = this.topOf(element);
    const { scrollTop, clientHeight } = this.scroller;
    const isInView = top >= scrollTop - 8 && top < scrollTop + clientHeight * 0.7;
    if (!isInView) this.scroller.scrollTop = Math.max(0, top - 8);
    this.fit();
    if (request?.section !== id) return;
    const hasWaited = this.isAwaiting;
    this.isAwaiting = false;
    this.session.navigation.requestMet(request.key);
    const place = {
      ...(request.position === undefined ? {} : { at: request.position }),
      ...(request.bookmark === undefined ? {} : { bookmark: request.bookmark }),
      ...(request.caption === undefined ? {} : { caption: request.caption }),
      ...(request.inText ? { inText: true } : {}),
      ...(request.found ? { found: request.found } : {}),
    };
    if (request.found) {
      this.editor.focusAt(id, place, request.focus);
      if (hasWaited && !this.session.state.isAnswering) this.editor.release();
      this.reveal();
    } else if (request.focus) {
      this.editor.focusAt(id, place, true);
      if (!this.session.state.isAnswering) this.editor.release();
      const isDeep = [request.position, request.bookmark, request.caption].some((each) => each !== undefined);
      if (isDeep) this.editor.view.dispatch(this.editor.view.state.tr.scrollIntoView());
    } else if (request.position !== undefined && isInView) this.editor.focusAt(id, place, false);
  }

  /** The library scrolls to a selection only while the text has the keys; a place that was found is shown in any case. */
  private reveal(): void {
    const { view } = this.editor;
    const { top, bottom } = view.coordsAtPos(view.state.selection.from);
    const box = this.scroller.getBoundingClientRect();
    if (top < box.top + EYE || bottom > box.bottom - EYE) this.scroller.scrollTop += top - box.top - box.height / 3;
  }

  private isHeldShown(): boolean {
    const held = this.heldRange();
    return held === null || (this.shown.from <= held.from && this.shown.to >= held.to);
  }

  private follow(): void {
    if (Date.now() - this.ownScroll > OWN_SCROLL) return;
    const line = this.scroller.getBoundingClientRect().top + EYE;
    for (const child of this.editor.view.dom.children) {
      const { top, bottom } = child.getBoundingClientRect();
      const id = (child as HTMLElement).dataset["section"];
      if (top <= line && bottom > line && id !== undefined) return this.session.navigation.setCurrent(id);
    }
  }
}
