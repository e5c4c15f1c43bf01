/** Keys pressed together, such as “Ctrl+Shift+ArrowUp”; on a Mac the command key counts as Ctrl. */
export type Chord = string;

export type KeyPress = Pick<KeyboardEvent, "key" | "ctrlKey" | "metaKey" | "shiftKey" | "altKey"> &
  Partial<Pick<KeyboardEvent, "code" | "getModifierState" | "isComposing">>;

const HELD = new Set([
  "Control",
  "Shift",
  "Alt",
  "Meta",
  "AltGraph",
  "CapsLock",
  "NumLock",
  "Dead",
  "Process",
  "Unidentified",
]);

/** Null while keys are only held, and while they write: a character behind the keyboard’s third level, or one that an input method puts together. */
export function chordOf(event: KeyPress): Chord | null {
  if (HELD.has(event.key) || event.isComposing || event.getModifierState?.("AltGraph")) return null;
  const key = nameOf(event);
  // A sign says by itself whether Shift was held, and on which key it lies differs from keyboard to keyboard; on some, so do digits.
  const saysShift = key.length === 1 && key === event.key && !/\p{L}/u.test(key);
  return [
    event.ctrlKey || event.metaKey ? "Ctrl" : "",
    event.altKey ? "Alt" : "",
    event.shiftKey && !saysShift ? "Shift" : "",
    key,
  ]
    .filter(Boolean)
    .join("+");
}

function nameOf({ key, code, altKey, ctrlKey, metaKey }: KeyPress): string {
  if (key === " ") return "Space";
  if (key.length !== 1) return key;
  // The character counts, wherever it lies; but with Alt held some systems report another, and not all alphabets have A to Z.
  const [, letter, digit] = /^(?:Key([A-Z])|(?:Digit|Numpad)(\d))$/.exec(code ?? "") ?? [];
  if (letter && (altKey || ctrlKey || metaKey) && !/[a-z]/i.test(key)) return letter;
  if (digit && altKey && !/\d/.test(key)) return digit;
  return key.toLocaleUpperCase("en");
}

const SHOWN: Record<string, string> = {
  ArrowUp: "↑",
  ArrowDown: "↓",
  ArrowLeft: "←",
  ArrowRight: "→",
  PageUp: "Page Up",
  PageDown: "Page Down",
  Escape: "Esc",
};

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
