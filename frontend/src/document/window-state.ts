import { isInScope, runsOf, withMade, type Scope } from "../outline/scope";
import type { DocumentState } from "./state";

/** A place in the text: a section and, in it, the editor's position (0 is before the heading). */
export type Place = {
  section: string;
  position?: number;
  /** The id of a bookmark, or of a reminder. */
  bookmark?: string;
  /** Which of the captions of its pictures and tables, from 0 on. */
  caption?: number;
  /** A stretch of the heading or of the text, to be selected. */
  found?: { from: number; to: number; isInHeading: boolean };
  /** The head of the text under the heading. */ inText?: true;
};

export type Message = {
  key: number;
  /** Unsure: whether a command was done is not known, for its answer never came. */
  tone: "said" | "warning" | "unsure";
  sentence: string;
  canUndo: boolean;
  offer?: { label: string; run: () => void };
};

/** What this window shows of the document, and how: nothing here is part of the document. */
export type WindowState = {
  current: string | null;
  /** Where the manuscript is to go next; answered and cleared by it. */
  request: (Place & { key: number; focus: boolean }) | null;
  /** The part that is shown and worked on; null for the whole. */
  scope: Scope | null;
  folded: ReadonlySet<string>;
  /** Sections whose text is folded under their headings in the manuscript, with all of their branch. */
  foldedTexts: ReadonlySet<string>;
  /** Sections picked in the outline, for one operation on all of them. */
  picked: ReadonlySet<string>;
  trail: { places: readonly Place[]; at: number };
  message: Message | null;
};

/** A window opens where the writer was last, or at the beginning. */
export function openedAt(document: DocumentState, resume: Place | null, kept: Scope | null = null): WindowState {
  const { outline, positions } = document;
  const first = kept === null ? undefined : runsOf(outline, positions, kept)[0];
  const scope = first ? kept : null;
  const isKnown = resume !== null && positions.has(resume.section);
  const known = isKnown && isInScope(outline, positions, scope, resume.section) ? resume : null;
  return {
    current: known?.section ?? outline.ids[first?.[0] ?? 0] ?? null,
    // Where there is a keyboard at hand, it goes on where one was writing.
    request: known ? { ...known, key: 1, focus: hasKeyboard() } : null,
    scope,
    folded: new Set(),
    foldedTexts: new Set(),
    picked: new Set(),
    trail: { places: [], at: 0 },
    message: null,
  };
}

/**
 * After a change of the outline: a section that is gone is not current, not picked and not worked on; one that the writer
 * has made beside those that are worked on belongs to them.
 */
export function withoutGone(
  window: WindowState,
  before: DocumentState,
  after: DocumentState,
  isOwn = false,
): Pick<WindowState, "current" | "scope" | "picked"> {
  const { positions, outline } = after;
  const place = Math.min(before.positions.get(window.current ?? "") ?? 0, outline.ids.length - 1);
  return {
    current: window.current !== null && positions.has(window.current) ? window.current : (outline.ids[place] ?? null),
    scope: scopeAfter(window.scope, before, after, isOwn),
    picked: [...window.picked].every((id) => positions.has(id))
      ? window.picked
      : new Set([...window.picked].filter((id) => positions.has(id))),
  };
}

function scopeAfter(
  scope: Scope | null,
  before: DocumentState,
  { outline, positions }: DocumentState,
  isOwn: boolean,
): Scope | null {
  if (scope === null) return null;
  const heads = scope.heads.every((id) => positions.has(id))
    ? scope.heads
    : scope.heads.filter((id) => positions.has(id));
  if (heads.length === 0) return null;
  const left = heads === scope.heads ? scope : { ...scope, heads };
  return isOwn ? withMade(left, before.positions, outline, positions) : left;
}

/** A pointer that can hover comes with a keyboard; a finger would bring one up over the text. */
function hasKeyboard(): boolean {
  return typeof matchMedia === "function" && matchMedia("(hover: hover)").matches;
}
