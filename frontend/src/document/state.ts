import type {
  NamedCaption,
  OutlineCounts,
  SectionFacts,
  SectionText,
  Skeleton,
  TitleBlock,
  WriteOutcome,
  ChangesSince,
} from "../api/client";
import type { Names } from "../outline/names";
import { edited, type Outline } from "../outline/outline";
import type { Clash } from "./clash";

/** `asked`: all is kept but words that wait for the writer’s choice. */
export type Saving = "kept" | "keeping" | "unsent" | "asked";

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
  /** The number of each section’s first footnote, for those that have any. */
  firstNotes: ReadonlyMap<string, number>;
  /** What the pictures and tables of each section are called, in order: “Figure 3”, or empty. */
  captions: ReadonlyMap<string, readonly string[]>;
  /** Captions that are referred to, by the bookmark in them. */
  namedCaptions: ReadonlyMap<string, NamedCaption>;
  /** How pictures and tables with a caption are numbered. */
  captionNumbering: OutlineCounts["captionNumbering"];
  /** What markers stand for to the writer, by marker. */
  markerWords: OutlineCounts["markerWords"];
  /** Words a minute; null until the server has said it. */
  readingSpeed: number | null;
  saving: Saving;
  /** Whether a command is on its way that may change the text, and is not yet answered. */
  isAnswering: boolean;
  /** Whether a change is on its way that takes longer than a moment. */
  isWorking: boolean;
  /** A section with two texts that the writer is asked about; others may wait behind it. */
  clash: Clash | null;
};

export function opened(skeleton: Skeleton): DocumentState {
  const facts = new Map(skeleton.sections.map((section) => [section.id, section]));
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
    firstNotes: new Map(),
    captions: new Map(),
    namedCaptions: new Map(),
    captionNumbering: "plain",
    markerWords: {},
    readingSpeed: null,
    saving: "kept",
    isAnswering: false,
    isWorking: false,
    clash: null,
  };
}

/** The state after a change of this window's own. */
export function withOutcome(state: DocumentState, outcome: WriteOutcome): Partial<DocumentState> {
  // The same maps where nothing changed, so that what shows them is not drawn again.
  const facts = outcome.changed.length > 0 ? withEach(state.facts, outcome.changed) : state.facts;
  const outline = outcome.order.length > 0 ? edited(state.outline, outcome.order) : state.outline;
  return {
    ...(outcome.titleBlock ? { titleBlock: outcome.titleBlock } : {}),
    ...(outline === state.outline ? {} : placesIn(outline)),
    facts,
    ...(outcome.texts.length > 0 ? withTexts(state, outcome.texts) : {}),
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
    ...(changes.outline ? placesIn(changes.outline) : {}),
    facts: withEach(state.facts, changes.changed),
    outdated: outdated.length > 0 ? new Set([...state.outdated, ...outdated.map(({ id }) => id)]) : state.outdated,
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

function placesIn(outline: Outline): Pick<DocumentState, "outline" | "positions"> {
  return { outline, positions: positionsOf(outline) };
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
