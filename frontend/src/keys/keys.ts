import { create } from "zustand";
import { api, read } from "../api/client";
import { ALL_COMMANDS, commandAt, keysOf, readOwnKeys, type OwnKeys } from "./bindings";
import { chordOf, shown, type KeyPress } from "./chord";
import type { AnywhereCommand, CommandId, OutlineCommand, StrataCommand, TextCommand } from "./commands";

/** The writer’s own keys, the same in every document and every window. */
export const useKeys = create<{ own: OwnKeys }>(() => ({ own: {} }));

export async function readKeys(): Promise<void> {
  const answer = await read(api.GET("/api/keys")).catch(() => null);
  // Without an answer ours hold; a writer can work with them.
  if (answer !== null) useKeys.setState({ own: readOwnKeys(answer.keys) });
}

/** Throws one sentence when they could not be kept; then the old ones hold. */
export async function keepKeys(own: OwnKeys): Promise<void> {
  const before = useKeys.getState().own;
  useKeys.setState({ own });
  try {
    await read(api.PUT("/api/keys", { body: { keys: own as Record<string, string[]> } }));
  } catch (failure) {
    useKeys.setState({ own: before });
    throw failure;
  }
}

type InReach = {
  anywhere: AnywhereCommand;
  outline: OutlineCommand;
  strata: StrataCommand;
  text: TextCommand;
};

export function commandOf<R extends keyof InReach>(reach: R, event: KeyPress): InReach[R] | null {
  const chord = chordOf(event);
  return chord === null ? null : (commandAt(useKeys.getState().own, reach, chord) as InReach[R] | null);
}

/** A command’s words, its keys as they are labelled, and other words for it. */
export function labelled(id: CommandId): { label: string; keys: string; also: string } {
  const command = ALL_COMMANDS.find((each) => each.id === id);
  if (!command) throw new Error(`There is no command “${id}”.`);
  return { label: command.words, keys: keysShown(id), also: command.also };
}

/** The first of a command’s keys; empty when it has none. */
export function keysShown(id: CommandId): string {
  const command = ALL_COMMANDS.find((each) => each.id === id);
  const chord = command && keysOf(useKeys.getState().own, command)[0];
  return chord === undefined ? "" : shown(chord);
}
