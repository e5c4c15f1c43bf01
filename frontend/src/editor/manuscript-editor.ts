import { history, redoDepth, undoDepth } from "@tiptap/pm/history";
import { DOMSerializer, Fragment, Slice, type Node as TextNode } from "@tiptap/pm/model";
import { EditorState, NodeSelection, Selection, TextSelection, type Plugin, type Transaction } from "@tiptap/pm/state";
import { EditorView, type NodeViewConstructor } from "@tiptap/pm/view";
import type { SectionText } from "../api/client";
import { cellSelections } from "./cell-selection";
import { putOnClipboard } from "./clipboard";
import {
  captionLabels,
  currentLine,
  currentSentence,
  linkStates,
  partsOf,
  REDRAW,
  sectionLooks,
  type SectionLook,
} from "./decorations";
import { fillerMarks } from "./filler";
import { longParagraphs } from "./long-paragraphs";
import { invisibleSigns } from "./invisible-signs";
import { foundMarks, rangeOf, spokenMark, type FoundStretch } from "./found";
import { HeldKeys } from "./held-keys";
import { inputMarks, lineMarks, textKeys, wholeSections } from "./keymap";
import { footnotes } from "./notes";
import { findSection, levelOf, near, placeIn, positionIn, sectionAround, type SectionPlace } from "./places";
import { passageOf, putPassage, type Passage } from "./passage";
import { putInstead } from "./put-instead";
import { nodeType, schema } from "./schema";
import { headingOf, sectionNode } from "./section-text";
import { changedTogether, sectionsOf, stretchBetween, type Stretch } from "./stretch";
import { namedStretches, noLooseEnds } from "./stretches";
import type { TypedSigns } from "./typed-signs";

/** What the editor asks of the screen around it. */
export type ManuscriptHost = {
  /** Words changed in a section that stays one. */
  typed(section: TextNode, changed: { heading: boolean; body: boolean }): void;
  /** Words came or went: where a place is now that was remembered, null for one that the window does not show. */
  shifted(now: (spot: Spot) => Spot | null): void;
  /** Sections came or went through writing, or several changed at once. */
  /** @param before the sections that stood there */
  stretched(stretch: Stretch, before: readonly TextNode[]): void;
  focused(section: string): void;
  left(section: string, at: number): void;
  selected(section: string): void;
  follow(target: string): void;
  isBroken(target: string): boolean;
  isBookmarkTaken(id: string): boolean;
  lookOf(section: string): SectionLook;
  /** What was found in a section, and is to be drawn. */
  foundIn(section: string): readonly (FoundStretch & { isNow: boolean })[];
  /** The word of a section that is read aloud just now. */
  spokenIn(section: string): FoundStretch | null;
  newId(): string;
  /** The document’s id, by which what was cut here is known again. */
  document(): string;
  /** Whether a section stands in the outline. */
  hasSection(section: string): boolean;
  /** What the document’s language has for typed quotes and dashes; null to leave them as they are typed. */
  signs(): TypedSigns | null;
  /** Whether signs at the head of a line make it a list or a heading. */
  readsLineSigns(): boolean;
  /** Whether signs that nobody sees are drawn. */
  showsSigns(): boolean;
  /** The document’s language, as a tag after BCP 47. */
  language(): string;
  /** The section joins the one above it, or the one below it joins it. */
  join(section: string, neighbour: "above" | "below"): void;
  toEnd(end: "first" | "last"): void;
  unfold(section: string): void;
  /** Whether a section is part of the text, in the window or far from it. */
  isPartOfText(section: string): boolean;
  /** The cursor was left behind, out of what is shown; nothing can be done where it seems to be. */
  leftBehind(): void;
  /** Shows the place again where the cursor was left behind, with `focusAt`, at once if it can be. */
  comeBack(place: Spot): void;
  /** Whether a key means the text, and not the screen around it. */
  isForText(event: KeyboardEvent): boolean;
  /** How parts whose words come from the outline are drawn. */
  views: Record<"contents" | "crossReference" | "calculation" | "formula" | "formulaBlock", NodeViewConstructor>;
  key(view: EditorView, event: KeyboardEvent): boolean;
  /** What comes from another program, by the clipboard or by a hand; true when it is taken care of. */
  paste(view: EditorView, from: DataTransfer): boolean;
  dropFile(view: EditorView, file: File): void;
};

/** A place in a section, counted from its beginning. */
export type Spot = { id: string; at: number };

/** A section as it is to be shown; a text that is the same object as last time is not compared. */
export type ShownSection = { id: string; hasHeading: boolean; text: Pick<SectionText, "heading" | "body"> };

const PARAGRAPH = nodeType("paragraph");

/** A transaction that shows what is known, and is no writing. */
const SHOWN = "shown";

/**
 * The text as one editable run of sections. It holds those near the window only; which these are is for the screen to say
 * (`show`), and costs nothing where they stay the same.
 */
export class ManuscriptEditor {
  readonly view: EditorView;
  /** How often the text on the screen was not what is known, and was mended. */
  private mended = 0;
  /** Sections that were taken out here, by writing over them. */
  private readonly gone = new Set<string>();
  /** Of each section in the editor that is what is known of it: the text that it was looked at against. */
  private readonly asKnown = new WeakMap<TextNode, ShownSection["text"]>();
  private readonly keys = new HeldKeys();
  /** What was cut last, and the text before and after it. */
  private lastCut: { slice: Slice; before: TextNode; to: number; after: TextNode; at: number } | null = null;
  /** The selection when its sections do not stand in the editor, for the window is far from it; the next key goes there. */
  private away: { anchor: Spot; head: Spot } | null = null;
  /** Whether the window is on its way to it. */
  isReturning = false;
  private waiting: { sections: readonly ShownSection[]; isTyping: (id: string) => boolean } | null = null;

  constructor(
    parent: HTMLElement,
    private readonly host: ManuscriptHost,
    label: string,
  ) {
    this.view = new EditorView(parent, {
      state: this.stateOf(schema.node("doc")),
      attributes: {
        "aria-label": label,
        role: "textbox",
        "aria-multiline": "true",
        class: "manuscript",
        spellcheck: "true",
      },
      scrollThreshold: { top: 96, bottom: 140, left: 0, right: 0 },
      scrollMargin: { top: 110, bottom: 160, left: 0, right: 0 },
      nodeViews: host.views,
      dispatchTransaction: (transaction) => this.dispatch(transaction),
      handleClickOn: (_view, _position, _node, _at, event) => this.clicked(event),
      handleKeyDown: (view, event) => {
        if (this.away && host.isForText(event)) this.comeBack();
        if (this.keys.take(view, event)) return true;
        // A key acts where the cursor is, not where it was when the browser last told of it.
        if (!view.composing && !event.isComposing) this.takeClick();
        return host.key(view, event);
      },
      handleTextInput: (view, _from, _to, text) => typedBeside(view, text),
      handlePaste: (view, event) => event.clipboardData !== null && host.paste(view, event.clipboardData),
      transformPasted: (slice) => this.taken(slice),
      transformCopied: (slice) => this.copied(slice),
      handleDOMEvents: {
        copy: (view, event) => this.copies(view, event, false),
        cut: (view, event) => this.copies(view, event, true),
        focus: (view) => (this.tell(view, host.focused), this.tell(view, host.selected), false),
        blur: () => {
          const { spot } = this;
          if (spot) host.left(spot.id, spot.at);
          return false;
        },
        mousedown: (view, event) => this.reachBack(view, event),
        beforeinput: (_view, event) => {
          if (!this.away) return false;
          event.preventDefault();
          this.comeBack();
          return true;
        },
        drop: (view, event) => this.dropped(view, event),
        compositionend: () => (queueMicrotask(() => this.showWaiting()), false),
      },
    });
  }

  /** From here on keys wait: a command is on its way that may change the text under the cursor. */
  hold(): void {
    this.keys.hold();
  }

  /** What the command made is shown; keys pressed meanwhile go into it. */
  release(): void {
    this.takeClick();
    this.keys.release(this.view);
  }

  destroy(): void {
    this.view.destroy();
  }

  relabel(label: string): void {
    if (this.view.dom.getAttribute("aria-label") !== label) this.view.dom.setAttribute("aria-label", label);
  }

  /** The language tells browsers how to spell and to break words. */
  speak(language: string): void {
    if (this.view.dom.lang !== language) this.view.dom.lang = language;
  }

  get ids(): string[] {
    return this.view.state.doc.content.content.map((section) => String(section.attrs["id"]));
  }

  /** Sections from the anchor of the selection to its head; they are not to go while it stands. */
  get held(): { from: string; to: string } | null {
    if (this.away) return this.isReturning ? { from: this.away.anchor.id, to: this.away.head.id } : null;
    const { $from, $to } = this.view.state.selection;
    const [from, to] = [sectionAround($from), sectionAround($to)];
    return from && to ? { from: from.id, to: to.id } : null;
  }

  /** Where the cursor is, in the editor or left behind. */
  get spot(): Spot | null {
    return this.away?.head ?? spotAt(this.view.state.doc, this.view.state.selection.head);
  }

  /**
   * Shows these sections and no others. The cursor stays where it was, in its section, whatever comes and goes around it;
   * sections that are being typed in keep what was typed. While an input method composes, nothing is touched.
   */
  show(sections: readonly ShownSection[], isTyping: (id: string) => boolean): void {
    if (this.view.composing) {
      this.waiting = { sections, isTyping };
      return;
    }
    this.takeClick();
    const { doc, selection } = this.view.state;
    const known = new Map(doc.content.content.map((node) => [String(node.attrs["id"]), node]));
    const nodes = sections.map((section) => this.nodeOf(section, known.get(section.id), isTyping));
    const before = doc.content.content;
    if (nodes.length === before.length && nodes.every((node, index) => node === before[index])) return;
    const places = this.away
      ? [this.away.anchor, this.away.head]
      : [spotAt(doc, selection.anchor), spotAt(doc, selection.head)];
    const [anchor, head] = places;
    const isThere = (spot: Spot) => sections.some(({ id }) => id === spot.id);
    const isLeft = (spot: Spot) => !isThere(spot) && this.host.isPartOfText(spot.id);
    const isAway = anchor && head && (this.isReturning || isLeft(anchor) || isLeft(head));
    const away = isAway ? { anchor, head } : null;
    const tr = this.view.state.tr;
    const areSame =
      nodes.length === before.length && nodes.every((node, index) => node.attrs["id"] === before[index]?.attrs["id"]);
    if (areSame) {
      const starts = before.reduce<number[]>((all, node) => [...all, all.at(-1)! + node.nodeSize], [0]);
      for (let index = nodes.length - 1; index >= 0; index--)
        if (before[index] !== nodes[index]) putInstead(tr, starts[index]!, nodes[index]!);
    } else replaceRun(tr, before, nodes);
    if (away && nodes.length > 0) tr.setSelection(near(tr.doc, 1));
    else this.keepSelection(tr, selection, places, areSame);
    this.leave(away);
    this.view.dispatch(tr.setMeta(SHOWN, true).setMeta("addToHistory", false));
    this.mend(nodes);
  }

  /** What is shown is what is known, to the letter: what came out otherwise is shown anew as a whole, and counted. */
  private mend(nodes: readonly TextNode[]): void {
    const { doc } = this.view.state;
    if (doc.childCount === nodes.length && nodes.every((node, index) => node.eq(doc.child(index)))) return;
    this.mended++;
    this.view.dom.dataset["mended"] = String(this.mended);
    const tr = this.view.state.tr.replaceWith(0, doc.content.size, nodes);
    this.view.dispatch(tr.setMeta(SHOWN, true).setMeta("addToHistory", false));
  }

  /** What was typed is safely kept: from here on, undoing is the journal's. */
  handedOver(): void {
    if (this.view.composing || (undoDepth(this.view.state) === 0 && redoDepth(this.view.state) === 0)) return;
    this.takeClick();
    const { doc, selection, storedMarks } = this.view.state;
    this.view.updateState(EditorState.create({ doc, selection, storedMarks, plugins: this.plugins() }));
  }

  /** Puts the cursor at a place of a section that is shown, at a bookmark or in a caption of it; false when it is not shown. */
  focusAt(
    id: string,
    place: { at?: number; bookmark?: string; caption?: number; found?: FoundStretch; inText?: boolean },
    withFocus: boolean,
  ): boolean {
    const { doc, tr } = this.view.state;
    const section = findSection(doc, id);
    if (!section) return false;
    const head = place.inText === true ? (headingOf(section.node)?.nodeSize ?? 0) + 1 : 1;
    const at =
      place.bookmark !== undefined
        ? afterBookmark(section, place.bookmark)
        : place.caption !== undefined
          ? inCaption(section, place.caption)
          : (place.at ?? head);
    if (place.found) return this.selectFound(section, place.found, withFocus);
    const anchor = this.isReturning && this.away ? findSection(doc, this.away.anchor.id) : null;
    const found =
      this.away && anchor && this.away.head.id === id && this.away.head.at === at
        ? TextSelection.between(
            doc.resolve(positionIn(anchor, this.away.anchor.at)),
            doc.resolve(positionIn(section, at)),
          )
        : Selection.near(doc.resolve(positionIn(section, at)), at >= section.node.content.size ? -1 : 1);
    this.leave(null);
    this.view.dispatch(tr.setSelection(found));
    if (withFocus) this.view.focus();
    return true;
  }

  private selectFound(section: SectionPlace, found: FoundStretch, withFocus: boolean): true {
    const { doc, tr } = this.view.state;
    const { from, to } = rangeOf(headingOf(section.node)?.nodeSize ?? 0, found);
    const [$from, $to] = [doc.resolve(positionIn(section, from)), doc.resolve(positionIn(section, to))];
    this.leave(null);
    this.view.dispatch(tr.setSelection(TextSelection.between($from, $to)).scrollIntoView());
    if (withFocus) this.view.focus();
    return true;
  }

  sectionElement(id: string): HTMLElement | null {
    const section = findSection(this.view.state.doc, id);
    const element = section && this.view.nodeDOM(section.start);
    return element instanceof HTMLElement ? element : null;
  }

  /** Draws looks and links anew after what they rest on has changed. */
  redraw(): void {
    this.takeClick();
    this.view.dispatch(this.view.state.tr.setMeta(REDRAW, true));
  }

  /**
   * A click or a key may have put the cursor elsewhere a moment ago, which the browser has yet to tell of. Whatever is
   * drawn now must not put it back.
   */
  takeClick(): void {
    const { domObserver } = this.view as unknown as { domObserver: { flush(): void } };
    domObserver.flush();
  }

  /** What was to be done where the cursor was left behind is not done. */
  stay(): void {
    this.isReturning = false;
    this.keys.drop();
  }

  private leave(away: ManuscriptEditor["away"]): void {
    if (away && !this.away) this.host.leftBehind();
    this.away = away;
    if (!away) this.isReturning = false;
    this.view.dom.toggleAttribute("data-left-behind", away !== null);
  }

  /** Keys wait until the place is shown where the cursor was left behind. */
  private comeBack(): void {
    if (!this.away) return;
    this.isReturning = true;
    this.host.comeBack(this.away.head);
    if (this.away) this.keys.hold();
  }

  /** A click puts the cursor there; with Shift it selects from where the cursor was left behind. */
  private reachBack(view: EditorView, event: MouseEvent): boolean {
    if (!this.away) return false;
    if (!event.shiftKey || event.button !== 0) {
      this.leave(null);
      return false;
    }
    const at = view.posAtCoords({ left: event.clientX, top: event.clientY });
    const head = at && spotAt(view.state.doc, at.pos);
    if (!head) return false;
    event.preventDefault();
    this.away = { anchor: this.away.anchor, head };
    this.comeBack();
    return true;
  }

  private tell(view: EditorView, told: (section: string) => void): void {
    if (this.away) return;
    const section = sectionAround(view.state.selection.$head);
    if (section) told(section.id);
  }

  private showWaiting(): void {
    if (this.waiting && !this.view.isDestroyed) this.show(this.waiting.sections, this.waiting.isTyping);
    this.waiting = null;
  }

  private nodeOf(shown: ShownSection, known: TextNode | undefined, isTyping: (id: string) => boolean): TextNode {
    const { id, text, hasHeading } = shown;
    const isSameKind = known !== undefined && (known.type.name === "section") === hasHeading;
    if (isSameKind && (isTyping(id) || this.asKnown.get(known) === text)) return known;
    const node = sectionNode(id, text, hasHeading);
    const is = isSameKind && known.content.eq(node.content) ? known : node;
    this.asKnown.set(is, text);
    return is;
  }

  private keepSelection(
    tr: Transaction,
    before: Selection,
    places: ({ id: string; at: number } | null)[],
    areSame: boolean,
  ): void {
    const [anchor, head] = places.map((place) => {
      if (!place) return null;
      const section = findSection(tr.doc, place.id);
      return section ? positionIn(section, place.at) : whereItWent(before.$head.node(0), tr.doc, place);
    });
    if (tr.doc.childCount === 0) return;
    // What was empty was selected as a whole, as there was no place for a cursor in it.
    if (before.$from.doc.childCount === 0) tr.setSelection(Selection.atStart(tr.doc));
    if (anchor == null || head == null) return;
    // Words that changed around the cursor move it along with them.
    const [movedAnchor, movedHead] = [before.anchor, before.head].map((position) => tr.mapping.mapResult(position, -1));
    const at = (moved: { pos: number; deleted: boolean } | undefined, place: number) =>
      moved &&
      // What the cursor stood in may be gone from a section that stayed: then it stands where that was.
      (areSame || !moved.deleted) &&
      sectionAround(tr.doc.resolve(moved.pos))?.id === sectionAround(tr.doc.resolve(place))?.id
        ? moved.pos
        : place;
    const [from, to] = [at(movedAnchor, anchor), at(movedHead, head)];
    const isStill = before instanceof NodeSelection && tr.doc.nodeAt(from)?.type === before.node.type;
    const found = isStill
      ? NodeSelection.create(tr.doc, from)
      : TextSelection.between(tr.doc.resolve(from), tr.doc.resolve(to));
    if (!found.eq(tr.selection)) tr.setSelection(found);
  }

  private stateOf(doc: TextNode): EditorState {
    return EditorState.create({ doc, plugins: this.plugins() });
  }

  private plugins(): Plugin[] {
    return [
      wholeSections(
        (transaction) => transaction.getMeta(SHOWN) === true,
        () => this.host.newId(),
        (section) => levelOf(section, this.host),
      ),
      noLooseEnds((transaction) => transaction.getMeta(SHOWN) === true),
      cellSelections(),
      inputMarks(() => this.host.signs()),
      lineMarks(
        () => this.host.readsLineSigns(),
        () => this.host.newId(),
      ),
      ...textKeys(this.host),
      history(),
      sectionLooks(this.host),
      longParagraphs(),
      currentLine(),
      currentSentence(() => this.host.language()),
      linkStates((target) => this.host.isBroken(target)),
      namedStretches(),
      foundMarks((id) => this.host.foundIn(id)),
      spokenMark((id) => this.host.spokenIn(id)),
      fillerMarks(),
      invisibleSigns(() => this.host.showsSigns()),
      captionLabels((id) => this.host.lookOf(id).captions),
      ...footnotes((id) => this.host.lookOf(id).firstNote),
    ];
  }

  private dispatch(transaction: Transaction): void {
    const before = this.view.state.doc;
    const { state, transactions } = this.view.state.applyTransaction(afterPaste(transaction));
    // What the schema allows and no document does: a text without any section.
    if (state.doc.childCount === 0 && before.childCount > 0 && transaction.getMeta(SHOWN) !== true) return;
    const isOwn = [SHOWN, REDRAW].some((each) => transaction.getMeta(each) !== undefined);
    if (this.away && !isOwn && (transaction.docChanged || transaction.selectionSet)) this.leave(null);
    this.view.updateState(state);
    const after = this.view.state.doc;
    if (after !== before && transaction.getMeta(SHOWN) !== true) {
      this.host.shifted((spot) => shiftedSpot(before, after, transactions, spot));
      this.tellChanges(before, after);
    }
    if (transaction.docChanged || transaction.selectionSet) this.tell(this.view, this.host.selected);
  }

  private tellChanges(before: TextNode, after: TextNode): void {
    const stretch =
      stretchBetween(before, after, (section) => levelOf(section, this.host)) ?? changedTogether(before, after);
    if (stretch) {
      const left = new Set(after.content.content.map((section) => String(section.attrs["id"])));
      for (const id of sectionsOf(stretch)) if (!left.has(id)) this.gone.add(id);
      for (const id of left) this.gone.delete(id);
      const reached = new Set(sectionsOf(stretch));
      this.host.stretched(
        stretch,
        before.content.content.filter((section) => reached.has(String(section.attrs["id"]))),
      );
      // It is undone by the journal, as all is that has been handed over.
      return this.handedOver();
    }
    after.forEach((section, _offset, index) => {
      const was = before.maybeChild(index);
      if (!was || was === section) return;
      const [heading, old] = [headingOf(section), headingOf(was)];
      const headingChanged = heading !== null && old !== null && !heading.eq(old);
      const rest = (node: TextNode) => node.content.cut(headingOf(node)?.nodeSize ?? 0);
      const bodyChanged = !rest(section).eq(rest(was));
      if (headingChanged || bodyChanged) this.host.typed(section, { heading: headingChanged, body: bodyChanged });
    });
  }

  private dropped(view: EditorView, event: DragEvent): boolean {
    const file = event.dataTransfer?.files[0];
    if (!file) return false;
    event.preventDefault();
    const at = view.posAtCoords({ left: event.clientX, top: event.clientY });
    if (at) view.dispatch(view.state.tr.setSelection(Selection.near(view.state.doc.resolve(at.pos))));
    this.host.dropFile(view, file);
    return true;
  }

  private clicked(event: MouseEvent): boolean {
    const link = event.target instanceof Element ? event.target.closest("a[data-target]") : null;
    if (!(link instanceof HTMLElement) || !(event.ctrlKey || event.metaKey)) return false;
    event.preventDefault();
    this.host.follow(link.dataset["target"] ?? "");
    return true;
  }

  /** The selection goes onto the clipboard; cut, it goes from the text. */
  private copies(view: EditorView, event: ClipboardEvent, isCut: boolean): boolean {
    const to = event.clipboardData;
    if (!to || !putOnClipboard(view, to, this.host.document(), (section) => levelOf(section, this.host))) return false;
    event.preventDefault();
    if (!isCut) return true;
    const { doc: before, selection } = view.state;
    const { slice } = passageOf(selection, this.host.document(), (section) => levelOf(section, this.host));
    view.dispatch(view.state.tr.deleteSelection().scrollIntoView().setMeta("uiEvent", "cut"));
    const { doc: after, selection: left } = view.state;
    this.lastCut = { slice, before, to: selection.to, after, at: left.head };
    return true;
  }

  /**
   * What was cut and is put back where it was, before anything else is done, is the text that was, also where a table or a
   * picture was cut through, of which a part stayed; null for any other passage and any other place. Sections that were cut
   * come back by the passage, which knows how deep they stood.
   */
  private takenBack(passage: Passage): Transaction | null {
    const { lastCut } = this;
    const { doc, selection, tr } = this.view.state;
    if (!lastCut || !selection.empty || selection.head !== lastCut.at) return null;
    if (doc.childCount !== lastCut.before.childCount) return null;
    if (!passage.slice.eq(lastCut.slice) || !doc.eq(lastCut.after)) return null;
    replaceRun(tr, doc.content.content, lastCut.before.content.content);
    const $to = tr.doc.resolve(Math.min(lastCut.to, tr.doc.content.size));
    return tr.setSelection(Selection.near($to, -1)).setMeta("passage", true).scrollIntoView();
  }

  /** What was cut or copied here goes in as what it was; false where nothing of it can stand. */
  putPassage(passage: Passage): boolean {
    const { state } = this.view;
    const standing = new Set<string>();
    state.doc.descendants((node) => void (node.attrs["id"] && standing.add(String(node.attrs["id"]))));
    const put =
      this.takenBack(passage) ??
      putPassage(state, passage, {
        document: this.host.document(),
        newId: () => this.host.newId(),
        // What was cut a moment ago may still be in the outline that is known here.
        isTaken: (id) =>
          standing.has(id) || this.host.isBookmarkTaken(id) || (!this.gone.has(id) && this.host.hasSection(id)),
        levelOf: (section) => levelOf(section, this.host),
      });
    if (!put) return false;
    this.view.dispatch(put);
    return true;
  }

  /** What is taken in from the clipboard: its sections are other ones, and a bookmark that is still where it was comes once. */
  private taken(slice: Slice): Slice {
    const present = new Set<string>();
    this.view.state.doc.descendants(
      (node) => void (node.type.name === "bookmark" && present.add(String(node.attrs["id"]))),
    );
    const here = sectionAround(this.view.state.selection.$from);
    const base = here ? levelOf(here.node, this.host) : 1;
    const first = Number(slice.content.firstChild?.attrs["level"]) || null;
    const landing = (copied: unknown) =>
      Math.max(
        1,
        Math.min(9, Math.max(1, base) + (Number(copied) || Math.max(1, base)) - (first ?? (Number(copied) || 1))),
      );
    const clean = (fragment: Fragment): Fragment => {
      const kept: TextNode[] = [];
      fragment.forEach((node) => {
        const id = String(node.attrs["id"] ?? "");
        if (node.type.name === "bookmark" && (present.has(id) || this.host.isBookmarkTaken(id))) return;
        const content = clean(node.content);
        if (node.type.name === "reminder") kept.push(node.type.create({ ...node.attrs, id: this.host.newId() }));
        else if (node.type.name === "section")
          kept.push(node.type.create({ id: this.host.newId(), level: landing(node.attrs["level"]) }, content));
        else kept.push(node.isText ? node : node.copy(content));
      });
      return Fragment.from(kept);
    };
    return new Slice(clean(slice.content), slice.openStart, slice.openEnd);
  }

  /** What is copied tells its levels, to other programs and to us. */
  private copied(slice: Slice): Slice {
    const withLevels = Fragment.from(
      slice.content.content.map((node) => {
        if (node.type.name !== "section") return node;
        const level = levelOf(node, this.host);
        const heading = headingOf(node);
        const content = heading
          ? node.content.replaceChild(0, heading.type.create({ level }, heading.content))
          : node.content;
        return node.type.create({ ...node.attrs, level }, content);
      }),
    );
    return new Slice(withLevels, slice.openStart, slice.openEnd);
  }
}

function spotAt(doc: TextNode, position: number): Spot | null {
  const section = sectionAround(doc.resolve(position));
  return section && { id: section.id, at: placeIn(section, position) };
}

function shiftedSpot(before: TextNode, after: TextNode, by: readonly Transaction[], spot: Spot): Spot | null {
  const section = findSection(before, spot.id);
  if (!section) return null;
  const at = by.reduce((position, { mapping }) => mapping.map(position), positionIn(section, spot.at));
  return spotAt(after, at);
}

/** A letter typed while a part is selected as a whole, by a click on it, goes on after it and never takes its place. */
function typedBeside(view: EditorView, text: string): boolean {
  const { selection, tr } = view.state;
  if (!(selection instanceof NodeSelection)) return false;
  if (selection.node.isInline) tr.setSelection(TextSelection.create(tr.doc, selection.to)).insertText(text);
  else {
    // A row, a cell or an item is no place for a line beside it: the line follows what they are in.
    const { $to } = selection;
    let depth = $to.depth;
    while (depth > 1 && !$to.node(depth).canReplaceWith($to.indexAfter(depth), $to.indexAfter(depth), PARAGRAPH))
      depth--;
    const at = depth === $to.depth ? $to.pos : $to.after(depth + 1);
    tr.insert(at, PARAGRAPH.create(null, schema.text(text)));
    tr.setSelection(TextSelection.near(tr.doc.resolve(at + 1 + text.length), -1));
  }
  view.dispatch(tr.scrollIntoView());
  return true;
}

/** A section's text drawn without an editor, for sections that merely pass by. */
export function drawn(
  text: Pick<SectionText, "heading" | "body">,
  hasHeading: boolean,
): DocumentFragment | HTMLElement {
  return DOMSerializer.fromSchema(schema).serializeFragment(sectionNode("", text, hasHeading).content);
}

/** Sections at the head and at the tail that stay are left alone. */
function replaceRun(tr: Transaction, before: readonly TextNode[], after: readonly TextNode[]): void {
  let head = 0;
  while (head < before.length && head < after.length && before[head] === after[head]) head++;
  let tail = 0;
  while (
    tail < before.length - head &&
    tail < after.length - head &&
    before[before.length - 1 - tail] === after[after.length - 1 - tail]
  )
    tail++;
  const size = (nodes: readonly TextNode[]) => nodes.reduce((sum, node) => sum + node.nodeSize, 0);
  const from = size(before.slice(0, head));
  const to = from + size(before.slice(head, before.length - tail));
  tr.replaceWith(from, to, Fragment.from(after.slice(head, after.length - tail)));
}

/**
 * Where a place of a section is that is gone: in the one above it, as far from its end when that has taken the words in, or
 * else from where that one reads otherwise on.
 */
function whereItWent(before: TextNode, after: TextNode, { id, at }: Spot): number | null {
  const gone = findSection(before, id);
  for (let index = (gone?.index ?? 0) - 1; index >= 0; index--) {
    const was = before.child(index);
    const above = findSection(after, String(was.attrs["id"]));
    if (!above) continue;
    const { content, textContent } = above.node;
    if (gone && textContent.length > was.textContent.length && textContent.endsWith(gone.node.textContent)) {
      // The empty paragraph of a section without a text is not taken in.
      const rest =
        (isBlank(gone.node.lastChild) && !isBlank(above.node.lastChild) ? -2 : 0) + gone.node.content.size - at;
      return positionIn(above, content.size - Math.max(1, rest));
    }
    return positionIn(above, was.content.findDiffStart(content) ?? content.size);
  }
  return after.childCount > 0 ? 1 : null;
}

const isBlank = (node: TextNode | null) => node?.type.name === "paragraph" && node.content.size === 0;

/** The cursor stands after what was pasted, however deep its last part lies. */
function afterPaste(transaction: Transaction): Transaction {
  if (!transaction.docChanged || transaction.getMeta("paste") !== true) return transaction;
  const { doc, steps } = transaction;
  const last = transaction.mapping.maps.at(-1);
  let end = -1;
  last?.forEach((_oldStart, _oldEnd, _newStart, newEnd) => (end = Math.max(end, newEnd)));
  if (steps.length === 0 || end < 0) return transaction;
  return transaction.setSelection(Selection.near(doc.resolve(Math.min(end, doc.content.size)), -1));
}

function inCaption(section: SectionPlace, index: number): number {
  const captioned = partsOf(section.node, 0).filter(({ node }) => ["figure", "table"].includes(node.type.name));
  return captioned[index]?.at ?? 1;
}

/** After a bookmark, or a reminder that is gone to as one goes to a bookmark. */
function afterBookmark(section: SectionPlace, id: string): number {
  let at = 1;
  section.node.descendants((node, position) => {
    if (["bookmark", "reminder"].includes(node.type.name) && node.attrs["id"] === id) at = position + 1;
  });
  return at;
}
