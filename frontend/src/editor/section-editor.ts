import { baseKeymap, chainCommands } from "@tiptap/pm/commands";
import { history, undoDepth, redoDepth } from "@tiptap/pm/history";
import { InputRule, inputRules, wrappingInputRule } from "@tiptap/pm/inputrules";
import { keymap } from "@tiptap/pm/keymap";
import { DOMSerializer, Fragment, Slice, type Node as TextNode } from "@tiptap/pm/model";
import { EditorState, Plugin, TextSelection, type Command, type Transaction } from "@tiptap/pm/state";
import { Decoration, DecorationSet, EditorView, type NodeViewConstructor } from "@tiptap/pm/view";
import type { SectionText } from "../api/client";
import * as commands from "./commands";
import { schema } from "./schema";
import { docOf, headingOf } from "./section-text";

/** What a section's editor asks of the screen around it. */
export type SectionEditorHost = {
  typed(doc: TextNode, changed: { heading: boolean; body: boolean }): void;
  focused(position: number): void;
  left(position: number): void;
  selected(view: EditorView): void;
  follow(target: string): void;
  isBroken(target: string): boolean;
  isBookmarkTaken(id: string): boolean;
  /** The cursor leaves at the top or the bottom. */
  leave(direction: "up" | "down"): boolean;
  /** How parts whose words come from the outline are drawn. */
  views: Record<"contents" | "crossReference" | "calculation", NodeViewConstructor>;
  key(view: EditorView, event: KeyboardEvent): boolean;
  /** Text from another program; true when it is taken care of. */
  paste(view: EditorView, html: string): boolean;
};

export class SectionEditor {
  readonly view: EditorView;

  constructor(
    parent: HTMLElement,
    text: Pick<SectionText, "heading" | "body">,
    private readonly hasHeading: boolean,
    private readonly host: SectionEditorHost,
    label: string,
  ) {
    this.view = new EditorView(parent, {
      state: this.stateOf(docOf(text, hasHeading)),
      attributes: {
        "aria-label": label,
        role: "textbox",
        "aria-multiline": "true",
        class: "manuscript",
        spellcheck: "true",
      },
      nodeViews: host.views,
      dispatchTransaction: (transaction) => this.dispatch(transaction),
      handleClickOn: (_view, _position, _node, _at, event) => this.clicked(event),
      handleKeyDown: (view, event) => host.key(view, event),
      handlePaste: (view, event) => host.paste(view, event.clipboardData?.getData("text/html") ?? ""),
      transformPasted: (slice) => this.withoutTakenBookmarks(slice),
      handleDOMEvents: {
        focus: (view) => (host.focused(view.state.selection.head), host.selected(view), false),
        blur: (view) => (host.left(view.state.selection.head), false),
      },
    });
  }

  destroy(): void {
    this.view.destroy();
  }

  relabel(label: string): void {
    this.view.setProps({
      attributes: {
        "aria-label": label,
        role: "textbox",
        "aria-multiline": "true",
        class: "manuscript",
        spellcheck: "true",
      },
    });
  }

  /** Shows another text, from the server, keeping the cursor where it can be kept. */
  replace(text: Pick<SectionText, "heading" | "body">): void {
    const doc = docOf(text, this.hasHeading);
    if (doc.eq(this.view.state.doc)) return;
    const { anchor } = this.view.state.selection;
    const state = this.stateOf(doc);
    this.view.updateState(
      state.apply(state.tr.setSelection(TextSelection.near(doc.resolve(Math.min(anchor, doc.content.size))))),
    );
  }

  /** What was typed is safely kept: from here on, undoing is the journal's. */
  handedOver(): void {
    if (this.view.composing || (undoDepth(this.view.state) === 0 && redoDepth(this.view.state) === 0)) return;
    const { doc, selection, storedMarks } = this.view.state;
    this.view.updateState(EditorState.create({ doc, selection, storedMarks, plugins: this.plugins() }));
  }

  focus(position?: number): void {
    if (position !== undefined) {
      const { state } = this.view;
      this.view.dispatch(
        state.tr.setSelection(
          TextSelection.near(state.doc.resolve(Math.max(0, Math.min(position, state.doc.content.size)))),
        ),
      );
    }
    this.view.focus();
  }

  focusBookmark(id: string): void {
    let at: number | undefined;
    this.view.state.doc.descendants(
      (node, position) => void (node.type.name === "bookmark" && node.attrs["id"] === id && (at = position)),
    );
    this.focus(at === undefined ? 1 : at + 1);
    this.view.dispatch(this.view.state.tr.scrollIntoView());
  }

  focusAtEnd(): void {
    this.focus(this.view.state.doc.content.size);
  }

  /** Draws links anew after their targets came or went. */
  redraw(): void {
    this.view.dispatch(this.view.state.tr.setMeta("redraw", true));
  }

  private stateOf(doc: TextNode): EditorState {
    return EditorState.create({ doc, plugins: this.plugins() });
  }

  private dispatch(transaction: Transaction): void {
    const before = this.view.state.doc;
    this.view.updateState(this.view.state.apply(transaction));
    const after = this.view.state.doc;
    if (!after.eq(before)) {
      const heading = headingOf(after);
      const headingChanged = heading !== null && !heading.eq(headingOf(before) ?? heading.type.create());
      const bodyChanged =
        !heading || !after.content.cut(heading.nodeSize).eq(before.content.cut(headingOf(before)?.nodeSize ?? 0));
      this.host.typed(after, { heading: headingChanged, body: bodyChanged });
    }
    if (transaction.docChanged || transaction.selectionSet) this.host.selected(this.view);
  }

  private plugins(): Plugin[] {
    return [
      inputRules({
        rules: [listRule(/^\s*[-•]\s$/, "bulletList"), numberedRule(), quotationRule(), ...typographicRules],
      }),
      keymap(this.keys()),
      keymap(baseKeymap),
      history(),
      headingStays(this.hasHeading),
      currentLine(),
      linkStates((target) => this.host.isBroken(target)),
    ];
  }

  private keys(): Record<string, Command> {
    return {
      "Shift-Enter": commands.hardBreak,
      Enter: chainCommands(commands.leaveCalculation, commands.enterFromHeading, commands.splitItem),
      ArrowUp: (_state, _dispatch, view) =>
        view?.endOfTextblock("up") && isAtStart(view.state) ? this.host.leave("up") : false,
      ArrowDown: (_state, _dispatch, view) =>
        view?.endOfTextblock("down") && isAtEnd(view.state) ? this.host.leave("down") : false,
      Backspace: (state) => {
        // At the head of the text there is nothing to rub out; the heading above is not text.
        const heading = headingOf(state.doc);
        return (
          heading !== null &&
          state.selection.empty &&
          state.selection.from === heading.nodeSize + 1 &&
          state.selection.$from.depth === 1
        );
      },
    };
  }

  private clicked(event: MouseEvent): boolean {
    const link = event.target instanceof Element ? event.target.closest("a[data-target]") : null;
    if (!(link instanceof HTMLElement) || !(event.ctrlKey || event.metaKey)) return false;
    event.preventDefault();
    this.host.follow(link.dataset["target"] ?? "");
    return true;
  }

  /** A bookmark that is still where it was must not appear twice. */
  private withoutTakenBookmarks(slice: Slice): Slice {
    const present = new Set<string>();
    this.view.state.doc.descendants(
      (node) => void (node.type.name === "bookmark" && present.add(String(node.attrs["id"]))),
    );
    const clean = (fragment: Fragment): Fragment => {
      const kept: TextNode[] = [];
      fragment.forEach((node) => {
        const id = String(node.attrs["id"] ?? "");
        if (node.type.name === "bookmark" && (present.has(id) || this.host.isBookmarkTaken(id))) return;
        kept.push(node.isText ? node : node.copy(clean(node.content)));
      });
      return Fragment.from(kept);
    };
    return new Slice(clean(slice.content), slice.openStart, slice.openEnd);
  }
}

/** A section's text drawn without an editor, for sections that merely pass by. */
export function drawn(
  text: Pick<SectionText, "heading" | "body">,
  hasHeading: boolean,
): DocumentFragment | HTMLElement {
  return DOMSerializer.fromSchema(schema).serializeFragment(docOf(text, hasHeading).content);
}

function isAtStart(state: EditorState): boolean {
  return state.selection.$head.index(0) === 0;
}

function isAtEnd(state: EditorState): boolean {
  return state.selection.$head.index(0) === state.doc.childCount - 1;
}

/** The heading belongs to the outline; it goes by a command of its own, never by rubbing out. */
function headingStays(hasHeading: boolean): Plugin {
  return new Plugin({
    filterTransaction: (transaction) => !transaction.docChanged || (headingOf(transaction.doc) !== null) === hasHeading,
  });
}

function currentLine(): Plugin {
  return new Plugin({
    props: {
      decorations: (state) => {
        const { $head, empty } = state.selection;
        if (!empty || $head.depth === 0 || $head.node(1).type.name === "heading") return null;
        return DecorationSet.create(state.doc, [Decoration.node($head.before(1), $head.after(1), { class: "now" })]);
      },
    },
  });
}

function linkStates(isBroken: (target: string) => boolean): Plugin {
  const find = (doc: TextNode) => {
    const found: Decoration[] = [];
    doc.descendants((node, position) => {
      const target = node.marks.find((mark) => mark.type.name === "link")?.attrs["href"];
      if (typeof target === "string" && isBroken(target))
        found.push(
          Decoration.inline(position, position + node.nodeSize, {
            class: "broken",
            title: "This link leads nowhere: its target is gone.",
          }),
        );
    });
    return DecorationSet.create(doc, found);
  };
  return new Plugin<DecorationSet>({
    state: {
      init: (_config, state) => find(state.doc),
      apply: (transaction, set) =>
        transaction.docChanged || transaction.getMeta("redraw") ? find(transaction.doc) : set,
    },
    props: {
      decorations(state) {
        return this.getState(state);
      },
    },
  });
}

function listRule(pattern: RegExp, name: string) {
  return wrappingInputRule(pattern, schema.nodes[name]!);
}

function numberedRule() {
  return wrappingInputRule(/^\s*(\d+)\.\s$/, schema.nodes["orderedList"]!, (match) => ({ start: Number(match[1]) }));
}

function quotationRule() {
  return wrappingInputRule(/^\s*>\s$/, schema.nodes["quotation"]!);
}

/** Two hyphens and three full stops, as every typewriter writes them. */
const typographicRules = [new InputRule(/--$/, "—"), new InputRule(/\.\.\.$/, "…")];
