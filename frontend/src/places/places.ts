import { queryOptions } from "@tanstack/react-query";
import { api, read, type Bookmark, type Places } from "../api/client";
import type { Session } from "../document/session";
import type { DocumentState } from "../document/state";
import { readTarget } from "../editor/target";
import { sectionLabel, sectionName } from "../document/section-name";
import { readingKey } from "../document/readings";
import { levelAt } from "../outline/outline";

/** A place in the document that a link or a jump can lead to. */
export type LinkChoice = { target: string; words: string; number: string; level: number; isBookmark: boolean };

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

export function placesToLink(state: DocumentState, bookmarks: readonly Bookmark[]): LinkChoice[] {
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
            isBookmark: false,
          },
        ];
  });
  const named = bookmarks.map((bookmark) => ({
    target: `bookmark:${bookmark.id}`,
    words: bookmark.name,
    number: "",
    level: 1,
    isBookmark: true,
  }));
  return [...named, ...headings];
}

/** What a link leads to, in words: a heading with its number, a bookmark, or the address. */
export function nameOfTarget(state: DocumentState, address: string, bookmarks: readonly Bookmark[]): string {
  const target = readTarget(address);
  if (target === null || target.kind === "outside") return address;
  if (state.positions.has(target.id)) return sectionLabel(state, target.id);
  const bookmark = bookmarks.find((each) => each.id === target.id);
  if (!bookmark) return target.kind === "bookmark" ? "a bookmark that is gone" : "a place that is gone";
  return `“${bookmark.name}”, in ${sectionLabel(state, bookmark.section)}`;
}

/** Goes where a link leads: to a section, a bookmark, or a page outside in a window of its own. */
export function followTarget(session: Session, address: string): void {
  const target = readTarget(address);
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
