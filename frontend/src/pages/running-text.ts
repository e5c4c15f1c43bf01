import type { RunningLine } from "../api/client";

type Parts = NonNullable<RunningLine["start"]>;
export type RunningField = Exclude<Parts[number], string>["field"];

/** What can stand in a header or a footer besides words, as it is shown while it is edited. */
export const FIELD_WORDS: Record<RunningField, string> = {
  page: "page",
  pages: "last page number",
  sheets: "pages in all",
  title: "title",
  author: "author",
  date: "date",
  heading1: "heading of level 1",
  heading2: "heading of level 2",
  heading3: "heading of level 3",
};

export const fieldSign = (field: RunningField): string => `‹${FIELD_WORDS[field]}›`;

/** A place of a header as one line of text: fields stand in signs of their own. */
export function toText(parts: Parts | undefined): string {
  return (parts ?? []).map((part) => (typeof part === "string" ? part : fieldSign(part.field))).join("");
}

/** The way back; signs that name no field are words. */
export function toParts(text: string): Parts {
  const fields = Object.keys(FIELD_WORDS) as RunningField[];
  return text
    .split(/(‹[^‹›]*›)/u)
    .filter((piece) => piece !== "")
    .map((piece) => {
      const field = fields.find((each) => fieldSign(each) === piece);
      return field === undefined ? piece : { field };
    });
}
