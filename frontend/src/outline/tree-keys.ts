/** What a key asks for while the outline has the focus. */
export type TreeIntent =
  | { kind: "go"; to: "previous" | "next" | "first" | "last" | "in" | "out" }
  | { kind: "open" }
  | { kind: "menu" }
  | { kind: "rename" }
  | { kind: "find"; letter: string }
  | { kind: "filter" }
  | { kind: "pick"; what: "this" | "all" | "none" }
  | { kind: "stretch"; to: "previous" | "next" | "first" | "last" }
  | { kind: "levels"; upTo: number | "all" | "next" }
  | { kind: "operation"; name: "promote" | "demote" | "move-up" | "move-down" | "delete" | "duplicate" }
  | { kind: "insert"; landing: "after" | "inside" };

type Keys = Pick<KeyboardEvent, "key" | "ctrlKey" | "metaKey" | "shiftKey" | "altKey">;

const PLAIN: Record<string, TreeIntent> = {
  ArrowUp: { kind: "go", to: "previous" },
  ArrowDown: { kind: "go", to: "next" },
  Home: { kind: "go", to: "first" },
  End: { kind: "go", to: "last" },
  ArrowRight: { kind: "go", to: "in" },
  ArrowLeft: { kind: "go", to: "out" },
  Enter: { kind: "open" },
  F2: { kind: "rename" },
  Delete: { kind: "operation", name: "delete" },
  ContextMenu: { kind: "menu" },
  " ": { kind: "pick", what: "this" },
  Escape: { kind: "pick", what: "none" },
  "/": { kind: "filter" },
  ".": { kind: "levels", upTo: "next" },
  "0": { kind: "levels", upTo: "all" },
};

const WITH_SHIFT: Record<string, TreeIntent> = {
  ArrowUp: { kind: "stretch", to: "previous" },
  ArrowDown: { kind: "stretch", to: "next" },
  Home: { kind: "stretch", to: "first" },
  End: { kind: "stretch", to: "last" },
  F10: { kind: "menu" },
};

/** The arrows move the focus; with Ctrl and Shift they move the branch the same way. */
const WITH_CTRL_SHIFT: Record<string, TreeIntent> = {
  ArrowUp: { kind: "operation", name: "move-up" },
  ArrowDown: { kind: "operation", name: "move-down" },
  ArrowLeft: { kind: "operation", name: "promote" },
  ArrowRight: { kind: "operation", name: "demote" },
  Enter: { kind: "insert", landing: "inside" },
};

const WITH_CTRL: Record<string, TreeIntent> = {
  Enter: { kind: "insert", landing: "after" },
  d: { kind: "operation", name: "duplicate" },
  a: { kind: "pick", what: "all" },
};

export function treeIntent(event: Keys): TreeIntent | null {
  if (event.altKey) return null;
  const held = event.ctrlKey || event.metaKey;
  if (held) return (event.shiftKey ? WITH_CTRL_SHIFT : WITH_CTRL)[event.key] ?? null;
  const known = (event.shiftKey && WITH_SHIFT[event.key]) || PLAIN[event.key];
  if (known) return known;
  if (/^[1-9]$/.test(event.key)) return { kind: "levels", upTo: Number(event.key) };
  return /^[\p{L}\p{N}]$/u.test(event.key) ? { kind: "find", letter: event.key } : null;
}
