import type { EditorView } from "@tiptap/pm/view";

/** Keys that no text waits for. */
const MODIFIERS = new Set([
  "Shift",
  "Control",
  "Alt",
  "AltGraph",
  "Meta",
  "CapsLock",
  "Dead",
  "Process",
  "Unidentified",
]);

/** How far each key goes, for `Selection.modify` (Selection API, W3C). */
const MOVES: Record<string, readonly ["backward" | "forward", "character" | "line" | "lineboundary"]> = {
  ArrowLeft: ["backward", "character"],
  ArrowRight: ["forward", "character"],
  ArrowUp: ["backward", "line"],
  ArrowDown: ["forward", "line"],
  Home: ["backward", "lineboundary"],
  End: ["forward", "lineboundary"],
};

/**
 * Keys pressed while a command that may change the text under the cursor is on its way to the server and back: they mean
 * the text as the command leaves it. They are kept in their order and pressed again when that is shown, a few hundredths
 * of a second later as a rule.
 */
export class HeldKeys {
  private keys: KeyboardEvent[] | null = null;

  hold(): void {
    this.keys ??= [];
  }

  /** Takes a key while keys are held. An input method is never kept waiting. */
  take(view: EditorView, event: KeyboardEvent): boolean {
    if (this.keys === null || view.composing || event.isComposing || MODIFIERS.has(event.key)) return false;
    event.preventDefault();
    event.stopPropagation();
    this.keys.push(event);
    return true;
  }

  drop(): void {
    this.keys = null;
  }

  /** Presses the keys that were held; one that begins another command holds those after it. */
  release(view: EditorView): void {
    const keys = this.keys ?? [];
    this.keys = null;
    keys.forEach((key, index) => {
      if (this.keys !== null) this.keys.push(...keys.slice(index, index + 1));
      else press(view, key);
    });
  }
}

function press(view: EditorView, { key, code, keyCode, ctrlKey, shiftKey, altKey, metaKey }: KeyboardEvent): void {
  if (view.isDestroyed) return;
  const again = new KeyboardEvent("keydown", {
    key,
    code,
    keyCode,
    ctrlKey,
    shiftKey,
    altKey,
    metaKey,
    bubbles: true,
    cancelable: true,
  });
  // The text, and after it the screen, look at it as at any other key.
  if (!view.dom.dispatchEvent(again)) return;
  const { from, to } = view.state.selection;
  if (key.length === 1 && !ctrlKey && !metaKey) {
    const write = () => view.state.tr.insertText(key, from, to).scrollIntoView();
    const isTaken = view.someProp("handleTextInput", (handle) => handle(view, from, to, key, write));
    if (isTaken !== true) view.dispatch(write());
  } else if (key === "Backspace" || key === "Delete") {
    document.execCommand(key === "Backspace" ? "delete" : "forwardDelete");
  } else if (MOVES[key]) {
    document.getSelection()?.modify(shiftKey ? "extend" : "move", MOVES[key][0], MOVES[key][1]);
  }
}
