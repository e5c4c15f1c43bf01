import { create } from "zustand";

export type DrawerTool = "links" | "contents" | "offcuts" | "history" | "check";

/** One drawer, and the tool in it. */
export const useDrawer = create<{ open: DrawerTool | null }>(() => ({ open: null }));

export function openDrawer(open: DrawerTool | null): void {
  useDrawer.setState({ open });
}
