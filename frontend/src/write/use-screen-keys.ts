import { useEffect } from "react";
import { useSession } from "../document/context";

/** Keys that work wherever the focus is on the Write screen. */
export function useScreenKeys(onJump: () => void): void {
  const session = useSession("useScreenKeys");
  useEffect(() => {
    const pressed = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.altKey || event.defaultPrevented) return;
      const isInField = event.target instanceof HTMLElement && event.target.closest("input, textarea, [contenteditable=true]") !== null;
      const run: (() => void) | undefined = {
        j: onJump,
        "[": () => session.goBack(),
        "]": () => session.goForward(),
        s: () => void session.flush(),
        ...(isInField ? {} : { z: () => void (event.shiftKey ? session.redo() : session.undo()), Z: () => void session.redo(), y: () => void session.redo() }),
      }[event.key];
      if (!run) return;
      event.preventDefault();
      run();
    };
    window.addEventListener("keydown", pressed);
    return () => window.removeEventListener("keydown", pressed);
  }, [session, onJump]);
}
