import type { Operation, SectionText } from "../api/client";
import type { Draft, Words } from "./drafts";
import { sameText } from "./same-text";

/** A section in which two windows changed the same words: what is typed here goes on, and waits for the writer’s choice. */
export type Clash = { section: string; theirs: SectionText };

export type Choice = "mine" | "theirs" | "both";

/** What is typed here, to be put together with the text as it is kept when this arrives. */
export function merging(
  { section, began }: Pick<Draft, "section" | "began">,
  mine: Words,
  chosen?: { seen: SectionText; preference: Choice },
): Operation {
  const words = ({ heading, body }: Words) => ({ heading, body });
  return {
    name: "merge-text",
    section,
    began: words(began ?? mine),
    mine: words(mine),
    ...(chosen ? { seen: words(chosen.seen), preference: chosen.preference } : {}),
  };
}

/** What two texts certainly began on when nobody knows it any more: the blocks at the head and the tail that are the same. */
export function sharedBy(mine: Words, theirs: Words): Words {
  const { head, tail } = commonEnds(mine.body, theirs.body);
  return {
    heading: sameText(mine.heading, theirs.heading) ? mine.heading : [],
    body: [...mine.body.slice(0, head), ...mine.body.slice(mine.body.length - tail)],
  };
}

/** How many blocks at the head and how many at the tail of two texts are the same. */
export function commonEnds(one: readonly unknown[], other: readonly unknown[]): { head: number; tail: number } {
  const most = Math.min(one.length, other.length);
  let head = 0;
  while (head < most && sameText(one[head], other[head])) head++;
  let tail = 0;
  while (tail < most - head && sameText(one.at(-1 - tail), other.at(-1 - tail))) tail++;
  return { head, tail };
}
