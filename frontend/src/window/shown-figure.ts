import { create } from "zustand";

/** What stands at the end of each row of the outline. */
export type ShownFigure = "words" | "pages";

const KEY = "stemmata.outline-figure";

export const useShownFigure = create<{ figure: ShownFigure }>(() => ({
  figure: window.localStorage.getItem(KEY) === "pages" ? "pages" : "words",
}));

export function showFigure(figure: ShownFigure): void {
  useShownFigure.setState({ figure });
  window.localStorage.setItem(KEY, figure);
}
