import { Fragment, type Node as TextNode } from "@tiptap/pm/model";
import type { Transaction } from "@tiptap/pm/state";

/**
 * Makes the node at a position another, and touches no more than differs, so that the cursor stays. Parts are only
 * replaced by parts of the same place in the tree: a slice cut through tables and notes need not fit together again.
 */
export function putInstead(tr: Transaction, at: number, node: TextNode): void {
  const was = tr.doc.nodeAt(at);
  if (!was || was.eq(node)) return;
  if (!was.sameMarkup(node) || was.isLeaf) return void tr.replaceWith(at, at + was.nodeSize, node);
  const [old, now] = [was.content.content, node.content.content];
  let head = 0;
  while (head < old.length && head < now.length && old[head]!.eq(now[head]!)) head++;
  let tail = 0;
  while (
    tail < old.length - head &&
    tail < now.length - head &&
    old[old.length - 1 - tail]!.eq(now[now.length - 1 - tail]!)
  )
    tail++;
  const from = at + 1 + sizeOf(old.slice(0, head));
  const [gone, come] = [old.slice(head, old.length - tail), now.slice(head, now.length - tail)];
  const [one, other] = [gone[0], come[0]];
  if (gone.length === 1 && come.length === 1 && one && other && one.sameMarkup(other)) {
    if (one.isText) replaceLetters(tr, from, one, other);
    else putInstead(tr, from, other);
  } else if (was.inlineContent && gone.concat(come).every(({ isText }) => isText)) {
    replaceRun(tr, from, Fragment.from(gone), Fragment.from(come));
  } else tr.replaceWith(from, from + sizeOf(gone), come);
}

function replaceLetters(tr: Transaction, at: number, was: TextNode, now: TextNode): void {
  replaceRun(tr, at, Fragment.from(was), Fragment.from(now));
}

/** Texts only, so that any place in them is one in the line itself. */
function replaceRun(tr: Transaction, at: number, was: Fragment, now: Fragment): void {
  const start = was.findDiffStart(now);
  if (start === null) return;
  const ends = was.findDiffEnd(now) ?? { a: was.size, b: now.size };
  // Of letters that repeat, the same one must not be counted from both ends.
  const overlap = Math.max(0, start - Math.min(ends.a, ends.b));
  tr.replaceWith(at + start, at + ends.a + overlap, now.cut(start, ends.b + overlap));
}

const sizeOf = (nodes: readonly TextNode[]) => nodes.reduce((sum, node) => sum + node.nodeSize, 0);
