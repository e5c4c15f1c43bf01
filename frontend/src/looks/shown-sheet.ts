import { create } from "zustand";
import type { StyleSheetView } from "../api/client";

/** The style sheet of the document in this window, for menus that are made when they are opened; null while it is read. */
export const useShownSheet = create<{ sheet: StyleSheetView | null }>(() => ({ sheet: null }));
