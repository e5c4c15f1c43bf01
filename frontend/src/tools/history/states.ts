import type { HistoryStep, Milestone } from "../../api/client";
import { clockTime, day } from "../../parts/words";

/** A state of the document that can be compared with: after a step, 0 for the beginning, or how it reads now. */
export type State = { state: number | "now"; words: string };

/** Every state that can be spoken of: now, the milestones, each step that is known, and the beginning. */
export function namedStates(steps: readonly HistoryStep[], milestones: readonly Milestone[]): State[] {
  const named = new Set(milestones.map((milestone) => milestone.state));
  return [
    { state: "now", words: "now" },
    ...milestones.map(({ state, name, madeAt }) => ({ state, words: `${name} (milestone of ${day(madeAt)})` })),
    ...steps
      .filter((step) => !named.has(step.id))
      .map((step) => ({
        state: step.id,
        words: `${day(step.madeAt)}, ${clockTime(step.madeAt)}, after: ${step.label}${step.undone ? " (undone)" : ""}`,
      })),
    ...(named.has(0) ? [] : [{ state: 0, words: "the beginning" }]),
  ];
}
