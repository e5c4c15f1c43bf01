import { shown, writes, type Chord } from "./chord";
import { ALWAYS, COMMANDS, type CommandId, type Entry, type Reach } from "./commands";

/** The keys that a writer has chosen instead of ours, by command; an empty list takes a command’s keys away. */
export type OwnKeys = Readonly<Partial<Record<CommandId, readonly Chord[]>>>;

export type Command = { id: CommandId; reach: Reach; words: string; also: string; ours: readonly Chord[] };

export const ALL_COMMANDS: readonly Command[] = (Object.keys(COMMANDS) as Reach[]).flatMap((reach) =>
  Object.entries<Entry>(COMMANDS[reach]).map(([id, { words, keys, also = "" }]) => ({
    id: id as CommandId,
    reach,
    words,
    also,
    ours: keys,
  })),
);

export function keysOf(own: OwnKeys, command: Command): readonly Chord[] {
  return own[command.id] ?? command.ours;
}

/** The command that these keys ask for in a place; what works anywhere gives way to what works just here. */
export function commandAt(own: OwnKeys, reach: Reach, chord: Chord): CommandId | null {
  return ALL_COMMANDS.find((command) => command.reach === reach && keysOf(own, command).includes(chord))?.id ?? null;
}

/** The command that has these keys already where they would meet those of this one. */
export function clash(own: OwnKeys, command: Command, chord: Chord): Command | null {
  return (
    ALL_COMMANDS.find(
      (other) => other.id !== command.id && meet(other.reach, command.reach) && keysOf(own, other).includes(chord),
    ) ?? null
  );
}

function meet(a: Reach, b: Reach): boolean {
  return a === b || a === "anywhere" || b === "anywhere";
}

/** Keys that no page can have: the browser, the system or a screen reader acts on them first. */
const KEPT_ELSEWHERE = new Map<Chord, string>([
  ...[
    "Ctrl+T",
    "Ctrl+N",
    "Ctrl+W",
    "Ctrl+Q",
    "Ctrl+Shift+T",
    "Ctrl+Shift+N",
    "Ctrl+Shift+W",
    "Ctrl+Tab",
    "Ctrl+Shift+Tab",
    "Ctrl+PageUp",
    "Ctrl+PageDown",
    "F1",
    "F5",
    "F6",
    "F7",
    "F11",
    "F12",
    "Ctrl+R",
    "Ctrl+L",
    "Alt+ArrowLeft",
    "Alt+ArrowRight",
  ].map((chord) => [chord, "The browser keeps these keys for itself."] as const),
  ...["Alt+F4", "Alt+Tab", "Alt+Space"].map((chord) => [chord, "The system keeps these keys for itself."] as const),
  ...["Insert", "Ctrl+Alt+ArrowUp", "Ctrl+Alt+ArrowDown", "Ctrl+Alt+ArrowLeft", "Ctrl+Alt+ArrowRight"].map(
    (chord) => [chord, "Screen readers keep these keys for themselves."] as const,
  ),
]);

/** Where a key by itself writes. */
const WRITTEN_IN: ReadonlySet<Reach> = new Set(["anywhere", "text"]);

/** Why these keys cannot be given to the command, in one sentence; null when they can. */
export function objection(command: Command, chord: Chord): string | null {
  const kept = KEPT_ELSEWHERE.get(chord);
  if (kept) return kept;
  if (WRITTEN_IN.has(command.reach) && writes(chord)) return "By itself this key writes; hold Ctrl or Alt with it.";
  const isOurs = command.ours.includes(chord);
  const always = (Object.keys(ALWAYS) as Reach[])
    .filter((reach) => meet(reach, command.reach))
    .flatMap((reach) => ALWAYS[reach]);
  const fixed = always.find((each) => each.chords.includes(chord));
  return fixed && !isOurs ? `${shown(chord)} always does this: ${fixed.words.toLocaleLowerCase()}.` : null;
}

/** The writer’s keys after a command was given some; those that had them before lose them. */
export function withKeys(own: OwnKeys, command: Command, keys: readonly Chord[]): OwnKeys {
  let next: OwnKeys = { ...own, [command.id]: keys };
  for (const chord of keys) {
    const other = clash(next, command, chord);
    if (other) next = { ...next, [other.id]: keysOf(next, other).filter((each) => each !== chord) };
  }
  return tidy(next);
}

/** Only what differs from ours is kept, so that what we better later reaches everyone else. */
function tidy(own: OwnKeys): OwnKeys {
  return Object.fromEntries(
    ALL_COMMANDS.filter(({ id, ours }) => own[id] !== undefined && own[id]?.join() !== ours.join()).map(({ id }) => [
      id,
      own[id],
    ]),
  );
}

/** What the server or an older version kept: commands that are gone and keys that are none are left out. */
export function readOwnKeys(json: unknown): OwnKeys {
  const kept = typeof json === "object" && json !== null ? (json as Record<string, unknown>) : {};
  const known = ALL_COMMANDS.flatMap(({ id }) => {
    const keys = kept[id];
    return Array.isArray(keys) ? [[id, keys.filter((key): key is string => typeof key === "string")] as const] : [];
  });
  return tidy(Object.fromEntries(known));
}
