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
