import { create } from "zustand";
import { api, read, type Utterance } from "../api/client";
import type { Session } from "../document/session";
import type { FoundStretch } from "../editor/found";
import { runsOf } from "../outline/scope";
import { browserVoice, silentVoice, type Voice } from "./voice";

export const RATES = { least: 0.5, most: 3, step: 0.25 } as const;

type Reading = {
  state: "off" | "reading" | "paused";
  /** Whether nobody hears it, for the browser has no voice. */
  isSilent: boolean;
  rate: number;
  withNotes: boolean;
  /** Whether it ends with the section, or goes on to the end of what is shown. */
  goesOn: boolean;
  /** The word that is spoken, and the section it stands in. */
  word: (FoundStretch & { section: string }) | null;
  /** Why it has stopped, when it was not at its end. */
  problem: string | null;
};

/** What is read aloud in this window. */
export const useReading = create<Reading>(() => ({
  state: "off",
  isSilent: false,
  rate: 1,
  withNotes: true,
  goesOn: true,
  word: null,
  problem: null,
}));

let voice: Voice | null = null;
/** Goes up with each beginning, so that what was begun before says nothing more. */
let turn = 0;

/** Reads from a place on: from the word there, or from the beginning of a section. */
export async function readFrom(session: Session, place: { section: string; from: number | null }): Promise<void> {
  stopReading();
  const mine = ++turn;
  useReading.setState({ state: "reading", problem: null });
  let { from } = place;
  let isAnythingSaid = false;
  for (const section of sectionsFrom(session, place.section)) {
    const { withNotes } = useReading.getState();
    await session.flush();
    const params = {
      path: { id: session.state.id },
      query: { section, notes: withNotes ? ("said" as const) : ("left-out" as const) },
    };
    const speech = await read(api.GET("/api/documents/{id}/speech", { params })).catch((failure: unknown) => failure);
    if (turn !== mine) return;
    if (speech instanceof Error || !isSpeech(speech)) {
      stopReading();
      return useReading.setState({ problem: speech instanceof Error ? speech.message : "The text could not be read." });
    }
    if (voice === null) {
      const heard = browserVoice();
      voice = heard ?? silentVoice(speech.wordsPerMinute);
      useReading.setState({ isSilent: heard === null });
    }
    for (const utterance of speech.utterances) {
      const start = from === null ? 0 : startIn(utterance, from);
      if (start === null) continue;
      from = null;
      isAnythingSaid = true;
      // In the middle of a word, the word is said whole.
      const whole = new Intl.Segmenter(session.state.titleBlock.language, { granularity: "word" })
        .segment(utterance.words)
        .containing(start);
      if (!(await said(session, section, utterance, whole?.index ?? start, mine))) return;
    }
    from = null;
    if (!useReading.getState().goesOn) break;
  }
  if (turn !== mine) return;
  stopReading();
  if (!isAnythingSaid) useReading.setState({ problem: "Nothing stands behind the cursor that could be read." });
}

export function stopReading(): void {
  turn++;
  voice?.stop();
  voice = null;
  useReading.setState({ state: "off", word: null });
}

export function pauseOrResume(): void {
  const { state } = useReading.getState();
  if (state === "reading") (voice?.pause(), useReading.setState({ state: "paused" }));
  else if (state === "paused") (voice?.resume(), useReading.setState({ state: "reading" }));
}

/** Faster or slower, or with notes or without: from the word that is spoken on. */
export function readOtherwise(session: Session, how: Partial<Pick<Reading, "rate" | "withNotes">>): void {
  const { state, word } = useReading.getState();
  useReading.setState(how);
  if (state === "off" || !word) return;
  void readFrom(session, { section: word.section, from: word.isInHeading ? null : word.from }).catch(() => undefined);
}

/** False when it was stopped meanwhile. */
function said(session: Session, section: string, utterance: Utterance, start: number, mine: number): Promise<boolean> {
  const { words, isInHeading } = utterance;
  return new Promise((resolve) => {
    voice?.say(words.slice(start), {
      language: session.state.titleBlock.language,
      rate: useReading.getState().rate,
      onWord: (at) => {
        if (turn !== mine) return resolve(false);
        const stretch = wordAt(utterance, start + at, session.state.titleBlock.language);
        if (stretch) useReading.setState({ word: { section, ...stretch, isInHeading } });
      },
      onEnd: () => resolve(turn === mine),
    });
  });
}

/** The sections from this one on that are shown. */
function sectionsFrom(session: Session, section: string): string[] {
  const { outline, positions } = session.state;
  const { scope } = session.window;
  const ids =
    scope === null ? outline.ids : runsOf(outline, positions, scope).flatMap((run) => outline.ids.slice(...run));
  return ids.slice(Math.max(0, ids.indexOf(section)));
}

/** Where a word that begins here in what is said stands in the text; null for one that is said and not written. */
export function wordAt(
  { words, stretches }: Pick<Utterance, "words" | "stretches">,
  at: number,
  language: string,
): { from: number; to: number } | null {
  const segment = new Intl.Segmenter(language, { granularity: "word" }).segment(words).containing(at);
  for (const [begins, stands, length] of stretches as [number, number, number][]) {
    if (!segment || segment.index < begins || segment.index >= begins + length) continue;
    const from = stands + segment.index - begins;
    return { from, to: from + Math.min(segment.segment.length, begins + length - segment.index) };
  }
  return null;
}

/** Where in what is said the reading begins that is to begin at a place of the text; null for a line before it. */
export function startIn(
  { isInHeading, stretches }: Pick<Utterance, "isInHeading" | "stretches">,
  from: number,
): number | null {
  if (isInHeading) return null;
  for (const [begins, stands, length] of stretches as [number, number, number][]) {
    if (from < stands) return begins;
    if (from < stands + length) return begins + from - stands;
  }
  return null;
}

function isSpeech(speech: unknown): speech is { utterances: Utterance[]; wordsPerMinute: number } {
  return typeof speech === "object" && speech !== null && "utterances" in speech;
}
