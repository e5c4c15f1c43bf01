import { useQuery } from "@tanstack/react-query";
import { useDeferredValue, useId, useMemo, useState, type KeyboardEvent, type ReactNode } from "react";
import { api, read } from "../api/client";
import { Dialog } from "../parts/dialog";
import { beginOf, FoundLine } from "../parts/found-line";
import { cx } from "../parts/cx";
import { readingKey } from "../document/readings";
import { useDocument, usePages, useSession } from "../document/context";
import { sectionLabel } from "../document/section-name";
import type { Session } from "../document/session";
import { USUAL, type Hit } from "../find/found";
import { plainKey } from "../keys/plain-key";
import { commandCandidates, fitting, placeCandidates, type Candidate, type Offered } from "./offering";
import { followTarget, headingsAbove, placesQuery, placesToLink, recentPlaces, type LinkChoice } from "./places";

/** Places in the text that are offered below the others, and the fewest letters for which they are looked for. */
const MOST_IN_TEXT = 20;
const FEWEST_LETTERS = 3;
const NO_COMMANDS: readonly Offered[] = [];

function goToChoice(session: Session, choice: LinkChoice): void {
  if (!choice.caption) return followTarget(session, choice.target);
  session.navigation.goTo({ section: choice.caption.section, caption: choice.caption.index });
}

/** Goes to a heading, a bookmark, a figure or a word of the text, or does a command by some of its own. */
export function JumpBox({ commands, onClose }: { commands: readonly Offered[]; onClose: () => void }) {
  const session = useSession("JumpBox");
  return (
    <Dialog open onClose={onClose} title="Jump to">
      <PlaceChooser
        label="Words of a heading, a bookmark, a command or the text"
        commands={commands}
        onCommand={(command) => (onClose(), command.run())}
        onChoose={(choice) => (onClose(), goToChoice(session, choice))}
        onPage={(section) => (onClose(), session.navigation.goTo({ section }))}
        onWords={({ section, from, to, isInHeading }) => {
          onClose();
          session.navigation.goTo({ section, found: { from, to, isInHeading } });
        }}
      />
    </Dialog>
  );
}

type ChooserProps = {
  label: string;
  among?: readonly LinkChoice[];
  /** Offered beside the places once some words are written. */
  commands?: readonly Offered[];
  onCommand?: (command: Offered) => void;
  onChoose: (choice: LinkChoice) => void;
  onOther?: (words: string) => void;
  /** Words of the text are looked for as well, and chosen by this. */
  onWords?: (hit: Hit) => void;
  /** So is a page by its number: the section that stands on it. */
  onPage?: (section: string) => void;
};

type Entry = { key: string; choose: () => void; shown: ReactNode; indent: number };

/** A field that narrows a list of headings and bookmarks, chosen from by arrow keys or by hand. */
export function PlaceChooser({
  label,
  among,
  commands = NO_COMMANDS,
  onCommand,
  onChoose,
  onOther,
  onWords,
  onPage,
}: ChooserProps) {
  const session = useSession("PlaceChooser");
  const list = useId();
  const places = useQuery(placesQuery(session.state.id));
  const [words, setWords] = useState("");
  const [at, setAt] = useState(0);
  const hasQuery = words.trim() !== "";
  const candidates = useMemo(
    () => [...placeCandidates(among ?? placesToLink(session.state, places.data)), ...commandCandidates(commands)],
    [among, session, places.data, commands],
  );
  const recent = useMemo(() => (onWords ? placeCandidates(recentPlaces(session)) : []), [session, onWords]);
  const hits = useWordsOfText(words, onWords !== undefined);
  const found = useMemo(() => fitting(candidates, words), [candidates, words]);
  const entry = (candidate: Candidate, isRecent = false): Entry =>
    "command" in candidate
      ? {
          key: candidate.key,
          choose: () => onCommand?.(candidate.command),
          shown: <CommandLine command={candidate.command} />,
          indent: 0,
        }
      : {
          key: `${isRecent ? "recent-" : ""}${candidate.key}`,
          choose: () => onChoose(candidate.choice),
          shown: <PlaceLine choice={candidate.choice} isRecent={isRecent} hasPath={hasQuery || isRecent} />,
          indent: hasQuery || isRecent ? 0 : candidate.choice.level - 1,
        };
  const paged = usePagePlace(onWords ? words : "");
  const entries: Entry[] = [
    ...(paged && onWords
      ? [
          {
            key: "page",
            choose: () => onPage?.(paged.section),
            shown: <PageLine label={paged.label} section={paged.section} />,
            indent: 0,
          },
        ]
      : []),
    ...(hasQuery ? [] : recent.map((candidate) => entry(candidate, true))),
    ...found.map((candidate) => entry(candidate)),
    ...(hasQuery ? hits : []).map((hit) => ({
      key: `words-${hit.section}-${hit.field}-${hit.from}`,
      choose: () => onWords?.(hit),
      shown: <WordsLine hit={hit} />,
      indent: 0,
    })),
  ];
  const now = Math.min(at, entries.length - 1);
  const pressed = (event: KeyboardEvent) => {
    const key = plainKey(event);
    if (key === "ArrowDown" || key === "ArrowUp") {
      event.preventDefault();
      setAt(Math.max(0, Math.min(entries.length - 1, now + (key === "ArrowDown" ? 1 : -1))));
    }
    if (key === "Enter") {
      event.preventDefault();
      const chosen = entries[now];
      if (chosen) chosen.choose();
      else onOther?.(words);
    }
  };
  const none = onWords
    ? "No heading, bookmark, caption or command has these words, and no line of the text."
    : "No heading, bookmark or caption has these words.";
  return (
    <>
      <input
        autoFocus
        value={words}
        aria-label={label}
        placeholder={label}
        role="combobox"
        aria-expanded="true"
        aria-controls={list}
        aria-activedescendant={entries[now] ? `place-${entries[now].key}` : undefined}
        onChange={(event) => (setWords(event.target.value), setAt(0))}
        onKeyDown={pressed}
        className="mt-2 block w-full rounded-lg border border-line bg-paper px-3 py-2 text-base"
      />
      <ul
        id={list}
        role="listbox"
        aria-label="Places"
        // In a dialog more is asked below it.
        className={cx("mt-3 overflow-auto", onWords ? "max-h-[44vh]" : "max-h-[22vh] more-below")}
      >
        {entries.map(({ key, choose, shown, indent }, index) => (
          <li
            key={key}
            id={`place-${key}`}
            role="option"
            aria-selected={index === now}
            ref={(element) => (index === now ? element?.scrollIntoView({ block: "nearest" }) : undefined)}
            onClick={choose}
            className={cx(
              "flex cursor-pointer items-baseline gap-2 rounded-lg px-3 py-1.5",
              index === now && "bg-wash",
            )}
            style={{ paddingLeft: 12 + Math.max(0, indent) * 14 }}
          >
            {shown}
          </li>
        ))}
        {entries.length === 0 && (
          <li className="px-3 py-2 text-soft">{onOther ? `${none} Enter links to them as an address.` : none}</li>
        )}
      </ul>
    </>
  );
}

/** Where the words stand in the text, the first of them. */
function useWordsOfText(words: string, isWanted: boolean): readonly Hit[] {
  const id = useDocument("useWordsOfText", (state) => state.id);
  const looked = useDeferredValue(words.trim());
  const found = useQuery({
    queryKey: readingKey(id, "found", looked, "jump"),
    enabled: isWanted && looked.length >= FEWEST_LETTERS,
    retry: false,
    queryFn: () =>
      read(
        api.POST("/api/documents/{id}/find", {
          params: { path: { id } },
          body: { query: { words: looked, ...USUAL, fields: ["text", "note", "caption"] }, most: MOST_IN_TEXT },
        }),
      ),
  });
  return (looked.length >= FEWEST_LETTERS ? (found.data?.sections ?? []) : []).flatMap(({ id: section, places }) =>
    places.map((place, index) => ({ ...place, section, index })),
  );
}

function CommandLine({ command }: { command: Offered }) {
  return (
    <>
      <span className="flex-1 font-medium text-stem">
        <span>{command.label}</span>
        {command.group && <span className="ml-2 text-xs font-[400] text-faint">{command.group}</span>}
      </span>
      <kbd className="font-sans text-[11.5px] text-faint">{command.keys}</kbd>
    </>
  );
}

function PlaceLine({ choice, isRecent, hasPath }: { choice: LinkChoice; isRecent: boolean; hasPath: boolean }) {
  const session = useSession("PlaceLine");
  const path = hasPath ? headingsAbove(session.state, choice) : "";
  return (
    <>
      {choice.number && <span className="text-xs text-faint tabular-nums">{choice.number}</span>}
      <span className={choice.kind === "bookmark" ? "text-ochre" : ""}>{choice.words}</span>
      {choice.kind !== "heading" && <span className="text-xs text-faint">{choice.kind}</span>}
      {path && <span className="min-w-0 flex-1 truncate text-right text-xs text-faint">{path}</span>}
      {isRecent && <span className="ml-auto shrink-0 text-xs text-stem">lately</span>}
    </>
  );
}

function WordsLine({ hit }: { hit: Hit }) {
  const session = useSession("WordsLine");
  return (
    <>
      <span className="min-w-0 flex-1 truncate font-text text-[14px]">
        <FoundLine place={hit} before={beginOf(hit.before, 22)} />
      </span>
      <span className="max-w-[40%] truncate text-xs text-faint">{sectionLabel(session.state, hit.section)}</span>
    </>
  );
}

/** “p 12”, “page iv” or a number alone: what is printed on a page, and the section that stands there. */
function usePagePlace(words: string): { label: string; section: string } | null {
  const label = /^\s*(?:(?:page|pp?)\.?\s*)?([ivxlc]+|\d+)\s*$/i.exec(words)?.[1]?.toLowerCase() ?? null;
  const { sections, labels } = usePages("usePagePlace", (state) => state, label !== null);
  const sheet = label === null ? 0 : labels.findLastIndex((each) => each.toLowerCase() === label) + 1;
  if (sheet === 0) return null;
  // The first that begins on the page, or else the one that goes on there.
  let before: string | null = null;
  for (const [section, spot] of sections) {
    if (spot.sheet === sheet) return { label: labels[sheet - 1] ?? "", section };
    if (spot.sheet < sheet) before = section;
  }
  return before === null ? null : { label: labels[sheet - 1] ?? "", section: before };
}

function PageLine({ label, section }: { label: string; section: string }) {
  const session = useSession("PageLine");
  return (
    <span className="flex items-baseline gap-2">
      <span className="font-medium">Page {label}</span>
      <span className="truncate text-soft">{sectionLabel(session.state, section)}</span>
    </span>
  );
}
