import type { FoundPlace } from "../api/client";

/** What was found, with what stands around it. */
export function FoundLine({ place, before }: { place: FoundPlace; before: string }) {
  return (
    <>
      {place.field !== "text" && <span className="font-sans text-[11px] text-faint">{place.field} · </span>}
      {before}
      <mark className="rounded-xs bg-found px-px text-ink">{place.words}</mark>
      {place.after}
    </>
  );
}

/** The end of what stands before, so that what was found is in sight. */
export function beginOf(before: string, most: number): string {
  return before.length > most ? `…${before.slice(2 - most)}` : before;
}

/** The beginning of what stands behind, as far as a whole word. */
export function endOf(after: string, most: number): string {
  return after.length > most ? `${after.slice(0, most - 1).replace(/\s*\S*$/, "")}…` : after;
}
