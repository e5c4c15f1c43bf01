import type { EditorView } from "@tiptap/pm/view";
import { create } from "zustand";

/** Where the cursor is: in which section, in the editor. */
export type Spot = { section: string; view: EditorView; key: number };

export type SpotQuestion = "bookmark" | "link" | "reference" | "contents";

/** One at a time, as there is one cursor; and what is being asked about a spot. */
export const useSpot = create<{ spot: Spot | null; asking: { what: SpotQuestion; spot: Spot } | null }>(() => ({
  spot: null,
  asking: null,
}));

let key = 0;

export function markSpot(section: string, view: EditorView): void {
  useSpot.setState({ spot: { section, view, key: ++key } });
}

export function clearSpot(): void {
  useSpot.setState({ spot: null, asking: null });
}

export function askAtSpot(what: SpotQuestion, spot: Omit<Spot, "key">): void {
  useSpot.setState({ asking: { what, spot: { ...spot, key: ++key } } });
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
