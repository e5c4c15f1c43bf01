import { nameOf } from "../outline/names";
import type { DocumentState } from "./state";

/** What a section is called wherever a sentence or a label speaks of it: its heading, or the number that stands for it. */
export function sectionName(state: DocumentState, id: string): string {
  const position = state.positions.get(id) ?? -1;
  return nameOf(state.facts.get(id)?.heading ?? "", { number: state.numbers[position] ?? "", names: state.numbersName }, state.outline.levels[position] === "0");
}
