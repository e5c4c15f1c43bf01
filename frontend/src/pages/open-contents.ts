import { create } from "zustand";

/** Contents that are set up where they stand: of which section, which of those in it, and beside what on the screen. */
export type OpenContents = { section: string; index: number; beside: DOMRect };

export const useOpenContents = create<{ open: OpenContents | null }>(() => ({ open: null }));

export function setUpInPlace(open: OpenContents | null): void {
  useOpenContents.setState({ open });
}
