import type { EditorView } from "@tiptap/pm/view";
import { create } from "zustand";

/** Where the cursor is: in which section, in the editor. */
export type Spot = { section: string; view: EditorView; key: number };

export type SpotQuestion =
  "bookmark" | "reminder" | "link" | "reference" | "contents" | "picture" | "table" | "formula" | "filler";

/** One at a time, as there is one cursor; and what is being asked about a spot. */
export const useSpot = create<{
  spot: Spot | null;
  asking: { what: SpotQuestion; spot: Spot; file?: File } | null;
  /** The text that is on the screen, whether the cursor is in it or not. */
  view: EditorView | null;
}>(() => ({
  spot: null,
  view: null,
  asking: null,
}));

let key = 0;

export function markSpot(section: string, view: EditorView): void {
  useSpot.setState({ spot: { section, view, key: ++key } });
}

/** The cursor was left behind, out of what is shown. */
export function loseSpot(): void {
  useSpot.setState({ spot: null });
}

export function clearSpot(): void {
  useSpot.setState({ spot: null, asking: null, view: null });
}

/** A picture may be at hand already: dropped, or on the clipboard. */
export function askAtSpot(what: SpotQuestion, spot: Omit<Spot, "key">, file?: File): void {
  useSpot.setState({ asking: { what, spot: { ...spot, key: ++key }, ...(file ? { file } : {}) } });
}

export function noteText(view: EditorView): void {
  useSpot.setState({ view });
}

/** When a menu of the text has closed, the keys are the text's again, unless a dialog or a field has taken them. */
export function backToText(view: EditorView): void {
  if (document.activeElement?.matches("input, textarea")) return;
  if (document.querySelector("[role=dialog]") === null && !view.isDestroyed) view.focus();
}

let pointings = 0;

/** The writer has put the cursor somewhere by hand. */
export function notePointing(): void {
  pointings++;
}

/** Follows a command with the cursor, unless the writer has pointed elsewhere while the answer was on its way. */
export function followingUp(): (go: () => void) => void {
  const before = pointings;
  return (go) => {
    if (pointings === before) go();
  };
}
