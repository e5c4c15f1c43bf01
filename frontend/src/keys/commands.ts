import type { Chord } from "./chord";

/** Where a command’s keys work. The outline’s work in Arrange too. */
export type Reach = "anywhere" | "outline" | "strata" | "text";

export type Entry = {
  words: string;
  keys: readonly Chord[];
  /** Other plain words by which the jump box finds it. */
  also?: string;
};

const LEVELS = [1, 2, 3, 4, 5, 6, 7, 8, 9] as const;
type Level = (typeof LEVELS)[number];

function levels<Name extends string>(
  name: (level: Level) => Name,
  words: (level: Level) => string,
  chord: (level: Level) => Chord,
): Record<Name, Entry> {
  const entries = LEVELS.map((level) => [name(level), { words: words(level), keys: [chord(level)] }]);
  return Object.fromEntries(entries) as Record<Name, Entry>;
}

/**
 * Every command that can have keys, with ours. The arrows go about; held with Ctrl and Shift, the same arrows take along
 * what they stand on. None is a key that browsers or screen readers keep for themselves.
 */
export const COMMANDS = {
  anywhere: {
    jump: { words: "Jump to a place, or do a command", keys: ["Ctrl+J"] },
    undo: { words: "Undo", keys: ["Ctrl+Z"], also: "take back" },
    redo: { words: "Redo", keys: ["Ctrl+Y", "Ctrl+Shift+Z"] },
    "trail-back": { words: "Back along the trail", keys: ["Ctrl+[", "Alt+Shift+PageUp"] },
    "trail-forward": { words: "Forward along the trail", keys: ["Ctrl+]", "Alt+Shift+PageDown"] },
    "to-writing": { words: "Back to where I was writing", keys: ["F9"], also: "resume last edit" },
    "previous-section": { words: "Previous section", keys: ["Alt+PageUp"] },
    "next-section": { words: "Next section", keys: ["Alt+PageDown"] },
    "parent-section": {
      words: "To the heading above this one",
      keys: ["Alt+Shift+ArrowUp"],
      also: "parent up chapter",
    },
    "first-child": { words: "To the first section under this one", keys: ["Alt+Shift+ArrowDown"], also: "child down" },
    "outline-or-text": { words: "To the outline, and back to the text", keys: ["F8"] },
    strata: { words: "To Strata", keys: ["Shift+F8"] },
    "other-face": {
      words: "Change between Write, Arrange, Looks and Proof",
      keys: ["Shift+F9"],
      also: "pages preview",
    },
    "read-aloud": { words: "Read aloud from here, or stop", keys: ["Alt+Shift+R"], also: "speak voice speech listen" },
    "pause-reading": { words: "Pause reading aloud, or go on", keys: ["Alt+Shift+P"], also: "speech voice" },
    quiet: { words: "Only the text, or everything again", keys: ["Shift+F7"], also: "hide focus distraction quiet" },
    "full-screen": { words: "The whole screen, or no longer", keys: [], also: "fullscreen" },
    "hold-line": { words: "Hold the typed line at one height, or let it move", keys: [], also: "steady scroll" },
    "set-off": { words: "Set off the paragraph, the sentence, or nothing", keys: [], also: "focus dim fade" },
    "keep-now": { words: "Keep what is typed now", keys: ["Ctrl+S"], also: "save" },
    print: { words: "Print the document…", keys: ["Ctrl+P"], also: "paper PDF" },
    keys: { words: "Keys…", keys: ["Ctrl+/"], also: "keyboard shortcut" },
    "scope-branch": {
      words: "Work on this branch only, or on the whole again",
      keys: ["F4"],
      also: "focus scope alone part",
    },
    "scope-own-text": {
      words: "Work on the text of this section only, or on the whole again",
      keys: ["Shift+F4"],
      also: "focus scope alone",
    },
    "scope-next": { words: "On to the next part", keys: ["Ctrl+Alt+PageDown"], also: "scope branch" },
    "scope-previous": { words: "Back to the part before", keys: ["Ctrl+Alt+PageUp"], also: "scope branch" },
    "whole-document": { words: "Show the whole document again", keys: [] },
    find: { words: "Find and replace", keys: ["Ctrl+F"], also: "search look for words" },
    "find-next": { words: "To the next place found", keys: ["F3"] },
    "find-previous": { words: "To the place found before", keys: ["Shift+F3"] },
    links: { words: "Links and bookmarks", keys: [] },
    reminders: { words: "Reminders", keys: [], also: "notes to do todo still missing" },
    ideas: { words: "Ideas", keys: [], also: "question thoughts scratch statement" },
    contents: { words: "Contents", keys: [], also: "make table of contents list of illustrations figures tables" },
    pages: {
      words: "Pages, headers and footers",
      keys: [],
      also: "page setup paper margins look style title page number",
    },
    look: { words: "Look of this kind of text", keys: [], also: "style typeface font size colour" },
    looks: { words: "Style sheet", keys: [], also: "looks style typeface size colour house style kind of text" },
    counts: { words: "Counts", keys: [], also: "words characters pages statistics goal deadline target" },
    offcuts: { words: "Offcuts", keys: [] },
    history: { words: "History", keys: [], also: "versions earlier states" },
    check: { words: "Check the structure", keys: [], also: "findings errors" },
    "likely-headings": { words: "Review likely headings…", keys: [] },
  },
  outline: {
    rename: { words: "Rename", keys: ["F2"], also: "heading title" },
    promote: { words: "Promote", keys: ["Ctrl+Shift+ArrowLeft"] },
    demote: { words: "Demote", keys: ["Ctrl+Shift+ArrowRight"] },
    "move-up": { words: "Move up", keys: ["Ctrl+Shift+ArrowUp"] },
    "move-down": { words: "Move down", keys: ["Ctrl+Shift+ArrowDown"] },
    "promote-heading": { words: "Promote the heading only", keys: [] },
    "demote-heading": { words: "Demote the heading only", keys: [] },
    nest: { words: "Nest under…", keys: [], also: "move into inside" },
    "insert-before": { words: "Insert before", keys: [] },
    "insert-after": { words: "Insert after", keys: ["Ctrl+Enter"] },
    "insert-inside": { words: "Insert inside", keys: ["Ctrl+Shift+Enter"] },
    duplicate: { words: "Duplicate", keys: ["Ctrl+D"] },
    copy: { words: "Copy the branch", keys: ["Ctrl+C"] },
    "to-document": { words: "To another document…", keys: [] },
    "keep-standing": { words: "Keep as standing text", keys: [], also: "reuse snippet boilerplate again" },
    marker: { words: "Marker…", keys: [], also: "label status" },
    target: { words: "Target…", keys: [], also: "words goal" },
    "set-aside": { words: "Set aside", keys: [], also: "offcut cut keep" },
    delete: { words: "Delete", keys: ["Delete"], also: "remove" },
    "fold-text": { words: "Fold its text in the manuscript, or unfold it", keys: ["-"] },
    scope: { words: "Work on this branch only", keys: [], also: "focus scope alone" },
    "scope-own": { words: "Work on its own text only", keys: [], also: "focus scope alone" },
    pick: { words: "Select, deselect", keys: ["Space"] },
    "pick-all": { words: "Pick all", keys: ["Ctrl+A"] },
    filter: { words: "Show only headings with some words", keys: ["/"] },
    "next-overview": { words: "One level more", keys: ["."] },
    "show-all": { words: "Unfold everything", keys: ["0"] },
    ...levels(
      (level) => `show-${level}` as const,
      (level) => (level === 1 ? "Show level 1 only" : `Show levels 1 to ${level}`),
      String,
    ),
  },
  strata: {
    "look-into": { words: "Show this branch at full width", keys: ["+"] },
    "look-out": { words: "Show one branch further out", keys: ["-"] },
  },
  text: {
    ...levels(
      (level) => `heading-${level}` as const,
      (level) => `Heading, level ${level}`,
      (level) => `Ctrl+Alt+${level}`,
    ),
    paragraph: { words: "Paragraph", keys: ["Ctrl+Alt+0"], also: "plain text heading" },
    split: { words: "Split here", keys: ["Ctrl+Alt+Enter"], also: "cut divide section" },
    join: { words: "Join with the section above", keys: ["Ctrl+Alt+Backspace"], also: "merge" },
    "words-tools": { words: "Commands for these words", keys: ["Alt+F10"], also: "toolbar menu" },
    "select-section": { words: "Select the section; once more, its whole branch", keys: ["Ctrl+A"] },
    "fold-section": { words: "Fold the text of this section, or unfold it", keys: ["Ctrl+."] },
    "item-up": { words: "List item up", keys: ["Alt+ArrowUp"] },
    "item-down": { words: "List item down", keys: ["Alt+ArrowDown"] },
    "item-in": { words: "List item further in", keys: ["Tab"] },
    "item-out": { words: "List item further out", keys: ["Shift+Tab"] },
    emphasis: { words: "Emphasis", keys: ["Ctrl+I"], also: "italic slanted" },
    strong: { words: "Strong", keys: ["Ctrl+B"], also: "bold" },
    struck: { words: "Struck out", keys: [], also: "strike through deleted" },
    superscript: { words: "Superscript", keys: [], also: "superscript raised" },
    subscript: { words: "Subscript", keys: [], also: "subscript lowered" },
    code: { words: "Code, within a line", keys: [] },
    "code-block": { words: "Code block", keys: [], also: "program listing" },
    quotation: { words: "Quotation", keys: [], also: "block quote cite" },
    list: { words: "List", keys: [], also: "bullet points" },
    "numbered-list": { words: "Numbered list", keys: [], also: "ordered number" },
    footnote: { words: "Footnote", keys: [], also: "note endnote" },
    formula: { words: "Formula…", keys: [], also: "equation mathematics tex mathml" },
    picture: { words: "Picture…", keys: [], also: "image photograph figure drawing" },
    table: { words: "Table…", keys: [], also: "grid rows columns" },
    "row-above": { words: "Row above", keys: [], also: "insert add table" },
    "row-below": { words: "Row below", keys: [], also: "insert add table" },
    "row-up": { words: "Move the row up", keys: [] },
    "row-down": { words: "Move the row down", keys: [] },
    "remove-row": { words: "Remove the row", keys: [] },
    "column-before": { words: "Column before", keys: [], also: "insert add table left" },
    "column-after": { words: "Column after", keys: [], also: "insert add table right" },
    "column-back": { words: "Move the column back", keys: [] },
    "column-on": { words: "Move the column on", keys: [] },
    "merge-cells": { words: "Merge the selected cells", keys: [], also: "join span table" },
    "split-cell": { words: "Split the merged cell", keys: [], also: "span table" },
    "remove-column": { words: "Remove the column", keys: [] },
    "header-row": { words: "First row heads the columns, or not", keys: [], also: "header table" },
    "header-column": { words: "First column heads the rows, or not", keys: [], also: "header table" },
    "landscape-table": { words: "On a landscape page, or not", keys: [], also: "wide table sideways turn page" },
    "align-left": { words: "Align the column left", keys: [] },
    "align-center": { words: "Align the column in the middle", keys: [] },
    "align-right": { words: "Align the column right", keys: [] },
    "remove-table": { words: "Remove the table", keys: [] },
    calculation: { words: "Calculation", keys: [], also: "sum number reckon" },
    separator: { words: "Separator", keys: [], also: "rule line scene break" },
    filler: { words: "Filler…", keys: [], also: "dummy placeholder lorem sample text" },
    "page-break": { words: "Page break", keys: [], also: "new page" },
    link: { words: "Link…", keys: ["Ctrl+K"], also: "address web reference" },
    bookmark: { words: "Bookmark here…", keys: [], also: "name place anchor" },
    reminder: { words: "Reminder here…", keys: ["Ctrl+Alt+M"], also: "note to do todo remark still missing" },
    reference: { words: "Refer to a place…", keys: [], also: "cross-reference number page" },
    "contents-here": {
      words: "Contents here…",
      keys: [],
      also: "make insert table of contents list of illustrations figures tables",
    },
    "words-to-standing": { words: "Keep the selected words as standing text", keys: [], also: "reuse again" },
    standing: { words: "Standing text…", keys: [], also: "reuse snippet boilerplate again insert" },
    "words-to-ideas": { words: "Send the selected words to the ideas", keys: [], also: "later scratch" },
    "set-words-aside": { words: "Set the selected words aside", keys: [], also: "offcut cut keep" },
  },
} satisfies Record<Reach, Record<string, Entry>>;

export type AnywhereCommand = keyof (typeof COMMANDS)["anywhere"];
export type OutlineCommand = keyof (typeof COMMANDS)["outline"];
export type StrataCommand = keyof (typeof COMMANDS)["strata"];
export type TextCommand = keyof (typeof COMMANDS)["text"];
export type CommandId = AnywhereCommand | OutlineCommand | StrataCommand | TextCommand;

/** Keys that always do the same, after the patterns of the WAI-ARIA Authoring Practices and common practice. */
export const ALWAYS: Record<Reach, readonly { chords: readonly Chord[]; words: string }[]> = {
  anywhere: [
    { chords: ["Tab", "Shift+Tab"], words: "To the next part of the screen, or the one before" },
    { chords: ["Escape"], words: "Leave what is open" },
  ],
  outline: [
    { chords: ["ArrowUp", "ArrowDown", "Home", "End"], words: "Go about the rows" },
    { chords: ["ArrowRight", "ArrowLeft"], words: "Unfold or go in; fold or go out" },
    { chords: ["Shift+ArrowUp", "Shift+ArrowDown", "Shift+Home", "Shift+End"], words: "Pick a range" },
    { chords: ["Enter"], words: "Open its text" },
    { chords: ["Escape"], words: "Pick nothing" },
    { chords: ["Shift+F10", "ContextMenu"], words: "Open its commands" },
  ],
  strata: [
    { chords: ["ArrowUp", "ArrowDown", "ArrowLeft", "ArrowRight", "Home", "End"], words: "Go about the branches" },
    { chords: ["Enter"], words: "Open its text" },
  ],
  text: [
    { chords: ["Enter", "Shift+Enter"], words: "New paragraph; new line" },
    { chords: ["ArrowUp", "ArrowDown"], words: "From line to line, and from section to section" },
    { chords: ["Backspace", "Delete"], words: "Delete" },
  ],
};
