import { isInHeading } from "../editor/commands";
import { findSection, placeIn } from "../editor/places";
import { bodyPosition } from "../editor/section-text";
import { useSpot } from "./spot";

/** Where in the section’s text the cursor last was, for a passage to go there; its end when it was elsewhere. */
export function placeOfCursor(section: string): { at?: number } {
  const { spot } = useSpot.getState();
  if (spot?.section !== section || isInHeading(spot.view.state)) return {};
  const place = findSection(spot.view.state.doc, spot.section);
  return place ? { at: Math.max(0, bodyPosition(place.node, placeIn(place, spot.view.state.selection.head))) } : {};
}
