import type { Node as TextNode } from "@tiptap/pm/model";
import type { Plugin } from "@tiptap/pm/state";
import { Decoration } from "@tiptap/pm/view";
import { inEachSection, partsOf } from "./decorations";

/** A paragraph with more letters than this is laid out in stretches; browsers take seconds for one letter in it else. */
export const LONGEST = 60_000;
/** Letters of a stretch, up to the end of its sentence. */
const STRETCH = 8_000;
/** So far the end of a sentence is looked for, and of a word where there is none. */
const LOOKED = 1_500;

/** Each stretch is a block of its own to the browser; in the text they are one paragraph, which nothing but the looks divides. */
export function longParagraphs(): Plugin {
  return inEachSection((section, start) =>
    partsOf(section, start)
      .filter(({ node }) => node.isTextblock && node.content.size > LONGEST)
      .flatMap(({ node, at }) => {
        const ends = endsOf(node);
        return ends.map((end, index) =>
          Decoration.inline(at + 1 + (ends[index - 1] ?? 0), at + 1 + end, { class: "stretch" }),
        );
      }),
  );
}

/** Where the stretches of a long paragraph end, as places in it. An edit moves no more than those around it. */
export function endsOf(paragraph: TextNode): number[] {
  const { size } = paragraph.content;
  const ends: number[] = [];
  for (let least = STRETCH; least < size - LOOKED; least += STRETCH) {
    const from = Math.max(least, (ends.at(-1) ?? 0) + 1);
    const ahead = paragraph.textBetween(from, Math.min(size, from + LOOKED), undefined, "\ufffc");
    const sentence = /[.!?…]["”’»)]*\s+/u.exec(ahead);
    const end = sentence ?? /\s+/u.exec(ahead);
    ends.push(from + (end ? end.index + end[0].length : 0));
  }
  return [...ends, size];
}
