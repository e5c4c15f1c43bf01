import type { Node as TextNode } from "@tiptap/pm/model";
import type { OperationNamed } from "../api/client";
import { sectionAt } from "./places";
import { headingOf, textOf } from "./section-text";

/** Writing over several sections at once, as the one operation that does the same to the document. */
export type Stretch = Reshaped | OperationNamed<"batch">;

type Reshaped = OperationNamed<"replace-stretch"> | OperationNamed<"delete">;

/**
 * What was done between two states of the text, when other sections stand in it afterwards; null when the same do. The
 * section where the change begins stays and holds what stands there now; those after it, as far as the change reached,
 * are gone; those that are new follow it.
 */
export function stretchBetween(
  before: TextNode,
  after: TextNode,
  levelOf: (section: TextNode) => number,
): Reshaped | null {
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
      : { ...textOf(node), id, level: Number(node.attrs["level"]) || Math.max(1, levelOf(before.child(first))) };
  });
  const tookIn = after.child(first + texts.length - 1);
  return {
    name: "replace-stretch",
    sections,
    texts,
    ...(gone.length > 0 ? { keptFrom: keptFrom(last.node, tookIn) } : {}),
  };
}

/**
 * What was done at once to several sections that all stay, such as words dragged from one to another: one step, to be
 * undone as one. Null when no more than one is changed.
 */
export function changedTogether(before: TextNode, after: TextNode): OperationNamed<"batch"> | null {
  const changed = after.content.content.flatMap((section, index) => {
    const was = before.maybeChild(index);
    return was && was !== section && !was.content.eq(section.content) ? [{ was, section }] : [];
  });
  if (changed.length < 2) return null;
  return {
    name: "batch",
    operations: changed.flatMap(({ was, section }) => {
      const [old, now] = [textOf(was), textOf(section)];
      const id = String(section.attrs["id"]);
      const isRenamed = headingOf(section) !== null && !headingOf(was)?.eq(headingOf(section)!);
      return [
        ...(isRenamed ? [{ name: "rename" as const, section: id, heading: now.heading }] : []),
        ...(JSON.stringify(old.body) === JSON.stringify(now.body)
          ? []
          : [{ name: "replace-body" as const, section: id, body: now.body }]),
      ];
    }),
  };
}

/** The sections that writing over several of them reached. */
export function sectionsOf(stretch: Stretch): string[] {
  if (stretch.name !== "batch") return [...stretch.sections];
  return [...new Set(stretch.operations.flatMap((each) => ("section" in each ? [String(each.section)] : [])))];
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
