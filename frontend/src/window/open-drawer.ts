import { create } from "zustand";

export type DrawerTool =
  "find" | "links" | "reminders" | "ideas" | "contents" | "pages" | "look" | "counts" | "offcuts" | "history" | "check";

/** One drawer, and the tool in it. In a narrow window the outline lies over the text as the drawer does. */
export const useDrawer = create<{ open: DrawerTool | null; isOutlineOver: boolean }>(() => ({
  open: null,
  isOutlineOver: false,
}));

export function openDrawer(open: DrawerTool | null): void {
  useDrawer.setState({ open, isOutlineOver: false });
}

export function layOutlineOver(isOutlineOver: boolean): void {
  useDrawer.setState(isOutlineOver ? { open: null, isOutlineOver } : { isOutlineOver });
}

/** A window too narrow for the outline beside the text, such as a phone’s, or a page that is shown twice as large. */
export function isNarrow(): boolean {
  return window.matchMedia("(width < 48rem)").matches;
}
