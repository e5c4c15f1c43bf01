import { chordOf, type KeyPress } from "../keys/chord";
import type { OutlineCommand } from "../keys/commands";
import { commandOf } from "../keys/keys";

/** What a key asks for while the outline has the focus. */
export type TreeIntent =
  | { kind: "go"; to: "previous" | "next" | "first" | "last" | "in" | "out" }
  | { kind: "open" }
  | { kind: "menu" }
  | { kind: "pick-none" }
  | { kind: "stretch"; to: "previous" | "next" | "first" | "last" }
  | { kind: "command"; command: OutlineCommand }
  | { kind: "find"; letter: string };

/** After the tree view and treegrid patterns of the WAI-ARIA Authoring Practices; these cannot be changed. */
const FIXED: Record<string, TreeIntent> = {
  ArrowUp: { kind: "go", to: "previous" },
  ArrowDown: { kind: "go", to: "next" },
  Home: { kind: "go", to: "first" },
  End: { kind: "go", to: "last" },
  ArrowRight: { kind: "go", to: "in" },
  ArrowLeft: { kind: "go", to: "out" },
  Enter: { kind: "open" },
  Escape: { kind: "pick-none" },
  ContextMenu: { kind: "menu" },
  "Shift+F10": { kind: "menu" },
  "Shift+ArrowUp": { kind: "stretch", to: "previous" },
  "Shift+ArrowDown": { kind: "stretch", to: "next" },
  "Shift+Home": { kind: "stretch", to: "first" },
  "Shift+End": { kind: "stretch", to: "last" },
};

export function treeIntent(event: KeyPress): TreeIntent | null {
  const fixed = FIXED[chordOf(event) ?? ""];
  if (fixed) return fixed;
  const command = commandOf("outline", event);
  if (command !== null) return { kind: "command", command };
  const isPlain = !event.ctrlKey && !event.metaKey && !event.altKey;
  return isPlain && /^[\p{L}\p{N}]$/u.test(event.key) ? { kind: "find", letter: event.key } : null;
}
