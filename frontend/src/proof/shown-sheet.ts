import { create } from "zustand";
import type { Spread } from "./leaves";

/** Which page is looked at, and how the pages lie. */
export const useProof = create<{ sheet: number; spread: Spread }>(() => ({ sheet: 1, spread: "spread" }));
