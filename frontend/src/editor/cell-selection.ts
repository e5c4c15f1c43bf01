import { Fragment, Slice, type Node as TextNode, type ResolvedPos } from "@tiptap/pm/model";
import { Plugin, TextSelection, type Selection, type Transaction } from "@tiptap/pm/state";
import type { Mappable } from "@tiptap/pm/transform";
import { Decoration, DecorationSet } from "@tiptap/pm/view";
import { schema } from "./schema";
import { cellsBetween, rowsBetween } from "./table";

type Stretch = { from: number; to: number };
/** A table, and where in it the caption (0) or the cell begins. */
type Around = { table: TextNode; start: number; part: number } | null;

/**
 * A selection that goes from one cell to another, or into a table or out of it. Between cells of one table it is the
 * rectangle that they span. Whatever takes it out empties the cells: rows and columns are taken out by their own commands.
 */
export class CellSelection extends TextSelection {
  constructor(
    $anchor: ResolvedPos,
    $head: ResolvedPos,
    /** What is emptied, in order. */
    readonly stretches: readonly Stretch[],
    /** The table and the cells of it, when both ends lie in one. */
    readonly within: { table: TextNode; start: number; cells: readonly Stretch[] } | null,
  ) {
    super($anchor, $head);
  }

  override map(doc: TextNode, mapping: Mappable): Selection {
    const moved = super.map(doc, mapping);
    return moved instanceof TextSelection ? fitting(moved) : moved;
  }

  /** Of cells of one table, a table of just these, which other programs take for cells too. */
  override content(): Slice {
    if (!this.within) return super.content();
    const rows = rowsBetween(this.within.table, this.within.start, this.from, this.to);
    const table = this.within.table.copy(Fragment.from([schema.node("caption"), ...rows]));
    return new Slice(Fragment.from(table), 0, 0);
  }

  override replace(tr: Transaction, content: Slice = Slice.empty): void {
    const from = tr.mapping.maps.length;
    for (const stretch of this.stretches.toReversed()) {
      const mapping = tr.mapping.slice(from);
      tr.deleteRange(mapping.map(stretch.from), mapping.map(stretch.to));
    }
    const at = tr.mapping.slice(from).map(this.stretches[0]?.from ?? this.from, -1);
    if (content.size > 0) tr.replaceRange(at, at, content);
    else tr.setSelection(TextSelection.near(tr.doc.resolve(at)));
  }

  override replaceWith(tr: Transaction, node: TextNode): void {
    this.replace(tr);
    const at = tr.selection.from;
    tr.replaceRangeWith(at, at, node);
    if (node.isInline) tr.setSelection(TextSelection.near(tr.doc.resolve(at + node.nodeSize), -1));
  }
}

/** The selection as it is meant: over cells, when its ends do not lie in one and the same. */
export function fitting(selection: TextSelection): TextSelection {
  const { $anchor, $head, $from, $to } = selection;
  const [first, last] = [tableAround($from), tableAround($to)];
  if (selection.empty || (!first && !last)) return selection;
  const isOne = first !== null && first.start === last?.start;
  if (isOne && first.part === last.part) return selection;
  const doc = $from.node(0);
  if (isOne) {
    const cells = cellsBetween(first.table, first.start, $from.pos, $to.pos);
    const isInCaption = first.part === 0;
    const stretches = isInCaption
      ? partsIn(first.table, first.start).filter(({ from, to }) => from <= $to.pos && to >= $from.pos)
      : cells;
    const cut = isInCaption ? stretches.map((each) => clipped(each, $from.pos, $to.pos)) : stretches;
    return new CellSelection($anchor, $head, cut, isInCaption ? null : { ...first, cells });
  }
  return new CellSelection($anchor, $head, acrossEdges(doc, $from.pos, $to.pos, first, last), null);
}

/**
 * A note is in a selection or around it: one that is cut through would be two. What reaches into it takes it whole, or, when
 * it comes back from behind it, leaves it.
 *
 * @param came where the end that moves was before
 */
export function overNotes(selection: TextSelection, came: number): TextSelection {
  const { $anchor, $head } = selection;
  const doc = $anchor.node(0);
  const isForward = $head.pos > $anchor.pos;
  const anchor = noteAround($anchor, $head.pos);
  const head = noteAround($head, $anchor.pos);
  if (!anchor && !head) return selection;
  const isBack = head && (isForward ? came >= head.to : came <= head.from);
  const from = !anchor ? $anchor.pos : isForward ? anchor.from : anchor.to;
  const to = !head ? $head.pos : isForward === !isBack ? head.to : head.from;
  return TextSelection.create(doc, from, to);
}

/** The note around one end of a selection, when the other end is not in it. */
function noteAround($end: ResolvedPos, other: number): Stretch | null {
  for (let depth = $end.depth; depth > 0; depth--) {
    if ($end.node(depth).type.name !== "footnote") continue;
    const [from, to] = [$end.before(depth), $end.after(depth)];
    return other > from && other < to ? null : { from, to };
  }
  return null;
}

/** A table that is reached from its beginning to its end goes as a whole; of any other, cells are emptied. */
function acrossEdges(doc: TextNode, from: number, to: number, first: Around, last: Around): Stretch[] {
  const ofFirst = first ? partsIn(first.table, first.start) : [];
  const ofLast = last ? partsIn(last.table, last.start) : [];
  const [begins, ends] = [ofFirst[0]?.from === from, ofLast.at(-1)?.to === to];
  const low = !first ? from : begins ? first.start : first.start + first.table.nodeSize;
  const high = !last ? to : ends ? last.start + last.table.nodeSize : last.start;
  const isOutside = high > low && (begins || ends || doc.textBetween(low, high, " ", " ") !== "");
  return [
    ...(begins ? [] : ofFirst.filter((part) => part.to >= from).map((part) => clipped(part, from, low))),
    ...(isOutside ? [{ from: low, to: high }] : []),
    ...(ends ? [] : ofLast.filter((part) => part.from <= to).map((part) => clipped(part, high, to))),
  ];
}

function clipped({ from, to }: Stretch, low: number, high: number): Stretch {
  return { from: Math.max(from, low), to: Math.max(Math.max(from, low), Math.min(to, high)) };
}

/** What a table holds: its caption and the content of each cell. */
function partsIn(table: TextNode, start: number): Stretch[] {
  const parts: Stretch[] = [];
  table.descendants((node, offset) => {
    if (!node.inlineContent) return true;
    parts.push({ from: start + 2 + offset, to: start + 2 + offset + node.content.size });
    return false;
  });
  return parts;
}

/** The table around a place, and where in it the caption or cell begins. */
function tableAround($at: ResolvedPos): Around {
  for (let depth = $at.depth; depth > 0; depth--) {
    if ($at.node(depth).type.name !== "table") continue;
    const isCaption = $at.index(depth) === 0;
    return { table: $at.node(depth), start: $at.before(depth), part: isCaption ? 0 : $at.before(depth + 2) };
  }
  return null;
}

/** Keeps selections over cells what they are, and draws them. */
export function cellSelections(): Plugin {
  return new Plugin({
    appendTransaction: (_transactions, before, state) => {
      const { selection } = state;
      if (!(selection instanceof TextSelection) || selection instanceof CellSelection) return null;
      const meant = fitting(overNotes(selection, before.selection.head));
      return meant === selection ? null : state.tr.setSelection(meant);
    },
    props: {
      attributes: ({ selection }): Record<string, string> =>
        selection instanceof CellSelection && selection.within ? { "data-cells": "" } : {},
      decorations: ({ doc, selection }) =>
        selection instanceof CellSelection && selection.within
          ? DecorationSet.create(
              doc,
              selection.within.cells.map(({ from, to }) =>
                Decoration.node(from - 1, to + 1, { class: "cell-selected" }),
              ),
            )
          : null,
    },
  });
}
