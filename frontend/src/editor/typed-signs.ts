import { InputRule } from "@tiptap/pm/inputrules";
import type { EditorState } from "@tiptap/pm/state";

/** The signs that the document’s language has for what a keyboard writes. */
export type TypedSigns = { open: string; close: string; innerOpen: string; innerClose: string; dash: string };

const APOSTROPHE = "’";
/** After these a quotation begins. */
const BEFORE_OPENING = /(?:^|[\s([{<\u2013\u2014\u00a0\u202f/=]|["'“‘«„‚‹「『])$/u;

/** Quotation marks, apostrophes, dashes and dots as the language writes them; each is undone at once by Backspace. */
export function signRules(signs: () => TypedSigns | null): InputRule[] {
  return [
    rule(/"$/, signs, ({ open, close }, before) => (opens(before) ? open : close)),
    rule(/'$/, signs, ({ innerOpen, innerClose }, before) =>
      opens(before) ? innerOpen : isOpen(before, innerOpen, innerClose) ? innerClose : APOSTROPHE,
    ),
    rule(/--$/, signs, ({ dash }) => dash, 1),
    // Once more changes it for the other.
    rule(/[–—]-$/, signs, (_signs, before) => (before.endsWith("–") ? "—" : "–"), 1),
    rule(/\.\.\.$/, signs, () => "…", 2),
  ];
}

function opens(before: string): boolean {
  return BEFORE_OPENING.test(before);
}

/** Whether a quotation has been begun before and not ended; where both marks are the same, none has been. */
function isOpen(before: string, open: string, close: string): boolean {
  return open !== close && before.lastIndexOf(open) > before.lastIndexOf(close);
}

/** @param taken signs before the typed one that go with it */
function rule(
  pattern: RegExp,
  signs: () => TypedSigns | null,
  sign: (signs: TypedSigns, before: string) => string,
  taken = 0,
): InputRule {
  return new InputRule(
    pattern,
    (state: EditorState, _match, start, end) => {
      const now = signs();
      if (now === null) return null;
      const $end = state.doc.resolve(end);
      const before = $end.parent.textBetween(0, $end.parentOffset, undefined, "\ufffc");
      const from = Math.max(start, end - taken);
      return state.tr.insertText(sign(now, before), from, end);
    },
    { inCodeMark: false },
  );
}
