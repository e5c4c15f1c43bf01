import type { QueryClient } from "@tanstack/react-query";
import type { Reading } from "../api/client";

/** What is read from a whole document beside its outline and texts. */
type DocumentReading =
  | Reading
  | "history"
  | "milestones"
  | "comparison"
  | "preview"
  | "likely-headings"
  | "found"
  | "page-setup"
  | "contents"
  | "kind-uses"
  | "kind-places";

/** Those that any change may have made untrue; they are read by tools that are open now and then. */
const WITH_EVERY_CHANGE: readonly DocumentReading[] = [
  "history",
  "comparison",
  "preview",
  "likely-headings",
  "found",
  "page-setup",
  "contents",
];
/** The check looks through the whole document, so it waits for a pause in the changes (milliseconds). */
const PAUSE = 400;
/** Kinds of text are counted in the whole text as well, and nobody waits for that. */
const LONG_PAUSE = 1500;

/** The key of a reading; the same for as long as the document is known, whatever is written meanwhile. */
export function readingKey(
  document: string,
  reading: DocumentReading,
  ...more: readonly unknown[]
): readonly unknown[] {
  return ["document", document, reading, ...more];
}

/** What a session tells of its changes makes the readings outdated that rest on them; those in view are read again. */
export function outdating(client: QueryClient, document: string): (readings: readonly Reading[]) => void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  let countTimer: ReturnType<typeof setTimeout> | undefined;
  const invalidate = (reading: DocumentReading) => {
    const queryKey = readingKey(document, reading);
    // What is on its way was read before the change; its answer would be taken for the present state.
    void client.cancelQueries({ queryKey }).then(() => client.invalidateQueries({ queryKey }));
  };
  return (readings) => {
    WITH_EVERY_CHANGE.forEach(invalidate);
    clearTimeout(countTimer);
    countTimer = setTimeout(() => (invalidate("kind-uses"), invalidate("kind-places")), LONG_PAUSE);
    readings.filter((reading) => reading !== "findings").forEach(invalidate);
    if (!readings.includes("findings")) return;
    clearTimeout(timer);
    timer = setTimeout(() => invalidate("findings"), PAUSE);
  };
}
