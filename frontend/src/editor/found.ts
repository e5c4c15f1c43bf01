import type { Plugin } from "@tiptap/pm/state";
import { Decoration } from "@tiptap/pm/view";
import { inEachSection } from "./decorations";
import { headingOf } from "./section-text";

/** A stretch of a heading, or of the text under it, counted from its beginning. */
export type FoundStretch = { from: number; to: number; isInHeading: boolean };

/** Places that were found are drawn; the one that the writer is at stands out among them. */
export function foundMarks(placesOf: (section: string) => readonly (FoundStretch & { isNow: boolean })[]): Plugin {
  return inEachSection((section, start) =>
    placesOf(String(section.attrs["id"])).flatMap((place) => {
      const { from, to } = rangeOf(section.attrs["id"] === null ? 0 : headingSize(section), place);
      const end = section.content.size;
      return to <= end
        ? [Decoration.inline(start + 1 + from, start + 1 + to, { class: place.isNow ? "found now-found" : "found" })]
        : [];
    }),
  );
}

/** The word that is spoken while the text is read aloud. */
export function spokenMark(wordIn: (section: string) => FoundStretch | null): Plugin {
  return inEachSection((section, start) => {
    const word = wordIn(String(section.attrs["id"]));
    if (!word) return [];
    const { from, to } = rangeOf(headingSize(section), word);
    return to <= section.content.size ? [Decoration.inline(start + 1 + from, start + 1 + to, { class: "spoken" })] : [];
  });
}

function headingSize(section: Parameters<typeof headingOf>[0]): number {
  return headingOf(section)?.nodeSize ?? 0;
}

/** Where such a stretch stands in its section, as the editor counts. */
export function rangeOf(heading: number, { from, to, isInHeading }: FoundStretch): { from: number; to: number } {
  const base = isInHeading ? 1 : heading;
  return { from: base + from, to: base + to };
}
