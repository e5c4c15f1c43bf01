import type { Node as TextNode } from "@tiptap/pm/model";
import type { OperationNamed } from "../api/client";
import { sectionAt } from "./places";
import { headingOf, textOf } from "./section-text";

/** Writing that made sections come or go, as the operation that does the same to the document. */
export type Stretch = OperationNamed<"replace-stretch"> | OperationNamed<"delete">;

/**
 * What was done between two states of the text, when other sections stand in it afterwards; null when the same do. The
 * section where the change begins stays and holds what stands there now; those after it, as far as the change reached,
 * are gone; those that are new follow it.
 */
export function stretchBetween(before: TextNode, after: TextNode, levelOf: (id: string) => number): Stretch | null {
  const [was, is] = [idsOf(before), idsOf(after)];
  if (was.length === is.length && was.every((id, index) => id === is[index])) return null;
  let head = 0;
  while (head < was.length && head < is.length && was[head] === is[head]) head++;
  let tail = 0;
  while (tail < was.length - head && tail < is.length - head && was.at(-1 - tail) === is.at(-1 - tail)) tail++;
  const isTakenIn = head > 0 && !after.child(head - 1).eq(before.child(head - 1));
  if (!isTakenIn && is.length - tail === head) {
    // Whole sections went, and nothing of them stands elsewhere.
    return { name: "delete", sections: was.slice(head, was.length - tail), extent: "heading-only" };
  }
  // The first section that differs may be one that came after the section whose words it took.
  const first = Math.max(0, head - 1);
  const gone = was.slice(first + 1, was.length - tail);
  const last = sectionAt(before, first + gone.length);
  const sections = [was[first]!, ...gone];
  const texts = Array.from({ length: is.length - tail - first }, (_none, index) => {
    const { id, node } = sectionAt(after, first + index);
    return index === 0
      ? textOf(node)
      : { ...textOf(node), id, level: Number(node.attrs["level"]) || Math.max(1, levelOf(was[first]!)) };
  });
  const tookIn = after.child(first + texts.length - 1);
  return {
    name: "replace-stretch",
    sections,
    texts,
    ...(gone.length > 0 ? { keptFrom: keptFrom(last.node, tookIn) } : {}),
  };
}

/** Where in the body of the last section that is gone begins what was kept of it, at the end of the section that took it in. */
function keptFrom(last: TextNode, tookIn: TextNode): number {
  const body = headingOf(last)?.nodeSize ?? 0;
  const ends = last.content.findDiffEnd(tookIn.content);
  return ends ? Math.max(0, ends.a - body) : 0;
}

function idsOf(doc: TextNode): string[] {
  return doc.content.content.map((section) => String(section.attrs["id"]));
}
