import { create } from "zustand";
import { api, read, type Found, type FoundPlace, type FindQuery } from "../api/client";
import type { Session } from "../document/session";
import { branchEnd } from "../outline/outline";

/** How exactly something is looked for. */
export type Manner = Required<Pick<FindQuery, "mode" | "caseMatters" | "diacriticsMatter" | "wholeWords" | "fields">>;

/** Places in what is on the screen that are marked. */
const MOST_IN_SIGHT = 3000;

export const FIELDS = ["heading", "text", "note", "caption", "aim"] as const;

export const USUAL: Manner = {
  mode: "words",
  caseMatters: false,
  diacriticsMatter: false,
  wholeWords: false,
  fields: [...FIELDS],
};

/** A place that was found, and the section it stands in. */
export type Hit = FoundPlace & { section: string; index: number };

type FindState = {
  words: string;
  manner: Manner;
  /** Whether offcuts are looked through as well. */
  withOffcuts: boolean;
  found: Found | null;
  hits: readonly Hit[];
  /** Of sections behind the last of them, those that are on the screen and were looked through for it. */
  besides: ReadonlyMap<string, readonly FoundPlace[]>;
  /** How many of them stand in each branch, by its section. */
  counts: ReadonlyMap<string, number>;
  /** Which of the hits the writer is at; -1 for none yet. */
  at: number;
  /** The one place was replaced, and the next is gone to when what is left has been found. */
  goesOn: boolean;
  /** The words that these places were found for. */
  taken: string;
  /** The section whose first place is gone to once it has been found here, for it was found on the Desk. */
  wanted: string | null;
};

/** What is looked for in this window, and what was found; null when nothing is. */
export const useFind = create<FindState>(() => ({
  words: "",
  manner: USUAL,
  withOffcuts: true,
  found: null,
  hits: [],
  besides: new Map(),
  counts: new Map(),
  at: -1,
  goesOn: false,
  wanted: null,
  taken: "",
}));

/** What was found for some words, which may be other places than before: the writer stays at the one that is nearest, or goes there. */
export function take(session: Session, found: Found | null, words = ""): void {
  const { found: last, hits: before, at, goesOn, wanted, taken } = useFind.getState();
  // Other words are typed, and what they find is still on its way.
  if (found === last) return;
  const hits = (found?.sections ?? []).flatMap(({ id, places }) =>
    places.map((place, index) => ({ ...place, section: id, index })),
  );
  const was = before[at];
  const same = was
    ? hits.findIndex(({ section, from, field }) => section === was.section && field === was.field && from >= was.from)
    : -1;
  useFind.setState({
    found,
    hits,
    besides: new Map(),
    counts: countsByBranch(session, hits),
    at: same,
    goesOn: false,
    taken: words,
  });
  if (goesOn && hits.length > 0) {
    // What was put there may hold the words as well; the next place is behind it.
    const next = at + (found?.isMore ? 0 : 1 + hits.length - before.length);
    goTo(session, next >= 0 && next < hits.length ? next : 0);
  } else if (was && same < 0 && hits.length > 0 && words !== taken) {
    // The words went on after the writer had gone to a place that they do not fit: the next that they fit is gone to.
    const { positions } = session.state;
    const place = (section: string) => positions.get(section) ?? 0;
    goTo(
      session,
      Math.max(
        0,
        hits.findIndex(({ section }) => place(section) >= place(was.section)),
      ),
    );
  }
  const requested = hits.findIndex(({ section }) => section === wanted);
  if (requested >= 0 || found?.isMore === false) useFind.setState({ wanted: null });
  if (requested >= 0) goTo(session, requested, true);
}

/** To the next place or the one before, around the ends; the first time to the one nearest to the cursor. */
export function step(session: Session, by: 1 | -1): void {
  const { hits, at } = useFind.getState();
  if (hits.length === 0) return;
  const next = at < 0 ? nearest(session, hits, by) : (at + by + hits.length) % hits.length;
  goTo(session, next);
}

/** The place that the writer is at. */
export const currentHit = (): Hit | null => useFind.getState().hits[useFind.getState().at] ?? null;

export function goTo(session: Session, at: number, withFocus = false): void {
  const hit = useFind.getState().hits[at];
  if (!hit) return;
  useFind.setState({ at });
  const { section, from, to, isInHeading } = hit;
  session.navigation.goTo(hit.field === "aim" ? { section } : { section, found: { from, to, isInHeading } }, {
    focus: withFocus,
    remember: at < 0,
  });
}

function nearest(session: Session, hits: readonly Hit[], by: 1 | -1): number {
  const { positions } = session.state;
  const current = positions.get(session.window.current ?? "") ?? 0;
  const place = (hit: Hit) => positions.get(hit.section) ?? 0;
  if (by === 1)
    return Math.max(
      0,
      hits.findIndex((hit) => place(hit) >= current),
    );
  const last = hits.findLastIndex((hit) => place(hit) <= current);
  return last < 0 ? hits.length - 1 : last;
}

function countsByBranch(session: Session, hits: readonly Hit[]): ReadonlyMap<string, number> {
  const { outline, positions } = session.state;
  const before = new Uint32Array(outline.ids.length + 1);
  for (const { section } of hits) {
    const position = positions.get(section);
    if (position !== undefined) before[position + 1] = (before[position + 1] ?? 0) + 1;
  }
  for (let at = 0; at < outline.ids.length; at++) before[at + 1] = (before[at + 1] ?? 0) + (before[at] ?? 0);
  const counts = new Map<string, number>();
  outline.ids.forEach((id, at) => {
    const count = (before[branchEnd(outline, at)] ?? 0) - (before[at] ?? 0);
    if (count > 0) counts.set(id, count);
  });
  return counts;
}

/** Where there are more places than are told, what is on the screen is looked through by itself, so that none in sight is missed. */
export async function lookThrough(session: Session, shown: readonly string[]): Promise<void> {
  const { found, hits, words, manner } = useFind.getState();
  const { positions } = session.state;
  if (!found?.isMore) return;
  const last = positions.get(hits.at(-1)?.section ?? "") ?? -1;
  const unknown = shown.filter(
    (id) => (positions.get(id) ?? -1) >= last && !useFind.getState().besides.has(id) && !session.typing.isIn(id),
  );
  if (unknown.length === 0) return;
  const body = {
    query: { words, ...manner },
    offcuts: false,
    most: MOST_IN_SIGHT,
    sections: unknown.join(","),
    extent: "heading-only" as const,
  };
  const params = { path: { id: session.state.id } };
  const answer = await read(api.POST("/api/documents/{id}/find", { params, body })).catch(() => null);
  // Something else is looked for by now.
  if (!answer || useFind.getState().found !== found) return;
  const besides = new Map(useFind.getState().besides);
  for (const id of unknown) besides.set(id, []);
  for (const { id, places } of answer.sections) besides.set(id, places);
  useFind.setState({ besides });
}
