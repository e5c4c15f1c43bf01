import type { SectionFacts, SectionText, Skeleton, TitleBlock, WriteOutcome, ChangesSince } from "../api/client";
import type { Names } from "../outline/names";
import { edited, type Outline } from "../outline/outline";
import type { Clash } from "./clash";

/** A place in the text: a section and, in it, the editor's position (0 is before the heading). */
export type Place = { section: string; position?: number; bookmark?: string };

export type Message = {
  key: number;
  tone: "said" | "warning";
  sentence: string;
  canUndo: boolean;
  offer?: { label: string; run: () => void };
};

export type Saving = "kept" | "keeping" | "unsent";

export type DocumentState = {
  id: string;
  /** All changes up to here are known to this window. */
  revision: number;
  titleBlock: TitleBlock;
  outline: Outline;
  positions: ReadonlyMap<string, number>;
  facts: ReadonlyMap<string, SectionFacts>;
  texts: ReadonlyMap<string, SectionText>;
  /** Sections that another window has changed since their text was read; it shows until the newer one is there. */
  outdated: ReadonlySet<string>;
  numbers: readonly string[];
  /** What sections are called whose heading has no words. */
  names: Names;
  branchWords: readonly number[];
  words: number;
  staleContents: ReadonlySet<string>;
  /** Sections whose branch has more words than were wanted. */
  overTarget: ReadonlySet<string>;
  /** Words a minute; null until the server has said it. */
  readingSpeed: number | null;
  current: string | null;
  /** Where the manuscript is to go next; answered and cleared by it. */
  request: (Place & { key: number; focus: boolean }) | null;
  scope: string | null;
  folded: ReadonlySet<string>;
  /** Sections whose text is folded under their headings in the manuscript, with all of their branch. */
  foldedTexts: ReadonlySet<string>;
  /** Sections picked in the outline, for one operation on all of them. */
  picked: ReadonlySet<string>;
  trail: { places: readonly Place[]; at: number };
  saving: Saving;
  /** Whether a change is on its way that takes longer than a moment. */
  isWorking: boolean;
  message: Message | null;
  /** The section that the writer is asked about; others may wait behind it. */
  clash: Clash | null;
  /** Goes up whenever bookmarks, offcuts or findings may have changed. */
  generation: number;
};

export function opened(skeleton: Skeleton): DocumentState {
  const facts = new Map(skeleton.sections.map((section) => [section.id, section]));
  const first = skeleton.outline.ids[0] ?? null;
  const resume = skeleton.resumeSection !== null && facts.has(skeleton.resumeSection) ? skeleton.resumeSection : null;
  return {
    id: skeleton.id,
    revision: skeleton.revision,
    titleBlock: skeleton.titleBlock,
    outline: skeleton.outline,
    positions: positionsOf(skeleton.outline),
    facts,
    texts: new Map(skeleton.texts.map((text) => [text.id, text])),
    outdated: new Set(),
    numbers: [],
    names: new Map(),
    branchWords: [],
    words: skeleton.sections.reduce((sum, section) => sum + section.words, 0),
    staleContents: new Set(),
    overTarget: new Set(),
    readingSpeed: null,
    current: resume ?? first,
    request: resume ? { section: resume, position: skeleton.resumePosition, key: 1, focus: false } : null,
    scope: null,
    folded: new Set(),
    foldedTexts: new Set(),
    picked: new Set(),
    trail: { places: [], at: 0 },
    saving: "kept",
    isWorking: false,
    message: null,
    clash: null,
    generation: 0,
  };
}

/** The state after a change of this window's own. */
export function withOutcome(state: DocumentState, outcome: WriteOutcome): Partial<DocumentState> {
  // The same maps where nothing changed, so that what shows them is not drawn again.
  const facts = outcome.changed.length > 0 ? withEach(state.facts, outcome.changed) : state.facts;
  const outline = outcome.order.length > 0 ? edited(state.outline, outcome.order) : state.outline;
  return {
    ...(outcome.titleBlock ? { titleBlock: outcome.titleBlock } : {}),
    ...(outline === state.outline ? {} : placesIn(state, outline)),
    facts,
    ...(outcome.texts.length > 0 ? withTexts(state, outcome.texts) : {}),
    generation: state.generation + 1,
  };
}

/** The state after others’ changes; texts that may be old are read again when they are shown. */
export function withChanges(
  state: DocumentState,
  changes: ChangesSince,
  typing: ReadonlySet<string>,
): Partial<DocumentState> {
  const outdated = changes.changed.filter(
    ({ id, revision }) => !typing.has(id) && state.texts.has(id) && state.texts.get(id)?.revision !== revision,
  );
  return {
    revision: changes.revision,
    titleBlock: changes.titleBlock,
    ...(changes.outline ? placesIn(state, changes.outline) : {}),
    facts: withEach(state.facts, changes.changed),
    outdated: outdated.length > 0 ? new Set([...state.outdated, ...outdated.map(({ id }) => id)]) : state.outdated,
    generation: state.generation + 1,
  };
}

/** The state with texts as they have just been read or written. */
export function withTexts(
  state: DocumentState,
  texts: readonly SectionText[],
): Pick<DocumentState, "texts" | "outdated"> {
  return { texts: withEach(state.texts, texts), outdated: without(state.outdated, texts) };
}

function without(outdated: ReadonlySet<string>, texts: readonly SectionText[]): ReadonlySet<string> {
  if (!texts.some(({ id }) => outdated.has(id))) return outdated;
  const read = new Set(texts.map(({ id }) => id));
  return new Set([...outdated].filter((id) => !read.has(id)));
}

function placesIn(state: DocumentState, outline: Outline): Partial<DocumentState> {
  const positions = positionsOf(outline);
  const nearest = outline.ids[Math.min(state.positions.get(state.current ?? "") ?? 0, outline.ids.length - 1)] ?? null;
  return {
    outline,
    positions,
    current: state.current !== null && positions.has(state.current) ? state.current : nearest,
    scope: state.scope !== null && positions.has(state.scope) ? state.scope : null,
    picked: new Set([...state.picked].filter((id) => positions.has(id))),
  };
}

function withEach<T extends { id: string }>(
  map: ReadonlyMap<string, T>,
  changed: readonly T[],
): ReadonlyMap<string, T> {
  const next = new Map(map);
  for (const each of changed) next.set(each.id, each);
  return next;
}

function positionsOf(outline: Outline): ReadonlyMap<string, number> {
  return new Map(outline.ids.map((id, position) => [id, position]));
}
