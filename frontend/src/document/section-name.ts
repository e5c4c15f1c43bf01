import { labelOf, nameOf } from "../outline/names";
import type { DocumentState } from "./state";

/** What a section is called wherever a sentence or a list speaks of it. */
export function sectionName(state: DocumentState, id: string): string {
  return nameOf(id, state.facts.get(id)?.heading ?? "", state.names);
}

/** The same with its number before it. */
export function sectionLabel(state: DocumentState, id: string): string {
  return labelOf(sectionName(state, id), state.numbers[state.positions.get(id) ?? -1] ?? "");
}

/** A document without a title is called by the first heading with words, as far as this many sections down. */
const NAMING = 20;

/** What the document is called on the screen. */
export function documentName(state: DocumentState): string {
  const headings = state.outline.ids.slice(0, NAMING).map((id) => (state.facts.get(id)?.heading ?? "").trim());
  return state.titleBlock.title.trim() || headings.find(Boolean) || "Untitled";
}
