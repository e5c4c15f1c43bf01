import { create } from "zustand";
import { openDrawer } from "../window/open-drawer";

/** How far a change in the drawer reaches: all of a kind, the one place with the cursor, the selected words, or picked headings. */
export type Reach = "kind" | "one" | "words" | "picked";

export const useLookReach = create<{ reach: Reach }>(() => ({ reach: "kind" }));

export function openLook(reach: Reach): void {
  useLookReach.setState({ reach });
  openDrawer("look");
}
