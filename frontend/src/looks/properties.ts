import type { KindView } from "../api/client";

/** What can be said of a kind of text, in the order and the words in which it is shown. */
export type Property = {
  name: string;
  words: string;
  /** How it is given: one of some words, a measure, a colour, or a line with its width and colour. */
  as: "choice" | "measure" | "colour" | "rule" | "yes";
  /** What choices are called. */
  choices?: Readonly<Record<string, string>>;
  hint?: string;
};

export const GROUPS: readonly { title: string; properties: readonly Property[] }[] = [
  {
    title: "Letters",
    properties: [
      { name: "face", words: "Typeface", as: "choice" },
      { name: "size", words: "Size", as: "measure", hint: "11pt or 120%" },
      {
        name: "weight",
        words: "Weight",
        as: "choice",
        choices: {
          "100": "Thin, 100",
          "200": "Extra light, 200",
          "300": "Light, 300",
          "400": "Regular, 400",
          "500": "Medium, 500",
          "600": "Semibold, 600",
          "700": "Bold, 700",
          "800": "Extra bold, 800",
          "900": "Black, 900",
        },
      },
      { name: "slant", words: "Slant", as: "choice", choices: { upright: "Upright", italic: "Italic" } },
      {
        name: "capitals",
        words: "Capitals",
        as: "choice",
        choices: { none: "As typed", small: "Small capitals", all: "All capitals" },
      },
      { name: "colour", words: "Colour", as: "colour" },
      { name: "ground", words: "Ground", as: "colour" },
      { name: "underline", words: "Underlined", as: "yes" },
      { name: "letterSpacing", words: "Letter spacing", as: "measure", hint: "0.5pt" },
      {
        name: "figures",
        words: "Numerals",
        as: "choice",
        choices: { usual: "As the face has them", lining: "Lining", "old-style": "Old-style" },
      },
    ],
  },
  {
    title: "Lines",
    properties: [
      {
        name: "alignment",
        words: "Alignment",
        as: "choice",
        choices: { start: "At the start", justified: "Justified", centred: "Centred", end: "At the end" },
      },
      { name: "lineHeight", words: "Line spacing", as: "measure", hint: "1.4 or 15pt" },
      {
        name: "hyphenation",
        words: "Hyphenation",
        as: "choice",
        choices: { yes: "Yes", no: "No", justified: "In justified text" },
      },
    ],
  },
  {
    title: "Space and indents",
    properties: [
      { name: "spaceBefore", words: "Space above", as: "measure", hint: "12pt" },
      { name: "spaceAfter", words: "Space below", as: "measure", hint: "6pt" },
      { name: "firstLine", words: "First line in", as: "measure", hint: "14pt; -14pt hangs" },
      { name: "indentStart", words: "Indent at the start", as: "measure", hint: "10mm" },
      { name: "indentEnd", words: "Indent at the end", as: "measure", hint: "10mm" },
    ],
  },
  {
    title: "Rules",
    properties: [
      { name: "ruleAbove", words: "Rule above", as: "rule" },
      { name: "ruleBelow", words: "Rule below", as: "rule" },
      { name: "frame", words: "Frame", as: "rule" },
    ],
  },
  {
    title: "On pages",
    properties: [
      { name: "keepWithNext", words: "Stays with what follows", as: "yes" },
      { name: "keepTogether", words: "Not broken over pages", as: "yes" },
      { name: "newPage", words: "Begins a page", as: "yes" },
    ],
  },
];

/** The groups with what can be said of a kind, and no others. */
export function groupsOf(kind: KindView) {
  return GROUPS.map(({ title, properties }) => ({
    title,
    properties: properties.filter(({ name }) => kind.properties.includes(name)),
  })).filter(({ properties }) => properties.length > 0);
}

/** A look as far as a line of a menu or a list can show it. */
export function inShort(look: Readonly<Record<string, string>>) {
  return {
    ...(look["face"] ? { fontFamily: `"${look["face"]}"` } : {}),
    ...(look["weight"] ? { fontWeight: Number(look["weight"]) } : {}),
    ...(look["slant"] ? { fontStyle: look["slant"] === "italic" ? "italic" : "normal" } : {}),
    ...(look["capitals"] === "small" ? { fontVariantCaps: "small-caps" as const } : {}),
    ...(look["capitals"] === "all" ? { textTransform: "uppercase" as const } : {}),
    ...(look["underline"] === "yes" ? { textDecoration: "underline" } : {}),
  };
}
