import type { StoreApi } from "zustand/vanilla";
import { api } from "../api/client";
import { branchEnd, parentOf, pathTo } from "../outline/outline";
import { alongside, isInScope, runsOf, type Scope } from "../outline/scope";
import type { Messages } from "./messages";
import { sectionLabel } from "./section-name";
import type { DocumentState } from "./state";
import type { Place, WindowState } from "./window-state";

/** So many jumps are remembered. */
const LONGEST_TRAIL = 100;

/** Where the writer is, what is shown and what is picked. */
export class Navigation {
  private key = 1;
  /** Where something was written last. */
  private written: Place | null;
  /** Where the cursor is; told by the text that is on the screen. */
  private spot: () => Place | null = () => null;

  constructor(
    private readonly document: StoreApi<DocumentState>,
    private readonly window: StoreApi<WindowState>,
    private readonly messages: Messages,
  ) {
    this.written = window.getState().request;
  }

  /** The text on the screen tells where its cursor is; a way back leads there. Answers what ends that: the place is kept. */
  followSpot(spot: () => Place | null): () => void {
    this.spot = spot;
    return () => {
      const last = spot();
      this.spot = () => last;
    };
  }

  /** Goes to a place and remembers where from. */
  goTo(place: Place, { focus = true, remember = true }: { focus?: boolean; remember?: boolean } = {}): void {
    if (!this.isInScope(place.section)) return this.offerToWiden(place, { focus, remember });
    this.window.setState((shown) => ({
      current: place.section,
      foldedTexts: this.withoutFoldsOver(place.section),
      request: { ...place, key: ++this.key, focus },
      ...(remember && shown.current !== null && (shown.current !== place.section || isWithin(place))
        ? { trail: extended(shown, this.here(shown.current)) }
        : {}),
    }));
  }

  /** A request is answered once; a section that scrolls away and back must not take the focus again. */
  requestMet(key: number): void {
    if (this.window.getState().request?.key === key) this.window.setState({ request: null });
  }

  /** Whoever points at a place in the text goes there, and not to where a command that was on its way would have gone. */
  dropRequest(): void {
    if (this.window.getState().request) this.window.setState({ request: null });
  }

  goBack(): void {
    const { trail, current } = this.window.getState();
    const place = trail.places[trail.at - 1];
    if (!place) return;
    const isAtEnd = trail.at === trail.places.length && current !== null;
    const places = isAtEnd ? [...trail.places, this.here(current)] : trail.places;
    this.window.setState({ trail: { places, at: trail.at - 1 } });
    this.goTo(place, { remember: false });
  }

  goForward(): void {
    const { trail } = this.window.getState();
    const place = trail.places[trail.at + 1];
    if (!place) return;
    this.window.setState({ trail: { ...trail, at: trail.at + 1 } });
    this.goTo(place, { remember: false });
  }

  /** Something is written where the cursor is. */
  wrote(): void {
    this.written = this.spot() ?? this.written;
  }

  /** To where something was written last, in this window or before it was opened. */
  goToWriting(): void {
    if (this.written && this.document.getState().positions.has(this.written.section)) this.goTo(this.written);
  }

  /** To the heading that the current section stands under. */
  goToParent(options: { focus?: boolean } = {}): void {
    const { outline, positions } = this.document.getState();
    const above = parentOf(outline, positions.get(this.window.getState().current ?? "") ?? 0);
    const section = above === null ? undefined : outline.ids[above];
    if (section !== undefined) this.goTo({ section }, { ...options, remember: false });
  }

  /** To the first section under the current one. */
  goToFirstChild(options: { focus?: boolean } = {}): void {
    const { outline, positions } = this.document.getState();
    const at = positions.get(this.window.getState().current ?? "") ?? 0;
    const section = branchEnd(outline, at) > at + 1 ? outline.ids[at + 1] : undefined;
    if (section !== undefined) this.goTo({ section }, { ...options, remember: false });
  }

  /** Words came or went around places that are remembered; each stays between the words it was left at. */
  shiftPlaces(shifted: (place: { id: string; at: number }) => { id: string; at: number } | null): void {
    const moved = (place: Place): Place => {
      const spot = place.position === undefined ? null : shifted({ id: place.section, at: place.position });
      return spot ? { ...place, section: spot.id, position: spot.at } : place;
    };
    if (this.written) this.written = moved(this.written);
    const { trail } = this.window.getState();
    const places = trail.places.map(moved);
    const isMoved = places.some(
      ({ section, position }, index) =>
        section !== trail.places[index]?.section || position !== trail.places[index]?.position,
    );
    if (isMoved) this.window.setState({ trail: { ...trail, places } });
  }

  setCurrent(section: string): void {
    if (this.window.getState().current !== section) this.window.setState({ current: section });
  }

  /** Shows a part of the document alone, or all of it again. The writer stays where they are, or comes to its beginning. */
  setScope(scope: Scope | null, { focus = true }: { focus?: boolean } = {}): void {
    const { outline, positions } = this.document.getState();
    const { current } = this.window.getState();
    const first = scope === null ? undefined : runsOf(outline, positions, scope)[0];
    if (scope !== null && !first) return;
    // What was picked to be worked on needs to be picked no more.
    this.window.setState({ scope, picked: new Set() });
    const stays = current !== null && this.isInScope(current);
    const section = stays ? current : outline.ids[first?.[0] ?? 0];
    if (section !== undefined) this.goTo(stays ? this.here(section) : { section }, { focus, remember: false });
  }

  /** The branches that are picked, or the one with the cursor, alone; or the whole again. */
  changeScope(extent: Scope["extent"]): void {
    const { scope, current, picked } = this.window.getState();
    if (scope?.extent === extent) return this.setScope(null);
    const heads = picked.size > 0 ? [...picked] : current === null ? [] : [current];
    if (heads.length > 0) this.setScope({ heads, extent });
  }

  /** On to the next part of the same kind, or back to the one before. */
  moveScope(by: 1 | -1): void {
    const { scope } = this.window.getState();
    const { outline, positions } = this.document.getState();
    const next = scope && alongside(outline, positions, scope, by);
    if (next) this.setScope(next);
    else if (scope) this.messages.say(by === 1 ? "Nothing stands behind it." : "Nothing stands before it.");
  }

  /** A place outside of what is shown is not gone to without a word. */
  private offerToWiden(place: Place, how: { focus: boolean; remember: boolean }): void {
    const name = sectionLabel(this.document.getState(), place.section) || "That place";
    this.messages.offer(`${name} lies outside of what is shown.`, "Show all and go there", () => {
      this.window.setState({ scope: null });
      this.goTo(place, how);
    });
  }

  setFolded(section: string, folded: boolean): void {
    this.window.setState((shown) => ({ folded: withOrWithout(shown.folded, [section], folded) }));
  }

  /** Unfolds what a row lies in, so that it is seen. */
  unfoldTo(section: string): void {
    const { outline, positions } = this.document.getState();
    const position = positions.get(section);
    if (position === undefined) return;
    const above = pathTo(outline, position)
      .slice(0, -1)
      .flatMap((at) => outline.ids[at] ?? []);
    const { folded } = this.window.getState();
    if (above.some((id) => folded.has(id))) this.window.setState({ folded: withOrWithout(folded, above, false) });
  }

  setFoldedAll(sections: Iterable<string>): void {
    this.window.setState({ folded: new Set(sections) });
  }

  foldTexts(sections: Iterable<string>, folded: boolean): void {
    this.window.setState((shown) => ({ foldedTexts: withOrWithout(shown.foldedTexts, sections, folded) }));
  }

  pick(sections: Iterable<string>): void {
    this.window.setState({ picked: new Set(sections) });
  }

  keepResumePoint(section: string, position: number): void {
    const path = { id: this.document.getState().id };
    const kept = api.PUT("/api/documents/{id}/resume-point", { params: { path }, body: { section, position } });
    void kept.catch(() => undefined);
  }

  /** The section, with the place of the cursor when it is there. */
  here(section: string): Place {
    const spot = this.spot();
    return spot?.section === section ? spot : { section };
  }

  isInScope(section: string): boolean {
    const { outline, positions } = this.document.getState();
    // What is not in the outline yet is on its way to where it was asked for.
    return !positions.has(section) || isInScope(outline, positions, this.window.getState().scope, section);
  }

  /** A place that is gone to is never left hidden under a folded heading. */
  private withoutFoldsOver(section: string): ReadonlySet<string> {
    const { foldedTexts } = this.window.getState();
    const { outline, positions } = this.document.getState();
    const position = positions.get(section);
    if (foldedTexts.size === 0 || position === undefined) return foldedTexts;
    const above = pathTo(outline, position).map((each) => outline.ids[each] ?? "");
    const over = above.filter((each) => foldedTexts.has(each) && each !== section);
    return over.length === 0 ? foldedTexts : withOrWithout(foldedTexts, over, false);
  }
}

function withOrWithout(sections: ReadonlySet<string>, these: Iterable<string>, isWith: boolean): ReadonlySet<string> {
  const next = new Set(sections);
  for (const each of these) {
    if (isWith) next.add(each);
    else next.delete(each);
  }
  return next;
}

/** A place that may be another one in the same section. */
function isWithin({ bookmark, caption, found }: Place): boolean {
  return bookmark !== undefined || caption !== undefined || found !== undefined;
}

function extended({ trail }: WindowState, place: Place): WindowState["trail"] {
  const places = [...trail.places.slice(0, trail.at), place].slice(-LONGEST_TRAIL);
  return { places, at: places.length };
}
