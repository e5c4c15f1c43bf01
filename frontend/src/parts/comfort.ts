import { create } from "zustand";

export const FACES = ["sheet", "book", "figtree", "hyperlegible", "opendyslexic"] as const;
export type FaceName = (typeof FACES)[number];
export const THEMES = ["day", "night", "contrast"] as const;
export type Theme = (typeof THEMES)[number];
/** What stays clear while one writes; the rest of the text is set back. */
export const SET_OFF = ["nothing", "paragraph", "sentence"] as const;
export type SetOff = (typeof SET_OFF)[number];

/** How the text looks while one writes in it. Nothing of it is part of a document. */
export type Comfort = {
  theme: Theme;
  face: FaceName;
  /** Height of its letters (pixels). */
  size: number;
  /** From line to line, in heights of letters. */
  leading: number;
  /** Letters in a line, about. */
  measure: number;
  /** The height that the typed line is held at, as a share of the window; null when it moves freely. */
  line: number | null;
  setOff: SetOff;
  /** Whether aim, counts and what else belongs to a section stand beside it. */
  notes: boolean;
  /** Whether " and -- become the signs of the document’s language. */
  signs: boolean;
  /** Whether “- ”, “1. ”, “> ” and “# ” at the head of a line make it a list, a quotation or a heading. */
  lineSigns: boolean;
  /** Whether paragraph ends, line breaks, tabs and blanks that hold words together are drawn. */
  invisibles: boolean;
  /** Whether what is shaped by hand is marked in the text. */
  byHand: boolean;
};

export const LIMITS = {
  size: { least: 13, most: 28, step: 0.5 },
  leading: { least: 1.3, most: 2.4, step: 0.05 },
  measure: { least: 44, most: 96, step: 2 },
  line: { least: 0.2, most: 0.8, step: 0.05 },
} as const;

/** Letters of our text face are so wide on average, in heights of letters. */
const LETTER = 0.55;
const KEY = "stemmata:comfort";
export const USUAL: Comfort = {
  theme: "day",
  face: "sheet",
  size: 16.5,
  leading: 1.7,
  measure: 68,
  line: null,
  setOff: "nothing",
  notes: true,
  signs: true,
  lineSigns: true,
  invisibles: false,
  byHand: false,
};

const FAMILIES: Record<FaceName, string> = {
  sheet: '"Literata Variable", Georgia, serif',
  book: '"Literata Variable", Georgia, serif',
  figtree: '"Figtree Variable", system-ui, sans-serif',
  hyperlegible: '"Atkinson Hyperlegible", system-ui, sans-serif',
  opendyslexic: '"OpenDyslexic", system-ui, sans-serif',
};

/** Kept by the browser, and the same in all of its windows. */
export const useComfort = create<Comfort>(() => ({ ...USUAL }));

export function setComfort(change: Partial<Comfort>): void {
  useComfort.setState(change);
  try {
    window.localStorage.setItem(KEY, JSON.stringify(useComfort.getState()));
  } catch {
    // It holds for this window, and is forgotten with it.
  }
}

export function startComfort(): void {
  useComfort.subscribe(show);
  window.addEventListener("storage", ({ key }) => key === KEY && useComfort.setState(kept()));
  useComfort.setState(kept());
  show(useComfort.getState());
}

function show({ theme, face, size, leading, measure, setOff, byHand }: Comfort): void {
  const { dataset, style } = document.documentElement;
  dataset["theme"] = theme;
  dataset["setOff"] = setOff;
  dataset["byHand"] = byHand ? "marked" : "unmarked";
  // The letters are those of the document’s style sheet, or the reader’s own.
  dataset["letters"] = face === "sheet" ? "sheet" : "own";
  style.setProperty("--font-text", FAMILIES[face]);
  style.setProperty("--text-size", `${size}px`);
  style.setProperty("--text-leading", String(leading));
  style.setProperty("--text-measure", `${Math.round(measure * size * LETTER)}px`);
}

function kept(): Comfort {
  const usual = { ...USUAL, theme: wantedTheme() };
  try {
    const read: unknown = JSON.parse(window.localStorage.getItem(KEY) ?? "{}");
    return typeof read === "object" && read !== null
      ? sound(read as Partial<Record<keyof Comfort, unknown>>, usual)
      : usual;
  } catch {
    return usual;
  }
}

/** What the browser’s owner prefers, until they say otherwise here. */
function wantedTheme(): Theme {
  if (window.matchMedia("(prefers-contrast: more)").matches) return "contrast";
  return window.matchMedia("(prefers-color-scheme: dark)").matches ? "night" : "day";
}

/** What was kept may be another version’s, or anyone’s. */
export function sound(kept: Partial<Record<keyof Comfort, unknown>>, usual: Comfort): Comfort {
  const among = <T extends string>(all: readonly T[], value: unknown, other: T): T =>
    all.find((each) => each === value) ?? other;
  const within = (name: keyof typeof LIMITS, value: unknown, other: number): number =>
    typeof value === "number" && value >= LIMITS[name].least && value <= LIMITS[name].most ? value : other;
  return {
    theme: among(THEMES, kept.theme, usual.theme),
    face: among(FACES, kept.face, usual.face),
    size: within("size", kept.size, usual.size),
    leading: within("leading", kept.leading, usual.leading),
    measure: within("measure", kept.measure, usual.measure),
    line: typeof kept.line === "number" ? within("line", kept.line, 0.5) : null,
    setOff: among(SET_OFF, kept.setOff, usual.setOff),
    notes: kept.notes !== false,
    signs: kept.signs !== false,
    lineSigns: kept.lineSigns !== false,
    invisibles: kept.invisibles === true,
    byHand: kept.byHand === true,
  };
}
