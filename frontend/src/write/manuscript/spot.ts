import type { EditorView } from "@tiptap/pm/view";
import { create } from "zustand";

/** Where the cursor or the selection is: which editor, which section. */
export type Spot = { section: string; view: EditorView; key: number };

/** One at a time, as there is one cursor. */
export const useSpot = create<{ spot: Spot | null }>(() => ({ spot: null }));

let key = 0;

export function markSpot(section: string, view: EditorView): void {
  useSpot.setState({ spot: { section, view, key: ++key } });
}

export function clearSpot(section: string): void {
  if (useSpot.getState().spot?.section === section) useSpot.setState({ spot: null });
}
