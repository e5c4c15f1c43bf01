import { baseKeymap, chainCommands, createParagraphNear, newlineInCode } from "@tiptap/pm/commands";
import { InputRule, inputRules, undoInputRule, wrappingInputRule } from "@tiptap/pm/inputrules";
import { keymap } from "@tiptap/pm/keymap";
import type { Node as TextNode } from "@tiptap/pm/model";
import { Plugin, type Command, type EditorState, type Transaction } from "@tiptap/pm/state";
import * as commands from "./commands";
import { leaveKind, splitInKind } from "./kinds";
import { levelOf, near, sectionAround } from "./places";
import { cellBelow } from "./table";
import { schema } from "./schema";
import { headingOf } from "./section-text";
import { signRules, type TypedSigns } from "./typed-signs";

type Host = {
  newId(): string;
  lookOf(section: string): { level: number | null };
  join(section: string, neighbour: "above" | "below"): void;
  toEnd(end: "first" | "last"): void;
};

/** Keys that write, and those that go about within the text. All others are commands (frontend/src/keys). */
export function textKeys(host: Host): Plugin[] {
  const ends =
    (end: "first" | "last"): Command =>
    () => (host.toEnd(end), true);
  const enter = chainCommands(
    commands.leaveFootnote,
    commands.leaveFigure,
    cellBelow,
    commands.leaveCalculation,
    commands.enterFromHeading,
    commands.splitHeading(host.newId, (section) => levelOf(section, host)),
    commands.splitItem,
    newlineInCode,
    createParagraphNear,
    commands.leaveEmptyLine,
    leaveKind,
    splitInKind,
  );
  return [
    keymap({
      "Shift-Enter": commands.hardBreak,
      Escape: commands.leaveFootnote,
      ArrowLeft: commands.acrossNoteEdge("back"),
      ArrowRight: commands.acrossNoteEdge("on"),
      Enter: chainCommands(commands.afterTakingOut(enter), enter),
      Backspace: chainCommands(
        undoInputRule,
        commands.rubOutNote("back"),
        commands.staysInCell("back"),
        joinsAtEdge(host, "above"),
      ),
      "Mod-Backspace": joinsAtEdge(host, "above"),
      Delete: chainCommands(commands.rubOutNote("on"), commands.staysInCell("on"), joinsAtEdge(host, "below")),
      "Mod-Delete": joinsAtEdge(host, "below"),
      "Ctrl-Home": ends("first"),
      "Ctrl-End": ends("last"),
    }),
    keymap(baseKeymap),
  ];
}

/** At the head of a section's text it joins the one above; at its end, the one below joins it. */
function joinsAtEdge(host: Host, neighbour: "above" | "below"): Command {
  return (state, dispatch) => {
    const section = sectionAround(state.selection.$head);
    if (!state.selection.empty || !section) return false;
    const isAtEdge = neighbour === "above" ? isAtHead(state) : isAtFoot(state);
    if (!isAtEdge) return false;
    if (dispatch) host.join(section.id, neighbour);
    return true;
  };
}

function isAtHead(state: EditorState): boolean {
  const { $head } = state.selection;
  const section = $head.node(1);
  const first = headingOf(section) && !commands.isInHeading(state) ? 1 : 0;
  if ($head.parentOffset > 0 || $head.index(1) !== first) return false;
  for (let depth = 2; depth < $head.depth; depth++) if ($head.index(depth) > 0) return false;
  // In a list or a quotation, the key first leaves that.
  return $head.depth === 2;
}

function isAtFoot(state: EditorState): boolean {
  const { $head } = state.selection;
  if ($head.parentOffset < $head.parent.content.size) return false;
  for (let depth = 1; depth < $head.depth; depth++) {
    if ($head.index(depth) < $head.node(depth).childCount - 1) return false;
  }
  return true;
}

/**
 * No section is ever without its heading, whatever was taken out or pasted, nor two of them one: where one was parted,
 * what follows is a section of its own. An opening whose words were all taken out stays, for the cursor is in it.
 */
export function wholeSections(
  isShowing: (transaction: Transaction) => boolean,
  newId: () => string,
  levelOf: (section: TextNode) => number,
): Plugin {
  return new Plugin({
    appendTransaction: (transactions, before, state) => {
      if (!transactions.some(({ docChanged }) => docChanged) || transactions.some(isShowing)) return null;
      const tr = state.tr;
      const without: number[] = [];
      const met = new Set<string>();
      state.doc.forEach((section, offset) => {
        const id = String(section.attrs["id"]);
        if (met.has(id)) tr.setNodeMarkup(offset, null, { id: newId(), level: levelOf(section) });
        met.add(id);
        if (section.type.name === "section" && !headingOf(section)) without.push(offset + 1);
      });
      for (const at of without.toReversed()) tr.insert(at, schema.node("heading"));
      const opening = before.doc.firstChild?.type.name === "opening" ? before.doc.firstChild : null;
      const { $from, $to } = before.selection;
      const wasInOpening = opening !== null && $from.node(1) === opening && $to.node(1) === opening;
      if (wasInOpening && state.doc.firstChild?.type.name !== "opening") {
        tr.insert(0, opening.type.create(opening.attrs, schema.node("paragraph")));
        tr.setSelection(near(tr.doc, 2));
      }
      return tr.docChanged ? tr : null;
    },
  });
}

/** Signs of the language in place of those of the keyboard. */
export function inputMarks(signs: () => TypedSigns | null): Plugin {
  return inputRules({
    rules: signRules(signs),
  });
}

/** Signs at the head of a line that make it a list, a quotation or a heading (as in CommonMark 0.31.2), when that is wished. */
export function lineMarks(areRead: () => boolean, newId: () => string): Plugin {
  const plugin = inputRules({
    rules: [
      wrappingInputRule(/^\s*[-•]\s$/, schema.nodes["bulletList"]!),
      wrappingInputRule(/^\s*(\d+)\.\s$/, schema.nodes["orderedList"]!, (match) => ({ start: Number(match[1]) })),
      wrappingInputRule(/^\s*>\s$/, schema.nodes["quotation"]!),
      new InputRule(/^(#{1,9})\s$/, (state, [, signs], start, end) =>
        commands.headingHere(state, start, end, signs?.length ?? 1, newId),
      ),
    ],
  });
  const read = plugin.props.handleTextInput;
  plugin.props.handleTextInput = (...typed) => areRead() && read?.call(plugin, ...typed) === true;
  return plugin;
}
