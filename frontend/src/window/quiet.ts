import { create } from "zustand";

/** Whether all but the text is hidden in this window. */
export const useQuiet = create<{ isQuiet: boolean }>(() => ({ isQuiet: false }));

export function setQuiet(isQuiet: boolean): void {
  useQuiet.setState({ isQuiet });
}

/** The whole screen for the window, or no longer; a browser may refuse, and then nothing happens. */
export function changeFullScreen(): void {
  const switching = document.fullscreenElement
    ? document.exitFullscreen()
    : document.documentElement.requestFullscreen();
  void switching.catch(() => undefined);
}
