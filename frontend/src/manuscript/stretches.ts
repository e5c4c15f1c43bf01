import type { Node as TextNode } from "@tiptap/pm/model";
import type { SectionText } from "../api/client";
import type { Session } from "../document/session";
import { headingOf, sectionNode, textOf } from "../editor/section-text";
import { sectionsOf, type Stretch } from "../editor/stretch";
import { counted } from "../parts/words";

/**
 * Keeps writing that made sections come or go. The screen shows it already; what is typed meanwhile in the section that
 * stayed builds on what this keeps. When it cannot be kept, the texts are shown as they were.
 */
export async function keepStretch(session: Session, stretch: Stretch, before: readonly TextNode[]): Promise<void> {
  const sections = sectionsOf(stretch);
  const asked = sections.filter((section) => session.typing.isAsked(section));
  if (asked.length > 0) {
    // Of two texts that wait for a choice neither may go with the stretch: both stand there, and it is done again.
    for (const section of asked) await session.typing.settleClash(section, "both");
    session.messages.say("Two windows changed the same words there; both stand there now. Do it once more.", "warning");
    return;
  }
  const texts = stretch.name === "replace-stretch" ? stretch.texts : [];
  const made = texts.slice(1).flatMap(({ id }) => id ?? []);
  const stays = stretch.name === "batch" ? sections : [...sections.slice(0, 1), ...made];
  let words = "";
  let isDone = false;
  const answer = await session.changes.keep(stretch, {
    // Words of another window that came in while this waited for its turn do not stand in its texts.
    holds: () => before.every((section) => session.typing.isStill(String(section.attrs["id"]), readsAs(section))),
    applied: ({ revision }) => session.typing.buildOn(stays, revision),
    failed: () => {
      // It may have been done at a first try whose answer never came; then there is nothing to be done again.
      isDone = made.length > 0 && isMade(session, sections.slice(1), made);
      if (isDone) return session.typing.buildOn(stays, session.state.revision);
      words = newWords(session, sections, texts);
      [...sections, ...made].forEach((section) => session.typing.forget(section));
    },
  });
  if (answer.kind !== "applied" && !isDone) {
    if (words !== "") await rescued(session, words);
    return;
  }
  if (stretch.name === "batch") return;
  session.messages.say(said(sections.length - (texts.length > 0 ? 1 : 0), made.length), "said", true);
}

/** Whether the outline is as such a change leaves it: sections that are gone, and new ones by the ids that this window gave. */
const isMade = ({ state }: Session, gone: readonly string[], made: readonly string[]): boolean =>
  gone.every((section) => !state.positions.has(section)) && made.every((section) => state.positions.has(section));

const readsAs =
  (section: TextNode) =>
  (text: SectionText): boolean => {
    const shown = sectionNode(text.id, text, headingOf(section) !== null);
    // The blanks around a heading are not stored.
    return trimmed(textOf(shown)) === trimmed(textOf(section));
  };

const trimmed = ({ heading, body }: Pick<SectionText, "heading" | "body">): string =>
  JSON.stringify([plainOf({ content: heading as Part[] }).trim(), body]);

type Part = { text?: string; content?: Part[] };

/** What was written that stood in none of these sections before, with what was typed on in them, a paragraph a line. */
function newWords(
  session: Session,
  sections: readonly string[],
  texts: readonly { id?: string; heading?: unknown[]; body?: unknown[] }[],
): string {
  const stood = sections.flatMap((section) => blocksOf(session.state.texts.get(section)));
  const known = new Set(stood.map((block) => JSON.stringify(block)));
  const kept = stood.map(plainOf).join("\n");
  return texts
    .flatMap((text, index) => {
      const section = index === 0 ? sections[0]! : (text.id ?? "");
      return blocksOf(session.typing.isIn(section) ? session.typing.textNow(section) : text);
    })
    .filter((block) => !known.has(JSON.stringify(block)))
    .map((block) => plainOf(block).trim())
    .filter((line) => line !== "" && !kept.includes(line))
    .join("\n");
}

/** The heading, as a block like any other, and those of the body. */
const blocksOf = (text: { heading?: unknown[]; body?: unknown[] } | undefined): Part[] => [
  { content: (text?.heading ?? []) as Part[] },
  ...((text?.body ?? []) as Part[]),
];

const plainOf = (part: Part): string => part.text ?? (part.content ?? []).map(plainOf).join("");

/** Words that could not be kept where they were written lie among the ideas. */
async function rescued(session: Session, words: string): Promise<void> {
  const { kind } = await session.changes.perform({ name: "note-idea", words }, { quiet: true });
  if (kind === "applied")
    session.messages.say(
      "These sections were changed meanwhile, so that this could not be done. What you wrote lies among the ideas.",
      "warning",
    );
}

function said(gone: number, made: number): string {
  if (gone === 0) return made === 1 ? "The section is split." : `${counted(made, "section")} begun.`;
  const begun = made > 0 ? `, ${counted(made, "section")} begun` : "";
  return `${counted(gone, "section")} went to the offcuts${begun}.`;
}
