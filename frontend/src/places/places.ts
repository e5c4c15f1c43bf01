import { queryOptions } from "@tanstack/react-query";
import { api, read, type Bookmark, type Places } from "../api/client";
import type { Session } from "../document/session";
import type { DocumentState } from "../document/state";
import { innerId, keptFile, readTarget } from "../editor/target";
import { sectionLabel, sectionName } from "../document/section-name";
import { newId } from "../document/new-id";
import { readingKey } from "../document/readings";
import { levelAt, pathTo } from "../outline/outline";

/** A place in the document that a link or a jump can lead to. */
export type LinkChoice = {
  /** Its address; a caption that nothing leads to yet has none. */
  target: string;
  words: string;
  /** Such as “3.2” or “Figure 4”. */
  number: string;
  level: number;
  kind: "heading" | "bookmark" | "figure" | "table";
  /** Which of the pictures and tables of its section it is, from 0 on. */
  caption?: { section: string; index: number };
};

export function placesQuery(id: string) {
  return queryOptions({
    queryKey: readingKey(id, "places"),
    queryFn: () => read(api.GET("/api/documents/{id}/places", { params: { path: { id } } })),
    placeholderData: (previous) => previous,
  });
}

/** What the texts need to know of the places they lead to. */
export type KnownPlaces = {
  /** The section that each bookmark stands in, by the bookmark’s id. */
  readonly bookmarks: ReadonlyMap<string, string>;
  /** Targets of links that lead nowhere. */
  readonly broken: ReadonlySet<string>;
};

export function knownPlaces(places: Places | undefined): KnownPlaces {
  const broken = (places?.links ?? [])
    .filter((link) => link.broken)
    .flatMap((link) => [`section:${link.target}`, `bookmark:${link.target}`]);
  return {
    bookmarks: new Map(places?.bookmarks.map((bookmark) => [bookmark.id, bookmark.section])),
    broken: new Set(broken),
  };
}

export function placesToLink(state: DocumentState, places: Places | undefined): LinkChoice[] {
  const headings = state.outline.ids.flatMap((id, position) => {
    const number = state.numbers[position] ?? "";
    const words = sectionName(state, id);
    // What is called nothing yet is no place that a reader could be led to by name.
    const isNamed = words === number || !state.names.has(id);
    return words === "" || !isNamed
      ? []
      : [
          {
            target: `section:${id}`,
            words,
            number: words === number ? "" : number,
            level: levelAt(state.outline, position),
            kind: "heading" as const,
          },
        ];
  });
  const captions = (places?.captions ?? []).map(({ section, index, kind, label, words, bookmarks }): LinkChoice => ({
    target: bookmarks[0] === undefined ? "" : `bookmark:${bookmarks[0]}`,
    words,
    number: label,
    level: 1,
    kind,
    caption: { section, index },
  }));
  const inCaptions = new Set(places?.captions.flatMap(({ bookmarks }) => bookmarks));
  const named = (places?.bookmarks ?? [])
    .filter(({ id }) => !inCaptions.has(id))
    .map(({ id, name }): LinkChoice => ({
      target: `bookmark:${id}`,
      words: name,
      number: "",
      level: 1,
      kind: "bookmark",
    }));
  return [...named, ...captions, ...headings];
}

/** So many places that the writer came from are offered again. */
const MOST_RECENT = 5;

/** The sections that the trail came through, the last first, but for the one that the writer is in. */
export function recentPlaces(session: Session): LinkChoice[] {
  const { trail, current } = session.window;
  const sections = new Set(trail.places.map(({ section }) => section).toReversed());
  const known = [...sections].filter((id) => id !== current && session.state.positions.has(id)).slice(0, MOST_RECENT);
  const choices = new Map(placesToLink(session.state, undefined).map((choice) => [choice.target, choice]));
  return known.flatMap((id) => choices.get(`section:${id}`) ?? []);
}

/** The headings above a heading or a caption, the highest first; empty for a place whose section is not known here. */
export function headingsAbove(state: DocumentState, { target, caption }: LinkChoice): string {
  const id = caption?.section ?? innerId(target) ?? "";
  const position = state.positions.get(id);
  if (position === undefined) return "";
  const path = pathTo(state.outline, position).map((at) => sectionLabel(state, state.outline.ids[at] ?? ""));
  return (caption ? path : path.slice(0, -1)).join(" / ");
}

/**
 * Leads to a place by its address, which is made for a caption that had none; refused, that is told and nothing else
 * happens. A place that has one is led to at once, so that the next key finds the text again.
 */
export function leadTo(session: Session, choice: LinkChoice, lead: (address: string) => void): void {
  if (choice.target !== "" || !choice.caption) return lead(choice.target);
  const bookmark = newId();
  const operation = { name: "bookmark-caption" as const, ...choice.caption, bookmark };
  void session.changes
    .perform(operation, { quiet: true })
    .then((answer) => answer.kind === "applied" && lead(`bookmark:${bookmark}`));
}

/** What a link leads to, in words: a heading with its number, a bookmark, or the address. */
export function nameOfTarget(state: DocumentState, address: string, bookmarks: readonly Bookmark[]): string {
  const target = readTarget(address);
  if (target === null || target.kind === "outside") {
    const kept = keptFile(address);
    return kept ? `${kept.name}, kept with the document` : address;
  }
  if (state.positions.has(target.id)) return sectionLabel(state, target.id);
  const bookmark = bookmarks.find((each) => each.id === target.id);
  if (!bookmark) return target.kind === "bookmark" ? "a bookmark that is gone" : "a place that is gone";
  const caption = state.namedCaptions.get(bookmark.id);
  if (caption) return [caption.label, caption.words].filter(Boolean).join(" ");
  return `“${bookmark.name}”, in ${sectionLabel(state, bookmark.section)}`;
}

function download({ name, url }: { name: string; url: string }): void {
  const link = document.createElement("a");
  link.href = url;
  link.download = name;
  link.click();
}

/** Goes where a link leads: to a section, a bookmark, or a page outside in a window of its own. */
export function followTarget(session: Session, address: string): void {
  const target = readTarget(address);
  const kept = keptFile(address);
  if (kept) return download(kept);
  if (target === null || target.kind === "outside") {
    if (target) window.open(address, "_blank", "noopener,noreferrer");
    return;
  }
  const { id } = target;
  if (session.state.positions.has(id)) return session.navigation.goTo({ section: id });
  void read(api.GET("/api/documents/{id}/places", { params: { path: { id: session.state.id } } })).then(
    ({ bookmarks }) => {
      const bookmark = bookmarks.find((each) => each.id === id);
      if (bookmark) session.navigation.goTo({ section: bookmark.section, bookmark: bookmark.id });
      else session.messages.say("This link leads nowhere: what it led to was cut out or taken away.", "warning");
    },
  );
}
