import "fake-indexeddb/auto";
import { vi } from "vitest";
import { clear, createStore, values } from "idb-keyval";

const store = createStore("stemmata", "drafts");

/** Lets the browser's store do what it has been asked for: it works in tasks of its own, whatever the clock is made to say. */
export async function stored(): Promise<void> {
  for (let task = 0; task < 60; task++) {
    await new Promise((resolve) => setImmediate(resolve));
    if (vi.isFakeTimers()) await vi.advanceTimersByTimeAsync(0);
  }
}

/** All drafts that the browser keeps, as JSON; null for none. */
export async function keptDrafts(): Promise<string | null> {
  await stored();
  const kept = await values(store);
  return kept.length === 0 ? null : JSON.stringify(kept);
}

export async function withoutDrafts(): Promise<void> {
  localStorage.clear();
  await clear(store);
}
