/** Keys pressed together, such as “Ctrl+Shift+ArrowUp”; on a Mac the command key counts as Ctrl. */
export type Chord = string;

export type KeyPress = Pick<KeyboardEvent, "key" | "ctrlKey" | "metaKey" | "shiftKey" | "altKey"> & Partial<Pick<KeyboardEvent, "code" | "getModifierState">>;

const HELD = new Set(["Control", "Shift", "Alt", "Meta", "AltGraph", "CapsLock", "NumLock", "Dead", "Process", "Unidentified"]);

/** Null while keys are only held, or while they write a character that the keyboard keeps behind its third level. */
export function chordOf(event: KeyPress): Chord | null {
  if (HELD.has(event.key) || event.getModifierState?.("AltGraph")) return null;
  const key = nameOf(event);
  // A sign says by itself whether Shift was held, and on which key it lies differs from keyboard to keyboard.
  const isSign = key.length === 1 && !/[\p{L}\p{N}]/u.test(key);
  return [event.ctrlKey || event.metaKey ? "Ctrl" : "", event.altKey ? "Alt" : "", event.shiftKey && !isSign ? "Shift" : "", key].filter(Boolean).join("+");
}

function nameOf({ key, code, altKey, ctrlKey, shiftKey }: KeyPress): string {
  if (key === " ") return "Space";
  // With Alt held some systems report another character, and with Shift a digit becomes a sign.
  const plain = /^(?:Key([A-Z])|(?:Digit|Numpad)(\d))$/.exec(code ?? "");
  if (plain && (altKey || (ctrlKey && shiftKey))) return plain[1] ?? plain[2] ?? key;
  return key.length === 1 ? key.toLocaleUpperCase() : key;
}

const SHOWN: Record<string, string> = { ArrowUp: "↑", ArrowDown: "↓", ArrowLeft: "←", ArrowRight: "→", PageUp: "Page Up", PageDown: "Page Down", Escape: "Esc" };

/** As the keys are labelled: “Ctrl Shift ↑”. */
export function shown(chord: Chord): string {
  return chord
    .split(/\+(?=.)/)
    .map((key) => SHOWN[key] ?? key)
    .join(" ");
}

/** Whether the keys by themselves would put a character into the text. */
export function writes(chord: Chord): boolean {
  return chord === "Space" || /^(?:Shift\+)?.$/u.test(chord);
}
