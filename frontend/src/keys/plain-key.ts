import type { KeyboardEvent } from "react";

/** The key by itself; none while an input method puts a character together, for then Enter, Escape and the arrows are its own. */
export function plainKey({ key, nativeEvent }: KeyboardEvent): string {
  return nativeEvent.isComposing ? "" : key;
}
